namespace SideBench.Core.Quantities;

/// <summary>A number of printed pages; never negative. Half a page is a number too.</summary>
public readonly record struct Pages
{
    private Pages(double value) => Value = value;

    /// <summary>The pages.</summary>
    public double Value { get; }

    /// <summary>Builds a number of pages.</summary>
    /// <param name="value">pages, 0 or more, finite.</param>
    public static Pages Of(double value) =>
        double.IsFinite(value) && value >= 0
            ? new(value)
            : throw new ArgumentOutOfRangeException(nameof(value), value, "pages are 0 or more");
}
