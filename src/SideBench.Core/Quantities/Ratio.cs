namespace SideBench.Core.Quantities;

/// <summary>A share of a whole: 0 nothing, 1 all of it; above 1 more than all, such as an overfilled pad. Never negative.</summary>
public readonly record struct Ratio
{
    private Ratio(double value) => Value = value;

    /// <summary>The share.</summary>
    public double Value { get; }

    /// <summary>The share in hundredths, for the screen.</summary>
    public double Pct => Value * 100;

    /// <summary>Builds a share.</summary>
    /// <param name="value">0 or more, finite.</param>
    public static Ratio Of(double value) =>
        double.IsFinite(value) && value >= 0
            ? new(value)
            : throw new ArgumentOutOfRangeException(nameof(value), value, "a share is 0 or more");

    /// <summary>Builds a share from hundredths.</summary>
    /// <param name="pct">percent, 0 or more, finite.</param>
    public static Ratio OfPct(double pct) => Of(pct / 100);
}
