using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>A waste box, tank or cartridge of the shop got a tag: from now on it is a thing with a life of its own.</summary>
/// <param name="Tag">Its tag.</param>
/// <param name="Fits">The model it fits.</param>
/// <param name="TareG">What it weighs dry, g.</param>
/// <param name="Note">What else was told; empty when nothing.</param>
public sealed record BoxCame(string Tag, string Fits, double TareG, string Note) : EntryBody
{
    public static readonly EntryKind Form = new(
        "box-came",
        from => new BoxCame(from.Text("tag"), from.Text("fits"), from.Number("tareG"), from.Text("note"))
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Waste), Subject.Store(Tag)];

    public override bool ChangesTheCase => false;

    public override IEnumerable<string> FoundBy => [Tag];

    public override string Says => $"Waste box {Tag}: {TareG:0.#}\u2009g dry{(Note.Length > 0 ? $"; {Note}" : "")}";

    public override void Store(FieldWriter to)
    {
        to.Text("tag", Tag);
        to.Text("fits", Fits);
        to.Number("tareG", TareG);
        to.Text("note", Note);
    }
}
