namespace SideBench.Core.Quantities;

/// <summary>A mass of ink, pads or a box, g; never negative.</summary>
public readonly record struct Grams
{
    private Grams(double value) => Value = value;

    /// <summary>The mass, g.</summary>
    public double Value { get; }

    /// <summary>Builds a mass.</summary>
    /// <param name="value">g, 0 or more, finite.</param>
    public static Grams Of(double value) =>
        double.IsFinite(value) && value >= 0
            ? new(value)
            : throw new ArgumentOutOfRangeException(nameof(value), value, "a mass is 0 g or more");

    /// <summary>Two masses together.</summary>
    public static Grams operator +(Grams a, Grams b) => new(a.Value + b.Value);

    /// <summary>The volume that a mass of fluid has.</summary>
    /// <param name="density">The fluid's density.</param>
    public Millilitres At(GramsPerMillilitre density) => Millilitres.Of(Value / density.Value);
}
