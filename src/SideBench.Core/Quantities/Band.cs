namespace SideBench.Core.Quantities;

/// <summary>An estimate with its band.</summary>
/// <param name="Best">As much above it as below.</param>
/// <param name="Low">Lower end: the truth is below it in 5 of 100.</param>
/// <param name="High">Upper end: the truth is above it in 5 of 100.</param>
public readonly record struct Band(double Best, double Low, double High)
{
    /// <summary>Chance below the lower end, and above the upper one.</summary>
    public const double Tail = 0.05;

    /// <summary>The band of what has these quantiles.</summary>
    public static Band Of(Func<double, double> quantile) => new(quantile(0.5), quantile(Tail), quantile(1 - Tail));

    /// <summary>The same, each figure changed; one that turns the order round turns the ends.</summary>
    public Band With(Func<double, double> change)
    {
        var (a, b) = (change(Low), change(High));
        return new Band(change(Best), Math.Min(a, b), Math.Max(a, b));
    }
}
