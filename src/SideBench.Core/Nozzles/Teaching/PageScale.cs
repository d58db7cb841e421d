using System.Globalization;

namespace SideBench.Core.Nozzles.Teaching;

/// <summary>What a millimetre of the page is on the plane, and where the page lies on it.</summary>
/// <param name="PxPerMm">Pixels of the plane to a millimetre.</param>
/// <param name="Left">The page's left edge on the plane, pixels.</param>
/// <param name="Top">Its top edge.</param>
/// <param name="Width">The page's width, mm.</param>
/// <param name="Height">Its height, mm.</param>
internal sealed record PageScale(double PxPerMm, double Left, double Top, double Width, double Height)
{
    private const double SpareMm = 4;

    // Of a page whose edges are not seen the blocks take about so much.
    private const double PatternShare = 0.87;
    private const double SameProportion = 0.08;
    private const double TableDarker = 0.14;
    private const double LeastPaperTiles = 0.05;

    /// <summary>From the left edge of the page, mm.</summary>
    public double X(double plane) => (plane - Left) / PxPerMm;

    /// <summary>From the top edge of the page, mm.</summary>
    public double Y(double plane) => (plane - Top) / PxPerMm;

    /// <summary>The same scale with no more page than the blocks need.</summary>
    public PageScale Tight(IReadOnlyList<SeenBlock> blocks)
    {
        var (left, top, right, bottom) = Hull(blocks);
        var spare = SpareMm * PxPerMm;
        return this with
        {
            Left = left - spare,
            Top = top - spare,
            Width = Math.Round((right - left + (2 * spare)) / PxPerMm, 1),
            Height = Math.Round((bottom - top + (2 * spare)) / PxPerMm, 1),
        };
    }

    /// <summary>Finds it: by what is said, by the picture's resolution, by the paper's proportions, or by its dashes.</summary>
    public static PageScale Of(
        PaperMap paper,
        SeenPlane plane,
        IReadOnlyList<SeenBlock> blocks,
        double? pxPerMm,
        (double Width, double Height)? page,
        double thickPx,
        TeachNumbers numbers,
        List<string> asks
    )
    {
        var (left, top, right, bottom) = Hull(blocks);
        var edges = Edges(paper, plane);
        var (l, t, r, b) = edges is { } e
            ? (Math.Min(e.Left, left), Math.Min(e.Top, top), Math.Max(e.Right, right), Math.Max(e.Bottom, bottom))
            : (left, top, right, bottom);
        if (pxPerMm is { } known)
            return Around(known);
        if (page is { } said)
            return new PageScale(
                edges is null ? (right - left) / (said.Width * PatternShare) : (r - l) / said.Width,
                l,
                t,
                said.Width,
                said.Height
            );
        if (
            edges is not null
            && numbers.Papers.Where(IsLike).MinBy(p => Math.Abs(Math.Log(thickPx / ScaleOf(p) / numbers.UsualThicknessMm))) is { } sheet
        )
        {
            var (w, h) = r - l > b - t ? (sheet.Height, sheet.Width) : (sheet.Width, sheet.Height);
            asks.Add(Line($"How large is the page? Taken by its proportions and its dashes: {w:0} × {h:0} mm."));
            return new PageScale((r - l) / w, l, t, w, h);
        }

        asks.Add(Line($"How large is the page? Nothing tells; dashes are taken to be {numbers.UsualThicknessMm:0.00} mm thick."));
        return Around(thickPx / numbers.UsualThicknessMm);

        bool IsLike(UsualPaper p) =>
            Math.Abs(Math.Log(Math.Max(r - l, b - t) / Math.Min(r - l, b - t) * p.Width / p.Height)) < SameProportion;
        double ScaleOf(UsualPaper p) => Math.Max(r - l, b - t) / p.Height;
        PageScale Around(double scale)
        {
            var spare = SpareMm * scale;
            (l, t, r, b) = (Math.Min(l, left - spare), Math.Min(t, top - spare), Math.Max(r, right + spare), Math.Max(b, bottom + spare));
            return new PageScale(scale, l, t, Math.Round((r - l) / scale, 1), Math.Round((b - t) / scale, 1));
        }
    }

    private static (double Left, double Top, double Right, double Bottom) Hull(IReadOnlyList<SeenBlock> blocks) =>
        (
            blocks.Min(b => b.X - (b.Length / 2)),
            blocks.Min(b => b.Y - (b.Row / 2) - Math.Max(0, -b.Stair * (b.Columns - 1))),
            blocks.Max(b => b.X - (b.Length / 2) + b.Width),
            blocks.Max(b => b.Y + b.Height + (b.Row / 2))
        );

    private static string Line(FormattableString line) => line.ToString(CultureInfo.InvariantCulture);

    // What of the picture is paper, as a box on the plane; where it ends beside something darker, and only if it ends.
    private static (double Left, double Top, double Right, double Bottom)? Edges(PaperMap paper, SeenPlane plane)
    {
        var light = new double[paper.Across * paper.Down];
        for (var ty = 0; ty < paper.Down; ty++)
        {
            for (var tx = 0; tx < paper.Across; tx++)
                light[(ty * paper.Across) + tx] = paper.TileAt(tx, ty)[0] + paper.TileAt(tx, ty)[1] + paper.TileAt(tx, ty)[2];
        }

        var paperFrom = Parted(light);
        var corners = new List<(double X, double Y)>();
        for (var ty = 0; ty < paper.Down; ty++)
        {
            for (var tx = 0; tx < paper.Across; tx++)
            {
                if (light[(ty * paper.Across) + tx] < paperFrom)
                    continue;
                corners.Add(plane.At((tx + 0.5) * PaperMap.Tile, (ty + 0.5) * PaperMap.Tile));
            }
        }

        if (corners.Count < LeastPaperTiles * light.Length)
            return null;
        var (xs, ys) = (corners.Select(c => c.X).Order().ToArray(), corners.Select(c => c.Y).Order().ToArray());
        var (few, half) = (corners.Count / 100, PaperMap.Tile / 2.0);
        return (xs[few] - half, ys[few] - half, xs[^(1 + few)] + half, ys[^(1 + few)] + half);
    }

    // The lightness that best parts light tiles from dark ones (the two groups are as even in themselves as can be); 0 where they are one.
    private static double Parted(double[] light)
    {
        var sorted = light.Order().ToArray();
        var sums = new double[sorted.Length + 1];
        for (var i = 0; i < sorted.Length; i++)
            sums[i + 1] = sums[i] + sorted[i];
        var (best, at) = (0.0, 0);
        for (var i = 1; i < sorted.Length; i++)
        {
            var (dark, bright) = (sums[i] / i, (sums[^1] - sums[i]) / (sorted.Length - i));
            var between = (double)i * (sorted.Length - i) * (bright - dark) * (bright - dark);
            if (between > best)
                (best, at) = (between, i);
        }

        if (at == 0)
            return 0;
        var (low, high) = (sums[at] / at, (sums[^1] - sums[at]) / (sorted.Length - at));
        return high - low < TableDarker * high ? 0 : (low + high) / 2;
    }
}
