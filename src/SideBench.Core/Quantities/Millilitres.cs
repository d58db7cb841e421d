namespace SideBench.Core.Quantities;

/// <summary>A volume of ink or fluid, ml; never negative.</summary>
public readonly record struct Millilitres
{
    private Millilitres(double value) => Value = value;

    /// <summary>The volume, ml.</summary>
    public double Value { get; }

    /// <summary>Builds a volume.</summary>
    /// <param name="value">ml, 0 or more, finite.</param>
    public static Millilitres Of(double value) =>
        double.IsFinite(value) && value >= 0
            ? new(value)
            : throw new ArgumentOutOfRangeException(nameof(value), value, "a volume is 0 ml or more");

    /// <summary>Two volumes together.</summary>
    public static Millilitres operator +(Millilitres a, Millilitres b) => new(a.Value + b.Value);
}
