using System.Runtime.InteropServices;

namespace SideBench.Core.Diagnosis;

/// <summary>
/// Looks ahead over findings and repairs: each answer and each failed proof leads to a smaller case, and the cheapest way
/// on is taken there. Deeper level by level until its effort is spent; below that, <see cref="MendingOrder"/> stands in.
/// What cannot beat the best so far, even if the cause were known for nothing, is not followed. What an answer does to the
/// gates is followed on the first level only; further down they stay as they are.
/// </summary>
internal sealed class LookAhead
{
    /// <summary>Mending orders worked out at most for one decision: keeps it within some milliseconds.</summary>
    public const int HouseEffort = 500;

    private const int MostDepth = 8;

    // Fewer options than this are weighed sooner than a second core is called.
    private const int WorthSharing = 16;
    private readonly PlanBoard board;
    private int effort;
    private int spent;

    // Every step, the best at the root first: further down the same are likely to be good, and others are soon seen to be worse.
    private IReadOnlyList<(bool IsRepair, int Index)> likely = [];

    /// <summary>Prepares for a case.</summary>
    /// <param name="board">The case.</param>
    /// <param name="effort">Mending orders worked out at most.</param>
    public LookAhead(PlanBoard board, int effort = HouseEffort)
    {
        this.board = board;
        this.effort = effort;
    }

    /// <summary>Expected cost when nothing more is looked at, money.</summary>
    public double Mending(Availability now) => MendingOrder.Cost(board, board.Chances, board.Unknown, board.Open, now.Repairs);

    /// <summary>Expected cost from here to a verified fix for each step made first, money.</summary>
    /// <param name="now">What is to be had.</param>
    /// <returns>
    /// Every step that is to be had and can tell or mend something; steps that cannot be best are looked at less deeply. What each costs
    /// with only mending after it is beside it.
    /// </returns>
    public List<(bool IsRepair, int Index, double Expected, double Alone)> Steps(Availability now)
    {
        var root = new Case(board.Unknown, board.Open, now, now.Repairs, 0, IsRoot: true);
        var steps = Options(board.Chances, root, double.PositiveInfinity)
            .Select(o => (o.IsRepair, o.Index, o.Expected, o.Expected))
            .ToArray();
        return Deepened(root, steps);
    }

    private List<(bool IsRepair, int Index, double Expected, double Alone)> Deepened(
        Case root,
        (bool IsRepair, int Index, double Expected, double Alone)[] steps
    )
    {
        (bool IsRepair, int Index)[] everyStep =
        [
            .. Enumerable.Range(0, board.Outcomes.Length).Select(f => (false, f)),
            .. board.Menders.Select(r => (true, r)),
        ];
        for (var depth = 2; depth <= MostDepth && spent < effort; depth++)
        {
            var width = Width(depth);
            Array.Sort(steps, (a, b) => a.Expected.CompareTo(b.Expected));
            likely = [.. steps.Select(s => (s.IsRepair, s.Index)).Concat(everyStep).Distinct()];
            var deeper = ((bool IsRepair, int Index, double Expected, double Alone)[])steps.Clone();
            var changed = Deepen(root, deeper.AsMemory(0, Math.Min(width, deeper.Length)), depth - 1);
            if (spent >= effort && depth > 2)
                return [.. steps];
            steps = deeper;
            if (!changed && depth > 2)
                break;
        }

        return [.. steps];
    }

    // Ways do not look at each other: two cores follow every other one, each with half of the effort that is left.
    private bool Deepen(Case root, Memory<(bool IsRepair, int Index, double Expected, double Alone)> ways, int depth)
    {
        var half = (effort - spent) / 2;
        var (one, other) = (new LookAhead(board, half) { likely = likely }, new LookAhead(board, half) { likely = likely });
        var odd = Task.Run(() => other.Deepen(root, ways, depth, 1));
        var changed = one.Deepen(root, ways, depth, 0);
        changed |= odd.Result;
        spent += one.spent + other.spent;
        return changed;
    }

    private bool Deepen(Case root, Memory<(bool IsRepair, int Index, double Expected, double Alone)> ways, int depth, int from)
    {
        var changed = false;
        for (var i = from; i < ways.Length; i += 2)
        {
            ref var way = ref ways.Span[i];
            var all = Share((ways.Length - i + 1) / 2);
            var value = After(board.Chances, root, way.IsRepair, way.Index, depth);
            effort = all;
            changed |= value < way.Expected - 1e-9;
            way.Expected = Math.Min(value, way.Expected);
        }

        return changed;
    }

    // Near the root many ways are followed, further down only the best few.
    private static int Width(int depth) =>
        depth switch
        {
            2 => 10,
            3 => 8,
            _ => 6,
        };

    private List<(bool IsRepair, int Index, double Expected)> Options(ReadOnlySpan<double> p, Case at, double worthBelow)
    {
        var options = new List<(bool IsRepair, int Index, double Expected)>();
        var (reach, least) = Bounds(p, at.Unknown);
        for (var f = 0; f < board.Outcomes.Length; f++)
        {
            if (!at.Now.Findings[f] || ((at.Told >> f) & 1) != 0)
                continue;
            var cost = reach * board.CostOfFinding(f, at.Open);
            if (cost + least < worthBelow)
                options.Add((false, f, 0));
        }

        foreach (var r in board.Menders)
        {
            if (at.Left[r] == 0)
                continue;
            var cost = reach * board.RepairCost[r];
            if (cost < worthBelow)
                options.Add((true, r, 0));
        }

        Weigh(p, at, options);
        return options;
    }

    // Options do not look at each other: two cores weigh one half each, and what comes out is the same.
    private void Weigh(ReadOnlySpan<double> p, Case at, List<(bool IsRepair, int Index, double Expected)> options)
    {
        if (options.Count < WorthSharing)
        {
            for (var i = 0; i < options.Count; i++)
                options[i] = options[i] with { Expected = After(p, at, options[i].IsRepair, options[i].Index, 0) };
            return;
        }

        var (chances, half) = (p.ToArray(), options.Count / 2);
        var other = new LookAhead(board, effort);
        var rest = Task.Run(() => other.Weigh(chances, at, options, half, options.Count));
        Weigh(chances, at, options, 0, half);
        rest.Wait();
        spent += other.spent;
    }

    private void Weigh(double[] p, Case at, List<(bool IsRepair, int Index, double Expected)> options, int from, int to)
    {
        var all = CollectionsMarshal.AsSpan(options);
        for (var i = from; i < to; i++)
            all[i].Expected = After(p, at, all[i].IsRepair, all[i].Index, 0);
    }

    // Cost of the best way on with so many levels left.
    private double Best(ReadOnlySpan<double> p, Case at, int depth)
    {
        spent++;
        var best = MendingOrder.Cost(board, p, at.Unknown, at.Open, at.Left);
        if (depth == 0 || spent >= effort)
            return best;
        if (depth == 1)
            return BestBelow(p, at, best);
        foreach (var way in BestFew(p, at, best, Width(depth + 2)))
            best = Math.Min(best, Math.Min(way.Expected, After(p, at, way.IsRepair, way.Index, depth - 1)));
        return best;
    }

    // The few best steps by what they cost with only mending after them, best first. One that cannot beat the best so far is left out.
    private List<(bool IsRepair, int Index, double Expected)> BestFew(ReadOnlySpan<double> p, Case at, double best, int width)
    {
        var few = new List<(bool IsRepair, int Index, double Expected)>(width + 1);
        var (reach, least) = Bounds(p, at.Unknown);
        Span<double> then = stackalloc double[p.Length];
        foreach (var (isRepair, index) in likely)
        {
            if (!IsToBeHad(at, isRepair, index) || LeastOf(p, at, isRepair, index, reach, least) >= best)
                continue;
            var limit = few.Count < width ? double.PositiveInfinity : few[^1].Expected;
            var expected = isRepair
                ? RepairBelow(p, at, index, reach, least, limit)
                : FindingBelow(p, at, index, then, reach, least, limit);
            if (expected >= limit)
                continue;
            few.Insert(few.FindIndex(w => w.Expected > expected) is >= 0 and var place ? place : few.Count, (isRepair, index, expected));
            if (few.Count > width)
                few.RemoveAt(width);
        }

        return few;
    }

    // Cost of the best way on when only one more step is looked at. A step is left as soon as it is seen not to be the best.
    private double BestBelow(ReadOnlySpan<double> p, Case at, double best)
    {
        var (reach, least) = Bounds(p, at.Unknown);
        Span<double> then = stackalloc double[p.Length];
        foreach (var (isRepair, index) in likely)
        {
            if (spent >= effort)
                break;
            if (!IsToBeHad(at, isRepair, index))
                continue;
            best = isRepair
                ? Math.Min(best, RepairBelow(p, at, index, reach, least, best))
                : Math.Min(best, FindingBelow(p, at, index, then, reach, least, best));
        }

        return best;
    }

    private static bool IsToBeHad(Case at, bool isRepair, int index) =>
        isRepair ? at.Left[index] > 0 : at.Now.Findings[index] && ((at.Told >> index) & 1) == 0;

    // The least that a step made first can cost.
    private double LeastOf(ReadOnlySpan<double> p, Case at, bool isRepair, int index, double reach, double least)
    {
        if (!isRepair)
            return (reach * board.CostOfFinding(index, at.Open)) + least;
        var cost = (reach * board.CostOfRepair(index, at.Open)) + least;
        foreach (var (cause, chance) in board.Fixes[index])
            cost -= p[cause] * chance * board.Least[cause];
        return cost;
    }

    private double RepairBelow(ReadOnlySpan<double> p, Case at, int r, double reach, double least, double limit)
    {
        var cost = LeastOf(p, at, isRepair: true, r, reach, least);
        return cost >= limit ? limit : AfterRepair(p, at, r, 0);
    }

    // What is known of the answers weighed so far, and for the others the least that they can cost.
    private double FindingBelow(ReadOnlySpan<double> p, Case at, int f, Span<double> then, double reach, double least, double limit)
    {
        var cost = LeastOf(p, at, isRepair: false, f, reach, least);
        var open = board.OpenAfter(f, at.Open);
        for (var o = 0; o < board.Outcomes[f] && cost < limit; o++)
        {
            var row = board.Likelihood[f].AsSpan(o * p.Length, p.Length);
            for (var c = 0; c < p.Length; c++)
                then[c] = p[c] * row[c];
            var unknown = at.Unknown * board.UnknownLikelihood[f][o];
            spent++;
            cost += MendingOrder.Cost(board, then, unknown, open, at.Left) - Bounds(then, unknown).Least;
        }

        return cost;
    }

    private double After(ReadOnlySpan<double> p, Case at, bool isRepair, int index, int depth) =>
        isRepair ? AfterRepair(p, at, index, depth) : AfterFinding(p, at, index, depth);

    private double AfterFinding(ReadOnlySpan<double> p, Case at, int f, int depth)
    {
        var cost = (Sum(p) + at.Unknown) * board.CostOfFinding(f, at.Open);
        Span<double> then = stackalloc double[p.Length];
        for (var o = 0; o < board.Outcomes[f]; o++)
        {
            var row = board.Likelihood[f].AsSpan(o * p.Length, p.Length);
            for (var c = 0; c < p.Length; c++)
                then[c] = p[c] * row[c];
            var all = Share(board.Outcomes[f] - o);
            cost += Best(
                then,
                at.Answered(
                    f,
                    at.Unknown * board.UnknownLikelihood[f][o],
                    board.OpenAfter(f, at.Open),
                    at.IsRoot ? at.Now.After(f, o) : at.Now
                ),
                depth
            );
            effort = all;
        }

        return cost;
    }

    // From here on only an even share of the effort that is left may be spent: what comes first must not starve what comes after it.
    private int Share(int among)
    {
        var all = effort;
        effort = spent + Math.Max(0, (effort - spent) / among);
        return all;
    }

    private double AfterRepair(ReadOnlySpan<double> p, Case at, int r, int depth)
    {
        var cost = (Sum(p) + at.Unknown) * board.CostOfRepair(r, at.Open);
        Span<double> then = stackalloc double[p.Length];
        p.CopyTo(then);
        foreach (var (cause, chance) in board.Fixes[r])
            then[cause] *= 1 - chance;
        return cost + Best(then, at.Mended(r), depth);
    }

    private (double Reach, double Least) Bounds(ReadOnlySpan<double> p, double unknown)
    {
        double reach = unknown,
            least = unknown * board.HandBack;
        for (var c = 0; c < p.Length; c++)
        {
            reach += p[c];
            least += p[c] * board.Least[c];
        }

        return (reach, least);
    }

    private static double Sum(ReadOnlySpan<double> p)
    {
        double sum = 0;
        foreach (var chance in p)
            sum += chance;
        return sum;
    }

    // A case further down: what is not in the chances themselves.
    private readonly record struct Case(double Unknown, int Open, Availability Now, byte[] Left, UInt128 Told, bool IsRoot)
    {
        public Case Answered(int finding, double unknown, int open, Availability now) =>
            new(unknown, open, now, ReferenceEquals(now, Now) ? Left : Both(now.Repairs), Told | (UInt128.One << finding), IsRoot: false);

        public Case Mended(int repair)
        {
            var left = (byte[])Left.Clone();
            left[repair]--;
            return this with { Open = 0, Left = left, IsRoot = false };
        }

        // A gate that lifts does not bring back a repair that was made.
        private byte[] Both(byte[] then)
        {
            var both = (byte[])then.Clone();
            for (var r = 0; r < both.Length; r++)
                both[r] = (byte)Math.Max(0, both[r] - (Now.Repairs[r] - Left[r]));
            return both;
        }
    }
}
