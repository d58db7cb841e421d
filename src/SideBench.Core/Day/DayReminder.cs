using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>Planned work that is no job on the bench: something goes back, a bottle or a store fills.</summary>
/// <param name="Key">What it is, the same from day to day.</param>
/// <param name="Says">What is done.</param>
/// <param name="About">On what: a machine and whose it is, or a part and where it is.</param>
/// <param name="Due">By the end of that day.</param>
/// <param name="Minutes">Hands, min.</param>
public sealed record DayReminder(string Key, string Says, string About, DateOnly Due, double Minutes)
{
    /// <summary>The machine it is about; 0 when it is about none.</summary>
    public long Machine { get; init; }

    /// <summary>Reminders that are pieces of the plan: due within the days that are planned, and not done lately.</summary>
    /// <param name="all">All that are known.</param>
    /// <param name="shop">The shop's lines that stand, oldest first.</param>
    /// <param name="here">Machines that are here: what is due on them is seen to with their jobs.</param>
    /// <param name="now">The time, in the shop's zone.</param>
    /// <param name="numbers">House numbers.</param>
    /// <returns>The one that is due first before the others.</returns>
    public static IReadOnlyList<DayReminder> Standing(
        IEnumerable<DayReminder> all,
        IEnumerable<Entry> shop,
        IReadOnlySet<long> here,
        DateTimeOffset now,
        DayNumbers numbers
    )
    {
        var done = shop.Where(e => e.Body is ReminderDone && (now - e.At).TotalDays < numbers.RemindAgainDays)
            .Select(e => ((ReminderDone)e.Body).Of)
            .ToHashSet();
        var last = DateOnly.FromDateTime(now.DateTime).AddDays(numbers.AheadDays - 1);
        return
        [
            .. all.Where(r => r.Due <= last && !done.Contains(r.Key) && !here.Contains(r.Machine))
                .DistinctBy(r => r.Key)
                .OrderBy(r => r.Due)
                .ThenBy(r => r.Key),
        ];
    }

    /// <summary>
    /// It, as the plan sees it: one piece of hands from shortly before its day on, promised for the end of the last open hours by then.
    /// </summary>
    /// <param name="place">Its place among reminders; jobs that are here have numbers above 0, reminders below.</param>
    /// <param name="open">The shop's open spans ahead, min from the moment of the plan.</param>
    /// <param name="now">The moment of the plan, in the shop's zone.</param>
    /// <param name="numbers">House numbers.</param>
    public DayJob Job(int place, IReadOnlyList<(double From, double To)> open, DateTimeOffset now, DayNumbers numbers)
    {
        double Minute(DateOnly day) => (day.ToDateTime(TimeOnly.MinValue) - now.DateTime).TotalMinutes;
        var ends = open.Where(s => s.From < Minute(Due.AddDays(1))).Select(s => s.To).ToList();
        return new DayJob(
            -1 - place,
            About,
            Math.Max(0, Minute(Due.AddDays(-numbers.RemindDays))),
            null,
            ends.Count > 0 ? ends.Max() : 0,
            [new DayWay(1, [new DayPiece(Says, Minutes)])]
        );
    }
}
