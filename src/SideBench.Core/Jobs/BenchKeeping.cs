using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>Tray, clocks, waits, notes and the customer's word, as lines of the record. Pure: ids come in.</summary>
public static class BenchKeeping
{
    /// <summary>Kinds of wait a person can start.</summary>
    public static readonly IReadOnlyList<string> ClockKinds = ["settle", "dry", "rest", "soak", "charge", "other"];

    /// <summary>The longest wait a person can start, min: 30 days.</summary>
    public const double LongestWaitMinutes = 60 * 24 * 30;

    /// <summary>How long ahead a wait can expect its end, years.</summary>
    public const int LongestAheadYears = 10;

    /// <summary>What can be done with a thing that goes on the tray.</summary>
    public static readonly IReadOnlyList<string> Changes =
    [
        "off",
        "loose",
        "open",
        "aside",
        "unplugged",
        "plugged",
        "clamped",
        "taped",
        "inside",
        "bridged",
        "wet",
    ];

    /// <summary>Puts something on the tray by hand.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Put(JobState state, string label, string change, int count, string newId)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        Guard.Text(problems, label, "/label", Guard.LongestName, needed: true);
        if (!Changes.Contains(change))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/change", change, string.Join(", ", Changes)));
        if (count is < 1 or > 200)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/count", count, 1, 200));
        if (problems.Count > 0)
            return problems;
        return One(new TrayPutBy(new TrayItem(newId, label.Trim(), change, count, "", MarksOf(change))));
    }

    /// <summary>Starts a clock.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> StartClock(
        JobState state,
        string kind,
        string label,
        double minMinutes,
        double? maxMinutes,
        string newId
    )
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        if (!ClockKinds.Contains(kind))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/kind", kind, string.Join(", ", ClockKinds)));
        Guard.Text(problems, label, "/label", Guard.LongestName, needed: false);
        if (!(minMinutes is > 0 and <= LongestWaitMinutes))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/minMinutes", minMinutes, "above 0", LongestWaitMinutes));
        if (maxMinutes is { } max)
            Guard.Range(problems, max, "/maxMinutes", minMinutes, Clock.LongestMinutes);
        if (problems.Count > 0)
            return problems;
        return One(new ClockStarted(newId, kind, string.IsNullOrWhiteSpace(label) ? kind : label.Trim(), minMinutes, maxMinutes));
    }

    /// <summary>Ends a clock.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> StopClock(JobState state, string clock) =>
        state.Clocks.Any(c => c.Id == clock) ? One(new ClockStopped(clock)) : new Problem(ProblemCode.UnknownClock, "/clock", clock);

    /// <summary>Sets what a job waits for.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="waitsFor">parts, customer or hands.</param>
    /// <param name="what">What exactly; needed unless it is hands.</param>
    /// <param name="until">When that is expected; null when not known.</param>
    /// <param name="now">The time now: an end is expected from yesterday on, within ten years.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Wait(
        JobState state,
        string waitsFor,
        string what,
        DateTimeOffset? until,
        DateTimeOffset now
    )
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        if (waitsFor is not ("parts" or "customer" or "hands"))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/for", waitsFor, "parts, customer, hands"));
        Guard.Text(problems, what, "/what", Guard.LongestName, needed: waitsFor != "hands");
        if (until is { } end)
            Guard.Day(problems, end, "/until", now.AddDays(-1), now.AddYears(LongestAheadYears));
        if (problems.Count > 0)
            return problems;
        return One(new WaitSet(waitsFor, what, until));
    }

    /// <summary>Writes a note.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Note(string text)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, text, "/text", Guard.LongestText, needed: true);
        if (problems.Count > 0)
            return problems;
        return One(new Noted(text.Trim()));
    }

    /// <summary>Records that the customer agreed to something a gate asks for.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Consent(JobState state, string what, string by)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        Guard.Word(problems, what, "/what", Consented.All);
        Guard.Text(problems, by, "/by", Guard.LongestName, needed: true);
        if (problems.Count > 0)
            return problems;
        return One(new Consented(what, by.Trim()));
    }

    /// <summary>Moves a machine to a place on the bench, or off it.</summary>
    /// <param name="place">From 1; 0 for off the bench; null when it was not said.</param>
    /// <param name="places">Places the bench has.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Place(int? place, int places) =>
        place switch
        {
            null => new Problem(ProblemCode.Missing, "/place"),
            { } p when p < 0 || p > places => new Problem(ProblemCode.OutOfRange, "/place", p, 0, places),
            { } p => One(new PlaceSet(p)),
        };

    /// <summary>Hands a machine over.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> HandOver(JobState state, string to, decimal charge, string currency)
    {
        if (state.HandOver is not null)
            return new Problem(ProblemCode.HandedOverAlready, "");
        if (state.Closing is null)
            return new Problem(ProblemCode.JobOpen, "");
        if (state.Tray.Where(i => i.Change == "inside").ToList() is { Count: > 0 } inside)
            return new Problem(ProblemCode.StillInside, "/tray", string.Join(", ", inside.Select(i => i.Label)));
        var problems = new List<Problem>();
        Guard.Text(problems, to, "/to", Guard.LongestName, needed: true);
        if (charge is < 0 or > 100_000)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/charge", charge, 0, 100_000));
        if (problems.Count > 0)
            return problems;
        return One(new HandedOver(to.Trim(), charge, currency));
    }

    private static IReadOnlyList<string> MarksOf(string change) =>
        change switch
        {
            "off" or "open" => ["open"],
            "inside" => ["inside", "no-power"],
            "wet" => ["wet", "no-power"],
            "plugged" or "clamped" => ["no-power"],
            "bridged" or "taped" => ["no-close"],
            _ => [],
        };

    private static Outcome<IReadOnlyList<EntryBody>> One(EntryBody body) => new List<EntryBody> { body };
}
