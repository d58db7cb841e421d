using SideBench.Core.Record;

namespace SideBench.Core.Shelf;

/// <summary>Something of the shelf was used, returned or thrown away.</summary>
/// <param name="Item">The item: the number of the line with which it came.</param>
/// <param name="Amount">How much of it, in its unit.</param>
/// <param name="Where">used, returned or scrapped.</param>
/// <param name="On">On which machine, by its serial number; empty when on none.</param>
/// <param name="Why">Why; empty when not told.</param>
public sealed record StockWent(long Item, double Amount, string Where, string On, string Why) : EntryBody
{
    /// <summary>Where things go.</summary>
    public static readonly IReadOnlyList<string> Ways = ["used", "returned", "scrapped"];

    public static readonly EntryKind Form = new(
        "stock-went",
        from => new StockWent(from.Whole("item"), from.Number("amount"), from.Text("where"), from.Text("on"), from.Text("why"))
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Shelf)];

    public override bool ChangesTheCase => false;

    public override string Says =>
        $"Off the shelf, line {Item}: {Amount:0.##} {Where}" + (On.Length > 0 ? $" on {On}" : "") + (Why.Length > 0 ? $": {Why}" : "");

    public override void Store(FieldWriter to)
    {
        to.Whole("item", Item);
        to.Number("amount", Amount);
        to.Text("where", Where);
        to.Text("on", On);
        to.Text("why", Why);
    }
}
