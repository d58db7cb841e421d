using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>What the odds said of one cause before the first repair.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Ratio">Its odds then, 0 to 1.</param>
/// <param name="Confirmed">Whether it was this one.</param>
public sealed record Foretold(string Cause, double Ratio, bool Confirmed)
{
    internal static void Store(FieldWriter to, Foretold line)
    {
        to.Text("cause", line.Cause);
        to.Number("ratio", line.Ratio);
        to.Flag("confirmed", line.Confirmed);
    }

    internal static Foretold Read(FieldReader from) => new(from.Text("cause"), from.Number("ratio"), from.Flag("confirmed"));
}

/// <summary>What one test was worth in a job that was proved.</summary>
/// <param name="Finding">The test.</param>
/// <param name="Minutes">Bench time it took, min.</param>
/// <param name="Bits">How much it raised the confirmed cause, bits: log2 of its odds after over before; below 0 it misled.</param>
public sealed record TestWorth(string Finding, double Minutes, double Bits)
{
    internal static void Store(FieldWriter to, TestWorth line)
    {
        to.Text("finding", line.Finding);
        to.Number("minutes", line.Minutes);
        to.Number("bits", line.Bits);
    }

    internal static TestWorth Read(FieldReader from) => new(from.Text("finding"), from.Number("minutes"), from.Number("bits"));
}
