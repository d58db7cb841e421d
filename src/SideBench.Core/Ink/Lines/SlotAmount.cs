using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>A slot with a figure of it.</summary>
/// <param name="Slot">The slot, by panel number.</param>
/// <param name="Amount">The figure, in the unit of its line; null where it says "to full" or "not read".</param>
/// <param name="After">The figure after the work, where there is one; for a fill to full, what went in by the estimate.</param>
/// <param name="Lamp">What the lamp of the tool said; empty when not seen.</param>
public sealed record SlotAmount(int Slot, double? Amount, double? After = null, string Lamp = "")
{
    internal static SlotAmount Read(FieldReader from) =>
        new(from.Count("slot"), from.NumberOrNull("amount"), from.NumberOrNull("after"), from.TextOrNull("lamp") ?? "");

    internal static void Store(FieldWriter to, SlotAmount slot)
    {
        to.Whole("slot", slot.Slot);
        to.Number("amount", slot.Amount);
        to.Number("after", slot.After);
        if (slot.Lamp.Length > 0)
            to.Text("lamp", slot.Lamp);
    }

    internal static string Words(IEnumerable<SlotAmount> slots, string unit) =>
        string.Join(", ", slots.Select(s => $"{s.Slot}: {Word(s, unit)}"));

    private static string Word(SlotAmount slot, string unit) =>
        slot.Amount is { } a ? $"{a:0.##}\u2009{unit}"
        : slot.After is { } about ? $"to full, about {about:0.#}\u2009{unit}"
        : "to full";
}
