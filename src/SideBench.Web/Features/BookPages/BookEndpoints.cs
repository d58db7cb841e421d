using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.BookPages;

/// <summary>The fault book, to be read and searched.</summary>
public static class BookEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapBook(this IEndpointRouteBuilder routes)
    {
        var guides = routes.MapGroup("/guides").WithTags("Guides");
        guides
            .MapGet("/book", (BenchBooks books) => Results.Ok(Index(books)))
            .Produces<BookIndex>()
            .Described("getBook", "The fault book, to be searched.")
            .For(Act.Read);
        guides
            .MapGet(
                "/causes/{id}",
                (string id, BenchBooks books) =>
                    books.Shop.Book.Causes.FirstOrDefault(c => c.Id == id) is { } cause
                        ? Results.Ok(BookViews.Cause(books.Shop, cause))
                        : ProblemResults.Of(DiagnosisProblem.NotInBook, "", id)
            )
            .Produces<CausePage>()
            .Described("getCause", "One cause: signs, mends, models.")
            .For(Act.Read);
        guides
            .MapGet(
                "/codes/{model}/{code}",
                (string model, string code, BenchBooks books) =>
                    books.Shop.Models.GetValueOrDefault(model) is { } machine
                    && machine.Codes.FirstOrDefault(c => c.Code == code) is { } known
                        ? Results.Ok(BookViews.Code(books.Shop.Book, machine, known))
                        : ProblemResults.Of(DiagnosisProblem.NotInBook, "", code)
            )
            .Produces<CodePage>()
            .Described("getPanelCode", "One panel code: what it may really be on a model.")
            .For(Act.Read);
    }

    private static BookIndex Index(BenchBooks books)
    {
        var book = books.Shop.Book;
        var stations = books
            .Shop.Models.Values.SelectMany(m => m.Stations)
            .GroupBy(s => s.Id)
            .ToDictionary(g => g.Key, g => g.First().Name);
        string Name(string station) => stations.GetValueOrDefault(station, station);
        return new BookIndex(
            book.Version,
            [
                .. book.Causes.Select(c => new BookLine("cause", c.Id, c.Name, Name(c.Station), c.RateWord.Replace('-', ' '), c.Watch)),
                .. books
                    .Shop.Models.Values.OrderBy(m => m.FullName, StringComparer.Ordinal)
                    .SelectMany(m =>
                        m.Codes.Select(c => new BookLine("code", $"{m.Id}/{c.Code}", $"{c.Code} · {c.Says}", m.FullName, c.Means, m.Id))
                    ),
                .. books
                    .Shop.Layouts.Values.OrderBy(l => l.Name, StringComparer.Ordinal)
                    .Select(l => new BookLine(
                        "sheet",
                        l.Id,
                        l.Name,
                        string.Join(", ", books.Shop.Models.Values.Where(m => m.Sheet?.Layout.Id == l.Id).Select(m => m.FullName)),
                        $"{l.Nozzles} nozzles, {string.Join(' ', l.Units.Select(u => u.Id))}",
                        "blank nozzle sheet layout paper"
                    )),
                .. books.Shop.Guides.Select(g => new BookLine(
                    "guide",
                    g.Id,
                    g.Name,
                    string.Join(", ", books.Shop.MachinesFor(g).Select(m => m.FullName)),
                    g.Purpose,
                    "guide steps how to"
                )),
                .. book.Findings.Select(f => new BookLine(
                    f.Kind,
                    f.Id,
                    f.Name,
                    Name(f.Station),
                    $"{f.Minutes:0.#} min",
                    string.Join(' ', f.Outcomes.Select(o => o.Label))
                )),
                .. book.Repairs.Select(r => new BookLine("repair", r.Id, r.Name, Name(r.Station), $"{r.Minutes:0.#} min", r.Part)),
            ],
            [.. book.Words.Rate.OrderByDescending(w => w.Value).Select(w => w.Key)],
            [.. book.Words.Likelihood.OrderByDescending(w => w.Value).Select(w => w.Key)]
        );
    }
}
