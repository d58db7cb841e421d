using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A guide was begun. Its steps stay as they were then.</summary>
public sealed record GuideBegun(
    string Run,
    string Guide,
    string Name,
    int Version,
    int Slot,
    IReadOnlyList<GuideStep> Steps,
    IReadOnlyList<GuideWindow> Windows
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "guide-begun",
        from => new GuideBegun(
            from.Text("run"),
            from.Text("guide"),
            from.Text("name"),
            from.Count("version"),
            from.Count("slot"),
            from.Parts("steps", GuideForm.ReadStep),
            from.Parts("windows", GuideForm.ReadWindow)
        )
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Guide begun: {Name}";

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("run", Run);
        to.Text("guide", Guide);
        to.Text("name", Name);
        to.Whole("version", Version);
        to.Whole("slot", Slot);
        to.Parts("steps", Steps, GuideForm.Store);
        to.Parts("windows", Windows, GuideForm.Store);
    }
}
