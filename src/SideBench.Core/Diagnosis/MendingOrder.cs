using System.Numerics;

namespace SideBench.Core.Diagnosis;

/// <summary>
/// What it still costs to mend without looking further: one repair after another, or handing back. Worked out a thousand times for one
/// decision, so repairs are counted by their place among those that can mend anything, and compared several at once.
/// </summary>
internal static class MendingOrder
{
    // A chance that mends nothing.
    private const double Nothing = 1e-12;
    private const double NotToBeHad = -1;

    /// <summary>
    /// Expected cost of mending by the best chance per money, one repair after another, each with its proof, and handing
    /// back at the place where that costs least. Greedy; exact when every repair ends one cause.
    /// </summary>
    /// <param name="board">The case.</param>
    /// <param name="still">Chance per cause that it is there; need not add up to 1. Not changed.</param>
    /// <param name="unknown">Chance that it is not in the book, on the same scale.</param>
    /// <param name="open">What is open, as bits: saved on the first repair only, since its proof shuts all.</param>
    /// <param name="left">Per repair: how often it can be made yet.</param>
    /// <returns>Money times the total chance given.</returns>
    public static double Cost(PlanBoard board, ReadOnlySpan<double> still, double unknown, int open, byte[] left)
    {
        Span<double> p = stackalloc double[still.Length];
        still.CopyTo(p);
        Span<double> gain = stackalloc double[board.PerCost.Length];
        Span<byte> times = stackalloc byte[board.Menders.Length];
        for (var m = 0; m < times.Length; m++)
            times[m] = left[board.Menders[m]];
        var known = Gains(board, p, times, gain);
        var reach = known + unknown;
        double spent = 0;
        var least = reach * board.HandBack;
        while (true)
        {
            var best = open == 0 ? BestShut(board, gain) : BestOpen(board, gain, open);
            if (best < 0)
                return least;
            spent += reach * board.CostOfRepair(board.Menders[best], open);
            var won = gain[best];
            reach -= won;
            known -= won;
            least = Math.Min(least, spent + (reach * board.HandBack));
            // What is left to gain cannot pay for what is spent by now: a later place to stop is no better.
            if (spent + ((reach - known) * board.HandBack) >= least)
                return least;
            Make(board, best, p, gain);
            if (--times[best] == 0)
                gain[best] = NotToBeHad;
            open = 0;
        }
    }

    private static double Gains(PlanBoard board, ReadOnlySpan<double> p, ReadOnlySpan<byte> times, Span<double> gain)
    {
        gain[times.Length..].Clear();
        for (var m = 0; m < times.Length; m++)
            gain[m] = times[m] > 0 ? 0 : NotToBeHad;
        double known = 0;
        for (var c = 0; c < p.Length; c++)
        {
            known += p[c];
            if (p[c] <= 0)
                continue;
            foreach (var (mender, chance) in board.FixedBy[c])
                if (gain[mender] >= 0)
                    gain[mender] += p[c] * chance;
        }

        return known;
    }

    // The most gain per money when all is shut; -1 when nothing can be gained.
    private static int BestShut(PlanBoard board, Span<double> gain)
    {
        while (true)
        {
            var most = Vector<double>.Zero;
            for (var m = 0; m < gain.Length; m += Vector<double>.Count)
                most = Vector.Max(most, new Vector<double>(gain[m..]) * new Vector<double>(board.PerCost.AsSpan(m)));
            double top = 0;
            for (var i = 0; i < Vector<double>.Count; i++)
                top = Math.Max(top, most[i]);
            if (top <= 0)
                return -1;
            var best = 0;
            while (gain[best] * board.PerCost[best] != top)
                best++;
            if (gain[best] > Nothing)
                return best;
            gain[best] = NotToBeHad;
        }
    }

    private static int BestOpen(PlanBoard board, ReadOnlySpan<double> gain, int open)
    {
        var best = -1;
        double bestRatio = 0;
        for (var m = 0; m < board.Menders.Length; m++)
        {
            if (gain[m] <= Nothing)
                continue;
            var ratio = gain[m] / board.CostOfRepair(board.Menders[m], open);
            if (ratio > bestRatio)
                (best, bestRatio) = (m, ratio);
        }

        return best;
    }

    private static void Make(PlanBoard board, int mender, Span<double> p, Span<double> gain)
    {
        foreach (var (cause, chance) in board.Fixes[board.Menders[mender]])
        {
            var ended = p[cause] * chance;
            p[cause] -= ended;
            foreach (var (other, share) in board.FixedBy[cause])
                if (gain[other] >= 0)
                    gain[other] -= ended * share;
        }
    }
}
