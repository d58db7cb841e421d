namespace SideBench.Core.Diagnosis;

/// <summary>
/// A second fault behind the one that a repair ended. When a repair may have ended cause A, the pairs "A was there, and B
/// still is" come in at the house's rate, with all that was told before weighed under both: an answer that speaks of trouble
/// shows when either fault shows it. So evidence that A explained does not speak against B.
/// </summary>
internal sealed class SecondFaults(CaseBook book)
{
    private readonly List<(int Finding, int Outcome, double[] Factor)> told = [];
    private readonly Dictionary<int, double[]> pairs = [];
    private double[] start = [];

    /// <summary>Keeps the log weights before any answer.</summary>
    public void Start(double[] logWeights) => start = (double[])logWeights.Clone();

    /// <summary>Adds an answer: with A gone, only B shows in it.</summary>
    public void Tell(int finding, int outcome, double[] factor)
    {
        told.Add((finding, outcome, factor));
        foreach (var pair in pairs.Values)
            for (var b = 0; b < pair.Length; b++)
                pair[b] += Math.Log(factor[b]);
    }

    /// <summary>A repair: it may end a B of the pairs there are, and it brings in the pairs of every A it may have ended.</summary>
    /// <param name="repair">The repair.</param>
    /// <param name="odds">The odds before it.</param>
    /// <param name="mended">Log weights of mended causes; what ends in a pair is added.</param>
    public void Work(int repair, double[] odds, double[] mended)
    {
        var fix = book.FixChance[repair];
        foreach (var (a, pair) in pairs)
            for (var b = 0; b < pair.Length; b++)
            {
                if (fix[b] <= 0)
                    continue;
                mended[a] = PosteriorRun.LogSum(mended[a], pair[b] + Math.Log(fix[b]));
                pair[b] += Math.Log(1 - fix[b]);
            }

        for (var a = 0; a < fix.Length; a++)
            if (fix[a] > 0 && odds[a] >= book.Book.House.LeastToPair && !pairs.ContainsKey(a))
                pairs[a] = PairsOf(a, fix);
    }

    /// <summary>Adds the pairs to the log weights of what is there still.</summary>
    public void AddTo(double[] still)
    {
        foreach (var pair in pairs.Values)
            for (var b = 0; b < still.Length; b++)
                still[b] = PosteriorRun.LogSum(still[b], pair[b]);
    }

    private double[] PairsOf(int a, double[] fix)
    {
        var total = start.Aggregate(PosteriorRun.LogSum);
        var pair = new double[start.Length];
        for (var b = 0; b < pair.Length; b++)
        {
            // The repair that ended A may have ended B with it.
            pair[b] =
                b == a
                    ? double.NegativeInfinity
                    : start[a] + Math.Log(fix[a]) + Math.Log(book.Book.House.SecondFault) + start[b] - total + Math.Log(1 - fix[b]);
            foreach (var (f, o, factor) in told)
                pair[b] += Math.Log(Either(f, o, factor[a], factor[b], a, b));
        }

        return pair;
    }

    // Both show the sound answer, or either shows trouble; two troubles at once show either.
    private double Either(int f, int o, double likelyA, double likelyB, int a, int b)
    {
        var sound = book.SoundOutcome[f];
        if (o == sound)
            return likelyA * likelyB;
        var soundA = book.Likelihood[f][a][sound];
        var soundB = book.Likelihood[f][b][sound];
        return (likelyA * (1 + soundB) / 2) + (likelyB * (1 + soundA) / 2);
    }
}
