using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>A photo was taken. The picture is named by its fingerprint.</summary>
public sealed record PhotoTaken(string Picture, string Of, string Label) : EntryBody
{
    public static readonly EntryKind Form = new(
        "photo-taken",
        from => new PhotoTaken(from.Text("picture"), from.Text("of"), from.Text("label"))
    );

    public override EntryKind Kind => Form;

    public override string Says => $"Photo: {Label}";

    public override string? NamedPicture => Picture;

    public override bool ChangesTheCase => false;

    public override void Store(FieldWriter to)
    {
        to.Text("picture", Picture);
        to.Text("of", Of);
        to.Text("label", Label);
    }
}
