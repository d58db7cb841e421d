namespace SideBench.Core.Nozzles;

/// <summary>What a proper dash looks like from above to below in this picture: as thick as printed, as soft as the picture is.</summary>
public sealed class DashShape
{
    private const int Fine = 4;
    private readonly double[] profile;
    private readonly double stepMm;
    private readonly int half;

    /// <summary>Draws it.</summary>
    /// <param name="thicknessMm">As printed.</param>
    /// <param name="softMm">Spread of the blur, mm.</param>
    /// <param name="stepMm">A step of the profiles, mm.</param>
    /// <param name="steps">Steps from the middle that it must reach.</param>
    public DashShape(double thicknessMm, double softMm, double stepMm, int steps)
    {
        this.stepMm = stepMm / Fine;
        half = steps * Fine * 2;
        profile = new double[(2 * half) + 1];
        var soft = Math.Max(softMm, stepMm / 4);
        for (var i = -half; i <= half; i++)
        {
            var y = i * this.stepMm;
            profile[i + half] = Below((y + (thicknessMm / 2)) / soft) - Below((y - (thicknessMm / 2)) / soft);
        }
    }

    /// <summary>Steps of offset in one step of a profile.</summary>
    public static int FineSteps => Fine;

    /// <summary>Its height, 0 to 1, at a step of the profile when it is displaced by some fine steps.</summary>
    public double At(int step, int fineOffset)
    {
        var at = (step * Fine) - fineOffset + half;
        return at < 0 || at >= profile.Length ? 0 : profile[at];
    }

    // Share of a bell curve below z, by a logistic curve that is within 0.0002 of it.
    private static double Below(double z) => 1 / (1 + Math.Exp(-(1.5976 * z) - (0.070565 * z * z * z)));
}
