using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>What is told of a machine beside its trouble when it is taken in. Pure.</summary>
public static class TakeInWork
{
    /// <summary>Lasting changes told at the counter, those its record has already left out; the ink in use tells some by itself.</summary>
    /// <param name="all">All changes of the packs.</param>
    /// <param name="model">The model as it leaves its maker.</param>
    /// <param name="machine">The machine as earlier visits left it.</param>
    /// <param name="ink">The ink told.</param>
    /// <param name="told">The changes told.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Changes(
        IReadOnlyList<LastingChange> all,
        MachineModel model,
        MachineCase machine,
        string ink,
        IReadOnlyList<string> told
    )
    {
        var problems = new List<Problem>();
        foreach (var id in told)
            if (all.FirstOrDefault(c => c.Id == id) is not { } known)
                problems.Add(new Problem(ProblemCode.UnknownWord, "/changes", id, string.Join(", ", all.Select(c => c.Id))));
            else if (!known.CanBeOn(model))
                problems.Add(new Problem(JobsProblem.ChangeDoesNotFit, "/changes", known.Name, model.FullName));
        if (problems.Count > 0)
            return problems;
        return all.Where(c => told.Contains(c.Id) || (c.ToldByInk.Length > 0 && c.ToldByInk == ink && c.CanBeOn(model)))
            .Where(c => !machine.Modifications.ContainsKey((LastingChange.Key, c.Id)))
            .Select(c => (EntryBody)new MachineChanged(c.Id, c.Name, true, "told at take-in", c.Watch, [c.Made]))
            .ToList();
    }
}
