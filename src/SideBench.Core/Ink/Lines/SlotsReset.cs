using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>A reset of counts was tried.</summary>
/// <param name="Tool">By what: hand-tool, board, auto (the replace routine) or panel.</param>
/// <param name="Tries">How often.</param>
/// <param name="Worked">Whether the counts were set anew.</param>
/// <param name="Slots">Each with its count before and after, %; the one before is null where it was not read.</param>
/// <param name="Left">Presses that the board has left; null where there is none.</param>
/// <param name="Despite">Why it was pressed though something spoke against it; empty when nothing did.</param>
/// <param name="Minutes">Bench time, min.</param>
public sealed record SlotsReset(
    string Tool,
    int Tries,
    bool Worked,
    IReadOnlyList<SlotAmount> Slots,
    int? Left,
    string Despite,
    double Minutes
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "slots-reset",
        from => new SlotsReset(
            from.Text("tool"),
            from.Count("tries"),
            from.Flag("worked"),
            from.Parts("slots", SlotAmount.Read),
            from.CountOrNull("left"),
            from.Text("despite"),
            from.Number("minutes")
        )
    );

    public override EntryKind Kind => Form;

    public override string Says =>
        $"{(Worked ? "Chips reset" : "Reset failed")} by {InkWords.Tool(Tool)}, slot{(Slots.Count > 1 ? "s" : "")} "
        + string.Join(", ", Slots.Select(s => s.Lamp.Length > 0 ? $"{s.Slot} (lamp {s.Lamp})" : $"{s.Slot}"))
        + (Tries > 1 ? $", {Tries} tries" : "")
        + (Left is { } left ? $", {left} presses left" : "")
        + (Despite.Length > 0 ? $"; in spite of the hold: {Despite}" : "");

    public override Effect Effect =>
        new()
        {
            Hands = Quantities.Minutes.Of(Minutes),
            Happenings =
            [
                .. Slots.Where(s => s.Amount is not null).Select(s => new SlotHappening(new SlotId(s.Slot), SlotChange.ChipRead, s.Amount)),
                .. Slots
                    .Where(s => s.After is not null && Worked)
                    .Select(s => new SlotHappening(new SlotId(s.Slot), SlotChange.Reset, s.After, Of: Tool)),
                .. Tool == InkWords.Board
                    ? [new SlotHappening(SlotId.Whole, SlotChange.Reset, null, Tries, Tool)]
                    : Array.Empty<SlotHappening>(),
            ],
        };

    public override void Store(FieldWriter to)
    {
        to.Text("tool", Tool);
        to.Whole("tries", Tries);
        to.Flag("worked", Worked);
        to.Parts("slots", Slots, SlotAmount.Store);
        to.Whole("left", Left);
        to.Text("despite", Despite);
        to.Number("minutes", Minutes);
    }
}
