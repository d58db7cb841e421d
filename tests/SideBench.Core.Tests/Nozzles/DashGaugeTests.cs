using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

/// <summary>Measuring on pages whose place is known exactly, so that only the measuring is at work.</summary>
public class DashGaugeTests
{
    private const double Scale = 7;
    private static readonly SheetLayout Layout = TinySheet.Layout;
    private static readonly PageMap Map = PageMap.Of(new Homography(Scale, 0, -0.5, 0, Scale, -0.5, 0, 0));

    [Fact]
    public void Strength_FollowsTheInk_Closely()
    {
        var unit = UnitTruth.Good(60);
        for (var n = 20; n < 30; n++)
            unit.Strength[n] = 0.2 + (0.06 * (n - 20));
        var sheet = Measured(NozzleTruth.Good(Layout).With(1, unit));
        for (var n = 20; n < 30; n++)
            Assert.InRange(Dash(sheet, "C", n).Strength, unit.Strength[n] - 0.13, unit.Strength[n] + 0.13);
        Assert.InRange(Dash(sheet, "C", 5).Strength, 0.8, 1.2);
    }

    [Fact]
    public void Offset_IsMeasuredToHundredths_AlsoInYellow()
    {
        var unit = UnitTruth.Good(60);
        for (var n = 10; n < 20; n++)
            unit.OffsetMm[n] = 0.05 * (n - 14);
        var sheet = Measured(NozzleTruth.Good(Layout).With(2, unit).With(0, unit));
        for (var n = 10; n < 20; n++)
        {
            Assert.InRange(Dash(sheet, "K", n).OffsetMm, unit.OffsetMm[n] - 0.07, unit.OffsetMm[n] + 0.07);
            Assert.InRange(Dash(sheet, "Y", n).OffsetMm, unit.OffsetMm[n] - 0.08, unit.OffsetMm[n] + 0.08);
        }
    }

    [Fact]
    public void PenAcrossDashes_NeitherMakesNorBreaksOne()
    {
        var unit = UnitTruth.Good(60);
        for (var n = 0; n < 60; n += 6)
            unit.Strength[n + 2] = 0;
        var page = SheetPress.Print(Layout, NozzleTruth.Good(Layout).With(0, unit), Scale, 0.85, new Random(1));
        // A red stroke down through the third column, as thick as a pen.
        var x = (int)((8 + (2 * 4.4) + 2) * Scale);
        for (var y = (int)(14 * Scale); y < 40 * Scale; y++)
            page.Rgb.AsSpan(((y * page.Width) + x) * 3, 9).Fill(60);
        var sheet = Measured(page);
        for (var n = 2; n < 60; n += 6)
            Assert.True(Dash(sheet, "K", n).Strength < 0.12, $"{n}: {Dash(sheet, "K", n).Strength}");
        Assert.True(Dash(sheet, "K", 1).Strength > 0.8);
    }

    [Fact]
    public void ProperDash_IsKnownFromTheStrongOnes_HoweverManyAreWeak()
    {
        Assert.Equal(
            0.5,
            UnitReference.Of([.. Enumerable.Repeat(0.5, 60), .. Enumerable.Repeat(0.2, 35), .. Enumerable.Repeat(0.0, 20)]).Amplitude,
            2
        );
        Assert.Equal(0, UnitReference.Of([0, 0, 0]).Dashes);
        Assert.Equal(0.4, UnitReference.Of([0, 0, 0, 0, 0, 0, 0, 0.4, 0, 0]).Amplitude, 2);
    }

    [Fact]
    public void BlankUnit_IsJudgedByWhatTheOthersPrint()
    {
        var blank = HeadFaults.Of(PatternClass.Blank, 60, new Random(1));
        var sheet = Measured(NozzleTruth.Good(Layout).With(2, blank));
        Assert.True(sheet.References[2].Amplitude > 0.15);
        Assert.All(Enumerable.Range(0, 60), n => Assert.True(Dash(sheet, "Y", n).Strength < 0.14));
    }

    [Fact]
    public void Softness_IsSeen_AndShapeIsAsThickAsPrinted()
    {
        var page = SheetPress.Print(Layout, NozzleTruth.Good(Layout), 14, 0.85, new Random(1));
        var view = new SheetLens(
            (int)(105 * Scale),
            (int)(80 * Scale),
            new Homography(Scale, 0, -0.5, 0, Scale, -0.5, 0, 0),
            0.2,
            0,
            0.5,
            0,
            0,
            (1, 1, 1),
            0,
            default,
            0,
            0,
            false
        );
        var sharp = Measured(view.Take(page, 14, 1)).SoftMm;
        var soft = Measured((view with { SoftPx = 1.6 }).Take(page, 14, 1)).SoftMm;
        Assert.InRange(sharp, 0.02, 0.16);
        Assert.InRange(soft, 0.18, 0.34);
        var shape = new DashShape(0.26, 0.02, 0.05, 12);
        Assert.InRange(Enumerable.Range(-12, 25).Sum(k => shape.At(k, 0)) * 0.05, 0.25, 0.27);
    }

    [Fact]
    public void CutDashes_AreSeenAsCut()
    {
        var page = SheetPress.Print(Layout, NozzleTruth.Good(Layout), Scale, 0.85, new Random(1));
        // White paper over the right half of every dash of the first column.
        for (var y = (int)(10 * Scale); y < 42 * Scale; y++)
            page.Rgb.AsSpan(((y * page.Width) + (int)(10 * Scale)) * 3, (int)(2.2 * Scale) * 3).Fill(255);
        var stretches = Measured(page).Stretches(0);
        Assert.True(stretches[0] > 0.6 && stretches[^1] < 0.2, string.Join(' ', stretches));
    }

    private static GaugedSheet Measured(NozzleTruth truth) => Measured(SheetPress.Print(Layout, truth, Scale, 0.85, new Random(1)));

    private static GaugedSheet Measured(PixelImage image)
    {
        var places = DashPlace.Of(Layout);
        return DashGauge.Of(DashSamples.Of(image, Map, places), places, Map);
    }

    private static DashMeasure Dash(GaugedSheet sheet, string unit, int nozzle) =>
        sheet.Measures[sheet.Places.Index().First(p => p.Item.Unit.Id == unit && p.Item.Nozzle == nozzle).Index];
}
