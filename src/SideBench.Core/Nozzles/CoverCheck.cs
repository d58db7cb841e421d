using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>
/// Whether something lies on the pattern. Three signs: the ground beside a dash is not this sheet's paper; dashes are cut, which no nozzle
/// does; and missing dashes stand in a patch that no staircase of nozzles makes, because it crosses rows without taking whole rows.
/// </summary>
internal static class CoverCheck
{
    private const double OtherHue = 0.1;
    private const double Dark = 0.33;
    private const double LeastShare = 0.012;
    private const int LeastPlaces = 5;
    private const int LeastCut = 3;
    private const double StretchThere = 0.6;
    private const double StretchGone = 0.2;
    private const double SameHeight = 0.35;
    private const int LeastStretch = 6;
    private const int PatchRows = 3;
    private const int PatchColumns = 2;

    /// <summary>Units of which part is hidden; empty when all is open.</summary>
    public static List<string> Hidden(GaugedSheet sheet, IReadOnlyList<UnitReading> units, SheetLayout layout)
    {
        var ground = OffPaper(sheet);
        if (ground.Count >= Math.Max(LeastPlaces, LeastShare * sheet.Places.Count))
            return UnitsOf(ground);
        var cut = Enumerable.Range(0, sheet.Places.Count).Where(i => IsCut(sheet, i)).Select(i => sheet.Places[i]).ToList();
        var patches = layout.Units.Index().Where(u => HasPatch(units[u.Index], u.Item)).Select(u => u.Item.Id).ToList();
        if (patches.Count > 0 && cut.Count >= LeastCut)
            return patches;
        return patches.Count > 1 ? patches : Bands(units, layout);

        static List<string> UnitsOf(IEnumerable<DashPlace> places) => [.. places.Select(place => place.Unit.Id).Distinct()];
    }

    // Places whose ground has another hue than most, or is far darker than a shadow makes paper.
    private static List<DashPlace> OffPaper(GaugedSheet sheet)
    {
        var n = sheet.Places.Count;
        var paper = sheet.Samples.Paper;
        double Hue(int i, int c) => Math.Log((paper[(i * 3) + c] + 1) / (paper[(i * 3) + 1] + 1));
        var (red, blue) = (Middle(i => Hue(i, 0)), Middle(i => Hue(i, 2)));
        var bright = Enumerable.Range(0, n).Select(i => paper[(i * 3) + 1]).Order().ToArray()[(int)(0.9 * (n - 1))];
        return
        [
            .. Enumerable
                .Range(0, n)
                .Where(i =>
                    Math.Abs(Hue(i, 0) - red) > OtherHue || Math.Abs(Hue(i, 2) - blue) > OtherHue || paper[(i * 3) + 1] < Dark * bright
                )
                .Select(i => sheet.Places[i]),
        ];

        double Middle(Func<int, double> value) => Enumerable.Range(0, n).Select(value).Order().ToArray()[n / 2];
    }

    // A dash of which one end is there in full strength and the other is not.
    private static bool IsCut(GaugedSheet sheet, int i)
    {
        var whole = sheet.Stretches(i);
        var there = 0;
        while (there < whole.Length && whole[there] > StretchThere)
            there++;
        var fromLeft = there is >= 2 and <= 7 && whole.Skip(there + 1).All(s => s < StretchGone);
        var back = 0;
        while (back < whole.Length && whole[^(back + 1)] > StretchThere)
            back++;
        return fromLeft || (back is >= 2 and <= 7 && whole.Take(whole.Length - back - 1).All(s => s < StretchGone));
    }

    // Several rows in which the same neighbouring columns are missing while others of the row are there.
    private static bool HasPatch(UnitReading unit, SheetUnit shape)
    {
        var (columns, rows) = (shape.Block.Columns, (shape.Nozzles + shape.Block.Columns - 1) / shape.Block.Columns);
        bool Missing(int row, int column) =>
            (row * columns) + column is var n && n < shape.Nozzles && unit.Nozzles[n].State == NozzleState.Missing;
        int Here(int row) =>
            Enumerable.Range(0, columns).Count(column => (row * columns) + column < shape.Nozzles && !Missing(row, column));
        for (var row = 0; row + PatchRows <= rows; row++)
        {
            for (var column = 0; column + PatchColumns <= columns; column++)
            {
                var all = true;
                for (var r = row; all && r < row + PatchRows; r++)
                {
                    all = Here(r) >= 2;
                    for (var c = column; all && c < column + PatchColumns; c++)
                        all = Missing(r, c);
                }

                if (all)
                    return true;
            }
        }

        return false;
    }

    // Two units that lose dashes between the same two heights.
    private static List<string> Bands(IReadOnlyList<UnitReading> units, SheetLayout layout)
    {
        var lost = layout
            .Units.Index()
            .SelectMany(u =>
                LostRows(units[u.Index], u.Item)
                    .Concat(LostStretch(units[u.Index], u.Item))
                    .Select(band => (u.Item.Id, band.Top, band.Bottom, u.Item.Block.RowPitchMm))
            )
            .ToList();
        foreach (var a in lost)
        {
            var same = lost.Where(b =>
                    b.Id != a.Id
                    && Math.Abs(a.Top - b.Top) < SameHeight * a.RowPitchMm
                    && Math.Abs(a.Bottom - b.Bottom) < SameHeight * a.RowPitchMm
                )
                .ToList();
            if (same.Count > 0)
                return [a.Id, .. same.Select(b => b.Id)];
        }

        return [];
    }

    // With even stairs a straight edge takes neighbouring nozzles, as a run does; but hardly the same ones of two channels.
    private static IEnumerable<(double Top, double Bottom)> LostStretch(UnitReading unit, SheetUnit shape)
    {
        if (unit.Pattern is not (PatternClass.Run or PatternClass.Scattered))
            yield break;
        for (int n = 0, from = -1; n <= shape.Nozzles; n++)
        {
            var lost = n < shape.Nozzles && unit.Nozzles[n].State == NozzleState.Missing;
            if (lost && from < 0)
                from = n;
            if (lost || from < 0)
                continue;
            if (n - from >= LeastStretch)
                yield return (shape.DashAt(from).Y, shape.DashAt(n - 1).Y);
            from = -1;
        }
    }

    private static IEnumerable<(double Top, double Bottom)> LostRows(UnitReading unit, SheetUnit shape)
    {
        var rows = shape.Nozzles / shape.Block.Columns;
        var from = -1;
        var bands = new List<(int From, int To)>();
        for (var row = 0; row <= rows; row++)
        {
            var lost =
                row < rows
                && Enumerable.Range(row * shape.Block.Columns, shape.Block.Columns).All(n => unit.Nozzles[n].State == NozzleState.Missing);
            if (lost && from < 0)
                from = row;
            if (!lost && from >= 0)
            {
                bands.Add((from, row - 1));
                from = -1;
            }
        }

        // A band of all rows is a blank unit, one of a single row may be a run; and a run or a fading end seldom stops just where rows do.
        bool IsOpen(int row) =>
            row < 0
            || row >= rows
            || Enumerable.Range(row * shape.Block.Columns, shape.Block.Columns).All(n => unit.Nozzles[n].State != NozzleState.Missing);
        var group = unit.Pattern is PatternClass.Run or PatternClass.Scattered;
        return bands
            .Where(b => group && b.To > b.From && b.To - b.From < rows - 1 && IsOpen(b.From - 1) && IsOpen(b.To + 1))
            .Select(b => (shape.Block.YMm + (b.From * shape.Block.RowPitchMm), shape.Block.YMm + (b.To * shape.Block.RowPitchMm)));
    }
}
