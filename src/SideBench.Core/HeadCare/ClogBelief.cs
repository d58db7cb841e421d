using MathNet.Numerics;
using MathNet.Numerics.Distributions;

namespace SideBench.Core.HeadCare;

/// <summary>
/// What is known of a clog: how many of the missing nozzles can clear at all, and how easily by each method. Exact: the share that never
/// clears and each method's chance are integrated away, which leaves a sum over how many of the missing ones can clear.
/// </summary>
internal sealed class ClogBelief
{
    // Even steps of a chance, by how many methods are applied: a plan asks for hundreds of ways on.
    private static readonly int[] Steps = [1, 24, 14, 8, 5];
    private readonly Dictionary<(double, double, int), double[]> steps = [];
    private readonly HeadHistory head;
    private readonly HeadCareNumbers numbers;
    private readonly CloggedTally tally;
    private readonly ClearingPrior[] priors;
    private readonly List<(double Weight, int CanClear, int[] Past)> cases = [];

    private ClogBelief(HeadHistory head, HeadCareNumbers numbers, CloggedTally tally, ClearingPrior[] priors)
    {
        (this.head, this.numbers, this.tally, this.priors) = (head, numbers, tally, priors);
        Spread(0, 0, 0, new int[priors.Length], 0);
        var top = cases.Max(c => c.Weight);
        var sum = cases.Sum(c => Math.Exp(c.Weight - top));
        LogEvidence = top + Math.Log(sum) + (tally.Slips * Math.Log(numbers.Slip)) + (tally.Held * Math.Log(1 - numbers.Slip));
        for (var i = 0; i < cases.Count; i++)
            cases[i] = cases[i] with { Weight = Math.Exp(cases[i].Weight - top) / sum };
    }

    /// <summary>How well a clog explains the sheets, as a logarithm.</summary>
    public double LogEvidence { get; }

    /// <summary>Null when the house has no chance for a method that was applied.</summary>
    public static ClogBelief? Of(HeadHistory head, HeadCareNumbers numbers)
    {
        var tally = CloggedTally.Of(head);
        var priors = tally.Methods.Select(m => ClearingPrior.Of(head, m, numbers)).ToList();
        return priors.Contains(null) ? null : new ClogBelief(head, numbers, tally, [.. priors.Select(p => p!.Value)]);
    }

    /// <summary>Chances of how many of the missing nozzles come back at one more application, from none to all.</summary>
    /// <returns>Null when the house has no chance for the method.</returns>
    public double[]? Next(string method)
    {
        var at = tally.Methods.ToList().IndexOf(method);
        if ((at >= 0 ? priors[at] : ClearingPrior.Of(head, method, numbers)) is not { } prior)
            return null;
        var back = new double[head.Missing.Count + 1];
        foreach (var (weight, canClear, past) in cases)
        {
            var (alpha, beta) =
                at < 0 ? (prior.Alpha, prior.Beta) : (prior.Alpha + tally.Hits[at], prior.Beta + tally.Misses[at] + past[at]);
            var chance = Math.Exp(SpecialFunctions.BetaLn(alpha, beta + canClear) - SpecialFunctions.BetaLn(alpha, beta));
            for (var k = 0; k <= canClear; k++)
            {
                back[k] += weight * chance;
                chance *= (canClear - k) / (k + 1.0) * (alpha + k) / Math.Max(1e-300, beta + canClear - k - 1);
            }
        }

        return back;
    }

    /// <summary>Chance that none is missing after some more applications.</summary>
    /// <param name="times">How often each of some methods is applied.</param>
    public double CompleteAfter(IReadOnlyList<(string Method, int Times)> times)
    {
        var missing = head.Missing.Count;
        if (missing == 0)
            return 1;
        var all = cases.Where(c => c.CanClear == missing).ToList();
        var some = times.Where(t => t.Times > 0).ToList();
        var fine = Steps[Math.Min(some.Count, Steps.Length - 1)];
        return all.Sum(c => c.Weight * Cleared(missing, some, c.Past, fine, 0, 1));
    }

    // Every missing nozzle can clear: each is still missing when every application passed it by. Methods are even steps of their chance.
    private double Cleared(int missing, List<(string Method, int Times)> times, int[] past, int fine, int from, double left)
    {
        if (from == times.Count)
            return Math.Pow(1 - left, missing);
        var (alpha, beta) = Now(times[from].Method, past);
        var sum = 0.0;
        foreach (var chance in EvenSteps(alpha, beta, fine))
            sum += Cleared(missing, times, past, fine, from + 1, left * Math.Pow(1 - chance, times[from].Times));
        return sum / fine;
    }

    private (double Alpha, double Beta) Now(string method, int[] past)
    {
        var at = tally.Methods.ToList().IndexOf(method);
        if (at >= 0)
            return (priors[at].Alpha + tally.Hits[at], priors[at].Beta + tally.Misses[at] + past[at]);
        var prior = ClearingPrior.Of(head, method, numbers)!.Value;
        return (prior.Alpha, prior.Beta);
    }

    // The middles of equally likely parts of a beta distribution, kept: they are asked for again and again.
    private double[] EvenSteps(double alpha, double beta, int fine)
    {
        if (!steps.TryGetValue((alpha, beta, fine), out var even))
            steps[(alpha, beta, fine)] = even = [.. Enumerable.Range(0, fine).Select(i => Beta.InvCDF(alpha, beta, (i + 0.5) / fine))];
        return even;
    }

    // Group by group: so many of it can clear, the rest never will.
    private void Spread(int group, int canClear, int stuck, int[] past, double ways)
    {
        if (group == tally.Still.Count)
        {
            var weight = ways + LogShare(stuck, tally.Cleared + canClear);
            for (var m = 0; m < priors.Length; m++)
            {
                var (a, b) = (priors[m].Alpha, priors[m].Beta);
                weight += SpecialFunctions.BetaLn(a + tally.Hits[m], b + tally.Misses[m] + past[m]) - SpecialFunctions.BetaLn(a, b);
            }

            if (weight > double.NegativeInfinity)
                cases.Add((weight, canClear, past));
            return;
        }

        var still = tally.Still[group];
        for (var j = 0; j <= still.Count; j++)
        {
            var then = past.Zip(still.Past, (sum, times) => sum + (j * times)).ToArray();
            Spread(group + 1, canClear + j, stuck + still.Count - j, then, ways + SpecialFunctions.BinomialLn(still.Count, j));
        }
    }

    // The share that never clears, integrated: none at all on some heads, else beta.
    private double LogShare(int stuck, int clears)
    {
        var (a, b) = (numbers.StuckAlpha, numbers.StuckBeta);
        var some = (1 - numbers.NoneStuck) * Math.Exp(SpecialFunctions.BetaLn(a + stuck, b + clears) - SpecialFunctions.BetaLn(a, b));
        return Math.Log(some + (stuck == 0 ? numbers.NoneStuck : 0));
    }
}
