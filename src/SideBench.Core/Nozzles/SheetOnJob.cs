namespace SideBench.Core.Nozzles;

/// <summary>A nozzle sheet of a job: as read, and as a person put it right.</summary>
/// <param name="Entry">Its line of the record.</param>
/// <param name="At">When it was taken.</param>
/// <param name="Read">What was read.</param>
/// <param name="Units">What counts: as read, or as put right.</param>
/// <param name="CleansBefore">Head cleanings of this job before it.</param>
public sealed record SheetOnJob(long Entry, DateTimeOffset At, SheetTaken Read, IReadOnlyList<UnitLine> Units, int CleansBefore)
{
    /// <summary>The tag of work that cleans a head.</summary>
    public const string CleanTag = "head-cleaning";

    /// <summary>Its name.</summary>
    public string Id => Read.Sheet;

    /// <summary>Nozzles that count otherwise than they were read.</summary>
    public int PutRight =>
        Units.Sum(unit =>
            Read.Units.FirstOrDefault(r => r.Id == unit.Id) is { } read
                ? Enumerable.Range(0, unit.Nozzles.Length).Count(n => unit.Nozzles[n] != read.Nozzles[n])
                : 0
        );
}
