namespace SideBench.Core.Nozzles;

/// <summary>
/// Works out how a sheet bends in the picture from where its dashes really lie. Dashes that are displaced by their nozzle do not pull it
/// along.
/// </summary>
public static class Bending
{
    private const int Rounds = 5;

    // What a sheet may do where no dash tells: shift or turn by some, bend by less (spreads, mm over half the pattern).
    private const double MayShiftMm = 2;
    private const double MayBendMm = 0.4;
    private const double LinearTerms = 3;
    private const double LeastSlackMm = 0.06;

    /// <summary>The map with its bend.</summary>
    /// <param name="map">The map so far.</param>
    /// <param name="seen">
    /// Places on the page, and how many mm across and down from its place each dash was seen; what is not known is NaN.
    /// </param>
    /// <param name="places">
    /// Every nozzle's place: the cubics are written over all of them, so that they stay tame where nothing was seen.
    /// </param>
    public static PageMap Of(PageMap map, IReadOnlyList<SeenOff> seen, IReadOnlyList<DashPlace> places)
    {
        if (seen.Count < 3 * PageMap.Terms)
            return map;
        var (left, right, top, bottom) = (
            places.Min(p => p.MiddleX),
            places.Max(p => p.MiddleX),
            places.Min(p => p.Y),
            places.Max(p => p.Y)
        );
        var (x, y) = ((left + right) / 2, (top + bottom) / 2);
        var reach = Math.Max(20, Math.Max(right - left, bottom - top) / 2);
        var bent = new PageMap(map.Flat, new double[2 * PageMap.Terms], x, y, reach);
        Fit(bent, seen, s => s.Across, bent.Bend.AsSpan(0, PageMap.Terms));
        Fit(bent, seen, s => s.Down, bent.Bend.AsSpan(PageMap.Terms, PageMap.Terms));
        return bent;
    }

    private static void Fit(PageMap map, IReadOnlyList<SeenOff> seen, Func<SeenOff, double> off, Span<double> into)
    {
        var known = seen.Where(s => !double.IsNaN(off(s))).ToList();
        if (known.Count < 3 * PageMap.Terms)
            return;
        Span<double> terms = stackalloc double[PageMap.Terms];
        var weights = Enumerable.Repeat(1.0, known.Count).ToArray();
        var misses = new double[known.Count];
        for (var round = 0; round < Rounds; round++)
        {
            var fit = new LeastSquares(PageMap.Terms);
            for (var i = 0; i < known.Count; i++)
            {
                if (weights[i] <= 0)
                    continue;
                map.Fill(terms, known[i].X, known[i].Y);
                fit.Add(terms, off(known[i]), weights[i] * known[i].Weight);
            }

            for (var t = 0; t < PageMap.Terms; t++)
            {
                terms.Clear();
                terms[t] = 1;
                var may = t < LinearTerms ? MayShiftMm : MayBendMm;
                fit.Add(terms, 0, 1 / (may * may));
            }

            if (fit.Solve() is not { } found)
                return;
            found.CopyTo(into);
            for (var i = 0; i < known.Count; i++)
            {
                map.Fill(terms, known[i].X, known[i].Y);
                var sum = 0.0;
                for (var t = 0; t < PageMap.Terms; t++)
                    sum += terms[t] * found[t];
                misses[i] = Math.Abs(off(known[i]) - sum);
            }

            // Tukey's weights: what misses by more than about six typical misses does not count at all.
            var slack = 6 * Math.Max(LeastSlackMm / 6, Middle(misses) * 1.48 * 0.7);
            for (var i = 0; i < known.Count; i++)
            {
                var share = misses[i] / slack;
                weights[i] = share >= 1 ? 0 : (1 - (share * share)) * (1 - (share * share));
            }
        }
    }

    private static double Middle(double[] values)
    {
        var sorted = (double[])values.Clone();
        Array.Sort(sorted);
        return sorted[sorted.Length / 2];
    }
}

/// <summary>A place on the page and how far from it its dash was seen, mm; NaN where it is not known.</summary>
/// <param name="X">On the page, mm.</param>
/// <param name="Y">On the page, mm.</param>
/// <param name="Across">To the right of its place.</param>
/// <param name="Down">Below its place.</param>
/// <param name="Weight">One over the square of its uncertainty in mm.</param>
public readonly record struct SeenOff(double X, double Y, double Across, double Down, double Weight = 600);
