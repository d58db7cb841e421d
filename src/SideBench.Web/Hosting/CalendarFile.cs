using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace SideBench.Web.Hosting;

/// <summary>An entry of a calendar.</summary>
/// <param name="Id">The same for the same thing, so that a calendar moves it and does not double it.</param>
/// <param name="Title">What.</param>
/// <param name="Text">More of it.</param>
/// <param name="At">When.</param>
/// <param name="IsDay">Whether it is a whole day.</param>
public sealed record CalendarEntry(string Id, string Title, string Text, DateTimeOffset At, bool IsDay);

/// <summary>Writes entries as an iCalendar file.</summary>
public static class CalendarFile
{
    /// <summary>What it is.</summary>
    public const string ContentType = "text/calendar; charset=utf-8";
    private const string Maker = "-//Side Bench//EN";
    private static readonly TimeSpan Moment = TimeSpan.FromMinutes(15);

    /// <summary>The file.</summary>
    /// <param name="entries">Its entries.</param>
    /// <param name="made">When it was made.</param>
    public static string Of(IEnumerable<CalendarEntry> entries, DateTimeOffset made)
    {
        var calendar = new Calendar { ProductId = Maker };
        foreach (var entry in entries)
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = $"{entry.Id}@side-bench",
                    Summary = entry.Title,
                    Description = entry.Text,
                    DtStamp = new CalDateTime(made.UtcDateTime),
                    Start = entry.IsDay ? new CalDateTime(DateOnly.FromDateTime(entry.At.DateTime)) : new CalDateTime(entry.At.UtcDateTime),
                    End = entry.IsDay
                        ? new CalDateTime(DateOnly.FromDateTime(entry.At.DateTime).AddDays(1))
                        : new CalDateTime(entry.At.Add(Moment).UtcDateTime),
                }
            );
        return new CalendarSerializer().SerializeToString(calendar)!;
    }
}
