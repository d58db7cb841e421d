using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>The machine got a place on the bench, or left it (0).</summary>
public sealed record PlaceSet(int Place) : EntryBody
{
    public static readonly EntryKind Form = new("place-set", from => new PlaceSet(from.Count("place")));

    public override EntryKind Kind => Form;

    public override string Says => Place == 0 ? "Off the bench" : $"On bench place {Place}";

    public override bool Stands => true;

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Whole("place", Place);
    }
}
