namespace SideBench.Core.Diagnosis;

/// <summary>What it still costs to mend without looking further: one repair after another, or handing back.</summary>
internal static class MendingOrder
{
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
        Span<double> gain = stackalloc double[left.Length];
        Span<byte> times = stackalloc byte[left.Length];
        left.CopyTo(times);
        var known = Gains(board, p, left, gain);
        var reach = known + unknown;
        double spent = 0;
        var least = reach * board.HandBack;
        while (true)
        {
            var (best, cost) = Best(board, gain, open);
            if (best < 0)
                return least;
            spent += reach * cost;
            var won = gain[best];
            reach -= won;
            known -= won;
            least = Math.Min(least, spent + (reach * board.HandBack));
            // What is left to gain cannot pay for what is spent by now: a later place to stop is no better.
            if (spent + ((reach - known) * board.HandBack) >= least)
                return least;
            Make(board, best, p, gain);
            if (--times[best] == 0)
                gain[best] = -1;
            open = 0;
        }
    }

    private static double Gains(PlanBoard board, ReadOnlySpan<double> p, byte[] left, Span<double> gain)
    {
        foreach (var r in board.Menders)
            gain[r] = left[r] > 0 ? 0 : -1;
        double known = 0;
        for (var c = 0; c < p.Length; c++)
        {
            known += p[c];
            if (p[c] <= 0)
                continue;
            foreach (var (repair, chance) in board.FixedBy[c])
                if (gain[repair] >= 0)
                    gain[repair] += p[c] * chance;
        }

        return known;
    }

    private static (int Best, double Cost) Best(PlanBoard board, ReadOnlySpan<double> gain, int open)
    {
        var best = -1;
        double bestRatio = 0;
        foreach (var r in board.Menders)
        {
            if (gain[r] <= 1e-12)
                continue;
            var ratio = open == 0 ? gain[r] * board.PerCost[r] : gain[r] / board.CostOfRepair(r, open);
            if (ratio > bestRatio)
                (best, bestRatio) = (r, ratio);
        }

        return (best, best < 0 ? 0 : board.CostOfRepair(best, open));
    }

    private static void Make(PlanBoard board, int repair, Span<double> p, Span<double> gain)
    {
        foreach (var (cause, chance) in board.Fixes[repair])
        {
            var ended = p[cause] * chance;
            p[cause] -= ended;
            foreach (var (other, share) in board.FixedBy[cause])
                if (gain[other] >= 0)
                    gain[other] -= ended * share;
        }
    }
}
