namespace SideBench.Core.Nozzles;

/// <summary>
/// The bare paper under a picture, tile by tile: ink covers little of a nozzle sheet, so the median of a tile is paper in whatever light
/// falls there. Between the middles of the tiles it is a straight mixture.
/// </summary>
public sealed class PaperMap
{
    /// <summary>Pixels along a tile's side.</summary>
    public const int Tile = 32;

    private readonly float[] paper;

    private PaperMap(int across, int down, float[] paper) => (Across, Down, this.paper) = (across, down, paper);

    /// <summary>Tiles across.</summary>
    public int Across { get; }

    /// <summary>Tiles down.</summary>
    public int Down { get; }

    /// <summary>Finds the paper of a picture.</summary>
    public static PaperMap Of(PixelImage image)
    {
        var across = Math.Max(1, image.Width / Tile);
        var down = Math.Max(1, image.Height / Tile);
        var paper = new float[across * down * 3];
        Parallel.For(
            0,
            down,
            ty =>
            {
                Span<int> counts = stackalloc int[256 * 3];
                for (var tx = 0; tx < across; tx++)
                {
                    counts.Clear();
                    var right = tx == across - 1 ? image.Width : (tx + 1) * Tile;
                    var bottom = ty == down - 1 ? image.Height : (ty + 1) * Tile;
                    var seen = 0;
                    for (var y = ty * Tile; y < bottom; y += 2)
                    {
                        for (int x = tx * Tile, at = ((y * image.Width) + (tx * Tile)) * 3; x < right; x++, at += 3, seen++)
                        {
                            counts[image.Rgb[at]]++;
                            counts[256 + image.Rgb[at + 1]]++;
                            counts[512 + image.Rgb[at + 2]]++;
                        }
                    }

                    for (var c = 0; c < 3; c++)
                        paper[(((ty * across) + tx) * 3) + c] = Middle(counts.Slice(c * 256, 256), seen);
                }
            }
        );
        return new PaperMap(across, down, paper);
    }

    /// <summary>The paper at one tile.</summary>
    public ReadOnlySpan<float> TileAt(int tx, int ty) => paper.AsSpan(((ty * Across) + tx) * 3, 3);

    /// <summary>The paper at a pixel.</summary>
    /// <param name="x">Pixels from the left.</param>
    /// <param name="y">Pixels from the top.</param>
    /// <param name="into">Red, green and blue, 0 to 255.</param>
    public void At(double x, double y, Span<float> into)
    {
        var (tx, fx) = Between(x, Across);
        var (ty, fy) = Between(y, Down);
        var (nx, ny) = (Math.Min(tx + 1, Across - 1), Math.Min(ty + 1, Down - 1));
        for (var c = 0; c < 3; c++)
        {
            var top = (paper[(((ty * Across) + tx) * 3) + c] * (1 - fx)) + (paper[(((ty * Across) + nx) * 3) + c] * fx);
            var bottom = (paper[(((ny * Across) + tx) * 3) + c] * (1 - fx)) + (paper[(((ny * Across) + nx) * 3) + c] * fx);
            into[c] = (top * (1 - fy)) + (bottom * fy);
        }
    }

    // The middle of a histogram, to a fraction of a level, so that the paper does not step.
    private static float Middle(ReadOnlySpan<int> counts, int seen)
    {
        var half = seen / 2.0;
        var below = 0;
        for (var level = 0; level < 256; level++)
        {
            if (below + counts[level] >= half)
                return (float)(level - 0.5 + ((half - below) / Math.Max(1, counts[level])));
            below += counts[level];
        }

        return 255;
    }

    private static (int Tile, float Share) Between(double at, int tiles)
    {
        var t = Math.Clamp((at - (Tile / 2.0) + 0.5) / Tile, 0, tiles - 1);
        var tile = Math.Min((int)t, Math.Max(0, tiles - 2));
        return (tile, (float)(t - tile));
    }
}
