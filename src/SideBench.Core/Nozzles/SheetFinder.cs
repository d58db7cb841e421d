using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>
/// Finds a layout in a picture by its dashes alone. Dashes that follow each other as a staircase make a patch; a patch is tried at every
/// place of the layout where it fits, both ways up; from there the sheet is laid on outwards, unit by unit, and the try that explains most
/// dashes is taken.
/// </summary>
public static class SheetFinder
{
    private const int LeastDashes = 10;
    private const int LeastPatch = 5;
    private const int MostTries = 160;
    private const int MostPatches = 8;
    private const int MostBeside = 2;
    private const double MostLengthCounts = 80;
    private const double GoodEnough = 0.92;
    private const double MostNozzles = 0.7;
    private const double RightInks = 0.9;
    private const double LeftOverShare = 0.02;
    private const int LeftOverAllowed = 3;

    /// <summary>Lays the layout on the strokes.</summary>
    /// <param name="layout">What was printed.</param>
    /// <param name="all">All strokes of the picture.</param>
    /// <returns>How it lies and what it explains; a find without a map when the strokes are no such sheet.</returns>
    public static SheetFind Find(SheetLayout layout, IReadOnlyList<Stroke> all)
    {
        var dashes = all.Where(stroke => stroke.IsDash).ToList();
        if (dashes.Count < LeastDashes)
            return new SheetFind(null, dashes.Count, 0, 0, 0, [], []);
        SheetFind? best = null;
        SheetLaying? bestLaying = null;
        foreach (var blocks in layout.Units.GroupBy(unit => unit.Block with { XMm = 0, YMm = 0 }))
        {
            foreach (var (angle, length) in Commonest(dashes))
            {
                var alike = dashes
                    .Where(d => Math.Abs(Turn(d.Angle - angle)) < 0.16 && d.Length > 0.55 * length && d.Length < 1.5 * length)
                    .ToList();
                if (alike.Count < LeastDashes)
                    continue;
                var scale = length / blocks.Key.DashLengthMm;
                var grid = new StrokeGrid(alike, length);
                var laying = new SheetLaying(layout, grid);
                foreach (var attempt in Tries(grid, blocks, angle, scale))
                {
                    var find = laying.From(attempt.Pairs);
                    if (find is null)
                        continue;
                    if (best is null || find.Score > best.Score)
                        (best, bestLaying) = (find, laying);
                    if (IsPlain(best, alike.Count, layout))
                        return best;
                }
            }
        }

        return best is not null ? bestLaying!.Settle(best) : new SheetFind(null, dashes.Count, 0, 0, 0, [], []);
    }

    // Nearly every dash on the page is explained, most in the right ink, whatever lies around the sheet.
    private static bool IsPlain(SheetFind find, int dashes, SheetLayout layout) =>
        find.RightInk > RightInks * find.Explained
        && find.LeftOver.Count < LeftOverAllowed + (LeftOverShare * find.Explained)
        && (find.Explained > GoodEnough * dashes || find.Explained > MostNozzles * layout.Nozzles);

    // Angles and lengths that many strokes share: the sheet's dashes, but a table's grain may share some too.
    private static IEnumerable<(double Angle, double Length)> Commonest(List<Stroke> dashes)
    {
        var angles = Peaks(dashes, d => d.Angle, d => Math.Min(d.Length, MostLengthCounts), Math.PI / 45, wraps: true).Take(2);
        return angles
            .SelectMany(angle =>
            {
                var near = dashes.Where(d => Math.Abs(Turn(d.Angle - angle.At)) < 0.1).ToList();
                return Peaks(near, d => Math.Log(d.Length), d => Math.Min(d.Length, MostLengthCounts), 0.16, wraps: false)
                    .Take(2)
                    .Select(length => (Angle: angle.At, Length: Math.Exp(length.At), length.Weight));
            })
            .OrderByDescending(peak => peak.Weight)
            .Select(peak => (peak.Angle, peak.Length));
    }

    // Where much weight gathers along a line, the heaviest first; each is the mean of what lies within a window of the given width.
    private static List<(double At, double Weight)> Peaks(
        List<Stroke> strokes,
        Func<Stroke, double> value,
        Func<Stroke, double> weight,
        double window,
        bool wraps
    )
    {
        var left = strokes.Select(s => (At: value(s), Weight: weight(s))).ToList();
        var peaks = new List<(double, double)>();
        while (left.Count > 0 && peaks.Count < 3)
        {
            var bins = new Dictionary<int, double>();
            foreach (var (at, heavy) in left)
                bins[(int)Math.Floor(at / window * 4)] = bins.GetValueOrDefault((int)Math.Floor(at / window * 4)) + heavy;
            var top = bins.Keys.MaxBy(bin => bins[bin] + (0.7 * (bins.GetValueOrDefault(bin - 1) + bins.GetValueOrDefault(bin + 1))));
            var middle = (top + 0.5) * window / 4;
            double Off(double at) => wraps ? Turn(at - middle) : at - middle;
            var near = left.Where(l => Math.Abs(Off(l.At)) < window / 2).ToList();
            var sum = near.Sum(l => l.Weight);
            peaks.Add((middle + (near.Sum(l => l.Weight * Off(l.At)) / sum), sum));
            left.RemoveAll(l => Math.Abs(Off(l.At)) < window);
        }

        return peaks;
    }

    // Every place of the layout that a patch could be, the likeliest first.
    private static IEnumerable<Try> Tries(StrokeGrid grid, IEnumerable<SheetUnit> units, double angle, double scale)
    {
        var tries = new List<Try>();
        var block = units.First().Block;
        foreach (var patch in LatticePatch.Of(grid, block, angle, scale).Take(MostPatches))
        {
            if (patch.Cells.Count < LeastPatch)
                break;
            var (red, green, blue) = (Mean(patch, s => s.Red), Mean(patch, s => s.Green), Mean(patch, s => s.Blue));
            var (width, height) = (patch.Right - patch.Left + 1, patch.Bottom - patch.Top + 1);
            foreach (var unit in units)
            {
                var rows = (unit.Nozzles + block.Columns - 1) / block.Columns;
                // A mark beside a block may have joined its patch.
                if (width > block.Columns + MostBeside || height > rows + MostBeside)
                    continue;
                var likeness = new Stroke(0, 0, 0, 0, 0, red, green, blue, 0).Likeness(unit.Color.Taken);
                for (var column = Math.Min(0, block.Columns - width); column <= Math.Max(0, block.Columns - width); column++)
                {
                    for (var row = Math.Min(0, rows - height); row <= Math.Max(0, rows - height); row++)
                    {
                        foreach (var turned in (bool[])[false, true])
                        {
                            // Fuller patches of the right colour first; the corners before the middle.
                            var fill = patch.Cells.Count / (double)unit.Nozzles;
                            tries.Add(new Try(patch, unit, column, row, turned, grid, fill + (3 * likeness)));
                        }
                    }
                }
            }
        }

        return tries.OrderByDescending(t => t.Rank).Take(MostTries);

        double Mean(LatticePatch patch, Func<Stroke, double> part) => patch.Cells.Keys.Average(i => part(grid.Strokes[i]));
    }

    private static double Turn(double angle) => angle - (Math.PI * Math.Round(angle / Math.PI));

    private sealed record Try(LatticePatch Patch, SheetUnit Unit, int Column, int Row, bool Turned, StrokeGrid Grid, double Rank)
    {
        public List<PointPair> Pairs
        {
            get
            {
                var block = Unit.Block;
                var pairs = new List<PointPair>();
                foreach (var (stroke, cell) in Patch.Cells)
                {
                    var (column, row) = Turned
                        ? (Column + Patch.Right - cell.Column, Row + Patch.Bottom - cell.Row)
                        : (Column + cell.Column - Patch.Left, Row + cell.Row - Patch.Top);
                    var nozzle = (row * block.Columns) + column;
                    if (column < 0 || column >= block.Columns || row < 0 || nozzle >= Unit.Nozzles)
                        continue;
                    var (x, y) = block.DashAt(nozzle);
                    pairs.Add(new PointPair(x + (block.DashLengthMm / 2), y, Grid.Strokes[stroke].X, Grid.Strokes[stroke].Y));
                }

                return pairs;
            }
        }
    }
}

/// <summary>How a layout lies in a picture.</summary>
/// <param name="Map">Page to picture; null when it was not found.</param>
/// <param name="Dashes">Strokes that look like a dash of this layout.</param>
/// <param name="Explained">How many of them stand where a nozzle prints.</param>
/// <param name="RightInk">How many of these have the ink of their nozzle.</param>
/// <param name="Score">Explained, in the right ink, less what is left over.</param>
/// <param name="Pairs">Middles of dashes on the page and in the picture.</param>
/// <param name="LeftOver">Dashes on the page that no nozzle explains.</param>
public sealed record SheetFind(
    Homography? Map,
    int Dashes,
    int Explained,
    int RightInk,
    double Score,
    IReadOnlyList<PointPair> Pairs,
    IReadOnlyList<Stroke> LeftOver
);
