using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A guide was ended, done or given up.</summary>
public sealed record GuideEnded(string Run, string Name, bool Done, string Reason) : EntryBody
{
    public static readonly EntryKind Form = new(
        "guide-ended",
        from => new GuideEnded(from.Text("run"), from.Text("name"), from.Flag("done"), from.Text("reason"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Guide {(Done ? "done" : "given up")}: {Name}" + (Reason.Length > 0 ? $": {Reason}" : "");

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("run", Run);
        to.Text("name", Name);
        to.Flag("done", Done);
        to.Text("reason", Reason);
    }
}
