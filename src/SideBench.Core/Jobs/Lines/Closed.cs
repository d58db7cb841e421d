using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>The job's work ended.</summary>
public sealed record Closed(
    string How,
    string Cause,
    string Reason,
    IReadOnlyList<string> StillOnTray,
    int Thread = 0,
    string? ThreadHow = null
) : EntryBody, IEndsThread
{
    public static readonly EntryKind Form = new(
        "closed",
        from => new Closed(
            from.Text("how"),
            from.Text("cause"),
            from.Text("reason"),
            from.Texts("stillOnTray"),
            from.CountOr("thread", 0),
            from.TextOrNull("threadHow")
        )
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Closed {How}" + (Reason.Length > 0 ? $": {Reason}" : "");

    public override void Store(FieldWriter to)
    {
        to.Text("how", How);
        to.Text("cause", Cause);
        to.Text("reason", Reason);
        to.Texts("stillOnTray", StillOnTray);
        to.Whole("thread", Thread);
        to.Text("threadHow", ThreadHow);
    }
}
