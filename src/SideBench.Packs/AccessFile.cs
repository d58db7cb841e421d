using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.StripDown;

namespace SideBench.Packs;

/// <summary>Turns a written access graph, whose shape was checked, into the core's.</summary>
internal static class AccessFile
{
    /// <summary>The graph, or null with problems.</summary>
    public static AccessGraph? Read(JsonNode node, string path, List<Problem> problems)
    {
        var file = node.Deserialize<Shape>(PackReader.Json)!;
        var graph = new AccessGraph(
            file.Model,
            file.Version,
            [.. file.Parts.Select(Part)],
            [.. file.Services.Select(Service)],
            file.LeaveAlone ?? []
        )
        {
            Openings = file.Openings ?? [],
            Backs = file.Backs ?? [],
        };
        var found = GraphRules.Check(graph, $"{path}#");
        problems.AddRange(found);
        return found.Count == 0 ? graph : null;
    }

    private static MachinePart Part(PartShape p) =>
        new(
            p.Id,
            p.Name,
            p.Way,
            p.View,
            new Area(p.At[0], p.At[1], p.At[2], p.At[3]),
            [.. (p.After ?? []).Select(Line)],
            p.OutMin,
            p.BackMin,
            p.Out ?? "",
            p.Back ?? ""
        )
        {
            Fasteners = [.. (p.Fasteners ?? []).Select(f => Group(f, p.View))],
            Catches = [.. (p.Catches ?? []).Select(c => new Catch(c.Name, c.Count, c.Move, Spots(c.At)))],
            Cables = [.. (p.Cables ?? []).Select(c => new Cable(c.Id, c.Label, c.Port, c.ContactsFace ?? "", c.CouplerStays ?? ""))],
            Tubes = [.. (p.Tubes ?? []).Select(t => new Tube(t.Id, t.Name, t.From, t.To, t.Length ?? "", t.NeverCut, t.Pulled))],
            Checks = p.Checks ?? [],
            Sign = p.Sign ?? "",
            Cautions = p.Cautions ?? [],
            LeaveAlone = p.LeaveAlone ?? [],
            Serves = p.Serves ?? [],
            Slot = p.Slot,
            Spends = p.Spends ?? "",
            Number = p.Number ?? "",
            Needs = p.Needs ?? [],
            Marks = p.Marks ?? ["open"],
            Powered = p.Powered,
        };

    private static IReadOnlyList<string> Line(JsonNode line) =>
        line is JsonArray any ? [.. any.Select(n => n!.GetValue<string>())] : [line.GetValue<string>()];

    private static FastenerGroup Group(FastenerShape f, string view) =>
        new(
            f.Id,
            f.Name,
            f.Count,
            f.Kind,
            f.Driver ?? "",
            f.LengthMm,
            f.Collared,
            f.LoosenOnly,
            f.MayStayEmpty,
            f.View ?? view,
            Spots(f.At),
            f.Note ?? ""
        );

    private static IReadOnlyList<Spot> Spots(IReadOnlyList<double[]> at) => [.. at.Select(s => new Spot(s[0], s[1]))];

    private static DueService Service(ServiceShape s) =>
        new(s.Id, s.Name, s.Targets, s.WorkMin, s.Parts, s.EveryDays, s.CounterPct, s.Repairs);

    private sealed record Shape(
        string Model,
        int Version,
        IReadOnlyList<string>? LeaveAlone,
        IReadOnlyList<PartShape> Parts,
        IReadOnlyList<ServiceShape> Services,
        IReadOnlyList<IReadOnlyList<string>>? Openings,
        IReadOnlyList<IReadOnlyList<string>>? Backs
    );

    private sealed record PartShape
    {
        public required string Id { get; init; }
        public required string Name { get; init; }
        public required PartWay Way { get; init; }
        public required string View { get; init; }
        public required double[] At { get; init; }
        public IReadOnlyList<JsonNode>? After { get; init; }
        public required double OutMin { get; init; }
        public required double BackMin { get; init; }
        public string? Out { get; init; }
        public string? Back { get; init; }
        public string? Sign { get; init; }
        public IReadOnlyList<string>? Checks { get; init; }
        public IReadOnlyList<string>? Cautions { get; init; }
        public IReadOnlyList<string>? LeaveAlone { get; init; }
        public IReadOnlyList<string>? Serves { get; init; }
        public int Slot { get; init; }
        public bool Powered { get; init; }
        public string? Spends { get; init; }
        public string? Number { get; init; }
        public IReadOnlyList<string>? Needs { get; init; }
        public IReadOnlyList<string>? Marks { get; init; }
        public IReadOnlyList<FastenerShape>? Fasteners { get; init; }
        public IReadOnlyList<CatchShape>? Catches { get; init; }
        public IReadOnlyList<CableShape>? Cables { get; init; }
        public IReadOnlyList<TubeShape>? Tubes { get; init; }
    }

    private sealed record FastenerShape(
        string Id,
        string Name,
        int Count,
        string Kind,
        string? Driver,
        double LengthMm,
        bool Collared,
        bool LoosenOnly,
        int MayStayEmpty,
        string? View,
        IReadOnlyList<double[]> At,
        string? Note
    );

    private sealed record CatchShape(string Name, int Count, string Move, IReadOnlyList<double[]> At);

    private sealed record CableShape(string Id, string Label, string Port, string? ContactsFace, string? CouplerStays);

    private sealed record TubeShape(string Id, string Name, string From, string To, string? Length, bool NeverCut, bool Pulled);

    private sealed record ServiceShape(
        string Id,
        string Name,
        IReadOnlyList<string> Targets,
        double WorkMin,
        decimal Parts,
        double EveryDays,
        double CounterPct,
        IReadOnlyList<string> Repairs
    );
}
