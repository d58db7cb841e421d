using CsCheck;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class SheetGeometryTests
{
    [Fact]
    public void Nozzle_StandsWhereTheFormatsExamplePutsIt()
    {
        // The format's own example: 8 columns 5 mm apart, rows 1.6 mm, each column 0.2 mm lower.
        var block = new StairBlock(10, 30, 8, 5, 1.6, 0.2, 4.5, 0.25);
        Assert.Equal((10, 30), block.DashAt(0));
        var (x, y) = block.DashAt(11);
        Assert.Equal((25, 32.2), (x, Math.Round(y, 9)));
    }

    [Fact]
    public void FlatSheetSeenFromAnywhere_IsFoundFromItsPoints_AndBack() =>
        Gen.Select(Gen.Double[-0.4, 0.4], Gen.Double[3, 20], Gen.Double[-4e-4, 4e-4], Gen.Double[-4e-4, 4e-4])
            .Sample(
                (turn, scale, g, h) =>
                {
                    var truth = new Homography(
                        scale * Math.Cos(turn),
                        -scale * Math.Sin(turn),
                        300,
                        scale * Math.Sin(turn),
                        scale * Math.Cos(turn),
                        200,
                        g,
                        h
                    );
                    var pairs = Enumerable
                        .Range(0, 30)
                        .Select(i => (X: (double)(i % 6 * 30), Y: (double)(i / 6 * 40)))
                        .Select(p => (p.X, p.Y, At: truth.At(p.X, p.Y)))
                        .Select(p => new PointPair(p.X, p.Y, p.At.X, p.At.Y))
                        .ToList();
                    var found = Homography.Of(pairs, flat: false)!.Value;
                    var (x, y) = found.At(77, 51);
                    var (tx, ty) = truth.At(77, 51);
                    var (bx, by) = found.Back().At(x, y);
                    return Math.Abs(x - tx) + Math.Abs(y - ty) < 1e-4 && Math.Abs(bx - 77) + Math.Abs(by - 51) < 1e-5;
                }
            );

    [Fact]
    public void TooFewPoints_GiveNoSheet() =>
        Assert.Null(Homography.Of([new PointPair(0, 0, 1, 1), new PointPair(1, 0, 2, 1)], flat: true));

    [Fact]
    public void Bend_FollowsTheCurl_AndNotADisplacedGroup()
    {
        var flat = PageMap.Of(new Homography(8, 0, 0, 0, 8, 0, 0, 0));
        double Curl(double x) => 0.3 * Math.Sin(x / 60);
        var seen = (from row in Enumerable.Range(0, 20) from column in Enumerable.Range(0, 30) select (X: column * 6.0, Y: row * 6.0))
            .Select(p => new SeenOff(p.X, p.Y, 0, Curl(p.X) + (p is { X: < 50, Y: < 18 } ? 0.35 : 0)))
            .ToList();
        var places = seen.Select(s => new DashPlace(TinySheet.Layout.Units[0], 0, 0, s.X, s.Y)).ToList();
        var bent = Bending.Of(flat, seen, places);
        Assert.Equal((12 + Curl(30)) * 8, bent.At(30, 12).Y, 0.25);
        Assert.Equal((90 + Curl(150)) * 8, bent.At(150, 90).Y, 0.25);
    }

    [Fact]
    public void Bend_StaysTame_WhereNothingWasSeen()
    {
        var flat = PageMap.Of(new Homography(8, 0, 0, 0, 8, 0, 0, 0));
        var chance = new Random(3);
        var seen = Enumerable
            .Range(0, 60)
            .Select(i => new SeenOff(150 + (i % 6 * 4), 20 + (i / 6 * 2), 0, 0.02 * (chance.NextDouble() - 0.5)))
            .ToList();
        var places = seen.Select(s => new DashPlace(TinySheet.Layout.Units[0], 0, 0, s.X, s.Y))
            .Append(new DashPlace(TinySheet.Layout.Units[0], 0, 0, 5, 20))
            .ToList();
        Assert.Equal(20 * 8, Bending.Of(flat, seen, places).At(5, 20).Y, 0.8);
    }

    [Fact]
    public void LayoutRules_NameEverythingThatCannotBe()
    {
        Assert.Empty(LayoutRules.Check(TinySheet.Layout, "x"));
        var bad = TinySheet.Layout with
        {
            Units =
            [
                TinySheet.Unit("K", "#1D1D20", false, 8),
                TinySheet.Unit("K", "#1D1D20", false, 12),
                TinySheet.Unit("C", "#0E9BD0", false, 90) with
                {
                    Block = new StairBlock(90, 16, 6, 3, 0.4, 0, 3.9, 0.26),
                },
            ],
            Marks = [new SheetMark("Z", 1, 1, 2, 2, 1, null)],
        };
        var said = LayoutRules.Check(bad, "x").Select(p => (string)p.Args[0]!).ToList();
        Assert.Contains("the id K is there twice", said);
        Assert.Contains("its block overlaps that of K", said);
        Assert.Contains("a dash is longer than the pitch of its columns", said);
        Assert.Contains("a dash is thicker than half the pitch of its rows", said);
        Assert.Contains("some of its dashes lie outside the page", said);
        Assert.Contains("no unit is called Z", said);
        var huge = TinySheet.Layout with { Units = [TinySheet.Unit("K", "#1D1D20", false, 8, 20_000)] };
        Assert.Contains("at most 6000", (string)Assert.Single(LayoutRules.Check(huge, "x")).Args[0]!);
    }

    [Fact]
    public void Shrinking_TakesTheMeanOfEverySquare()
    {
        byte[] rgb = [.. Enumerable.Range(0, 4 * 2 * 3).Select(i => (byte)(i * 3))];
        var small = new PixelImage(4, 2, rgb).Shrunk(2);
        Assert.Equal((2, 1), (small.Width, small.Height));
        Assert.Equal((rgb[0] + rgb[3] + rgb[12] + rgb[15] + 2) / 4, small.Rgb[0]);
    }

    [Fact]
    public void TwoInks_AreMixedOnlyWhenBothLeanTowardsEachOther()
    {
        SheetUnit[] units =
        [
            TinySheet.Unit("C", "#0E9BD0", false, 8),
            TinySheet.Unit("Y", "#FDF28A", true, 40),
            TinySheet.Unit("M", "#D02A7E", false, 72),
        ];
        double[] Taken(SheetUnit u) => [u.Color.Taken.R, u.Color.Taken.G, u.Color.Taken.B];
        UnitInk Ink(double[] a, double[] b, double share) => new([.. a.Zip(b, (x, y) => (x * (1 - share)) + (y * share))], 0.5, true);
        var (c, y, m) = (Taken(units[0]), Taken(units[1]), Taken(units[2]));
        var both = InkMixing.Of(units, [Ink(c, y, 0.4), Ink(y, c, 0.4), Ink(m, m, 0)]);
        Assert.Equal((1, 0), (both[0].With, both[1].With));
        Assert.InRange(both[0].Share, 0.35, 0.45);
        var oneOnly = InkMixing.Of(units, [Ink(c, y, 0.4), Ink(y, y, 0), Ink(m, m, 0)]);
        Assert.All(oneOnly, mixed => Assert.True(mixed.Share < 0.05));
    }
}
