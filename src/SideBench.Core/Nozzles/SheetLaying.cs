using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>Lays a layout on a picture's dashes outwards from a first guess: what is found near helps to look further.</summary>
public sealed class SheetLaying
{
    // A dash counts as a nozzle's when it is off by less than these shares of the pitches.
    private const double ColumnSlack = 0.3;
    private const double RowSlack = 0.4;
    private const double Growth = 1.35;
    private static readonly double[] Shifts = [-1.35, -1, -0.65, -0.35, 0, 0.35, 0.65, 1, 1.35];
    private static readonly double[] Stretches = [1, 0.95, 1.05, 0.9, 1.1];
    private const int LeastForPerspective = 24;
    private const double RightInk = 0.9;
    private const double WrongInkCounts = 0.3;
    private const double LeftOverCosts = 0.5;
    private const double MarkSlackMm = 1.5;

    // A sheet seen by a scanner or a hand-held camera is hardly stretched one way, and hardly slanted.
    private const double MostStretch = 1.13;
    private const double MostSlant = 0.12;

    private readonly StrokeGrid grid;
    private readonly Place[] places;
    private readonly (double Width, double Height) page;
    private readonly (double Left, double Top, double Right, double Bottom)[] marks;

    /// <summary>Prepares a layout for many tries on the same dashes.</summary>
    public SheetLaying(SheetLayout layout, StrokeGrid grid)
    {
        this.grid = grid;
        places =
        [
            .. layout.Units.SelectMany(unit =>
                Enumerable
                    .Range(0, unit.Nozzles)
                    .Select(nozzle =>
                    {
                        var (x, y) = unit.DashAt(nozzle);
                        return new Place(unit, x + (unit.Block.DashLengthMm / 2), y);
                    })
            ),
        ];
        page = (layout.PageWidthMm, layout.PageHeightMm);
        marks = [.. layout.Marks.Select(MarkBox)];
    }

    /// <summary>Lays it from a few dashes whose nozzles are guessed.</summary>
    /// <returns>Null when the guess leads nowhere.</returns>
    public SheetFind? From(List<PointPair> pairs)
    {
        if (Homography.Of(pairs, flat: true) is not { } map)
            return null;
        var (middleX, middleY) = (pairs.Average(p => p.X), pairs.Average(p => p.Y));
        var order = places.OrderBy(place => Far(place, middleX, middleY)).ToArray();
        var reach = Math.Max(8, pairs.Max(p => Math.Max(Math.Abs(p.X - middleX), Math.Abs(p.Y - middleY)))) / Growth;
        var furthest = Far(order[^1], middleX, middleY);
        var taken = new int[order.Length];
        var owner = new int[grid.Strokes.Count];
        for (var last = false; !last; )
        {
            reach *= Growth;
            last = reach > furthest;
            // The last reach is looked at twice: the second time with a map made from everything.
            for (var look = 0; look < (last ? 2 : 1); look++)
            {
                pairs = Match(order, map, reach, middleX, middleY, taken, owner);
                if (pairs.Count < 4 || Homography.Of(pairs, flat: pairs.Count < LeastForPerspective) is not { } better)
                    return null;
                map = better;
            }
        }

        return IsBelievable(map, pairs) ? Judge(map, order, taken, owner, pairs) : null;
    }

    /// <summary>
    /// Looks at every unit by itself whether it fits better a column or row aside: a unit that lies far from where the laying began, beyond
    /// a blank one, may have been reached a little off.
    /// </summary>
    public SheetFind Settle(SheetFind find)
    {
        if (find.Map is not { } map || find.LeftOver.Count < 2)
            return find;
        var pairs = new List<PointPair>();
        foreach (var unit in places.GroupBy(place => place.Unit))
            pairs.AddRange(IsSettled(unit.Key, map, find.LeftOver) ? Shifted([.. unit], map, 1, 0, 0) : Aside([.. unit], map));
        var settled = From(pairs);
        return settled is not null && settled.Score > find.Score ? settled : find;
    }

    // Whether next to nothing is left over near a unit.
    private static bool IsSettled(SheetUnit unit, Homography map, IReadOnlyList<Stroke> leftOver)
    {
        var back = map.Back();
        var (b, beside) = (unit.Bounds, 2 * unit.Block.ColumnPitchMm);
        return leftOver.Count(s =>
                back.At(s.X, s.Y) is var (x, y)
                && x > b.Left - beside
                && x < b.Right + beside
                && y > b.Top - beside
                && y < b.Bottom + beside
            ) < 2;
    }

    private List<PointPair> Aside(List<Place> unit, Homography map)
    {
        var best = new List<PointPair>();
        var bestWorth = double.MinValue;
        foreach (var stretch in Stretches)
        {
            foreach (var column in Shifts)
            {
                foreach (var row in Shifts)
                {
                    var found = Shifted(unit, map, stretch, column, row);
                    var worth = found.Count - (0.01 * ((column * column) + (row * row)));
                    if (worth > bestWorth)
                        (best, bestWorth) = (found, worth);
                }
            }
        }

        return best;
    }

    // What a unit would explain if it lay some columns and rows aside, and were some way wider.
    private List<PointPair> Shifted(List<Place> unit, Homography map, double stretch, double column, double row)
    {
        var pairs = new List<PointPair>();
        var taken = new HashSet<int>();
        var block = unit[0].Unit.Block;
        var middle = unit.Average(place => place.X);
        var (x0, y0) = map.At(middle, unit[0].Y);
        var (rx, ry) = map.At(middle + block.ColumnPitchMm, unit[0].Y + block.StairStepMm);
        var (dx, dy) = map.At(middle, unit[0].Y + block.RowPitchMm);
        var steps = new Steps(rx - x0, ry - y0, dx - x0, dy - y0);
        foreach (var place in unit)
        {
            var (x, y) = map.At(
                middle + ((place.X - middle) * stretch) + (column * block.ColumnPitchMm),
                place.Y + (column * block.StairStepMm) + (row * block.RowPitchMm)
            );
            var stroke = grid.Nearest(x, y, steps, ColumnSlack, RowSlack);
            if (stroke >= 0 && taken.Add(stroke))
                pairs.Add(new PointPair(place.X, place.Y, grid.Strokes[stroke].X, grid.Strokes[stroke].Y));
        }

        return pairs;
    }

    private static bool IsBelievable(Homography map, List<PointPair> pairs)
    {
        var s = PageMap.Of(map).StepsAt(pairs.Average(p => p.X), pairs.Average(p => p.Y));
        double across = Math.Sqrt((s.Rx * s.Rx) + (s.Ry * s.Ry)),
            down = Math.Sqrt((s.Dx * s.Dx) + (s.Dy * s.Dy));
        var slant = Math.Abs(((s.Rx * s.Dx) + (s.Ry * s.Dy)) / (across * down));
        var turnedOver = (s.Rx * s.Dy) - (s.Ry * s.Dx) <= 0;
        return !turnedOver && slant < MostSlant && across < MostStretch * down && down < MostStretch * across;
    }

    private static double Far(Place place, double x, double y) => Math.Max(Math.Abs(place.X - x), Math.Abs(place.Y - y));

    private List<PointPair> Match(Place[] order, Homography map, double reach, double middleX, double middleY, int[] taken, int[] owner)
    {
        var pairs = new List<PointPair>();
        Array.Fill(taken, -1);
        Array.Fill(owner, -1);
        for (var i = 0; i < order.Length; i++)
        {
            var place = order[i];
            if (Far(place, middleX, middleY) > reach)
                break;
            var (x, y) = map.At(place.X, place.Y);
            var block = place.Unit.Block;
            var (rx, ry) = map.At(place.X + block.ColumnPitchMm, place.Y + block.StairStepMm);
            var (dx, dy) = map.At(place.X, place.Y + block.RowPitchMm);
            var stroke = grid.Nearest(x, y, new Steps(rx - x, ry - y, dx - x, dy - y), ColumnSlack, RowSlack);
            if (stroke < 0 || owner[stroke] >= 0)
                continue;
            (taken[i], owner[stroke]) = (stroke, i);
            pairs.Add(new PointPair(place.X, place.Y, grid.Strokes[stroke].X, grid.Strokes[stroke].Y));
        }

        return pairs;
    }

    private SheetFind Judge(Homography map, Place[] order, int[] taken, int[] owner, List<PointPair> pairs)
    {
        var (explained, right) = (0, 0);
        for (var i = 0; i < order.Length; i++)
        {
            if (taken[i] < 0)
                continue;
            explained++;
            if (grid.Strokes[taken[i]].Likeness(order[i].Unit.Color.Taken) > RightInk)
                right++;
        }

        var corners = ((double, double)[])[map.At(0, 0), map.At(page.Width, 0), map.At(page.Width, page.Height), map.At(0, page.Height)];
        var back = map.Back();
        var leftOver = Enumerable
            .Range(0, owner.Length)
            .Where(i => owner[i] < 0 && IsInside(corners, grid.Strokes[i]) && !IsMark(back, grid.Strokes[i]))
            .Select(i => grid.Strokes[i])
            .ToList();
        var score = right + (WrongInkCounts * (explained - right)) - (LeftOverCosts * (grid.Strokes.Count - explained));
        return new SheetFind(map, grid.Strokes.Count, explained, right, score, pairs, leftOver);
    }

    private bool IsMark(Homography back, Stroke stroke)
    {
        var (x, y) = back.At(stroke.X, stroke.Y);
        return marks.Any(m => x > m.Left && x < m.Right && y > m.Top && y < m.Bottom);
    }

    // Where a mark's ink may be; of a text only its beginning and its height are known.
    private static (double Left, double Top, double Right, double Bottom) MarkBox(SheetMark mark) =>
        mark.Text is { } text
            ? (
                mark.X1 - MarkSlackMm,
                mark.Y1 - mark.SizeMm - MarkSlackMm,
                mark.X1 + (text.Length * mark.SizeMm) + MarkSlackMm,
                mark.Y1 + (0.3 * mark.SizeMm) + MarkSlackMm
            )
            : (
                Math.Min(mark.X1, mark.X2) - MarkSlackMm,
                Math.Min(mark.Y1, mark.Y2) - MarkSlackMm,
                Math.Max(mark.X1, mark.X2) + MarkSlackMm,
                Math.Max(mark.Y1, mark.Y2) + MarkSlackMm
            );

    // A point is inside four corners when it is on the same side of all four edges.
    private static bool IsInside((double X, double Y)[] corners, Stroke stroke)
    {
        var sides = 0;
        for (var i = 0; i < 4; i++)
        {
            var (a, b) = (corners[i], corners[(i + 1) % 4]);
            sides += Math.Sign(((b.X - a.X) * (stroke.Y - a.Y)) - ((b.Y - a.Y) * (stroke.X - a.X)));
        }

        return Math.Abs(sides) == 4;
    }

    private sealed record Place(SheetUnit Unit, double X, double Y);
}
