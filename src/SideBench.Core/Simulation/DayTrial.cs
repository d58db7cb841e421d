using SideBench.Core.Day;

namespace SideBench.Core.Simulation;

/// <summary>How a shop works through its machines.</summary>
public enum DayPolicy
{
    /// <summary>The plan, made anew at every event.</summary>
    Plan,

    /// <summary>First come, first served.</summary>
    FirstCome,

    /// <summary>Earliest promise first.</summary>
    Promise,

    /// <summary>The clock that rings first.</summary>
    Clock,

    /// <summary>Longest job first.</summary>
    Longest,

    /// <summary>The plan, by somebody who knows each way and every minute of the machines that are here, but not what comes.</summary>
    Known,

    /// <summary>By a list that was told before the week.</summary>
    Told,
}

/// <summary>What a week of a shop came to.</summary>
/// <param name="Promises">Promises that came due.</param>
/// <param name="Kept">Those that were kept.</param>
/// <param name="LateHours">Hours past promises, in all.</param>
/// <param name="Overruns">Soaks that ran past their latest end.</param>
/// <param name="HandHours">Hours of hands at work.</param>
/// <param name="IdleHours">Hours of hands idle while work was ready.</param>
/// <param name="StoodDays">Days that machines stood, in all.</param>
/// <param name="Said">Chances that were said of promises when they were given, with whether each was kept.</param>
public sealed record DayWeek(
    int Promises,
    int Kept,
    double LateHours,
    int Overruns,
    double HandHours,
    double IdleHours,
    double StoodDays,
    IReadOnlyList<(double Said, bool Kept)> Said
);

/// <summary>
/// Made-up weeks of a shop: machines come, each with a way drawn from ways such as the book gives, minutes drawn, parts late, people at the
/// door. The same week for every policy.
/// </summary>
public static class DayTrial
{
    /// <summary>Machines that come in a usual week for each pair of hands.</summary>
    public const int UsualMachines = 18;

    private const double Day = DayWeeks.Day;
    private const double Never = double.MaxValue;

    private sealed class Standing(int number, DayWeeks.Coming of)
    {
        public int Number => number;
        public DayWeeks.Coming Of => of;
        public int Next { get; set; }
        public double Ready { get; set; } = of.At;
        public double? Latest { get; set; }
        public double Promise { get; set; }
        public double First { get; set; }
        public double? Said { get; set; }
        public bool IsDone => Next >= of.True.Count;
    }

    /// <summary>One week.</summary>
    /// <param name="numbers">House numbers.</param>
    /// <param name="seed">Draws it.</param>
    /// <param name="people">Pairs of hands.</param>
    /// <param name="policy">How it is worked.</param>
    /// <param name="hands">Pairs of hands that work it, when not as many as it was drawn for.</param>
    /// <param name="each">Machines that come for each pair of hands.</param>
    public static DayWeek Of(DayNumbers numbers, int seed, int people, DayPolicy policy, int? hands = null, int each = UsualMachines) =>
        Of(numbers, DayWeeks.Week(numbers, new Random(seed), people, each), people, hands ?? people, policy, []);

    // The places of the machines in the order of their coming are what somebody is told who works by a list; for all others there is none.
    internal static DayWeek Of(
        DayNumbers numbers,
        IReadOnlyList<DayWeeks.Coming> coming,
        int people,
        int hands,
        DayPolicy policy,
        IReadOnlyList<double> told
    )
    {
        var spans = DayWeeks.Spans();
        var here = new List<Standing>();
        var free = new double[hands];
        var last = Enumerable.Repeat((Job: -1, At: -Day), free.Length).ToArray();
        var done = new List<(Standing Job, double At)>();
        var (overruns, work, idle, now, at) = (0, 0.0, 0.0, 0.0, 0);
        DayPlan? stood = null;
        while (done.Count < coming.Count && now < DayWeeks.MostDays * Day)
        {
            for (; at < coming.Count && coming[at].At <= now; at++)
                here.Add(Promised(new Standing(at, coming[at]), here, free, spans, numbers, now, policy, ref stood));
            var open = spans.FirstOrDefault(s => s.To > now);
            var hand = Enumerable.Range(0, free.Length).Where(h => free[h] <= now).Cast<int?>().FirstOrDefault();
            var pick =
                open.To > 0 && open.From <= now && hand is not null
                    ? Pick(here, free, spans, numbers, now, hand.Value, policy, told, ref stood)
                    : null;
            if (pick is null)
            {
                var next = Next(here, free, coming, at, spans, now);
                if (open.From <= now && open.To > 0 && here.Any(j => !j.IsDone && j.Ready <= now) && hand is not null)
                    idle += Math.Min(next, open.To) - now;
                now = next;
                continue;
            }

            var piece = pick.Of.True[pick.Next];
            if (pick.Latest is { } latest && now > latest + 1e-6)
                overruns++;
            // From one machine to another it takes its minutes, unless hands were idle so long.
            var (on, since) = last[hand!.Value];
            var walk = on == pick.Number ? 0 : Math.Max(0, since + numbers.WalkMin - now);
            var end = Ended(spans, now, walk + piece.Hands);
            free[hand.Value] = end;
            last[hand.Value] = (pick.Number, end);
            work += piece.Hands;
            pick.Next++;
            pick.Ready = end + piece.Wait;
            pick.Latest = piece.MostWait is { } most ? end + most : null;
            // The look tells of a part or a day of drying: what cannot be any more is told to the customer, and promised anew.
            if (pick is { Next: 1, IsDone: false } && Alone(pick, spans) > pick.Promise)
                pick.Promise = Within(spans, Asked(pick.Of, pick.Ready, [Left(pick)[0]], people, numbers));
            if (pick.IsDone)
            {
                here.Remove(pick);
                done.Add((pick, end));
            }
        }

        return new DayWeek(
            done.Count,
            done.Count(d => d.At <= d.Job.Promise),
            done.Sum(d => Math.Max(0, d.At - d.Job.Promise)) / 60,
            overruns,
            work / 60,
            idle / 60,
            done.Sum(d => d.At - d.Job.Of.At) / Day,
            [.. done.Where(d => d.Job.Said is not null).Select(d => (d.Job.Said!.Value, d.At <= d.Job.First))]
        );
    }

    /// <summary>A morning with so many machines on the bench.</summary>
    /// <param name="numbers">House numbers.</param>
    /// <param name="seed">Draws it.</param>
    /// <param name="machines">How many.</param>
    /// <param name="people">Pairs of hands.</param>
    public static (IReadOnlyList<DayJob> Jobs, IReadOnlyList<DayHand> Hands) Morning(DayNumbers numbers, int seed, int machines, int people)
    {
        var chance = new Random(seed);
        List<Standing> here =
        [
            .. Enumerable
                .Range(0, machines)
                .Select(i =>
                {
                    var ways = DayWeeks.Ways(chance);
                    return new Standing(i, new DayWeeks.Coming(DayWeeks.Opens, ways, ways[0].Pieces, DayWeeks.Least))
                    {
                        Promise = DayWeeks.Opens + (chance.NextDouble() * 3 * Day),
                    };
                }),
        ];
        var plan = Plan(here, [.. Enumerable.Repeat(DayWeeks.Opens, people)], DayWeeks.Spans(), numbers with { Tries = 0 }, DayWeeks.Opens);
        return (plan.Jobs, plan.Hands);
    }

    private const double SameDay = 0.2 * Day;

    // When it could be done by a shop that has nothing else, by the minutes of the book.
    private static double Alone(Standing job, List<(double From, double To)> spans) =>
        Left(job)[0].Pieces.Aggregate(job.Ready, (at, piece) => Ended(spans, at, piece.Hands) + piece.Wait);

    // What an empty shop would promise: some shops promise boldly, some with care. The same whoever works it.
    private static double Asked(DayWeeks.Coming of, double at, IReadOnlyList<DayWay> ways, int people, DayNumbers numbers)
    {
        if (of.Care <= DayWeeks.AtTheDoor)
            return at + SameDay;
        if (of.Asked.TryGetValue(at, out var known))
            return known;
        var alone = new Standing(0, new DayWeeks.Coming(at, ways, ways[0].Pieces, of.Care)) { Promise = at + Day };
        var plan = Plan([alone], [.. Enumerable.Repeat(at, people)], DayWeeks.Spans(), numbers with { Tries = 0 }, at);
        var ends = DayChances.Of(plan, numbers with { OthersShare = 0 })[0].Ends;
        return of.Asked[at] = at + ends[(int)(of.Care * (ends.Count - 1))];
    }

    // Everybody promises the same: what is asked for. What the plan says of it then is kept beside.
    private static Standing Promised(
        Standing job,
        List<Standing> here,
        double[] free,
        List<(double From, double To)> spans,
        DayNumbers numbers,
        double now,
        DayPolicy policy,
        ref DayPlan? stood
    )
    {
        job.First = job.Promise = Within(spans, Asked(job.Of, job.Of.At, job.Of.Ways, free.Length, numbers));
        if (policy != DayPolicy.Plan)
            return job;
        stood = Plan([.. here, job], free, spans, numbers, now, stood);
        job.Said = DayChances.Of(stood, numbers)[^1].Kept;
        return job;
    }

    private static double Within(List<(double From, double To)> spans, double at) =>
        spans.FirstOrDefault(s => s.To >= at) is { To: > 0 } span ? Math.Max(at, span.From) : at;

    private static Standing? Pick(
        List<Standing> here,
        double[] free,
        List<(double From, double To)> spans,
        DayNumbers numbers,
        double now,
        int hand,
        DayPolicy policy,
        IReadOnlyList<double> told,
        ref DayPlan? stood
    )
    {
        List<Standing> ready = [.. here.Where(j => j.Ready <= now + 1e-6)];
        if (ready.Count == 0)
            return null;
        if (policy is DayPolicy.Plan or DayPolicy.Known)
        {
            stood =
                policy == DayPolicy.Plan
                    ? Plan(here, free, spans, numbers, now, stood)
                    : Plan(here, free, spans, numbers with { OthersShare = 0 }, now, stood, Known);
            var first = stood.Pieces.Where(p => p.Number == 0 && p.Hand >= 0 && p.From <= 0.5 && ready.Contains(here[p.Job])).ToList();
            return first.Where(p => p.Hand == hand).Concat(first).Select(p => here[p.Job]).FirstOrDefault();
        }

        return policy switch
        {
            // What soaks is ended first, and begun where the hours leave room for its end: only the rest is told.
            DayPolicy.Told => ready
                .Where(j => HasRoom(j, spans, numbers, now))
                .OrderBy(j => j.Latest ?? Never)
                .ThenBy(j => told[j.Number])
                .FirstOrDefault(),
            DayPolicy.FirstCome => ready.MinBy(j => j.Of.At),
            DayPolicy.Promise => ready.MinBy(j => j.Promise),
            DayPolicy.Clock => ready.OrderBy(j => j.Latest ?? Never).ThenBy(j => j.Ready).First(),
            _ => ready.MaxBy(j => Likely(j).Sum(p => p.Hands)),
        };
    }

    private static bool HasRoom(Standing job, List<(double From, double To)> spans, DayNumbers numbers, double now)
    {
        var piece = job.Of.True[job.Next];
        var end = Ended(spans, now, numbers.WalkMin + piece.Hands);
        return piece.MostWait is not { } most || Within(spans, end + piece.Wait) <= end + Math.Max(piece.Wait, most - numbers.SlackMin);
    }

    private static IReadOnlyList<DayPiece> Likely(Standing job) => Left(job)[0].Pieces;

    // What was seen so far tells ways apart: those whose pieces so far are like it are left.
    private static IReadOnlyList<DayWay> Left(Standing job)
    {
        var seen = job.Of.True.Take(job.Next).Select(p => p.Says).ToList();
        var ways = job.Of.Ways.Where(w => w.Pieces.Take(seen.Count).Select(p => p.Says).SequenceEqual(seen)).ToList();
        // The look is over once it was made: then it is known which way it goes.
        if (job.Next > 0)
            ways = [.. ways.Where(w => w.Pieces.Count == job.Of.True.Count && w.Pieces[^2].Says == job.Of.True[^2].Says)];
        var all = ways.Sum(w => w.Chance);
        return [.. ways.OrderByDescending(w => w.Chance).Select(w => new DayWay(w.Chance / all, [.. w.Pieces.Skip(seen.Count)]))];
    }

    private static IReadOnlyList<DayWay> Known(Standing job) =>
        [new DayWay(1, [.. job.Of.True.Skip(job.Next).Select(p => p with { Sd = 0 })])];

    private static DayPlan Plan(
        List<Standing> here,
        double[] free,
        List<(double From, double To)> spans,
        DayNumbers numbers,
        double now,
        DayPlan? stood = null,
        Func<Standing, IReadOnlyList<DayWay>>? ways = null
    )
    {
        ways ??= Left;
        List<DayJob> jobs =
        [
            .. here.Select(j => new DayJob(j.Number, $"{j.Number}", Math.Max(0, j.Ready - now), j.Latest - now, j.Promise - now, ways(j))),
        ];
        List<DayHand> hands =
        [
            .. free.Select(
                (f, h) =>
                    new DayHand(
                        h,
                        $"{h}",
                        [
                            .. spans
                                .Where(s => s.To > Math.Max(now, f) && s.From < now + (numbers.AheadDays * Day))
                                .Select(s => (Math.Max(Math.Max(s.From, f), now) - now, s.To - now)),
                        ]
                    )
            ),
        ];
        return DayPlan.Of(jobs, hands, numbers, stood);
    }

    private static double Ended(List<(double From, double To)> spans, double from, double minutes)
    {
        var (left, t) = (minutes, from);
        foreach (var (begin, end) in spans.Where(s => s.To > from))
        {
            t = Math.Max(t, begin);
            if (end - t >= left)
                return t + left;
            left -= end - t;
        }

        return t + left;
    }

    private static double Next(
        List<Standing> here,
        double[] free,
        IReadOnlyList<DayWeeks.Coming> coming,
        int at,
        List<(double From, double To)> spans,
        double now
    )
    {
        var times = free.Concat(here.Select(j => j.Ready)).Concat(spans.SelectMany(s => new[] { s.From, s.To }));
        var come = at < coming.Count ? coming[at].At : Never;
        // While nothing changes the plan may wait for its own time: it is asked again soon.
        return Math.Min(Math.Min(come, now + AskAgain), times.Where(t => t > now + 1e-6).DefaultIfEmpty(Never).Min());
    }

    private const double AskAgain = 15;
}
