using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Bench;

/// <summary>Checks what was told at take-in.</summary>
public static class Intake
{
    /// <summary>The kinds of ink asked for.</summary>
    public static readonly IReadOnlyList<string> Inks = ["maker", "compatible", "refilled", "addon", "unknown"];

    /// <summary>The kinds of paper asked for.</summary>
    public static readonly IReadOnlyList<string> Papers = ["plain", "photo", "thick", "unknown"];

    /// <summary>What is known of firmware updates.</summary>
    public static readonly IReadOnlyList<string> Firmwares = ["on", "off", "unknown"];

    /// <summary>Longest free text, characters.</summary>
    public const int LongestText = 2000;

    /// <summary>Longest name, characters.</summary>
    public const int LongestName = 120;

    /// <summary>All problems of a take-in; empty when it can be written.</summary>
    /// <param name="intake">What was told.</param>
    /// <param name="model">The machine's model; null when it is not known.</param>
    /// <param name="complaint">The complaint; null when no such complaint is in the book.</param>
    /// <param name="today">The date.</param>
    public static List<Problem> Problems(EntryBody.TakenIn intake, MachineModel? model, Complaint? complaint, DateOnly today)
    {
        var problems = new List<Problem>();
        if (string.IsNullOrEmpty(intake.Complaint))
            problems.Add(new Problem(ProblemCode.Missing, "/complaint"));
        else if (complaint is null)
            problems.Add(new Problem(ProblemCode.UnknownWord, "/complaint", intake.Complaint, "the complaints of the fault book"));
        else if (model is not null && !complaint.When.Holds(new Facts { Model = model, Context = new Dictionary<string, string>() }))
            problems.Add(new Problem(ProblemCode.ComplaintDoesNotFit, "/complaint", complaint.Name, model.FullName));
        Text(problems, intake.Words, "/words", LongestText, needed: true);
        Text(problems, intake.Tried, "/tried", LongestText, needed: false);
        Text(problems, intake.Accessories, "/accessories", LongestText, needed: false);
        Word(problems, intake.Ink, "/ink", Inks);
        Word(problems, intake.Paper, "/paper", Papers);
        Range(problems, intake.IdleWeeks, "/idleWeeks", 0, 520);
        Range(problems, intake.CleansTried, "/cleansTried", 0, 100);
        if (intake.AgeYears is { } age)
            Range(problems, age, "/ageYears", 0, 60);
        if (intake.Firmware is { } firmware)
            Word(problems, firmware, "/firmware", Firmwares);
        if (model is not null)
            Range(problems, intake.Slot, "/slot", 0, model.Slots.Count);
        if (intake.Limit is { } limit)
            Range(problems, (double)limit, "/limit", 0, 100_000);
        if (intake.Promise is { } promise && DateOnly.FromDateTime(promise.UtcDateTime) < today.AddDays(-1))
            problems.Add(
                new Problem(ProblemCode.OutOfRange, "/promise", promise.ToString("yyyy-MM-dd"), today.ToString("yyyy-MM-dd"), "later")
            );
        if (intake.WarrantyEnd is { } end && (end.Year < 1990 || end.Year > today.Year + 20))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/warrantyEnd", end.ToString("yyyy-MM-dd"), 1990, today.Year + 20));
        return problems;
    }

    /// <summary>Adds a problem when a text is missing or too long.</summary>
    public static void Text(List<Problem> problems, string? text, string path, int longest, bool needed)
    {
        if (needed && string.IsNullOrWhiteSpace(text))
            problems.Add(new Problem(ProblemCode.Missing, path));
        else if (text?.Length > longest)
            problems.Add(new Problem(ProblemCode.TooLong, path, text.Length, longest));
    }

    private static void Word(List<Problem> problems, string word, string path, IReadOnlyList<string> allowed)
    {
        if (!allowed.Contains(word))
            problems.Add(new Problem(ProblemCode.UnknownWord, path, word, string.Join(", ", allowed)));
    }

    private static void Range(List<Problem> problems, double value, string path, double min, double max)
    {
        if (value < min || value > max)
            problems.Add(new Problem(ProblemCode.OutOfRange, path, value, min, max));
    }
}
