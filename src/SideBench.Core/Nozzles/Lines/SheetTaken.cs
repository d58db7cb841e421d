using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>
/// A nozzle sheet was read, from a picture or from taps. The picture is named by its fingerprint. Made up: a stand-in took it.
/// </summary>
public sealed record SheetTaken(
    string Sheet,
    string Layout,
    string Way,
    string? Picture,
    IReadOnlyList<UnitLine> Units,
    SheetHandling? Handling = null,
    PageMap? Map = null,
    bool MadeUp = false
) : EntryBody
{
    public static readonly EntryKind Form = new(
        "sheet-taken",
        from => new SheetTaken(
            from.Text("sheet"),
            from.Text("layout"),
            from.Text("way"),
            from.TextOrNull("picture"),
            from.Parts("units", UnitForm.Read),
            from.Part("handling") is { } handling ? SheetForm.ReadHandling(handling) : null,
            from.Part("map") is { } map ? SheetForm.ReadMap(map) : null,
            from.Has("madeUp") && from.Flag("madeUp")
        )
    );

    public override EntryKind Kind => Form;

    public override string? NamedPicture => Picture;

    public override string Says => $"Nozzle sheet ({Way}{(MadeUp ? ", made up" : "")}): {Gaps(Units)}";

    internal static string Gaps(IReadOnlyList<UnitLine> units)
    {
        var gaps = units.Where(u => u.MissingCount > 0).Select(u => $"{u.Id} {u.MissingCount} missing").ToList();
        return gaps.Count == 0 ? "nothing missing" : string.Join(", ", gaps);
    }

    public override void Store(FieldWriter to)
    {
        to.Text("sheet", Sheet);
        to.Text("layout", Layout);
        to.Text("way", Way);
        to.Text("picture", Picture);
        to.Parts("units", Units, UnitForm.Store);
        to.Part("handling", Handling is { } handling ? part => SheetForm.Store(part, handling) : null);
        to.Part("map", Map is { } map ? part => SheetForm.Store(part, map) : null);
        if (MadeUp)
            to.Flag("madeUp", MadeUp);
    }
}
