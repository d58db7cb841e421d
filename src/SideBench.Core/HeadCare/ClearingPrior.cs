namespace SideBench.Core.HeadCare;

/// <summary>What is known of a method on a head of this kind before anything was tried on it: a beta distribution.</summary>
/// <param name="Alpha">Its first parameter.</param>
/// <param name="Beta">Its second parameter.</param>
public readonly record struct ClearingPrior(double Alpha, double Beta)
{
    /// <summary>Chance that a nozzle which can clear does so at one application.</summary>
    public double Mean => Alpha / (Alpha + Beta);

    /// <summary>The prior of one method on one channel.</summary>
    /// <param name="head">The channel.</param>
    /// <param name="method">The method.</param>
    /// <param name="numbers">House numbers.</param>
    /// <returns>Null when the house has no chance for this kind of head and method.</returns>
    public static ClearingPrior? Of(HeadHistory head, string method, HeadCareNumbers numbers)
    {
        if (!numbers.Chances.TryGetValue(head.Kind, out var chances) || !chances.TryGetValue(method, out var mean))
            return null;
        mean *= Idle(head.IdleWeeks, numbers) * (IsRun(head.First, numbers.RunFrom) ? numbers.RunFactor : 1);
        var sd = mean < numbers.SmallChance ? mean / 2 : numbers.ChanceSd;
        var weight = (mean * (1 - mean) / (sd * sd)) - 1;
        return new ClearingPrior(mean * weight, (1 - mean) * weight);
    }

    private static double Idle(double weeks, HeadCareNumbers numbers)
    {
        var months = weeks / numbers.WeeksPerMonth;
        return Math.Min(1, Math.Max(numbers.IdleLeast, 1 - (numbers.IdlePerMonth * (months - 1))));
    }

    /// <summary>Whether most of the missing nozzles stand in unbroken runs.</summary>
    /// <param name="missing">Missing nozzles.</param>
    /// <param name="from">So many neighbours are a run.</param>
    public static bool IsRun(IReadOnlySet<int> missing, int from)
    {
        var inRuns = 0;
        foreach (var start in missing.Where(n => !missing.Contains(n - 1)))
        {
            var length = 1;
            while (missing.Contains(start + length))
                length++;
            inRuns += length >= from ? length : 0;
        }

        return inRuns > 0 && 2 * inRuns >= missing.Count;
    }
}
