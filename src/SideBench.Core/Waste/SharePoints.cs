using System.Collections.Concurrent;
using MathNet.Numerics.Distributions;

namespace SideBench.Core.Waste;

/// <summary>
/// Shares from 0 to 1 by how usual they are: the share that lies as far out among those of a beta distribution as a standard normal value
/// lies among its own. Worked out at fixed steps once, straight between them.
/// </summary>
internal sealed class SharePoints
{
    private const double Most = 5;
    private const int PerUnit = 100;
    private static readonly ConcurrentDictionary<(double A, double B), SharePoints> Known = [];
    private readonly double[] at;

    private SharePoints(double a, double b)
    {
        var beta = new Beta(a, b);
        at =
        [
            .. Enumerable
                .Range(0, (int)(2 * Most * PerUnit) + 1)
                .Select(i => beta.InverseCumulativeDistribution(Normal.CDF(0, 1, ((double)i / PerUnit) - Most))),
        ];
    }

    /// <summary>Those of a beta distribution.</summary>
    /// <param name="a">Its first shape, above 0.</param>
    /// <param name="b">Its second.</param>
    public static SharePoints Of(double a, double b) => Known.GetOrAdd((a, b), k => new SharePoints(k.A, k.B));

    /// <summary>The share there.</summary>
    /// <param name="z">A standard normal value; beyond 5 either way it is taken for 5.</param>
    public double At(double z)
    {
        var place = (Math.Clamp(z, -Most, Most) + Most) * PerUnit;
        var i = Math.Min((int)place, at.Length - 2);
        return at[i] + ((place - i) * (at[i + 1] - at[i]));
    }
}
