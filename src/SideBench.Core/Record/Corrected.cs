namespace SideBench.Core.Record;

/// <summary>An earlier line was a mistake: it stays on record and no longer counts.</summary>
public sealed record Corrected(long Target, string Reason) : EntryBody
{
    public static readonly EntryKind Form = new("corrected", from => new Corrected(from.Whole("target"), from.Text("reason")));

    public override EntryKind Kind => Form;

    public override string Says => $"Took back line {Target}" + (Reason.Length > 0 ? $": {Reason}" : "");

    public override bool Stands => true;

    public override void Store(FieldWriter to)
    {
        to.Whole("target", Target);
        to.Text("reason", Reason);
    }
}
