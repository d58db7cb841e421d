using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>
/// Whether a guide can be followed on a model to its end: every name known, nothing left inside, power only when it is dry and clear.
/// </summary>
public static class GuideRules
{
    /// <summary>All problems of a guide on one model; empty when it is sound.</summary>
    /// <param name="guide">The guide.</param>
    /// <param name="model">A model that it applies to.</param>
    /// <param name="graph">How the model opens.</param>
    /// <param name="path">Where the guide stands, for the problems.</param>
    public static List<Problem> Check(Guide guide, MachineModel model, AccessGraph graph, string path)
    {
        var problems = new List<Problem>();
        var steps = guide.StepsFor(new Facts { Model = model, Context = new Dictionary<string, string>() });
        var ids = steps.Select(s => s.Id).ToList();
        foreach (var twice in ids.GroupBy(id => id).Where(g => g.Count() > 1))
            problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{path}/{twice.Key}", "step", twice.Key));
        var tray = new List<TrayPut>();
        var (open, word, photo) = (false, false, false);
        foreach (var step in steps)
        {
            var place = $"{path}/{step.Id} ({model.Id})";
            foreach (var branch in step.Branches.Where(b => b.GoTo.Length > 0 && !ids.Contains(b.GoTo)))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{place}/branches/{branch.Id}", "step", branch.GoTo));
            if (step.Window.Length > 0 && guide.Windows.All(w => w.Id != step.Window))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{place}/window", "window", step.Window));
            if (step.Kind == StepKind.Open && GuideTargets.Of(step, graph, 0).Count == 0)
                problems.Add(
                    new Problem(ProblemCode.PackUnknownName, $"{place}/targets", "station or part", string.Join(", ", step.Targets))
                );
            if (step.Stays is { } stays && GuideTargets.Removals(stays.Targets, graph, 0).Count == 0)
                problems.Add(
                    new Problem(ProblemCode.PackUnknownName, $"{place}/stays", "station, part or removal", string.Join(", ", stays.Targets))
                );
            open = step.Kind switch
            {
                StepKind.Open => true,
                StepKind.Back => false,
                _ => open,
            };
            word |= step.Kind == StepKind.Word && step.Word == Consented.Irreversible;
            photo |= step.Photo;
            if (step.Irreversible && !(word && photo))
                problems.Add(
                    new Problem(
                        StripDownProblem.GuideUnsafe,
                        place,
                        "it cannot be undone, and the customer's word and a photo do not come first"
                    )
                );
            foreach (var label in step.Takes.Where(l => tray.RemoveAll(t => t.Label == l) == 0))
                problems.Add(new Problem(StripDownProblem.GuideUnsafe, place, $"it takes out “{label}”, which nothing put in"));
            if (step.Kind == StepKind.Back && tray.Find(t => t.Change == "inside") is { } inside)
                problems.Add(new Problem(StripDownProblem.GuideUnsafe, place, $"“{inside.Label}” would be closed in"));
            if (step.Kind == StepKind.Back)
                tray.Clear();
            if (step.Kind == StepKind.Power)
                problems.AddRange(Powered(step, open, tray).Select(why => new Problem(StripDownProblem.GuideUnsafe, place, why)));
            if (step.Kind == StepKind.Move && tray.Find(t => Forbid("moving", t)) is { } loose)
                problems.Add(new Problem(StripDownProblem.GuideUnsafe, place, $"it is moved while “{loose.Label}” is {loose.Change}"));
            tray.AddRange(step.Puts);
        }

        foreach (var window in guide.Windows.Where(w => ids.Count > 0 && steps.Any(s => s.Window == w.Id) && !ids.Contains(w.OpensAt)))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/windows/{window.Id}", "step", window.OpensAt));
        foreach (var left in tray)
            problems.Add(new Problem(StripDownProblem.GuideUnsafe, path, $"“{left.Label}” is still {left.Change} at the end"));
        if (open)
            problems.Add(new Problem(StripDownProblem.GuideUnsafe, path, "the machine is still open at the end"));
        return problems;
    }

    private static IEnumerable<string> Powered(GuideStep step, bool open, List<TrayPut> tray)
    {
        if (open && !step.PowerWhileOpen)
            yield return "power comes on while the machine is open, and the step does not say so";
        foreach (var put in tray.Where(t => Forbid("power", t)))
            yield return $"power comes on while “{put.Label}” is {put.Change}";
    }

    private static bool Forbid(string what, TrayPut put) => TrayMarks.Forbidden.First(f => f.What == what).Marks.Any(put.Marks.Contains);
}

/// <summary>What a step of a guide reaches on one model.</summary>
public static class GuideTargets
{
    /// <summary>Parts to reach: those named, and those that serve the stations named.</summary>
    /// <param name="step">The step.</param>
    /// <param name="graph">How the model opens.</param>
    /// <param name="slot">The slot it is about, by panel number; 0 for none.</param>
    public static IReadOnlyList<string> Of(GuideStep step, AccessGraph graph, int slot) =>
        [.. step.Targets.SelectMany(t => graph.Part(t) is { } part ? [part] : graph.For(t, slot)).Select(p => p.Id).Distinct()];

    /// <summary>Removals that targets name: single ones by their own name; of a part or station its tubes, its cables and itself.</summary>
    /// <param name="targets">Removals, parts or stations.</param>
    /// <param name="graph">How the model opens; null when it has no graph.</param>
    /// <param name="slot">The slot it is about, by panel number; 0 for none.</param>
    public static IReadOnlyList<string> Removals(IReadOnlyList<string> targets, AccessGraph? graph, int slot) =>
        graph is null
            ? []
            :
            [
                .. targets
                    .SelectMany(t =>
                        StripDown.Removals.Find(graph, t) is { IsPart: false } one
                            ? [one]
                            : (graph.Part(t) is { } part ? [part] : graph.For(t, slot)).SelectMany(StripDown.Removals.Of)
                    )
                    .Where(r => r.Group is null)
                    .Select(r => r.Id)
                    .Distinct(),
            ];
}
