using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Shelf;

namespace SideBench.Core.Ink;

/// <summary>What the lines of all machines tell the shelf: how lots have done, what goes back, and what was poured.</summary>
public static class FittedPieces
{
    /// <summary>Every piece of a lot that was fitted, and what became of it: that is said when the next one goes into its slot.</summary>
    /// <param name="lot">The lot.</param>
    /// <param name="lines">Lines that are about it, of all machines, oldest first.</param>
    public static IEnumerable<LotPiece> OfLot(string lot, IEnumerable<ShopLine> lines) =>
        Fitted(lines)
            .Where(f => StockItem.Same(f.Piece.Lot, lot))
            .Select(f => new LotPiece(f.Piece.Lot, f.Piece.Seller, f.Piece.Name, f.Next?.Became ?? ""));

    /// <summary>Pieces that are in a machine still and may go back.</summary>
    /// <param name="lines">Lines about their places, oldest first.</param>
    public static IEnumerable<(ShopLine Line, SlotFitted Piece)> MayGoBack(IEnumerable<ShopLine> lines) =>
        Fitted(lines).Where(f => f is { Next: null, Piece.ReturnBy: not null }).Select(f => (f.Line, f.Piece));

    /// <summary>What fills took of bottles.</summary>
    /// <param name="lines">Lines of all machines, oldest first.</param>
    /// <param name="models">The models.</param>
    public static IEnumerable<(DateTimeOffset At, string For, double Ml)> Poured(
        IEnumerable<ShopLine> lines,
        IReadOnlyDictionary<string, MachineModel> models
    ) =>
        from line in lines
        where line.Entry.Body is SlotsFilled && models.ContainsKey(line.Model)
        from slot in ((SlotsFilled)line.Entry.Body).Slots
        let of = models[line.Model].Slots.FirstOrDefault(s => s.Panel == slot.Slot)
        where of is not null
        select (line.Entry.At, $"{of.Ink} {of.InkKind}", slot.Amount ?? slot.After ?? 0);

    private static IEnumerable<(ShopLine Line, SlotFitted Piece, SlotFitted? Next)> Fitted(IEnumerable<ShopLine> lines) =>
        lines
            .Where(l => l.Entry.Body is SlotFitted)
            .GroupBy(l => (l.Machine, ((SlotFitted)l.Entry.Body).Slot))
            .SelectMany(g =>
            {
                var all = g.Select(l => (Line: l, Piece: (SlotFitted)l.Entry.Body)).ToList();
                return all.Select((f, i) => (f.Line, f.Piece, i + 1 < all.Count ? all[i + 1].Piece : null));
            });
}
