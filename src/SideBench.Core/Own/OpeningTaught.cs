using SideBench.Core.Machines;

namespace SideBench.Core.Own;

/// <summary>
/// What openings tell of a machine. A part came off while others were off: that is proof that it can be done so. So is a part that went
/// back on while others were on: turned round, the way back is a way in. Each proof stands as a
/// whole, and any one of them will do: a way in made of them can always be done, and habit goes as soon as somebody gets there without it.
/// </summary>
public static class OpeningTaught
{
    // Of more proofs than so many lines can say, the heaviest are left out.
    private const int MostLines = 40;

    /// <summary>What must be off before each part: of every line at least one.</summary>
    /// <param name="openings">Each an order in which parts came off, or went back on, turned round.</param>
    /// <param name="minutes">What taking a part off and putting it back costs, min; 1 where it is not known.</param>
    /// <param name="withPower">
    /// Parts that may come off with the lead in, as their model has it. For every other part the lead is out first, whatever was done: who
    /// got there with power on proved luck.
    /// </param>
    public static IReadOnlyDictionary<string, IReadOnlyList<IReadOnlyList<string>>> Needs(
        IReadOnlyList<IReadOnlyList<string>> openings,
        IReadOnlyDictionary<string, double>? minutes = null,
        IReadOnlySet<string>? withPower = null
    )
    {
        var proofs = Proofs(openings);
        proofs[AccessGraph.MainsLead] =
        [
            [],
        ];
        var least = proofs.ToDictionary(p => p.Key, p => p.Value.Min(Work));
        var lines = proofs.ToDictionary(
            p => p.Key,
            p =>
            {
                // Only what is reached with less work stands before a part: so no circle can come of it. The lightest proof is always so.
                var fit = p.Value.Where(set => set.All(id => least[id] < least[p.Key])).OrderBy(Work).ToList();
                if (p.Key != AccessGraph.MainsLead && withPower?.Contains(p.Key) != true)
                    fit.ForEach(set => set.Add(AccessGraph.MainsLead));
                return AnyOf(fit);
            }
        );
        return lines.ToDictionary(p => p.Key, p => Told(p.Value, lines));

        double Work(HashSet<string> set) => set.Sum(id => minutes?.GetValueOrDefault(id, 1) ?? 1);
    }

    private static Dictionary<string, List<HashSet<string>>> Proofs(IReadOnlyList<IReadOnlyList<string>> openings)
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

        return proofs;
    }

    // All of one set, or all of another: said as lines of which each asks for one part at least. Lightest set first.
    private static List<HashSet<string>> AnyOf(List<HashSet<string>> sets)
    {
        List<HashSet<string>> lines = [.. sets[0].Select(id => new HashSet<string> { id })];
        foreach (var set in sets.Skip(1))
        {
            if (lines.Count == 0)
                break;
            var next = Shortest(lines.SelectMany(line => set.Select(id => new HashSet<string>(line) { id })));
            if (next.Count > MostLines)
                break;
            lines = next;
        }

        return lines;
    }

    // A line that asks for no less than a shorter one says nothing new.
    private static List<HashSet<string>> Shortest(IEnumerable<HashSet<string>> lines)
    {
        var kept = new List<HashSet<string>>();
        foreach (var line in lines.OrderBy(l => l.Count))
            if (!kept.Any(k => k.IsSubsetOf(line)))
                kept.Add(line);
        return kept;
    }

    // What another need brings along need not be said again.
    private static IReadOnlyList<IReadOnlyList<string>> Told(List<HashSet<string>> own, Dictionary<string, List<HashSet<string>>> all)
    {
        var alone = own.Where(line => line.Count == 1).Select(line => line.First()).ToHashSet();
        return
        [
            .. own.Where(line => !alone.Any(id => !line.Contains(id) && Brought(id, all).Overlaps(line)))
                .Select(line => (IReadOnlyList<string>)[.. line.Order(StringComparer.Ordinal)])
                .OrderBy(line => line[0], StringComparer.Ordinal),
        ];
    }

    private static HashSet<string> Brought(string part, Dictionary<string, List<HashSet<string>>> all)
    {
        var brought = new HashSet<string>();
        var waiting = new Stack<string>([part]);
        while (waiting.TryPop(out var next))
            foreach (var line in all[next].Where(line => line.Count == 1))
                if (brought.Add(line.First()))
                    waiting.Push(line.First());
        return brought;
    }
}
