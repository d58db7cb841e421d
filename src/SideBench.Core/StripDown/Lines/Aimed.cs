using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>Parts to reach on the machine were chosen.</summary>
public sealed record Aimed(IReadOnlyList<string> Parts, IReadOnlyList<string> Names) : EntryBody
{
    public static readonly EntryKind Form = new("aimed", from => new Aimed(from.Texts("parts"), from.Texts("names")));

    public override EntryKind Kind => Form;

    public override string Says => $"Opening up to reach: {string.Join(", ", Names)}";

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Texts("parts", Parts);
        to.Texts("names", Names);
    }
}
