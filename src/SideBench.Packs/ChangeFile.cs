using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Packs;

/// <summary>Puts the lasting changes of all packs together; what a later pack says of a change counts.</summary>
/// <param name="models">Machine models, of which each change must fit one.</param>
/// <param name="problems">Told what is unknown.</param>
internal sealed class ChangeFile(IReadOnlyDictionary<string, MachineModel> models, List<Problem> problems)
{
    /// <summary>The changes, in the order of their files.</summary>
    /// <param name="files">Files whose shape was checked, ours first.</param>
    public IReadOnlyList<LastingChange> Read(IReadOnlyList<(string Path, JsonNode File)> files)
    {
        var changes = new Dictionary<string, LastingChange>();
        foreach (var (path, shape) in files.SelectMany(f => f.File.Deserialize<Shape>(PackReader.Json)!.Changes.Select(c => (f.Path, c))))
        {
            var change = Read(shape);
            foreach (var model in change.Models.Where(m => !models.ContainsKey(m)))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/changes/{change.Id}/models", "machine model", model));
            foreach (var axis in change.Fits.Keys.Where(axis => models.Values.All(m => !m.Axes.ContainsKey(axis))))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}#/changes/{change.Id}/fits", "axis", axis));
            foreach (var added in change.Stations.Where(a => a.Before.Length > 0 && models.Values.Any(m => IsLost(a, change, m))))
                problems.Add(
                    new Problem(
                        ProblemCode.PackUnknownName,
                        $"{path}#/changes/{change.Id}/stations/{added.Station.Id}/before",
                        "station",
                        added.Before
                    )
                );
            changes[change.Id] = change;
        }

        return [.. changes.Values];
    }

    // Whether a model that can have the change has no such station, or has it on another path.
    private static bool IsLost(AddedStation added, LastingChange change, MachineModel model) =>
        change.CanBeOn(model)
        && !model.Stations.Concat(change.Stations.Select(a => a.Station)).Any(s => s.Id == added.Before && s.Path == added.Station.Path);

    private static LastingChange Read(ChangeShape c) =>
        new(c.Id, c.Name, c.Says, c.Undo ?? "", c.Watch ?? "")
        {
            Fits = c.Fits ?? [],
            Models = c.Models ?? [],
            Axes = c.Axes ?? [],
            Stations = [.. (c.Stations ?? []).Select(s => new AddedStation(new Station(s.Id, s.Name, s.Path), s.Before ?? ""))],
            Cautions = c.Cautions ?? [],
            ToldByInk = c.ToldByInk ?? "",
        };

    private sealed record Shape(IReadOnlyList<ChangeShape> Changes);

    private sealed record StationShape(string Id, string Name, PathKind Path, string? Before);

    private sealed record ChangeShape(
        string Id,
        string Name,
        string Says,
        string? Undo,
        string? Watch,
        Dictionary<string, IReadOnlyList<string>>? Fits,
        IReadOnlyList<string>? Models,
        Dictionary<string, string>? Axes,
        IReadOnlyList<StationShape>? Stations,
        IReadOnlyList<string>? Cautions,
        string? ToldByInk
    );
}
