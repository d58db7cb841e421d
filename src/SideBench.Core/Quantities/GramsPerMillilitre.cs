namespace SideBench.Core.Quantities;

/// <summary>Density of an ink or fluid, g/ml; above 0. The default is water, which is harmless.</summary>
public readonly record struct GramsPerMillilitre
{
    private readonly double value;

    private GramsPerMillilitre(double value) => this.value = value;

    /// <summary>The density, g/ml.</summary>
    public double Value => value > 0 ? value : 1;

    /// <summary>Builds a density.</summary>
    /// <param name="value">g/ml, above 0, finite.</param>
    public static GramsPerMillilitre Of(double value) =>
        double.IsFinite(value) && value > 0
            ? new(value)
            : throw new ArgumentOutOfRangeException(nameof(value), value, "a density is above 0 g/ml");
}
