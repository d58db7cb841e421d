using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Lost pieces were replaced from stock.</summary>
public sealed record PieceReplaced(string Item, string Removal, string Label, int Count, string From) : EntryBody
{
    public static readonly EntryKind Form = new(
        "piece-replaced",
        from => new PieceReplaced(from.Text("item"), from.Text("removal"), from.Text("label"), from.Count("count"), from.Text("from"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Replaced: {Count} of {Label}" + (From.Length > 0 ? $", from {From}" : "");

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("item", Item);
        to.Text("removal", Removal);
        to.Text("label", Label);
        to.Whole("count", Count);
        to.Text("from", From);
    }
}
