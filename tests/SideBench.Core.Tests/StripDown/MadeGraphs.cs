using SideBench.Core.StripDown;

namespace SideBench.Core.Tests.StripDown;

/// <summary>Small and random access graphs for tests.</summary>
internal static class MadeGraphs
{
    public static readonly Handling House = new(0.3, 0.5, 1.5, 25, 90);

    public static readonly Handling Free = new(0, 0, 0, 0, 90);

    public static MachinePart Part(string id, double min, params string[][] after) =>
        new(id, id, PartWay.Off, "front", default, after, min, min, "Lift it.", "");

    public static AccessGraph Of(params MachinePart[] parts) => new("made", 1, parts, [], []);

    /// <summary>A graph without circles: a part needs only parts before it; some needs have alternatives, some parts screws.</summary>
    public static AccessGraph Random(Random chance, int parts, int choices)
    {
        var made = Enumerable.Range(0, parts).Select(i => Part($"p{i}", 0.5 + chance.Next(40) / 4.0)).ToArray();
        for (var i = 1; i < parts; i++)
        {
            var after = Enumerable.Range(0, chance.Next(3)).Select(_ => (string[])[$"p{chance.Next(i)}"]).ToList();
            made[i] = made[i] with
            {
                After = [.. after],
                View = AccessGraph.Views[chance.Next(6)],
                Fasteners = chance.Next(2) == 0 ? [] : [new FastenerGroup("f", "f", 1 + chance.Next(4), "screw", $"driver {chance.Next(3)}", 8, false, chance.Next(4) == 0, 0, AccessGraph.Views[chance.Next(6)], [], "")],
            };
        }

        for (var c = 0; c < choices; c++)
        {
            var i = 2 + chance.Next(parts - 2);
            string[] any = [.. Enumerable.Range(0, 2 + chance.Next(2)).Select(_ => $"p{chance.Next(i)}").Distinct()];
            made[i] = made[i] with { After = [.. made[i].After, any] };
        }

        return Of(made);
    }

    /// <summary>Whether every part of a set can come off with nothing but the set.</summary>
    public static bool Frees(AccessGraph graph, IReadOnlySet<string> set) => set.All(id => graph.Part(id)!.After.All(line => line.Any(set.Contains)));
}
