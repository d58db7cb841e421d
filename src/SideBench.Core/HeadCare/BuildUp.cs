namespace SideBench.Core.HeadCare;

/// <summary>Build-up under a head on one stock, over the visits.</summary>
/// <param name="Paper">The stock.</param>
/// <param name="Thickness">The thickness set the last time; empty when nobody looked.</param>
/// <param name="Times">How often it was found.</param>
/// <param name="Last">When, the last time.</param>
/// <param name="NextFrom">The earliest it is to be looked for again, by the shortest time between two; null after one alone.</param>
/// <param name="Next">When it is due again, by the mean time between them; null after one alone.</param>
public sealed record BuildUp(string Paper, string Thickness, int Times, DateTimeOffset Last, DateTimeOffset? NextFrom, DateTimeOffset? Next)
{
    /// <summary>What a machine's life tells of it, the most frequent stock first.</summary>
    /// <param name="seen">Each time it was found: stock, thickness, when; oldest first.</param>
    public static IReadOnlyList<BuildUp> Of(IEnumerable<(string Paper, string Thickness, DateTimeOffset At)> seen) =>
        [.. seen.GroupBy(s => s.Paper.Trim(), StringComparer.OrdinalIgnoreCase).Select(Of).OrderByDescending(b => b.Times)];

    private static BuildUp Of(IGrouping<string, (string Paper, string Thickness, DateTimeOffset At)> seen)
    {
        var all = seen.ToList();
        var between = all.Zip(all.Skip(1), (a, b) => b.At - a.At).ToList();
        var last = all[^1];
        return new BuildUp(
            all[0].Paper.Trim(),
            last.Thickness,
            all.Count,
            last.At,
            between.Count == 0 ? null : last.At + between.Min(),
            between.Count == 0 ? null : last.At + (between.Aggregate(TimeSpan.Zero, (sum, one) => sum + one) / between.Count)
        );
    }
}
