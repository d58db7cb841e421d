using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Something would not move, come off or go back.</summary>
public sealed record WouldNot(string Removal, string Name, string What) : EntryBody
{
    public static readonly EntryKind Form = new(
        "would-not",
        from => new WouldNot(from.Text("removal"), from.Text("name"), from.Text("what"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Would not: {Name}. {What}";

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("removal", Removal);
        to.Text("name", Name);
        to.Text("what", What);
    }
}
