using SideBench.Core.Outcomes;

namespace SideBench.Packs;

/// <summary>Turns likelihood words into probabilities that add up to 1.</summary>
internal static class OddsReader
{
    // Words are coarse, so a full row may miss 1 by this much and is then scaled; more is a mistake in the book.
    private const double LowestSum = 0.75;
    private const double HighestSum = 1.25;

    /// <summary>
    /// Probabilities per outcome. Outcomes without a word share what the words leave; with a word for each, they are scaled.
    /// </summary>
    /// <param name="outcomes">The finding's outcomes in order.</param>
    /// <param name="odds">Words by outcome.</param>
    /// <param name="scale">The scale of words.</param>
    public static Outcome<double[]> Of(
        IReadOnlyList<string> outcomes,
        IReadOnlyDictionary<string, string> odds,
        IReadOnlyDictionary<string, double> scale,
        string path
    )
    {
        var problems = odds
            .Keys.Except(outcomes)
            .Select(name => new Problem(ProblemCode.PackUnknownName, $"{path}/{name}", "answer", name))
            .ToList();
        problems.AddRange(
            odds.Where(o => !scale.ContainsKey(o.Value))
                .Select(o => new Problem(ProblemCode.PackUnknownName, $"{path}/{o.Key}", "word", o.Value))
        );
        if (problems.Count > 0)
            return problems;
        var row = outcomes.Select(o => odds.TryGetValue(o, out var word) ? scale[word] : double.NaN).ToArray();
        var sum = row.Where(p => !double.IsNaN(p)).Sum();
        var open = row.Count(double.IsNaN);
        var fits = open == 0 ? sum is >= LowestSum and <= HighestSum : sum < 1;
        if (!fits)
            return new Problem(ProblemCode.PackImpossibleOdds, path, Math.Round(sum, 2));
        for (var i = 0; i < row.Length; i++)
            row[i] =
                double.IsNaN(row[i]) ? (1 - sum) / open
                : open == 0 ? row[i] / sum
                : row[i];
        return row;
    }
}
