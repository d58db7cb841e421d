namespace SideBench.Core.HeadCare;

/// <summary>
/// The middles of equally likely parts of a beta distribution, least first: added up over angles, sin² of which is the chance.
/// </summary>
internal static class EvenSteps
{
    private const int Cells = 300;

    /// <summary>Of one distribution.</summary>
    /// <param name="alpha">Above 0.</param>
    /// <param name="beta">Above 0.</param>
    /// <param name="parts">How many parts.</param>
    public static double[] Of(double alpha, double beta, int parts)
    {
        var weights = new double[Cells];
        var top = double.NegativeInfinity;
        for (var i = 0; i < Cells; i++)
        {
            var (sin, cos) = Math.SinCos(Angle(i + 0.5));
            weights[i] = (((2 * alpha) - 1) * Math.Log(sin)) + (((2 * beta) - 1) * Math.Log(cos));
            top = Math.Max(top, weights[i]);
        }

        var total = 0.0;
        for (var i = 0; i < Cells; i++)
            total += weights[i] = Math.Exp(weights[i] - top);
        var steps = new double[parts];
        var (at, below) = (0, 0.0);
        for (var part = 0; part < parts; part++)
        {
            var wanted = (part + 0.5) / parts * total;
            while (at < Cells - 1 && below + weights[at] < wanted)
                below += weights[at++];
            var sin = Math.Sin(Angle(at + Math.Clamp((wanted - below) / weights[at], 0, 1)));
            steps[part] = Math.Min(sin * sin, Most);
        }

        return steps;
    }

    // A chance of just 1 would have no logarithm of its contrary.
    private const double Most = 1 - 1e-12;

    private static double Angle(double cell) => cell / Cells * Math.PI / 2;
}
