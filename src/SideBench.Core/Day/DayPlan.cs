namespace SideBench.Core.Day;

/// <summary>A plan of the day and the days after it.</summary>
/// <param name="Jobs">The jobs.</param>
/// <param name="Hands">Whose hands there are.</param>
/// <param name="Pieces">All pieces of the likeliest ways, laid out.</param>
/// <param name="Order">Jobs in the order in which their groups were placed.</param>
/// <param name="Cost">What it costs.</param>
public sealed record DayPlan(
    IReadOnlyList<DayJob> Jobs,
    IReadOnlyList<DayHand> Hands,
    IReadOnlyList<DayPlaced> Pieces,
    IReadOnlyList<int> Order,
    DayCost Cost
)
{
    // Fills 0 to 1 evenly: there is no chance in a plan, and the same jobs give the same one.
    private const double Golden = 0.6180339887498949;
    private const double Silver = 0.4142135623730951;
    private const double Bronze = 0.3027756377319946;

    /// <summary>
    /// The best plan that was found: latest ends first, then promises, then money. Begins with several plain orders, then moves one group
    /// at a time, as long as the house allows tries.
    /// </summary>
    /// <param name="jobs">The jobs.</param>
    /// <param name="hands">Whose hands there are.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="from">A plan that stood before, whose order is tried first; null for none. What came since goes last in it.</param>
    public static DayPlan Of(IReadOnlyList<DayJob> jobs, IReadOnlyList<DayHand> hands, DayNumbers numbers, DayPlan? from = null) =>
        Best(jobs, hands, numbers, from, true);

    /// <summary>The order that stands with other jobs: nothing is tried anew.</summary>
    /// <param name="jobs">The jobs.</param>
    /// <param name="numbers">House numbers.</param>
    internal DayPlan AsItStands(IReadOnlyList<DayJob> jobs, DayNumbers numbers) =>
        Best(jobs, Hands, numbers with { Tries = 0 }, this, false);

    private static DayPlan Best(IReadOnlyList<DayJob> jobs, IReadOnlyList<DayHand> hands, DayNumbers numbers, DayPlan? from, bool anew)
    {
        List<IReadOnlyList<DayPiece>> ways = [.. jobs.Select(j => j.Ways.Count > 0 ? j.Ways[0].Pieces : [])];
        var placing = new DayPlacing(jobs, hands, ways, numbers);
        var pricing = new DayPricing(jobs, hands, ways, numbers);
        var groups = jobs.Select(j => j.Ways.Select(w => Many(w.Pieces, numbers)).DefaultIfEmpty(0).Max()).ToList();
        // Of orders that cost the same the one that stands already is kept.
        IEnumerable<IReadOnlyList<int>> stands = from is null ? [] : [Stands(from, jobs, ways, groups, numbers)];
        var begins = anew ? Begins(jobs, ways, groups) : [];
        var best = stands.Concat(begins).Select(order => (Order: order, Cost: Cost(order))).MinBy(o => o.Cost);
        var (order, cost) = (best.Order.ToArray(), best.Cost);
        // Larger shops get fewer tries: a plan is made while somebody waits for it.
        var tries = order.Length < 2 ? 0 : numbers.Tries * Math.Min(1, (double)UsualGroups / order.Length);
        for (var k = 1; k <= tries; k++)
        {
            // Hands that walk between machines make some better orders lie behind worse ones: every third try is two moves at once.
            var tried = k % AtOnce == 0 ? Tried(Tried(order, k), k + tries) : Tried(order, k);
            if (tried == order || Cost(tried) is var other && other.CompareTo(cost) > 0)
                continue;
            // Searched on from what costs the same too, but only what costs less takes the place of what stood.
            (order, cost) = (tried, other);
            if (cost.CompareTo(best.Cost) < 0)
                best = (order, cost);
        }

        DayCost Cost(IReadOnlyList<int> o) => pricing.Cost(placing.Lay(o));

        var pieces = placing.Lay(best.Order);
        return new DayPlan(jobs, hands, [.. pieces.OrderBy(p => p.From).ThenBy(p => p.Job)], best.Order, best.Cost);
    }

    // The order that stood, of the jobs that are still here: a job goes on with the groups it has left, where they were.
    private static List<int> Stands(
        DayPlan from,
        IReadOnlyList<DayJob> jobs,
        IReadOnlyList<IReadOnlyList<DayPiece>> ways,
        IReadOnlyList<int> groups,
        DayNumbers numbers
    )
    {
        var left = groups.ToArray();
        var places = Named(jobs).Select((name, j) => (name, j)).ToDictionary(p => p.name, p => p.j);
        int[] here = [.. Named(from.Jobs).Select(name => places.GetValueOrDefault(name, -1))];
        int[] over =
        [
            .. from.Jobs.Select(
                (job, o) => here[o] < 0 || job.Ways.Count == 0 ? 0 : Many(job.Ways[0].Pieces, numbers) - Many(ways[here[o]], numbers)
            ),
        ];
        var order = new List<int>();
        foreach (var o in from.Order)
            if (here[o] >= 0 && over[o]-- <= 0 && left[here[o]]-- > 0)
                order.Add(here[o]);
        // A way that turned out longer goes on after the last that was known of it.
        for (var j = 0; j < jobs.Count; j++)
            if (left[j] > 0)
                order.InsertRange(order.LastIndexOf(j) is var at and >= 0 ? at + 1 : order.Count, Enumerable.Repeat(j, left[j]));
        return order;
    }

    // Several may have no number yet: they are told apart by which of them each is.
    private static IEnumerable<(long Id, int Which)> Named(IReadOnlyList<DayJob> jobs) =>
        jobs.Select((job, j) => (job.Id, jobs.Take(j).Count(before => before.Id == job.Id)));

    private static int Many(IReadOnlyList<DayPiece> way, DayNumbers numbers) => DayPlacing.Groups(way, numbers).Count - 1;

    private const int UsualGroups = 40;
    private const int AtOnce = 3;

    /// <summary>When each job is done, min.</summary>
    public double[] Ends => DayPlacing.Ends(Pieces, Jobs);

    /// <summary>Orders to begin with: promise first, latest end first, what is left of time first, shortest first, longest first.</summary>
    internal static IEnumerable<IReadOnlyList<int>> Begins(
        IReadOnlyList<DayJob> jobs,
        IReadOnlyList<IReadOnlyList<DayPiece>> ways,
        IReadOnlyList<int> groups
    )
    {
        double Work(int j) => ways[j].Sum(p => p.Hands);
        double Long(int j) => ways[j].Sum(p => p.Hands + p.Wait);
        Func<int, double>[] rules =
        [
            j => jobs[j].Promise ?? double.MaxValue,
            j => jobs[j].Latest ?? double.MaxValue,
            j => (jobs[j].Promise ?? Far) - jobs[j].Ready - Long(j),
            j => jobs[j].Ready,
            Work,
            j => -Long(j),
            j => (jobs[j].Promise ?? Far) + (Work(j) * Weight),
        ];
        return rules.SelectMany(rule => new IReadOnlyList<int>[] { Rounds(groups, rule), Whole(groups, rule) });
    }

    private const double Far = 1e7;
    private const double Weight = 4;

    // One job after the other with all its groups; gaps are filled by those that come later in the order.
    private static List<int> Whole(IReadOnlyList<int> groups, Func<int, double> rule) =>
        [.. Enumerable.Range(0, groups.Count).OrderBy(rule).ThenBy(j => j).SelectMany(j => Enumerable.Repeat(j, groups[j]))];

    // Each job's first group, then each one's second, in the rule's order: while one rests the other is worked on.
    private static List<int> Rounds(IReadOnlyList<int> groups, Func<int, double> rule)
    {
        var by = Enumerable.Range(0, groups.Count).OrderBy(rule).ThenBy(j => j).ToList();
        return [.. Enumerable.Range(0, groups.DefaultIfEmpty(0).Max()).SelectMany(round => by.Where(j => groups[j] > round))];
    }

    // One group, or all of a job's: what presses goes before the rest with everything it needs.
    private static int[] Tried(int[] order, double k)
    {
        var (at, to) = ((int)(Part(k * Golden) * order.Length), (int)(Part(k * Silver) * order.Length));
        if (at == to || order[at] == order[to])
            return order;
        return Part(k * Bronze) < 0.5 ? Moved(order, at, to) : Gathered(order, order[at], to);
    }

    private static int[] Moved(int[] order, int from, int to)
    {
        var moved = new List<int>(order);
        var job = moved[from];
        moved.RemoveAt(from);
        moved.Insert(to, job);
        return [.. moved];
    }

    private static int[] Gathered(int[] order, int job, int to)
    {
        var rest = order.Where(j => j != job).ToList();
        rest.InsertRange(Math.Min(to, rest.Count), order.Where(j => j == job));
        return [.. rest];
    }

    private static double Part(double x) => x - Math.Floor(x);
}
