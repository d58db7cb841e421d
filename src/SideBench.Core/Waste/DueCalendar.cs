using System.Globalization;
using System.Text;

namespace SideBench.Core.Waste;

/// <summary>A day on which a machine's waste is to be seen to, as an iCalendar file (RFC 5545) that any calendar takes in.</summary>
public static class DueCalendar
{
    private const int LongestLine = 73;

    /// <summary>The file: one whole day.</summary>
    /// <param name="id">Tells the event from others, and the same one again.</param>
    /// <param name="day">The day.</param>
    /// <param name="title">What is due.</param>
    /// <param name="text">What to do.</param>
    /// <param name="made">When the file was made.</param>
    public static string Of(string id, DateOnly day, string title, string text, DateTimeOffset made)
    {
        var file = new StringBuilder();
        string[] lines =
        [
            "BEGIN:VCALENDAR",
            "VERSION:2.0",
            "PRODID:-//Side Bench//waste//EN",
            "BEGIN:VEVENT",
            $"UID:{id}",
            $"DTSTAMP:{made.UtcDateTime.ToString("yyyyMMdd'T'HHmmss'Z'", CultureInfo.InvariantCulture)}",
            $"DTSTART;VALUE=DATE:{day.ToString("yyyyMMdd", CultureInfo.InvariantCulture)}",
            $"DTEND;VALUE=DATE:{day.AddDays(1).ToString("yyyyMMdd", CultureInfo.InvariantCulture)}",
            $"SUMMARY:{Escaped(title)}",
            $"DESCRIPTION:{Escaped(text)}",
            "END:VEVENT",
            "END:VCALENDAR",
        ];
        foreach (var line in lines)
            Folded(file, line);
        return file.ToString();
    }

    // Commas, semicolons, backslashes and line ends have a meaning of their own there.
    private static string Escaped(string text) =>
        text.Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace(";", "\\;", StringComparison.Ordinal)
            .Replace(",", "\\,", StringComparison.Ordinal)
            .Replace("\r\n", "\\n", StringComparison.Ordinal)
            .Replace("\n", "\\n", StringComparison.Ordinal);

    // A line is at most 75 bytes long; what is longer goes on after a blank.
    private static void Folded(StringBuilder file, string line)
    {
        var length = 0;
        foreach (var rune in line.EnumerateRunes())
        {
            if (length + rune.Utf8SequenceLength > LongestLine)
            {
                file.Append("\r\n ");
                length = 1;
            }

            file.Append(rune);
            length += rune.Utf8SequenceLength;
        }

        file.Append("\r\n");
    }
}
