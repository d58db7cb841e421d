using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Following guides, as lines of the record. Pure: ids come in.</summary>
public static class GuideWork
{
    /// <summary>The step was done.</summary>
    public const string Done = "done";

    /// <summary>The step was left out, with a reason.</summary>
    public const string Skipped = "skipped";

    /// <summary>Begins a guide. Its steps are kept with the job, so that a change of the guide changes nothing under the hand.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="model">The machine's model.</param>
    /// <param name="guide">The guide.</param>
    /// <param name="slot">The slot it is about, by panel number; 0 for none.</param>
    /// <param name="newId">A name for this following.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Begin(JobState state, MachineModel model, Guide guide, int slot, string newId)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (slot < 0 || slot > model.Slots.Count)
            return new Problem(ProblemCode.OutOfRange, "/slot", slot, 0, model.Slots.Count);
        if (state.Opening.Runs.FirstOrDefault(r => r.Ended is null && r.Begun.Guide == guide.Id) is not null)
            return new Problem(StripDownProblem.StepTicked, "/guide", guide.Name, "followed already", "on this page");
        return One(new GuideBegun(newId, guide.Id, guide.Name, guide.Version, slot, StepsOn(guide, model), WindowsOn(guide, model)));
    }

    /// <summary>Takes a guide over as it is now; steps done keep their ticks by their names.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Renew(JobState state, MachineModel model, Guide guide, string run) =>
        Followed(state, run) is { } problem
            ? problem
            : One(new GuideRenewed(run, guide.Version, StepsOn(guide, model), WindowsOn(guide, model)));

    /// <summary>Ends a guide: done when all steps are, else given up with a reason.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> End(JobState state, string run, string reason)
    {
        if (Followed(state, run) is { } problem)
            return problem;
        var following = state.Opening.Runs.First(r => r.Id == run);
        var done = following.Next is null;
        var problems = new List<Problem>();
        Guard.Text(problems, reason, "/reason", Guard.LongestText, needed: !done);
        if (problems.Count > 0)
            return problems;
        return One(new GuideEnded(run, following.Begun.Name, done, reason.Trim()));
    }

    /// <summary>Ticks a step, skips it, or says what went wrong.</summary>
    /// <param name="job">The job.</param>
    /// <param name="graph">How the machine opens; null when its model has no graph.</param>
    /// <param name="told">Which step, and what became of it.</param>
    /// <param name="newId">Makes names for tray and clocks.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Tick(JobCase job, AccessGraph? graph, StepTold told, Func<string> newId)
    {
        var state = job.State;
        if (Followed(state, told.Run) is { } problem)
            return problem;
        var run = state.Opening.Runs.First(r => r.Id == told.Run);
        if (run.Begun.Steps.FirstOrDefault(s => s.Id == told.Step) is not { } step)
            return new Problem(DiagnosisProblem.UnknownStep, "/step", told.Step);
        if (ShownAtPress.Differs(told.Shown, step.Title, LabelOf(step, told)) is { } other)
            return other;
        if (run.Ticks.TryGetValue(step.Id, out var tick))
            return new Problem(StripDownProblem.StepTicked, "/step", step.Title, tick.Outcome, $"{tick.Person}, {tick.At:HH:mm} UTC");
        var branch = step.Branches.FirstOrDefault(b => b.Id == told.Outcome);
        if (branch is null && told.Outcome is not (Done or Skipped))
            return new Problem(DiagnosisProblem.UnknownAnswer, "/outcome", told.Outcome, step.Title);
        var problems = told.Outcome == Done ? Unready(job, graph, run, step, told.Value) : [];
        if (told.Outcome == Skipped)
            Guard.Text(problems, told.Words, "/words", Guard.LongestText, needed: true);
        else if (told.Words.Length > Guard.LongestText)
            problems.Add(new Problem(ProblemCode.TooLong, "/words", told.Words.Length, Guard.LongestText));
        if (told.Outcome == Skipped && step.Kind == StepKind.Word)
            problems.Add(new Problem(StripDownProblem.WordNeeded, "/step", step.Title, step.Word));
        if (told.Outcome == Done && step.Does.Count > 1 && step.Does.All(d => d.Repair != told.Does))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/does", told.Does, string.Join(", ", step.Does.Select(d => d.Label))));
        if (problems.Count > 0)
            return problems;
        return Lines(job, graph, run, step, told, newId);
    }

    // What the answer is called on the screen, where it has a name of its own.
    private static string LabelOf(GuideStep step, StepTold told) =>
        step.Branches.FirstOrDefault(b => b.Id == told.Outcome)?.Label
        ?? (told.Outcome == Done ? step.Does.FirstOrDefault(d => step.Does.Count == 1 || d.Repair == told.Does)?.Label ?? "" : "");

    private static List<EntryBody> Lines(JobCase job, AccessGraph? graph, GuideRun run, GuideStep step, StepTold told, Func<string> newId)
    {
        var state = job.State;
        var done = told.Outcome == Done;
        var passes = step.Branches.Any(b => b.Id == told.Outcome && b.Passes);
        var stays = done && step.Stays is { } left ? GuideTargets.Removals(left.Targets, graph, run.Begun.Slot) : [];
        var puts = done ? step.Puts.Select(p => new TrayItem(newId(), p.Label, p.Change, p.Count, p.Undo, p.Marks)).ToList() : [];
        var takes = done ? step.Takes.Select(label => state.Tray.LastOrDefault(i => i.Label == label)?.Id).OfType<string>().ToList() : [];
        takes.AddRange(state.Tray.Where(i => i.Removal is { } id && stays.Contains(id)).Select(i => i.Id));
        var lines = new List<EntryBody>
        {
            new GuideTicked(
                run.Id,
                step.Id,
                step.Title,
                told.Outcome,
                done || passes ? told.Value : null,
                step.Measure?.Unit ?? "",
                puts,
                takes,
                done && step.Kind is not (StepKind.Open or StepKind.Back) ? step.Hands.Value : 0,
                told.Words.Trim(),
                done ? Alters(step, stays) : [],
                done ? step.Makes?.Watch ?? "" : ""
            ),
        };
        if (!done)
            return lines;
        if (step.Does.Count > 0 && Made(job, step, told) is { } repair)
            lines.Add(repair);
        if (step.Wait is { } wait)
            lines.Add(new ClockStarted(newId(), wait.Kind, wait.Label, wait.Least.Value, wait.Most?.Value));
        foreach (var window in run.Begun.Windows.Where(w => w.OpensAt == step.Id && w.Lasts.Value > 0))
            lines.Add(new ClockStarted(newId(), "window", window.Name, window.Lasts.Value, window.Lasts.Value));
        var closed = run.Begun.Windows.FirstOrDefault(w =>
            w.Id == step.Window && run.Begun.Steps.Last(s => s.Window == w.Id).Id == step.Id
        );
        if (closed is not null && state.Clocks.LastOrDefault(c => c.Kind == "window" && c.Label == closed.Name) is { } clock)
            lines.Add(new ClockStopped(clock.Id));
        return lines;
    }

    private static List<Modification> Alters(GuideStep step, IReadOnlyList<string> stays) =>
        [
            .. stays.Select(removal => new Modification(
                StripDownCraft.StaysChangedKey,
                removal,
                step.Stays!.As,
                $"{removal.Replace('-', ' ').Replace(":", ", ")}: {step.Stays.As}"
            )),
            .. step.Makes is { } makes
                ? [new Modification(LastingChange.Key, makes.Change, "yes", $"{makes.Name}: {makes.Says}")]
                : Array.Empty<Modification>(),
        ];

    // Work that a guide does counts as work of the fault book; its bench time is that of the guide's own steps.
    private static Mended? Made(JobCase job, GuideStep step, StepTold told)
    {
        var id = step.Does.Count == 1 ? step.Does[0].Repair : told.Does;
        return job.Book.Book.Step(id) is Repair repair
            ? new Mended(repair.Id, repair.Name, repair.Tags, 0, repair.Parts, repair.Part, "", 0, 0, [], job.Thread.Id)
            : null;
    }

    // Everything that stands in the way of doing a step.
    private static List<Problem> Unready(JobCase job, AccessGraph? graph, GuideRun run, GuideStep step, double? value)
    {
        var state = job.State;
        var problems = new List<Problem>();
        var before = run.Begun.Steps.TakeWhile(s => s.Id != step.Id).Where(s => !run.Ticks.ContainsKey(s.Id)).ToList();
        if (before.Count > 0)
            problems.Add(
                new Problem(StripDownProblem.StepsBefore, "/step", step.Title, string.Join(", ", before.Select(s => s.Title).Take(3)))
            );
        if (step.Measure is { } asked)
        {
            if (value is not { } number)
                problems.Add(new Problem(ProblemCode.Missing, "/value"));
            else if (!(number >= asked.Min && number <= asked.Max))
                problems.Add(new Problem(ProblemCode.OutOfRange, "/value", number, asked.Min, asked.Max));
            else if (asked.Good is { } good && !good.Holds(number))
                problems.Add(new Problem(StripDownProblem.NumberSaysOtherwise, "/value", number, asked.Unit, good.Else));
        }

        if (step.Word.Length > 0 && !state.Consents.Contains(step.Word))
            problems.Add(new Problem(StripDownProblem.WordNeeded, "/step", step.Title, step.Word));
        if (step.Irreversible && !state.Consents.Contains(Consented.Irreversible))
            problems.Add(new Problem(StripDownProblem.WordNeeded, "/step", step.Title, Consented.Irreversible));
        // A photo that was skipped before is asked for again before anything that cannot be undone.
        var photos = state.Opening.Photos.Where(p => p.Of.StartsWith($"{run.Id}:", StringComparison.Ordinal)).ToList();
        if (step.Photo ? photos.All(p => p.Of != $"{run.Id}:{step.Id}") : step.Irreversible && photos.Count == 0)
            problems.Add(new Problem(StripDownProblem.PhotoFirst, "/step", step.Title));
        problems.AddRange(
            step.Kind switch
            {
                StepKind.Open when graph is not null && Shut(state, graph, step, run.Begun.Slot) is { Count: > 0 } shut =>
                [
                    new Problem(StripDownProblem.OffFirst, "/step", step.Title, string.Join(", ", shut)),
                ],
                StepKind.Back => state.Tray.Count > 0
                    ?
                    [
                        new Problem(
                            StripDownProblem.BackFirst,
                            "/step",
                            step.Title,
                            string.Join(", ", state.Tray.Select(i => $"{i.Label} {i.Change}"))
                        ),
                    ]
                    : [],
                StepKind.Power => Forbidden(state, "power", step.PowerWhileOpen),
                StepKind.Move => Forbidden(state, "moving", true),
                _ => [],
            }
        );
        return problems;
    }

    /// <summary>What on the tray forbids something: power, moving or closing, in words.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="what">power, moving or closing.</param>
    /// <param name="whileOpen">Whether it may be done with the machine open.</param>
    public static IReadOnlyList<string> InTheWay(JobState state, string what, bool whileOpen)
    {
        var items = state
            .Tray.Where(i => i.Forbids.Contains(what) || (!whileOpen && what == "power" && i.Marks.Contains("open")))
            .Select(i => $"{i.Label} {i.Change}")
            .ToList();
        return items.Count == 0 ? [] : [string.Join(", ", items)];
    }

    private static IEnumerable<Problem> Forbidden(JobState state, string what, bool whileOpen) =>
        InTheWay(state, what, whileOpen).Select(items => new Problem(StripDownProblem.TrayForbids, "/step", what, items));

    private static List<string> Shut(JobState state, AccessGraph graph, GuideStep step, int slot)
    {
        var done = state.Opening.DoneOn(graph, state.Tray);
        return
        [
            .. GuideTargets
                .Of(step, graph, slot)
                .Where(id => !done.Contains(id) && !state.Opening.StaysOff.ContainsKey(id))
                .Select(id => graph.Part(id)!.Name.ToLowerInvariant()),
        ];
    }

    /// <summary>Whether a step says of something wet that it is dry.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="run">The guide that is followed.</param>
    /// <param name="step">The step.</param>
    /// <param name="outcome">What became of it.</param>
    public static bool Drying(JobState state, string run, string step, string outcome) =>
        outcome == Done
        && state.Opening.Runs.FirstOrDefault(r => r.Id == run)?.Begun.Steps.FirstOrDefault(s => s.Id == step) is { } told
        && state.Tray.Any(i => told.Takes.Contains(i.Label) && i.Marks.Any(TrayMarks.Drying.Contains));

    private static Problem? Followed(JobState state, string run)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        return state.Opening.Runs.Any(r => r.Id == run && r.Ended is null) ? null : new Problem(StripDownProblem.UnknownRun, "/run", run);
    }

    // The model's own time until the carriage parks itself is written into the windows that go by it.
    private static IReadOnlyList<GuideWindow> WindowsOn(Guide guide, MachineModel model) =>
        [.. StepWindow.Of(guide.Windows, StepsOn(guide, model), model).Select(w => w.Window with { Lasts = w.Lasts ?? Minutes.None })];

    private static IReadOnlyList<GuideStep> StepsOn(Guide guide, MachineModel model) =>
        [
            .. guide
                .StepsFor(new Facts { Model = model, Context = new Dictionary<string, string>() })
                .Select(s => s.Measure is { } asked ? s with { Measure = asked.On(model) } : s),
        ];

    private static Outcome<IReadOnlyList<EntryBody>> One(EntryBody body) => new List<EntryBody> { body };
}

/// <summary>What a person tells of a step.</summary>
/// <param name="Run">The guide that is followed.</param>
/// <param name="Step">The step.</param>
/// <param name="Outcome">done, skipped, or one of its branches.</param>
/// <param name="Value">The number asked for; null when none.</param>
/// <param name="Words">Why it was skipped; else what is to be said.</param>
/// <param name="Does">Which of the repairs that the step can make was made; empty when there is one at most.</param>
public sealed record StepTold(string Run, string Step, string Outcome, double? Value, string Words, string Does = "")
{
    /// <summary>What the card showed that was pressed; null when that is not known.</summary>
    public ShownAtPress? Shown { get; init; }
}
