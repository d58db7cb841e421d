using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.HeadCare;

/// <summary>A clean, rest, soak or flush of a head, as it is on record.</summary>
/// <param name="Entry">Its line.</param>
/// <param name="At">When.</param>
/// <param name="By">Who.</param>
/// <param name="Repair">Which work of the fault book.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Slots">The slots it was run on, by panel number; none for all.</param>
/// <param name="Ink">Ink it took.</param>
/// <param name="Counter">Waste capacity it took.</param>
/// <param name="CounterBefore">The counter before it; null when it was not known.</param>
public sealed record CleanOnJob(
    long Entry,
    DateTimeOffset At,
    string By,
    string Repair,
    string Name,
    IReadOnlyList<int> Slots,
    Millilitres Ink,
    CounterShare Counter,
    CounterShare? CounterBefore
)
{
    /// <summary>Tags of work that looks after a head.</summary>
    public static readonly IReadOnlyList<string> CareTags = ["head-cleaning", HeadMethod.Rest, HeadMethod.Soak, HeadMethod.Flush];

    /// <summary>A line as such work; null when it is none.</summary>
    /// <param name="entry">The line.</param>
    /// <param name="counter">The counter before it.</param>
    public static CleanOnJob? Of(Entry entry, CounterShare? counter) =>
        entry.Body is Mended work && work.Tags.Any(CareTags.Contains)
            ? new CleanOnJob(
                entry.Id.Value,
                entry.At,
                entry.PersonName,
                work.Repair,
                work.Name,
                work.Slots,
                Millilitres.Of(work.InkMl),
                CounterShare.OfPct(work.CounterPct),
                counter
            )
            : null;

    /// <summary>Whether it touched a slot.</summary>
    public bool Touched(int slot) => Slots.Count == 0 || Slots.Contains(slot);
}

/// <summary>What head care keeps of a job.</summary>
public sealed record JobCleans : CraftState
{
    /// <summary>Nothing yet.</summary>
    public static readonly JobCleans New = new();

    /// <summary>Work on the head, oldest first.</summary>
    public IReadOnlyList<CleanOnJob> All { get; init; } = [];

    /// <summary>All work on the machine, with its line, oldest first: some of it ends what sheets said before.</summary>
    public IReadOnlyList<(long Entry, string Repair)> Work { get; init; } = [];

    /// <summary>Nozzles that may stay missing in a channel, as agreed with the customer.</summary>
    public int MostLeft { get; init; }

    /// <inheritdoc/>
    public override CraftState After(Entry entry, JobState before, Action<string> doubt)
    {
        if (entry.Body is LevelAgreed agreed)
            return this with { MostLeft = agreed.MostLeft };
        if (entry.Body is not Mended work)
            return this;
        var with = this with { Work = [.. Work, (entry.Id.Value, work.Repair)] };
        return CleanOnJob.Of(entry, before.Counter ?? Known(before)) is { } clean ? with with { All = [.. All, clean] } : with;
    }

    private static CounterShare? Known(JobState job) => job.Machine.Counter?.Reading.Counter;
}
