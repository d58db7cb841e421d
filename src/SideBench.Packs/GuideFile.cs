using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;
using SideBench.Core.Record;
using SideBench.Core.StripDown;

namespace SideBench.Packs;

/// <summary>
/// Turns written guides, whose shape was checked, into the core's: shared parts put in, every guide tried on every model it applies to.
/// </summary>
internal sealed class GuideFile(
    IReadOnlyDictionary<string, MachineModel> models,
    IReadOnlyDictionary<string, AccessGraph> graphs,
    FaultBook book,
    IReadOnlyList<LastingChange> changes,
    Crafts crafts,
    List<Problem> problems
)
{
    private readonly ConditionReader conditions = new(new Dictionary<string, IReadOnlyList<string>>(), crafts, problems);

    /// <summary>All guides of all files.</summary>
    public IReadOnlyList<Guide> Read(IReadOnlyList<(string Path, JsonNode File)> files)
    {
        var read = files.Select(f => (f.Path, Shape: f.File.Deserialize<Shape>(PackReader.Json)!)).ToList();
        var shared = new Dictionary<string, IReadOnlyList<StepShape>>();
        foreach (var (path, part) in read.SelectMany(f => (f.Shape.Shared ?? []).Select(s => (f.Path, s))))
            if (!shared.TryAdd(part.Id, part.Steps))
                problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{path}#/shared/{part.Id}", "shared part", part.Id));
        var guides = new Dictionary<string, Guide>();
        foreach (var (path, shape) in read.SelectMany(f => (f.Shape.Guides ?? []).Select(g => (f.Path, g))))
        {
            var place = $"{path}#/guides/{shape.Id}";
            var guide = Guide(shape, shared, place);
            var suits = models.Values.SelectMany(m => AsItStands.Each(m, changes)).Where(m => Applies(guide, m)).ToList();
            // A kind is known before its parts are: what does not fit them is not offered, and no mistake of the guide.
            var notOn = suits.Where(m => m.Taught is not null && Tried(guide, m, place).Count > 0).Select(m => m.Id).Distinct().ToList();
            if (!guides.TryAdd(guide.Id, guide with { NotOn = notOn }))
                problems.Add(new Problem(ProblemCode.PackDefinedTwice, place, "guide", guide.Id));
            var made = guide.Lines.SelectMany(l => l.Step.Does).Select(d => d.Repair);
            foreach (var repair in guide.Repairs.Concat(made).Where(r => book.Step(r) is not Repair).Distinct())
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{place}/repairs", "repair", repair));
            foreach (var model in suits.Where(m => m.Taught is null))
                problems.AddRange(Tried(guide, model, place));
        }

        return [.. guides.Values];
    }

    /// <summary>Whether a guide applies to a model.</summary>
    public static bool Applies(Guide guide, MachineModel model) =>
        !guide.NotOn.Contains(model.Id) && guide.When.Holds(new Facts { Model = model, Context = new Dictionary<string, string>() });

    private List<Problem> Tried(Guide guide, MachineModel model, string place) =>
        graphs.TryGetValue(model.Id, out var graph)
            ? GuideRules.Check(guide, model, graph, place)
            : [new Problem(StripDownProblem.NoGraph, place, model.FullName)];

    private Guide Guide(GuideShape g, Dictionary<string, IReadOnlyList<StepShape>> shared, string place)
    {
        var lines = new List<GuideLine>();
        foreach (var (node, i) in g.Steps.Select((node, i) => (node, i)))
        {
            if (node["use"] is not { } use)
            {
                lines.Add(Line(node.Deserialize<StepShape>(PackReader.Json)!, "", null, $"{place}/steps/{i}"));
                continue;
            }

            if (!shared.TryGetValue(use.GetValue<string>(), out var steps))
                problems.Add(new Problem(ProblemCode.PackUnknownName, $"{place}/steps/{i}/use", "shared part", use.GetValue<string>()));
            else
                lines.AddRange(
                    steps.Select(s =>
                        Line(s, node["as"]?.GetValue<string>() is { } prefix ? $"{prefix}-" : "", node["when"], $"{place}/steps/{i}")
                    )
                );
        }

        return new Guide(
            g.Id,
            g.Name,
            g.Version,
            g.Purpose,
            conditions.Read(g.When, $"{place}/when"),
            g.Tools ?? [],
            g.Needs ?? [],
            g.Repairs ?? [],
            [.. (g.Windows ?? []).Select(w => new GuideWindow(w.Id, w.Name, Minutes.Of(w.Minutes), w.OpensAt, w.Ready))],
            lines
        );
    }

    private GuideLine Line(StepShape s, string prefix, JsonNode? also, string place)
    {
        var when = conditions.Read(s.When, $"{place}/when");
        return new GuideLine(
            new GuideStep(prefix + s.Id, s.Kind, s.Title, s.Text ?? "", s.View ?? "", Minutes.Of(s.Minutes))
            {
                Cautions = s.Cautions ?? [],
                Sign = s.Sign ?? "",
                Puts = [.. (s.Puts ?? []).Select(p => new TrayPut(p.Label, p.Change, p.Count, p.Undo, p.Marks, p.Minutes))],
                Takes = s.Takes ?? [],
                Measure = s.Measure is { } m ? new AskedMeasure(m.Label, m.Unit, m.Min, m.Max, m.MaxOf, m.Good) : null,
                Photo = s.Photo,
                Wait = s.Wait is { } w
                    ? new StepWait(w.Kind, w.Label, Minutes.Of(w.MinMinutes), w.MaxMinutes is { } most ? Minutes.Of(most) : null)
                    : null,
                Branches =
                [
                    .. (s.Branches ?? []).Select(b => new StepBranch(
                        b.Id,
                        b.Label,
                        b.Text,
                        b.GoTo is { Length: > 0 } to ? prefix + to : "",
                        b.Passes
                    )),
                ],
                Targets = s.Targets ?? [],
                PowerWhileOpen = s.PowerWhileOpen,
                Irreversible = s.Irreversible,
                Word = s.Word ?? "",
                Window = s.Window ?? "",
                Differs = s.Differs ?? "",
                Drawing = s.Drawing ?? "",
                Disposes = s.Disposes,
                Stays = s.Stays is { } stays ? new StepStays(stays.Targets, stays.As) : null,
                Makes = Makes(s.Makes, place),
                Does = [.. (s.Does ?? []).Select(d => new StepDoes(d.Repair, d.Label))],
            },
            also is null ? when : new Condition.All([when, conditions.Read(also, $"{place}/when")])
        );
    }

    private StepMakes? Makes(string? id, string place)
    {
        if (id is null)
            return null;
        if (changes.FirstOrDefault(c => c.Id == id) is { } change)
            return new StepMakes(change.Id, change.Name, change.Says, change.Watch);
        problems.Add(new Problem(ProblemCode.PackUnknownName, $"{place}/makes", "lasting change", id));
        return null;
    }

    private sealed record Shape(IReadOnlyList<SharedShape>? Shared, IReadOnlyList<GuideShape>? Guides);

    private sealed record SharedShape(string Id, IReadOnlyList<StepShape> Steps);

    private sealed record GuideShape(
        string Id,
        string Name,
        int Version,
        string Purpose,
        JsonNode? When,
        IReadOnlyList<string>? Tools,
        IReadOnlyList<string>? Needs,
        IReadOnlyList<string>? Repairs,
        IReadOnlyList<WindowShape>? Windows,
        IReadOnlyList<JsonNode> Steps
    );

    private sealed record WindowShape(string Id, string Name, double Minutes, string OpensAt, IReadOnlyList<string> Ready);

    private sealed record MeasureShape(string Label, string Unit, double Min, double Max, FigureBound? MaxOf, GoodRange? Good);

    private sealed record WaitShape(string Kind, string Label, double MinMinutes, double? MaxMinutes);

    private sealed record BranchShape(string Id, string Label, string Text, string? GoTo, bool Passes);

    private sealed record StaysShape(IReadOnlyList<string> Targets, string As);

    private sealed record DoesShape(string Repair, string Label);

    private sealed record StepShape
    {
        public required string Id { get; init; }
        public required StepKind Kind { get; init; }
        public required string Title { get; init; }
        public string? Text { get; init; }
        public string? View { get; init; }
        public double Minutes { get; init; }
        public IReadOnlyList<string>? Cautions { get; init; }
        public string? Sign { get; init; }
        public IReadOnlyList<BookFile.PutPart>? Puts { get; init; }
        public IReadOnlyList<string>? Takes { get; init; }
        public MeasureShape? Measure { get; init; }
        public bool Photo { get; init; }
        public WaitShape? Wait { get; init; }
        public IReadOnlyList<BranchShape>? Branches { get; init; }
        public IReadOnlyList<string>? Targets { get; init; }
        public bool PowerWhileOpen { get; init; }
        public bool Irreversible { get; init; }
        public string? Word { get; init; }
        public string? Window { get; init; }
        public string? Differs { get; init; }

        public string? Drawing { get; init; }

        public bool Disposes { get; init; }
        public StaysShape? Stays { get; init; }
        public string? Makes { get; init; }
        public IReadOnlyList<DoesShape>? Does { get; init; }
        public JsonNode? When { get; init; }
    }
}
