using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A part was renewed: the new one's number, lot and warranty, and the old one's fate.</summary>
public sealed record PartRenewed(
    string Part,
    string Name,
    string Number,
    string Lot,
    decimal Price,
    string OldFate,
    DateOnly? ReturnBy,
    DateOnly? WarrantyEnd,
    string Keeps
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "part-renewed",
        from => new PartRenewed(
            from.Text("part"),
            from.Text("name"),
            from.Text("number"),
            from.Text("lot"),
            from.Amount("price"),
            from.Text("oldFate"),
            from.Day("returnBy"),
            from.Day("warrantyEnd"),
            from.Text("keeps")
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<string> FoundBy => [Number, Lot];

    public override string Says =>
        $"Renewed: {Name}"
        + (Number.Length > 0 ? $", {Number}" : "")
        + (Lot.Length > 0 ? $" lot {Lot}" : "")
        + $"; the old one {OldFate}"
        + (ReturnBy is { } by ? $" by {by:yyyy-MM-dd}" : "")
        + (WarrantyEnd is { } until ? $"; warranty to {until:yyyy-MM-dd}" : "");

    public override Effect Effect => new() { Parts = Price };

    public override void Store(FieldWriter to)
    {
        to.Text("part", Part);
        to.Text("name", Name);
        to.Text("number", Number);
        to.Text("lot", Lot);
        to.Amount("price", Price);
        to.Text("oldFate", OldFate);
        to.Day("returnBy", ReturnBy);
        to.Day("warrantyEnd", WarrantyEnd);
        to.Text("keeps", Keeps);
    }
}
