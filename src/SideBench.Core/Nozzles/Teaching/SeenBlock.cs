namespace SideBench.Core.Nozzles.Teaching;

/// <summary>A block on its plane, in pixels.</summary>
/// <param name="Cells">Stroke → column and row.</param>
/// <param name="Kind">Which shape.</param>
/// <param name="X">Middle of nozzle 0's dash.</param>
/// <param name="Y">Its centre line.</param>
/// <param name="Columns">How many columns.</param>
/// <param name="Nozzles">How many dashes.</param>
/// <param name="Pitch">Between columns.</param>
/// <param name="Row">Between rows.</param>
/// <param name="Stair">How much lower the next column stands.</param>
/// <param name="Length">Of a dash.</param>
internal sealed record SeenBlock(
    IReadOnlyDictionary<int, (int Column, int Row)> Cells,
    int Kind,
    double X,
    double Y,
    int Columns,
    int Nozzles,
    double Pitch,
    double Row,
    double Stair,
    double Length
)
{
    private const int Rounds = 4;
    private const double FarOff = 0.12;

    /// <summary>How many rows, the last maybe short.</summary>
    public int Rows => (Nozzles + Columns - 1) / Columns;

    /// <summary>Across all its dashes.</summary>
    public double Width => ((Columns - 1) * Pitch) + Length;

    /// <summary>Down all its dashes.</summary>
    public double Height => ((Rows - 1) * Row) + Math.Abs((Columns - 1) * Stair);

    /// <summary>Where a nozzle's dash has its middle.</summary>
    public (double X, double Y) DashAt(int column, int row) => (X + (column * Pitch), Y + (row * Row) + (column * Stair));

    /// <summary>The same lattice with more columns and nozzles, so many of them added at the left and above.</summary>
    public SeenBlock Grown(int columns, int nozzles, int left, int up) =>
        this with
        {
            Columns = columns,
            Nozzles = nozzles,
            X = X - (left * Pitch),
            Y = Y - (up * Row) - (left * Stair),
            Cells = Cells.ToDictionary(c => c.Key, c => (c.Value.Column + left, c.Value.Row + up)),
        };

    /// <summary>Pitch, length and stair of a block against its rows.</summary>
    public static (double Pitch, double Length, double Stair) Proportions(DashBlock block, IReadOnlyList<Stroke> dashes)
    {
        var angle = block.Cells.Keys.Average(i => dashes[i].Angle);
        var (cos, sin) = (Math.Cos(angle), Math.Sin(angle));
        var along = new LeastSquares(3);
        var down = new LeastSquares(3);
        foreach (var (i, c) in block.Cells)
        {
            var d = dashes[i];
            along.Add([1, c.Column, c.Row], (d.X * cos) + (d.Y * sin));
            down.Add([1, c.Column, c.Row], (d.Y * cos) - (d.X * sin));
        }

        if (along.Solve() is not { } a || down.Solve() is not { } v)
            return (0, 0, 0);
        return (a[1] / v[2], DashColumns.Middle(block.Cells.Keys.Select(i => dashes[i].Length)) / v[2], v[1] / v[2]);
    }

    /// <summary>Every block on the plane: blocks of one shape share their pitches, so that all their dashes settle them.</summary>
    public static List<SeenBlock> Of(
        IReadOnlyList<DashBlock> blocks,
        IReadOnlyList<int> kinds,
        IReadOnlyList<Stroke> dashes,
        SeenPlane plane
    )
    {
        var seen = new SeenBlock[blocks.Count];
        foreach (var kind in kinds.Distinct())
        {
            var mine = Enumerable.Range(0, blocks.Count).Where(b => kinds[b] == kind).ToList();
            var points = mine.SelectMany(
                    (b, k) =>
                        blocks[b].Cells.Select(c => (Block: k, c.Value.Column, c.Value.Row, At: plane.At(dashes[c.Key].X, dashes[c.Key].Y)))
                )
                .ToList();
            var (x, y) = Fitted(points, mine.Count);
            var length = DashColumns.Middle(mine.SelectMany(b => blocks[b].Cells.Keys).Select(i => LengthOf(dashes[i], plane)));
            for (var k = 0; k < mine.Count; k++)
                seen[mine[k]] = new SeenBlock(
                    blocks[mine[k]].Cells,
                    kind,
                    x[k],
                    y[k],
                    blocks[mine[k]].Columns,
                    blocks[mine[k]].Nozzles,
                    x[mine.Count],
                    y[mine.Count + 1],
                    y[mine.Count],
                    length
                );
        }

        return [.. seen];
    }

    private static double LengthOf(Stroke d, SeenPlane plane)
    {
        var (cos, sin) = (Math.Cos(d.Angle) * d.Length / 2, Math.Sin(d.Angle) * d.Length / 2);
        var (a, b) = (plane.At(d.X - cos, d.Y - sin), plane.At(d.X + cos, d.Y + sin));
        return Math.Sqrt(((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y)));
    }

    // Place of each block, then pitch and (across) stair and row; dashes far off are left out round by round.
    private static (double[] X, double[] Y) Fitted(List<(int Block, int Column, int Row, (double X, double Y) At)> points, int blocks)
    {
        double[] x = [],
            y = [];
        var counts = points.Select(_ => true).ToArray();
        for (var round = 0; round < Rounds; round++)
        {
            var (along, down) = (new LeastSquares(blocks + 1), new LeastSquares(blocks + 2));
            for (var i = 0; i < points.Count; i++)
            {
                if (!counts[i])
                    continue;
                var p = points[i];
                var (h, v) = (new double[blocks + 1], new double[blocks + 2]);
                (h[p.Block], h[blocks]) = (1, p.Column);
                (v[p.Block], v[blocks], v[blocks + 1]) = (1, p.Column, p.Row);
                along.Add(h, p.At.X);
                down.Add(v, p.At.Y);
            }

            along.Ridge(1e-9);
            down.Ridge(1e-9);
            (x, y) = (along.Solve() ?? new double[blocks + 1], down.Solve() ?? new double[blocks + 2]);
            for (var i = 0; i < points.Count; i++)
            {
                var p = points[i];
                counts[i] =
                    Math.Abs(p.At.X - x[p.Block] - (p.Column * x[blocks])) < FarOff * x[blocks]
                    && Math.Abs(p.At.Y - y[p.Block] - (p.Column * y[blocks]) - (p.Row * y[blocks + 1])) < FarOff * y[blocks + 1];
            }
        }

        return (x, y);
    }
}
