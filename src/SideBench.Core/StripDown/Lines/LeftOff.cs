using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Something stays off: a part, or what held it, by its removal.</summary>
public sealed record LeftOff(string Item, string What, string Label, string Reason) : EntryBody
{
    public static readonly EntryKind Form = new(
        "left-off",
        from => new LeftOff(from.Text("item"), from.TextOrNull("what") ?? from.Text("part"), from.Text("label"), from.Text("reason"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Stays off: {Label}: {Reason}";

    public override Effect Effect =>
        new()
        {
            Takes = [new TrayTake(Item)],
            Modifications = [new Modification(StripDownCraft.StaysOffKey, What, Reason, $"{Label} stays off: {Reason}")],
        };

    public override void Store(FieldWriter to)
    {
        to.Text("item", Item);
        to.Text("what", What);
        to.Text("label", Label);
        to.Text("reason", Reason);
    }
}
