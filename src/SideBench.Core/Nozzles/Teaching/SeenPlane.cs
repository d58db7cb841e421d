namespace SideBench.Core.Nozzles.Teaching;

/// <summary>
/// The plane on which the dashes of every block are evenly apart, found from the picture alone: of all tilts the one under which columns
/// and rows of blocks alike are most even. Turn and skew are then taken from the dashes and the columns.
/// </summary>
/// <param name="G">Tilt along.</param>
/// <param name="H">Tilt across.</param>
/// <param name="Ax">What the right makes along, then across.</param>
/// <param name="Ay">What the right makes across.</param>
/// <param name="Bx">What down makes along.</param>
/// <param name="By">What down makes across.</param>
/// <param name="MidX">Middle of the dashes, pixels.</param>
/// <param name="MidY">Middle of the dashes, pixels.</param>
internal sealed record SeenPlane(double G, double H, double Ax, double Ay, double Bx, double By, double MidX, double MidY)
{
    private const double FirstTilt = 0.08;
    private const double LastTilt = 1e-5;

    /// <summary>Where a pixel lies on the plane, still in pixels.</summary>
    public (double X, double Y) At(double px, double py)
    {
        var (u, v) = Flat(px, py, G, H);
        var area = (Ax * By) - (Ay * Bx);
        return (((u * By) - (v * Bx)) / area, ((Ax * v) - (Ay * u)) / area);
    }

    private (double U, double V) Flat(double px, double py, double g, double h)
    {
        var (x, y) = (px - MidX, py - MidY);
        var w = 1 + (g * x) + (h * y);
        return (x / w, y / w);
    }

    /// <summary>Finds it.</summary>
    /// <param name="dashes">All dashes.</param>
    /// <param name="blocks">Those that belong to blocks.</param>
    /// <param name="kindOf">Which blocks are of one shape.</param>
    public static SeenPlane Of(IReadOnlyList<Stroke> dashes, IReadOnlyList<DashBlock> blocks, IReadOnlyList<int> kindOf)
    {
        var all = blocks.SelectMany(b => b.Cells.Keys).ToList();
        var (mx, my) = (all.Average(i => dashes[i].X), all.Average(i => dashes[i].Y));
        var reach = all.Max(i => Math.Max(Math.Abs(dashes[i].X - mx), Math.Abs(dashes[i].Y - my)));
        var plane = new SeenPlane(0, 0, 1, 0, 0, 1, mx, my);
        var best = plane.Uneven(dashes, blocks, kindOf);
        for (var step = FirstTilt / reach; step > LastTilt / reach; step /= 2)
        {
            for (var better = true; better; )
            {
                better = false;
                foreach (var (dg, dh) in ((double, double)[])[(step, 0), (-step, 0), (0, step), (0, -step)])
                {
                    var tried = plane with { G = plane.G + dg, H = plane.H + dh };
                    if (Math.Abs(tried.G) + Math.Abs(tried.H) > 0.6 / reach)
                        continue;
                    var uneven = tried.Uneven(dashes, blocks, kindOf);
                    if (uneven < best)
                        (plane, best, better) = (tried, uneven, true);
                }
            }
        }

        return plane.Upright(dashes, blocks);
    }

    // The right is where the dashes point, down is where the columns go.
    private SeenPlane Upright(IReadOnlyList<Stroke> dashes, IReadOnlyList<DashBlock> blocks)
    {
        double rx = 0,
            ry = 0,
            dx = 0,
            dy = 0;
        foreach (var block in blocks)
        {
            foreach (var i in block.Cells.Keys)
            {
                var d = dashes[i];
                var (cos, sin) = (Math.Cos(d.Angle) * d.Length / 2, Math.Sin(d.Angle) * d.Length / 2);
                var (a, b) = (Flat(d.X - cos, d.Y - sin, G, H), Flat(d.X + cos, d.Y + sin, G, H));
                var way = b.U >= a.U ? 1 : -1;
                (rx, ry) = (rx + (way * (b.U - a.U)), ry + (way * (b.V - a.V)));
            }

            foreach (var column in block.Cells.GroupBy(c => c.Value.Column))
            {
                var (first, last) = (column.MinBy(c => c.Value.Row).Key, column.MaxBy(c => c.Value.Row).Key);
                var (a, b) = (Flat(dashes[first].X, dashes[first].Y, G, H), Flat(dashes[last].X, dashes[last].Y, G, H));
                (dx, dy) = (dx + b.U - a.U, dy + b.V - a.V);
            }
        }

        var (right, down) = (Math.Sqrt((rx * rx) + (ry * ry)), Math.Sqrt((dx * dx) + (dy * dy)));
        return this with { Ax = rx / right, Ay = ry / right, Bx = dx / down, By = dy / down };
    }

    // Mean of how far dashes are off an even lattice, in rows; lattices of one shape have the same pitches wherever they stand.
    private double Uneven(IReadOnlyList<Stroke> dashes, IReadOnlyList<DashBlock> blocks, IReadOnlyList<int> kindOf)
    {
        double sum = 0,
            row = 0;
        var count = 0;
        foreach (var kind in kindOf.Distinct())
        {
            var along = new LeastSquares(2);
            var across = new LeastSquares(2);
            var rows = new List<(double C, double R, double U, double V)>();
            for (var b = 0; b < blocks.Count; b++)
            {
                if (kindOf[b] != kind)
                    continue;
                var cells = blocks[b]
                    .Cells.Select(c =>
                    {
                        var (u, v) = Flat(dashes[c.Key].X, dashes[c.Key].Y, G, H);
                        return (C: (double)c.Value.Column, R: (double)c.Value.Row, U: u, V: v);
                    })
                    .ToList();
                var (mc, mr, mu, mv) = (cells.Average(c => c.C), cells.Average(c => c.R), cells.Average(c => c.U), cells.Average(c => c.V));
                rows.AddRange(cells.Select(c => (c.C - mc, c.R - mr, c.U - mu, c.V - mv)));
            }

            foreach (var (c, r, u, v) in rows)
            {
                along.Add([c, r], u);
                across.Add([c, r], v);
            }

            along.Ridge(1e-9);
            across.Ridge(1e-9);
            if (along.Solve() is not { } a || across.Solve() is not { } d)
                continue;
            row = Math.Max(1e-6, Math.Sqrt((a[1] * a[1]) + (d[1] * d[1])));
            foreach (var (c, r, u, v) in rows)
            {
                var (x, y) = ((u - (a[0] * c) - (a[1] * r)) / row, (v - (d[0] * c) - (d[1] * r)) / row);
                // Far off counts no more than a third of a row: it is a displaced dash.
                sum += Math.Min(0.1, (x * x) + (y * y));
            }

            count += rows.Count;
        }

        return sum / Math.Max(1, count);
    }
}
