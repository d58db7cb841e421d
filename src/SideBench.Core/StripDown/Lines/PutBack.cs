using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Something of the access graph went back. Holes of lost pieces may have stayed empty.</summary>
public sealed record PutBack(string Item, string Removal, string Label, int Count, int LeftEmpty, double Minutes) : EntryBody
{
    public static readonly EntryKind Form = new(
        "put-back",
        from => new PutBack(
            from.Text("item"),
            from.Text("removal"),
            from.Text("label"),
            from.Count("count"),
            from.Count("leftEmpty"),
            from.Number("minutes")
        )
    );

    public override EntryKind Kind => Form;

    public override string Says =>
        $"Back: {(Count > 1 ? $"{Count} " : "")}{Label}" + (LeftEmpty > 0 ? $", {LeftEmpty} of its holes stays empty" : "");

    public override Effect Effect => new() { Takes = [new TrayTake(Item, Count + LeftEmpty)], Hands = Quantities.Minutes.Of(Minutes) };

    public override void Store(FieldWriter to)
    {
        to.Text("item", Item);
        to.Text("removal", Removal);
        to.Text("label", Label);
        to.Whole("count", Count);
        to.Whole("leftEmpty", LeftEmpty);
        to.Number("minutes", Minutes);
    }
}
