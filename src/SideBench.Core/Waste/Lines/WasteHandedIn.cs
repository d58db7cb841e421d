using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>Waste ink, pads or boxes were handed in, by local rules.</summary>
/// <param name="What">What.</param>
/// <param name="Kg">How much, kg.</param>
/// <param name="Where">Where it was handed in.</param>
public sealed record WasteHandedIn(string What, double Kg, string Where) : EntryBody
{
    public static readonly EntryKind Form = new(
        "waste-handed-in",
        from => new WasteHandedIn(from.Text("what"), from.Number("kg"), from.Text("where"))
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Waste)];

    public override string Says => $"Handed in: {What}, {Kg:0.##}\u2009kg, at {Where}";

    public override void Store(FieldWriter to)
    {
        to.Text("what", What);
        to.Number("kg", Kg);
        to.Text("where", Where);
    }
}
