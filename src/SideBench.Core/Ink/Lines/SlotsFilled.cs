using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>Slots were filled.</summary>
/// <param name="Slots">Each with the ml that went in; none for a fill to full.</param>
/// <param name="Minutes">Bench time, min.</param>
/// <param name="Cost">What the ink costs, in the shop's currency.</param>
public sealed record SlotsFilled(IReadOnlyList<SlotAmount> Slots, double Minutes, decimal Cost) : EntryBody
{
    public static readonly EntryKind Form = new(
        "slots-filled",
        from => new SlotsFilled(from.Parts("slots", SlotAmount.Read), from.Number("minutes"), from.Amount("cost"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Filled, by slot: {SlotAmount.Words(Slots, "ml")}";

    /// <summary>The inks that were poured.</summary>
    public override IEnumerable<Subject> About(Surroundings at) => Slots.Select(s => Subject.Ink(at.Model, s.Slot)).Distinct();

    public override Effect Effect =>
        new()
        {
            Hands = Quantities.Minutes.Of(Minutes),
            Parts = Cost,
            Happenings = [.. Slots.Select(s => new SlotHappening(new SlotId(s.Slot), SlotChange.Filled, s.Amount))],
        };

    public override void Store(FieldWriter to)
    {
        to.Parts("slots", Slots, SlotAmount.Store);
        to.Number("minutes", Minutes);
        to.Amount("cost", Cost);
    }
}
