using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>When a picture cannot be read, and why. A wrong reading is worse than none.</summary>
internal static class SheetChecks
{
    private const double LeastPxPerMm = 3.7;
    private const double MostMissMm = 0.06;
    private const double MostSoftMm = 0.235;
    private const double MostUnsure = 0.15;
    private const double LeastRightInk = 0.5;
    private const double AlikeInk = 0.9;

    // Of two inks in one channel the own one is the greater part.
    private const double MixedOwn = 0.75;
    private const double MixedOther = 0.5;
    private const double LeftOverShare = 0.12;
    private const int LeftOverAllowed = 12;
    private const int LeastDashes = 20;
    private const double LeastPaper = 0.2;
    private const double LeastSharpness = 0.17;
    private const int LeastInkTiles = 12;
    private const int LeastForAnother = 40;
    private const double AnotherShare = 0.5;
    private const double RightInkOfAnother = 0.6;

    /// <summary>Whether the layout was found at all.</summary>
    public static SheetReading? Found(
        SheetFind find,
        SheetLayout layout,
        PixelImage image,
        PaperMap paper,
        InkPlane ink,
        IReadOnlyList<Stroke> strokes
    )
    {
        if (
            find.Map is not null
            && find.Explained >= LeastDashes
            && Math.Max(find.RightInk, OwnOrMixed(find, layout, strokes)) >= LeastRightInk * find.Explained
            && find.LeftOver.Count < LeftOverAllowed + (LeftOverShare * find.Explained)
        )
            return IsThereAnother(find, layout, strokes) ? SheetReading.Refused(RefusalReason.TwoSheets) : null;
        var ground = GroundCheck.Of(paper, ink, strokes);
        var bounds = layout.Units.Select(unit => unit.Bounds).ToList();
        var (wide, high) = (bounds.Max(b => b.Right) - bounds.Min(b => b.Left), bounds.Max(b => b.Bottom) - bounds.Min(b => b.Top));
        // Even if the pattern filled the picture, it would have so few pixels.
        if (Math.Max(image.Width, image.Height) < LeastPxPerMm * Math.Max(wide, high) * 1.05)
            return SheetReading.Refused(RefusalReason.LowResolution);
        if (ground.PaperShare < LeastPaper)
            return SheetReading.Refused(RefusalReason.NoSheet);
        if (ground.Sharpness < LeastSharpness && ground.InkTiles >= LeastInkTiles)
            return SheetReading.Refused(RefusalReason.Blurred);
        return SheetReading.Refused(
            ground.Dashes >= LeastForAnother ? RefusalReason.WrongLayout
            : ground.Dashes < LeastDashes ? RefusalReason.BlankPage
            : RefusalReason.NoSheet
        );
    }

    // Dashes whose colour is that of their nozzle's ink, or of that ink with one of the machine's others in it: wrong inks do not make it
    // another machine's sheet.
    private static int OwnOrMixed(SheetFind find, SheetLayout layout, IReadOnlyList<Stroke> strokes)
    {
        var seen = strokes.GroupBy(s => (s.X, s.Y)).ToDictionary(g => g.Key, g => g.First());
        var units = DashPlace.Of(layout).GroupBy(p => (p.MiddleX, p.Y)).ToDictionary(g => g.Key, g => g.First().Unit);
        var inks = layout.Units.ToDictionary(
            u => u.Id,
            u => layout.Units.Select(o => Mixed(u.Color.Taken, o.Color.Taken)).Prepend(u.Color.Taken).ToList()
        );
        return find.Pairs.Count(pair =>
            seen.TryGetValue((pair.Px, pair.Py), out var stroke)
            && units.TryGetValue((pair.X, pair.Y), out var unit)
            && inks[unit.Id].Any(ink => stroke.Likeness(ink) > AlikeInk)
        );
    }

    private static (double R, double G, double B) Mixed((double R, double G, double B) own, (double R, double G, double B) other)
    {
        return (Over(own.R, other.R), Over(own.G, other.G), Over(own.B, other.B));
        static double Over(double a, double b) => 1 - ((1 - (MixedOwn * a)) * (1 - (MixedOther * b)));
    }

    // The same pattern once more among the dashes that the first does not explain.
    private static bool IsThereAnother(SheetFind find, SheetLayout layout, IReadOnlyList<Stroke> strokes)
    {
        var explained = find.Pairs.Select(pair => (pair.Px, pair.Py)).ToHashSet();
        var others = strokes.Where(stroke => stroke.IsDash && !explained.Contains((stroke.X, stroke.Y))).ToList();
        if (others.Count < AnotherShare * find.Explained)
            return false;
        var second = SheetFinder.Find(layout, others);
        return second.Map is not null
            && second.Explained > AnotherShare * find.Explained
            && second.RightInk > RightInkOfAnother * second.Explained;
    }

    /// <summary>Whether all of the pattern is in the picture, large enough.</summary>
    public static SheetReading? Lies(
        PageMap map,
        double missMm,
        SheetLayout layout,
        IReadOnlyList<DashPlace> places,
        PixelImage image,
        SheetHandling handling
    )
    {
        if (missMm > MostMissMm)
            return SheetReading.Refused(RefusalReason.WrongLayout, null, handling);
        var outside = places
            .Where(place =>
            {
                var half = place.Unit.Block.DashLengthMm / 2;
                return new[] { map.At(place.MiddleX - half, place.Y), map.At(place.MiddleX + half, place.Y) }.Any(p =>
                    p.X < 0 || p.Y < 0 || p.X > image.Width - 1 || p.Y > image.Height - 1
                );
            })
            .Select(place => place.Unit.Id)
            .Distinct()
            .ToList();
        if (outside.Count > 0)
            return SheetReading.Refused(RefusalReason.CutOff, outside, handling);
        return handling.PxPerMm < LeastPxPerMm ? SheetReading.Refused(RefusalReason.LowResolution, null, handling) : null;
    }

    /// <summary>Whether what was measured can be trusted.</summary>
    public static SheetReading? Measured(GaugedSheet sheet, IReadOnlyList<UnitReading> units, SheetLayout layout, SheetHandling handling)
    {
        if (sheet.SoftMm > MostSoftMm)
            return SheetReading.Refused(RefusalReason.Blurred, null, handling);
        var unsure = units.Where(unit => !unit.IsTooFaint).Sum(unit => unit.Unsure.Count());
        if (unsure > MostUnsure * layout.Nozzles)
            return SheetReading.Refused(RefusalReason.Blurred, null, handling);
        var hidden = CoverCheck.Hidden(sheet, units, layout);
        return hidden.Count > 0 ? SheetReading.Refused(RefusalReason.Covered, hidden, handling) : null;
    }
}
