namespace SideBench.Core.Nozzles;

/// <summary>Strokes by where they are, so that what lies near a point is found at once.</summary>
public sealed class StrokeGrid
{
    private readonly List<int>[] cells;
    private readonly double cell;
    private readonly int across,
        down;

    /// <summary>Sorts strokes into cells.</summary>
    /// <param name="strokes">What to sort.</param>
    /// <param name="cell">Side of a cell, pixels.</param>
    public StrokeGrid(IReadOnlyList<Stroke> strokes, double cell)
    {
        Strokes = strokes;
        this.cell = cell;
        across = 1 + (int)(strokes.Select(s => s.X).DefaultIfEmpty().Max() / cell);
        down = 1 + (int)(strokes.Select(s => s.Y).DefaultIfEmpty().Max() / cell);
        cells = new List<int>[across * down];
        for (var i = 0; i < strokes.Count; i++)
            (cells[((int)(strokes[i].Y / cell) * across) + (int)(strokes[i].X / cell)] ??= []).Add(i);
    }

    /// <summary>What was sorted.</summary>
    public IReadOnlyList<Stroke> Strokes { get; }

    /// <summary>The stroke nearest to a place, in steps along and down a lattice.</summary>
    /// <param name="x">Pixels from the left.</param>
    /// <param name="y">Pixels from the top.</param>
    /// <param name="lattice">What one step makes.</param>
    /// <param name="column">How many steps along it may be off.</param>
    /// <param name="row">How many steps down it may be off.</param>
    /// <returns>Its index, or −1.</returns>
    public int Nearest(double x, double y, Steps lattice, double column, double row)
    {
        var reach =
            (column * Math.Max(Math.Abs(lattice.Rx), Math.Abs(lattice.Ry))) + (row * Math.Max(Math.Abs(lattice.Dx), Math.Abs(lattice.Dy)));
        var (left, right) = (Math.Max(0, (int)((x - reach) / cell)), Math.Min(across - 1, (int)((x + reach) / cell)));
        var (top, bottom) = (Math.Max(0, (int)((y - reach) / cell)), Math.Min(down - 1, (int)((y + reach) / cell)));
        var (best, least) = (-1, double.MaxValue);
        for (var cy = top; cy <= bottom; cy++)
        {
            for (var cx = left; cx <= right; cx++)
            {
                if (cells[(cy * across) + cx] is not { } here)
                    continue;
                foreach (var i in here)
                {
                    var (along, by) = lattice.Of(Strokes[i].X - x, Strokes[i].Y - y);
                    if (Math.Abs(along) > column || Math.Abs(by) > row)
                        continue;
                    var off = (along * along / (column * column)) + (by * by / (row * row));
                    if (off < least)
                        (best, least) = (i, off);
                }
            }
        }

        return best;
    }
}

/// <summary>What one step along a row and one step down a column makes in the picture, pixels.</summary>
public readonly record struct Steps(double Rx, double Ry, double Dx, double Dy)
{
    /// <summary>Writes a distance in pixels as steps along and down.</summary>
    public (double Along, double Down) Of(double x, double y)
    {
        var area = (Rx * Dy) - (Ry * Dx);
        return (((x * Dy) - (y * Dx)) / area, ((Rx * y) - (Ry * x)) / area);
    }
}
