namespace SideBench.Core.Nozzles;

/// <summary>What a picture is made of when no sheet was found in it.</summary>
/// <param name="PaperShare">Share of it that is bright and calm, as paper is.</param>
/// <param name="Dashes">Strokes on that which look like dashes.</param>
/// <param name="InkTiles">Tiles with clear ink.</param>
/// <param name="Sharpness">How steeply ink begins: share of its depth from one pixel to the next.</param>
internal sealed record GroundCheck(double PaperShare, int Dashes, int InkTiles, double Sharpness)
{
    private const double Bright = 0.45;
    private const int CalmLimit = 14;
    private const int ClearInk = 30;

    public static GroundCheck Of(PaperMap paper, InkPlane ink, IReadOnlyList<Stroke> strokes)
    {
        var tiles = paper.Across * paper.Down;
        var light = Enumerable.Range(0, tiles).Select(t => (double)paper.TileAt(t % paper.Across, t / paper.Across)[1]).ToArray();
        var bright = Bright * light.Order().ToArray()[(int)(0.95 * (tiles - 1))];
        var steep = new List<double>();
        var calm = new bool[tiles];
        for (var t = 0; t < tiles; t++)
        {
            var (peak, slope, middle) = Ink(ink, t % paper.Across, t / paper.Across);
            calm[t] = light[t] > bright && middle <= CalmLimit;
            if (light[t] > bright && peak >= ClearInk && middle <= CalmLimit)
                steep.Add(slope / (double)peak);
        }

        steep.Sort();
        var dashes = strokes.Count(s =>
            s.IsDash
            && calm[
                Math.Clamp((int)s.Y / PaperMap.Tile, 0, paper.Down - 1) * paper.Across
                    + Math.Clamp((int)s.X / PaperMap.Tile, 0, paper.Across - 1)
            ]
            && s.Length > 12
        );
        return new GroundCheck(calm.Count(c => c) / (double)tiles, dashes, steep.Count, steep.Count == 0 ? 0 : steep[steep.Count / 2]);
    }

    // The deepest ink of a tile, the steepest step in it, and its calm: the level under three quarters of it.
    private static (int Peak, int Slope, int Middle) Ink(InkPlane ink, int tx, int ty)
    {
        Span<int> counts = stackalloc int[256];
        var (peak, slope, seen) = (0, 0, 0);
        for (var y = ty * PaperMap.Tile; y < Math.Min(ink.Height - 1, (ty + 1) * PaperMap.Tile); y++)
        {
            for (var x = tx * PaperMap.Tile; x < Math.Min(ink.Width - 1, (tx + 1) * PaperMap.Tile); x++, seen++)
            {
                int here = ink.Taken[(y * ink.Width) + x],
                    below = ink.Taken[((y + 1) * ink.Width) + x],
                    right = ink.Taken[(y * ink.Width) + x + 1];
                peak = Math.Max(peak, here);
                slope = Math.Max(slope, Math.Max(Math.Abs(here - below), Math.Abs(here - right)));
                counts[here]++;
            }
        }

        var (below75, level) = (0, 0);
        while (level < 255 && below75 + counts[level] < 0.7 * seen)
            below75 += counts[level++];
        return (peak, slope, level);
    }
}
