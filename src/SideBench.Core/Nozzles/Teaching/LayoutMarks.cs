using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles.Teaching;

/// <summary>Dash-like strokes on the page that belong to no block: lines printed beside them.</summary>
internal static class LayoutMarks
{
    private const int Most = 200;

    /// <summary>Marks of a sheet.</summary>
    public static List<SheetMark> Of(
        IReadOnlyList<Stroke> strokes,
        IReadOnlyList<Stroke> dashes,
        IReadOnlyList<SeenBlock> blocks,
        SeenPlane plane,
        PageScale scale,
        IReadOnlyList<BlockInk> inks
    )
    {
        var own = blocks.SelectMany(b => b.Cells.Keys).Select(i => (dashes[i].X, dashes[i].Y)).ToHashSet();
        var marks = new List<SheetMark>();
        foreach (var s in strokes.Where(s => s.IsDash && !own.Contains((s.X, s.Y))))
        {
            var (cos, sin) = (Math.Cos(s.Angle) * s.Length / 2, Math.Sin(s.Angle) * s.Length / 2);
            var (a, b) = (plane.At(s.X - cos, s.Y - sin), plane.At(s.X + cos, s.Y + sin));
            var (x1, y1, x2, y2) = (scale.X(a.X), scale.Y(a.Y), scale.X(b.X), scale.Y(b.Y));
            var isOnPage = new[] { x1, x2 }.All(x => x > 0 && x < scale.Width) && new[] { y1, y2 }.All(y => y > 0 && y < scale.Height);
            // Within a block it is a dash of it that lies beside its place, or dirt.
            if (!isOnPage || blocks.Any(k => IsWithin(k, plane.At(s.X, s.Y))))
                continue;
            var ink = Enumerable.Range(0, inks.Count).MaxBy(i => s.Likeness(inks[i].Color.Taken));
            marks.Add(
                new SheetMark(
                    inks[ink].Id,
                    Rounded(x1),
                    Rounded(y1),
                    Rounded(x2),
                    Rounded(y2),
                    Math.Max(0.05, Rounded(s.Thickness / scale.PxPerMm)),
                    null
                )
            );
        }

        return marks.Count > Most ? [] : marks;
    }

    private static double Rounded(double mm) => Math.Round(mm, 2);

    private static bool IsWithin(SeenBlock b, (double X, double Y) at) =>
        at.X > b.X - b.Length
        && at.X < b.X + b.Width
        && at.Y > b.Y - b.Row - Math.Max(0, -b.Stair * (b.Columns - 1))
        && at.Y < b.Y + b.Row + ((b.Rows - 1) * b.Row) + Math.Max(0, b.Stair * (b.Columns - 1));
}
