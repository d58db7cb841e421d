namespace SideBench.Core.Nozzles.Teaching;

/// <summary>A block as seen: dashes with their column and row, both counted from 0.</summary>
/// <param name="Cells">Stroke → column and row.</param>
/// <param name="Columns">How many columns.</param>
/// <param name="Rows">How many rows, the last maybe short.</param>
internal sealed record DashBlock(IReadOnlyDictionary<int, (int Column, int Row)> Cells, int Columns, int Rows)
{
    /// <summary>Nozzles, by the last dash of the last row.</summary>
    public int Nozzles => ((Rows - 1) * Columns) + Cells.Values.Where(c => c.Row == Rows - 1).Max(c => c.Column) + 1;

    /// <summary>Share of its nozzles whose dash is there.</summary>
    public double Filled => Cells.Count / (double)Math.Max(1, Nozzles);
}

/// <summary>Puts columns side by side into blocks, and finds how rows go on from one column to the next.</summary>
internal static class DashBlocks
{
    private const double LeastPitch = 0.85;
    private const double MostPitch = 2.7;
    private const double SamePitch = 0.12;
    private const double SameRow = 0.1;
    private const int LeastCells = 6;
    private const double EdgeShare = 0.34;
    private const int MostShear = 2;

    /// <summary>Every block, the largest first.</summary>
    public static List<DashBlock> Of(IReadOnlyList<Stroke> dashes, IReadOnlyList<(double U, double V)> at, List<DashColumn> columns)
    {
        var pitch = Enumerable.Range(0, columns.Count).Select(i => PitchAt(i, columns, dashes)).ToList();
        var right = new int[columns.Count];
        var isRight = new bool[columns.Count];
        for (var i = 0; i < columns.Count; i++)
        {
            right[i] = -1;
            if (double.IsNaN(pitch[i]) || Right(i, columns, dashes) is not (>= 0 and var j) || isRight[j])
                continue;
            if (Math.Abs(columns[j].U - columns[i].U - pitch[i]) < SamePitch * pitch[i])
                (right[i], isRight[j]) = (j, true);
        }

        var blocks = new List<DashBlock>();
        for (var first = 0; first < columns.Count; first++)
        {
            if (isRight[first])
                continue;
            var row = new List<DashColumn>();
            for (var i = first; i >= 0; i = right[i])
                row.Add(columns[i]);
            if (Squared(row, at) is { } block)
                blocks.AddRange(Parted(block).Where(b => b.Cells.Count >= LeastCells));
        }

        return [.. blocks.OrderByDescending(b => b.Cells.Count)];
    }

    // Where a whole row is empty, one block ends and another begins.
    private static IEnumerable<DashBlock> Parted(DashBlock block)
    {
        var filled = block.Cells.Values.Select(c => c.Row).ToHashSet();
        var empty = Enumerable.Range(0, block.Rows).FirstOrDefault(r => !filled.Contains(r), -1);
        if (empty < 0 || block.Columns < 3)
            return [block];
        var above = block.Cells.Where(c => c.Value.Row < empty).ToDictionary(c => c.Key, c => c.Value);
        var below = block.Cells.Where(c => c.Value.Row > empty).ToDictionary(c => c.Key, c => c.Value);
        return new[] { Trimmed(above), Trimmed(below) }.OfType<DashBlock>().SelectMany(Parted);
    }

    // The nearest column to the right whose dashes are alike and stand at the same height.
    private static int Right(int i, List<DashColumn> columns, IReadOnlyList<Stroke> dashes)
    {
        var (best, least) = (-1, double.MaxValue);
        var a = columns[i];
        for (var j = 0; j < columns.Count; j++)
        {
            var (b, off) = (columns[j], columns[j].U - a.U);
            if (j == i || off < LeastPitch * a.LengthPx || off > MostPitch * a.LengthPx || off >= least)
                continue;
            var (overlap, shorter) = (Math.Min(a.Bottom, b.Bottom) - Math.Max(a.Top, b.Top), Math.Min(a.Height, b.Height));
            if (
                overlap > 0.4 * shorter
                && Math.Abs(b.RowPx - a.RowPx) < SameRow * a.RowPx
                && DashColumns.AreAlike(dashes[a.Dashes.First().Key], dashes[b.Dashes.First().Key])
            )
                (best, least) = (j, off);
        }

        return best;
    }

    private static double PitchAt(int i, List<DashColumn> columns, IReadOnlyList<Stroke> dashes) =>
        DashColumns.Middle(
            Enumerable
                .Range(0, columns.Count)
                .Where(j =>
                    DashColumns.AreAlike(dashes[columns[i].Dashes.First().Key], dashes[columns[j].Dashes.First().Key])
                    && Math.Abs(columns[j].U - columns[i].U) < 16 * columns[i].LengthPx
                    && columns[j].Top < columns[i].Bottom
                    && columns[i].Top < columns[j].Bottom
                )
                .Select(j => (At: j, Right: Right(j, columns, dashes)))
                .Where(j => j.Right >= 0)
                .Select(j => columns[j.Right].U - columns[j.At].U)
        );

    // Rows are counted on from column to column; by how many a stair may wrap, the fullest rectangle tells.
    private static DashBlock? Squared(List<DashColumn> row, IReadOnlyList<(double U, double V)> at)
    {
        var shifts = new int[row.Count];
        var step = Step(row, at);
        for (var c = 1; c < row.Count; c++)
            shifts[c] = shifts[c - 1] + RowShift(row[c - 1], row[c], at, step);
        DashBlock? best = null;
        for (var shear = -MostShear; shear <= MostShear; shear++)
        {
            var cells = new Dictionary<int, (int Column, int Row)>();
            for (var c = 0; c < row.Count; c++)
            {
                foreach (var (dash, r) in row[c].Dashes)
                    cells[dash] = (c, r + shifts[c] + (shear * c));
            }

            var block = Trimmed(cells);
            if (block is not null && (best is null || Worth(block) > Worth(best)))
                best = block;
        }

        return best;
    }

    // Full, and as many dashes as can be.
    private static double Worth(DashBlock block) => block.Cells.Count * block.Filled * block.Filled;

    // How much lower the next column's dashes stand, folded into half a row up or down.
    private static double Step(List<DashColumn> row, IReadOnlyList<(double U, double V)> at)
    {
        double sin = 0,
            cos = 0;
        for (var c = 1; c < row.Count; c++)
        {
            var pitch = (row[c].RowPx + row[c - 1].RowPx) / 2;
            foreach (var a in row[c - 1].Dashes.Keys)
            {
                var b = row[c].Dashes.Keys.MinBy(d => Math.Abs(at[d].V - at[a].V));
                var turn = Math.Tau * (at[b].V - at[a].V) / pitch;
                (sin, cos) = (sin + Math.Sin(turn), cos + Math.Cos(turn));
            }
        }

        return Math.Atan2(sin, cos) / Math.Tau;
    }

    private static int RowShift(DashColumn left, DashColumn right, IReadOnlyList<(double U, double V)> at, double step)
    {
        var votes = new Dictionary<int, int>();
        foreach (var (a, r) in left.Dashes)
        {
            var want = at[a].V + (step * left.RowPx);
            var b = right.Dashes.MinBy(d => Math.Abs(at[d.Key].V - want));
            if (Math.Abs(at[b.Key].V - want) < 0.3 * left.RowPx)
                votes[r - b.Value] = votes.GetValueOrDefault(r - b.Value) + 1;
        }

        return votes.Count == 0 ? 0 : votes.MaxBy(v => v.Value).Key;
    }

    // Edge columns and rows that hold next to nothing are marks or specks beside the block.
    private static DashBlock? Trimmed(Dictionary<int, (int Column, int Row)> cells)
    {
        while (cells.Count >= LeastCells)
        {
            var (left, right) = (cells.Values.Min(c => c.Column), cells.Values.Max(c => c.Column));
            var (top, bottom) = (cells.Values.Min(c => c.Row), cells.Values.Max(c => c.Row));
            var (columns, rows) = (right - left + 1, bottom - top + 1);
            var thin = EdgeShare * rows;
            if (columns > 2 && cells.Values.Count(c => c.Column == left) < thin)
                Drop(c => c.Column == left);
            else if (columns > 2 && cells.Values.Count(c => c.Column == right) < thin)
                Drop(c => c.Column == right);
            else if (rows > 2 && cells.Values.Count(c => c.Row == top) < EdgeShare * columns)
                Drop(c => c.Row == top);
            else if (rows > 2 && IsStray(cells, left, bottom, columns))
                Drop(c => c.Row == bottom);
            else
                return new DashBlock(cells.ToDictionary(c => c.Key, c => (c.Value.Column - left, c.Value.Row - top)), columns, rows);
        }

        return null;

        void Drop(Func<(int Column, int Row), bool> goes)
        {
            foreach (var key in cells.Where(c => goes(c.Value)).Select(c => c.Key).ToList())
                cells.Remove(key);
        }
    }

    // A short last row begins at the left and has no gap; what does not is no row.
    private static bool IsStray(Dictionary<int, (int Column, int Row)> cells, int left, int bottom, int columns)
    {
        var last = cells.Values.Where(c => c.Row == bottom).Select(c => c.Column - left).ToList();
        return last.Count < EdgeShare * columns && last.Count < 0.75 * (last.Max() + 1);
    }
}
