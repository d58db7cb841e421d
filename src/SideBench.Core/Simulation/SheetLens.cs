using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>How a simulated flatbed or phone sees a printed page.</summary>
/// <param name="Width">Pixels across.</param>
/// <param name="Height">Pixels down.</param>
/// <param name="PageToImage">Where the page lies.</param>
/// <param name="SoftPx">Spread of the blur, pixels.</param>
/// <param name="MotionPx">How far the hand moved, pixels.</param>
/// <param name="Noise">Spread of the noise, levels.</param>
/// <param name="Light">How much light falls off across the picture, 0 to 1.</param>
/// <param name="Shadow">How dark a hand's shadow is, 0 to 1.</param>
/// <param name="White">What white paper comes out as, 0 to 1 for red, green and blue.</param>
/// <param name="CurlMm">How far the paper bulges.</param>
/// <param name="Table">What lies around the page, 0 to 255 for red, green and blue.</param>
/// <param name="Grain">Spread of the table's grain, levels.</param>
/// <param name="Specks">Specks of dust.</param>
/// <param name="Pen">Whether somebody ticked it with a pen.</param>
/// <param name="Cover">A part of the page that something lies on: left, top, width, height in mm; null for none.</param>
/// <param name="CoverColor">What lies there.</param>
public sealed record SheetLens(
    int Width,
    int Height,
    Homography PageToImage,
    double SoftPx,
    double MotionPx,
    double Noise,
    double Light,
    double Shadow,
    (double R, double G, double B) White,
    double CurlMm,
    Rgb Table,
    double Grain,
    int Specks,
    bool Pen,
    (double X, double Y, double Width, double Height)? Cover = null,
    Rgb CoverColor = default
)
{
    private const double TableGrainPx = 3;

    /// <summary>Takes the picture.</summary>
    /// <param name="page">The page, seen straight on.</param>
    /// <param name="pxPerMm">Pixels to a millimetre of that page.</param>
    /// <param name="seed">Where its specks, grain and noise come from.</param>
    public PixelImage Take(PixelImage page, double pxPerMm, int seed)
    {
        var chance = new Random(seed);
        if (Pen)
            Tick(page, pxPerMm, chance);
        var back = PageToImage.Back();
        var seen = new float[Width * Height * 3];
        var (shadowX, shadowY) = (Width * (0.4 + (0.6 * chance.NextDouble())), Height * (0.4 + (0.6 * chance.NextDouble())));
        var shadowR = Math.Max(Width, Height) * 0.3;
        var slope = chance.NextDouble() * Math.Tau;
        Parallel.For(
            0,
            Height,
            y =>
            {
                var grain = new Random(seed + y);
                for (var x = 0; x < Width; x++)
                {
                    var (px, py) = back.At(x, y);
                    py += CurlMm * Math.Sin(px / 60);
                    var at = ((y * Width) + x) * 3;
                    var light =
                        1
                        - (
                            Light
                            * (
                                0.5
                                + (
                                    0.5
                                    * (((x - (Width / 2.0)) * Math.Cos(slope)) + ((y - (Height / 2.0)) * Math.Sin(slope)))
                                    / Math.Max(Width, Height)
                                )
                            )
                        );
                    var far = Math.Sqrt(((x - shadowX) * (x - shadowX)) + ((y - shadowY) * (y - shadowY)));
                    light *= 1 - (Shadow * Math.Clamp((shadowR - far) / (0.12 * shadowR), 0, 1));
                    See(page, pxPerMm, px, py, light, seen.AsSpan(at, 3), grain);
                }
            }
        );
        Blur(seen, Width, Height, SoftPx, MotionPx);
        for (var speck = 0; speck < Specks; speck++)
        {
            var (sx, sy, size) = (chance.Next(Width - 3), chance.Next(Height - 3), chance.Next(1, 4));
            for (var y = sy; y < sy + size; y++)
            {
                for (var x = sx; x < sx + size; x++)
                    seen.AsSpan(((y * Width) + x) * 3, 3).Fill(70);
            }
        }

        var rgb = new byte[seen.Length];
        for (var i = 0; i < rgb.Length; i++)
            rgb[i] = (byte)Math.Clamp(seen[i] + (Noise * SheetPress.Bell(chance)), 0, 255);
        return new PixelImage(Width, Height, rgb);
    }

    private static void Tick(PixelImage page, double scale, Random chance)
    {
        var (x, y) = ((0.1 + (0.8 * chance.NextDouble())) * page.Width, (0.1 + (0.5 * chance.NextDouble())) * page.Height);
        var thick = Math.Max(1, (int)(0.4 * scale));
        for (var t = 0.0; t < 12 * scale; t += 0.5)
        {
            var (px, py) = t < 4 * scale ? (x + t, y + t) : (x + t, y + (8 * scale) - t);
            for (var dy = 0; dy < thick; dy++)
            {
                for (var dx = 0; dx < thick; dx++)
                {
                    var (ix, iy) = ((int)px + dx, (int)py + dy);
                    if (ix < 0 || iy < 0 || ix >= page.Width || iy >= page.Height)
                        continue;
                    var at = ((iy * page.Width) + ix) * 3;
                    (page.Rgb[at], page.Rgb[at + 1], page.Rgb[at + 2]) = (200, 40, 50);
                }
            }
        }
    }

    // A blur as two passes of boxes each way, and one box more along the way the hand moved.
    private static void Blur(float[] seen, int width, int height, double soft, double motion)
    {
        var radius = Math.Max(0, soft * 1.2);
        for (var pass = 0; pass < 2; pass++)
        {
            Box(seen, width, height, radius, across: true);
            Box(seen, width, height, radius, across: false);
        }

        Box(seen, width, height, motion / 2, across: true);
    }

    private static void Box(float[] seen, int width, int height, double radius, bool across)
    {
        if (radius < 0.05)
            return;
        var (lines, length, line, step) = across ? (height, width, width * 3, 3) : (width, height, 3, width * 3);
        var whole = (int)radius;
        var rest = (float)(radius - whole);
        var sum = 1 + (2 * radius);
        Parallel.For(
            0,
            lines,
            l =>
            {
                var row = new float[length];
                for (var c = 0; c < 3; c++)
                {
                    var from = (l * line) + c;
                    for (var i = 0; i < length; i++)
                        row[i] = seen[from + (i * step)];
                    for (var i = 0; i < length; i++)
                    {
                        var total = row[i];
                        for (var k = 1; k <= whole; k++)
                            total += row[Math.Max(0, i - k)] + row[Math.Min(length - 1, i + k)];
                        total += rest * (row[Math.Max(0, i - whole - 1)] + row[Math.Min(length - 1, i + whole + 1)]);
                        seen[from + (i * step)] = (float)(total / sum);
                    }
                }
            }
        );
    }

    private void See(PixelImage page, double scale, double px, double py, double light, Span<float> into, Random grain)
    {
        var (x, y) = ((px * scale) - 0.5, (py * scale) - 0.5);
        if (Cover is { } cover && px >= cover.X && py >= cover.Y && px <= cover.X + cover.Width && py <= cover.Y + cover.Height)
        {
            Span<float> on = [CoverColor.R, CoverColor.G, CoverColor.B];
            for (var c = 0; c < 3; c++)
                into[c] = (float)(on[c] * light);
        }
        else if (x < 0 || y < 0 || x >= page.Width - 1 || y >= page.Height - 1)
        {
            var stripe = Grain * (SheetPress.Bell(grain) + Math.Sin(py * TableGrainPx));
            Span<float> table = [Table.R, Table.G, Table.B];
            for (var c = 0; c < 3; c++)
                into[c] = (float)((table[c] + stripe) * light);
        }
        else
        {
            Span<double> white = [White.R, White.G, White.B];
            var (ix, iy) = ((int)x, (int)y);
            var (fx, fy) = (x - ix, y - iy);
            var at = ((iy * page.Width) + ix) * 3;
            var below = at + (page.Width * 3);
            for (var c = 0; c < 3; c++)
            {
                var top = (page.Rgb[at + c] * (1 - fx)) + (page.Rgb[at + 3 + c] * fx);
                var bottom = (page.Rgb[below + c] * (1 - fx)) + (page.Rgb[below + 3 + c] * fx);
                into[c] = (float)(((top * (1 - fy)) + (bottom * fy)) * light * white[c]);
            }
        }
    }
}
