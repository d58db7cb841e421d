namespace SideBench.Core.Day;

/// <summary>What plans of the same jobs and hands cost: overruns of latest ends, lateness to be expected, money.</summary>
/// <remarks>Minutes from the moment of the plan. What it is priced by: docs/decisions/0045.</remarks>
public sealed class DayPricing
{
    private const double Tiny = 1e-9;

    // The middles of seven parts of a normal spread that are as likely as one another.
    private static readonly double[] Points = [-1.465, -0.792, -0.366, 0, 0.366, 0.792, 1.465];
    private readonly DayJob[] jobs;
    private readonly DayHand[] hands;
    private readonly DayNumbers numbers;
    private readonly (double From, double To)[][] spans;
    private readonly double[] spread;

    /// <summary>For plans of these.</summary>
    /// <param name="jobs">The jobs.</param>
    /// <param name="hands">Whose hands there are.</param>
    /// <param name="ways">The way that each job goes.</param>
    /// <param name="numbers">House numbers.</param>
    public DayPricing(
        IReadOnlyList<DayJob> jobs,
        IReadOnlyList<DayHand> hands,
        IReadOnlyList<IReadOnlyList<DayPiece>> ways,
        DayNumbers numbers
    )
    {
        (this.jobs, this.hands, this.numbers) = ([.. jobs], [.. hands], numbers);
        spans = [.. hands.Select(h => h.Spans.ToArray())];
        // Minutes of each piece differ by themselves: their squares add up.
        spread = [.. ways.Select(w => Math.Sqrt(w.Sum(p => Math.Pow(p.Hands * (p.Sd ?? numbers.MinutesSd), 2))))];
    }

    /// <summary>What a plan costs.</summary>
    public DayCost Cost(IReadOnlyList<DayPlaced> plan)
    {
        var (overrun, late, money) = (plan.Sum(p => p.Overrun), 0.0, 0.0);
        var ends = DayPlacing.Ends(plan, jobs);
        var last = Lasts(plan);
        var (before, crowded) = Queues(plan, last);
        overrun += numbers.CrowdWeight * crowded;
        for (var j = 0; j < jobs.Length; j++)
        {
            var sd = Math.Sqrt((spread[j] * spread[j]) + before[j]);
            var past = jobs[j].Promise is { } promise ? Late(ends[j], promise, last[j]?.Hand ?? -1, sd) : 0;
            late += past;
            money += ((past * numbers.LatePerHour) + (ends[j] * numbers.StandPerHour)) / 60;
        }

        foreach (var piece in plan)
            if (piece.Hand >= 0 && piece.To - piece.From > (piece.Piece.Hands * hands[piece.Hand].Pace) + numbers.OverBreakMin)
                money += numbers.OpenOverNight;
        return new DayCost(overrun, late, money);
    }

    private DayPlaced?[] Lasts(IReadOnlyList<DayPlaced> plan)
    {
        var last = new DayPlaced?[jobs.Length];
        foreach (var piece in plan)
            if (last[piece.Job] is not { } known || piece.Number > known.Number)
                last[piece.Job] = piece;
        return last;
    }

    // Work before a piece on the same hands puts it off: the variance of each job's end by others' work, and by how much pieces with a
    // latest end would be too late behind work that takes as long as it ever does. A pause as long as that takes it up.
    private (double[] Before, double Crowded) Queues(IReadOnlyList<DayPlaced> plan, DayPlaced?[] last)
    {
        var (before, own, crowded) = (new double[jobs.Length], new double[jobs.Length], 0.0);
        var queues = new (double Variance, double Far, double End)[hands.Length];
        foreach (var piece in plan.Where(p => p.Hand >= 0).OrderBy(p => p.From))
        {
            var (variance, far, end) = queues[piece.Hand];
            if (piece.From - end >= Math.Sqrt(far))
                far = 0;
            var (minutes, sd) = (piece.Piece.Hands * hands[piece.Hand].Pace, piece.Piece.Sd ?? numbers.MinutesSd);
            if (piece.Latest is { } limit)
                crowded += Math.Max(0, Math.Sqrt(far) - Room(piece, minutes, limit));
            if (ReferenceEquals(last[piece.Job], piece))
                before[piece.Job] = variance - own[piece.Job];
            else if (last[piece.Job]?.Hand == piece.Hand)
                own[piece.Job] += Math.Pow(minutes * sd, 2);
            queues[piece.Hand] = (variance + Math.Pow(minutes * sd, 2), far + Math.Pow(numbers.Beyond(minutes, sd), 2), piece.To);
        }

        return (before, crowded);
    }

    // Working minutes by which a piece may begin later and still be before its latest end, and be ended before closing.
    private double Room(DayPlaced piece, double minutes, double limit)
    {
        var (of, room) = (spans[piece.Hand], 0.0);
        for (var s = 0; s < of.Length && of[s].From <= limit; s++)
        {
            var (left, next) = (minutes, s + 1);
            for (; next < of.Length && of[next].From - of[next - 1].To <= numbers.OverBreakMin; next++)
                left -= of[next].To - of[next].From;
            var last = Math.Min(limit, of[s].To - Math.Max(0, left));
            room += Math.Max(0, last - Math.Max(of[s].From, piece.From));
        }

        return room;
    }

    // Lateness to be expected: work runs over or under, what is not here yet takes its share of the hands, and what runs past the end of
    // the hours ends on the next morning.
    private double Late(double end, double promise, int hand, double sd)
    {
        var spans = hand < 0 ? [] : this.spans[hand];
        var own = 0;
        while (own < spans.Length - 1 && spans[own].To < end - Tiny)
            own++;
        var others = spans.Length == 0 ? 0 : numbers.OthersShare * Math.Max(0, end - Math.Max(0, spans[own].From));
        var sum = 0.0;
        foreach (var z in Points)
        {
            var at = end + (z * sd) + others;
            for (var s = own; s < spans.Length - 1 && at > spans[s].To; s++)
                at += spans[s + 1].From - spans[s].To;
            sum += Math.Max(0, at - promise);
        }

        return sum / Points.Length;
    }
}
