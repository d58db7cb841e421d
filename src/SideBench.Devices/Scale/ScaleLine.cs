using System.Globalization;

namespace SideBench.Devices.Scale;

/// <summary>One reading of a scale, as its line says it: state, number, unit, parted by blanks.</summary>
/// <param name="IsStable">Whether it has come to rest.</param>
/// <param name="Grams">The mass, g; below 0 when the scale was not at zero.</param>
public sealed record ScaleLine(bool IsStable, double Grams)
{
    /// <summary>Longest line, characters.</summary>
    public const int Longest = 60;

    private static readonly Dictionary<string, double> Units = new(StringComparer.Ordinal)
    {
        ["g"] = 1,
        ["kg"] = 1000,
        ["oz"] = 28.349523125,
    };

    /// <summary>Reads a line, such as <c>stable 394.5 g</c> or <c>moving 391 g</c>.</summary>
    /// <param name="line">The line, without its end.</param>
    /// <returns>Null when it is none: another word, no number, a unit that is not known, or over the scale's range.</returns>
    public static ScaleLine? Read(string line)
    {
        var parts = line.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return
            line.Length <= Longest
            && parts is [var state, var number, var unit]
            && state is "stable" or "moving"
            && Units.TryGetValue(parts[2], out var grams)
            && double.TryParse(
                parts[1],
                NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out var value
            )
            && double.IsFinite(value)
            ? new ScaleLine(parts[0] == "stable", value * grams)
            : null;
    }

    /// <summary>As a scale that weighs in grams writes it.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{(IsStable ? "stable" : "moving")} {Grams:0.0} g");
}
