using System.Globalization;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>Turns what a person says of hours and of the plan into lines.</summary>
public static class DayKeeping
{
    private const int MostSpans = 200;
    private const int FarDays = 3 * 366;

    /// <summary>Hours of the shop or of a person were set.</summary>
    /// <param name="of">The person; 0 for the shop.</param>
    /// <param name="name">Their name; null when there is no such person.</param>
    /// <param name="weekday">The day of the week.</param>
    /// <param name="day">A single day instead.</param>
    /// <param name="hours">Spans; empty for closed or off.</param>
    /// <param name="why">Why.</param>
    /// <param name="today">The date.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Hours(
        long of,
        string? name,
        DayOfWeek? weekday,
        DateOnly? day,
        string? hours,
        string? why,
        DateOnly today
    )
    {
        var problems = new List<Problem>();
        if (of != 0 && name is null)
            problems.Add(new Problem(DayProblem.NoPerson, "/of", of));
        if (weekday is null && day is null)
            problems.Add(new Problem(ProblemCode.Missing, "/weekday"));
        if (day is { } single && Math.Abs(single.DayNumber - today.DayNumber) > FarDays)
            problems.Add(new Problem(DayProblem.FarDay, "/day", $"{single:d MMM yyyy}"));
        var text = hours?.Trim() ?? "";
        Guard.Text(problems, text, "/hours", MostSpans, needed: false);
        Guard.Text(problems, why, "/why", Guard.LongestName, needed: false);
        if (HourSpan.Read(text) is null)
            problems.Add(new Problem(DayProblem.NoHours, "/hours", text));
        return problems.Count > 0
            ? problems
            : new List<EntryBody>
            {
                new HoursSet(of, of == 0 ? "" : name!, day?.DayOfWeek ?? weekday!.Value, day, text, why?.Trim() ?? ""),
            };
    }

    /// <summary>What the day keeps to was set.</summary>
    /// <param name="rule">Which rule; null when it is none.</param>
    /// <param name="of">The person, where the rule is about one.</param>
    /// <param name="name">Their name; null when there is no such person at the bench.</param>
    /// <param name="value">The number of places, spans of hours, or kinds of work.</param>
    /// <param name="numbers">House numbers, with the kinds of work.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Rule(DayRule? rule, long of, string? name, string? value, DayNumbers numbers)
    {
        var text = value?.Trim() ?? "";
        switch (rule)
        {
            case DayRule.Corners:
                var isWhole = int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var places);
                if (!isWhole || places > DayRules.MostCorners)
                    return new Problem(DayProblem.NoPlaces, "/value", text, DayRules.MostCorners);
                var many = places == 0 ? "as many as come" : $"{places}";
                return Line(rule.Value, 0, $"{places}", $"Places for open machines: {many}");
            case DayRule.Aired:
                if (text.Length > MostSpans || HourSpan.Read(text) is null)
                    return new Problem(DayProblem.NoHours, "/value", text);
                return Line(rule.Value, 0, text, $"Loud and smelly work: {(text.Length > 0 ? text : "at any open hour")}");
            case DayRule.Leaves:
                if (name is null)
                    return new Problem(DayProblem.NoPerson, "/of", of);
                var told = text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Distinct().ToList();
                if (told.FirstOrDefault(k => numbers.Kinds.All(n => n.Id != k)) is { } other)
                    return new Problem(DayProblem.NoKind, "/value", other);
                var kinds = numbers.Kinds.Where(k => told.Contains(k.Id)).ToList();
                return Line(
                    rule.Value,
                    of,
                    string.Join(' ', kinds.Select(k => k.Id)),
                    kinds.Count == 0 ? $"{name} does all work" : $"{name} leaves to others: {string.Join(", ", kinds.Select(k => k.Name))}"
                );
            default:
                return new Problem(ProblemCode.Missing, "/rule");
        }

        static List<EntryBody> Line(DayRule rule, long of, string value, string says) => [new DayRuleSet(rule, of, value, says)];
    }

    /// <summary>The next piece of a job was given to a person or set to a time, or let go.</summary>
    /// <param name="state">The job.</param>
    /// <param name="of">The person; 0 for whoever comes.</param>
    /// <param name="name">Their name; null when there is no such person at the bench.</param>
    /// <param name="from">When; null as soon as it can.</param>
    /// <param name="free">Whether it is let go.</param>
    /// <param name="left">The kind of work that its next piece is of and that person leaves to others; null for none.</param>
    /// <param name="now">The time.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Pin(
        JobState state,
        long of,
        string? name,
        DateTimeOffset? from,
        bool free,
        WorkKind? left,
        DateTimeOffset now
    )
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        if (!free && of != 0 && name is null)
            return new Problem(DayProblem.NoPerson, "/of", of);
        if (!free && left is not null)
            return new Problem(DayProblem.LeftToOthers, "/of", name ?? "", left.Name);
        if (!free && from < now.AddMinutes(-1))
            return new Problem(DayProblem.PastTime, "/from");
        if (!free && of == 0 && from is null)
            return new Problem(ProblemCode.Missing, "/of");
        return new List<EntryBody> { free ? new PiecePinned(0, "", null, true) : new PiecePinned(of, of == 0 ? "" : name!, from, false) };
    }

    /// <summary>A reminder was seen to.</summary>
    /// <param name="standing">Those that stand.</param>
    /// <param name="key">Which.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Done(IReadOnlyList<DayReminder> standing, string? key) =>
        standing.FirstOrDefault(r => r.Key == key) is { } one
            ? new List<EntryBody> { new ReminderDone(one.Key, $"{one.Says}, {one.About}") }
            : new Problem(DayProblem.NoReminder, "/of", key ?? "");

    /// <summary>The pin that holds on a job; null when there is none, or something was done on it since.</summary>
    /// <param name="lines">Its lines that stand, oldest first.</param>
    public static PiecePinned? PinOf(IReadOnlyList<Entry> lines)
    {
        for (var i = lines.Count - 1; i >= 0 && !lines[i].Body.ChangesTheCase; i--)
            if (lines[i].Body is PiecePinned pin)
                return pin.Free ? null : pin;
        return null;
    }
}

/// <summary>What can be wrong with what is said of the day.</summary>
public static class DayProblem
{
    /// <summary>A person who is not there.</summary>
    public static readonly ProblemCode NoPerson = new(
        "no-such-person",
        ProblemSort.Wrong,
        "No such person at the bench",
        "Person {0} is not of this shop, or does not work at the bench.",
        "Pick one of the list."
    );

    /// <summary>A job that the plan does not have.</summary>
    public static readonly ProblemCode NotPlanned = new(
        "not-planned",
        ProblemSort.Wrong,
        "It is not in the plan",
        "Job {0} needs no hands any more, or is not here.",
        "Look at the plan as it stands now."
    );

    /// <summary>Work that somebody leaves to others.</summary>
    public static readonly ProblemCode LeftToOthers = new(
        "left-to-others",
        ProblemSort.Wrong,
        "They leave such work to others",
        "The next piece is of a kind that {0} leaves to others: {1}.",
        "Give it to somebody else, or change what they leave, under Hours."
    );

    /// <summary>A kind of work that there is none of.</summary>
    public static readonly ProblemCode NoKind = new(
        "no-such-work",
        ProblemSort.Wrong,
        "No such kind of work",
        "There is no kind of work “{0}”.",
        "Pick from the list."
    );

    /// <summary>A number of places that is none.</summary>
    public static readonly ProblemCode NoPlaces = new(
        "no-places",
        ProblemSort.Wrong,
        "That is no number of places",
        "“{0}” is not a whole number of places up to {1}.",
        "Count the places where a machine can stand open; 0 stands for as many as come."
    );

    /// <summary>A reminder that does not stand.</summary>
    public static readonly ProblemCode NoReminder = new(
        "no-reminder",
        ProblemSort.Wrong,
        "No such reminder stands",
        "“{0}” is not among what is due: it was seen to already, or came to an end by itself.",
        "Look at what is due now."
    );

    /// <summary>A complaint that the book does not have.</summary>
    public static readonly ProblemCode NoComplaint = new(
        "no-such-complaint",
        ProblemSort.Wrong,
        "No such complaint in the book",
        "The book has no complaint “{0}”.",
        "Pick the nearest of the list."
    );

    /// <summary>Hours that are none.</summary>
    public static readonly ProblemCode NoHours = new(
        "no-hours",
        ProblemSort.Wrong,
        "These are no hours",
        "“{0}” is not read as hours.",
        "Write them as 09:00-12:30 13:00-17:00, each span after the one before; leave it empty for closed."
    );

    /// <summary>A day that is far off.</summary>
    public static readonly ProblemCode FarDay = new(
        "far-day",
        ProblemSort.Wrong,
        "That day is far off",
        "{0} is more than three years away.",
        "Look at the year."
    );

    /// <summary>A calendar's address that is none, or none any more.</summary>
    public static readonly ProblemCode NoCalendar = new(
        "no-calendar",
        ProblemSort.Unknown,
        "There is no calendar here",
        "The address was renewed, or never was one.",
        "Ask the owner for the address."
    );

    /// <summary>A time that is over.</summary>
    public static readonly ProblemCode PastTime = new(
        "past-time",
        ProblemSort.Wrong,
        "That time is over",
        "A piece cannot be set to a time that has gone by.",
        "Set it to a time from now on, or give it to a person alone."
    );
}
