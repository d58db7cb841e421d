using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>A slot with a figure of it.</summary>
/// <param name="Slot">The slot, by panel number.</param>
/// <param name="Amount">The figure, in the unit of its line; null where it says "to full" or "not read".</param>
/// <param name="After">The figure after the work, where there is one.</param>
public sealed record SlotAmount(int Slot, double? Amount, double? After = null)
{
    internal static SlotAmount Read(FieldReader from) => new(from.Count("slot"), from.NumberOrNull("amount"), from.NumberOrNull("after"));

    internal static void Store(FieldWriter to, SlotAmount slot)
    {
        to.Whole("slot", slot.Slot);
        to.Number("amount", slot.Amount);
        to.Number("after", slot.After);
    }

    internal static string Words(IEnumerable<SlotAmount> slots, string unit) =>
        string.Join(", ", slots.Select(s => s.Amount is { } a ? $"{s.Slot}: {a:0.##}\u2009{unit}" : $"{s.Slot}: to full"));
}
