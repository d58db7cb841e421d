using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>Tells that a machine has a lasting change, or that one was undone. Pure.</summary>
public static class ChangeWork
{
    /// <summary>Tells that the machine has a change, found or made.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="model">The model as it leaves its maker.</param>
    /// <param name="all">All changes of the packs.</param>
    /// <param name="id">The change.</param>
    /// <param name="reason">How that is known.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Tell(
        JobState state,
        MachineModel model,
        IReadOnlyList<LastingChange> all,
        string id,
        string reason
    )
    {
        if (Open(state, all, id, reason) is { Count: > 0 } problems)
            return problems;
        var change = all.First(c => c.Id == id);
        if (!change.CanBeOn(model))
            return new Problem(JobsProblem.ChangeDoesNotFit, "/change", change.Name, model.FullName);
        if (state.Machine.Modifications.ContainsKey((LastingChange.Key, id)))
            return new Problem(JobsProblem.ChangedAlready, "/change", change.Name);
        return One(new MachineChanged(id, change.Name, true, reason.Trim(), change.Watch, [change.Made]));
    }

    /// <summary>Tells that a change was undone: what stayed changed with it is as it was made again.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="all">All changes of the packs.</param>
    /// <param name="id">The change.</param>
    /// <param name="reason">Why, and how.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Undo(JobState state, IReadOnlyList<LastingChange> all, string id, string reason)
    {
        if (Open(state, all, id, reason) is { Count: > 0 } problems)
            return problems;
        var change = all.First(c => c.Id == id);
        if (!state.Machine.Modifications.TryGetValue((LastingChange.Key, id), out var made))
            return new Problem(JobsProblem.NotChanged, "/change", change.Name);
        if (change.ForEver)
            return new Problem(JobsProblem.ChangedForEver, "/change", change.Name);
        // What one line changed together goes back together.
        var alters = state
            .Machine.Modifications.Values.Where(m => m.Entry == made.Entry)
            .Select(m => m.What with { Word = null, Says = "" })
            .ToList();
        return One(new MachineChanged(id, change.Name, false, reason.Trim(), "", alters));
    }

    private static List<Problem> Open(JobState state, IReadOnlyList<LastingChange> all, string id, string reason)
    {
        if (state.Closing is not null)
            return [new Problem(ProblemCode.JobClosed, "")];
        if (all.All(c => c.Id != id))
            return [new Problem(ProblemCode.UnknownWord, "/change", id, string.Join(", ", all.Select(c => c.Id)))];
        var problems = new List<Problem>();
        Guard.Text(problems, reason, "/reason", Guard.LongestText, needed: true);
        return problems;
    }

    private static Outcome<IReadOnlyList<EntryBody>> One(EntryBody body) => new List<EntryBody> { body };
}
