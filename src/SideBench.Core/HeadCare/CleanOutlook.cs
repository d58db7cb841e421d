namespace SideBench.Core.HeadCare;

/// <summary>What one more application of a method would bring.</summary>
/// <param name="Back">Chances of how many of the missing nozzles are back after it, from none to all.</param>
/// <param name="Complete">Chance that none is missing after it, 0 to 1.</param>
public sealed record NextApplication(IReadOnlyList<double> Back, double Complete)
{
    /// <summary>The number with as much above it as below.</summary>
    public int Best => Quantile(0.5);

    /// <summary>The number of nozzles that is not passed with this chance.</summary>
    /// <param name="share">0 to 1.</param>
    public int Quantile(double share)
    {
        var sum = 0.0;
        for (var k = 0; k < Back.Count; k++)
        {
            sum += Back[k];
            if (sum >= share)
                return k;
        }

        return Back.Count - 1;
    }
}

/// <summary>
/// What is behind a channel's missing nozzles, and what one more clean, rest, soak or flush would bring, learnt from every pair of sheets
/// of this head: a clog, air and starvation are weighed by how well each explains them. House default: the priors of the packs.
/// </summary>
public sealed class CleanOutlook
{
    private readonly HeadHistory head;
    private readonly HeadCareNumbers numbers;
    private readonly ClogBelief clog;
    private readonly AirBelief air;
    private readonly Dictionary<string, NextApplication?> next = [];
    private double[]? ifAir;

    private CleanOutlook(HeadHistory head, HeadCareNumbers numbers, ClogBelief clog, AirBelief air)
    {
        (this.head, this.numbers, this.clog, this.air) = (head, numbers, clog, air);
        var prior = head.Refilled ? numbers.PriorRefilled : numbers.Prior;
        double[] logs =
        [
            Math.Log(prior.Clog) + clog.LogEvidence,
            Math.Log(prior.Air) + air.LogEvidence,
            Math.Log(prior.Starved) + StarvedEvidence.Of(head, numbers),
        ];
        var odds = logs.Select(l => Math.Exp(l - logs.Max())).ToArray();
        Explanation = new ExplanationOdds(odds[0] / odds.Sum(), odds[1] / odds.Sum(), odds[2] / odds.Sum());
    }

    /// <summary>How likely each explanation is now.</summary>
    public ExplanationOdds Explanation { get; }

    /// <summary>The outlook of a channel.</summary>
    /// <param name="head">The channel and its sheets.</param>
    /// <param name="numbers">House numbers.</param>
    /// <returns>Null when the house has no chance for its kind of head, or for a method that was applied.</returns>
    public static CleanOutlook? Of(HeadHistory head, HeadCareNumbers numbers) =>
        ClogBelief.Of(head, numbers) is { } clog ? new CleanOutlook(head, numbers, clog, AirBelief.Of(head, numbers)) : null;

    /// <summary>What one more application would bring.</summary>
    /// <param name="method">The method.</param>
    /// <returns>Null when the house has no chance for it on this kind of head.</returns>
    public NextApplication? Next(string method)
    {
        if (!next.TryGetValue(method, out var known))
            next[method] = known = Applied(method);
        return known;
    }

    private NextApplication? Applied(string method)
    {
        if (clog.Next(method) is not { } ifClog)
            return null;
        if (Explanation.Clog == 1)
            return new NextApplication(ifClog, ifClog[^1]);
        ifAir ??= air.Next();
        var back = new double[ifClog.Length];
        for (var k = 0; k < back.Length; k++)
            back[k] = (Explanation.Clog * ifClog[k]) + (Explanation.Air * ifAir[k]);
        // What is starved brings nothing back, whatever is done to the head.
        back[0] += Explanation.Starved;
        return new NextApplication(
            back,
            (Explanation.Clog * ifClog[^1]) + (Explanation.Air * air.Complete()) + (head.Missing.Count == 0 ? Explanation.Starved : 0)
        );
    }

    /// <summary>Chance that the channel is complete on one of the sheets after some more applications.</summary>
    /// <param name="times">How often each method is applied.</param>
    internal double CompleteAfter(IReadOnlyList<(string Method, int Times)> times) =>
        head.Missing.Count == 0
            ? 1
            : (Explanation.Clog * clog.AtMostAfter(times))
                + (Explanation.Air * (1 - Math.Pow(1 - air.Complete(), times.Sum(t => t.Times))));

    /// <summary>
    /// Chance that no more than some are missing after more applications, and stay clear: a complete sheet that air left by luck
    /// does not count.
    /// </summary>
    /// <param name="times">How often each method is applied.</param>
    /// <param name="most">So many may be missing.</param>
    internal double ClearedAfter(IReadOnlyList<(string Method, int Times)> times, int most) =>
        Missing <= most ? 1 : Explanation.Clog * clog.AtMostAfter(times, most);

    /// <summary>Chances of how many are missing after more applications, from none to all; what no clean mends stays as it is.</summary>
    /// <param name="times">How often each method is applied.</param>
    internal double[] MissingAfter(IReadOnlyList<(string Method, int Times)> times)
    {
        var chances = clog.MissingAfter(times).Select(c => c * Explanation.Clog).ToArray();
        chances[^1] += 1 - Explanation.Clog;
        return chances;
    }

    /// <summary>The same when the supply was proved: what is left is a clog.</summary>
    internal CleanOutlook SupplyProved() => new(this, new ExplanationOdds(1, 0, 0));

    private CleanOutlook(CleanOutlook from, ExplanationOdds odds) =>
        (head, numbers, clog, air, Explanation) = (from.head, from.numbers, from.clog, from.air, odds);

    /// <summary>What would be known after one more application that brought some back.</summary>
    /// <param name="method">The method.</param>
    /// <param name="back">So many of those missing.</param>
    internal CleanOutlook After(string method, int back)
    {
        var after = head.Missing.Order().Skip(back).ToHashSet();
        var then = head with { Missing = after, Done = [.. head.Done, new Application(method, head.Missing, after)] };
        var outlook = Of(then, numbers)!;
        return Explanation.Clog == 1 ? outlook.SupplyProved() : outlook;
    }

    /// <summary>Whether the house knows what a method does on this kind of head.</summary>
    /// <param name="method">The method.</param>
    internal bool Knows(string method) => clog.Knows(method);

    /// <summary>Nozzles missing now.</summary>
    public int Missing => head.Missing.Count;
}
