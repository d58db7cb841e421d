using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>The machine went back to its customer.</summary>
public sealed record HandedOver(string To, decimal Charge, string Currency) : EntryBody
{
    public static readonly EntryKind Form = new(
        "handed-over",
        from => new HandedOver(from.Text("to"), from.Amount("charge"), from.Text("currency"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Handed over to {To}, charged {Charge:0.00}\u2009{Currency}";

    public override bool Stands => true;

    public override void Store(FieldWriter to)
    {
        to.Text("to", To);
        to.Amount("charge", Charge);
        to.Text("currency", Currency);
    }
}
