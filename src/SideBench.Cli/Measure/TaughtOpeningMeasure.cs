using System.Globalization;
using System.Text;
using SideBench.Core.Machines;
using SideBench.Core.Own;
using SideBench.Core.StripDown;

namespace SideBench.Cli.Measure;

/// <summary>Ways in that are taught by three openings of every house machine, against the true ones.</summary>
internal static class TaughtOpeningMeasure
{
    private const int Openings = 3;
    private const int Machines = 25;
    private const int Seed = 91_000;

    /// <summary>Measures.</summary>
    public static void Run(IReadOnlyDictionary<string, AccessGraph> graphs, Handling handling, StringBuilder said)
    {
        var (tried, impossible, taughtMin, trueMin) = (0, 0, 0.0, 0.0);
        var within = 0;
        foreach (var graph in graphs.Values)
        {
            var minutes = graph.Parts.ToDictionary(p => p.Id, p => p.BothMin);
            var ways = graph.Parts.ToDictionary(p => p.Id, p => Parts(WayIn.To(graph, [p.Id], handling)).ToList());
            var free = ways.Where(w => !w.Value.Contains(AccessGraph.MainsLead)).Select(w => w.Key).ToHashSet();
            for (var m = 0; m < Machines; m++)
            {
                var chance = new Random(Seed + m);
                // Each is taken apart and put together again: the way back, turned round, is a way in as well.
                List<IReadOnlyList<string>> openings =
                [
                    .. Enumerable
                        .Range(0, Openings)
                        .Select(_ => Opened(graph, handling, chance))
                        .SelectMany(o => new[] { o, AnyOrder(graph, o, chance) }),
                ];
                var needs = OpeningTaught.Needs(openings, minutes, free);
                var taught = Taught(graph, needs);
                foreach (var part in needs.Keys)
                {
                    var off = Parts(WayIn.To(taught, [part], handling)).ToHashSet();
                    tried++;
                    if (!CanBeDone(graph, off))
                        impossible++;
                    var best = ways[part].Sum(id => minutes[id]);
                    var mine = off.Sum(id => minutes[id]);
                    (taughtMin, trueMin) = (taughtMin + mine, trueMin + best);
                    within += mine <= 1.1 * best ? 1 : 0;
                }
            }
        }

        said.AppendLine(
            CultureInfo.InvariantCulture,
            $"Openings: {graphs.Count} machines, {Machines} times {Openings} openings each, {tried} ways in: {impossible} cannot be done; "
                + $"minutes {100 * ((taughtMin / trueMin) - 1):0.0} % over the true ones, {100.0 * within / tried:0} % of ways within 10 %."
        );
    }

    // Somebody opens it for a part, by a good way, in any order that can be done.
    private static List<string> Opened(AccessGraph graph, Handling handling, Random chance)
    {
        var target = graph.Parts[chance.Next(graph.Parts.Count)].Id;
        return AnyOrder(graph, Parts(WayIn.To(graph, [target], handling)), chance);
    }

    private static List<string> AnyOrder(AccessGraph graph, IEnumerable<string> parts, Random chance)
    {
        var left = parts.ToHashSet();
        var off = new List<string>();
        while (left.Count > 0)
        {
            var free = left.Where(id => graph.Part(id)!.After.All(line => line.Any(off.Contains))).Order(StringComparer.Ordinal).ToList();
            // What the panel frees comes before the lead is out.
            if (left.Any(id => graph.Part(id)!.Powered))
                free.RemoveAll(id => !graph.Part(id)!.Powered);
            var next = free[chance.Next(free.Count)];
            off.Add(next);
            left.Remove(next);
        }

        return off;
    }

    private static AccessGraph Taught(AccessGraph graph, IReadOnlyDictionary<string, IReadOnlyList<IReadOnlyList<string>>> needs) =>
        new(
            graph.Model,
            graph.Version,
            [.. graph.Parts.Where(p => needs.ContainsKey(p.Id)).Select(p => p with { After = needs[p.Id] })],
            [],
            []
        );

    private static IEnumerable<string> Parts(OpeningWay way) => way.Steps.Where(s => s.IsPart).Select(s => s.Part).Distinct();

    private static bool CanBeDone(AccessGraph graph, HashSet<string> parts)
    {
        var off = new HashSet<string>();
        while (parts.FirstOrDefault(id => !off.Contains(id) && graph.Part(id)!.After.All(line => line.Any(off.Contains))) is { } next)
            off.Add(next);
        return off.Count == parts.Count;
    }
}
