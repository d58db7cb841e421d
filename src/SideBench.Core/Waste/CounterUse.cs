using MathNet.Numerics;

namespace SideBench.Core.Waste;

/// <summary>
/// How fast a counter rises: independent daily amounts, gamma, their mean and spread learnt from the readings on a grid. Points a day.
/// </summary>
internal sealed class CounterUse
{
    private const int Shapes = 13;
    private const int Means = 61;
    private const double LeastShape = 0.1;
    private const double MostShape = 12;
    private readonly List<(double Shape, double Scale, double Chance)> beliefs = [];

    private CounterUse() { }

    /// <summary>Whether any use is known.</summary>
    public bool IsKnown => beliefs.Count > 0;

    /// <summary>Points a day, mean.</summary>
    public double PerDay { get; private set; }

    /// <summary>Variance of the rise of a day.</summary>
    public double Variance { get; private set; }

    /// <summary>Learns from rises between readings.</summary>
    /// <param name="rises">Days and points of each; days above 0.</param>
    /// <param name="step">A reading is exact to this, points.</param>
    public static CounterUse Of(IReadOnlyList<(double Days, double Points)> rises, double step)
    {
        var use = new CounterUse();
        var (days, points) = (rises.Sum(r => r.Days), rises.Sum(r => r.Points));
        if (days <= 0 || points <= 0)
            return use;
        var seen = rises.Sum(r => Math.Max(r.Points, step / 2));
        // The chance of the rises is that of gamma amounts; what does not change with the mean is summed once for each spread.
        var logs = new List<(double Shape, double Scale, double Log)>();
        for (var s = 0; s < Shapes; s++)
        {
            var shape = LeastShape * Math.Pow(MostShape / LeastShape, s / (Shapes - 1.0));
            var own = rises.Sum(r =>
                (((r.Days * shape) - 1) * Math.Log(Math.Max(r.Points, step / 2))) - SpecialFunctions.GammaLn(r.Days * shape)
            );
            for (var m = 0; m < Means; m++)
            {
                // From a quarter to four times what was seen, evenly in its logarithm.
                var scale = points / days * Math.Pow(4, (2.0 * m / (Means - 1)) - 1) / shape;
                logs.Add((shape, scale, own - (seen / scale) - (days * shape * Math.Log(scale))));
            }
        }

        var most = logs.Max(l => l.Log);
        var all = logs.Sum(l => Math.Exp(l.Log - most));
        use.beliefs.AddRange(logs.Select(l => (l.Shape, l.Scale, Math.Exp(l.Log - most) / all)).Where(b => b.Item3 > 1e-6));
        use.PerDay = use.beliefs.Sum(b => b.Chance * b.Shape * b.Scale);
        use.Variance = use.beliefs.Sum(b => b.Chance * b.Shape * b.Scale * b.Scale);
        return use;
    }

    /// <summary>One way that use may go on.</summary>
    /// <param name="which">Picks mean and spread, 0 to 1.</param>
    /// <param name="luck">How much of it comes, as a standard normal value.</param>
    public Func<double, double> Path(double which, double luck)
    {
        var (sum, i) = (0.0, 0);
        while (i < beliefs.Count - 1 && (sum += beliefs[i].Chance) < which)
            i++;
        var (shape, scale, _) = beliefs[i];
        return days =>
        {
            if (days <= 0)
                return 0;
            // Wilson and Hilferty: the cube root of a gamma is nearly normal.
            var k = days * shape;
            var root = 1 - (1 / (9 * k)) + (luck / (3 * Math.Sqrt(k)));
            return root > 0 ? k * scale * root * root * root : 0;
        };
    }
}
