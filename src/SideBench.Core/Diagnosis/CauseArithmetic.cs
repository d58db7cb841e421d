namespace SideBench.Core.Diagnosis;

/// <summary>One line of the arithmetic of a cause.</summary>
/// <param name="Kind">context, finding or repair.</param>
/// <param name="Says">The fact.</param>
/// <param name="Why">The book's reason for this cause; empty when it gives none.</param>
/// <param name="Likelihood">How likely the fact is under this cause; for a context rule or a repair what it multiplies.</param>
/// <param name="Average">How likely it was under all causes as the odds stood.</param>
/// <param name="Before">Odds before, 0 to 1.</param>
/// <param name="After">Odds after, 0 to 1.</param>
public sealed record ArithmeticLine(string Kind, string Says, string Why, double Likelihood, double Average, double Before, double After);

/// <summary>An answer that would change the mind.</summary>
/// <param name="Finding">The finding.</param>
/// <param name="Outcome">The answer.</param>
/// <param name="Chance">How likely it is, 0 to 1.</param>
/// <param name="Then">Odds of the cause after it, 0 to 1.</param>
/// <param name="Leads">The cause that would lead then.</param>
/// <param name="LeadsThen">Its odds then, 0 to 1.</param>
public sealed record MindChange(Finding Finding, FindingOutcome Outcome, double Chance, double Then, Cause Leads, double LeadsThen);

/// <summary>The arithmetic for one cause, fact by fact, and what would change it.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Start">Its share by the book's rates alone, 0 to 1.</param>
/// <param name="Lines">Fact by fact, oldest first.</param>
/// <param name="Now">Its odds now, 0 to 1.</param>
/// <param name="Changes">Answers that would lower it most, most telling first.</param>
public sealed record CauseArithmetic(
    Cause Cause,
    double Start,
    IReadOnlyList<ArithmeticLine> Lines,
    double Now,
    IReadOnlyList<MindChange> Changes
)
{
    private const int MostChanges = 3;
    private const double LeastDrop = 0.7;

    /// <summary>Works it out.</summary>
    /// <param name="odds">The odds.</param>
    /// <param name="facts">The case.</param>
    /// <param name="cause">The cause.</param>
    /// <returns>Null when the cause is not one of this case.</returns>
    public static CauseArithmetic? Of(Posterior odds, Facts facts, string cause)
    {
        var at = odds.Book.Causes.ToList().FindIndex(c => c.Id == cause);
        if (at < 0)
            return null;
        var start = Posterior.Of(odds.Book, facts with { Counts = ShopCounts.None, Context = new Dictionary<string, string>() }, []).Still[
            at
        ];
        var first = odds.Paths.Count > 0 ? odds.Paths[0].Before[at] : odds.Still[at];
        return new CauseArithmetic(
            odds.Book.Causes[at],
            odds.Paths.Count > 0 ? first : start,
            [.. odds.Paths.Select(p => Line(odds.Book, p, at))],
            odds.Still[at],
            Changing(odds, facts, at)
        );
    }

    private static ArithmeticLine Line(CaseBook book, CausePath path, int at)
    {
        var average = path.Before[at] > 0 && path.After[at] > 0 ? path.Factor[at] * path.Before[at] / path.After[at] : 0;
        return new ArithmeticLine(
            path.Evidence.Kind,
            path.Evidence.Says,
            WhyFor(book, path.Evidence, book.Causes[at].Id),
            path.Factor[at],
            average,
            path.Before[at],
            path.After[at]
        );
    }

    private static string WhyFor(CaseBook book, Evidence evidence, string cause)
    {
        if (evidence.Kind != "finding")
            return evidence.Why;
        var finding = book.Findings[book.IndexOfFinding(evidence.Source)];
        return finding.Rows.LastOrDefault(r => r.Causes.Contains(cause))?.Why ?? finding.OtherwiseWhy;
    }

    private static IReadOnlyList<MindChange> Changing(Posterior odds, Facts facts, int at)
    {
        var changes = new List<MindChange>();
        for (var f = 0; f < odds.Book.Findings.Count; f++)
        {
            var finding = odds.Book.Findings[f];
            if (finding.IsProof || facts.Answers.ContainsKey(finding.Id) || !finding.When.Holds(facts))
                continue;
            for (var o = 0; o < finding.Outcomes.Count; o++)
                Weigh(odds, f, o, at, changes);
        }

        return [.. changes.OrderBy(c => c.Then).DistinctBy(c => c.Finding.Id).Take(MostChanges)];
    }

    private static void Weigh(Posterior odds, int f, int o, int at, List<MindChange> changes)
    {
        var chance = Information.Chance(f, o, odds);
        if (chance <= 0)
            return;
        double[] then = [.. odds.Still.Select((p, c) => p * odds.Book.Likelihood[f][c][o] / chance)];
        if (then[at] > odds.Still[at] * LeastDrop)
            return;
        var leads = Array.IndexOf(then, then.Max());
        changes.Add(
            new MindChange(odds.Book.Findings[f], odds.Book.Findings[f].Outcomes[o], chance, then[at], odds.Book.Causes[leads], then[leads])
        );
    }
}
