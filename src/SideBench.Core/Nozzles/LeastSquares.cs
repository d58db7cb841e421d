namespace SideBench.Core.Nozzles;

/// <summary>Weighted least squares by its normal equations, for the few unknowns that laying a sheet needs.</summary>
public sealed class LeastSquares(int unknowns)
{
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

    /// <summary>The unknowns, or null when the equations do not settle them (Cholesky's factorisation breaks down).</summary>
    public double[]? Solve()
    {
        var factor = (double[])normal.Clone();
        for (var i = 0; i < unknowns; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                var sum = factor[(i * unknowns) + j];
                for (var k = 0; k < j; k++)
                    sum -= factor[(i * unknowns) + k] * factor[(j * unknowns) + k];
                if (i != j)
                {
                    factor[(i * unknowns) + j] = sum / factor[(j * unknowns) + j];
                }
                else
                {
                    if (!(sum > 1e-12 * Math.Abs(normal[(i * unknowns) + i])))
                        return null;
                    factor[(i * unknowns) + i] = Math.Sqrt(sum);
                }
            }
        }

        var x = (double[])right.Clone();
        for (var i = 0; i < unknowns; i++)
        {
            for (var k = 0; k < i; k++)
                x[i] -= factor[(i * unknowns) + k] * x[k];
            x[i] /= factor[(i * unknowns) + i];
        }

        for (var i = unknowns - 1; i >= 0; i--)
        {
            for (var k = i + 1; k < unknowns; k++)
                x[i] -= factor[(k * unknowns) + i] * x[k];
            x[i] /= factor[(i * unknowns) + i];
        }

        return x;
    }
}
