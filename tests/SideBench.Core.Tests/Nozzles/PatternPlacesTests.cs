using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class PatternPlacesTests
{
    private static readonly PatternModel Model = TestShop.Sheets.Pattern;

    // The slow obvious twin: every place written out, nozzle by nozzle, without sums from the left.
    [Theory]
    [InlineData(PatternClass.Run)]
    [InlineData(PatternClass.WeakGroup)]
    [InlineData(PatternClass.DeflectedGroup)]
    public void EvidenceOfARange_IsTheMeanOverEveryPlace(PatternClass pattern)
    {
        var chance = new Random(8);
        var unit = HeadFaults.Of(pattern, 40, chance);
        var measures = unit
            .Strength.Select(
                (s, n) =>
                    new DashMeasure(
                        Math.Max(0, s + (0.05 * SheetPress.Bell(chance))),
                        0.02,
                        unit.OffsetMm[n] + (0.01 * SheetPress.Bell(chance)),
                        0.01
                    )
            )
            .ToArray();
        var likely = measures.Select(m => NozzleLikelihood.Of(m, Model, Model.GoodSpread, Model.OffsetSpreadMm)).ToArray();
        var places = new PatternPlaces(measures, likely, Model.OffsetSpreadMm, Model);
        var (log, roles) = places.Evidence(pattern);
        var (inside, outside) = (
            roles[Array.FindIndex(unit.Strength, s => s < 0.7) is >= 0 and var at ? at : Array.FindIndex(unit.OffsetMm, o => o != 0)],
            Outside(roles)
        );
        var least = pattern == PatternClass.Run ? Model.LeastRun : Model.LeastGroup;
        var most = (int)((pattern == PatternClass.Run ? 0.4 : 0.6) * 40);
        var all = new List<double>();
        for (var from = 0; from + least <= 40; from++)
        {
            for (var to = from + least; to <= Math.Min(40, from + most); to++)
            {
                var sum = 0.0;
                for (var n = 0; n < 40; n++)
                    sum += Math.Log((n >= from && n < to ? inside : outside).Fit(likely[n]));
                all.Add(sum);
            }
        }

        var top = all.Max();
        Assert.Equal(top + Math.Log(all.Average(a => Math.Exp(a - top))), log, 6);
    }

    [Fact]
    public void LikelihoodOfADash_IsGreatestForWhatItIs()
    {
        NozzleLikelihood Of(double strength, double offset) =>
            NozzleLikelihood.Of(new DashMeasure(strength, 0.02, offset, 0.012), Model, 0.065, 0.02);
        void Best(NozzleLikelihood l, double expected) =>
            Assert.Equal(expected, new[] { l.Good, l.Weak, l.Missing, l.Deflected, l.WeakDeflected }.Max());
        var (good, weak, missing, aside, both) = (Of(1.03, 0.01), Of(0.42, 0.02), Of(0.02, 0.3), Of(0.95, 0.28), Of(0.4, -0.25));
        Best(good, good.Good);
        Best(weak, weak.Weak);
        Best(missing, missing.Missing);
        Best(aside, aside.Deflected);
        Best(both, both.WeakDeflected);
        // Next to no ink is no good dash, however noisy the sheet; more than a dash's ink is no gap.
        var noisy = NozzleLikelihood.Of(new DashMeasure(0.03, 0.1, 0, 0.1), Model, 0.2, 0.1);
        Assert.True(noisy.Missing > 100 * noisy.Good);
        var pen = Of(2.8, 0);
        Assert.True(pen.Good > 100 * pen.Missing);
    }

    private static NozzleOdds Outside(NozzleOdds[] roles) => roles.GroupBy(r => r).MaxBy(g => g.First().Good)!.Key;
}
