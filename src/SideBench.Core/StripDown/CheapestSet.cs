using SideBench.Core.Machines;

namespace SideBench.Core.StripDown;

/// <summary>
/// The cheapest set of parts that frees all targets: exact. Parts with one way to them are joined for good; of alternatives one after the
/// other is tried, and a try that costs as much as the best so far is given up.
/// </summary>
public sealed class CheapestSet
{
    // What is spent for good weighs more than any time.
    private const double SpentForGood = 1e6;
    private readonly AccessGraph graph;
    private readonly double[] cost;
    private readonly UInt128[] forced;
    private readonly (int Part, UInt128 Any)[] choices;

    /// <summary>Prepares a graph for many questions.</summary>
    /// <param name="graph">A sound graph: no circle.</param>
    /// <param name="sparesSeals">Whether warranty seals are spared where that can be.</param>
    public CheapestSet(AccessGraph graph, bool sparesSeals = false)
    {
        this.graph = graph;
        var n = graph.Parts.Count;
        cost = [.. graph.Parts.Select(p => p.BothMin + (p.Spends == "cut" || (sparesSeals && p.Spends == "seal") ? SpentForGood : 0))];
        forced = new UInt128[n];
        for (var i = 0; i < n; i++)
            Force(i);
        choices =
        [
            .. graph.Parts.SelectMany(
                (part, i) =>
                    part
                        .After.Where(line => line.Count > 1)
                        .Select(line => (i, line.Aggregate(UInt128.Zero, (all, name) => all | Bit(graph.IndexOf(name)))))
            ),
        ];
    }

    /// <summary>The cheapest set that frees the targets, with them.</summary>
    /// <param name="targets">Parts to reach, by their place in the graph.</param>
    /// <param name="off">Parts that are out of the way already: they cost nothing.</param>
    /// <returns>Parts to take off beside those that are off, by their place.</returns>
    public IReadOnlyList<int> For(IEnumerable<int> targets, IReadOnlySet<int> off)
    {
        var have = off.Aggregate(UInt128.Zero, (all, i) => all | Bit(i));
        var start = targets.Aggregate(UInt128.Zero, (all, i) => all | Needed(i, have));
        var best = UInt128.Zero;
        var bestCost = double.PositiveInfinity;
        Search(start, CostOf(start));
        return [.. Enumerable.Range(0, graph.Parts.Count).Where(i => (best & Bit(i)) != 0)];

        void Search(UInt128 set, double soFar)
        {
            if (soFar >= bestCost)
                return;
            foreach (var (part, any) in choices)
            {
                if ((set & Bit(part)) == 0 || ((set | have) & any) != 0)
                    continue;
                // The cheapest alternative first, so that dear ones are given up early.
                foreach (
                    var (next, price) in Enumerable
                        .Range(0, graph.Parts.Count)
                        .Where(i => (any & Bit(i)) != 0)
                        .Select(i => set | Needed(i, have))
                        .Select(next => (next, CostOf(next)))
                        .OrderBy(t => t.Item2)
                )
                    Search(next, price);
                return;
            }

            (best, bestCost) = (set, soFar);
        }
    }

    /// <summary>What a set costs: bench time out and back, min, and much more for what is spent for good.</summary>
    public double CostOf(UInt128 set)
    {
        var sum = 0.0;
        for (var i = 0; i < cost.Length; i++)
            if ((set & Bit(i)) != 0)
                sum += cost[i];
        return sum;
    }

    private static UInt128 Bit(int i) => UInt128.One << i;

    // A part with everything before it that has no alternative; nothing behind a part that is off already needs to move.
    private UInt128 Needed(int part, UInt128 have)
    {
        if ((have & Bit(part)) != 0)
            return UInt128.Zero;
        if ((forced[part] & have) == 0)
            return forced[part];
        return graph
            .Parts[part]
            .After.Where(line => line.Count == 1)
            .Aggregate(Bit(part), (all, line) => all | Needed(graph.IndexOf(line[0]), have));
    }

    private UInt128 Force(int part)
    {
        if (forced[part] != 0)
            return forced[part];
        var all = Bit(part);
        foreach (var line in graph.Parts[part].After)
            if (line.Count == 1)
                all |= Force(graph.IndexOf(line[0]));
        return forced[part] = all;
    }
}
