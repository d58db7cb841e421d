using SideBench.Core.StripDown;

namespace SideBench.Core.Logbook;

/// <summary>What was done at a step of a guide.</summary>
/// <param name="Outcome">done, skipped, or what went wrong.</param>
/// <param name="Value">The number typed; null when none.</param>
/// <param name="Person">Who.</param>
/// <param name="At">When.</param>
/// <param name="Words">Why it was skipped; empty otherwise.</param>
public sealed record StepTick(string Outcome, double? Value, string Person, DateTimeOffset At, string Words);

/// <summary>A guide being followed, or followed to its end.</summary>
/// <param name="Id">Name of this following.</param>
/// <param name="Begun">As it was begun, or as it was taken over since.</param>
/// <param name="Ticks">What was done, by step.</param>
/// <param name="Ended">How it ended; null while it is followed.</param>
public sealed record GuideRun(
    string Id,
    EntryBody.GuideBegun Begun,
    IReadOnlyDictionary<string, StepTick> Ticks,
    EntryBody.GuideEnded? Ended
)
{
    /// <summary>The step that is next; null when all are done.</summary>
    public GuideStep? Next => Begun.Steps.FirstOrDefault(s => !Ticks.ContainsKey(s.Id));
}

/// <summary>Something that is off now, with who took it off and when.</summary>
public sealed record OffLine(string Removal, string Part, string Item, int Count, string Person, DateTimeOffset At);

/// <summary>How far a machine is open, and what guides are followed on it.</summary>
public sealed record OpeningState
{
    /// <summary>Nothing was opened.</summary>
    public static readonly OpeningState New = new();

    /// <summary>Parts to reach.</summary>
    public IReadOnlyList<string> Targets { get; init; } = [];

    /// <summary>What is off, in the order it came off.</summary>
    public IReadOnlyList<OffLine> Off { get; init; } = [];

    /// <summary>What became of each group of pieces, by removal.</summary>
    public IReadOnlyDictionary<string, FastenerCount> Counts { get; init; } = new Dictionary<string, FastenerCount>();

    /// <summary>Removals that stay undone, with the reason: parts that stay off, and pieces.</summary>
    public IReadOnlyDictionary<string, string> StaysOff { get; init; } = new Dictionary<string, string>();

    /// <summary>Parts renewed on this job.</summary>
    public IReadOnlyList<EntryBody.PartRenewed> Renewed { get; init; } = [];

    /// <summary>Photos of this job, oldest first.</summary>
    public IReadOnlyList<EntryBody.PhotoTaken> Photos { get; init; } = [];

    /// <summary>Guides of this job, oldest first.</summary>
    public IReadOnlyList<GuideRun> Runs { get; init; } = [];

    /// <summary>Removals that are done: groups of which nothing is in the machine any more, and parts that are off.</summary>
    public IReadOnlySet<string> Done => Counts.Where(c => c.Value.In == 0).Select(c => c.Key).ToHashSet();

    /// <summary>Removals that are done, with those that a step of the fault book made: an open cover is open, whoever opened it.</summary>
    /// <param name="graph">How the machine opens.</param>
    /// <param name="tray">What lies on the tray.</param>
    public IReadOnlySet<string> DoneOn(AccessGraph graph, IReadOnlyList<TrayItem> tray) =>
        Done.Concat(tray.Where(i => i.Removal is null).Select(i => Removals.For(graph, i)?.Id).OfType<string>()).ToHashSet();
}
