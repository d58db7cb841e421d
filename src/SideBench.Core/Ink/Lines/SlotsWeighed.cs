using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>Cartridges were weighed.</summary>
/// <param name="Slots">Each with its mass, g.</param>
/// <param name="Minutes">Bench time, min.</param>
public sealed record SlotsWeighed(IReadOnlyList<SlotAmount> Slots, double Minutes) : EntryBody
{
    public static readonly EntryKind Form = new(
        "slots-weighed",
        from => new SlotsWeighed(from.Parts("slots", SlotAmount.Read), from.Number("minutes"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Weighed, by slot: {SlotAmount.Words(Slots, "g")}";

    public override Effect Effect =>
        new()
        {
            Hands = Quantities.Minutes.Of(Minutes),
            Happenings = [.. Slots.Select(s => new SlotHappening(new SlotId(s.Slot), SlotChange.Weighed, s.Amount))],
        };

    public override void Store(FieldWriter to)
    {
        to.Parts("slots", Slots, SlotAmount.Store);
        to.Number("minutes", Minutes);
    }
}
