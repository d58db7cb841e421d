namespace SideBench.Core.Nozzles;

/// <summary>What a proper dash of a unit takes on this sheet.</summary>
/// <param name="Amplitude">Light taken; 0 when no dash is there to tell.</param>
/// <param name="Dashes">How many dashes it was taken from.</param>
public sealed record UnitReference(double Amplitude, int Dashes)
{
    private const double UpperShare = 0.92;
    private const double Alike = 0.75;

    /// <summary>The middle of the strong dashes: those near the upper tenth, so that weak groups and fading ends do not lower it.</summary>
    /// <param name="amplitudes">Every dash of the unit.</param>
    public static UnitReference Of(double[] amplitudes)
    {
        var sorted = amplitudes.Order().ToArray();
        var top = sorted[^1];
        if (top <= 0)
            return new UnitReference(0, 0);
        // Of a nearly blank unit only what is there counts.
        var there = sorted.Where(a => a > 0.3 * top).ToArray();
        var upper = there[(int)(UpperShare * (there.Length - 1))];
        var alike = there.Where(a => a > Alike * upper && a < upper / Alike).ToArray();
        return new UnitReference(alike[alike.Length / 2], alike.Length);
    }
}
