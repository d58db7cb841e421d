using SideBench.Core.Identity;

namespace SideBench.Core.Logbook;

/// <summary>One line of the record. Never changed, never removed.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Job">The job; null for lines about a machine or customer alone.</param>
/// <param name="Version">The job's version after this line, from 1.</param>
/// <param name="Person">Who wrote it.</param>
/// <param name="PersonName">Their name as it was.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Body">What it says.</param>
public sealed record Entry(EntryId Id, JobId? Job, int Version, PersonId Person, string PersonName, DateTimeOffset At, EntryBody Body);

/// <summary>An answer or a repair as diagnosis sees it.</summary>
/// <param name="Entry">Its line.</param>
/// <param name="Thread">The thread it was told or made in.</param>
public abstract record CaseEvent(long Entry, int Thread)
{
    /// <summary>A finding was told, with the number measured when there was one.</summary>
    public sealed record Told(
        string Finding,
        string Outcome,
        long Entry,
        double? Quantity = null,
        int Thread = 0,
        IReadOnlyDictionary<string, double>? Shares = null
    ) : CaseEvent(Entry, Thread);

    /// <summary>A repair was made.</summary>
    public sealed record Worked(string Repair, long Entry, int Thread = 0) : CaseEvent(Entry, Thread);
}
