using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>
/// Three sheets of one machine, before and after two cleans: gaps that clear, a run that sits still, gaps that wander, and a channel that
/// starves.
/// </summary>
internal static class DemoSheets
{
    private const int Seed = 4471;

    /// <summary>What the nozzles do on each sheet.</summary>
    /// <param name="plan">The machine's sheet, with cyan, magenta, yellow and light magenta.</param>
    public static IReadOnlyList<NozzleTruth> Of(SheetPlan plan)
    {
        var chance = new Random(Seed);
        var truth = NozzleTruth.Good(plan.Layout);
        var dried = Gaps(At("C").Nozzles, 14, chance);
        List<NozzleTruth> sheets = [];
        for (var clean = 0; clean < 3; clean++)
        {
            var cyan = UnitTruth.Good(At("C").Nozzles);
            foreach (var n in dried.Take(new[] { 14, 7, 3 }[clean]))
                cyan.Strength[n] = 0;
            var magenta = UnitTruth.Good(At("M").Nozzles);
            Array.Fill(magenta.Strength, 0, 63 + clean, 32 - (2 * clean));
            var yellow = UnitTruth.Good(At("Y").Nozzles);
            foreach (var n in Gaps(At("Y").Nozzles, 22 - clean, chance))
                yellow.Strength[n] = 0;
            sheets.Add(
                truth
                    .With(Index("C"), cyan)
                    .With(Index("M"), magenta)
                    .With(Index("Y"), yellow)
                    .With(Index("LM"), Starving(At("LM").Nozzles, 130 - (7 * clean)))
            );
        }

        return sheets;

        SheetUnit At(string id) => plan.Layout.Units.First(u => u.Id == id);
        int Index(string id) => plan.Layout.Units.Index().First(u => u.Item.Id == id).Index;
    }

    private static List<int> Gaps(int nozzles, int count, Random chance)
    {
        var gaps = new List<int>();
        while (gaps.Count < count)
        {
            var n = chance.Next(nozzles);
            if (!gaps.Exists(g => Math.Abs(g - n) < 2))
                gaps.Add(n);
        }

        return gaps;
    }

    private static UnitTruth Starving(int nozzles, int gone)
    {
        const int Fade = 24;
        var unit = UnitTruth.Good(nozzles);
        for (var n = gone - Fade; n < nozzles; n++)
            unit.Strength[n] = n >= gone ? 0 : Math.Max(0, 1 - ((n - gone + Fade) / (double)Fade));
        return unit;
    }
}
