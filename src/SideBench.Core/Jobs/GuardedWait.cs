using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>
/// Waits that guard power, printing or moisture, such as contacts that dry: they are ended by their time, or with a reason that stays on
/// record. What they guard is not done over them in one press.
/// </summary>
public static class GuardedWait
{
    /// <summary>The waits that still guard, of all clocks or of one.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="house">Which kinds guard: house numbers.</param>
    /// <param name="now">The time.</param>
    /// <param name="clock">Only this clock; null for all.</param>
    public static IReadOnlyList<Clock> Running(JobState state, JobsNumbers house, DateTimeOffset now, string? clock = null) =>
        [.. state.Clocks.Where(c => house.Guarding.Contains(c.Kind) && !c.Rings(now) && (clock is null || c.Id == clock))];

    /// <summary>Something that these waits stand before: refused, or done with the reason why they are over put first.</summary>
    /// <param name="guards">The waits that still guard it.</param>
    /// <param name="over">Why they are over; null or blank when nobody said so.</param>
    /// <param name="now">The time.</param>
    /// <param name="lines">What is done.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Over(
        IReadOnlyList<Clock> guards,
        string? over,
        DateTimeOffset now,
        Outcome<IReadOnlyList<EntryBody>> lines
    )
    {
        if (!lines.IsGood || guards.Count == 0)
            return lines;
        if (string.IsNullOrWhiteSpace(over))
            return new Problem(JobsProblem.WaitGuards, "/waitOver", string.Join("; ", guards.Select(c => $"{c.Label}, {Left(c, now)}")));
        var problems = new List<Problem>();
        Guard.Text(problems, over, "/waitOver", Guard.LongestText, needed: true);
        if (problems.Count > 0)
            return problems;
        var ended = guards.Select(c => new ClockStopped(c.Id, over.Trim())).ToList();
        return (List<EntryBody>)
            [.. ended, .. lines.Value.Where(line => line is not ClockStopped stop || ended.All(e => e.Clock != stop.Clock))];
    }

    private static string Left(Clock clock, DateTimeOffset now) =>
        (clock.EndsAt - now) switch
        {
            { TotalMinutes: < 90 } left => $"{Math.Ceiling(left.TotalMinutes):0} min to go",
            { TotalHours: < 48 } left => $"{Math.Ceiling(left.TotalHours):0} h to go",
            var left => $"{Math.Ceiling(left.TotalDays):0} days to go",
        };
}
