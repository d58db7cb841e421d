using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>A gate was gone past, knowingly.</summary>
public sealed record GateOverridden(string Gate, string Step, string Reason, int Thread = 0) : EntryBody
{
    public static readonly EntryKind Form = new(
        "gate-overridden",
        from => new GateOverridden(from.Text("gate"), from.Text("step"), from.Text("reason"), from.CountOr("thread", 0))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Went past “{Gate}” for “{Step}”: {Reason}";

    public override void Store(FieldWriter to)
    {
        to.Text("gate", Gate);
        to.Text("step", Step);
        to.Text("reason", Reason);
        to.Whole("thread", Thread);
    }
}
