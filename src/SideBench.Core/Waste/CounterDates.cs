using MathNet.Numerics.Distributions;

namespace SideBench.Core.Waste;

/// <summary>When a count reaches its limit, over many ways that use may go on. Days, points.</summary>
/// <param name="use">What is known of its use.</param>
/// <param name="mostYears">So far ahead is told, years.</param>
/// <param name="at">The moment asked about.</param>
internal sealed class CounterDates(CounterUse use, double mostYears, DateTimeOffset at)
{
    /// <summary>Ways that are followed.</summary>
    public const int Ways = 600;

    private const double DaysPerYear = 365.25;
    private const double EarlyShare = 0.1;

    /// <summary>So far ahead is told, days.</summary>
    public double MostDays { get; } = mostYears * DaysPerYear;

    /// <summary>Ways that use may go on, none rising where nothing is known of it.</summary>
    /// <param name="use">What is known of it.</param>
    public static IReadOnlyList<Func<double, double>> Paths(CounterUse use) =>
        [.. Enumerable.Range(0, Ways).Select(i => use.IsKnown ? use.Path(Spread(i, 2), Luck(i)) : _ => 0)];

    /// <summary>Days until the count reaches its limit; null beyond what is told.</summary>
    /// <param name="path">One way.</param>
    /// <param name="count">The count; null when nobody read it.</param>
    /// <param name="countAt">When it stood there.</param>
    /// <param name="limit">Its limit.</param>
    public double? Reaches(Func<double, double> path, double? count, DateTimeOffset countAt, double limit)
    {
        if (count is not { } now)
            return null;
        if (now >= limit)
            return 0;
        var gone = (at - countAt).TotalDays;
        var (low, high) = (0.0, MostDays + gone);
        if (!use.IsKnown || now + path(high) < limit)
            return null;
        while (high - low > 0.01)
        {
            var middle = (low + high) / 2;
            (low, high) = now + path(middle) < limit ? (middle, high) : (low, middle);
        }

        return Math.Max(0, high - gone);
    }

    /// <summary>The dates of all ways as a band.</summary>
    /// <param name="days">Days of each way; null beyond what is told.</param>
    public DateBand Of(IReadOnlyList<double?> days)
    {
        var sorted = Sorted(days);
        return new DateBand(On(sorted, EarlyShare), On(sorted, 0.5), On(sorted, 1 - EarlyShare));
    }

    /// <summary>The day by which a share of all ways is there; null beyond what is told.</summary>
    /// <param name="days">Days of each way; null beyond what is told.</param>
    /// <param name="share">The share, 0 to 1.</param>
    public DateTimeOffset? By(IReadOnlyList<double?> days, double share) => On(Sorted(days), share);

    private static List<double> Sorted(IReadOnlyList<double?> days) => [.. days.Select(d => d ?? double.MaxValue).Order()];

    private DateTimeOffset? On(List<double> sorted, double share) =>
        sorted[(int)(share * (sorted.Count - 1))] is var day && day <= Math.Min(MostDays, (DateTimeOffset.MaxValue - at).TotalDays - 1)
            ? at.AddDays(day)
            : null;

    private static double Luck(int i) => Normal.InvCDF(0, 1, Spread(i, 3));

    // A fixed sequence that fills 0 to 1 evenly, unlike the order of the ways.
    private static double Spread(int i, int prime)
    {
        var value = ((i + 1) * Math.Sqrt(prime)) + 0.5;
        return Math.Clamp(value - Math.Floor(value), 1e-6, 1 - 1e-6);
    }
}
