namespace SideBench.Core.Sums;

/// <summary>Fields that many sums have.</summary>
public static class SumFields
{
    private const double AllOfIt = 100;

    /// <summary>A number, 0 or more.</summary>
    public static SumField Amount(string name, string label, string unit, string example, double? without = null) =>
        new(name, label, unit, SumKind.Number) { Example = example, Without = without };

    /// <summary>A number above 0.</summary>
    public static SumField Above(string name, string label, string unit, string example, double? without = null) =>
        new(name, label, unit, SumKind.Number)
        {
            AboveLeast = true,
            Example = example,
            Without = without,
        };

    /// <summary>A number above 0 that may be left out.</summary>
    public static SumField Maybe(string name, string label, string unit, string example) =>
        new(name, label, unit, SumKind.Number)
        {
            AboveLeast = true,
            Optional = true,
            Example = example,
        };

    /// <summary>A share, 0 to 100.</summary>
    public static SumField Percent(string name, string label, string example, double? without = null) =>
        new(name, label, "%", SumKind.Number)
        {
            Most = AllOfIt,
            Example = example,
            Without = without,
        };

    /// <summary>A whole number, at least so many.</summary>
    public static SumField Count(string name, string label, double least, string example, double? without = null) =>
        new(name, label, "", SumKind.Whole)
        {
            Least = least,
            Example = example,
            Without = without,
        };

    /// <summary>How heavy ink is.</summary>
    public static SumField Density() =>
        new("densityGPerMl", "Ink weighs", "g/ml", SumKind.Number)
        {
            Least = 0.8,
            Most = 1.4,
            Without = 1.06,
            Example = "1.06",
        };
}
