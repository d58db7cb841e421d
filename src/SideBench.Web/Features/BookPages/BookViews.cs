using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Packs;

namespace SideBench.Web.Features.BookPages;

/// <summary>Lays causes and codes of the book out.</summary>
public static class BookViews
{
    private const double LeastForCode = 0.01;

    /// <summary>A cause: signs, mends, models.</summary>
    public static CausePage Cause(Shop shop, Cause cause)
    {
        var book = shop.Book;
        var models = shop.Models.Values.Where(m => CodeOdds.CanBe(m, cause)).Select(m => m.FullName).Order(StringComparer.Ordinal);
        return new CausePage(
            cause.Id,
            cause.Name,
            cause.Station,
            cause.RateWord,
            [
                .. cause
                    .Complaints.OrderByDescending(c => c.Value)
                    .Select(c => new CauseLink(c.Key, book.Complaints.First(k => k.Id == c.Key).Name, BookEdits.Nearest(book, c.Value))),
            ],
            cause.Watch,
            [.. models],
            [
                .. book
                    .Findings.Where(f => f.Rows.Any(r => r.Causes.Contains(cause.Id)))
                    .OrderBy(f => f.IsProof)
                    .ThenBy(f => f.Minutes)
                    .Select(f => Sign(book, f, cause)),
            ],
            [
                .. book
                    .Repairs.Where(r => r.Fixes.Any(f => f.Cause == cause.Id))
                    .Select(r => (r, Chance: r.Fixes.Where(f => f.Cause == cause.Id).Max(f => f.Chance)))
                    .OrderByDescending(p => p.Chance)
                    .Select(p => new MendView(
                        p.r.Id,
                        p.r.Name,
                        WithOpening(p.r),
                        p.r.Parts,
                        p.r.Part,
                        BookEdits.Nearest(book, p.Chance),
                        ProofOf(book, p.r)
                    )),
            ],
            [
                .. book
                    .Rules.Where(r => r.Causes.Contains(cause.Id))
                    .Select(r => $"{r.Name}: {(r.Factor > 1 ? "more" : "less")} likely. {r.Why}"),
            ]
        );
    }

    /// <summary>A code with what it may really be on that model: causes by rate and by how likely they show it.</summary>
    public static CodePage Code(FaultBook book, MachineModel model, PanelCode code) =>
        new(
            model.FullName,
            code.Code,
            code.Says,
            code.Means,
            [
                .. CodeOdds
                    .Of(book, model, code)
                    .Where(p => p.Share >= LeastForCode)
                    .Take(12)
                    .Select(p => new CauseLink(p.Cause.Id, p.Cause.Name, Explanation.Percent(p.Share))),
            ]
        );

    private static SignView Sign(FaultBook book, Finding finding, Cause cause)
    {
        var row = finding.Rows.Last(r => r.Causes.Contains(cause.Id));
        return new SignView(
            finding.Id,
            finding.Name,
            finding.Kind,
            WithOpening(finding),
            row.Why,
            [
                .. finding.Outcomes.Select(
                    (o, i) =>
                        new AnswerWord(
                            o.Id,
                            o.Label,
                            BookEdits.WordNow(book, BookEdits.Likelihood, finding.Id, cause.Id, o.Id),
                            row.Probabilities[i]
                        )
                ),
            ]
        );
    }

    private static double WithOpening(BookStep step) => step.Minutes + step.Puts.Sum(p => p.Time);

    private static string ProofOf(FaultBook book, Repair repair) =>
        repair.Proof == CaseBook.ProofOfComplaint ? "what proves the complaint" : book.Step(repair.Proof)?.Name ?? repair.Proof;
}
