using System.Diagnostics;

namespace SideBench.Cli.Measure;

/// <summary>Times of one thing done many times, ms.</summary>
public sealed class Timing(IEnumerable<double> milliseconds)
{
    /// <summary>The median, ms.</summary>
    public double P50 => At(0.50);

    /// <summary>Nineteen of twenty are no slower, ms.</summary>
    public double P95 => At(0.95);

    /// <summary>Does a thing for every item and times each.</summary>
    public static async Task<Timing> Of<T>(IEnumerable<T> items, Func<T, Task> act)
    {
        var times = new List<double>();
        foreach (var item in items)
        {
            var start = Stopwatch.GetTimestamp();
            await act(item);
            times.Add(Stopwatch.GetElapsedTime(start).TotalMilliseconds);
        }

        return new Timing(times);
    }

    private readonly List<double> sorted = [.. milliseconds.Order()];

    private double At(double share)
    {
        return sorted[Math.Min(sorted.Count - 1, (int)(share * sorted.Count))];
    }
}
