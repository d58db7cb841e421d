namespace SideBench.Cli.Measure;

/// <summary>One measured figure beside what it should be.</summary>
/// <param name="Name">What was measured.</param>
/// <param name="Value">The figure.</param>
/// <param name="Unit">Its unit; × for a ratio within this run.</param>
/// <param name="AtMost">What it should not pass.</param>
/// <param name="From">The figures it was made from.</param>
public sealed record Figure(string Name, double Value, string Unit, double AtMost, string From)
{
    /// <summary>Whether it is as it should be.</summary>
    public bool Good => Value <= AtMost;
}
