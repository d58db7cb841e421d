using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>A reading was put right by a person; what was read stays beside it.</summary>
public sealed record SheetCorrected(string Sheet, IReadOnlyList<UnitLine> Units) : EntryBody
{
    public static readonly EntryKind Form = new(
        "sheet-corrected",
        from => new SheetCorrected(from.Text("sheet"), from.Parts("units", UnitForm.Read))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Nozzle sheet put right: {SheetTaken.Gaps(Units)}";

    public override void Store(FieldWriter to)
    {
        to.Text("sheet", Sheet);
        to.Parts("units", Units, UnitForm.Store);
    }
}
