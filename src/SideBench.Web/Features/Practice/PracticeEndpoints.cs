using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
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
        shop.MapGet("/", async (ShopDesk desk, CancellationToken cancel) => Results.Ok(await desk.Show(cancel)))
            .Produces<ShopView>()
            .Described("getShop", "The shop's choices: schools, shelf, edits of the book.")
            .For(Act.Read);
        shop.MapShopWrite<SchoolRequest>(
            "/schools",
            Act.KeepBook,
            "chooseSchool",
            "Chooses a practice for the whole shop.",
            (r, books, _) => ShopKeeping.Choose(books.Shop.Book, r.School, r.Option, forJob: false)
        );
        shop.MapShopWrite<ShelfRequest>(
            "/parts",
            Act.Bench,
            "tellPart",
            "Says that a part is on the shelf, or is not.",
            (r, books, _) => ShopKeeping.Shelf(books.Shop.Book, r.Part, r.Here)
        );
        shop.MapShopWrite<EditRequest>(
            "/edits",
            Act.KeepBook,
            "editBook",
            "Changes a word of the fault book for this shop.",
            (r, books, _) => BookEdits.Edit(books.Shop.Book, r.Kind, r.Target, r.Cause ?? "", r.Outcome ?? "", r.To, r.Reason ?? "")
        );
        shop.MapShopWrite<ShopCorrectRequest>(
            "/corrections",
            Act.KeepBook,
            "takeShopLineBack",
            "Takes a line about the shop back.",
            (r, _, entries) =>
                OwnCraft.IsLastOf([.. TakenBack.Without(entries)], r.Entry)
                    ? new Problem(OwnProblem.LastVersion, "/entry")
                    : ShopKeeping.Correct(entries, r.Entry, r.Reason ?? "")
        );
        shop.MapPost("/packs", ReadPacks)
            .Produces<ShopView>()
            .Described("readPacks", "Reads all packs anew; with a problem anywhere the old ones stay.")
            .For(Act.KeepBook);
        routes
            .MapGet(
                "/odds",
                async (VerdictStore verdicts, BenchBooks books, CancellationToken cancel) =>
                    Results.Ok(PracticeViews.Odds(books.Shop.Book, OddsRecord.Of(await verdicts.Latest(MostVerdicts, cancel))))
            )
            .WithTags("Practice")
            .Produces<OddsView>()
            .Described("getOddsRecord", "How the odds have done: foretold against confirmed.")
            .For(Act.Read);
    }

    // Packs are taken in whole, or not at all: with a problem anywhere the old ones stay.
    private static async Task<IResult> ReadPacks(ShopDesk desk, BenchBooks books, CancellationToken cancel)
    {
        var problems = books.Reread();
        return problems.Count > 0 ? ProblemResults.Of(problems) : Results.Ok(await desk.Show(cancel));
    }
}
