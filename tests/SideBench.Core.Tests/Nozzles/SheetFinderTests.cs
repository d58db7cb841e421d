using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

/// <summary>The finder on strokes alone, without pixels: where the truth of every stroke is known.</summary>
public class SheetFinderTests
{
    private static readonly SheetLayout Layout = TinySheet.Layout;

    [Theory]
    [InlineData(0, 6, 0, 0)]
    [InlineData(-3, 9, 0, 0)]
    [InlineData(4, 12, 3e-4, -2e-4)]
    [InlineData(179, 8, 1e-4, 1e-4)]
    [InlineData(90, 7, 0, 0)]
    public void WholeSheet_IsLaidOnItsDashes_HoweverItWasHeld(double turnDeg, double scale, double g, double h)
    {
        var truth = Seen(turnDeg, scale, g, h);
        var find = SheetFinder.Find(Layout, Strokes(truth, new Random(1), _ => true));
        Assert.Equal((180, 180, 0), (find.Explained, find.RightInk, find.LeftOver.Count));
        Assert.True(Miss(find, truth) < 0.15, $"{Miss(find, truth)} mm");
    }

    [Fact]
    public void BlankUnitAndManyGaps_DoNotMoveIt()
    {
        var truth = Seen(2, 8, 2e-4, 0);
        var chance = new Random(2);
        var find = SheetFinder.Find(Layout, Strokes(truth, chance, place => place.Unit.Id != "C" && chance.NextDouble() > 0.3));
        Assert.True(find.Explained > 70 && Miss(find, truth) < 0.3, $"{find.Explained}, {Miss(find, truth)} mm");
    }

    [Fact]
    public void GrainOfATable_AndStrokesOfAPen_AreNotTakenForDashes()
    {
        var truth = Seen(-1, 8, 0, 0);
        var chance = new Random(3);
        var grain = Enumerable
            .Range(0, 400)
            .Select(_ => new Stroke(
                1200 + (chance.NextDouble() * 600),
                chance.NextDouble() * 700,
                8 + (30 * chance.NextDouble()),
                2,
                0.1 * chance.NextDouble(),
                0.6,
                0.6,
                0.5,
                40
            ));
        var pen = new[] { new Stroke(300, 250, 60, 4, 0.8, 0.2, 0.7, 0.6, 240), new Stroke(310, 260, 30, 4, -0.8, 0.2, 0.7, 0.6, 120) };
        var find = SheetFinder.Find(Layout, [.. Strokes(truth, chance, _ => true), .. grain, .. pen]);
        Assert.Equal(180, find.Explained);
        Assert.True(Miss(find, truth) < 0.15);
    }

    [Fact]
    public void MarkInStepWithABlock_IsNotTakenForItsFirstRow()
    {
        var truth = Seen(0, 8, 0, 0);
        // A line as long as a dash, one row above each block, as some sheets have.
        var beside = Layout.Units.Select(u => At(truth, u.Block.XMm + 1.95, u.Block.YMm - u.Block.RowPitchMm, u, 3.9, 0.26));
        var find = SheetFinder.Find(Layout, [.. Strokes(truth, new Random(5), _ => true), .. beside]);
        Assert.Equal((180, 3), (find.Explained, find.LeftOver.Count));
        Assert.True(Miss(find, truth) < 0.15);
    }

    [Fact]
    public void SheetOfAnotherPitch_IsNotExplained()
    {
        var other = Layout with
        {
            Units = [.. Layout.Units.Select(u => u with { Block = u.Block with { RowPitchMm = 3.1, StairStepMm = 0.5 } })],
        };
        var find = SheetFinder.Find(other, Strokes(Seen(0, 8, 0, 0), new Random(6), _ => true));
        Assert.True(find.Explained < 120, $"{find.Explained}");
    }

    [Fact]
    public void TooFewDashes_AreNoSheet() =>
        Assert.Null(SheetFinder.Find(Layout, [.. Strokes(Seen(0, 8, 0, 0), new Random(7), _ => true).Take(8)]).Map);

    private static Homography Seen(double turnDeg, double scale, double g, double h)
    {
        var turn = turnDeg * Math.PI / 180;
        var (cos, sin) = (scale * Math.Cos(turn), scale * Math.Sin(turn));
        // Held so that all of it lies in the picture: its middle at (520, 420).
        return new Homography(cos, -sin, 520 - (cos * 52) + (sin * 40), sin, cos, 420 - (sin * 52) - (cos * 40), g, h);
    }

    private static List<Stroke> Strokes(Homography map, Random chance, Func<DashPlace, bool> fires) =>
        [
            .. DashPlace
                .Of(Layout)
                .Where(fires)
                .Select(p =>
                    At(map, p.MiddleX + (0.02 * (chance.NextDouble() - 0.5)), p.Y + (0.03 * (chance.NextDouble() - 0.5)), p.Unit, 3.9, 0.26)
                ),
        ];

    private static Stroke At(Homography map, double x, double y, SheetUnit unit, double length, double thick)
    {
        var ((x1, y1), (x2, y2)) = (map.At(x - (length / 2), y), map.At(x + (length / 2), y));
        var px = Math.Sqrt(((x2 - x1) * (x2 - x1)) + ((y2 - y1) * (y2 - y1)));
        var angle = Math.Atan((y2 - y1) / (x2 - x1));
        var (r, g, b) = unit.Color.Taken;
        var size = Math.Sqrt((r * r) + (g * g) + (b * b));
        return new Stroke(
            (x1 + x2) / 2,
            (y1 + y2) / 2,
            px,
            thick * px / length,
            angle,
            r / size,
            g / size,
            b / size,
            (int)(px * thick * px / length)
        );
    }

    // How far, at most, the corners of the pattern are from where they should be.
    private static double Miss(SheetFind find, Homography truth) =>
        DashPlace
            .Of(Layout)
            .Max(p =>
            {
                var ((x, y), (tx, ty)) = (find.Map!.Value.At(p.MiddleX, p.Y), truth.At(p.MiddleX, p.Y));
                return Math.Sqrt(((x - tx) * (x - tx)) + ((y - ty) * (y - ty))) / PageMap.Of(truth).ScaleAt(p.MiddleX, p.Y);
            });
}
