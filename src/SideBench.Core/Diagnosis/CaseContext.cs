using SideBench.Core.Jobs;
using SideBench.Core.Machines;

namespace SideBench.Core.Diagnosis;

/// <summary>From where on a number told at take-in gets which context word: house defaults, in the packs.</summary>
/// <param name="IdleWeeksFrom">Weeks of standing that count as weeks.</param>
/// <param name="IdleMonthsFromWeeks">Weeks of standing that count as months.</param>
/// <param name="ManyCleansFrom">Cleans tried at home that count as many.</param>
/// <param name="MiddleAgeFromYears">Age from which a machine is no longer new, years.</param>
/// <param name="OldFromYears">Age from which a machine is old, years.</param>
public sealed record ContextBounds(
    int IdleWeeksFrom,
    int IdleMonthsFromWeeks,
    int ManyCleansFrom,
    int MiddleAgeFromYears,
    int OldFromYears
);

/// <summary>Turns what was told at take-in into the context words that the fault book's rules look at.</summary>
public static class CaseContext
{
    /// <summary>The words there can be, by key; written conditions are checked against them.</summary>
    public static readonly IReadOnlyList<FactKind> Kinds =
    [
        new("ink", Intake.Inks, "", "The ink in use, as told at take-in"),
        new("idle", ["none", "weeks", "months"], "", "How long the machine stood"),
        new("moved", ["yes", "no"], "", "Moved or tipped lately"),
        new("paper", Intake.Papers, "", "The paper in use"),
        new("borderless", ["yes", "no"], "", "Borderless prints"),
        new("warranty", ["in", "out"], "", "Whether its warranty still runs"),
        new("tried", ["none", "some", "many"], "", "Cleans tried before it came"),
        new("complaint", [], "", "The complaint looked at"),
        new("age", ["unknown", "new", "middle", "old"], "", "How old the machine is"),
        new("lastWork", ["none", "signal", "ink", "waste"], "", "The path that was worked on last"),
        new("firmware", Intake.Firmwares, "", "Whether firmware updates are on"),
    ];

    /// <summary>Context words: ink, idle, moved, paper, borderless, warranty, tried, complaint, age, last work, firmware.</summary>
    /// <param name="intake">What was told.</param>
    /// <param name="today">The date, for the warranty.</param>
    /// <param name="complaint">The complaint looked at.</param>
    /// <param name="bounds">From where on which word counts.</param>
    public static IReadOnlyDictionary<string, string> Of(TakenIn intake, DateOnly today, string complaint, ContextBounds bounds) =>
        new Dictionary<string, string>
        {
            ["ink"] = intake.Ink,
            ["idle"] =
                intake.IdleWeeks < bounds.IdleWeeksFrom ? "none"
                : intake.IdleWeeks < bounds.IdleMonthsFromWeeks ? "weeks"
                : "months",
            ["moved"] = intake.Moved ? "yes" : "no",
            ["paper"] = intake.Paper,
            ["borderless"] = intake.Borderless ? "yes" : "no",
            ["warranty"] = intake.WarrantyEnd is { } end && end >= today ? "in" : "out",
            ["tried"] =
                intake.CleansTried <= 0 ? "none"
                : intake.CleansTried < bounds.ManyCleansFrom ? "some"
                : "many",
            ["complaint"] = complaint,
            ["age"] = intake.AgeYears switch
            {
                null => "unknown",
                { } years when years < bounds.MiddleAgeFromYears => "new",
                { } years when years < bounds.OldFromYears => "middle",
                _ => "old",
            },
            ["lastWork"] = intake.LastWork ?? "none",
            ["firmware"] = intake.Firmware ?? "unknown",
        };
}
