using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>How the minutes of a step have done: what was really taken against what the book says.</summary>
/// <param name="Step">The step.</param>
/// <param name="Name">Its name.</param>
/// <param name="Times">How often it was timed.</param>
/// <param name="BookMin">What the book says, min.</param>
/// <param name="UsualMin">What it usually takes here, drawn to the book where it was timed seldom, min.</param>
/// <param name="Mean">That, in the logarithm, against the book.</param>
/// <param name="Sd">How far it differs from time to time, in the logarithm.</param>
public sealed record StepMinutes(string Step, string Name, int Times, double BookMin, double UsualMin, double Mean, double Sd);

/// <summary>One step that was timed: from the line before it, by the same person on the same job.</summary>
/// <param name="Step">The step.</param>
/// <param name="Name">Its name.</param>
/// <param name="Person">Who.</param>
/// <param name="Model">On which model.</param>
/// <param name="BookMin">What the book says, min.</param>
/// <param name="Minutes">What it took, min.</param>
public sealed record TimedStep(string Step, string Name, long Person, string Model, double BookMin, double Minutes);

/// <summary>Learns how long steps really take.</summary>
public static class MinutesTaken
{
    /// <summary>What was timed on one job.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="lines">Its lines, oldest first.</param>
    /// <param name="stepOf">The step of a line with its name and minutes; null when it is none.</param>
    /// <param name="numbers">House numbers.</param>
    public static IEnumerable<TimedStep> On(
        string model,
        IReadOnlyList<Entry> lines,
        Func<EntryBody, (string Step, string Name, double Minutes)?> stepOf,
        DayNumbers numbers
    )
    {
        for (var i = 1; i < lines.Count; i++)
        {
            var (line, before) = (lines[i], lines[i - 1]);
            var took = (line.At - before.At).TotalMinutes;
            // Between two machines, over a break or a wait, nobody's hands were on it all the time.
            if (
                stepOf(line.Body) is { Minutes: > 0 } step
                && line.Person == before.Person
                && took > 0
                && took <= step.Minutes * numbers.ForgottenAfter
            )
                yield return new TimedStep(step.Step, step.Name, line.Person.Value, model, step.Minutes, took);
        }
    }

    /// <summary>What steps usually take here.</summary>
    /// <param name="timed">What was timed.</param>
    /// <param name="numbers">House numbers.</param>
    public static IReadOnlyList<StepMinutes> Of(IEnumerable<TimedStep> timed, DayNumbers numbers) =>
        [
            .. timed
                .GroupBy(t => t.Step)
                .Select(g =>
                {
                    var logs = g.Select(t => Math.Log(t.Minutes / t.BookMin)).ToList();
                    // Drawn to the book and to the house's spread, as by so many pieces that took just that.
                    var mean = logs.Sum() / (logs.Count + numbers.LearnFrom);
                    var var =
                        (logs.Sum(l => (l - mean) * (l - mean)) + (numbers.LearnFrom * numbers.MinutesSd * numbers.MinutesSd))
                        / (logs.Count + numbers.LearnFrom);
                    var book = g.Last().BookMin;
                    return new StepMinutes(g.Key, g.Last().Name, logs.Count, book, book * Math.Exp(mean), mean, Math.Sqrt(var));
                })
                .OrderByDescending(s => s.Times)
                .ThenBy(s => s.Name, StringComparer.Ordinal),
        ];
}
