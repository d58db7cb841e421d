using MathNet.Numerics;

namespace SideBench.Core.Nozzles;

/// <summary>
/// Draws without putting back: of N nozzles, a were missing before and b are missing now; if the b had nothing to do with the a, how many
/// would be both? Exact, in logarithms.
/// </summary>
public static class Hypergeometric
{
    /// <summary>How many are both on average: a · b / N.</summary>
    public static double Mean(int all, int before, int now) => all == 0 ? 0 : (double)before * now / all;

    /// <summary>Chance that at least so many are both.</summary>
    /// <param name="all">Nozzles, above 0.</param>
    /// <param name="before">Missing before, 0 to all.</param>
    /// <param name="now">Missing now, 0 to all.</param>
    /// <param name="both">From 0.</param>
    public static double AtLeast(int all, int before, int now, int both)
    {
        var (least, most) = (Math.Max(0, before + now - all), Math.Min(before, now));
        if (both <= least)
            return 1;
        var total = SpecialFunctions.BinomialLn(all, now);
        var sum = 0.0;
        for (var k = both; k <= most; k++)
            sum += Math.Exp(SpecialFunctions.BinomialLn(before, k) + SpecialFunctions.BinomialLn(all - before, now - k) - total);
        return Math.Min(1, sum);
    }
}
