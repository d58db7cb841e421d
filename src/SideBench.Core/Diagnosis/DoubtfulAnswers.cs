using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>An answer on record that may not be the one that was meant.</summary>
/// <param name="Line">The line.</param>
/// <param name="Said">What it says.</param>
/// <param name="IsLikely">
/// Whether it came after an earlier answer of the same person on that job; the first one is concerned only if another step was chosen by
/// hand before it.
/// </param>
public sealed record DoubtfulAnswer(Entry Line, Answered Said, bool IsLikely);

/// <summary>
/// Answers of a time when a digit could write another answer than the one beside it: from the second card on that a page showed. Which
/// those are nobody can tell from the record; it lists all that can be concerned, and changes nothing.
/// </summary>
public static class DoubtfulAnswers
{
    /// <summary>From when on answers can be concerned: the day that the fault came in, UTC.</summary>
    public static readonly DateTimeOffset Since = new(2026, 11, 26, 0, 0, 0, TimeSpan.Zero);

    /// <summary>The answers of one job that can be concerned, oldest first.</summary>
    /// <param name="lines">All lines of the job, oldest first.</param>
    /// <returns>
    /// None of those that tell how they were told, were read off a sheet, came from a panel's code, or were taken back since.
    /// </returns>
    public static IReadOnlyList<DoubtfulAnswer> Of(IReadOnlyList<Entry> lines)
    {
        var takenBack = TakenBack.In(lines);
        var answeredBy = new HashSet<Identity.PersonId>();
        var doubtful = new List<DoubtfulAnswer>();
        foreach (var line in lines)
        {
            if (line.Body is not Answered said)
                continue;
            var isLater = !answeredBy.Add(line.Person);
            var isConcerned = line.How is null && line.At >= Since && said is { Sheet: null, Code: "" };
            if (isConcerned && !takenBack.Contains(line.Id.Value))
                doubtful.Add(new DoubtfulAnswer(line, said, isLater));
        }

        return doubtful;
    }
}
