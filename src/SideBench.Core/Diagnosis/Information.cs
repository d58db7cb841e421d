namespace SideBench.Core.Diagnosis;

/// <summary>What a step can tell or mend as the odds stand.</summary>
public static class Information
{
    /// <summary>How much a finding tells on average, bits: the mutual information of its answer and the cause.</summary>
    /// <param name="f">Index of the finding.</param>
    /// <param name="odds">The odds.</param>
    /// <returns>0 when it can tell nothing.</returns>
    public static double Bits(int f, Posterior odds)
    {
        double bits = 0;
        var finding = odds.Book.Findings[f];
        for (var o = 0; o < finding.Outcomes.Count; o++)
        {
            var chance = Chance(f, o, odds);
            if (chance <= 0)
                continue;
            for (var c = 0; c < odds.Still.Length; c++)
                bits += Term(odds.Still[c], odds.Book.Likelihood[f][c][o], chance);
            bits += Term(odds.Unknown, odds.Book.Unknown[f][o], chance) + Term(odds.Fixed, finding.Sound[o], chance);
        }

        return bits;
    }

    /// <summary>Chance of an answer as the odds stand.</summary>
    /// <param name="f">Index of the finding.</param>
    /// <param name="o">Index of the answer.</param>
    /// <param name="odds">The odds.</param>
    public static double Chance(int f, int o, Posterior odds)
    {
        var chance = (odds.Unknown * odds.Book.Unknown[f][o]) + (odds.Fixed * odds.Book.Findings[f].Sound[o]);
        for (var c = 0; c < odds.Still.Length; c++)
            chance += odds.Still[c] * odds.Book.Likelihood[f][c][o];
        return chance;
    }

    /// <summary>Chance that a repair ends the fault that is there now.</summary>
    /// <param name="r">Index of the repair.</param>
    /// <param name="odds">The odds.</param>
    public static double FixChance(int r, Posterior odds)
    {
        double chance = 0;
        for (var c = 0; c < odds.Still.Length; c++)
            chance += odds.Still[c] * odds.Book.FixChance[r][c];
        return chance;
    }

    private static double Term(double weight, double likelihood, double chance) =>
        weight > 0 && likelihood > 0 ? weight * likelihood * Math.Log2(likelihood / chance) : 0;
}
