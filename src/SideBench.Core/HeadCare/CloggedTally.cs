namespace SideBench.Core.HeadCare;

/// <summary>Missing nozzles that went through the same applications in vain since they were first seen missing.</summary>
/// <param name="Past">Per method: how often.</param>
/// <param name="Count">How many nozzles.</param>
internal sealed record StillMissing(int[] Past, int Count);

/// <summary>A channel's sheets as a clog sees them: what cleared by which method, what was done in vain, what no clog explains.</summary>
/// <param name="Methods">Methods that were applied.</param>
/// <param name="Cleared">Nozzles that cleared.</param>
/// <param name="Hits">Per method: nozzles that it cleared.</param>
/// <param name="Misses">Per method: how often it passed by a nozzle that cleared later.</param>
/// <param name="Still">Nozzles missing now, by what went past in vain.</param>
/// <param name="Slips">Nozzles that came or went by themselves.</param>
/// <param name="Held">Nozzles that did what a clog expects of good ones.</param>
internal sealed record CloggedTally(
    IReadOnlyList<string> Methods,
    int Cleared,
    int[] Hits,
    int[] Misses,
    IReadOnlyList<StillMissing> Still,
    int Slips,
    int Held
)
{
    // More groups than this, or larger ones, are laid together: their sum would take too long.
    private const double MostTerms = 2_500;

    public static CloggedTally Of(HeadHistory head)
    {
        List<string> methods = [.. head.Done.Select(d => d.Method).Distinct()];
        var (hits, misses) = (new int[methods.Count], new int[methods.Count]);
        var past = head.First.ToDictionary(n => n, _ => new int[methods.Count]);
        int cleared = 0,
            slips = 0,
            held = 0;
        foreach (var done in head.Done)
        {
            slips += Follow(past, done.Before, methods.Count);
            var at = methods.IndexOf(done.Method);
            foreach (var nozzle in done.Before.Where(n => !done.After.Contains(n)))
            {
                cleared++;
                hits[at]++;
                for (var m = 0; m < misses.Length; m++)
                    misses[m] += past[nozzle][m];
                past.Remove(nozzle);
            }

            foreach (var still in past.Values)
                still[at]++;
            var fresh = done.After.Count(n => !done.Before.Contains(n));
            slips += fresh;
            held += head.Nozzles - done.Before.Count - fresh;
            Follow(past, done.After, methods.Count);
        }

        slips += Follow(past, head.Missing, methods.Count);
        var groups = past.Values.GroupBy(p => string.Join(',', p)).Select(g => new StillMissing(g.First(), g.Count())).ToList();
        return new CloggedTally(methods, cleared, hits, misses, Together(groups), slips, held);
    }

    // Takes up what a sheet shows beyond what is followed; how many nozzles came or went by themselves.
    private static int Follow(Dictionary<int, int[]> past, IReadOnlySet<int> missing, int methods)
    {
        var gone = past.Keys.Where(n => !missing.Contains(n)).ToList();
        gone.ForEach(n => past.Remove(n));
        var fresh = missing.Where(n => !past.ContainsKey(n)).ToList();
        fresh.ForEach(n => past[n] = new int[methods]);
        return gone.Count + fresh.Count;
    }

    private static List<StillMissing> Together(List<StillMissing> groups)
    {
        groups.Sort((a, b) => b.Count.CompareTo(a.Count));
        while (groups.Count > 1 && groups.Aggregate(1.0, (terms, g) => terms * (g.Count + 1)) > MostTerms)
        {
            var last = groups[^1];
            groups.RemoveAt(groups.Count - 1);
            var near = groups.MinBy(g => g.Past.Zip(last.Past, (a, b) => Math.Abs(a - b)).Sum())!;
            groups[groups.IndexOf(near)] = near with { Count = near.Count + last.Count };
        }

        return groups;
    }
}
