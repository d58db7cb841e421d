using SideBench.Core.Nozzles;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class StrokesTests
{
    [Fact]
    public void Paper_IsTheMedianOfWhateverLightFallsThere()
    {
        var image = Blank(128, 96, (x, _) => (byte)(120 + x));
        Draw(image, 40, 20, 60, 3, (0, 0, 0));
        var paper = PaperMap.Of(image);
        Span<float> at = stackalloc float[3];
        paper.At(64, 48, at);
        Assert.InRange(at[0], 181, 187);
        paper.At(70, 21, at);
        Assert.InRange(at[1], 185, 195);
    }

    [Fact]
    public void Yellow_ShowsInBlue_AndIsFoundLikeAnyInk()
    {
        var image = Blank(160, 96, (_, _) => 240);
        Draw(image, 20, 40, 30, 3, (236, 226, 130));
        Draw(image, 90, 40, 30, 3, (30, 30, 34));
        var strokes = Find(image).Where(s => s.IsDash).OrderBy(s => s.X).ToList();
        Assert.Equal(2, strokes.Count);
        Assert.All(strokes, s => Assert.InRange(s.Length, 28, 32));
        Assert.InRange(strokes[0].X, 34, 35);
        Assert.InRange(strokes[0].Y, 40.5, 41.5);
        Assert.True(strokes[0].Likeness((0.01, 0.05, 0.46)) > 0.98);
        Assert.True(strokes[0].Likeness((0.9, 0.4, 0.2)) < 0.4);
        Assert.True(strokes[1].Likeness((1, 1, 1)) > 0.99);
    }

    [Fact]
    public void SlantedDash_TellsItsAngle_AndOneAcrossATilesEdgeStaysOne()
    {
        var image = Blank(160, 96, (_, _) => 250);
        for (var x = 20; x < 70; x++)
            Draw(image, x, 30 + (x / 10), 1, 2, (20, 20, 20));
        var dash = Assert.Single(Find(image), s => s.IsDash);
        Assert.InRange(dash.Angle, 0.07, 0.13);
        Assert.InRange(dash.Length, 47, 53);
    }

    [Fact]
    public void LettersSpecksAndBareNoise_AreNoDashes()
    {
        var chance = new Random(4);
        var image = Blank(160, 96, (_, _) => (byte)(240 + chance.Next(-3, 4)));
        Draw(image, 30, 30, 12, 12, (10, 10, 10));
        Draw(image, 100, 60, 2, 2, (10, 10, 10));
        Assert.DoesNotContain(Find(image), s => s.IsDash);
    }

    // The slow obvious twin: look at every stroke.
    [Fact]
    public void NearestStroke_IsWhatLookingAtEveryOneFinds()
    {
        var chance = new Random(12);
        var strokes = Enumerable
            .Range(0, 300)
            .Select(_ => new Stroke(chance.NextDouble() * 400, chance.NextDouble() * 300, 20, 3, 0, 1, 0, 0, 60))
            .ToList();
        var grid = new StrokeGrid(strokes, 23);
        var steps = new Steps(26, 2, -1, 13);
        for (var i = 0; i < 400; i++)
        {
            var (x, y) = (chance.NextDouble() * 400, chance.NextDouble() * 300);
            var near = strokes
                .Select((s, at) => (at, Off: steps.Of(s.X - x, s.Y - y)))
                .Where(s => Math.Abs(s.Off.Along) <= 0.3 && Math.Abs(s.Off.Down) <= 0.4)
                .ToList();
            var expected = near.Count == 0 ? -1 : near.MinBy(s => (s.Off.Along * s.Off.Along / 0.09) + (s.Off.Down * s.Off.Down / 0.16)).at;
            Assert.Equal(expected, grid.Nearest(x, y, steps, 0.3, 0.4));
        }
    }

    [Fact]
    public void Steps_UndoWhatTheyMake()
    {
        var steps = new Steps(26, 2, -1, 13);
        var (along, down) = steps.Of((3 * 26) - (2 * 1), (3 * 2) + (2 * 13));
        Assert.Equal((3, 2), (Math.Round(along, 9), Math.Round(down, 9)));
    }

    [Fact]
    public void LeastSquares_SettlesWhatEquationsSay_AndSaysWhenTheyDoNot()
    {
        var fit = new LeastSquares(2);
        fit.Add([1, 0], 3);
        fit.Add([0, 1], 5);
        fit.Add([1, 1], 8.3, 2);
        var found = fit.Solve()!;
        Assert.Equal((3.12, 5.12), (Math.Round(found[0], 9), Math.Round(found[1], 9)));
        var open = new LeastSquares(2);
        open.Add([1, 1], 3);
        Assert.Null(open.Solve());
        open.Ridge(1e-6);
        Assert.Equal(1.5, open.Solve()![0], 3);
    }

    private static List<Stroke> Find(PixelImage image)
    {
        var paper = PaperMap.Of(image);
        return Strokes.Of(image, paper, InkPlane.Of(image, paper));
    }

    private static PixelImage Blank(int width, int height, Func<int, int, byte> level)
    {
        var rgb = new byte[width * height * 3];
        for (var i = 0; i < width * height; i++)
            rgb.AsSpan(i * 3, 3).Fill(level(i % width, i / width));
        return new PixelImage(width, height, rgb);
    }

    private static void Draw(PixelImage image, int left, int top, int width, int height, (byte R, byte G, byte B) ink)
    {
        for (var y = top; y < top + height; y++)
        {
            for (var x = left; x < left + width; x++)
            {
                var at = ((y * image.Width) + x) * 3;
                (image.Rgb[at], image.Rgb[at + 1], image.Rgb[at + 2]) = ink;
            }
        }
    }
}
