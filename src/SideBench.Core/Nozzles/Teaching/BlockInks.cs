using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles.Teaching;

/// <summary>A block's ink as it looks.</summary>
/// <param name="Id">Short name.</param>
/// <param name="Ink">In plain words.</param>
/// <param name="Color">A solid dash on white.</param>
/// <param name="IsFaint">Little contrast on white.</param>
/// <param name="ThickPx">How thick its dashes are, pixels of the picture.</param>
internal sealed record BlockInk(string Id, string Ink, Rgb Color, bool IsFaint, double ThickPx);

/// <summary>Reads colour and thickness of dashes from their profiles, and proposes names for inks.</summary>
internal static class BlockInks
{
    private const int Most = 60;
    private const int Reach = 12;
    private const double StepPx = 0.25;

    // Colours so near to each other (squares of levels) are told apart by which ink is commoner: the list's order.
    private const double AsGood = 2500;
    private const double ThickestRow = 0.49;

    /// <summary>Of every block, in order.</summary>
    public static List<BlockInk> Of(
        PixelImage image,
        IReadOnlyList<Stroke> dashes,
        IReadOnlyList<SeenBlock> blocks,
        IReadOnlyList<string> names,
        TeachNumbers numbers
    )
    {
        var profiles = blocks.Select(b => Profile.Of(image, [.. b.Cells.Keys.Select(i => dashes[i])])).ToList();
        // A dash is as thick as the light it takes in all, over what a solid one of the darkest ink takes: softness changes neither.
        var thick = profiles.Max(p => p.MostTaken) / numbers.DarkestTakes;
        // Softness only widens: no dash is thicker than a solid one as dark as its own middle would be.
        var most = profiles.MaxBy(p => p.MostTaken)!.WidestPx;
        var colors = profiles.Select(p => p.Solid(thick)).ToList();
        var proposed = Named(colors, numbers);
        return
        [
            .. blocks.Select(
                (_, i) =>
                {
                    var id = names.Count > 0 ? names[i] : proposed[i].Id;
                    var known = numbers.Inks.FirstOrDefault(k => k.Id == id);
                    var c = colors[i];
                    var lightness = ((0.3 * c.R) + (0.59 * c.G) + (0.11 * c.B)) / 255;
                    var ink = known?.Ink ?? (names.Count > 0 ? id : proposed[i].Ink);
                    return new BlockInk(
                        id,
                        ink,
                        c,
                        lightness > numbers.FaintFrom,
                        Math.Min(Math.Min(thick / numbers.InkInDash, most), ThickestRow * blocks.Min(b => b.Row))
                    );
                }
            ),
        ];
    }

    // The best pairs of colour and name first; no name twice, and what is over is numbered.
    private static List<UsualInk> Named(List<Rgb> colors, TeachNumbers numbers)
    {
        var named = new UsualInk?[colors.Count];
        var pairs =
            from at in Enumerable.Range(0, colors.Count)
            from ink in numbers.Inks
            orderby Math.Floor(Far(colors[at], ink.Color) / AsGood), numbers.Inks.ToList().IndexOf(ink)
            select (at, ink);
        var used = new HashSet<string>();
        foreach (var (at, ink) in pairs)
        {
            if (named[at] is null && used.Add(ink.Id))
                named[at] = ink;
        }

        return
        [
            .. named.Select((ink, at) => ink ?? new UsualInk($"INK{at + 1}", $"ink {at + 1}", colors[at].R, colors[at].G, colors[at].B)),
        ];
    }

    private static double Far(Rgb a, Rgb b) => ((a.R - b.R) * (a.R - b.R)) + ((a.G - b.G) * (a.G - b.G)) + ((a.B - b.B) * (a.B - b.B));

    // Mean profile across dashes: share of light taken from each channel.
    private sealed record Profile(double[] Across)
    {
        // What the channel takes that is taken most, summed across.
        public double MostTaken => Enumerable.Range(0, 3).Max(Sum);

        // In the channel that is taken most: all of it, at the height of its middle.
        public double WidestPx
        {
            get
            {
                var channel = Enumerable.Range(0, 3).MaxBy(Sum);
                var highest = Enumerable.Range(0, Across.Length / 3).Max(k => Across[(k * 3) + channel]);
                return highest > 0 ? Sum(channel) / highest : 0;
            }
        }

        private double Sum(int channel) => Enumerable.Range(0, Across.Length / 3).Sum(k => Across[(k * 3) + channel]) * StepPx;

        // All the light a dash takes, gathered into its thickness.
        public Rgb Solid(double thickPx)
        {
            Span<byte> c = stackalloc byte[3];
            for (var channel = 0; channel < 3; channel++)
                c[channel] = (byte)Math.Clamp(Math.Round(255 * (1 - (Sum(channel) / thickPx))), 8, 252);

            return new Rgb(c[0], c[1], c[2]);
        }

        public static Profile Of(PixelImage image, List<Stroke> dashes)
        {
            var steps = (int)(Reach / StepPx / 2);
            var across = new double[((2 * steps) + 1) * 3];
            var every = Math.Max(1, dashes.Count / Most);
            var used = 0;
            for (var i = 0; i < dashes.Count; i += every, used++)
            {
                var d = dashes[i];
                var (cos, sin) = (Math.Cos(d.Angle), Math.Sin(d.Angle));
                var reach = Math.Min(steps, (int)(3.2 * d.Thickness / StepPx));
                var white = Beside(image, d, cos, sin);
                for (var k = -reach; k <= reach; k++)
                {
                    for (var along = -0.35; along <= 0.36; along += 0.1)
                    {
                        var (x, y) = (
                            d.X + (along * d.Length * cos) - (k * StepPx * sin),
                            d.Y + (along * d.Length * sin) + (k * StepPx * cos)
                        );
                        for (var c = 0; c < 3; c++)
                            across[((k + steps) * 3) + c] += (1 - (Level(image, x, y, c) / white[c])) / 8;
                    }
                }
            }

            for (var k = 0; k < across.Length; k++)
                across[k] = Math.Max(0, across[k] / used);
            return new Profile(across);
        }

        // The lightest of what stands around a dash, in each channel.
        private static double[] Beside(PixelImage image, Stroke d, double cos, double sin)
        {
            var white = new double[3];
            for (var c = 0; c < 3; c++)
            {
                var levels = new List<double>();
                for (var along = -0.4; along <= 0.41; along += 0.2)
                {
                    foreach (var off in (double[])[-1, 1])
                    {
                        for (var far = 2.0; far < 3.3; far += 0.4)
                            levels.Add(
                                Level(
                                    image,
                                    d.X + (along * d.Length * cos) - (off * far * d.Thickness * sin),
                                    d.Y + (along * d.Length * sin) + (off * far * d.Thickness * cos),
                                    c
                                )
                            );
                    }
                }

                levels.Sort();
                white[c] = Math.Max(1, levels[(int)(0.7 * levels.Count)]);
            }

            return white;
        }

        private static double Level(PixelImage image, double x, double y, int c)
        {
            x = Math.Clamp(x, 0, image.Width - 1.001);
            y = Math.Clamp(y, 0, image.Height - 1.001);
            var (ix, iy) = ((int)x, (int)y);
            var (fx, fy) = (x - ix, y - iy);
            double At(int px, int py) =>
                image.Rgb[(((Math.Min(py, image.Height - 1) * image.Width) + Math.Min(px, image.Width - 1)) * 3) + c];
            return (At(ix, iy) * (1 - fx) * (1 - fy))
                + (At(ix + 1, iy) * fx * (1 - fy))
                + (At(ix, iy + 1) * (1 - fx) * fy)
                + (At(ix + 1, iy + 1) * fx * fy);
        }
    }
}
