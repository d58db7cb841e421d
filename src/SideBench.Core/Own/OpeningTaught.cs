using SideBench.Core.Machines;

namespace SideBench.Core.Own;

/// <summary>
/// What openings tell of a machine. A part came off while others were off: that is proof that it can be done so. Of all such proofs the one
/// with the least work stands, so a way in made of it can always be done, and habit goes as soon as somebody gets there without it.
/// </summary>
public static class OpeningTaught
{
    /// <summary>What is needed directly before each part.</summary>
    /// <param name="openings">Each an order in which parts came off.</param>
    /// <param name="minutes">What taking a part off and putting it back costs, min; 1 where it is not known.</param>
    /// <param name="withPower">
    /// Parts that may come off with the lead in, as their model has it. For every other part the lead is out first, whatever was done: who
    /// got there with power on proved luck.
    /// </param>
    public static IReadOnlyDictionary<string, IReadOnlyList<string>> Needs(
        IReadOnlyList<IReadOnlyList<string>> openings,
        IReadOnlyDictionary<string, double>? minutes = null,
        IReadOnlySet<string>? withPower = null
    )
    {
        var proofs = new Dictionary<string, List<HashSet<string>>>();
        foreach (var opening in openings)
        {
            for (var i = 0; i < opening.Count; i++)
            {
                if (!proofs.TryGetValue(opening[i], out var known))
                    proofs[opening[i]] = known = [];
                known.Add([.. opening.Take(i)]);
            }
        }

        var least = proofs.ToDictionary(p => p.Key, p => p.Value.MinBy(set => Work(set))!);
        least[AccessGraph.MainsLead] = [];
        foreach (var (part, set) in least)
            if (part != AccessGraph.MainsLead && withPower?.Contains(part) != true)
                set.Add(AccessGraph.MainsLead);
        // What another need brings along need not be said again.
        return least.ToDictionary(
            p => p.Key,
            p => (IReadOnlyList<string>)[.. p.Value.Where(need => !IsBrought(need, p.Value, least)).Order(StringComparer.Ordinal)]
        );

        double Work(HashSet<string> set) => set.Sum(id => minutes?.GetValueOrDefault(id, 1) ?? 1);
    }

    /// <summary>In how many openings a part came off: how sure its place in a way in is.</summary>
    public static int Seen(IReadOnlyList<IReadOnlyList<string>> openings, string part) => openings.Count(o => o.Contains(part));

    private static bool IsBrought(string need, HashSet<string> set, Dictionary<string, HashSet<string>> needs) =>
        set.Any(o => o != need && needs[o].Contains(need));
}
