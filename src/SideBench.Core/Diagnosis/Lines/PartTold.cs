using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>A part is on the shelf, or is not.</summary>
public sealed record PartTold(string Part, bool Here) : EntryBody
{
    public static readonly EntryKind Form = new("part-told", from => new PartTold(from.Text("part"), from.Flag("here")));

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Shelf)];

    public override string Says => Here ? $"On the shelf again: {Part}" : $"Not on the shelf: {Part}";

    public override void Store(FieldWriter to)
    {
        to.Text("part", Part);
        to.Flag("here", Here);
    }
}
