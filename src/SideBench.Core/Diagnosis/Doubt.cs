namespace SideBench.Core.Diagnosis;

/// <summary>The answer that fits least when the findings contradict the book: it is asked again before anyone gives up.</summary>
/// <param name="Finding">The finding.</param>
/// <param name="Said">What it said.</param>
/// <param name="UnknownWithout">Chance of a fault that the book does not know, were the answer not there, 0 to 1.</param>
public sealed record Doubt(Finding Finding, FindingOutcome Said, double UnknownWithout)
{
    /// <summary>Finds it.</summary>
    /// <param name="odds">The odds; they should contradict the book.</param>
    /// <param name="facts">The case.</param>
    /// <param name="timeline">Answers and repairs as they stand.</param>
    /// <returns>
    /// The answer without which the findings fit best; null when none of them alone is the trouble, or it was asked again already.
    /// </returns>
    public static Doubt? Of(Posterior odds, Facts facts, IReadOnlyList<CaseEvent> timeline)
    {
        if (!odds.Contradicted)
            return null;
        Doubt? most = null;
        foreach (var told in timeline.OfType<CaseEvent.Told>())
        {
            if (odds.Book.IndexOfFinding(told.Finding) is not (>= 0 and var f) || odds.Book.Findings[f].IsProof)
                continue;
            if (timeline.OfType<CaseEvent.Told>().Count(t => t.Finding == told.Finding) > 1)
                continue;
            var without = Posterior.Of(odds.Book, facts, [.. timeline.Where(e => e != told)]).Unknown;
            if (without < odds.Unknown * odds.Book.Book.House.DoubtRelief && (most is null || without < most.UnknownWithout))
                most = new Doubt(
                    odds.Book.Findings[f],
                    odds.Book.Findings[f].Outcomes[odds.Book.Findings[f].IndexOf(told.Outcome)],
                    without
                );
        }

        return most;
    }
}
