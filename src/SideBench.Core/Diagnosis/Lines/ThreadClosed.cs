using SideBench.Core.Jobs;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>A thread ended while others are open.</summary>
public sealed record ThreadClosed(int Thread, string How, string Cause, string Reason) : EntryBody, IEndsThread
{
    public static readonly EntryKind Form = new(
        "thread-closed",
        from => new ThreadClosed(from.Count("thread"), from.Text("how"), from.Text("cause"), from.Text("reason"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Thread closed {How}" + (Reason.Length > 0 ? $": {Reason}" : "");

    public override void Store(FieldWriter to)
    {
        to.Whole("thread", Thread);
        to.Text("how", How);
        to.Text("cause", Cause);
        to.Text("reason", Reason);
    }
}
