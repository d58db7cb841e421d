using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Pieces were lost, or missing already when the machine was opened.</summary>
public sealed record PieceLost(string Item, string Removal, string Label, int Count, bool Before, string Reason, int Total = 0) : EntryBody
{
    public static readonly EntryKind Form = new(
        "piece-lost",
        from => new PieceLost(
            from.Text("item"),
            from.Text("removal"),
            from.Text("label"),
            from.Count("count"),
            from.Flag("before"),
            from.Text("reason"),
            from.CountOr("total", 0)
        )
    );

    public override EntryKind Kind => Form;

    public override string Says =>
        $"{(Before ? "Missing already" : "Lost")}: {Count} of {Label}" + (Reason.Length > 0 ? $": {Reason}" : "");

    // What was missing already lies with the pieces of its group that came out: counted as out and lost.
    public override Effect Effect =>
        Before && Item.Length > 0 ? new() { Puts = [new TrayItem(Item, Label, "off", Count, "", []) { Removal = Removal }] } : Effect.None;

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("item", Item);
        to.Text("removal", Removal);
        to.Text("label", Label);
        to.Whole("count", Count);
        to.Flag("before", Before);
        to.Text("reason", Reason);
        to.Whole("total", Total);
    }
}
