namespace SideBench.Core.Day;

/// <summary>
/// Lays pieces out in a given order, each as early as it fits on any pair of hands. A piece whose wait has a latest end is placed together
/// with the one after it: nothing is begun that could not be ended in time. Where places for open machines are few, all that is done on an
/// open one is placed together: it keeps its place from the first screw to the last.
/// </summary>
/// <remarks>
/// But for the ways between machines none of all plans with the same order of beginnings has an earlier one; so the best order gives the
/// best plan wherever earlier is never worse. With them it may be missed by a little: how much stands beside an exact solver in the tests.
/// Minutes from the moment of the plan.
/// </remarks>
public sealed class DayPlacing
{
    private const double Tiny = 1e-9;
    private const double MinutesPerDay = 24 * 60;
    private const int MostTries = 64;

    private readonly DayJob[] jobs;
    private readonly DayHand[] hands;
    private readonly DayPiece[][] ways;
    private readonly DayNumbers numbers;
    private readonly (double From, double To)[][] spans;
    private readonly (double From, double To)[][] airedSpans;
    private readonly List<(double From, double To, int Job)>[] busy;
    private readonly OpenPlaces places;
    private readonly double[] longest;
    private readonly int[][] groups;
    private readonly int[] fixedFirst;
    private readonly bool[][] aired;
    private readonly bool anyBarred;

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
        (this.jobs, this.hands, this.ways, this.numbers) = ([.. jobs], [.. hands], [.. ways.Select(w => w.ToArray())], numbers);
        spans = [.. hands.Select(h => h.Spans.ToArray())];
        airedSpans = [.. hands.Select((h, i) => h.Aired?.ToArray() ?? spans[i])];
        places = new OpenPlaces(jobs, numbers);
        busy = [.. hands.Select(_ => new List<(double, double, int)>())];
        longest = [.. hands.Select(h => Longest(h.Spans))];
        groups = [.. ways.Select(w => Groups(w, numbers).ToArray())];
        aired = [.. ways.Select(w => w.Select(p => p.Tags.Any(numbers.AiredTags.Contains)).ToArray())];
        anyBarred = hands.Any(h => h.Barred.Count > 0);
        // What hands are on stays where it is, and what was set to a time is set there before anything else looks for room. Where places
        // are few, what stands open is seen to before another is opened.
        fixedFirst =
        [
            .. Enumerable
                .Range(0, jobs.Count)
                .Where(j => (jobs[j].IsOn || jobs[j].At is not null || places.IsHeld(jobs[j])) && ways[j].Count > 0)
                .OrderByDescending(j => jobs[j].IsOn)
                .ThenBy(j => jobs[j].At is null)
                .ThenBy(j => jobs[j].At ?? 0),
        ];
    }

    /// <summary>Groups of a way: pieces that a latest end, or a machine that stands open, binds together.</summary>
    /// <param name="way">The way.</param>
    /// <param name="numbers">House numbers, with the places for open machines.</param>
    /// <returns>The first piece of each group, and one past the last.</returns>
    public static IReadOnlyList<int> Groups(IReadOnlyList<DayPiece> way, DayNumbers numbers)
    {
        var starts = new List<int>();
        for (var i = 0; i < way.Count; i++)
            if (i == 0 || (way[i - 1].MostWait is null && !OpenPlaces.Between(way, i, numbers)))
                starts.Add(i);
        starts.Add(way.Count);
        return starts;
    }

    /// <summary>What lies in both.</summary>
    internal static IReadOnlyList<(double From, double To)> Both(
        IReadOnlyList<(double From, double To)> some,
        IReadOnlyList<(double From, double To)> others
    ) =>
        [
            .. from a in some
            from b in others
            let both = (From: Math.Max(a.From, b.From), To: Math.Min(a.To, b.To))
            where both.To > both.From
            orderby both.From
            select both,
        ];

    /// <summary>Lays all pieces out.</summary>
    /// <param name="order">Jobs, each as often as its way has groups, in the order in which their groups are placed.</param>
    /// <param name="comes">A job that is ready at another time than it says; null for none.</param>
    public IReadOnlyList<DayPlaced> Lay(IReadOnlyList<int> order, (int Job, double Ready)? comes = null)
    {
        foreach (var of in busy)
            of.Clear();
        places.Clear();
        var placed = new List<DayPlaced>();
        var next = new int[jobs.Length];
        var ready = jobs.Select(j => j.Ready).ToArray();
        if (comes is { } other)
            ready[other.Job] = other.Ready;
        foreach (var j in fixedFirst)
            Group(j);
        foreach (var j in order)
            if (next[j] < groups[j].Length - 1)
                Group(j);
        return placed;

        void Group(int j)
        {
            var (from, to) = (groups[j][next[j]], groups[j][next[j] + 1]);
            var first = next[j] == 0;
            var fit = Fit(j, from, to, first, ready[j]);
            foreach (var piece in fit)
            {
                placed.Add(piece);
                if (piece.Hand >= 0)
                    Book(piece);
                ready[j] = piece.To + piece.Piece.Wait;
            }

            places.Take(fit);
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

    // Tries to begin a group ever later until all of it fits; a latest end that was running already is overrun if it must be.
    private List<DayPlaced> Fit(int j, int from, int to, bool first, double ready)
    {
        var job = jobs[j];
        var begin = first ? Math.Max(ready, job.At ?? 0) : ready;
        double? latest = first ? job.Latest : null;
        var free = Array.TrueForAll(ways[j][from..to], p => p.MostWait is null);
        for (var tries = 0; tries < MostTries; tries++)
        {
            var placed = new List<DayPlaced>(to - from);
            var (at, shift) = (begin, 0.0);
            for (var i = from; i < to; i++)
            {
                var piece = ways[j][i];
                var own = i == from && first;
                // What no latest end presses may stand open over a night; that has its price.
                var mayStand = free && latest is null;
                var (hand, start, end) = Slot(j, i, own ? job.Hand : null, own && job.IsOn, at, placed, mayStand);
                if (hand < 0)
                    return Beyond(j, from, to, begin, latest);
                var must = i == from ? latest : placed[^1].To + ways[j][i - 1].MostWait;
                if (i > from && ways[j][i - 1].MostWait is { } most)
                {
                    // Work runs over: what has a latest end is begun only where it is ended with time to spare, if its wait leaves any.
                    var wise = placed[^1].To + Math.Max(ways[j][i - 1].Wait, most - numbers.SlackMin);
                    shift = Math.Max(shift, start > wise + Tiny ? start - wise : 0);
                    shift = Math.Max(shift, TooLateIfLong(j, i, placed[^1].To, placed));
                }

                placed.Add(new DayPlaced(j, i, piece, hand, start, end, must));
                at = end + piece.Wait;
            }

            shift = Math.Max(shift, places.Wait(placed));
            if (shift <= Tiny || (first && job.IsOn))
                return placed;
            begin = placed[0].From + shift;
        }

        return Beyond(j, from, to, begin, latest);
    }

    // The work before it may take as long as it ever does: then too there must be room before the latest end.
    private double TooLateIfLong(int j, int i, double ended, List<DayPlaced> placed)
    {
        var before = ways[j][i - 1];
        var end = ended + numbers.Beyond(before.Hands, before.Sd ?? numbers.MinutesSd);
        var (hand, start, _) = Slot(j, i, null, false, end + before.Wait, placed, false);
        return hand < 0 ? 0 : Math.Max(0, start - end - before.MostWait!.Value);
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

    // The room in which it is done first, on any pair of hands that does such work.
    private (int Hand, double Start, double End) Slot(int j, int i, int? only, bool isOn, double at, List<DayPlaced> also, bool mayStand)
    {
        var piece = ways[j][i];
        var best = (Hand: -1, Start: 0.0, End: double.MaxValue);
        for (var h = 0; h < hands.Length; h++)
        {
            if ((only is { } one && one != h) || (!isOn && anyBarred && piece.Tags.Any(hands[h].Barred.Contains)))
                continue;
            var own = piece.Hands * hands[h].Pace;
            var (start, end) = isOn ? (0, own) : Earliest(j, h, aired[j][i] ? airedSpans[h] : spans[h], at, own, also, mayStand);
            if (end < best.End - Tiny)
                best = (h, start, end);
        }

        return best;
    }

    // Within one span, or over a short break; what may stand, or is longer than any span, goes over nights too, as long as its hours need.
    private (double Start, double End) Earliest(
        int j,
        int h,
        (double From, double To)[] spans,
        double at,
        double minutes,
        List<DayPlaced> also,
        bool mayStand
    )
    {
        var splits = mayStand || minutes > (ReferenceEquals(spans, this.spans[h]) ? longest[h] : Longest(spans)) + Tiny;
        var (of, past, t) = (busy[h], 0, at);
        for (var s = 0; s < spans.Length; s++)
        {
            var (from, to) = spans[s];
            t = Math.Max(t, from);
            while (t < to)
            {
                // Time only goes on from here: what is past stays so, and what leaves too little room before it is passed at once.
                for (; past < of.Count && (of[past].From - Walk(j, of[past].Job) < t + minutes - Tiny); past++)
                    t = Math.Max(t, of[past].To + Walk(j, of[past].Job));
                if (t >= to)
                    break;
                var end = Over(spans, s, t, minutes, splits ? double.MaxValue : numbers.OverBreakMin);
                if (end is double.MaxValue)
                    break;
                if (Clash(j, h, past, t, end, also) is not { } until)
                    return (t, end);
                t = until;
            }
        }

        return (0, double.MaxValue);
    }

    private static double Over((double From, double To)[] spans, int span, double from, double minutes, double mostBreak)
    {
        var (left, t) = (minutes, from);
        for (var s = span; s < spans.Length; s++)
        {
            var (begin, end) = spans[s];
            if (s > span && begin - spans[s - 1].To > mostBreak)
                break;
            t = Math.Max(t, begin);
            if (end - t >= left - Tiny)
                return t + left;
            left -= Math.Max(0, end - t);
        }

        return double.MaxValue;
    }

    private static double Longest(IReadOnlyList<(double From, double To)> spans) =>
        spans.Select(s => s.To - s.From).DefaultIfEmpty(0).Max();

    // Hands that come from another machine, or go on to one, need the minutes from one to the other.
    private double Walk(int j, int other) => other == j ? 0 : numbers.WalkMin;

    private double? Clash(int j, int h, int past, double from, double to, List<DayPlaced> also)
    {
        double? until = null;
        var of = busy[h];
        for (var k = past; k < of.Count; k++)
        {
            var b = of[k];
            if (b.From - numbers.WalkMin >= to - Tiny)
                break;
            var walk = Walk(j, b.Job);
            if (b.From - walk < to - Tiny && b.To + walk > from + Tiny)
                until = b.To + walk;
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
