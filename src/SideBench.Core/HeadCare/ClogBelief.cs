using MathNet.Numerics;
using MathNet.Numerics.Distributions;

namespace SideBench.Core.HeadCare;

/// <summary>
/// What is known of a clog: how many of the missing nozzles can clear at all, and how easily by each method. Exact: the share that never
/// clears and each method's chance are integrated away, which leaves a sum over how many of the missing ones can clear.
/// </summary>
internal sealed class ClogBelief
{
    // A prime number of even steps of each chance, each method in an order of its own: together they stand for all chances at once.
    private const int Samples = 41;
    private static readonly int[] Strides = [1, 18, 11, 25, 7, 31, 15];
    private const double Least = 1e-6;
    private readonly Dictionary<(string, double, double), double[]> passed = [];
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

    /// <summary>Whether the house has a chance for a method on this kind of head.</summary>
    public bool Knows(string method) => ClearingPrior.Of(head, method, numbers) is not null;

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

    /// <summary>Chance that no more than some are missing after more applications.</summary>
    /// <param name="times">How often each of some methods is applied; the house has a chance for each.</param>
    /// <param name="most">So many may be missing.</param>
    public double AtMostAfter(IReadOnlyList<(string Method, int Times)> times, int most = 0)
    {
        var missing = head.Missing.Count;
        if (missing <= most)
            return 1;
        var sum = 0.0;
        foreach (var (weight, canClear, past) in cases)
            if (canClear >= missing - most)
                sum +=
                    weight * Left(times, [.. past.Select(p => (double)p)]).Average(left => Few(canClear, left, most - missing + canClear));
        return sum;
    }

    /// <summary>Chances of how many are missing after more applications, from none to all that are missing now.</summary>
    /// <param name="times">How often each of some methods is applied; the house has a chance for each.</param>
    public double[] MissingAfter(IReadOnlyList<(string Method, int Times)> times)
    {
        var chances = new double[head.Missing.Count + 1];
        // Those with as many that can clear are laid together: what went by in vain differs little among them.
        foreach (var alike in cases.GroupBy(c => c.CanClear))
        {
            var (weight, canClear) = (alike.Sum(c => c.Weight), alike.Key);
            if (weight < Least)
                continue;
            double[] past = [.. priors.Select((_, m) => alike.Sum(c => c.Weight * c.Past[m]) / weight)];
            foreach (var left in Left(times, past))
            {
                var one = Binomials(canClear, left);
                for (var k = 0; k <= canClear; k++)
                    chances[head.Missing.Count - canClear + k] += weight / Samples * one[k];
            }
        }

        return chances;
    }

    private static double[] Binomials(int of, double chance)
    {
        var one = new double[of + 1];
        if (chance > 0.5)
        {
            one = Binomials(of, 1 - chance);
            Array.Reverse(one);
            return one;
        }

        one[0] = Math.Pow(1 - chance, of);
        for (var k = 1; k <= of; k++)
            one[k] = one[k - 1] * chance / (1 - chance) * (of - k + 1) / k;
        return one;
    }

    // Chance that at most so many of those that can clear are left.
    private static double Few(int canClear, double left, int most)
    {
        var sum = Math.Pow(1 - left, canClear);
        for (var k = 1; k <= most; k++)
            sum += Binomial.PMF(left, canClear, k);
        return sum;
    }

    // Chance that a nozzle which can clear is missing still, sample by sample.
    private double[] Left(IReadOnlyList<(string Method, int Times)> times, double[] past)
    {
        var logs = new double[Samples];
        for (var m = 0; m < times.Count; m++)
        {
            if (times[m].Times == 0)
                continue;
            var one = Passed(times[m].Method, past, Strides[m % Strides.Length]);
            for (var i = 0; i < Samples; i++)
                logs[i] += times[m].Times * one[i];
        }

        for (var i = 0; i < Samples; i++)
            logs[i] = Math.Exp(logs[i]);
        return logs;
    }

    // Logarithm of the chance that one application passes a nozzle by: even steps of its beta distribution, kept.
    private double[] Passed(string method, double[] past, int stride)
    {
        var (alpha, beta) = Now(method, past);
        if (!passed.TryGetValue((method, alpha, beta), out var steps))
        {
            var even = EvenSteps.Of(alpha, beta, Samples);
            passed[(method, alpha, beta)] = steps = [.. Enumerable.Range(0, Samples).Select(i => Math.Log(1 - even[i * stride % Samples]))];
        }

        return steps;
    }

    private (double Alpha, double Beta) Now(string method, double[] past)
    {
        var at = tally.Methods.ToList().IndexOf(method);
        if (at >= 0)
            return (priors[at].Alpha + tally.Hits[at], priors[at].Beta + tally.Misses[at] + past[at]);
        var prior = ClearingPrior.Of(head, method, numbers)!.Value;
        return (prior.Alpha, prior.Beta);
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
