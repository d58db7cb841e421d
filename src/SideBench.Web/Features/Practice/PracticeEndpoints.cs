using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Data.Shop;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Practice;

/// <summary>The shop's schools, shelf and book, and how the odds have done.</summary>
public static class PracticeEndpoints
{
    private const int MostVerdicts = 5000;

    /// <summary>Maps them.</summary>
    public static void MapPractice(this IEndpointRouteBuilder routes)
    {
        var shop = routes.MapGroup("/shop").WithTags("Practice");
        shop.MapGet("/", (ShopDesk desk, CancellationToken cancel) => desk.Show(cancel)).Produces<ShopView>().For(Act.Read);
        shop.MapPost(
                "/schools",
                (SchoolRequest r, ShopDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(http, r, _ => ShopKeeping.Choose(books.Shop.Book, r.School, r.Option, forJob: false))
            )
            .Produces<ShopView>()
            .ProducesProblems()
            .For(Act.KeepBook);
        shop.MapPost(
                "/parts",
                (ShelfRequest r, ShopDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(http, r, _ => ShopKeeping.Shelf(books.Shop.Book, r.Part, r.Here))
            )
            .Produces<ShopView>()
            .ProducesProblems()
            .For(Act.Bench);
        shop.MapPost(
                "/edits",
                (EditRequest r, ShopDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        r,
                        _ => BookEdits.Edit(books.Shop.Book, r.Kind, r.Target, r.Cause ?? "", r.Outcome ?? "", r.To, r.Reason ?? "")
                    )
            )
            .Produces<ShopView>()
            .ProducesProblems()
            .For(Act.KeepBook);
        shop.MapPost(
                "/corrections",
                (ShopCorrectRequest r, ShopDesk desk, HttpContext http) =>
                    desk.Write(http, r, entries => ShopKeeping.Correct(entries, r.Entry, r.Reason ?? ""))
            )
            .Produces<ShopView>()
            .ProducesProblems()
            .For(Act.KeepBook);
        shop.MapPost("/packs", ReadPacks).Produces<ShopView>().ProducesProblems().For(Act.KeepBook);
        routes
            .MapGet(
                "/odds",
                async (VerdictStore verdicts, BenchBooks books, CancellationToken cancel) =>
                    Results.Ok(PracticeViews.Odds(books.Shop.Book, OddsRecord.Of(await verdicts.Latest(MostVerdicts, cancel))))
            )
            .WithTags("Practice")
            .Produces<OddsView>()
            .For(Act.Read);
    }

    // Packs are taken in whole, or not at all: with a problem anywhere the old ones stay.
    private static async Task<IResult> ReadPacks(ShopDesk desk, BenchBooks books, PackFolders folders, CancellationToken cancel)
    {
        var packs = folders.Read();
        if (!packs.IsGood)
            return ProblemResults.Of(packs.Problems);
        books.Replace(packs.Value);
        return await desk.Show(cancel);
    }
}
