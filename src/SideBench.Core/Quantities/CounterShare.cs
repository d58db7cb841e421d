namespace SideBench.Core.Quantities;

/// <summary>
/// How far a waste counter stands, or is moved, in percent of its limit; never negative, above 100 when it ran past its limit. A count of
/// operations, not a measurement of ink.
/// </summary>
public readonly record struct CounterShare
{
    private CounterShare(double pct) => Pct = pct;

    /// <summary>Percent of the counter's limit.</summary>
    public double Pct { get; }

    /// <summary>Builds a share of the counter.</summary>
    /// <param name="pct">percent, 0 or more, finite.</param>
    public static CounterShare OfPct(double pct) =>
        double.IsFinite(pct) && pct >= 0
            ? new(pct)
            : throw new ArgumentOutOfRangeException(nameof(pct), pct, "a counter stands at 0 % or more");

    /// <summary>A counter that is moved on.</summary>
    public static CounterShare operator +(CounterShare a, CounterShare b) => new(a.Pct + b.Pct);
}
