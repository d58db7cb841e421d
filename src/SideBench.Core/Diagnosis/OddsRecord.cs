namespace SideBench.Core.Diagnosis;

/// <summary>One tenth of the odds that were given.</summary>
/// <param name="From">Odds from, 0 to 1.</param>
/// <param name="Given">How many causes were given odds in it.</param>
/// <param name="Foretold">How many of them should have been right by those odds.</param>
/// <param name="Confirmed">How many were.</param>
public sealed record OddsTenth(double From, int Given, double Foretold, int Confirmed);

/// <summary>How one test has done.</summary>
/// <param name="Finding">The test.</param>
/// <param name="Times">How often it was made.</param>
/// <param name="Minutes">Bench time it took in all, min.</param>
/// <param name="Bits">How much it raised the causes that were confirmed, bits in all.</param>
/// <param name="Misled">How often it lowered them.</param>
public sealed record TestRecord(string Finding, int Times, double Minutes, double Bits, int Misled)
{
    /// <summary>What a minute at it told, bits.</summary>
    public double BitsPerMinute => Minutes > 0 ? Bits / Minutes : 0;
}

/// <summary>How the odds have done: foretold against confirmed, and which tests earned their minutes.</summary>
/// <param name="Jobs">Proved threads it is about.</param>
/// <param name="LeadRight">How often the cause in the lead before the repair was the one.</param>
/// <param name="Tenths">By tenths of the odds, lowest first.</param>
/// <param name="Tests">By test, the most telling minute first.</param>
public sealed record OddsRecord(int Jobs, int LeadRight, IReadOnlyList<OddsTenth> Tenths, IReadOnlyList<TestRecord> Tests)
{
    private const int Tens = 10;

    /// <summary>Adds up what was judged.</summary>
    /// <param name="judged">Proved threads.</param>
    public static OddsRecord Of(IReadOnlyCollection<Judged> judged)
    {
        var given = judged.SelectMany(j => j.Odds).ToLookup(f => Math.Min(Tens - 1, (int)(f.Ratio * Tens)));
        var tenths = Enumerable
            .Range(0, Tens)
            .Select(t => new OddsTenth(t / (double)Tens, given[t].Count(), given[t].Sum(f => f.Ratio), given[t].Count(f => f.Confirmed)));
        var tests = judged
            .SelectMany(j => j.Tests)
            .GroupBy(t => t.Finding)
            .Select(g => new TestRecord(g.Key, g.Count(), g.Sum(t => t.Minutes), g.Sum(t => t.Bits), g.Count(t => t.Bits < 0)))
            .OrderByDescending(t => t.BitsPerMinute);
        return new OddsRecord(judged.Count, judged.Count(j => j.Odds.MaxBy(f => f.Ratio)?.Confirmed == true), [.. tenths], [.. tests]);
    }
}
