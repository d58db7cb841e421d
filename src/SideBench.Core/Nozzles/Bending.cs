namespace SideBench.Core.Nozzles;

/// <summary>Works out how a sheet bends in the picture from where its dashes really lie. Dashes that are displaced by their nozzle do not pull it along.</summary>
public static class Bending
{
    private const int Rounds = 5;
    private const double Ridge = 1e-3;
    private const double LeastSlackMm = 0.06;

    /// <summary>The map with its bend.</summary>
    /// <param name="map">The map so far.</param>
    /// <param name="seen">Places on the page, and how many mm across and down from its place each dash was seen; what is not known is NaN.</param>
    public static PageMap Of(PageMap map, IReadOnlyList<SeenOff> seen)
    {
        if (seen.Count < 3 * PageMap.Terms) return map;
        var (x, y) = (seen.Average(s => s.X), seen.Average(s => s.Y));
        var reach = Math.Max(20, seen.Max(s => Math.Max(Math.Abs(s.X - x), Math.Abs(s.Y - y))));
        var bent = new PageMap(map.Flat, new double[2 * PageMap.Terms], x, y, reach);
        Fit(bent, seen, s => s.Across, bent.Bend.AsSpan(0, PageMap.Terms));
        Fit(bent, seen, s => s.Down, bent.Bend.AsSpan(PageMap.Terms, PageMap.Terms));
        return bent;
    }

    private static void Fit(PageMap map, IReadOnlyList<SeenOff> seen, Func<SeenOff, double> off, Span<double> into)
    {
        var known = seen.Where(s => !double.IsNaN(off(s))).ToList();
        Span<double> terms = stackalloc double[PageMap.Terms];
        var weights = Enumerable.Repeat(1.0, known.Count).ToArray();
        var misses = new double[known.Count];
        for (var round = 0; round < Rounds; round++)
        {
            var fit = new LeastSquares(PageMap.Terms);
            for (var i = 0; i < known.Count; i++)
            {
                if (weights[i] <= 0) continue;
                map.Fill(terms, known[i].X, known[i].Y);
                fit.Add(terms, off(known[i]), weights[i] * known[i].Weight);
            }

            fit.Ridge(Ridge * known.Count);
            if (fit.Solve() is not { } found) return;
            found.CopyTo(into);
            for (var i = 0; i < known.Count; i++)
            {
                map.Fill(terms, known[i].X, known[i].Y);
                var sum = 0.0;
                for (var t = 0; t < PageMap.Terms; t++) sum += terms[t] * found[t];
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
public readonly record struct SeenOff(double X, double Y, double Across, double Down, double Weight = 1);
