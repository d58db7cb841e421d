using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>A school was chosen: for the job, or for the shop when the line belongs to none.</summary>
public sealed record SchoolChosen(string School, string Option) : EntryBody
{
    public static readonly EntryKind Form = new("school-chosen", from => new SchoolChosen(from.Text("school"), from.Text("option")));

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Schools)];

    public override string Says => $"School for {School}: {Option}";

    public override void Store(FieldWriter to)
    {
        to.Text("school", School);
        to.Text("option", Option);
    }
}
