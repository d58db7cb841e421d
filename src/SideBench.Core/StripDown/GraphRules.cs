using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.StripDown;

/// <summary>Whether an access graph can be: every name known, no circle, every part freed by something, every count right.</summary>
public static class GraphRules
{
    /// <summary>All problems of a graph; empty when it is sound.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="path">Where it stands, for the problems.</param>
    public static List<Problem> Check(AccessGraph graph, string path)
    {
        var problems = new List<Problem>();
        if (graph.Parts.Count > AccessGraph.MostParts)
            problems.Add(new Problem(ProblemCode.OutOfRange, $"{path}/parts", graph.Parts.Count, 1, AccessGraph.MostParts));
        foreach (var twice in graph.Parts.GroupBy(p => p.Id).Where(g => g.Count() > 1))
            problems.Add(new Problem(ProblemCode.PackDefinedTwice, $"{path}/parts", "part", twice.Key));
        foreach (var part in graph.Parts)
            CheckPart(graph, part, $"{path}/parts/{part.Id}", problems);
        foreach (var service in graph.Services)
        foreach (var target in service.Targets.Where(t => graph.Part(t) is null))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/services/{service.Id}", "part", target));
        if (problems.Count == 0 && Circle(graph) is { } circle)
            problems.Add(
                new Problem(
                    StripDownProblem.GraphCircle,
                    $"{path}/parts/{circle[0].Id}/after",
                    string.Join(" → ", circle.Select(p => p.Name))
                )
            );
        return problems;
    }

    private static void CheckPart(AccessGraph graph, MachinePart part, string path, List<Problem> problems)
    {
        if (!AccessGraph.Views.Contains(part.View))
            problems.Add(new Problem(ProblemCode.UnknownWord, $"{path}/view", part.View, string.Join(", ", AccessGraph.Views)));
        if (!(part.OutMin > 0 && part.BackMin > 0 && double.IsFinite(part.BothMin)))
            problems.Add(new Problem(ProblemCode.OutOfRange, $"{path}/outMin", part.OutMin, "above 0", "any"));
        foreach (var name in part.After.SelectMany(line => line).Where(name => graph.Part(name) is null))
            problems.Add(new Problem(ProblemCode.PackUnknownName, $"{path}/after", "part", name));
        foreach (var name in part.After.SelectMany(line => line).Where(name => part.Powered && graph.Part(name)?.Powered == false))
            problems.Add(new Problem(StripDownProblem.NotByPanel, $"{path}/after", part.Name, name));
        foreach (var _ in part.After.Where(line => line.Count == 0))
            problems.Add(new Problem(ProblemCode.Missing, $"{path}/after"));
        if (part.Fasteners.Count + part.Catches.Count + part.Cables.Count + part.Tubes.Count(t => t.Pulled) == 0 && part.Out.Length == 0)
            problems.Add(new Problem(StripDownProblem.PartFreedByNothing, path, part.Name));
        foreach (var group in part.Fasteners)
        {
            if (group.At.Count != group.Count)
                problems.Add(
                    new Problem(StripDownProblem.FastenerCount, $"{path}/fasteners/{group.Id}", group.Name, group.Count, group.At.Count)
                );
            if (!AccessGraph.Views.Contains(group.View))
                problems.Add(
                    new Problem(
                        ProblemCode.UnknownWord,
                        $"{path}/fasteners/{group.Id}/view",
                        group.View,
                        string.Join(", ", AccessGraph.Views)
                    )
                );
            if (group.MayStayEmpty > (group.Collared ? 0 : group.Count - 1))
                problems.Add(
                    new Problem(
                        ProblemCode.OutOfRange,
                        $"{path}/fasteners/{group.Id}/mayStayEmpty",
                        group.MayStayEmpty,
                        0,
                        group.Collared ? 0 : group.Count - 1
                    )
                );
        }

        foreach (var catches in part.Catches.Where(c => c.At.Count != c.Count))
            problems.Add(new Problem(StripDownProblem.FastenerCount, $"{path}/catches", catches.Name, catches.Count, catches.At.Count));
        foreach (var twice in Ids(part).GroupBy(id => id).Where(g => g.Count() > 1))
            problems.Add(new Problem(ProblemCode.PackDefinedTwice, path, "fastener group, cable or tube", twice.Key));
    }

    private static IEnumerable<string> Ids(MachinePart part) =>
        part.Fasteners.Select(f => f.Id).Concat(part.Cables.Select(c => c.Id)).Concat(part.Tubes.Select(t => t.Id));

    // A circle among "must be off before", alternatives included; null when there is none. Depth first, grey on the way down.
    private static List<MachinePart>? Circle(AccessGraph graph)
    {
        var state = new int[graph.Parts.Count];
        var way = new List<int>();
        return Enumerable.Range(0, graph.Parts.Count).Select(Visit).FirstOrDefault(found => found is not null);

        List<MachinePart>? Visit(int part)
        {
            if (state[part] == 2)
                return null;
            if (state[part] == 1)
                return [.. way.Skip(way.IndexOf(part)).Append(part).Select(i => graph.Parts[i])];
            state[part] = 1;
            way.Add(part);
            foreach (var before in graph.Parts[part].After.SelectMany(line => line))
                if (Visit(graph.IndexOf(before)) is { } circle)
                    return circle;
            way.RemoveAt(way.Count - 1);
            state[part] = 2;
            return null;
        }
    }
}
