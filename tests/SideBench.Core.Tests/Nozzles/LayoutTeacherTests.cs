using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Nozzles.Teaching;
using SideBench.Core.Outcomes;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

[Trait("Pace", "slow")]
public class LayoutTeacherTests
{
    private static readonly TeachWith With = new("taught", "Taught", [], null, null);

    [Theory]
    [InlineData(3, 400, false)]
    [InlineData(8, 0, true)]
    [InlineData(2, 150, false)]
    public void AGoodSheet_TeachesItsLayout_AndSheetsAreReadWithItAsWithTheTrueOne(int seed, int dpi, bool isPhoto)
    {
        var layout = MadeLayouts.Of(seed, channels: 4);
        var good = MadeLayouts.GoodSheet(layout, 0.004, new Random(seed));
        var image = isPhoto ? SheetScenes.Seen(layout, good, true, SceneLevel.Easy, seed) : SheetScenes.Scanned(layout, good, dpi, seed);
        var taught = Teach(image, With with { Dpi = isPhoto ? null : dpi }).Value.Layout;
        Assert.Equal(layout.Units.Select(u => (u.Nozzles, u.Block.Columns)), taught.Units.Select(u => (u.Nozzles, u.Block.Columns)));
        Assert.Equal(["K", "C", "M", "Y"], taught.Units.Select(u => u.Id));
        Assert.Equal(layout.Units.Select(u => u.Faint), taught.Units.Select(u => u.Faint));
        foreach (var (mine, its) in taught.Units.Zip(layout.Units))
        {
            // A phone tells no scale; proportions must be right all the same.
            var scale = isPhoto ? mine.Block.RowPitchMm / its.Block.RowPitchMm : 1;
            Assert.Equal(its.Block.ColumnPitchMm, mine.Block.ColumnPitchMm / scale, 0.12);
            Assert.Equal(its.Block.StairStepMm, mine.Block.StairStepMm / scale, 0.04);
            Assert.Equal(its.Block.DashLengthMm, mine.Block.DashLengthMm / scale, 0.3);
            // Where a dash is more than a few points thick it is not taken for thicker: that hides what is weak or beside its place.
            if (dpi >= 300)
                Assert.InRange(mine.Block.DashThicknessMm / scale / its.Block.DashThicknessMm, 0.6, 1.4);
        }

        var faulty = SheetScenes.Truth(layout, new Random(seed + 1));
        var scene = SheetScenes.Seen(layout, faulty, false, SceneLevel.Easy, seed + 1);
        var score = new SheetScore();
        var reading = SheetReader.Read(scene, taught, TestShop.Sheets.Pattern);
        Assert.Null(reading.Refusal);
        for (var u = 0; u < layout.Units.Count; u++)
            score.Add(faulty.Units[u], reading.Units[u]);
        Assert.True(score.Missing.F1 > 0.99, $"{score.Missing}");
    }

    [Fact]
    public void ABlankChannel_IsDoubted_AndNamesThatAreTooManyAreRefused()
    {
        var layout = MadeLayouts.Of(5, channels: 4);
        var good = NozzleTruth.Good(layout);
        var blank = good.With(1, HeadFaults.Of(PatternClass.Blank, layout.Units[1].Nozzles, new Random(1)));
        var image = SheetScenes.Scanned(layout, blank, 200, 9);
        var taught = Teach(image, With with { Dpi = 200 }).Value;
        Assert.Equal(3, taught.Layout.Units.Count);
        Assert.Contains(taught.Doubts, d => d.Contains("a channel may have printed nothing"));
        var named = Teach(image, With with { Dpi = 200, Names = ["K", "C", "M", "Y"] });
        Assert.Equal([NozzlesProblem.TeachNamesCount], named.Problems.Select(p => p.Code));
    }

    [Fact]
    public void TooManyMissing_ASheetOnItsSide_AndNoSheet_AreRefused_EachForItsReason()
    {
        var layout = MadeLayouts.Of(5, channels: 4);
        var gaps = MadeLayouts.GoodSheet(layout, 0.3, new Random(3));
        Assert.Equal([NozzlesProblem.TeachTooManyMissing], CodesOf(Teach(SheetScenes.Scanned(layout, gaps, 200, 9), With)));
        var upright = SheetScenes.Scanned(layout, NozzleTruth.Good(layout), 150, 9);
        Assert.Equal([NozzlesProblem.TeachTurned], CodesOf(Teach(Turned(upright), With)));
        var scene = SheetScenes.Bad(layout, layout, RefusalReason.NoSheet, true, 4);
        Assert.Equal([NozzlesProblem.TeachNoSheet], CodesOf(Teach(scene.Image, With)));
    }

    [Fact]
    public void ASecondPicture_ProvesIt_OrRefusesIt()
    {
        var (layout, other) = (MadeLayouts.Of(5, channels: 4), MadeLayouts.Of(6, channels: 4));
        var taught = Teach(SheetScenes.Scanned(layout, NozzleTruth.Good(layout), 200, 9), With with { Dpi = 200 }).Value;
        var again = SheetScenes.Scanned(layout, NozzleTruth.Good(layout), 150, 10);
        Assert.True(LayoutTeacher.Prove(again, taught, TestShop.Sheets.Teach, TestShop.Sheets.Pattern).IsGood);
        var another = SheetScenes.Scanned(other, NozzleTruth.Good(other), 150, 10);
        Assert.False(LayoutTeacher.Prove(another, taught, TestShop.Sheets.Teach, TestShop.Sheets.Pattern).IsGood);
    }

    private static Outcome<TaughtLayout> Teach(PixelImage image, TeachWith with) =>
        LayoutTeacher.Teach(image, with, TestShop.Sheets.Teach, TestShop.Sheets.Pattern);

    private static IEnumerable<ProblemCode> CodesOf(Outcome<TaughtLayout> outcome) => outcome.Problems.Select(p => p.Code);

    private static PixelImage Turned(PixelImage image)
    {
        var rgb = new byte[image.Rgb.Length];
        for (var y = 0; y < image.Height; y++)
        for (var x = 0; x < image.Width; x++)
            image.Rgb.AsSpan(((y * image.Width) + x) * 3, 3).CopyTo(rgb.AsSpan(((x * image.Height) + image.Height - 1 - y) * 3, 3));
        return new PixelImage(image.Height, image.Width, rgb);
    }
}
