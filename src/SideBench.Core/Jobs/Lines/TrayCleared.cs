using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>Something on the tray was undone.</summary>
public sealed record TrayCleared(string Item, string Label) : EntryBody
{
    public static readonly EntryKind Form = new("tray-cleared", from => new TrayCleared(from.Text("item"), from.Text("label")));

    public override EntryKind Kind => Form;

    public override string Says => $"Off the tray: {Label}";

    public override Effect Effect => new() { Takes = [new TrayTake(Item)] };

    public override void Store(FieldWriter to)
    {
        to.Text("item", Item);
        to.Text("label", Label);
    }
}
