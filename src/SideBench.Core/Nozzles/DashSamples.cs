using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>
/// What the picture shows around every dash: its length cut into stretches, each a profile from above the dash to below it, as the share of
/// light taken from red, green and blue. A pen stroke or hair that crosses a dash spoils some stretches, not all.
/// </summary>
public sealed class DashSamples
{
    /// <summary>Stretches a dash is cut into.</summary>
    public const int Stretches = 9;

    private const double EndsLeftOut = 0.05;
    private const double MostReachMm = 1.0;
    private const double StepPx = 0.5;

    private DashSamples(int dashes, int reach, double stepMm)
    {
        (Reach, StepMm) = (reach, stepMm);
        Taken = new float[dashes * Stretches * Width * 3];
        Paper = new float[dashes * 3];
        Scale = new float[dashes];
    }

    /// <summary>Steps above and below the dash's place.</summary>
    public int Reach { get; }

    /// <summary>A step down, mm.</summary>
    public double StepMm { get; }

    /// <summary>Steps of a profile.</summary>
    public int Width => (2 * Reach) + 1;

    /// <summary>Share of light taken: dash, stretch, step, channel.</summary>
    public float[] Taken { get; }

    /// <summary>The bare paper beside each dash, 0 to 255: dash, channel.</summary>
    public float[] Paper { get; }

    /// <summary>Pixels to a millimetre at each dash.</summary>
    public float[] Scale { get; }

    /// <summary>Looks at every place.</summary>
    /// <param name="image">The picture.</param>
    /// <param name="map">Page to picture.</param>
    /// <param name="places">Every nozzle's place.</param>
    public static DashSamples Of(PixelImage image, PageMap map, IReadOnlyList<DashPlace> places)
    {
        var middle = places[places.Count / 2];
        var scale = map.ScaleAt(middle.MiddleX, middle.Y);
        var reachMm = Math.Min(MostReachMm, 0.52 * places.Min(place => place.Unit.Block.RowPitchMm));
        var stepMm = StepPx / scale;
        var samples = new DashSamples(places.Count, Math.Max(4, (int)Math.Ceiling(reachMm / stepMm)), stepMm);
        Parallel.For(0, places.Count, i => samples.Look(image, map, places[i], i));
        return samples;
    }

    /// <summary>One profile: a step's three channels follow each other.</summary>
    public ReadOnlySpan<float> Profile(int dash, int stretch) => Taken.AsSpan(((dash * Stretches) + stretch) * Width * 3, Width * 3);

    private void Look(PixelImage image, PageMap map, DashPlace place, int dash)
    {
        var (x0, y0) = map.At(place.MiddleX, place.Y);
        var s = map.StepsAt(place.MiddleX, place.Y);
        Scale[dash] = (float)Math.Sqrt(Math.Abs((s.Rx * s.Dy) - (s.Ry * s.Dx)));
        var length = place.Unit.Block.DashLengthMm * (1 - (2 * EndsLeftOut));
        var perStretch = Math.Max(2, (int)Math.Round(length / Stretches * Scale[dash]));
        var levels = Taken.AsSpan(dash * Stretches * Width * 3, Stretches * Width * 3);
        Span<float> pixel = stackalloc float[3];
        for (var stretch = 0; stretch < Stretches; stretch++)
        {
            for (var n = 0; n < perStretch; n++)
            {
                var along = ((((stretch * perStretch) + n + 0.5) / (Stretches * perStretch)) - 0.5) * length;
                for (var k = 0; k < Width; k++)
                {
                    var down = (k - Reach) * StepMm;
                    Bilinear(image, x0 + (along * s.Rx) + (down * s.Dx), y0 + (along * s.Ry) + (down * s.Dy), pixel);
                    for (var c = 0; c < 3; c++)
                        levels[(((stretch * Width) + k) * 3) + c] += pixel[c] / perStretch;
                }
            }
        }

        Span<float> beside = stackalloc float[Stretches * Width];
        for (var c = 0; c < 3; c++)
        {
            // The paper is what most of the surroundings of a dash are; the dash itself takes few steps.
            for (var i = 0; i < beside.Length; i++)
                beside[i] = levels[(i * 3) + c];
            beside.Sort();
            var paper = Math.Max(1, beside[(int)(beside.Length * 0.62)]);
            Paper[(dash * 3) + c] = paper;
            for (var i = 0; i < beside.Length; i++)
                levels[(i * 3) + c] = 1 - (levels[(i * 3) + c] / paper);
        }
    }

    private static void Bilinear(PixelImage image, double x, double y, Span<float> into)
    {
        x = Math.Clamp(x, 0, image.Width - 1.001);
        y = Math.Clamp(y, 0, image.Height - 1.001);
        var (ix, iy) = ((int)x, (int)y);
        var (fx, fy) = ((float)(x - ix), (float)(y - iy));
        var at = ((iy * image.Width) + ix) * 3;
        var below = iy + 1 < image.Height ? at + (image.Width * 3) : at;
        var right = ix + 1 < image.Width ? 3 : 0;
        for (var c = 0; c < 3; c++)
        {
            var top = image.Rgb[at + c] + ((image.Rgb[at + right + c] - image.Rgb[at + c]) * fx);
            var bottom = image.Rgb[below + c] + ((image.Rgb[below + right + c] - image.Rgb[below + c]) * fx);
            into[c] = top + ((bottom - top) * fy);
        }
    }
}

/// <summary>A nozzle's place on the page.</summary>
/// <param name="Unit">Its unit.</param>
/// <param name="UnitAt">The unit's place in the layout.</param>
/// <param name="Nozzle">Its number.</param>
/// <param name="MiddleX">Middle of its dash, mm.</param>
/// <param name="Y">Centre line of its dash, mm.</param>
public sealed record DashPlace(SheetUnit Unit, int UnitAt, int Nozzle, double MiddleX, double Y)
{
    /// <summary>Every nozzle of a layout, unit by unit.</summary>
    public static List<DashPlace> Of(SheetLayout layout) =>
        [
            .. layout.Units.SelectMany(
                (unit, at) =>
                    Enumerable
                        .Range(0, unit.Nozzles)
                        .Select(nozzle =>
                        {
                            var (x, y) = unit.DashAt(nozzle);
                            return new DashPlace(unit, at, nozzle, x + (unit.Block.DashLengthMm / 2), y);
                        })
            ),
        ];
}
