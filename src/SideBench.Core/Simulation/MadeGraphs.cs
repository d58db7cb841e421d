using SideBench.Core.Machines;

namespace SideBench.Core.Simulation;

/// <summary>Random access graphs by chance, for measuring and testing: sound ones, larger than any machine's.</summary>
public static class MadeGraphs
{
    /// <summary>A part that is freed by lifting it.</summary>
    /// <param name="id">Its name.</param>
    /// <param name="min">Bench time out, and the same back, min.</param>
    /// <param name="after">What must be off first: of every line at least one.</param>
    public static MachinePart Part(string id, double min, params string[][] after) =>
        new(id, id, PartWay.Off, "front", default, after, min, min, "Lift it.", "");

    /// <summary>A graph of some parts.</summary>
    public static AccessGraph Of(params MachinePart[] parts) => new("made", 1, parts, [], []);

    /// <summary>A graph without circles: a part needs only parts before it; some parts have screws, some needs have alternatives.</summary>
    /// <param name="chance">Where chance comes from.</param>
    /// <param name="parts">How many parts.</param>
    /// <param name="choices">How many needs with alternatives.</param>
    public static AccessGraph Random(Random chance, int parts, int choices)
    {
        var made = Enumerable.Range(0, parts).Select(i => Part($"p{i}", 0.5 + (chance.Next(40) / 4.0))).ToArray();
        for (var i = 1; i < parts; i++)
        {
            made[i] = made[i] with
            {
                After = [.. Enumerable.Range(0, chance.Next(3)).Select(_ => (string[])[$"p{chance.Next(i)}"])],
                View = AccessGraph.Views[chance.Next(AccessGraph.Views.Count)],
                Fasteners = chance.Next(2) == 0 ? [] : [Screws(chance)],
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

    private static FastenerGroup Screws(Random chance) =>
        new(
            "f",
            "f",
            1 + chance.Next(4),
            "screw",
            $"driver {chance.Next(3)}",
            8,
            false,
            chance.Next(4) == 0,
            0,
            AccessGraph.Views[chance.Next(AccessGraph.Views.Count)],
            [],
            ""
        );
}
