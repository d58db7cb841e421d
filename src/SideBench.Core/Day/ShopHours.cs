using System.Globalization;
using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>A span of hours of a day.</summary>
/// <param name="From">From.</param>
/// <param name="To">To, later than that.</param>
public readonly record struct HourSpan(TimeOnly From, TimeOnly To)
{
    private const string Shape = "HH:mm";

    /// <summary>Reads spans such as "09:00-12:30 13:00-17:00"; null when it is none. Empty is a closed day.</summary>
    public static IReadOnlyList<HourSpan>? Read(string text)
    {
        var spans = new List<HourSpan>();
        foreach (var part in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var ends = part.Split('-');
            if (
                ends.Length != 2
                || !TimeOnly.TryParseExact(ends[0], Shape, CultureInfo.InvariantCulture, DateTimeStyles.None, out var from)
                || !TimeOnly.TryParseExact(ends[1], Shape, CultureInfo.InvariantCulture, DateTimeStyles.None, out var to)
                || to <= from
                || (spans.Count > 0 && from < spans[^1].To)
            )
                return null;
            spans.Add(new HourSpan(from, to));
        }

        return spans;
    }
}

/// <summary>When the shop is open, and when each of its people is there.</summary>
/// <param name="Week">Opening hours by day of the week; a day that is missing is closed.</param>
/// <param name="Days">Single days of the shop that differ; no spans for a closed one.</param>
/// <param name="People">Hours of people that differ from the shop's, by person and day of the week.</param>
/// <param name="Off">Single days of people that differ; no spans for a day off.</param>
public sealed record ShopHours(
    IReadOnlyDictionary<DayOfWeek, IReadOnlyList<HourSpan>> Week,
    IReadOnlyDictionary<DateOnly, IReadOnlyList<HourSpan>> Days,
    IReadOnlyDictionary<(long Person, DayOfWeek Day), IReadOnlyList<HourSpan>> People,
    IReadOnlyDictionary<(long Person, DateOnly Day), IReadOnlyList<HourSpan>> Off
)
{
    /// <summary>The hours as the shop's lines set them, over those of the house.</summary>
    /// <param name="shop">Lines about the shop that stand, oldest first.</param>
    /// <param name="numbers">House numbers.</param>
    public static ShopHours Of(IEnumerable<Entry> shop, DayNumbers numbers)
    {
        var week = numbers.Week.ToDictionary(d => d.Key, d => HourSpan.Read(d.Value) ?? []);
        var days = new Dictionary<DateOnly, IReadOnlyList<HourSpan>>();
        var people = new Dictionary<(long, DayOfWeek), IReadOnlyList<HourSpan>>();
        var off = new Dictionary<(long, DateOnly), IReadOnlyList<HourSpan>>();
        foreach (var set in shop.Select(e => e.Body).OfType<HoursSet>())
        {
            var spans = HourSpan.Read(set.Hours) ?? [];
            if (set.Day is { } day && set.Of == 0)
                days[day] = spans;
            else if (set.Day is { } own)
                off[(set.Of, own)] = spans;
            else if (set.Of == 0)
                week[set.Weekday] = spans;
            else
                people[(set.Of, set.Weekday)] = spans;
        }

        return new ShopHours(week, days, people, off);
    }

    /// <summary>Hours of a person on a day: within the shop's own; 0 for the shop itself.</summary>
    public IReadOnlyList<HourSpan> On(long person, DateOnly day)
    {
        var shop = Days.GetValueOrDefault(day) ?? Week.GetValueOrDefault(day.DayOfWeek) ?? [];
        var own =
            person == 0 ? null
            : Off.TryGetValue((person, day), out var single) ? single
            : People.GetValueOrDefault((person, day.DayOfWeek));
        return own is null ? shop : [.. Within(shop, own)];
    }

    /// <summary>The spans in which a person can work, from a time on.</summary>
    /// <param name="person">Who; 0 for the shop itself.</param>
    /// <param name="from">From when on.</param>
    /// <param name="days">So many days, the first among them.</param>
    /// <param name="zone">The shop's time zone: an hour that does not exist on a night of a change begins after it.</param>
    /// <param name="within">Within these hours of every day; null for all of them.</param>
    public IReadOnlyList<(DateTimeOffset From, DateTimeOffset To)> Ahead(
        long person,
        DateTimeOffset from,
        int days,
        TimeZoneInfo zone,
        IReadOnlyList<HourSpan>? within = null
    )
    {
        var today = DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(from, zone).DateTime);
        var spans = new List<(DateTimeOffset, DateTimeOffset)>();
        for (var d = 0; d < days; d++)
            foreach (var span in within is null ? On(person, today.AddDays(d)) : Within(On(person, today.AddDays(d)), within))
            {
                var (begin, end) = (At(today.AddDays(d), span.From, zone), At(today.AddDays(d), span.To, zone));
                if (end > from && end > begin)
                    spans.Add((begin > from ? begin : from, end));
            }

        return spans;
    }

    private static DateTimeOffset At(DateOnly day, TimeOnly time, TimeZoneInfo zone)
    {
        var local = day.ToDateTime(time, DateTimeKind.Unspecified);
        while (zone.IsInvalidTime(local))
            local = local.AddMinutes(1);
        return new DateTimeOffset(local, zone.GetUtcOffset(local));
    }

    private static IEnumerable<HourSpan> Within(IReadOnlyList<HourSpan> shop, IReadOnlyList<HourSpan> own) =>
        from a in shop
        from b in own
        let begin = a.From > b.From ? a.From : b.From
        let end = a.To < b.To ? a.To : b.To
        where end > begin
        select new HourSpan(begin, end);
}
