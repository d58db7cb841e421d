using SideBench.Core.Identity;
using SideBench.Core.Shelf;
using SideBench.Web.Features.Practice;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Shelf;

/// <summary>The shelf: bottles, keys, boards and tools, what goes back, and how lots have done.</summary>
public static class ShelfEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapShelf(this IEndpointRouteBuilder routes)
    {
        var shelf = routes.MapGroup("/shelf").WithTags("Shelf");
        shelf
            .MapGet("", async (ShelfDesk desk, CancellationToken cancel) => Results.Ok(await desk.Show(cancel)))
            .Produces<ShelfView>()
            .Described("getShelf", "What is on the shelf and left, what goes back until when, and how lots have done.")
            .For(Act.Read);
        shelf.MapShopWrite<StockCameRequest>(
            "/came",
            Act.Bench,
            "tellStockCame",
            "Something came onto the shelf.",
            (r, books, _) =>
                Keeping(books)
                    .Come(
                        new StockCame(
                            r.Kind ?? "",
                            r.Name ?? "",
                            r.For ?? "",
                            r.Amount ?? 0,
                            "",
                            r.Price ?? 0,
                            r.Seller?.Trim() ?? "",
                            r.Lot?.Trim() ?? "",
                            r.ReturnBy
                        )
                    )
        );
        shelf.MapShopWrite<StockWentRequest>(
            "/went",
            Act.Bench,
            "tellStockWent",
            "Something of the shelf was used, returned or thrown away.",
            (r, books, _) => Keeping(books).Go(new StockWent(r.Item, r.Amount ?? 0, r.Where ?? "", r.On?.Trim() ?? "", r.Why?.Trim() ?? ""))
        );
    }

    private static StockKeeping Keeping(BenchBooks books) => new(books.State.Stock, books.Shop.Numbers.Of<ShelfNumbers>());
}
