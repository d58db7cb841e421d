using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>
/// The hidden nozzles of a demo machine: what its complaint and its past cleans left of them. The same machine always has the same.
/// </summary>
public static class VirtualHead
{
    private const double CameBackPerClean = 0.6;
    private const double Wanders = 0.12;

    /// <summary>What the head does now.</summary>
    /// <param name="layout">Its sheet.</param>
    /// <param name="slots">The slot that feeds each unit.</param>
    /// <param name="families">
    /// What is wrong, slot by slot: <c>clogged</c>, <c>supply</c>, <c>mixed</c>, <c>plate</c>, <c>drive</c>; slot 0 for any.
    /// </param>
    /// <param name="cleans">Head cleanings so far.</param>
    /// <param name="proved">Whether the fault is mended.</param>
    /// <param name="seed">The machine.</param>
    public static NozzleTruth Of(
        SheetLayout layout,
        IReadOnlyDictionary<string, int> slots,
        IReadOnlyList<(int Slot, string Family)> families,
        int cleans,
        bool proved,
        int seed
    )
    {
        var truth = NozzleTruth.Good(layout);
        if (proved)
            return truth;
        foreach (var ((slot, family), at) in families.Select((f, i) => (f, i)))
        {
            var chance = new Random(seed + (at * 31));
            var units = layout.Units.Index().Where(u => slot == 0 || slots.GetValueOrDefault(u.Item.Id) == slot).ToList();
            if (units.Count == 0)
                continue;
            var (u, unit) = units[chance.Next(units.Count)];
            truth = truth.With(u, Unit(family, unit.Nozzles, cleans, chance, seed));
            // A machine that stood has dried elsewhere too, only less.
            if (family == "clogged" && layout.Units.Count > 1)
                truth = truth.With(
                    (u + 1) % layout.Units.Count,
                    Revived(
                        HeadFaults.Of(PatternClass.Scattered, layout.Units[(u + 1) % layout.Units.Count].Nozzles, chance),
                        cleans,
                        chance
                    )
                );
        }

        return truth;
    }

    private static UnitTruth Unit(string family, int nozzles, int cleans, Random chance, int seed) =>
        family switch
        {
            "clogged" => HeadFaults.Of(PatternClass.Run, nozzles, chance),
            "supply" => Wandering(nozzles, new Random(seed + (cleans * 7919))),
            "drive" => HeadFaults.Of(PatternClass.EveryKth, nozzles, chance),
            "plate" => HeadFaults.Of(PatternClass.DeflectedGroup, nozzles, chance),
            _ => UnitTruth.Good(nozzles),
        };

    // Gaps that air makes are others after every clean.
    private static UnitTruth Wandering(int nozzles, Random chance)
    {
        var unit = UnitTruth.Good(nozzles) with { Pattern = PatternClass.Scattered };
        for (var n = 0; n < nozzles; n++)
        {
            if (chance.NextDouble() < Wanders)
                unit.Strength[n] = 0;
        }

        return unit;
    }

    private static UnitTruth Revived(UnitTruth unit, int cleans, Random chance)
    {
        for (var clean = 0; clean < cleans; clean++)
        {
            for (var n = 0; n < unit.Strength.Length; n++)
            {
                if (unit.Strength[n] < 1 && chance.NextDouble() < CameBackPerClean)
                    unit.Strength[n] = 1;
            }
        }

        return unit;
    }
}
