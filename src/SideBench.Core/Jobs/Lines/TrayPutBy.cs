using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>Something was taken off, opened or put inside by hand.</summary>
public sealed record TrayPutBy(TrayItem Item) : EntryBody
{
    public static readonly EntryKind Form = new("tray-put", from => new TrayPutBy(TrayItem.Read(from.Part("item")!)));

    public override EntryKind Kind => Form;

    public override string Says => $"On the tray: {Item.Count} {Item.Label} {Item.Change}";

    public override Effect Effect => new() { Puts = [Item] };

    public override void Store(FieldWriter to)
    {
        to.Part("item", part => TrayItem.Store(part, Item));
    }
}
