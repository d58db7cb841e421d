using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A guide that changed meanwhile was taken over as it is now.</summary>
public sealed record GuideRenewed(string Run, int Version, IReadOnlyList<GuideStep> Steps, IReadOnlyList<GuideWindow> Windows) : EntryBody
{
    public static readonly EntryKind Form = new(
        "guide-renewed",
        from => new GuideRenewed(
            from.Text("run"),
            from.Count("version"),
            from.Parts("steps", GuideForm.ReadStep),
            from.Parts("windows", GuideForm.ReadWindow)
        )
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Guide taken over as it is now, version {Version}";

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("run", Run);
        to.Whole("version", Version);
        to.Parts("steps", Steps, GuideForm.Store);
        to.Parts("windows", Windows, GuideForm.Store);
    }
}
