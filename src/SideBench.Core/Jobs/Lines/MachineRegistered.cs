using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>A machine came on record.</summary>
public sealed record MachineRegistered(long MachineId, string ModelId, string Serial, long CustomerId) : EntryBody
{
    public static readonly EntryKind Form = new(
        "machine-registered",
        from => new MachineRegistered(from.Whole("machineId"), from.Text("modelId"), from.Text("serial"), from.Whole("customerId"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Machine on record: serial {Serial}";

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Whole("machineId", MachineId);
        to.Text("modelId", ModelId);
        to.Text("serial", Serial);
        to.Whole("customerId", CustomerId);
    }
}
