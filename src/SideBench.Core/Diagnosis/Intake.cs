using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Diagnosis;

/// <summary>Checks what was told at take-in.</summary>
public static class Intake
{
    /// <summary>The kinds of ink asked for.</summary>
    public static readonly IReadOnlyList<string> Inks = ["maker", "compatible", "refilled", "addon", "unknown"];

    /// <summary>The kinds of paper asked for.</summary>
    public static readonly IReadOnlyList<string> Papers = ["plain", "photo", "thick", "unknown"];

    /// <summary>What is known of firmware updates.</summary>
    public static readonly IReadOnlyList<string> Firmwares = ["on", "off", "unknown"];

    /// <summary>All problems of a take-in; empty when it can be written.</summary>
    /// <param name="intake">What was told.</param>
    /// <param name="model">The machine's model; null when it is not known.</param>
    /// <param name="complaint">The complaint; null when no such complaint is in the book.</param>
    /// <param name="today">The date.</param>
    public static List<Problem> Problems(TakenIn intake, MachineModel? model, Complaint? complaint, DateOnly today)
    {
        var problems = new List<Problem>();
        if (string.IsNullOrEmpty(intake.Complaint))
            problems.Add(new Problem(ProblemCode.Missing, "/complaint"));
        else if (complaint is null)
            problems.Add(new Problem(ProblemCode.UnknownWord, "/complaint", intake.Complaint, "the complaints of the fault book"));
        else if (model is not null && !complaint.When.Holds(new Facts { Model = model, Context = new Dictionary<string, string>() }))
            problems.Add(new Problem(DiagnosisProblem.ComplaintDoesNotFit, "/complaint", complaint.Name, model.FullName));
        Guard.Text(problems, intake.Words, "/words", Guard.LongestText, needed: true);
        Guard.Text(problems, intake.Tried, "/tried", Guard.LongestText, needed: false);
        Guard.Text(problems, intake.Accessories, "/accessories", Guard.LongestText, needed: false);
        Guard.Word(problems, intake.Ink, "/ink", Inks);
        Guard.Word(problems, intake.Paper, "/paper", Papers);
        Guard.Range(problems, intake.IdleWeeks, "/idleWeeks", 0, 520);
        Guard.Range(problems, intake.CleansTried, "/cleansTried", 0, 100);
        if (intake.AgeYears is { } age)
            Guard.Range(problems, age, "/ageYears", 0, 60);
        if (intake.Firmware is { } firmware)
            Guard.Word(problems, firmware, "/firmware", Firmwares);
        if (model is not null)
            Guard.Range(problems, intake.Slot, "/slot", 0, model.Slots.Count);
        if (intake.Limit is { } limit)
            Guard.Range(problems, (double)limit, "/limit", 0, 100_000);
        if (intake.Promise is { } promise)
        {
            var day = new DateTimeOffset(today, TimeOnly.MinValue, TimeSpan.Zero);
            Guard.Day(problems, promise, "/promise", day.AddDays(-1), day.AddYears(BenchKeeping.LongestAheadYears));
        }

        if (intake.WarrantyEnd is { } end && (end.Year < 1990 || end.Year > today.Year + 20))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/warrantyEnd", end.ToString("yyyy-MM-dd"), 1990, today.Year + 20));
        return problems;
    }
}
