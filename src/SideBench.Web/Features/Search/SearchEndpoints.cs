using SideBench.Core.Identity;
using SideBench.Data.Search;
using SideBench.Packs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Search;

/// <summary>Something of the book that can be jumped to.</summary>
/// <param name="Kind">guide, cause or code.</param>
/// <param name="Title">What the list shows first.</param>
/// <param name="Detail">What it shows second.</param>
/// <param name="To">Its page.</param>
public sealed record BookFind(string Kind, string Title, string Detail, string To);

/// <summary>Jump anywhere, and the records list.</summary>
public static class SearchEndpoints
{
    private const int LongestQuery = 80;
    private const int MostOfAKind = 4;

    /// <summary>Maps it.</summary>
    public static void MapSearch(this IEndpointRouteBuilder routes)
    {
        routes
            .MapGet(
                "/find",
                async (string q, FindStore store, CancellationToken cancel) =>
                    Results.Ok(await store.Search(q.Length > LongestQuery ? q[..LongestQuery] : q, cancel))
            )
            .Produces<IReadOnlyList<Find>>()
            .Described("find", "Jobs, machines and customers by what was typed.")
            .WithTags("Search")
            .For(Act.Read);
        routes
            .MapGet("/find/book", (string q, BenchBooks books) => Results.Ok(InBook(q, books.Shop)))
            .Produces<IReadOnlyList<BookFind>>()
            .Described("findInBook", "Guides, causes and panel codes by what was typed.")
            .WithTags("Search")
            .For(Act.Read);
    }

    private static List<BookFind> InBook(string typed, Shop shop)
    {
        var word = typed.Trim();
        if (word.Length < 2 || word.Length > LongestQuery)
            return [];
        bool Fits(string name) => name.Contains(word, StringComparison.OrdinalIgnoreCase);
        return
        [
            .. shop
                .Guides.Where(g => Fits(g.Name) || Fits(g.Purpose))
                .OrderBy(g => Fits(g.Name) ? 0 : 1)
                .Take(MostOfAKind)
                .Select(g => new BookFind("guide", g.Name, g.Purpose, $"/guides/steps/{g.Id}")),
            .. shop
                .Book.Causes.Where(c => Fits(c.Name))
                .Take(MostOfAKind)
                .Select(c => new BookFind("cause", c.Name, "in the fault book", $"/guides/causes/{c.Id}")),
            .. shop
                .Models.Values.SelectMany(m => m.Codes.Where(c => Fits(c.Code) || Fits(c.Says)).Select(c => (Model: m, Code: c)))
                .Take(MostOfAKind)
                .Select(c => new BookFind(
                    "code",
                    $"{c.Code.Code}: {c.Code.Says}",
                    c.Model.FullName,
                    $"/guides/codes/{c.Model.Id}/{Uri.EscapeDataString(c.Code.Code)}"
                )),
        ];
    }
}
