using SideBench.Core.Machines;

namespace SideBench.Core.Tests.StripDown;

/// <summary>What handling costs in tests: as in the house, or nothing.</summary>
internal static class Handlings
{
    public static readonly Handling House = new(0.3, 0.5, 1.5, 25, 90);

    public static readonly Handling Free = new(0, 0, 0, 0, 90);

    /// <summary>Whether every part of a set can come off with nothing but the set.</summary>
    public static bool Frees(AccessGraph graph, IReadOnlySet<string> set) =>
        set.All(id => graph.Part(id)!.After.All(line => line.Any(set.Contains)));
}
