using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A note.</summary>
public sealed record Noted(string Text) : EntryBody
{
    public static readonly EntryKind Form = new("noted", from => new Noted(from.Text("text")));

    public override EntryKind Kind => Form;

    public override string Says => Text;

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("text", Text);
    }
}
