namespace SideBench.Core.HeadCare;

/// <summary>A channel that loses nozzles over a machine's visits.</summary>
/// <param name="Unit">Its unit on the sheet.</param>
/// <param name="PerYear">Nozzles a year, the middle of the slopes between any two visits: one odd visit does not bend it.</param>
/// <param name="Visits">Visits it was seen on.</param>
/// <param name="Now">Missing on the last.</param>
public sealed record SlowDecline(string Unit, double PerYear, int Visits, int Now)
{
    private const double DaysPerYear = 365.25;

    /// <summary>Channels whose loss is worth a word.</summary>
    /// <param name="visits">The last sheet of each visit, oldest first: when, and missing nozzles by unit.</param>
    /// <param name="numbers">House numbers: how many visits make a trend, and from what loss.</param>
    public static IReadOnlyList<SlowDecline> Of(
        IReadOnlyList<(DateTimeOffset At, IReadOnlyDictionary<string, int> Missing)> visits,
        HeadCareNumbers numbers
    )
    {
        if (visits.Count < numbers.DeclineVisits)
            return [];
        return
        [
            .. visits[^1]
                .Missing.Keys.Select(unit => Trend(unit, visits))
                .Where(t => t.Visits >= numbers.DeclineVisits && t.PerYear >= numbers.DeclinePerYear),
        ];
    }

    private static SlowDecline Trend(string unit, IReadOnlyList<(DateTimeOffset At, IReadOnlyDictionary<string, int> Missing)> visits)
    {
        var seen = visits.Where(v => v.Missing.ContainsKey(unit)).Select(v => (v.At, Missing: v.Missing[unit])).ToList();
        var slopes = new List<double>();
        for (var i = 0; i < seen.Count; i++)
        for (var j = i + 1; j < seen.Count; j++)
            if ((seen[j].At - seen[i].At).TotalDays >= 1)
                slopes.Add((seen[j].Missing - seen[i].Missing) / (seen[j].At - seen[i].At).TotalDays * DaysPerYear);
        slopes.Sort();
        var middle = slopes.Count == 0 ? 0 : (slopes[(slopes.Count - 1) / 2] + slopes[slopes.Count / 2]) / 2;
        return new SlowDecline(unit, middle, seen.Count, seen.Count == 0 ? 0 : seen[^1].Missing);
    }
}
