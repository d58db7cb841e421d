using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>How far a machine is open, and what guides are followed on it.</summary>
public sealed partial record OpeningState : CraftState
{
    /// <summary>Nothing was opened.</summary>
    public static readonly OpeningState New = new();

    /// <summary>Parts to reach.</summary>
    public IReadOnlyList<string> Targets { get; init; } = [];

    /// <summary>What is off, in the order it came off.</summary>
    public IReadOnlyList<OffLine> Off { get; init; } = [];

    /// <summary>What became of each group of pieces, by removal.</summary>
    public IReadOnlyDictionary<string, FastenerCount> Counts { get; init; } = new Dictionary<string, FastenerCount>();

    /// <summary>Removals that stay undone, with the reason: parts that stay off, and pieces. Those of earlier visits too.</summary>
    public IReadOnlyDictionary<string, string> StaysOff { get; init; } = new Dictionary<string, string>();

    /// <summary>Removals that stay changed, with what they are now. Those of earlier visits too.</summary>
    public IReadOnlyDictionary<string, string> StaysChanged { get; init; } = new Dictionary<string, string>();

    /// <summary>Lasting changes made, found or undone on this job, oldest first.</summary>
    public IReadOnlyList<ChangeTold> Changes { get; init; } = [];

    /// <summary>Parts renewed on this job.</summary>
    public IReadOnlyList<PartRenewed> Renewed { get; init; } = [];

    /// <summary>Photos of this job, oldest first.</summary>
    public IReadOnlyList<PhotoTaken> Photos { get; init; } = [];

    /// <summary>Guides of this job, oldest first.</summary>
    public IReadOnlyList<GuideRun> Runs { get; init; } = [];

    /// <summary>Removals that are done: groups of which nothing is in the machine any more, and parts that are off.</summary>
    public IReadOnlySet<string> Done => Counts.Where(c => c.Value.In == 0).Select(c => c.Key).ToHashSet();

    /// <summary>A new job on a machine: what was left off on earlier visits is off still.</summary>
    /// <param name="machine">The machine as it stands.</param>
    public static OpeningState Begin(MachineCase machine)
    {
        Dictionary<string, string> Of(string key) =>
            machine.Modifications.Values.Where(m => m.What.Key == key).ToDictionary(m => m.What.Of, m => m.What.Word!);
        return machine.Modifications.Count == 0
            ? New
            : New with
            {
                StaysOff = Of(StripDownCraft.StaysOffKey),
                StaysChanged = Of(StripDownCraft.StaysChangedKey),
            };
    }

    /// <summary>Removals that are done, with those that a step of the fault book made: an open cover is open, whoever opened it.</summary>
    /// <param name="graph">How the machine opens.</param>
    /// <param name="tray">What lies on the tray.</param>
    public IReadOnlySet<string> DoneOn(AccessGraph graph, IReadOnlyList<TrayItem> tray) =>
        Done.Concat(StaysChanged.Keys)
            .Concat(tray.Where(i => i.Removal is null).Select(i => Removals.For(graph, i)?.Id).OfType<string>())
            .ToHashSet();
}

/// <summary>A lasting change as this job told of it.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Made">Whether the machine has it from now on.</param>
/// <param name="Watch">What to watch from now on; empty when nothing.</param>
public sealed record ChangeTold(string Name, bool Made, string Watch);
