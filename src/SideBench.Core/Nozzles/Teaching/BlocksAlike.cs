namespace SideBench.Core.Nozzles.Teaching;

/// <summary>What blocks of one shape tell about each other: one that shows less than its like has lost dashes at an edge.</summary>
internal static class BlocksAlike
{
    private const double FullRows = 0.96;
    private const double MuchShorter = 0.8;
    private const double OnLattice = 0.2;

    /// <summary>The blocks, each as large as its like; what was done is said as a doubt.</summary>
    public static List<SeenBlock> Completed(IReadOnlyList<SeenBlock> seen, List<string> doubts)
    {
        var whole = new List<SeenBlock>();
        foreach (var kind in seen.GroupBy(b => b.Kind))
        {
            var sizes = kind.GroupBy(b => (b.Columns, b.Nozzles)).OrderByDescending(g => g.Count()).ThenByDescending(g => g.Key.Nozzles);
            var usual = sizes.First();
            foreach (var b in kind)
            {
                var isLess = b.Nozzles < usual.Key.Nozzles && b.Columns <= usual.Key.Columns && b.Rows <= RowsOf(usual.Key);
                if (!isLess || usual.Count() < 2)
                {
                    whole.Add(b);
                    continue;
                }

                doubts.Add($"A block shows {b.Nozzles} dashes where its like show {usual.Key.Nozzles}.");
                var lined = LinedUp(b, usual.Key.Columns, usual.Key.Nozzles, [.. seen.Where(o => o != b)]);
                // Whole rows and much fewer of them, and nothing else on its lattice: a smaller channel.
                var isSmaller =
                    b.Columns == usual.Key.Columns
                    && b.Nozzles < MuchShorter * usual.Key.Nozzles
                    && b.Cells.Count > FullRows * b.Nozzles
                    && !kind.Any(o => o != b && o.Nozzles < usual.Key.Nozzles && IsPiece(lined, o));
                var grown = isSmaller ? b : lined;
                var same = whole.FindIndex(o => Math.Abs(o.X - grown.X) < o.Pitch / 2 && Math.Abs(o.Y - grown.Y) < o.Row / 2);
                if (same < 0)
                    whole.Add(grown);
                else
                    whole[same] = whole[same] with { Cells = whole[same].Cells.Concat(grown.Cells).ToDictionary(c => c.Key, c => c.Value) };
            }
        }

        // Of two that would lie on one another the one with more dashes is there; the other was pieces of it.
        var kept = new List<SeenBlock>();
        foreach (var b in whole.OrderByDescending(b => b.Cells.Count))
            if (kept.All(k => !IsOn(b, k)))
                kept.Add(b);
        return [.. whole.Where(kept.Contains)];
    }

    private static bool IsOn(SeenBlock a, SeenBlock b) =>
        a.X < b.X + b.Width - b.Length && b.X < a.X + a.Width - a.Length && a.Y < b.Y + b.Height && b.Y < a.Y + a.Height;

    private static int RowsOf((int Columns, int Nozzles) size) => (size.Nozzles + size.Columns - 1) / size.Columns;

    // Where it stands among the others: its edges line up with theirs.
    private static SeenBlock LinedUp(SeenBlock b, int columns, int nozzles, List<SeenBlock> others)
    {
        var like = others.Where(o => o.Columns == columns && o.Nozzles == nozzles).ToList();
        var moves =
            from left in Enumerable.Range(0, columns - b.Columns + 1)
            from up in Enumerable.Range(0, Math.Max(0, RowsOf((columns, nozzles)) - b.Rows) + 1)
            select b.Grown(columns, nozzles, left, up);
        return moves
            .OrderByDescending(m => others.Count(o => !like.Contains(o) && IsPiece(m, o)))
            .ThenBy(m => like.Min(o => Math.Abs(o.X - m.X)) + like.Min(o => Math.Abs(o.Y - m.Y)))
            .First();
    }

    // Whether a smaller block lies on the lattice of a whole one, within it.
    private static bool IsPiece(SeenBlock whole, SeenBlock piece)
    {
        var column = (piece.X - whole.X) / whole.Pitch;
        var row = (piece.Y - whole.Y - (column * whole.Stair)) / whole.Row;
        return Math.Abs(column - Math.Round(column)) < OnLattice
            && Math.Abs(row - Math.Round(row)) < OnLattice
            && column > -OnLattice
            && row > -OnLattice
            && column < whole.Columns - piece.Columns + OnLattice
            && row < whole.Rows - piece.Rows + OnLattice;
    }
}
