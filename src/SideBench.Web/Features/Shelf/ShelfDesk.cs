using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Data.Record;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Shelf;

/// <summary>Lays the shelf out: what came and is left, what goes back, how lots have done.</summary>
public sealed class ShelfDesk(EntryStore entries, BenchBooks books)
{
    /// <summary>What is on the shelf, with what fills on record poured of its bottles.</summary>
    public async Task<IReadOnlyList<StockItem>> Items(CancellationToken cancel) =>
        With(books.State.Stock, await entries.OfKinds(FittedPieces.Kinds, cancel));

    /// <summary>The shelf.</summary>
    public async Task<ShelfView> Show(CancellationToken cancel)
    {
        var numbers = books.Shop.Numbers.Of<ShelfNumbers>();
        var lines = await entries.OfKinds(FittedPieces.Kinds, cancel);
        var items = With(books.State.Stock, lines);
        return new ShelfView(
            [.. numbers.Kinds.Select(k => new StockKindView(k.Id, k.Name, k.Unit, k.For))],
            [.. items.Select(i => Item(i, numbers))],
            [.. Returns(items, lines, numbers).OrderBy(r => r.Until)],
            [.. LotRecord.Of(FittedPieces.Lots(lines), numbers).Select(Lot)]
        );
    }

    /// <summary>How lots have done, over all machines.</summary>
    public async Task<IReadOnlyList<LotRecord>> Lots(CancellationToken cancel) =>
        LotRecord.Of(FittedPieces.Lots(await entries.OfKinds(FittedPieces.Kinds, cancel)), books.Shop.Numbers.Of<ShelfNumbers>());

    private IReadOnlyList<StockItem> With(IReadOnlyList<StockItem> items, IReadOnlyList<ShopLine> lines) =>
        StockItem.Poured(items, books.Shop.Numbers.Of<ShelfNumbers>().Poured, FittedPieces.Poured(lines, books.Shop.Models));

    private IEnumerable<ReturnView> Returns(IReadOnlyList<StockItem> items, IReadOnlyList<ShopLine> lines, ShelfNumbers numbers)
    {
        foreach (var (line, piece) in FittedPieces.MayGoBack(lines))
            yield return Return(
                piece.Name,
                $"slot {piece.Slot} of {line.Serial}",
                piece.Seller,
                piece.ReturnBy!.Value,
                line.Entry.Job?.Value
            );
        foreach (var line in lines.Where(l => l.Entry.Body is Mended { Old.ReturnBy: not null }))
        {
            var work = (Mended)line.Entry.Body;
            yield return Return(work.Part, $"in {line.Serial}", "", work.Old.ReturnBy!.Value, line.Entry.Job?.Value);
        }

        foreach (var item in items.Where(i => i is { IsLeft: true, Came.ReturnBy: not null }))
            yield return Return(item.Came.Name, "on the shelf", item.Came.Seller, item.Came.ReturnBy!.Value, null);

        ReturnView Return(string what, string where, string seller, DateOnly until, long? job)
        {
            var days = until.DayNumber - books.Today.DayNumber;
            return new ReturnView(what, where, seller, until, days, days <= numbers.ReturnSoonDays, job);
        }
    }

    private static StockItemView Item(StockItem item, ShelfNumbers numbers) =>
        new(
            item.Id,
            item.Came.StockKind,
            numbers.Kinds.FirstOrDefault(k => k.Id == item.Came.StockKind)?.Name ?? item.Came.StockKind,
            item.Came.Name,
            item.Came.For,
            item.Came.Amount,
            item.Left,
            item.Came.Unit,
            item.At,
            item.Came.Seller,
            item.Came.Lot,
            [
                .. item.Spent.Select(s =>
                    $"{s.What.Amount:0.##} {s.What.Where}{(s.What.On.Length > 0 ? $" on {s.What.On}" : "")}, {s.At:d MMM yyyy}"
                ),
            ]
        );

    private static LotView Lot(LotRecord lot) =>
        new(
            lot.Lot,
            lot.Seller,
            lot.What,
            lot.Fitted,
            lot.Ended,
            lot.Failed,
            lot.Rate.Best,
            lot.Rate.Low,
            lot.Rate.High,
            StoredWord.Of(lot.Verdict)
        );
}
