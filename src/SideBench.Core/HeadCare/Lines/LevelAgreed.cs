using SideBench.Core.Record;

namespace SideBench.Core.HeadCare;

/// <summary>How complete a sheet has to be was agreed with the customer.</summary>
/// <param name="MostLeft">Nozzles that may stay missing in a channel; 0 for a complete sheet.</param>
public sealed record LevelAgreed(int MostLeft) : EntryBody
{
    public static readonly EntryKind Form = new("level-agreed", from => new LevelAgreed(from.Count("mostLeft")));

    public override EntryKind Kind => Form;

    public override string Says =>
        MostLeft == 0 ? "Agreed: a complete sheet" : $"Agreed: up to {MostLeft} missing nozzles in a channel may stay";

    public override void Store(FieldWriter to) => to.Whole("mostLeft", MostLeft);
}
