using SideBench.Core.Accounts;
using SideBench.Core.Day;
using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Core.StripDown;
using SideBench.Core.Sums;
using SideBench.Core.Waste;

namespace SideBench.Core.Bench;

/// <summary>The crafts that ship with the product. A new one is added to this list.</summary>
public static class HouseCrafts
{
    /// <summary>All of them, the job's own first.</summary>
    public static readonly Crafts All = new([
        JobsCraft.Craft,
        DiagnosisCraft.Craft,
        NozzlesCraft.Craft,
        StripDownCraft.Craft,
        HeadCareCraft.Craft,
        InkCraft.Craft,
        WasteCraft.Craft,
        ShelfCraft.Craft,
        DayCraft.Craft,
        AccountsCraft.Craft,
        OwnCraft.Craft,
    ]);

    /// <summary>The small sums of all crafts.</summary>
    public static IReadOnlyList<Sum> Sums { get; } = [.. InkSums.All, .. WasteSums.All, .. HeadSums.All, .. MoneySums.All];

    /// <summary>Where a job stands, with the crafts that ship.</summary>
    /// <param name="entries">Its lines.</param>
    /// <param name="machine">The machine as its earlier visits left it; null when nothing is known of it.</param>
    public static JobState Fold(IReadOnlyList<Entry> entries, MachineCase? machine = null) =>
        JobFold.Of(All, machine ?? MachineCase.New, entries);
}
