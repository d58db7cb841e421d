using SideBench.Core.Record;

namespace SideBench.Core.Own;

/// <summary>The shop wrote a pack file of its own, or the next version of one. The line holds the whole file.</summary>
/// <param name="Sort">What it holds: machine, access or sheet.</param>
/// <param name="Id">Which: the model's id, or the layout's.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Version">Its version, rising by one.</param>
/// <param name="Text">The file, JSON.</param>
/// <param name="Why">What was taught with it.</param>
public sealed record OwnFileKept(string Sort, string Id, string Name, int Version, string Text, string Why) : EntryBody
{
    /// <summary>What files of a shop's own can hold.</summary>
    public static readonly IReadOnlyList<string> Sorts = ["machine", "access", "sheet"];

    public static readonly EntryKind Form = new(
        "own-file-kept",
        from => new OwnFileKept(
            from.Text("sort"),
            from.Text("id"),
            from.Text("name"),
            (int)from.Whole("version"),
            from.Text("text"),
            from.Text("why")
        )
    );

    public override EntryKind Kind => Form;

    public override IEnumerable<Subject> About(Surroundings at) => [Subject.Of(ShopPart.Own)];

    public override string Says =>
        Sort switch
        {
            "machine" => $"Own model {Name}, version {Version}: {Why}",
            "access" => $"How {Name} opens, version {Version}: {Why}",
            _ => $"Nozzle sheet {Name}, version {Version}: {Why}",
        };

    public override void Store(FieldWriter to)
    {
        to.Text("sort", Sort);
        to.Text("id", Id);
        to.Text("name", Name);
        to.Whole("version", Version);
        to.Text("text", Text);
        to.Text("why", Why);
    }
}
