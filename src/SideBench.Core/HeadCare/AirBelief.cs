using MathNet.Numerics.Distributions;

namespace SideBench.Core.HeadCare;

/// <summary>What air in the channel means: at every sheet each nozzle is missing anew with the same chance. Added up on a grid.</summary>
internal sealed class AirBelief
{
    private const int Steps = 120;
    private readonly double[] chances = new double[Steps];
    private readonly double[] weights = new double[Steps];
    private readonly HeadHistory head;

    private AirBelief(HeadHistory head, HeadCareNumbers numbers)
    {
        this.head = head;
        var (from, to) = (numbers.AirChance.From, numbers.AirChance.To);
        var logs = new double[Steps];
        for (var i = 0; i < Steps; i++)
        {
            chances[i] = from + ((to - from) * (i + 0.5) / Steps);
            logs[i] = Log(chances[i], head.First.Count);
        }

        // The first sheet tells how much air there is, and nothing of what it is: every explanation begins with it.
        var before = LogSum(logs);
        foreach (var sheet in Later(head))
            for (var i = 0; i < Steps; i++)
                logs[i] += Log(chances[i], sheet.Count);
        var after = LogSum(logs);
        LogEvidence = after - before;
        for (var i = 0; i < Steps; i++)
            weights[i] = Math.Exp(logs[i] - after);
    }

    /// <summary>How well air explains the sheets, as a logarithm.</summary>
    public double LogEvidence { get; }

    /// <summary>What air in the channel would mean.</summary>
    public static AirBelief Of(HeadHistory head, HeadCareNumbers numbers) => new(head, numbers);

    /// <summary>Chances of how many of the missing nozzles are there on the next sheet, from none to all.</summary>
    public double[] Next()
    {
        var missing = head.Missing.Count;
        var back = new double[missing + 1];
        for (var i = 0; i < Steps; i++)
        {
            for (var k = 0; k <= missing; k++)
                back[k] += weights[i] * Binomial.PMF(1 - chances[i], missing, k);
        }

        return back;
    }

    /// <summary>Chance that the next sheet is complete.</summary>
    public double Complete()
    {
        var sum = 0.0;
        for (var i = 0; i < Steps; i++)
            sum += weights[i] * Math.Pow(1 - chances[i], head.Nozzles);
        return sum;
    }

    // Sheets after the first; one that shows what the last one showed is that one.
    private static IEnumerable<IReadOnlySet<int>> Later(HeadHistory head)
    {
        var last = head.First;
        foreach (var done in head.Done)
        {
            if (!done.Before.SetEquals(last))
                yield return done.Before;
            yield return done.After;
            last = done.After;
        }

        if (!head.Missing.SetEquals(last))
            yield return head.Missing;
    }

    private double Log(double chance, int missing) => (missing * Math.Log(chance)) + ((head.Nozzles - missing) * Math.Log(1 - chance));

    private static double LogSum(double[] logs)
    {
        var top = logs.Max();
        return top + Math.Log(logs.Sum(l => Math.Exp(l - top)));
    }
}
