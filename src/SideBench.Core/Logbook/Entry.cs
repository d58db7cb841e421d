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
public abstract record CaseEvent(long Entry)
{
    /// <summary>A finding was told.</summary>
    public sealed record Told(string Finding, string Outcome, long Entry) : CaseEvent(Entry);

    /// <summary>A repair was made.</summary>
    public sealed record Worked(string Repair, long Entry) : CaseEvent(Entry);
}
