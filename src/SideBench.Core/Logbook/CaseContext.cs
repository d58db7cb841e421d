namespace SideBench.Core.Logbook;

/// <summary>Turns what was told at take-in into the context words that the fault book's rules look at.</summary>
public static class CaseContext
{
    /// <summary>
    /// Context words: ink, idle (none, weeks, months), moved, paper, borderless, warranty, tried, age, last work, firmware.
    /// </summary>
    /// <param name="intake">What was told.</param>
    /// <param name="today">The date, for the warranty.</param>
    /// <param name="complaint">The complaint looked at.</param>
    public static IReadOnlyDictionary<string, string> Of(EntryBody.TakenIn intake, DateOnly today, string complaint) =>
        new Dictionary<string, string>
        {
            ["ink"] = intake.Ink,
            ["idle"] = intake.IdleWeeks switch
            {
                < 2 => "none",
                < 9 => "weeks",
                _ => "months",
            },
            ["moved"] = intake.Moved ? "yes" : "no",
            ["paper"] = intake.Paper,
            ["borderless"] = intake.Borderless ? "yes" : "no",
            ["warranty"] = intake.WarrantyEnd is { } end && end >= today ? "in" : "out",
            ["tried"] = intake.CleansTried switch
            {
                0 => "none",
                < 4 => "some",
                _ => "many",
            },
            ["complaint"] = complaint,
            ["age"] = intake.AgeYears switch
            {
                null => "unknown",
                < 1 => "new",
                < 6 => "middle",
                _ => "old",
            },
            ["lastWork"] = intake.LastWork ?? "none",
            ["firmware"] = intake.Firmware ?? "unknown",
        };
}
