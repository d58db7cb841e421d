using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Something of the access graph came off, or came loose, open, aside or unplugged. Total is how many the machine has.</summary>
public sealed record TakenOff(string Removal, string Part, string Name, int Total, TrayItem Item, double Minutes, int GraphVersion)
    : EntryBody
{
    public static readonly EntryKind Form = new(
        "taken-off",
        from => new TakenOff(
            from.Text("removal"),
            from.Text("part"),
            from.Text("name"),
            from.Count("total"),
            TrayItem.Read(from.Part("item")!),
            from.Number("minutes"),
            from.Count("graphVersion")
        )
    );

    public override EntryKind Kind => Form;

    public override string Says => $"{Capital(Item.Change)}: {(Total > 1 ? $"{Item.Count} of {Total} " : "")}{Item.Label}";

    public override Effect Effect =>
        new()
        {
            Puts = [Item],
            Hands = Quantities.Minutes.Of(Minutes),
            Modifications = [new Modification(StripDownCraft.StaysOffKey, Removal, null, "")],
        };

    private static string Capital(string word) => word.Length > 0 ? char.ToUpperInvariant(word[0]) + word[1..] : word;

    public override void Store(FieldWriter to)
    {
        to.Text("removal", Removal);
        to.Text("part", Part);
        to.Text("name", Name);
        to.Whole("total", Total);
        to.Part("item", part => TrayItem.Store(part, Item));
        to.Number("minutes", Minutes);
        to.Whole("graphVersion", GraphVersion);
    }
}
