using SideBench.Core.Logbook;

namespace SideBench.Core.Diagnosis;

/// <summary>What it still costs, on average, until a fix is verified or the machine is handed back.</summary>
internal sealed class ExpectedCost
{
    private readonly CaseBook book;
    private readonly double[] repairCost;
    private readonly bool[] held;
    private readonly Func<CaseEvent.Told, bool[]> heldAfter;
    private readonly double handBack;

    /// <summary>Prepares for a case.</summary>
    /// <param name="book">The book.</param>
    /// <param name="held">Per repair: whether it is not to be had now.</param>
    /// <param name="heldAfter">The same after one more answer: an answer may lift or set a gate.</param>
    public ExpectedCost(CaseBook book, bool[] held, Func<CaseEvent.Told, bool[]> heldAfter)
    {
        this.book = book;
        this.held = held;
        this.heldAfter = heldAfter;
        handBack = book.Book.House.HandBack;
        repairCost = new double[book.Repairs.Count];
        for (var r = 0; r < repairCost.Length; r++) repairCost[r] = WithProof(r);
    }

    /// <summary>Cost of a repair together with its proof, money.</summary>
    public double WithProof(int repair)
    {
        var proof = book.ProofOf[repair];
        return book.StepCost[book.Repairs[repair].Id] + (proof < 0 ? 0 : book.StepCost[book.Findings[proof].Id]);
    }

    /// <summary>
    /// Expected cost of mending by the best chance per money, one repair after another, each with its proof, and handing
    /// back at the place where that costs least. Greedy; exact when every repair ends one cause.
    /// </summary>
    /// <param name="still">Chance per cause that it is there; need not add up to 1. Not changed.</param>
    /// <param name="unknown">Chance that it is not in the book, on the same scale.</param>
    /// <returns>Money times the total chance given.</returns>
    public double Of(ReadOnlySpan<double> still, double unknown) => Of(still, unknown, held);

    private double Of(ReadOnlySpan<double> still, double unknown, bool[] heldThen)
    {
        Span<double> p = stackalloc double[still.Length];
        still.CopyTo(p);
        Span<bool> used = stackalloc bool[heldThen.Length];
        var reach = unknown;
        foreach (var chance in p) reach += chance;
        double spent = 0;
        var least = reach * handBack;
        while (true)
        {
            var (best, gain, all) = BestByCost(p, used, heldThen);
            if (best < 0) return least;
            used[best] = true;
            spent += reach * repairCost[best];
            reach -= gain;
            least = Math.Min(least, spent + (reach * handBack));
            // What is left to gain cannot pay for what is spent by now: a later place to stop is no better.
            if (spent + ((reach - all + gain) * handBack) >= least) return least;
            var fix = book.FixChance[best];
            for (var c = 0; c < fix.Length; c++) p[c] *= 1 - fix[c];
        }
    }

    // The repair with the most chance per cost, its gain, and what all repairs could still gain at most.
    private (int Best, double Gain, double All) BestByCost(ReadOnlySpan<double> p, ReadOnlySpan<bool> used, bool[] heldThen)
    {
        var best = -1;
        double bestRatio = 0, bestGain = 0, all = 0;
        for (var r = 0; r < heldThen.Length; r++)
        {
            if (used[r] || heldThen[r]) continue;
            var row = book.FixChance[r];
            double gain = 0;
            for (var c = 0; c < row.Length; c++) gain += p[c] * row[c];
            all += gain;
            var ratio = gain / repairCost[r];
            if (ratio > bestRatio) (best, bestRatio, bestGain) = (r, ratio, gain);
        }

        return (best, bestGain, all);
    }

    /// <summary>Expected cost when this finding is made first, then the best repairs for each answer.</summary>
    public double AfterFinding(int f, Posterior odds)
    {
        var cost = book.StepCost[book.Findings[f].Id];
        var opensGate = book.GateFindings.Contains(book.Findings[f].Id);
        Span<double> p = stackalloc double[odds.Still.Length];
        for (var o = 0; o < book.Findings[f].Outcomes.Count; o++)
        {
            for (var c = 0; c < p.Length; c++) p[c] = odds.Still[c] * book.Likelihood[f][c][o];
            var then = opensGate ? heldAfter(new CaseEvent.Told(book.Findings[f].Id, book.Findings[f].Outcomes[o].Id, 0)) : held;
            cost += Of(p, odds.Unknown * book.Unknown[f][o], then);
        }

        return cost;
    }

    /// <summary>Expected cost when this repair is made first, with its proof. It is not counted on a second time.</summary>
    public double AfterRepair(int r, Posterior odds)
    {
        Span<double> p = stackalloc double[odds.Still.Length];
        for (var c = 0; c < p.Length; c++) p[c] = odds.Still[c] * (1 - book.FixChance[r][c]);
        var then = (bool[])held.Clone();
        then[r] = true;
        return repairCost[r] + Of(p, odds.Unknown, then);
    }

    /// <summary>Chance that a repair ends the fault that is there now.</summary>
    public double FixChance(int r, Posterior odds)
    {
        double gain = 0;
        for (var c = 0; c < odds.Still.Length; c++) gain += odds.Still[c] * book.FixChance[r][c];
        return gain;
    }

    /// <summary>How much a finding can tell about which cause it is, bits.</summary>
    public double Bits(int f, Posterior odds)
    {
        double bits = 0;
        var finding = book.Findings[f];
        for (var o = 0; o < finding.Outcomes.Count; o++)
        {
            var chance = Chance(f, o, odds);
            if (chance <= 0) continue;
            for (var c = 0; c < odds.Still.Length; c++) bits += Term(odds.Still[c], book.Likelihood[f][c][o], chance);
            bits += Term(odds.Unknown, book.Unknown[f][o], chance) + Term(odds.Fixed, finding.Sound[o], chance);
        }

        return bits;
    }

    /// <summary>Chance of an answer as the odds stand.</summary>
    public double Chance(int f, int o, Posterior odds)
    {
        var chance = (odds.Unknown * book.Unknown[f][o]) + (odds.Fixed * book.Findings[f].Sound[o]);
        for (var c = 0; c < odds.Still.Length; c++) chance += odds.Still[c] * book.Likelihood[f][c][o];
        return chance;
    }

    private static double Term(double weight, double likelihood, double chance) =>
        weight > 0 && likelihood > 0 ? weight * likelihood * Math.Log2(likelihood / chance) : 0;
}
