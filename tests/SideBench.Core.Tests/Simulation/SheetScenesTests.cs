using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using SideBench.Core.Tests.Nozzles;
using Xunit;

namespace SideBench.Core.Tests.Simulation;

public class SheetScenesTests
{
    [Fact]
    public void SameSeed_SameScene_AndAnotherSeedAnother()
    {
        SheetScene Made(int seed) => SheetScenes.Good(TinySheet.Layout, photo: true, SceneLevel.Medium, seed);
        Assert.Equal(Made(1).Image.Rgb, Made(1).Image.Rgb);
        Assert.NotEqual(Made(1).Image.Rgb, Made(2).Image.Rgb);
    }

    [Fact]
    public void Press_PutsEveryDashWhereTheLayoutSays_AndLeavesOutWhatIsMissing()
    {
        var unit = UnitTruth.Good(60);
        unit.Strength[7] = 0;
        var page = SheetPress.Print(TinySheet.Layout, NozzleTruth.Good(TinySheet.Layout).With(0, unit), 12, 1, new Random(1));
        for (var n = 0; n < 60; n++)
        {
            var (x, y) = TinySheet.Layout.Units[0].DashAt(n);
            var light = page.Rgb[((((int)(y * 12)) * page.Width) + (int)((x + 2) * 12)) * 3];
            Assert.True(n == 7 ? light == 255 : light < 120, $"{n}: {light}");
        }
    }

    [Theory]
    [InlineData(PatternClass.Run)]
    [InlineData(PatternClass.EveryKth)]
    [InlineData(PatternClass.Starvation)]
    [InlineData(PatternClass.WeakGroup)]
    [InlineData(PatternClass.DeflectedGroup)]
    [InlineData(PatternClass.NearBlank)]
    public void MadeFaults_AreWhatTheirClassSays(PatternClass pattern)
    {
        for (var seed = 0; seed < 30; seed++)
        {
            var unit = HeadFaults.Of(pattern, 120, new Random(seed));
            int[] missing = [.. unit.Missing];
            var good = pattern switch
            {
                PatternClass.Run => missing.Length is >= 6 and <= 34 && missing[^1] - missing[0] == missing.Length - 1,
                PatternClass.EveryKth => missing.Length > 20
                    && missing.Select(n => n - missing[0]).All(d => d % 4 == 0 || d % 3 == 0 || d % 2 == 0),
                PatternClass.Starvation => unit.Strength[0] == 1 && missing[^1] == 119 && unit.Weak.Any(),
                PatternClass.WeakGroup => unit.Weak.Count() >= 8 && missing.Length == 0,
                PatternClass.DeflectedGroup => unit.Deflected.Count() >= 8
                    && unit.OffsetMm.Where(o => o != 0).Select(Math.Sign).Distinct().Count() == 1,
                _ => missing.Length is >= 112 and < 120,
            };
            Assert.True(good, $"{pattern}, seed {seed}");
        }
    }

    [Fact]
    public void Score_CountsFoundWrongAndOverlooked_AndSkipsWhatNobodyCanTell()
    {
        var truth = UnitTruth.Good(10);
        (truth.Strength[1], truth.Strength[2], truth.Strength[3]) = (0, 0, 0.7);
        var read = new UnitReading(
            "K",
            [
                .. Enumerable
                    .Range(0, 10)
                    .Select(n => new NozzleSign(n is 1 or 3 or 5 ? NozzleState.Missing : NozzleState.Good, n == 9 ? 0.5 : 1, 1, 0)),
            ],
            PatternClass.None,
            new Dictionary<PatternClass, double>()
        );
        var score = new SheetScore();
        score.Add(truth, read);
        Assert.Equal((1, 1, 1), (score.Missing.Right, score.Missing.False, score.Missing.Overlooked));
        Assert.Equal(0.5, score.Missing.F1);
        Assert.Equal((1, 1), (score.PatternsRight, score.Unsure));
        score.Add(truth, null);
        Assert.Equal(3, score.Missing.Overlooked);
        Assert.Equal(1, new Agreement(0, 0, 0).F1);
    }

    [Fact]
    public void Letters_AreAllDrawn()
    {
        foreach (var letter in "ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789")
            Assert.InRange(DotLetters.Of(letter).Count(), 8, 24);
        Assert.Empty(DotLetters.Of('…'));
        Assert.Equal(7, DotLetters.Of('I').Count(d => d.Column == 2));
    }
}
