using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Turns what a person wants to record into lines of the record, or into problems. Pure: ids come in.</summary>
public static class BenchWork
{
    /// <summary>Records an answer.</summary>
    /// <param name="job">The job.</param>
    /// <param name="finding">The finding answered.</param>
    /// <param name="outcome">The answer.</param>
    /// <param name="quantity">The number that goes with it; null when not measured.</param>
    /// <param name="newId">Makes ids for the tray.</param>
    /// <param name="coveragePct">Coverage of the page it was seen on, percent; null when not told.</param>
    /// <param name="slot">The slot it was seen at, by panel number; 0 when not told.</param>
    /// <param name="before">Whether it was seen before this visit.</param>
    /// <param name="code">The panel's code that says it; empty when it was told otherwise.</param>
    /// <param name="shown">What the card showed that was pressed; null when that is not known.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Answer(
        JobCase job,
        string finding,
        string outcome,
        double? quantity,
        Func<string> newId,
        double? coveragePct = null,
        int slot = 0,
        bool before = false,
        string code = "",
        ShownAtPress? shown = null
    )
    {
        if (IsEnded(job) is { } ended)
            return ended;
        // What is true can be told whatever the complaint; where it tells this case nothing, it is kept all the same.
        if (job.Book.FindingOn(finding) is not { } step)
            return NotHere(job, finding, "/finding");
        var o = step.IndexOf(outcome);
        if (o < 0)
            return new Problem(DiagnosisProblem.UnknownAnswer, "/outcome", outcome, step.Name);
        if (ShownAtPress.Differs(shown, step.Name, step.Outcomes[o].Label) is { } other)
            return other;
        // What was seen before this visit is told: no hand does it now, so nothing holds it.
        if (!before && IsHeld(job, step) is { } gate)
            return new Problem(DiagnosisProblem.HeldBack, "/finding", step.Name, gate.Reason, gate.Lift);
        var told = step.Outcomes[o];
        if (before && (step.IsProof || job.Timeline.Any(e => e is CaseEvent.Worked)))
            return new Problem(DiagnosisProblem.SeenTooEarly, "/before", step.Name);
        if (quantity is { } number && told.Quantity is { } asked && (!double.IsFinite(number) || number < asked.Min || number > asked.Max))
            return new Problem(ProblemCode.OutOfRange, "/quantity", number, asked.Min, asked.Max);
        if (told.Quantity is { Needed: true } && quantity is null)
            return new Problem(DiagnosisProblem.NumberNeeded, "/quantity", told.Label);
        if (quantity is { } said && told.Quantity is { } range && !range.Range.Holds(said))
            return new Problem(
                DiagnosisProblem.NumberSaysOther,
                "/quantity",
                Math.Round(said, 2),
                range.Unit,
                step.Outcomes.FirstOrDefault(other => other.Quantity?.Range.Holds(said) == true)?.Label ?? "another answer",
                told.Label
            );
        if (coveragePct is { } cover && !(cover is > 0 and <= 100))
            return new Problem(ProblemCode.OutOfRange, "/coveragePct", cover, "above 0", 100);
        if (slot < 0 || slot > job.Book.Model.Slots.Count)
            return new Problem(ProblemCode.OutOfRange, "/slot", slot, 0, job.Book.Model.Slots.Count);
        if (code.Length > 0 && (finding != CodeOdds.Finding || job.Book.Model.Codes.All(c => c.Code != code || c.Reads != told.Id)))
            return new Problem(DiagnosisProblem.OtherCode, "/code", code, told.Label);
        var measured = told.Quantity is null ? null : quantity;
        var when = before ? ", seen before this visit" : "";
        return new List<EntryBody>
        {
            new Answered(
                step.Id,
                told.Id,
                step.Name,
                told.Label + when,
                told.Says + when,
                measured,
                told.Quantity?.Unit ?? "",
                before ? 0 : StepCost.MinutesOf(step, job.Book.Model) + StepCost.OpeningOf(step, job.State.Tray),
                before ? [] : NewPuts(job, step, newId),
                job.Thread.Id,
                measured is not null && told.Quantity!.WithCoverage ? coveragePct : null,
                job.Book.Model.Slots.FirstOrDefault(s => s.Panel == slot)?.Ink
            )
            {
                Code = code,
            },
        };
    }

    /// <summary>Records work, and starts the wait that follows it.</summary>
    /// <param name="job">The job.</param>
    /// <param name="repair">The repair made.</param>
    /// <param name="minutes">Minutes it really took; null for the book's.</param>
    /// <param name="lot">Lot of the part; empty when none.</param>
    /// <param name="newId">Makes ids for tray and clock.</param>
    /// <param name="slots">The slots it was run on, by panel number; null or none for all.</param>
    /// <param name="old">What became of the old part; null when nothing was told.</param>
    /// <param name="shown">What the card showed that was pressed; null when that is not known.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Mend(
        JobCase job,
        string repair,
        double? minutes,
        string lot,
        Func<string> newId,
        IReadOnlyList<int>? slots = null,
        OldPart? old = null,
        ShownAtPress? shown = null
    )
    {
        if (IsEnded(job) is { } ended)
            return ended;
        var r = job.Book.IndexOfRepair(repair);
        if (r < 0)
            return NotHere(job, repair, "/repair");
        var step = job.Book.Repairs[r];
        if (ShownAtPress.Differs(shown, step.Name, "") is { } other)
            return other;
        var problems = new List<Problem>();
        if (IsHeld(job, step) is { } gate)
            problems.Add(new Problem(DiagnosisProblem.HeldBack, "/repair", step.Name, gate.Reason, gate.Lift));
        if (minutes is < 0 or > 2880)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/minutes", minutes, 0, 2880));
        Guard.Text(problems, lot, "/lot", Guard.LongestName, needed: false);
        Guard.Text(problems, old?.Became, "/became", Guard.LongestName, needed: false);
        if (old is { } && step.Part.Length == 0 && old != OldPart.NotTold)
            problems.Add(new Problem(DiagnosisProblem.NoPart, "/became", step.Name));
        var model = job.Book.Model;
        if (slots?.Where(s => s < 1 || s > model.Slots.Count).ToList() is { Count: > 0 } none)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/slots", none[0], 1, model.Slots.Count));
        else if (slots is { Count: > 0 } && step.Operation.Length > 0 && !AreGroups(slots, model))
            problems.Add(new Problem(DiagnosisProblem.NotCleanedAlone, "/slots", model.FullName, Groups(model)));
        if (problems.Count > 0)
            return problems;
        var some = slots is { Count: > 0 } && slots.Distinct().Count() < model.Slots.Count ? slots.Distinct().Order().ToList() : [];
        var share = some.Count == 0 || step.Operation.Length == 0 ? 1 : (double)some.Count / model.Slots.Count;
        var lines = new List<EntryBody>
        {
            new Mended(
                step.Id,
                step.Name,
                step.Tags,
                minutes ?? (StepCost.MinutesOf(step, model) + StepCost.OpeningOf(step, job.State.Tray)),
                step.Parts,
                step.Part,
                lot,
                share * StepCost.InkMlOf(step, model),
                share * StepCost.CounterPctOf(step, model),
                NewPuts(job, step, newId),
                job.Thread.Id,
                some
            )
            {
                Old = old ?? OldPart.NotTold,
            },
        };
        if (WaitOf(step, model, some) is { } wait)
            lines.Add(new ClockStarted(newId(), wait.Kind, wait.Label, wait.MinMinutes, wait.MaxMinutes));
        return lines;
    }

    // A soak lasts as long as the head and its inks may: none too short, none too long.
    private static BookWait? WaitOf(Repair step, MachineModel model, IReadOnlyList<int> slots)
    {
        if (step.Wait is not { Kind: "soak" } wait || model.HeadCare.Soak is null)
            return step.Wait;
        var soaked = model.Slots.Where(s => slots.Count == 0 || slots.Contains(s.Panel));
        List<SoakFigures> all = [.. soaked.Select(s => model.HeadCare.SoakOf(s.InkKind)!)];
        return wait with { MinMinutes = all.Max(s => s.From.Value), MaxMinutes = all.Min(s => s.To.Value) };
    }

    private static bool AreGroups(IReadOnlyList<int> slots, MachineModel model) =>
        slots.All(s => model.HeadCare.Groups.Any(g => g.Contains(s) && g.All(slots.Contains)));

    private static string Groups(MachineModel model) =>
        string.Join("; ", model.HeadCare.Groups.Select(g => string.Join(", ", g.Select(s => model.Slots.First(o => o.Panel == s).Ink))));

    /// <summary>Tells of work that was done before this visit.</summary>
    /// <param name="book">The fault book.</param>
    /// <param name="repair">Which work.</param>
    /// <param name="on">When; null when not known.</param>
    /// <param name="sinceTrouble">Whether the trouble was there already, and stayed.</param>
    /// <param name="today">The date.</param>
    /// <param name="thread">The thread.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Before(
        FaultBook book,
        string repair,
        DateOnly? on,
        bool sinceTrouble,
        DateOnly today,
        int thread = 0
    )
    {
        if (book.Step(repair) is not Repair known)
            return new Problem(DiagnosisProblem.UnknownStep, "/repair", repair);
        if (on is { } day && (day > today || day.Year < 1990))
            return new Problem(ProblemCode.OutOfRange, "/on", $"{day:yyyy-MM-dd}", "1990-01-01", $"{today:yyyy-MM-dd}");
        return new List<EntryBody> { new WorkedBefore(known.Id, known.Name, known.Tags, on, sinceTrouble, thread) };
    }

    /// <summary>Takes an earlier line back: it stays on record and no longer counts.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="entries">All lines of the job.</param>
    /// <param name="target">The line.</param>
    /// <param name="reason">Why; may be empty.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Correct(JobState state, IReadOnlyList<Entry> entries, long target, string reason)
    {
        var line = entries.FirstOrDefault(e => e.Id.Value == target);
        if (line is null)
            return new Problem(ProblemCode.UnknownEntry, "/entry", target);
        if (entries.Any(e => e.Body is Corrected c && c.Target == target))
            return new Problem(ProblemCode.CorrectedAlready, "/entry", target);
        if (state.HandOver is not null || (state.Closing is not null && line.Body is not Closed))
            return new Problem(ProblemCode.JobClosed, "");
        if (line.Body is TakenIn or Corrected or HandedOver or PlaceSet or Judged)
            return new Problem(ProblemCode.NotCorrectable, "/entry", target);
        if (reason.Length > Guard.LongestText)
            return new Problem(ProblemCode.TooLong, "/reason", reason.Length, Guard.LongestText);
        var lines = new List<EntryBody> { new Corrected(target, reason) };
        if (ThreadOf(line.Body) is { } thread)
            lines.AddRange(
                Judgements(entries)
                    .Where(j => ((Judged)j.Body).Thread == thread)
                    .Select(j => new Corrected(j.Id.Value, "the thread is open again"))
            );
        return lines;
    }

    // What was learned from a thread does not stand once its ending is taken back.
    private static IEnumerable<Entry> Judgements(IReadOnlyList<Entry> entries) =>
        entries.Where(e => e.Body is Judged && !entries.Any(c => c.Body is Corrected corrected && corrected.Target == e.Id.Value));

    private static int? ThreadOf(EntryBody ending) =>
        ending switch
        {
            Closed closed => closed.Thread,
            ThreadClosed closed => closed.Thread,
            _ => null,
        };

    /// <summary>Goes past a gate, with a reason.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Override(JobCase job, string step, string reason)
    {
        if (job.State.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (string.IsNullOrWhiteSpace(reason))
            return new Problem(ProblemCode.Missing, "/reason");
        if (reason.Length > Guard.LongestText)
            return new Problem(ProblemCode.TooLong, "/reason", reason.Length, Guard.LongestText);
        var held = job.Advice.Held.FirstOrDefault(h => h.Step.Id == step);
        if (held is null)
            return new Problem(DiagnosisProblem.UnknownStep, "/step", step);
        if (!held.Gate.Overridable)
            return new Problem(DiagnosisProblem.HeldBack, "/step", held.Step.Name, held.Gate.Reason, held.Gate.Lift);
        return new List<EntryBody> { new GateOverridden(held.Gate.Id, step, reason, job.Thread.Id) };
    }

    private static Problem? IsEnded(JobCase job)
    {
        if (job.State.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        return job.Thread.IsOpen ? null : new Problem(DiagnosisProblem.ThreadClosed, "/thread");
    }

    // A step of the book that is not in this case: the model lacks the part, or it says nothing about this complaint.
    private static Problem NotHere(JobCase job, string step, string path)
    {
        if (job.Book.Book.Step(step) is not { } known)
            return new Problem(DiagnosisProblem.UnknownStep, path, step);
        return job.Book.Model.Stations.Any(s => s.Id == known.Station)
            ? new Problem(DiagnosisProblem.StepTellsNothing, path, known.Name, job.Book.Complaint.Name)
            : new Problem(DiagnosisProblem.PartNotOnModel, path, known.Name, known.Station.Replace('-', ' '), job.Book.Model.FullName);
    }

    private static Gate? IsHeld(JobCase job, BookStep step)
    {
        var gate = Gates.Holding(job.Book, job.Facts, step, job.State.Overridden);
        var proves = gate is { Overridable: true } && job.Advice.Kind == AdviceKind.Prove && job.Advice.Chosen?.Step.Id == step.Id;
        return proves ? null : gate;
    }

    // What is on the tray already is not put there twice: opening an open lid is no new item.
    private static IReadOnlyList<TrayItem> NewPuts(JobCase job, BookStep step, Func<string> newId) =>
        [
            .. step
                .Puts.Where(p => !job.State.Tray.Any(i => i.Label == p.Label && i.Change == p.Change))
                .Select(p => new TrayItem(newId(), p.Label, p.Change, p.Count, p.Undo, p.Marks)),
        ];
}
