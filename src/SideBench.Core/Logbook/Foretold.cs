namespace SideBench.Core.Logbook;

/// <summary>What the odds said of one cause before the first repair.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Ratio">Its odds then, 0 to 1.</param>
/// <param name="Confirmed">Whether it was this one.</param>
public sealed record Foretold(string Cause, double Ratio, bool Confirmed);

/// <summary>What one test was worth in a job that was proved.</summary>
/// <param name="Finding">The test.</param>
/// <param name="Minutes">Bench time it took, min.</param>
/// <param name="Bits">How much it raised the confirmed cause, bits: log2 of its odds after over before; below 0 it misled.</param>
public sealed record TestWorth(string Finding, double Minutes, double Bits);
