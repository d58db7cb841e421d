using SideBench.Core.Diagnosis;

namespace SideBench.Core.Simulation;

/// <summary>A book whose likelihoods are each moved by up to one word: a world that the book describes only roughly.</summary>
public static class DisturbedBook
{
    /// <summary>Moves every word of every likelihood row one down, none or one up, by chance.</summary>
    /// <param name="book">The book, with its words.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static FaultBook Of(FaultBook book, Random chance)
    {
        double[] scale = [.. book.Words.Likelihood.Values.Order()];
        return book with { Findings = [.. book.Findings.Select(f => Moved(f, scale, book.Words.Likelihood, chance))] };
    }

    private static Finding Moved(Finding finding, double[] scale, IReadOnlyDictionary<string, double> words, Random chance) =>
        finding with
        {
            Rows = [.. finding.Rows.Select(r => r with { Probabilities = Row(finding, r.Words, r.Probabilities, scale, words, chance) })],
            Otherwise = Row(finding, finding.OtherwiseWords, finding.Otherwise, scale, words, chance),
        };

    private static double[] Row(
        Finding finding,
        IReadOnlyDictionary<string, string>? named,
        IReadOnlyList<double> row,
        double[] scale,
        IReadOnlyDictionary<string, double> words,
        Random chance
    )
    {
        var moved = new double[row.Count];
        for (var o = 0; o < moved.Length; o++)
        {
            var word = named?.GetValueOrDefault(finding.Outcomes[o].Id);
            var at = word is null ? -1 : Array.IndexOf(scale, words[word]);
            moved[o] = at < 0 ? row[o] : scale[Math.Clamp(at + chance.Next(-1, 2), 0, scale.Length - 1)];
        }

        var sum = moved.Sum();
        return [.. moved.Select(p => p / sum)];
    }
}
