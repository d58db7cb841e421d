using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>The shop's own words in the fault book: rates of causes, and likelihoods of answers under a cause.</summary>
public static class BookEdits
{
    /// <summary>Kind of an edit to the rate of a cause.</summary>
    public const string Rate = "rate";

    /// <summary>Kind of an edit to one word of a likelihood.</summary>
    public const string Likelihood = "likelihood";

    private const double MostForOne = 0.99;

    /// <summary>The book with edits. Edits of things that a newer pack no longer has are left out.</summary>
    /// <param name="book">The book of the packs.</param>
    /// <param name="edits">Edits that stand, oldest first.</param>
    public static FaultBook Apply(FaultBook book, IReadOnlyList<BookEdited> edits)
    {
        foreach (var edit in edits)
            if (Check(book, edit).Count == 0)
                book = edit.Sort == Rate ? WithRate(book, edit) : WithLikelihood(book, edit);
        return edits.Count == 0 ? book : book with { Version = $"{book.Version} + {edits.Count} of the shop" };
    }

    /// <summary>An edit as a line of the record, or why it cannot be.</summary>
    /// <param name="book">The book as it stands, with the edits so far.</param>
    /// <param name="kind">rate or likelihood.</param>
    /// <param name="target">The cause, or the finding.</param>
    /// <param name="cause">For a likelihood: the cause.</param>
    /// <param name="outcome">For a likelihood: the answer.</param>
    /// <param name="to">The new word.</param>
    /// <param name="reason">Why.</param>
    public static Outcome<IReadOnlyList<EntryBody>> Edit(
        FaultBook book,
        string? kind,
        string? target,
        string? cause,
        string? outcome,
        string? to,
        string? reason
    )
    {
        (kind, target, cause, outcome) = (kind ?? "", target ?? "", cause ?? "", outcome ?? "");
        (to, reason) = (to ?? "", reason ?? "");
        var edit = new BookEdited(
            kind,
            target,
            kind == Rate ? "" : cause,
            kind == Rate ? "" : outcome,
            WordNow(book, kind, target, cause, outcome),
            to,
            reason.Trim()
        );
        var problems = Check(book, edit);
        if (string.IsNullOrWhiteSpace(reason))
            problems.Add(new Problem(ProblemCode.Missing, "/reason"));
        else if (reason.Length > Guard.LongestText)
            problems.Add(new Problem(ProblemCode.TooLong, "/reason", reason.Length, Guard.LongestText));
        if (problems.Count == 0 && edit.From == to)
            problems.Add(new Problem(DiagnosisProblem.EditImpossible, "/to", $"It says “{to}” already."));
        return problems.Count > 0 ? problems : new List<EntryBody> { edit };
    }

    /// <summary>The word as it stands; the nearest word where the book gives a rest without one.</summary>
    public static string WordNow(FaultBook book, string kind, string target, string cause, string outcome)
    {
        if (kind == Rate)
            return book.Causes.FirstOrDefault(c => c.Id == target)?.RateWord ?? "";
        var finding = book.Findings.FirstOrDefault(f => f.Id == target);
        var o = finding?.IndexOf(outcome) ?? -1;
        if (finding is null || o < 0)
            return "";
        var row = finding.Rows.LastOrDefault(r => r.Causes.Contains(cause));
        var word = row is null ? finding.OtherwiseWords?.GetValueOrDefault(outcome) : row.Words?.GetValueOrDefault(outcome);
        return word ?? Nearest(book, (row?.Probabilities ?? finding.Otherwise)[o]);
    }

    /// <summary>The word of the scale that is nearest to a chance.</summary>
    public static string Nearest(FaultBook book, double chance) =>
        book.Words.Likelihood.Count == 0
            ? ""
            : book.Words.Likelihood.MinBy(w => Math.Abs(Math.Log(w.Value / (1 - w.Value)) - Math.Log(chance / (1 - chance)))).Key;

    private static List<Problem> Check(FaultBook book, BookEdited edit)
    {
        var problems = new List<Problem>();
        if (edit.Sort == Rate)
        {
            if (book.Causes.All(c => c.Id != edit.Target))
                problems.Add(new Problem(ProblemCode.PackUnknownName, "/target", "cause", edit.Target));
            if (!book.Words.Rate.ContainsKey(edit.To))
                problems.Add(new Problem(ProblemCode.UnknownWord, "/to", edit.To, string.Join(", ", book.Words.Rate.Keys)));
            return problems;
        }

        if (edit.Sort != Likelihood)
            return [new Problem(ProblemCode.UnknownWord, "/kind", edit.Sort, $"{Rate}, {Likelihood}")];
        var finding = book.Findings.FirstOrDefault(f => f.Id == edit.Target);
        if (finding is null)
            problems.Add(new Problem(ProblemCode.PackUnknownName, "/target", "finding", edit.Target));
        else if (finding.IndexOf(edit.Outcome) < 0)
            problems.Add(new Problem(DiagnosisProblem.UnknownAnswer, "/outcome", edit.Outcome, finding.Name));
        if (book.Causes.All(c => c.Id != edit.Cause))
            problems.Add(new Problem(ProblemCode.PackUnknownName, "/cause", "cause", edit.Cause));
        if (!book.Words.Likelihood.TryGetValue(edit.To, out var chance))
            problems.Add(new Problem(ProblemCode.UnknownWord, "/to", edit.To, string.Join(", ", book.Words.Likelihood.Keys)));
        else if (chance > MostForOne)
            problems.Add(new Problem(DiagnosisProblem.EditImpossible, "/to", "It would leave the other answers no chance at all."));
        return problems;
    }

    private static FaultBook WithRate(FaultBook book, BookEdited edit) =>
        book with
        {
            Causes = [.. book.Causes.Select(c => c.Id == edit.Target ? c with { Rate = book.Words.Rate[edit.To], RateWord = edit.To } : c)],
        };

    private static FaultBook WithLikelihood(FaultBook book, BookEdited edit) =>
        book with
        {
            Findings = [.. book.Findings.Select(f => f.Id == edit.Target ? f with { Rows = [.. f.Rows, RowOf(book, f, edit)] } : f)],
        };

    // The answer gets its word; the others keep their proportions in what is left.
    private static LikelihoodRow RowOf(FaultBook book, Finding finding, BookEdited edit)
    {
        var row = finding.Rows.LastOrDefault(r => r.Causes.Contains(edit.Cause));
        var now = row?.Probabilities ?? finding.Otherwise;
        var at = finding.IndexOf(edit.Outcome);
        var chance = book.Words.Likelihood[edit.To];
        double[] then = [.. now.Select((p, o) => o == at ? chance : p * (1 - chance) / Math.Max(1e-9, 1 - now[at]))];
        var words = finding
            .Outcomes.Select((outcome, o) => (outcome.Id, Word: o == at ? edit.To : Nearest(book, then[o])))
            .ToDictionary(w => w.Id, w => w.Word);
        return new LikelihoodRow([edit.Cause], then, edit.Reason.Length > 0 ? edit.Reason : row?.Why ?? finding.OtherwiseWhy, words);
    }
}
