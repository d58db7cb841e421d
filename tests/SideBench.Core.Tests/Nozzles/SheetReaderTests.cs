using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

[Trait("Pace", "slow")]
public class SheetReaderTests
{
    [Theory]
    [InlineData(false, SceneLevel.Hard)]
    [InlineData(true, SceneLevel.Hard)]
    [InlineData(false, SceneLevel.Medium)]
    [InlineData(true, SceneLevel.Medium)]
    public void SimulatedPictures_AreReadNozzleByNozzle(bool photo, SceneLevel level)
    {
        var score = new SheetScore();
        for (var seed = 0; seed < 3; seed++)
        {
            var scene = SheetScenes.Good(TinySheet.Layout, photo, level, 300 + seed);
            var reading = SheetReader.Read(scene.Image, TinySheet.Layout, TestShop.Sheets.Pattern);
            Assert.Null(reading.Refusal);
            for (var u = 0; u < reading.Units.Count; u++)
                score.Add(scene.Truth.Units[u], reading.Units[u]);
        }

        Assert.Equal((0, 0), (score.Missing.False, score.Missing.Overlooked));
        Assert.True(score.Missing.Right > 5);
        Assert.True(score.PatternsRight >= score.Patterns - 1, $"{score.PatternsRight} of {score.Patterns}");
        Assert.True(score.Unsure < score.Nozzles / 20);
    }

    [Fact]
    public void InkTooFaintToTell_IsUnsureAsAWhole_AndSaysWhatToDo()
    {
        var layout = TinySheet.Layout with
        {
            Marks = [],
            Units =
            [
                TinySheet.Unit("LC", "#B4DFF0", true, 8),
                TinySheet.Unit("C", "#0E9BD0", false, 40),
                TinySheet.Unit("Y", "#FDF28A", true, 72),
            ],
        };
        var pale = layout with { Units = [.. layout.Units.Take(2), layout.Units[2] with { Color = new Rgb(255, 252, 226) }] };
        var truth = NozzleTruth.Good(layout).With(1, HeadFaults.Of(PatternClass.Run, 60, new Random(5)));
        var seen = SheetScenes.Seen(pale, truth, photo: false, SceneLevel.Medium, 21);
        var reading = SheetReader.Read(seen, layout, TestShop.Sheets.Pattern);
        Assert.Null(reading.Refusal);
        Assert.Equal([false, false, true], reading.Units.Select(u => u.IsTooFaint));
        Assert.Equal(PatternClass.Run, reading.Units[1].Pattern);
        Assert.Empty(reading.Units[2].In(NozzleState.Weak).Concat(reading.Units[2].In(NozzleState.Missing)));
        var lines = reading.Units.Select(UnitLine.Of).ToList();
        var (title, says) = SheetWords.Reading(lines, []);
        Assert.StartsWith("C:", title);
        Assert.Contains("Y: too faint on this picture to tell. Scan in colour at 300 dpi or more", says[^1]);
        Assert.Equal("Complete, as far as it can be told.", SheetWords.Reading([lines[0], lines[2]], []).Title);
        Assert.Equal(("too faint to tell", "wait"), (SheetWords.Of(lines[2], null), SheetWords.Tone(lines[2], null)));
    }

    [Theory]
    [InlineData(2)]
    [InlineData(62)]
    public void StrongInkMixedWithAFaintOne_IsSeenInBoth_AndTheLayoutStillFits(int seed)
    {
        var layout = TinySheet.Layout with
        {
            Units =
            [
                TinySheet.Unit("K", "#1D1D20", false, 8),
                TinySheet.Unit("C", "#0E9BD0", false, 34),
                TinySheet.Unit("M", "#D02A7E", false, 58),
                TinySheet.Unit("Y", "#FDF28A", true, 80),
            ],
        };
        var chance = new Random(seed);
        var truth = NozzleTruth
            .Good(layout)
            .With(0, HeadFaults.Of(PatternClass.NearBlank, 60, chance))
            .With(1, HeadFaults.Of(PatternClass.EveryKth, 60, chance))
            .With(2, UnitTruth.Good(60) with { Pattern = PatternClass.Contaminated, MixedWith = 3 })
            .With(3, UnitTruth.Good(60) with { Pattern = PatternClass.Contaminated, MixedWith = 2 });
        var reading = SheetReader.Read(
            SheetScenes.Seen(layout, truth, photo: false, SceneLevel.Medium, seed),
            layout,
            TestShop.Sheets.Pattern
        );
        Assert.Null(reading.Refusal);
        Assert.Equal(truth.Units.Select(u => u.Pattern), reading.Units.Select(u => u.Pattern));
        Assert.Equal(("Y", "M"), (reading.Units[2].MixedWith, reading.Units[3].MixedWith));
    }

    [Fact]
    public void UpsideDownSheet_IsTurned_AndItsNozzlesAreRight()
    {
        var truth = NozzleTruth.Good(TinySheet.Layout).With(1, HeadFaults.Of(PatternClass.Run, 60, new Random(5)));
        var upright = SheetScenes.Seen(TinySheet.Layout, truth, photo: false, SceneLevel.Medium, 8);
        var reading = SheetReader.Read(UpsideDown(upright), TinySheet.Layout, TestShop.Sheets.Pattern);
        Assert.Null(reading.Refusal);
        Assert.True(Math.Abs(reading.Handling!.RotationDeg) > 170);
        Assert.Equal(truth.Units[1].Missing, reading.Units[1].In(NozzleState.Missing));
        Assert.Equal(PatternClass.None, reading.Units[0].Pattern);
    }

    [Fact]
    public void SheetOnItsSide_IsReadToo()
    {
        var seen = SheetScenes.Seen(TinySheet.Layout, NozzleTruth.Good(TinySheet.Layout), photo: false, SceneLevel.Medium, 8);
        var reading = SheetReader.Read(OnItsSide(seen), TinySheet.Layout, TestShop.Sheets.Pattern);
        Assert.All(reading.Units, unit => Assert.Equal(PatternClass.None, unit.Pattern));
        Assert.Equal(3, reading.Units.Count);
    }

    [Theory]
    [InlineData(RefusalReason.BlankPage)]
    [InlineData(RefusalReason.CutOff)]
    [InlineData(RefusalReason.Blurred)]
    [InlineData(RefusalReason.LowResolution, RefusalReason.WrongLayout)]
    [InlineData(RefusalReason.Covered)]
    [InlineData(RefusalReason.WrongLayout)]
    [InlineData(RefusalReason.NoSheet, RefusalReason.WrongLayout)]
    public void WhatCannotBeRead_IsRefusedForItsReason(RefusalReason reason, RefusalReason? orAs = null)
    {
        var other = TinySheet.Layout with
        {
            Units =
            [
                TinySheet.Unit("K", "#1D1D20", false, 8) with
                {
                    Block = new StairBlock(10, 20, 10, 6, 1.7, 0.17, 5.4, 0.25),
                },
                TinySheet.Unit("M", "#D02A7E", false, 72, 30),
            ],
            Marks = [],
        };
        for (var seed = 0; seed < 2; seed++)
        {
            var scene = SheetScenes.Bad(TinySheet.Layout, other, reason, photo: seed % 2 == 1, 40 + seed);
            var said = SheetReader.Read(scene.Image, TinySheet.Layout, TestShop.Sheets.Pattern).Refusal?.Reason;
            Assert.True(said == reason || (said is not null && said == orAs), $"{reason}, {seed}: {said}");
        }
    }

    [Fact]
    public void TwoSheetsInOnePicture_AreRefused_AndOneIsNotTakenForTwo()
    {
        var one = SheetScenes.Seen(TinySheet.Layout, NozzleTruth.Good(TinySheet.Layout), photo: false, SceneLevel.Medium, 8);
        Assert.Null(SheetReader.Read(one, TinySheet.Layout, TestShop.Sheets.Pattern).Refusal);
        Assert.Equal(
            RefusalReason.TwoSheets,
            SheetReader.Read(Beside(one, one), TinySheet.Layout, TestShop.Sheets.Pattern).Refusal?.Reason
        );
    }

    [Fact]
    public void SheetWithABlankChannel_IsReadAsLongAsItsPlaceIsInThePicture()
    {
        var truth = NozzleTruth.Good(TinySheet.Layout).With(0, HeadFaults.Of(PatternClass.Blank, 60, new Random(1)));
        var reading = SheetReader.Read(
            SheetScenes.Seen(TinySheet.Layout, truth, photo: true, SceneLevel.Medium, 4),
            TinySheet.Layout,
            TestShop.Sheets.Pattern
        );
        Assert.Equal((PatternClass.Blank, 60), (reading.Units[0].Pattern, reading.Units[0].In(NozzleState.Missing).Count()));
    }

    [Fact]
    public void MapOfAReading_PointsAtTheDashesOfThePictureAsItCame()
    {
        var image = SheetScenes.Seen(TinySheet.Layout, NozzleTruth.Good(TinySheet.Layout), photo: false, SceneLevel.Easy, 77);
        var map = SheetReader.Read(image, TinySheet.Layout, TestShop.Sheets.Pattern).Map!;
        var (x, y) = TinySheet.Layout.Units[0].DashAt(14);
        var (px, py) = map.At(x + 1.95, y);
        int Light(double dy) => image.Rgb[((((int)Math.Round(py + dy)) * image.Width) + (int)Math.Round(px)) * 3];
        Assert.True(Light(0) < 110, $"{Light(0)}");
        Assert.True(Light(1.1 * map.ScaleAt(x, y)) > 180);
    }

    private static PixelImage Beside(PixelImage left, PixelImage right)
    {
        var width = left.Width + right.Width;
        var rgb = new byte[width * left.Height * 3];
        for (var y = 0; y < left.Height; y++)
        {
            left.Rgb.AsSpan(y * left.Width * 3, left.Width * 3).CopyTo(rgb.AsSpan(y * width * 3));
            right.Rgb.AsSpan(y * right.Width * 3, right.Width * 3).CopyTo(rgb.AsSpan(((y * width) + left.Width) * 3));
        }

        return new PixelImage(width, left.Height, rgb);
    }

    private static PixelImage UpsideDown(PixelImage image)
    {
        var rgb = new byte[image.Rgb.Length];
        for (int from = 0, to = rgb.Length - 3; to >= 0; from += 3, to -= 3)
            image.Rgb.AsSpan(from, 3).CopyTo(rgb.AsSpan(to));
        return new PixelImage(image.Width, image.Height, rgb);
    }

    private static PixelImage OnItsSide(PixelImage image)
    {
        var rgb = new byte[image.Rgb.Length];
        for (var y = 0; y < image.Height; y++)
        {
            for (var x = 0; x < image.Width; x++)
                image.Rgb.AsSpan(((y * image.Width) + x) * 3, 3).CopyTo(rgb.AsSpan(((x * image.Height) + image.Height - 1 - y) * 3));
        }

        return new PixelImage(image.Height, image.Width, rgb);
    }
}
