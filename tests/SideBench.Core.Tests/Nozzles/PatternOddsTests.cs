using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class PatternOddsTests
{
    private static readonly PatternModel Model = TestShop.Sheets.Pattern;

    [Theory]
    [InlineData(PatternClass.None)]
    [InlineData(PatternClass.Scattered)]
    [InlineData(PatternClass.Run)]
    [InlineData(PatternClass.EveryKth)]
    [InlineData(PatternClass.Starvation)]
    [InlineData(PatternClass.Blank)]
    [InlineData(PatternClass.NearBlank)]
    [InlineData(PatternClass.DeflectedGroup)]
    [InlineData(PatternClass.WeakGroup)]
    public void EveryFault_IsCalledByItsName_OnHeadsOfAnySize(PatternClass pattern)
    {
        var chance = new Random(17);
        var right = 0;
        for (var i = 0; i < 40; i++)
        {
            var truth = HeadFaults.Of(pattern, new[] { 60, 96, 180, 64 }[i % 4], chance);
            if (Of(truth, chance).Likeliest == pattern)
                right++;
        }

        Assert.True(right >= 36, $"{right} of 40");
    }

    [Fact]
    public void Odds_AddUpToOne_AndAMixedColourIsContamination()
    {
        var good = UnitTruth.Good(90);
        var odds = Of(good, new Random(2));
        Assert.Equal(1, odds.Odds.Values.Sum(), 9);
        Assert.Equal(PatternClass.None, odds.Likeliest);
        Assert.Equal(PatternClass.Contaminated, Of(good, new Random(2), mixed: 0.45).Likeliest);
    }

    [Fact]
    public void OneGap_IsScattered_AndNoRunOfSix()
    {
        var line = UnitLine.Tapped(TinySheet.Layout.Units[0], new string('.', 30) + "x" + new string('.', 29), TestShop.Sheets.Pattern);
        Assert.Equal(PatternClass.Scattered, line.Pattern);
        var run = UnitLine.Tapped(
            TinySheet.Layout.Units[0],
            new string('.', 30) + "xxxxxxx" + new string('.', 23),
            TestShop.Sheets.Pattern
        );
        Assert.Equal(PatternClass.Run, run.Pattern);
        Assert.Equal(7, run.MissingCount);
    }

    // A pale dash alone may be noise; among pale neighbours it is weak.
    [Fact]
    public void NeighboursHelpToReadADoubtfulDash()
    {
        var alone = NozzleOdds(PatternClass.None, [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 0.66, 1, 1, 1, 1, 1, 1, 1, 1, 1], 10);
        var among = NozzleOdds(
            PatternClass.WeakGroup,
            [1, 1, 1, 1, 0.5, 0.45, 0.5, 0.4, 0.5, 0.45, 0.66, 0.5, 0.5, 0.45, 1, 1, 1, 1, 1, 1],
            10
        );
        Assert.True(alone.Weak < 0.2 && among.Weak > 0.8);
    }

    private static NozzleOdds NozzleOdds(PatternClass expected, double[] strengths, int nozzle)
    {
        var truth = UnitTruth.Good(strengths.Length) with { Strength = strengths };
        var odds = Of(truth, null);
        Assert.Equal(expected, odds.Likeliest);
        return odds.Expected[nozzle];
    }

    private static PatternOdds Of(UnitTruth truth, Random? chance, double mixed = 0)
    {
        double Noise(double spread) => chance is null ? 0 : spread * SheetPress.Bell(chance);
        var measures = truth
            .Strength.Select(
                (s, n) =>
                    new DashMeasure(
                        Math.Max(0, s < 0.08 ? Math.Abs(Noise(0.02)) : s + Noise(0.06)),
                        0.02,
                        s < 0.08 ? Noise(0.2) : truth.OffsetMm[n] + Noise(0.015),
                        0.012
                    )
            )
            .ToArray();
        var likely = measures.Select(m => NozzleLikelihood.Of(m, Model, Model.GoodSpread, Model.OffsetSpreadMm)).ToArray();
        return PatternOdds.Of(measures, likely, mixed, Model.OffsetSpreadMm, Model);
    }
}
