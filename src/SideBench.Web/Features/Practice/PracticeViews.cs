using SideBench.Core.Diagnosis;
using SideBench.Core.Record;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Practice;

/// <summary>Lays the shop's choices and the record of the odds out.</summary>
public static class PracticeViews
{
    /// <summary>What holds for the whole shop.</summary>
    public static ShopView Of(BenchBooks books, IReadOnlyList<Entry> entries)
    {
        var book = books.Shop.Book;
        var followed = School.Followed(book.Schools, books.State.Schools, new Dictionary<string, string>());
        return new ShopView(
            entries.Count,
            book.Version,
            [
                .. book.Schools.Select(s => new SchoolView(
                    s.Id,
                    s.Name,
                    s.Asks,
                    s.Follows,
                    s.PerJob,
                    followed[s.Id],
                    [.. s.Options.Select(o => new PracticeView(o.Id, o.Name, o.Why, o.Default))]
                )),
            ],
            [
                .. book
                    .Repairs.Where(r => r.Part.Length > 0)
                    .GroupBy(r => r.Part)
                    .OrderBy(g => g.Key, StringComparer.Ordinal)
                    .Select(g => new PartView(g.Key, !books.State.PartsMissing.Contains(g.Key), g.Count())),
            ],
            BenchViews.EntryViews(entries)
        );
    }

    /// <summary>How the odds have done.</summary>
    public static OddsView Odds(FaultBook book, OddsRecord record) =>
        new(
            record.Jobs,
            record.LeadRight,
            book.House.BookWorthJobs,
            [.. record.Tenths.Select(t => new TenthView(t.From, t.Given, t.Foretold, t.Confirmed))],
            [
                .. record.Tests.Select(t => new TestRecordView(
                    t.Finding,
                    book.Step(t.Finding)?.Name ?? t.Finding,
                    t.Times,
                    t.Minutes,
                    t.Bits,
                    t.Misled,
                    t.BitsPerMinute
                )),
            ]
        );
}
