namespace SideBench.Core.Diagnosis;

/// <summary>How one fact moved the suspicion on a station.</summary>
/// <param name="Station">The station.</param>
/// <param name="Before">Suspicion before, 0 to 1.</param>
/// <param name="After">Suspicion after, 0 to 1.</param>
public sealed record Move(string Station, double Before, double After);

/// <summary>One fact and what it moved.</summary>
/// <param name="Kind">context, finding or repair.</param>
/// <param name="Source">Name of the rule, finding or repair.</param>
/// <param name="Says">The fact as a sentence.</param>
/// <param name="Why">The book's reason for the largest move; empty when it gives none.</param>
/// <param name="Entry">The line of the record it came with; null for context.</param>
/// <param name="Moves">What it moved, largest first.</param>
/// <param name="Weight">
/// On the station that leads now: natural log of how the fact changed its odds; above 0 blames, below 0 clears.
/// </param>
public sealed record Evidence(string Kind, string Source, string Says, string Why, long? Entry, IReadOnlyList<Move> Moves, double Weight);

/// <summary>One fact in the arithmetic of the causes.</summary>
/// <param name="Evidence">The fact.</param>
/// <param name="Factor">Per cause: what the fact multiplied its weight with.</param>
/// <param name="Before">Per cause: its odds before the fact, 0 to 1.</param>
/// <param name="After">Per cause: its odds after the fact, 0 to 1.</param>
public sealed record CausePath(Evidence Evidence, double[] Factor, double[] Before, double[] After);

/// <summary>
/// The odds over causes given context, findings and repairs, computed in log space.
/// Each cause is either still there or ended by a repair ("mended"); one more hypothesis is "not in the book". A thread
/// has one fault, or after a repair a second one behind it (at the house's rate); answers are independent given the
/// causes (our assumption, as in most fault books).
/// </summary>
public sealed class Posterior
{
    private Posterior(
        CaseBook book,
        double[] still,
        double[] mended,
        double unknown,
        IReadOnlyList<Evidence> evidence,
        IReadOnlyList<CausePath> paths
    )
    {
        Paths = paths;
        Book = book;
        Still = still;
        Mended = mended;
        Unknown = unknown;
        Evidence = evidence;
    }

    /// <summary>The same odds, for planning with a book that knows more of what repairs bring here.</summary>
    internal Posterior Planned(CaseBook book) => new(book, Still, Mended, Unknown, Evidence, Paths);

    /// <summary>The book it was computed with.</summary>
    public CaseBook Book { get; }

    /// <summary>Chance that the cause is there still, per cause.</summary>
    public double[] Still { get; }

    /// <summary>Chance that the cause was there and is gone, per cause.</summary>
    public double[] Mended { get; }

    /// <summary>Chance that the fault is not in the book.</summary>
    public double Unknown { get; }

    /// <summary>What moved it, oldest first.</summary>
    public IReadOnlyList<Evidence> Evidence { get; }

    /// <summary>The arithmetic per cause: its odds after every fact.</summary>
    internal IReadOnlyList<CausePath> Paths { get; }

    /// <summary>Whether the findings contradict the book: what it does not know explains them better than all it knows.</summary>
    public bool Contradicted => Unknown >= Book.Book.House.ContradictsAbove && Evidence.Count(e => e.Kind == "finding") >= 2;

    /// <summary>Chance that a repair ended the fault.</summary>
    public double Fixed => Mended.Sum();

    /// <summary>Suspicion on a station: the chance that a cause there is present still.</summary>
    public double On(string station)
    {
        double sum = 0;
        for (var c = 0; c < Still.Length; c++)
            if (Book.Causes[c].Station == station)
                sum += Still[c];
        return sum;
    }

    /// <summary>Computes the odds.</summary>
    /// <param name="book">The book for this model and complaint.</param>
    /// <param name="facts">Context, for the rules and for causes that cannot be here.</param>
    /// <param name="timeline">Answers and repairs as they stand, oldest first.</param>
    public static Posterior Of(CaseBook book, Facts facts, IReadOnlyList<CaseEvent> timeline)
    {
        var run = new PosteriorRun(book);
        run.Start(facts);
        foreach (var rule in book.Book.Rules)
            if (rule.When.Holds(facts))
                run.Apply(rule);
        run.Apply(facts.Counts);
        for (var i = 0; i < timeline.Count; i++)
            if (!IsRetold(book, timeline, i))
                run.Apply(timeline[i]);
        var (still, mended, unknown) = run.Normalised();
        return new Posterior(book, still, mended, unknown, run.Evidence(still), run.Paths);
    }

    // The same question told again before any repair is the same fact again, so only its last answer counts. A proof made again is a new
    // sheet, so each counts.
    private static bool IsRetold(CaseBook book, IReadOnlyList<CaseEvent> timeline, int index)
    {
        if (timeline[index] is not CaseEvent.Told told)
            return false;
        if (book.IndexOfFinding(told.Finding) is >= 0 and var f && book.Findings[f].IsProof)
            return false;
        for (var j = index + 1; j < timeline.Count; j++)
        {
            if (timeline[j] is CaseEvent.Worked)
                return false;
            if (timeline[j] is CaseEvent.Told later && later.Finding == told.Finding)
                return true;
        }
        return false;
    }
}
