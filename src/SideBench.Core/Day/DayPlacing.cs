namespace SideBench.Core.Day;

/// <summary>
/// Lays pieces out in a given order, each as early as it fits on any pair of hands. A piece whose wait has a latest end is placed together
/// with the one after it: nothing is begun that could not be ended in time.
/// </summary>
/// <remarks>
/// Of all plans with the same order of beginnings none has an earlier one; so the best order gives the best plan wherever earlier is never
/// worse. Minutes from the moment of the plan.
/// </remarks>
public sealed class DayPlacing
{
    private const double Tiny = 1e-9;
    private const double MinutesPerDay = 24 * 60;
    private const int MostTries = 64;

    // Three points of a normal spread with weights 1, 2, 1: their own spread is that of the whole.
    private const double OutSd = 1.414;
    private readonly IReadOnlyList<DayJob> jobs;
    private readonly IReadOnlyList<DayHand> hands;
    private readonly IReadOnlyList<IReadOnlyList<DayPiece>> ways;
    private readonly DayNumbers numbers;
    private readonly List<(double From, double To, int Job)>[] busy;
    private readonly double[] longest;
    private readonly double[] spread;

    /// <summary>Begins an empty plan.</summary>
    /// <param name="jobs">The jobs.</param>
    /// <param name="hands">Whose hands there are.</param>
    /// <param name="ways">The way that each job goes.</param>
    /// <param name="numbers">House numbers.</param>
    public DayPlacing(
        IReadOnlyList<DayJob> jobs,
        IReadOnlyList<DayHand> hands,
        IReadOnlyList<IReadOnlyList<DayPiece>> ways,
        DayNumbers numbers
    )
    {
        (this.jobs, this.hands, this.ways, this.numbers) = (jobs, hands, ways, numbers);
        busy = [.. hands.Select(_ => new List<(double, double, int)>())];
        // Minutes of each piece differ by themselves: their squares add up.
        spread = [.. ways.Select(w => Math.Sqrt(w.Sum(p => Math.Pow(p.Hands * (p.Sd ?? numbers.MinutesSd), 2))))];
        longest = [.. hands.Select(h => h.Spans.Select(s => s.To - s.From).DefaultIfEmpty(0).Max())];
    }

    /// <summary>Groups of a way: pieces that a latest end binds together.</summary>
    /// <param name="way">The way.</param>
    /// <returns>The first piece of each group, and one past the last.</returns>
    public static IReadOnlyList<int> Groups(IReadOnlyList<DayPiece> way)
    {
        var starts = new List<int>();
        for (var i = 0; i < way.Count; i++)
            if (i == 0 || way[i - 1].MostWait is null)
                starts.Add(i);
        starts.Add(way.Count);
        return starts;
    }

    /// <summary>Lays all pieces out.</summary>
    /// <param name="order">Jobs, each as often as its way has groups, in the order in which their groups are placed.</param>
    public IReadOnlyList<DayPlaced> Lay(IReadOnlyList<int> order)
    {
        foreach (var of in busy)
            of.Clear();
        var placed = new List<DayPlaced>();
        var next = new int[jobs.Count];
        var ready = jobs.Select(j => j.Ready).ToArray();
        var groups = ways.Select(Groups).ToList();
        // What hands are on stays where it is, and what was set to a time is set there before anything else looks for room.
        var fixedFirst = Enumerable
            .Range(0, jobs.Count)
            .Where(j => (jobs[j].IsOn || jobs[j].At is not null) && ways[j].Count > 0)
            .OrderByDescending(j => jobs[j].IsOn)
            .ThenBy(j => jobs[j].At ?? 0);
        foreach (var j in fixedFirst)
            Group(j);
        foreach (var j in order)
            if (next[j] < groups[j].Count - 1)
                Group(j);
        return placed;

        void Group(int j)
        {
            var (from, to) = (groups[j][next[j]], groups[j][next[j] + 1]);
            var first = next[j] == 0;
            foreach (var piece in Fit(j, from, to, first, ready[j]))
            {
                placed.Add(piece);
                if (piece.Hand >= 0)
                    Book(piece);
                ready[j] = piece.To + piece.Piece.Wait;
            }

            next[j]++;
        }
    }

    /// <summary>When each job is done, min.</summary>
    public static double[] Ends(IReadOnlyList<DayPlaced> plan, IReadOnlyList<DayJob> jobs)
    {
        var ends = jobs.Select(j => j.Ready).ToArray();
        foreach (var piece in plan)
            ends[piece.Job] = Math.Max(ends[piece.Job], piece.To + piece.Piece.Wait);
        return ends;
    }

    /// <summary>When each of its jobs is done, min.</summary>
    public double[] Ends(IReadOnlyList<DayPlaced> plan) => Ends(plan, jobs);

    /// <summary>What a plan costs.</summary>
    public DayCost Cost(IReadOnlyList<DayPlaced> plan)
    {
        var (overrun, late, money) = (plan.Sum(p => p.Overrun + Near(p)), 0.0, 0.0);
        var ends = Ends(plan, jobs);
        for (var j = 0; j < jobs.Count; j++)
        {
            var past = jobs[j].Promise is { } promise ? Late(ends[j] - promise, spread[j]) : 0;
            late += past;
            money += ((past * numbers.LatePerHour) + (ends[j] * numbers.StandPerHour)) / 60;
        }

        foreach (var piece in plan)
            if (piece.Hand >= 0 && piece.To - piece.From > (piece.Piece.Hands * hands[piece.Hand].Pace) + numbers.OverBreakMin)
                money += numbers.OpenOverNight;
        foreach (var of in busy)
            for (var i = 1; i < of.Count; i++)
                if (of[i].Job != of[i - 1].Job)
                    money += numbers.WalkMin * numbers.StandPerHour / 60;
        return new DayCost(overrun, late, money);
    }

    // Work runs over or under: late, as usual, or early, by their weights.
    private static double Late(double by, double spread) =>
        (Math.Max(0, by - (OutSd * spread)) + (2 * Math.Max(0, by)) + Math.Max(0, by + (OutSd * spread))) / 4;

    // Close to its latest end a piece counts as a part of an overrun, more the closer it is.
    private double Near(DayPlaced piece) =>
        piece.Latest is { } latest && numbers.SlackMin > 0
            ? numbers.NearWeight * Math.Clamp(piece.From - (latest - numbers.SlackMin), 0, numbers.SlackMin)
            : 0;

    // Tries to begin a group ever later until all of it fits; a latest end that was running already is overrun if it must be.
    private List<DayPlaced> Fit(int j, int from, int to, bool first, double ready)
    {
        var job = jobs[j];
        var begin = first ? Math.Max(ready, job.At ?? 0) : ready;
        double? latest = first ? job.Latest : null;
        for (var tries = 0; tries < MostTries; tries++)
        {
            var placed = new List<DayPlaced>();
            var (at, shift) = (begin, 0.0);
            for (var i = from; i < to; i++)
            {
                var piece = ways[j][i];
                var own = i == from && first;
                // What no latest end presses may stand open over a night; that has its price.
                var mayStand = to - from == 1 && latest is null && piece.MostWait is null;
                var (hand, start, end) = Slot(own ? job.Hand : null, own && job.IsOn, at, piece.Hands, placed, mayStand);
                if (hand < 0)
                    return Beyond(j, from, to, begin, latest);
                double? must = i == from ? latest : placed[^1].To + ways[j][i - 1].MostWait!.Value;
                // Work runs over: what has a latest end is begun only where it is ended with time to spare, if its wait leaves any.
                var wise = i == from ? 0 : placed[^1].To + Math.Max(ways[j][i - 1].Wait, ways[j][i - 1].MostWait!.Value - numbers.SlackMin);
                if (i > from && start > wise + Tiny)
                    shift = Math.Max(shift, start - wise);
                placed.Add(new DayPlaced(j, i, piece, hand, start, end, must));
                at = end + piece.Wait;
            }

            if (shift <= Tiny || (first && job.IsOn))
                return placed;
            begin = placed[0].From + shift;
        }

        return Beyond(j, from, to, begin, latest);
    }

    // No room within the days that are planned: after all spans, one after the other.
    private List<DayPlaced> Beyond(int j, int from, int to, double begin, double? latest)
    {
        var at = Math.Max(numbers.AheadDays * MinutesPerDay, begin);
        var placed = new List<DayPlaced>();
        for (var i = from; i < to; i++)
        {
            var piece = ways[j][i];
            placed.Add(new DayPlaced(j, i, piece, -1, at, at + piece.Hands, i == from ? latest : null));
            at += piece.Hands + piece.Wait;
        }

        return placed;
    }

    // The room in which it is done first, on any pair of hands.
    private (int Hand, double Start, double End) Slot(int? only, bool isOn, double at, double minutes, List<DayPlaced> also, bool mayStand)
    {
        var best = (Hand: -1, Start: 0.0, End: double.MaxValue);
        for (var h = 0; h < hands.Count; h++)
        {
            if (only is { } one && one != h)
                continue;
            var own = minutes * hands[h].Pace;
            var (start, end) = isOn ? (0, own) : Earliest(h, at, own, also, mayStand);
            if (end < best.End - Tiny)
                best = (h, start, end);
        }

        return best;
    }

    // Within one span, or over a short break; what may stand, or is longer than any span, goes over nights too, as long as its hours need.
    private (double Start, double End) Earliest(int h, double at, double minutes, List<DayPlaced> also, bool mayStand)
    {
        var splits = mayStand || minutes > longest[h] + Tiny;
        for (var s = 0; s < hands[h].Spans.Count; s++)
        {
            var (from, to) = hands[h].Spans[s];
            var t = Math.Max(at, from);
            while (t < to)
            {
                var end = Over(h, s, t, minutes, splits ? double.MaxValue : numbers.OverBreakMin);
                if (end is double.MaxValue)
                    break;
                if (Clash(h, t, end, also) is not { } until)
                    return (t, end);
                t = until;
            }
        }

        return (0, double.MaxValue);
    }

    private double Over(int h, int span, double from, double minutes, double mostBreak)
    {
        var (left, t) = (minutes, from);
        for (var s = span; s < hands[h].Spans.Count; s++)
        {
            var (begin, end) = hands[h].Spans[s];
            if (s > span && begin - hands[h].Spans[s - 1].To > mostBreak)
                break;
            t = Math.Max(t, begin);
            if (end - t >= left - Tiny)
                return t + left;
            left -= Math.Max(0, end - t);
        }

        return double.MaxValue;
    }

    private double? Clash(int h, double from, double to, List<DayPlaced> also)
    {
        double? until = null;
        foreach (var b in busy[h])
        {
            if (b.From >= to - Tiny)
                break;
            if (b.To > from + Tiny)
                until = b.To;
        }

        foreach (var p in also)
            if (p.Hand == h && p.From < to - Tiny && p.To > from + Tiny && !(until > p.To))
                until = p.To;
        return until;
    }

    private void Book(DayPlaced piece)
    {
        var of = busy[piece.Hand];
        var at = of.FindIndex(b => b.From > piece.From);
        var entry = (piece.From, piece.To, piece.Job);
        if (at < 0)
            of.Add(entry);
        else
            of.Insert(at, entry);
    }
}
