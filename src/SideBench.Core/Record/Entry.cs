using SideBench.Core.Identity;

namespace SideBench.Core.Record;

/// <summary>One line of the record. Never changed, never removed.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Job">The job; null for lines about a machine, a customer or the shop alone.</param>
/// <param name="Version">The version of what it is about after this line, from 1: the job's, else the machine's, else the shop's.</param>
/// <param name="Person">Who wrote it.</param>
/// <param name="PersonName">Their name as it was.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Body">What it says.</param>
/// <param name="How">How it was told; null for lines of before that was kept, and where it is not known.</param>
public sealed record Entry(
    EntryId Id,
    JobId? Job,
    int Version,
    PersonId Person,
    string PersonName,
    DateTimeOffset At,
    EntryBody Body,
    HowTold? How = null
);
