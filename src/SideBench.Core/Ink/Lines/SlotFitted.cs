using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>A cartridge went into a slot.</summary>
/// <param name="Slot">The slot, by panel number.</param>
/// <param name="Type">What it is, by its id in the model.</param>
/// <param name="Name">What that is called.</param>
/// <param name="Ml">Ink in it, ml.</param>
/// <param name="ChipPct">Its count then, %; null where it has none.</param>
/// <param name="Number">The number on it; empty when not told.</param>
/// <param name="Lot">Its lot; empty when not told.</param>
/// <param name="Seller">Who sold it; empty when not told.</param>
/// <param name="ReturnBy">Until when the seller takes it back; null when not told.</param>
/// <param name="Became">What became of the old one; empty when not told.</param>
/// <param name="Cost">Its price, in the shop's currency.</param>
public sealed record SlotFitted(
    int Slot,
    string Type,
    string Name,
    double Ml,
    double? ChipPct,
    string Number,
    string Lot,
    string Seller,
    DateOnly? ReturnBy,
    string Became,
    decimal Cost
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "slot-fitted",
        from => new SlotFitted(
            from.Count("slot"),
            from.Text("type"),
            from.Text("name"),
            from.Number("ml"),
            from.NumberOrNull("chipPct"),
            from.Text("number"),
            from.Text("lot"),
            from.Text("seller"),
            from.Day("returnBy"),
            from.Text("became"),
            from.Amount("cost")
        )
    );

    public override EntryKind Kind => Form;

    public override string Says =>
        $"Slot {Slot}: {Name} fitted, {Ml:0.#}\u2009ml in it"
        + (Number.Length > 0 ? $", {Number}" : "")
        + (Lot.Length > 0 ? $", lot {Lot}" : "")
        + (Seller.Length > 0 ? $", from {Seller}" : "")
        + (ReturnBy is { } day ? $", goes back until {day:d MMM yyyy}" : "")
        + (Became.Length > 0 ? $"; the old one {Became}" : "");

    public override IEnumerable<string> FoundBy => [Number, Lot];

    /// <summary>Its place, its lot, and the lot of the one that came out.</summary>
    public override IEnumerable<Subject> About(Surroundings at) =>
        [
            Subject.Piece(at.Machine, Slot),
            .. new[] { Lot.Trim(), at.LotIn(Slot) }.Where(lot => lot.Length > 0).Select(Subject.Lot).Distinct(),
        ];

    public override Effect Effect =>
        new()
        {
            Parts = Cost,
            Slots = [new SlotFilled(new SlotId(Slot), Name) { Lot = Lot.Trim() }],
            Happenings = [new SlotHappening(new SlotId(Slot), SlotChange.Fitted, Ml, ChipPct, Type)],
        };

    public override void Store(FieldWriter to)
    {
        to.Whole("slot", Slot);
        to.Text("type", Type);
        to.Text("name", Name);
        to.Number("ml", Ml);
        to.Number("chipPct", ChipPct);
        to.Text("number", Number);
        to.Text("lot", Lot);
        to.Text("seller", Seller);
        to.Day("returnBy", ReturnBy);
        to.Text("became", Became);
        to.Amount("cost", Cost);
    }
}
