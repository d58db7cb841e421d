using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>What a unit's dashes look like on this sheet.</summary>
/// <param name="Direction">
/// What they take from red, green and blue, of length 1; the layout's own colour when too little was printed to tell.
/// </param>
/// <param name="Seen">How much light its strongest dashes take.</param>
/// <param name="Known">Whether the direction was seen and not assumed.</param>
public sealed record UnitInk(double[] Direction, double Seen, bool Known)
{
    private const double WindowMm = 0.3;
    private const double Strong = 0.5;
    private const double LeastSeen = 0.035;

    /// <summary>Looks at a unit's dashes.</summary>
    public static UnitInk Of(DashSamples samples, SheetUnit unit, int first)
    {
        var taken = unit.Color.Taken;
        var size = Math.Sqrt((taken.R * taken.R) + (taken.G * taken.G) + (taken.B * taken.B));
        double[] nominal = [taken.R / size, taken.G / size, taken.B / size];
        var colours = Enumerable.Range(first, unit.Nozzles).Select(dash => ColourOf(samples, dash)).ToList();
        var along = colours.Select(colour => Dot(colour, nominal)).ToList();
        var sorted = along.Order().ToArray();
        // Three dashes are enough to know an ink by.
        var strong = sorted[Math.Max(0, sorted.Length - 1 - Math.Max(2, sorted.Length / 10))];
        if (strong < LeastSeen)
            strong = sorted[^1];
        if (strong < LeastSeen)
            return new UnitInk(nominal, strong, false);
        var sum = new double[3];
        for (var i = 0; i < colours.Count; i++)
        {
            if (along[i] < Strong * strong)
                continue;
            for (var c = 0; c < 3; c++)
                sum[c] += colours[i][c];
        }

        var length = Math.Sqrt(Dot(sum, sum));
        return new UnitInk([.. sum.Select(part => Math.Max(0, part / length))], strong, true);
    }

    /// <summary>How far two directions are apart, radians.</summary>
    public static double Angle(double[] a, double[] b) => Math.Acos(Math.Clamp(Dot(a, b) / Math.Sqrt(Dot(a, a) * Dot(b, b)), -1, 1));

    /// <summary>The sum of the products.</summary>
    public static double Dot(double[] a, double[] b) => (a[0] * b[0]) + (a[1] * b[1]) + (a[2] * b[2]);

    // Mean light taken around a dash's place, the median of its stretches.
    private static double[] ColourOf(DashSamples samples, int dash)
    {
        var colour = new double[3];
        var window = Math.Max(1, (int)Math.Round(WindowMm / samples.StepMm));
        Span<double> stretches = stackalloc double[DashSamples.Stretches];
        for (var c = 0; c < 3; c++)
        {
            for (var stretch = 0; stretch < DashSamples.Stretches; stretch++)
            {
                var profile = samples.Profile(dash, stretch);
                var sum = 0.0;
                for (var k = samples.Reach - window; k <= samples.Reach + window; k++)
                    sum += profile[(k * 3) + c];
                stretches[stretch] = sum / ((2 * window) + 1);
            }

            stretches.Sort();
            colour[c] = stretches[DashSamples.Stretches / 2];
        }

        return colour;
    }
}
