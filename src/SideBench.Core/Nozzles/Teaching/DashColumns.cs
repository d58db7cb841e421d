namespace SideBench.Core.Nozzles.Teaching;

/// <summary>Dashes that stand below one another, each with its row.</summary>
/// <param name="Dashes">Stroke → row, counted from the topmost as 0.</param>
/// <param name="U">Along the dashes, pixels: middle of the column.</param>
/// <param name="Top">Down the column, pixels: of its row 0.</param>
/// <param name="Bottom">Of its last row, pixels across the dashes.</param>
/// <param name="RowPx">Between rows.</param>
/// <param name="LengthPx">Of its dashes.</param>
internal sealed record DashColumn(IReadOnlyDictionary<int, int> Dashes, double U, double Top, double Bottom, double RowPx, double LengthPx)
{
    /// <summary>From its first row to its last, pixels.</summary>
    public double Height => Bottom - Top;
}

/// <summary>Finds columns among strokes without knowing how far anything is apart: neighbours tell it themselves.</summary>
internal static class DashColumns
{
    private const double SameLength = 1.45;
    private const double SameInk = 0.86;
    private const double BelowWithin = 0.3;
    private const double RowSlack = 0.22;
    private const double LeastRowThick = 1.4;
    private const double MostRowLengths = 3;
    private const double NearLengths = 6;
    private const int LeastRows = 2;
    private const int MostGap = 3;

    /// <summary>Every column of at least two rows.</summary>
    /// <param name="dashes">Strokes alike in angle.</param>
    /// <param name="at">Each along and across the dashes' angle, pixels.</param>
    public static List<DashColumn> Of(IReadOnlyList<Stroke> dashes, IReadOnlyList<(double U, double V)> at)
    {
        var order = Enumerable.Range(0, dashes.Count).OrderBy(i => at[i].V).ToArray();
        var below = new int[dashes.Count];
        for (var k = 0; k < order.Length; k++)
            below[order[k]] = Below(k, order, dashes, at, MostRowLengths * dashes[order[k]].Length);
        var rows = Rows(dashes, at, below);
        var next = new (int Dash, int Rows)[dashes.Count];
        var taken = new bool[dashes.Count];
        foreach (var i in order)
        {
            next[i] = (-1, 0);
            if (below[i] is not (>= 0 and var j) || double.IsNaN(rows[i]))
                continue;
            var steps = (at[j].V - at[i].V) / rows[i];
            var whole = (int)Math.Round(steps);
            // Two dashes may be missing between others.
            if (whole is >= 1 and <= MostGap && Math.Abs(steps - whole) < RowSlack * whole && !taken[j])
                (next[i], taken[j]) = ((j, whole), true);
        }

        var columns = new List<DashColumn>();
        foreach (var first in order.Where(i => !taken[i]))
        {
            var cells = new Dictionary<int, int>();
            for (var (i, row) = (first, 0); i >= 0; (i, row) = (next[i].Dash, row + next[i].Rows))
                cells[i] = row;
            if (cells.Count < LeastRows)
                continue;
            var last = cells.MaxBy(c => c.Value);
            columns.Add(
                new DashColumn(
                    cells,
                    cells.Keys.Average(i => at[i].U),
                    at[first].V,
                    at[last.Key].V,
                    (at[last.Key].V - at[first].V) / last.Value,
                    Middle(cells.Keys.Select(i => dashes[i].Length))
                )
            );
        }

        return columns;
    }

    /// <summary>Whether two dashes could be of one block.</summary>
    public static bool AreAlike(Stroke a, Stroke b) =>
        a.Length < SameLength * b.Length && b.Length < SameLength * a.Length && a.Likeness((b.Red, b.Green, b.Blue)) > SameInk;

    /// <summary>The middle of some numbers.</summary>
    public static double Middle(IEnumerable<double> values)
    {
        var sorted = values.Order().ToArray();
        return sorted.Length == 0 ? double.NaN : sorted[sorted.Length / 2];
    }

    private static int Below(int k, int[] order, IReadOnlyList<Stroke> dashes, IReadOnlyList<(double U, double V)> at, double reach)
    {
        var i = order[k];
        for (var m = k + 1; m < order.Length && at[order[m]].V - at[i].V < reach; m++)
        {
            var j = order[m];
            if (
                at[j].V - at[i].V > LeastRowThick * dashes[i].Thickness
                && Math.Abs(at[j].U - at[i].U) < BelowWithin * dashes[i].Length
                && AreAlike(dashes[i], dashes[j])
            )
                return j;
        }

        return -1;
    }

    // How far rows are apart around each dash: the middle of what its surroundings say, since a missing dash doubles one of them.
    private static double[] Rows(IReadOnlyList<Stroke> dashes, IReadOnlyList<(double U, double V)> at, int[] below)
    {
        var rows = new double[dashes.Count];
        Parallel.For(
            0,
            dashes.Count,
            i =>
            {
                var near = NearLengths * dashes[i].Length;
                rows[i] = Middle(
                    Enumerable
                        .Range(0, dashes.Count)
                        .Where(j =>
                            below[j] >= 0
                            && Math.Abs(at[j].U - at[i].U) < near
                            && Math.Abs(at[j].V - at[i].V) < near
                            && AreAlike(dashes[i], dashes[j])
                        )
                        .Select(j => at[below[j]].V - at[j].V)
                );
            }
        );
        return rows;
    }
}
