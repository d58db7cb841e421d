using MathNet.Numerics.Distributions;

namespace SideBench.Core.Day;

/// <summary>How a job may end.</summary>
/// <param name="Kept">Chance that its promise is kept, 0 to 1; null when it has none.</param>
/// <param name="Early">Done so early in 1 of 10, min from the moment of the plan.</param>
/// <param name="Likely">Half the time by then.</param>
/// <param name="Late">In 9 of 10 by then.</param>
/// <param name="Ends">All the ends that were drawn, in order, min.</param>
public sealed record DayEnd(double? Kept, double Early, double Likely, double Late, IReadOnlyList<double> Ends)
{
    /// <summary>Chance that it is done by a time, 0 to 1.</summary>
    public double By(double minute) => Ends.Count(e => e <= minute) / (double)Math.Max(1, Ends.Count);
}

/// <summary>Runs a plan through many times, with other minutes and other ways, keeping its order.</summary>
public static class DayChances
{
    private const double EarlyShare = 0.1;
    private static readonly double[] Roots = [Math.Sqrt(2), Math.Sqrt(3), Math.Sqrt(5), Math.Sqrt(7), Math.Sqrt(11), Math.Sqrt(13)];

    /// <summary>How each job may end.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="numbers">House numbers.</param>
    public static IReadOnlyList<DayEnd> Of(DayPlan plan, DayNumbers numbers)
    {
        var ends = plan.Jobs.Select(_ => new List<double>(numbers.Draws)).ToList();
        var (jobs, order) = Loose(plan, numbers);
        for (var draw = 0; draw < numbers.Draws; draw++)
        {
            var life = Life(jobs, plan.Hands, draw, numbers);
            var done = life.Ends(life.Lay(order));
            for (var j = 0; j < ends.Count; j++)
                ends[j].Add(done[j]);
        }

        return
        [
            .. ends.Select(
                (all, j) =>
                {
                    all.Sort();
                    double At(double share) => all[(int)Math.Round(share * (all.Count - 1))];
                    var end = new DayEnd(null, At(EarlyShare), At(0.5), At(1 - EarlyShare), all);
                    return plan.Jobs[j].Promise is { } promise ? end with { Kept = end.By(promise) } : end;
                }
            ),
        ];
    }

    /// <summary>
    /// The jobs with their order when minutes differ: what is set to a time is begun late when the work before it runs over, after all that
    /// the plan begins before it, and before the rest.
    /// </summary>
    internal static (IReadOnlyList<DayJob> Jobs, IReadOnlyList<int> Order) Loose(DayPlan plan, DayNumbers numbers)
    {
        if (plan.Jobs.All(j => j.At is null))
            return (plan.Jobs, plan.Order);
        var begins = plan.Jobs.Select((job, j) => Begins(plan, job, j, numbers)).ToList();
        var order = new List<(int Job, double Begins)>();
        foreach (var job in plan.Order)
        {
            var group = order.Count(o => o.Job == job);
            // A longer way than the likeliest has groups that the plan does not: they come after all that it has.
            order.Add((job, group < begins[job].Count ? begins[job][group] : double.MaxValue));
        }

        foreach (var (pinned, j) in plan.Jobs.Select((job, j) => (job, j)).Where(p => p.job.At is not null).OrderBy(p => p.job.At))
        {
            var own = order.FindIndex(o => o.Job == j);
            var entry = order[own];
            order.RemoveAt(own);
            order = [.. order.Where(o => o.Begins < pinned.At), entry, .. order.Where(o => o.Begins >= pinned.At)];
        }

        return (
            [.. plan.Jobs.Select(j => j.At is { } at ? j with { Ready = Math.Max(j.Ready, at), At = null } : j)],
            [.. order.Select(o => o.Job)]
        );
    }

    // When each group of a job's likeliest way begins in the plan.
    private static List<double> Begins(DayPlan plan, DayJob job, int place, DayNumbers numbers)
    {
        var groups = DayPlacing.Groups(job.Ways.Count > 0 ? job.Ways[0].Pieces : [], numbers);
        return [.. plan.Pieces.Where(p => p.Job == place && groups.Contains(p.Number)).OrderBy(p => p.Number).Select(p => p.From)];
    }

    /// <summary>One life of the jobs: ways and minutes drawn, to be laid out in some order.</summary>
    internal static DayPlacing Life(IReadOnlyList<DayJob> jobs, IReadOnlyList<DayHand> hands, int draw, DayNumbers numbers) =>
        new(
            [.. jobs.Select((j, i) => Drawn(j, i, draw, numbers))],
            [.. hands.Select((h, i) => Left(h, i, draw, numbers))],
            [.. jobs.Select((j, i) => Way(j, i, draw, numbers))],
            numbers
        );

    // What is not here yet takes its share of the hands' time, at no time that is known.
    private static DayHand Left(DayHand hand, int place, int draw, DayNumbers numbers)
    {
        if (numbers.OthersShare <= 0)
            return hand;
        var spans = new List<(double From, double To)>();
        foreach (var ((from, to), s) in hand.Spans.Select((s, i) => (s, i)))
        {
            var takes = 2 * numbers.OthersShare * Spread(draw, place, Hands + (2 * s)) * (to - from);
            var at = from + (Spread(draw, place, Hands + 1 + (2 * s)) * (to - from - takes));
            spans.AddRange(new[] { (from, at), (at + takes, to) }.Where(p => p.Item2 > p.Item1));
        }

        return hand with
        {
            Spans = spans,
            Aired = hand.Aired is { } aired ? [.. DayPlacing.Both(spans, aired)] : null,
        };
    }

    private const int Hands = 100;

    private static DayJob Drawn(DayJob job, int place, int draw, DayNumbers numbers) =>
        job is { IsOthers: true, Ready: > 0 }
            ? job with
            {
                Ready = job.Ready * Math.Exp(numbers.WaitSd * Normal.InvCDF(0, 1, Spread(draw, place, 0))),
            }
            : job;

    private static IReadOnlyList<DayPiece> Way(DayJob job, int place, int draw, DayNumbers numbers)
    {
        var which = Spread(draw, place, 1);
        var (sum, w) = (0.0, 0);
        while (w < job.Ways.Count - 1 && (sum += job.Ways[w].Chance) < which)
            w++;
        if (job.Ways.Count == 0)
            return [];
        return
        [
            .. job.Ways[w]
                .Pieces.Select(
                    (p, i) =>
                    {
                        var minutes = p.Hands * Math.Exp((p.Sd ?? numbers.MinutesSd) * Normal.InvCDF(0, 1, Spread(draw, place, 2 + i)));
                        return p.IsOthers
                            ? p with
                            {
                                Hands = minutes,
                                Wait = p.Wait * Math.Exp(numbers.WaitSd * Normal.InvCDF(0, 1, Spread(draw, place, 50 + i))),
                            }
                            : p with
                            {
                                Hands = minutes,
                            };
                    }
                ),
        ];
    }

    // A fixed sequence for each figure of each job, so that the same plan has the same chances.
    private static double Spread(int draw, int place, int figure)
    {
        var seed = ((place + 1) * 7919) + ((figure + 1) * 104_729);
        var shift = seed * Math.Sqrt(17);
        var value = ((draw + 1) * Roots[(place + figure) % Roots.Length]) + shift + (Scramble(draw, seed) * Rough);
        return Math.Clamp(value - Math.Floor(value), 1e-6, 1 - 1e-6);
    }

    private const double Rough = 0.9;

    // Two figures of one root would rise and fall together; this parts them.
    private static double Scramble(int draw, int seed)
    {
        unchecked
        {
            var x = (uint)((draw * 2_654_435_761) ^ (seed * 40_503));
            x ^= x >> 15;
            x *= 2_246_822_519;
            x ^= x >> 13;
            x *= 3_266_489_917;
            x ^= x >> 16;
            return x / (double)uint.MaxValue;
        }
    }
}
