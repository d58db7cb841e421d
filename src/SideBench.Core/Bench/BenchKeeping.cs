using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Core.StripDown;

namespace SideBench.Core.Bench;

/// <summary>Tray, clocks, waits, notes and the customer's word, as lines of the record. Pure: ids come in.</summary>
public static class BenchKeeping
{
    /// <summary>Kinds of wait a person can start.</summary>
    public static readonly IReadOnlyList<string> ClockKinds = ["settle", "dry", "rest", "soak", "charge", "other"];

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
        Intake.Text(problems, label, "/label", Intake.LongestName, needed: true);
        if (!Changes.Contains(change))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/change", change, string.Join(", ", Changes)));
        if (count is < 1 or > 200)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/count", count, 1, 200));
        if (problems.Count > 0)
            return problems;
        return One(new EntryBody.TrayPutBy(new TrayItem(newId, label.Trim(), change, count, "", MarksOf(change))));
    }

    /// <summary>Takes things off the tray: they are back, shut or out again.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="items">What is undone, all of it.</param>
    /// <param name="graph">How the machine opens; null when its model has no graph.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Clear(JobState state, IReadOnlyList<string> items, AccessGraph? graph = null)
    {
        if (items.Count == 0)
            return new Problem(ProblemCode.Missing, "/items");
        var missing = items
            .Where(id => state.Tray.All(i => i.Id != id))
            .Select(id => new Problem(ProblemCode.UnknownTrayItem, "/items", id))
            .ToList();
        if (missing.Count > 0)
            return missing;
        // Everything that is undone in one press may lie one beneath the other; what stays may not lie beneath it.
        var stays = state.Tray.Where(i => !items.Contains(i.Id)).ToList();
        var each = state
            .Tray.Where(i => items.Contains(i.Id))
            .Select(i =>
                OpeningWork.PutBack(state with { Tray = [.. state.Tray.Where(t => t.Id == i.Id || stays.Contains(t))] }, graph, i.Id, null)
            )
            .ToList();
        var problems = each.SelectMany(e => e.Problems).ToList();
        if (problems.Count > 0)
            return problems;
        return each.SelectMany(e => e.Value).ToList();
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
        Intake.Text(problems, label, "/label", Intake.LongestName, needed: false);
        if (!(minMinutes is > 0 and <= 60 * 24 * 30))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/minMinutes", minMinutes, "above 0", 60 * 24 * 30));
        if (maxMinutes is { } max && !(max >= minMinutes))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/maxMinutes", max, minMinutes, "any"));
        if (problems.Count > 0)
            return problems;
        return One(new EntryBody.ClockStarted(newId, kind, string.IsNullOrWhiteSpace(label) ? kind : label.Trim(), minMinutes, maxMinutes));
    }

    /// <summary>Ends a clock.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> StopClock(JobState state, string clock) =>
        state.Clocks.Any(c => c.Id == clock)
            ? One(new EntryBody.ClockStopped(clock))
            : new Problem(ProblemCode.UnknownClock, "/clock", clock);

    /// <summary>Sets what a job waits for.</summary>
    /// <param name="state">Where the job stands.</param>
    /// <param name="waitsFor">parts, customer or hands.</param>
    /// <param name="what">What exactly; needed unless it is hands.</param>
    /// <param name="until">When that is expected; null when not known.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Wait(JobState state, string waitsFor, string what, DateTimeOffset? until)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        if (waitsFor is not ("parts" or "customer" or "hands"))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/for", waitsFor, "parts, customer, hands"));
        Intake.Text(problems, what, "/what", Intake.LongestName, needed: waitsFor != "hands");
        if (problems.Count > 0)
            return problems;
        return One(new EntryBody.WaitSet(waitsFor, what, until));
    }

    /// <summary>Writes a note.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Note(string text)
    {
        var problems = new List<Problem>();
        Intake.Text(problems, text, "/text", Intake.LongestText, needed: true);
        if (problems.Count > 0)
            return problems;
        return One(new EntryBody.Noted(text.Trim()));
    }

    /// <summary>Records that the customer agreed to something a gate asks for.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Consent(JobState state, string what, string by)
    {
        if (state.Closing is not null)
            return new Problem(ProblemCode.JobClosed, "");
        var problems = new List<Problem>();
        if (what is not ("open-in-warranty" or "irreversible" or "past-limit" or "past-worth"))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/what", what, "open-in-warranty, irreversible, past-limit, past-worth"));
        Intake.Text(problems, by, "/by", Intake.LongestName, needed: true);
        if (problems.Count > 0)
            return problems;
        return One(new EntryBody.Consented(what, by.Trim()));
    }

    /// <summary>Moves a machine to a place on the bench, or off it.</summary>
    /// <param name="place">From 1; 0 for off the bench; null when it was not said.</param>
    /// <param name="places">Places the bench has.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Place(int? place, int places) =>
        place switch
        {
            null => new Problem(ProblemCode.Missing, "/place"),
            { } p when p < 0 || p > places => new Problem(ProblemCode.OutOfRange, "/place", p, 0, places),
            { } p => One(new EntryBody.PlaceSet(p)),
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
        Intake.Text(problems, to, "/to", Intake.LongestName, needed: true);
        if (charge is < 0 or > 100_000)
            problems.Add(new Problem(ProblemCode.OutOfRange, "/charge", charge, 0, 100_000));
        if (problems.Count > 0)
            return problems;
        return One(new EntryBody.HandedOver(to.Trim(), charge, currency));
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
