using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>
/// Strokes that follow each other in the rows and columns of a staircase, each with its column and row counted from the first.
/// </summary>
/// <param name="Cells">Stroke index → column and row.</param>
/// <param name="Left">Least column.</param>
/// <param name="Right">Greatest column.</param>
/// <param name="Top">Least row.</param>
/// <param name="Bottom">Greatest row.</param>
public sealed record LatticePatch(IReadOnlyDictionary<int, (int Column, int Row)> Cells, int Left, int Right, int Top, int Bottom)
{
    // How far a neighbour may be off, in columns and rows: perspective and a displaced dash stay within.
    private const double ColumnSlack = 0.3;
    private const double RowSlack = 0.42;
    private const double SameInk = 0.86;

    /// <summary>Every patch among the strokes, the largest first.</summary>
    /// <param name="grid">Dashes alike in length and angle.</param>
    /// <param name="block">The staircase they should follow.</param>
    /// <param name="angle">Angle of the dashes, radians.</param>
    /// <param name="scale">Pixels to a millimetre.</param>
    public static List<LatticePatch> Of(StrokeGrid grid, StairBlock block, double angle, double scale)
    {
        var (cos, sin) = (Math.Cos(angle) * scale, Math.Sin(angle) * scale);
        // One column on is also one step lower; one row down is straight down.
        var steps = new Steps(
            (cos * block.ColumnPitchMm) - (sin * block.StairStepMm),
            (sin * block.ColumnPitchMm) + (cos * block.StairStepMm),
            -sin * block.RowPitchMm,
            cos * block.RowPitchMm
        );
        var taken = new bool[grid.Strokes.Count];
        var patches = new List<LatticePatch>();
        for (var first = 0; first < grid.Strokes.Count; first++)
        {
            if (!taken[first])
                patches.Add(From(first, grid, steps, taken));
        }

        return [.. patches.OrderByDescending(patch => patch.Cells.Count)];
    }

    private static LatticePatch From(int first, StrokeGrid grid, Steps steps, bool[] taken)
    {
        var cells = new Dictionary<int, (int Column, int Row)> { [first] = (0, 0) };
        var waiting = new Queue<int>([first]);
        taken[first] = true;
        while (waiting.TryDequeue(out var at))
        {
            var (column, row) = cells[at];
            foreach (var (along, down) in ((int, int)[])[(1, 0), (-1, 0), (0, 1), (0, -1)])
            {
                var stroke = grid.Strokes[at];
                var next = grid.Nearest(
                    stroke.X + (along * steps.Rx) + (down * steps.Dx),
                    stroke.Y + (along * steps.Ry) + (down * steps.Dy),
                    steps,
                    ColumnSlack,
                    RowSlack
                );
                if (next < 0 || taken[next])
                    continue;
                var other = grid.Strokes[next];
                if (stroke.Likeness((other.Red, other.Green, other.Blue)) < SameInk)
                    continue;
                taken[next] = true;
                cells[next] = (column + along, row + down);
                waiting.Enqueue(next);
            }
        }

        return new LatticePatch(
            cells,
            cells.Values.Min(c => c.Column),
            cells.Values.Max(c => c.Column),
            cells.Values.Min(c => c.Row),
            cells.Values.Max(c => c.Row)
        );
    }
}
