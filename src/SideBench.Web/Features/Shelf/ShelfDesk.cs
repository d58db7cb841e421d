using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Data.Record;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Shelf;

/// <summary>Lays the shelf out: what came and is left, what goes back, how lots have done.</summary>
public sealed class ShelfDesk(EntryStore entries, Lives lives, BenchBooks books)
{
    private volatile Poured? kept;

    /// <summary>The shelf.</summary>
    public async Task<ShelfView> Show(CancellationToken cancel)
    {
        var numbers = books.Shop.Numbers.Of<ShelfNumbers>();
        var items = Items(await lives.All(SubjectKind.Item, cancel), books.State.Stock, books.Shop);
        return new ShelfView(
            [.. numbers.Kinds.Select(k => new StockKindView(k.Id, k.Name, k.Unit, k.For))],
            [.. items.Select(i => Item(i, numbers))],
            [.. (await Returns(items, numbers, cancel)).OrderBy(r => r.Until)],
            [.. Records(await lives.All(SubjectKind.Lot, cancel)).Select(Lot)]
        );
    }

    // What fills took of bottles is reckoned over all of them, so it is kept until one more is told, or a bottle comes.
    private IReadOnlyList<StockItem> Items(IReadOnlyList<Life> inks, IReadOnlyList<StockItem> stock, Shop shop)
    {
        if (kept is { } known && known.Stock == stock && known.Shop == shop && known.Inks.SequenceEqual(inks))
            return known.Items;
        var fills = inks.SelectMany(i => i.Lines).DistinctBy(l => l.Entry.Id).OrderBy(l => l.Entry.Id.Value);
        var items = StockItem.Poured(stock, shop.Numbers.Of<ShelfNumbers>().Poured, FittedPieces.Poured(fills, shop.Models));
        kept = new Poured(inks, stock, shop, items);
        return items;
    }

    private sealed record Poured(IReadOnlyList<Life> Inks, IReadOnlyList<StockItem> Stock, Shop Shop, IReadOnlyList<StockItem> Items);

    /// <summary>How a lot has done, over all machines; none when no piece of it was fitted.</summary>
    public async Task<IReadOnlyList<LotRecord>> Lots(string lot, CancellationToken cancel) =>
        Records(await lives.Of([Subject.Lot(lot)], cancel));

    private IReadOnlyList<LotRecord> Records(IReadOnlyList<Life> lots) =>
        LotRecord.Worst(lots.SelectMany(l => l.Made(books.Shop, Records)));

    private IReadOnlyList<LotRecord> Records(Life lot) =>
        LotRecord.Of(FittedPieces.OfLot(lot.Of.Name, lot.Lines), books.Shop.Numbers.Of<ShelfNumbers>());

    // What goes back soon, and what could have until lately: what is long past goes back no more.
    private async Task<IReadOnlyList<ReturnView>> Returns(IReadOnlyList<StockItem> items, ShelfNumbers numbers, CancellationToken cancel)
    {
        var from = books.Today.AddDays(-numbers.ReturnSoonDays);
        var lines = await entries.Returns(from, cancel);
        var places = lines.Where(l => l.Entry.Body is SlotFitted).Select(l => Subject.Piece(l.Machine, ((SlotFitted)l.Entry.Body).Slot));
        var pieces = FittedPieces.MayGoBack((await lives.Of([.. places.Distinct()], cancel)).SelectMany(p => p.Lines));
        return
        [
            .. pieces
                .Where(p => p.Piece.ReturnBy >= from)
                .Select(p =>
                    Return(p.Piece.Name, $"slot {p.Piece.Slot} of {p.Line.Serial}", p.Piece.Seller, p.Piece.ReturnBy!.Value, p.Line)
                ),
            .. from line in lines
            let work = line.Entry.Body as Mended
            where work?.Old.ReturnBy is not null
            select Return(work.Part, $"in {line.Serial}", "", work.Old.ReturnBy!.Value, line),
            .. items
                .Where(i => i is { IsLeft: true, Came.ReturnBy: not null } && i.Came.ReturnBy >= from)
                .Select(i => Return(i.Came.Name, "on the shelf", i.Came.Seller, i.Came.ReturnBy!.Value, null)),
        ];

        ReturnView Return(string what, string where, string seller, DateOnly until, ShopLine? line)
        {
            var days = until.DayNumber - books.Today.DayNumber;
            return new ReturnView(what, where, seller, until, days, days <= numbers.ReturnSoonDays, line?.Entry.Job?.Value);
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
