namespace SideBench.Core.Nozzles;

/// <summary>
/// How much darker than the paper each pixel is, in the channel where it shows most (yellow shows in blue), 0 to 255; and from what value
/// on a tile's pixels count as ink.
/// </summary>
public sealed class InkPlane
{
    // A tile's ink begins where noise ends: so many spreads above its middle, and not below this share of its darkest.
    private const double NoiseSpreads = 4.5;
    private const double ShareOfPeak = 0.42;
    private const double PeakPercentile = 0.985;
    private const int LeastLevels = 5;

    private InkPlane(int width, int height, byte[] taken, byte[] limits, int across) =>
        (Width, Height, Taken, Limits, Across) = (width, height, taken, limits, across);

    /// <summary>Pixels across.</summary>
    public int Width { get; }

    /// <summary>Pixels down.</summary>
    public int Height { get; }

    /// <summary>Levels below the paper.</summary>
    public byte[] Taken { get; }

    /// <summary>From what level on a tile's pixels are ink.</summary>
    public byte[] Limits { get; }

    /// <summary>Tiles across.</summary>
    public int Across { get; }

    /// <summary>Works the plane out.</summary>
    public static InkPlane Of(PixelImage image, PaperMap paper)
    {
        var taken = new byte[image.Width * image.Height];
        Parallel.For(
            0,
            image.Height,
            y =>
            {
                Span<float> left = stackalloc float[3];
                Span<float> right = stackalloc float[3];
                const int Half = PaperMap.Tile / 2;
                // Along a row the paper is straight between the middles of two tiles.
                for (var from = -Half; from < image.Width; from += PaperMap.Tile)
                {
                    var (start, end) = (Math.Max(0, from), Math.Min(image.Width, from + PaperMap.Tile));
                    if (start >= end)
                        continue;
                    paper.At(start, y, left);
                    paper.At(end, y, right);
                    var step = 1f / (end - start);
                    var (r, g, b) = (left[0] + 0.5f, left[1] + 0.5f, left[2] + 0.5f);
                    var (dr, dg, db) = ((right[0] - left[0]) * step, (right[1] - left[1]) * step, (right[2] - left[2]) * step);
                    for (int x = start, at = ((y * image.Width) + start) * 3; x < end; x++, at += 3)
                    {
                        var most = Math.Max((int)r - image.Rgb[at], Math.Max((int)g - image.Rgb[at + 1], (int)b - image.Rgb[at + 2]));
                        taken[(y * image.Width) + x] = (byte)Math.Max(0, most);
                        r += dr;
                        g += dg;
                        b += db;
                    }
                }
            }
        );
        return new InkPlane(image.Width, image.Height, taken, LimitsOf(taken, image, paper), paper.Across);
    }

    /// <summary>From what level on a pixel is ink.</summary>
    public byte LimitAt(int x, int y)
    {
        var down = Limits.Length / Across;
        return Limits[(Math.Min(y / PaperMap.Tile, down - 1) * Across) + Math.Min(x / PaperMap.Tile, Across - 1)];
    }

    private static byte[] LimitsOf(byte[] taken, PixelImage image, PaperMap paper)
    {
        var limits = new byte[paper.Across * paper.Down];
        Parallel.For(
            0,
            paper.Down,
            ty =>
            {
                Span<int> counts = stackalloc int[256];
                for (var tx = 0; tx < paper.Across; tx++)
                {
                    counts.Clear();
                    var (right, bottom) = (
                        Math.Min(image.Width, (tx + 1) * PaperMap.Tile),
                        Math.Min(image.Height, (ty + 1) * PaperMap.Tile)
                    );
                    var seen = 0;
                    for (var y = ty * PaperMap.Tile; y < bottom; y++)
                    {
                        for (var x = tx * PaperMap.Tile; x < right; x++, seen++)
                            counts[taken[(y * image.Width) + x]]++;
                    }

                    var (low, middle, peak) = (At(counts, seen, 0.16), At(counts, seen, 0.5), At(counts, seen, PeakPercentile));
                    var noise = middle + (NoiseSpreads * Math.Max(1, middle - low));
                    limits[(ty * paper.Across) + tx] = (byte)Math.Clamp(Math.Max(noise, Math.Max(ShareOfPeak * peak, LeastLevels)), 0, 255);
                }
            }
        );
        return limits;
    }

    private static int At(ReadOnlySpan<int> counts, int seen, double share)
    {
        var (wanted, below) = (share * seen, 0);
        for (var level = 0; level < 256; level++)
        {
            below += counts[level];
            if (below >= wanted)
                return level;
        }

        return 255;
    }
}
