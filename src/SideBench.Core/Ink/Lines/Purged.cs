using SideBench.Core.Identity;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>The machine purged all channels by itself, as it does after a change.</summary>
/// <param name="InkMl">Ink it took, over all channels, ml.</param>
/// <param name="CounterPct">What it added to the waste counter, points.</param>
/// <param name="Minutes">How long it lasted, min.</param>
public sealed record Purged(double InkMl, double CounterPct, double Minutes) : EntryBody
{
    public static readonly EntryKind Form = new(
        "purged",
        from => new Purged(from.Number("inkMl"), from.Number("counterPct"), from.Number("minutes"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"The machine purged: {InkMl:0.#}\u2009ml of ink, {CounterPct:0.##}\u2009% of the waste counter";

    public override Effect Effect =>
        new()
        {
            Hands = Quantities.Minutes.Of(Minutes),
            Ink = InkMl > 0 ? [new InkUse(SlotId.Whole, Millilitres.Of(InkMl))] : [],
            CounterMoved = CounterShare.OfPct(CounterPct),
        };

    public override void Store(FieldWriter to)
    {
        to.Number("inkMl", InkMl);
        to.Number("counterPct", CounterPct);
        to.Number("minutes", Minutes);
    }
}
