namespace SideBench.Core.Day;

/// <summary>A time that could be promised.</summary>
/// <param name="At">The time, min from the moment of the plan.</param>
/// <param name="Holds">Chance that it holds, 0 to 1.</param>
public readonly record struct PromiseOffer(double At, double Holds);

/// <summary>What can be promised for a job, given what stands here.</summary>
/// <param name="Offered">The first whole step in opening hours that holds by the house's level; null when there is none.</param>
/// <param name="Times">Ends of the open spans ahead with the chance of each.</param>
/// <param name="Harms">Promises of other jobs that lose from the house's threshold on, by place in the list: how much.</param>
public sealed record DayPromise(PromiseOffer? Offered, IReadOnlyList<PromiseOffer> Times, IReadOnlyList<(int Job, double Loses)> Harms)
{
    /// <summary>What can be promised for a job that is not here yet.</summary>
    /// <param name="plan">The plan of those that are here.</param>
    /// <param name="job">The one that asks.</param>
    /// <param name="shop">The shop's open spans, min.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="before">How those that are here may end without it.</param>
    /// <param name="grid">Whole steps are so many minutes after the moment of the plan, and every step from there.</param>
    public static DayPromise Of(
        DayPlan plan,
        DayJob job,
        IReadOnlyList<(double From, double To)> shop,
        DayNumbers numbers,
        IReadOnlyList<DayEnd> before,
        double grid = 0
    )
    {
        var ends = DayChances.Of(DayPlan.Of([.. plan.Jobs, job], plan.Hands, numbers, plan), numbers);
        var end = ends[^1];
        var offered = Steps(shop, numbers.RoundMin, grid)
            .Select(t => new PromiseOffer(t, end.By(t)))
            .Where(o => o.Holds >= numbers.Level)
            .Select(o => (PromiseOffer?)o)
            .FirstOrDefault();
        return new DayPromise(
            offered,
            [.. shop.Select(s => new PromiseOffer(s.To, end.By(s.To)))],
            [.. before.Select((b, j) => (Job: j, Loses: (b.Kept ?? 0) - (ends[j].Kept ?? 0))).Where(h => h.Loses >= numbers.HarmsFrom)]
        );
    }

    private static IEnumerable<double> Steps(IReadOnlyList<(double From, double To)> shop, int step, double grid)
    {
        foreach (var (from, to) in shop)
            for (var t = (Math.Ceiling((from - grid) / step) * step) + grid; t <= to; t += step)
                yield return t;
    }
}

/// <summary>What so many minutes of a person now do to what was promised, and when they would do nothing.</summary>
/// <param name="Harms">Promises that lose by it now, by place in the list: how much.</param>
/// <param name="LaterMin">By how much others end later now, min, in the plan.</param>
/// <param name="FirstGap">When it first harms none, min from now; null when not within the days planned.</param>
public sealed record WalkIn(IReadOnlyList<(int Job, double Loses)> Harms, double LaterMin, double? FirstGap)
{
    private const int MostGaps = 16;
    private const int RoughPart = 8;

    /// <summary>Tries it.</summary>
    /// <param name="plan">The plan as it stands.</param>
    /// <param name="hand">Whose hands; null for whoever is free first.</param>
    /// <param name="minutes">How long, min.</param>
    /// <param name="numbers">House numbers.</param>
    public static WalkIn Of(DayPlan plan, int? hand, double minutes, DayNumbers numbers)
    {
        var now = DayPlan.Of(Jobs(0), plan.Hands, numbers, plan);
        var lives = new WalkInLives(plan, now, numbers);
        var harms = lives.Harms(now);
        var later = Math.Max(0, now.Ends.Take(plan.Jobs.Count).Sum() - plan.Ends.Sum());
        if (harms.Count == 0)
            return new WalkIn(harms, later, Begin(now));
        // Where hands come from a piece or a span begins there may be room; only what the plan itself bears is run through.
        var gaps = plan
            .Pieces.Where(p => p.Hand >= 0)
            .Select(p => p.To + numbers.WalkMin)
            .Order()
            .Take(MostGaps)
            .Concat(plan.Hands.SelectMany(h => h.Spans).Select(s => s.From))
            .Where(t => t > 0)
            .Distinct()
            .Order();
        // Many are tried while somebody waits: rough plans will do to find the gap.
        var rough = numbers with
        {
            Tries = numbers.Tries / RoughPart,
        };
        var plans = gaps.SelectMany(Tried);
        foreach (var tried in plans)
            if (IsBorne(tried) && !lives.IsHarmed(tried))
                return new WalkIn(harms, later, Begin(tried));
        return new WalkIn(harms, later, null);

        // Where nobody is there at that time it begins when somebody is.
        static double? Begin(DayPlan tried) =>
            tried.Pieces.First(p => p.Job == tried.Jobs.Count - 1) is { Hand: >= 0 } piece ? piece.From : null;

        bool IsBorne(DayPlan tried) => tried.Cost.CompareTo(plan.Cost with { Money = double.MaxValue }) <= 0;

        // First as it stands, with nothing but the walk-in set between: what is tried anew differs by chance in what presses nobody.
        IEnumerable<DayPlan> Tried(double at) => [plan.AsItStands(Jobs(at), numbers), DayPlan.Of(Jobs(at), plan.Hands, rough, plan)];

        IReadOnlyList<DayJob> Jobs(double at) =>
            [
                .. plan.Jobs,
                new DayJob(0, "walk-in", at, null, null, [new DayWay(1, [new DayPiece("walk-in", minutes)])]) { Hand = hand, At = at },
            ];
    }
}
