using SideBench.Core.Identity;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Work was done.</summary>
public sealed record Mended(
    string Repair,
    string Name,
    IReadOnlyList<string> Tags,
    double Minutes,
    decimal Parts,
    string Part,
    string Lot,
    double InkMl,
    double CounterPct,
    IReadOnlyList<TrayItem> Puts,
    int Thread = 0
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "mended",
        from => new Mended(
            from.Text("repair"),
            from.Text("name"),
            from.Texts("tags"),
            from.Number("minutes"),
            from.Amount("parts"),
            from.Text("part"),
            from.Text("lot"),
            from.Number("inkMl"),
            from.Number("counterPct"),
            from.Parts("puts", TrayItem.Read),
            from.CountOr("thread", 0)
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<string> FoundBy => [Lot];

    public override string Says =>
        $"Done: {Name}, {Minutes:0}\u2009min" + (Part.Length > 0 ? $", {Part}" : "") + (Lot.Length > 0 ? $" lot {Lot}" : "");

    public override Effect Effect =>
        new()
        {
            Puts = Puts,
            Hands = Quantities.Minutes.Of(Minutes),
            Parts = Parts,
            Ink = InkMl == 0 ? [] : [new InkUse(SlotId.Whole, Millilitres.Of(InkMl))],
            CounterMoved = CounterShare.OfPct(CounterPct),
            Work = new WorkDone(Repair, Name, Tags),
        };

    public override void Store(FieldWriter to)
    {
        to.Text("repair", Repair);
        to.Text("name", Name);
        to.Texts("tags", Tags);
        to.Number("minutes", Minutes);
        to.Amount("parts", Parts);
        to.Text("part", Part);
        to.Text("lot", Lot);
        to.Number("inkMl", InkMl);
        to.Number("counterPct", CounterPct);
        to.Parts("puts", Puts, TrayItem.Store);
        to.Whole("thread", Thread);
    }
}
