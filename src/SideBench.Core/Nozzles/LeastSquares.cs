using MathNet.Numerics.LinearAlgebra;

namespace SideBench.Core.Nozzles;

/// <summary>Weighted least squares by its normal equations, for the few unknowns that laying a sheet needs.</summary>
public sealed class LeastSquares(int unknowns)
{
    // Of what an unknown is weighed with, so much must be left once the others are taken out of it: less is rounding.
    private const double Settled = 1e-12;

    private readonly double[] normal = new double[unknowns * unknowns];
    private readonly double[] right = new double[unknowns];

    /// <summary>Adds one equation: row · x = value.</summary>
    /// <param name="row">As many numbers as there are unknowns.</param>
    /// <param name="value">What it should give.</param>
    /// <param name="weight">0 leaves it out.</param>
    public void Add(ReadOnlySpan<double> row, double value, double weight = 1)
    {
        for (var i = 0; i < unknowns; i++)
        {
            var scaled = row[i] * weight;
            if (scaled == 0)
                continue;
            right[i] += scaled * value;
            for (var j = 0; j <= i; j++)
                normal[(i * unknowns) + j] += scaled * row[j];
        }
    }

    /// <summary>Pulls every unknown towards 0, so that what no equation speaks of stays there.</summary>
    /// <param name="strength">As if so much weight said 0.</param>
    public void Ridge(double strength)
    {
        for (var i = 0; i < unknowns; i++)
            normal[(i * unknowns) + i] += strength;
    }

    /// <summary>The unknowns, or null when the equations do not settle them.</summary>
    public double[]? Solve()
    {
        var equations = Matrix<double>.Build.Dense(unknowns, unknowns, (i, j) => normal[(Math.Max(i, j) * unknowns) + Math.Min(i, j)]);
        try
        {
            var factor = equations.Cholesky();
            for (var i = 0; i < unknowns; i++)
                if (!(factor.Factor[i, i] * factor.Factor[i, i] > Settled * Math.Abs(equations[i, i])))
                    return null;
            return [.. factor.Solve(Vector<double>.Build.Dense(right))];
        }
        catch (ArgumentException)
        {
            // What is not positive definite settles nothing.
            return null;
        }
    }
}
