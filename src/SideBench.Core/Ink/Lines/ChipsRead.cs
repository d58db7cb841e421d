using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>The counts of slots were read off the panel.</summary>
/// <param name="Slots">Each with its count, %.</param>
public sealed record ChipsRead(IReadOnlyList<SlotAmount> Slots) : EntryBody
{
    public static readonly EntryKind Form = new("chips-read", from => new ChipsRead(from.Parts("slots", SlotAmount.Read)));

    public override EntryKind Kind => Form;

    public override string Says => $"Chips read: {SlotAmount.Words(Slots, "%")}";

    public override Effect Effect =>
        new() { Happenings = [.. Slots.Select(s => new SlotHappening(new SlotId(s.Slot), SlotChange.ChipRead, s.Amount))] };

    public override void Store(FieldWriter to) => to.Parts("slots", Slots, SlotAmount.Store);
}
