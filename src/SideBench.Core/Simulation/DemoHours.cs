using SideBench.Core.Day;

namespace SideBench.Core.Simulation;

/// <summary>
/// Hours of the demo's shop on the day it is begun: its open clocks and promises lie within them, whenever that is. Begun on an evening or
/// a Sunday, the shop has an open house.
/// </summary>
public static class DemoHours
{
    private const double Before = 1;
    private const double After = 7;

    // Its latest promise of the day is so many hours off.
    private const double Room = 5;
    private const string Why = "open house";

    /// <summary>Single days that are open beside the usual hours; none when the demo is begun within those, with room left.</summary>
    /// <param name="now">When it is begun, in the shop's zone.</param>
    /// <param name="hours">The usual hours.</param>
    public static IReadOnlyList<HoursSet> Of(DateTimeOffset now, ShopHours hours)
    {
        var (from, to) = (now.DateTime.AddHours(-Before), now.DateTime.AddHours(After));
        var last = now.DateTime.AddHours(Room);
        var today = hours.On(0, DateOnly.FromDateTime(now.DateTime));
        var isOpen = today.Count > 0 && now.DateTime >= At(now.DateTime.Date, today[0].From) && last <= At(now.DateTime.Date, today[^1].To);
        return isOpen ? [] : [.. Days(from, to).Select(day => On(day, from, to, hours))];
    }

    private static IEnumerable<DateTime> Days(DateTime from, DateTime to)
    {
        for (var day = from.Date; day <= to.Date; day = day.AddDays(1))
            yield return day;
    }

    // The usual spans of the day and the open house, laid together.
    private static HoursSet On(DateTime day, DateTime from, DateTime to, ShopHours hours)
    {
        var begin = from <= day ? TimeOnly.MinValue : TimeOnly.FromDateTime(from);
        var end = to >= day.AddDays(1) ? new TimeOnly(23, 59) : TimeOnly.FromDateTime(to);
        var spans = new List<HourSpan>();
        foreach (var span in hours.On(0, DateOnly.FromDateTime(day)).Append(new HourSpan(begin, end)).OrderBy(s => s.From))
            if (spans.Count > 0 && span.From <= spans[^1].To)
                spans[^1] = spans[^1] with { To = span.To > spans[^1].To ? span.To : spans[^1].To };
            else
                spans.Add(span);
        return new HoursSet(
            0,
            "",
            day.DayOfWeek,
            DateOnly.FromDateTime(day),
            string.Join(' ', spans.Select(s => $"{s.From:HH:mm}-{s.To:HH:mm}")),
            Why
        );
    }

    private static DateTime At(DateTime day, TimeOnly time) => day.Add(time.ToTimeSpan());
}
