using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>Another symptom or place on the same machine: a thread of its own.</summary>
public sealed record ThreadOpened(int Thread, string Complaint, int Slot, string Words) : EntryBody
{
    public static readonly EntryKind Form = new(
        "thread-opened",
        from => new ThreadOpened(from.Count("thread"), from.Text("complaint"), from.Count("slot"), from.Text("words"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Another thread, {Complaint}{(Slot > 0 ? $", slot {Slot}" : "")}: “{Words}”";

    public override void Store(FieldWriter to)
    {
        to.Whole("thread", Thread);
        to.Text("complaint", Complaint);
        to.Whole("slot", Slot);
        to.Text("words", Words);
    }
}
