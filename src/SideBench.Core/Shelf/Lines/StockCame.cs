using SideBench.Core.Record;

namespace SideBench.Core.Shelf;

/// <summary>Something came onto the shelf. The line's number is the item's.</summary>
/// <param name="StockKind">What kind of thing, a word of the house numbers.</param>
/// <param name="Name">What it is called.</param>
/// <param name="For">What it is for: an ink, a chip, a model; empty when not told.</param>
/// <param name="Amount">How much, in the unit of its kind.</param>
/// <param name="Unit">That unit.</param>
/// <param name="Price">What all of it cost, in the shop's currency.</param>
/// <param name="Seller">Who sold it; empty when not told.</param>
/// <param name="Lot">Its lot; empty when not told.</param>
/// <param name="ReturnBy">Until when the seller takes it back; null when not told.</param>
public sealed record StockCame(
    string StockKind,
    string Name,
    string For,
    double Amount,
    string Unit,
    decimal Price,
    string Seller,
    string Lot,
    DateOnly? ReturnBy
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "stock-came",
        from => new StockCame(
            from.Text("stockKind"),
            from.Text("name"),
            from.Text("for"),
            from.Number("amount"),
            from.Text("unit"),
            from.Amount("price"),
            from.Text("seller"),
            from.Text("lot"),
            from.Day("returnBy")
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Shelf)];

    public override bool ChangesTheCase => false;

    public override string Says =>
        $"On the shelf: {Name}, {Amount:0.##} {Unit}"
        + (For.Length > 0 ? $", for {For}" : "")
        + (Lot.Length > 0 ? $", lot {Lot}" : "")
        + (Seller.Length > 0 ? $", from {Seller}" : "")
        + (ReturnBy is { } day ? $", goes back until {day:d MMM yyyy}" : "");

    public override void Store(FieldWriter to)
    {
        to.Text("stockKind", StockKind);
        to.Text("name", Name);
        to.Text("for", For);
        to.Number("amount", Amount);
        to.Text("unit", Unit);
        to.Amount("price", Price);
        to.Text("seller", Seller);
        to.Text("lot", Lot);
        to.Day("returnBy", ReturnBy);
    }
}
