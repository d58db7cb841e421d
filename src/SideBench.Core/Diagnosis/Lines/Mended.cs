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
    int Thread = 0,
    IReadOnlyList<int>? RunOn = null
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
            from.CountOr("thread", 0),
            from.Has("slots") ? [.. from.Numbers("slots").Select(n => (int)n)] : null
        )
        {
            Old = new OldPart(from.TextOrNull("became") ?? "", from.Has("returnBy") ? from.Day("returnBy") : null),
        }
    );

    public override EntryKind Kind => Form;

    /// <summary>The slots it was run on, by panel number; none for all.</summary>
    public IReadOnlyList<int> Slots => RunOn ?? [];

    /// <summary>What became of the part that came out, and until when the new one goes back.</summary>
    public OldPart Old { get; init; } = OldPart.NotTold;

    public override IEnumerable<string> FoundBy => [Lot];

    public override string Says =>
        $"Done: {Name}{(Slots.Count > 0 ? $" on slot{(Slots.Count > 1 ? "s" : "")} {string.Join(", ", Slots)}" : "")}, {Minutes:0}\u2009min"
        + (Part.Length > 0 ? $", {Part}" : "")
        + (Lot.Length > 0 ? $" lot {Lot}" : "")
        + (Old.Became.Length > 0 ? $"; the old one {Old.Became}" : "")
        + (Old.ReturnBy is { } day ? $"; the new one goes back until {day:d MMM yyyy}" : "");

    public override Effect Effect =>
        new()
        {
            Puts = Puts,
            Hands = Quantities.Minutes.Of(Minutes),
            Parts = Parts,
            Ink =
                InkMl == 0 ? []
                : Slots.Count == 0 ? [new InkUse(SlotId.Whole, Millilitres.Of(InkMl))]
                : [.. Slots.Select(s => new InkUse(new SlotId(s), Millilitres.Of(InkMl / Slots.Count)))],
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
        if (Slots.Count > 0)
            to.Numbers("slots", Slots.Select(s => (double)s));
        if (Old.Became.Length > 0)
            to.Text("became", Old.Became);
        if (Old.ReturnBy is not null)
            to.Day("returnBy", Old.ReturnBy);
    }
}

/// <summary>A part that was changed: its old one and its return.</summary>
/// <param name="Became">What became of the old one; empty when not told.</param>
/// <param name="ReturnBy">Until when the seller takes the new one back; null when not told.</param>
public sealed record OldPart(string Became, DateOnly? ReturnBy)
{
    /// <summary>Nothing was told.</summary>
    public static readonly OldPart NotTold = new("", null);
}
