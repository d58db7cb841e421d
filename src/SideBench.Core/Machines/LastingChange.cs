using SideBench.Core.Record;

namespace SideBench.Core.Machines;

/// <summary>A station that a lasting change adds to a path.</summary>
/// <param name="Station">The station.</param>
/// <param name="Before">The station it stands before on its path; empty for the end of the path.</param>
public sealed record AddedStation(Station Station, string Before);

/// <summary>
/// A way in which one machine can differ from its model for good: an outside bottle, a reset board, an add-on supply, a cut tube. Data of
/// a pack. The machine's paths, causes, guides and cautions are those of the machine with its changes.
/// </summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Says">What it means, one line.</param>
/// <param name="Undo">What is done to undo it; empty when it cannot be undone.</param>
/// <param name="Watch">What to watch from now on, and when; empty when nothing.</param>
public sealed record LastingChange(string Id, string Name, string Says, string Undo, string Watch)
{
    /// <summary>The key of its modification in the record.</summary>
    public const string Key = "changed";

    /// <summary>The models it can be on: of every axis one of the words.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> Fits { get; init; } = new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>The models it can be on by name; none when the axes alone say it.</summary>
    public IReadOnlyList<string> Models { get; init; } = [];

    /// <summary>Axes that read otherwise once it is made.</summary>
    public IReadOnlyDictionary<string, string> Axes { get; init; } = new Dictionary<string, string>();

    /// <summary>Stations that it adds.</summary>
    public IReadOnlyList<AddedStation> Stations { get; init; } = [];

    /// <summary>Warnings that hold from then on.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>The ink told at take-in that says the machine has it; empty when none does.</summary>
    public string ToldByInk { get; init; } = "";

    /// <summary>Whether it is made for good.</summary>
    public bool ForEver => Undo.Length == 0;

    /// <summary>Whether it can be on a model.</summary>
    /// <param name="model">The model as it leaves its maker.</param>
    public bool CanBeOn(MachineModel model) =>
        (Models.Count == 0 || Models.Contains(model.Id))
        && Fits.All(f => model.Axes.TryGetValue(f.Key, out var word) && f.Value.Contains(word));

    /// <summary>The modification that says the machine has it.</summary>
    public Modification Made => new(Key, Id, "yes", $"{Name}: {Says}");

    /// <summary>The modification that says it is undone.</summary>
    public Modification Undone => new(Key, Id, null, "");
}

/// <summary>A machine as it stands: its model with its own lasting changes.</summary>
public static class AsItStands
{
    /// <summary>The changes that a machine has, in the pack's order.</summary>
    /// <param name="all">All changes of the packs.</param>
    /// <param name="machine">The machine's life so far.</param>
    public static IReadOnlyList<LastingChange> ChangesOf(IReadOnlyList<LastingChange> all, MachineCase machine) =>
        [.. all.Where(c => machine.Modifications.ContainsKey((LastingChange.Key, c.Id)))];

    /// <summary>The model of a machine with these changes. Axes, stations and cautions are those of the machine as it stands.</summary>
    /// <param name="model">The model as it leaves its maker.</param>
    /// <param name="changes">What was changed; those that cannot be on the model change nothing.</param>
    public static MachineModel Of(MachineModel model, IReadOnlyList<LastingChange> changes)
    {
        var on = changes.Where(c => c.CanBeOn(model)).ToList();
        if (on.Count == 0)
            return model;
        var axes = new Dictionary<string, string>(model.Axes);
        var stations = model.Stations.ToList();
        foreach (var change in on)
        {
            foreach (var (axis, word) in change.Axes)
                axes[axis] = word;
            foreach (var added in change.Stations.Where(a => stations.All(s => s.Id != a.Station.Id)))
                stations.Insert(PlaceOf(added, stations), added.Station);
        }

        return model with
        {
            Axes = axes,
            Stations = stations,
            Cautions = [.. model.Cautions.Concat(on.SelectMany(c => c.Cautions)).Distinct()],
            Kind = string.Join(", ", on.Select(c => c.Name.ToLowerInvariant()).Prepend(model.Kind)),
        };
    }

    /// <summary>A model as it leaves its maker, and with each single lasting change that it can have.</summary>
    /// <param name="model">The model as it leaves its maker.</param>
    /// <param name="all">All changes of the packs.</param>
    public static IReadOnlyList<MachineModel> Each(MachineModel model, IReadOnlyList<LastingChange> all) =>
        [model, .. all.Where(c => c.CanBeOn(model)).Select(c => Of(model, [c]))];

    private static int PlaceOf(AddedStation added, List<Station> stations)
    {
        var before = stations.FindIndex(s => s.Id == added.Before);
        return before >= 0 ? before : stations.FindLastIndex(s => s.Path == added.Station.Path) + 1;
    }
}
