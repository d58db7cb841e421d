namespace SideBench.Core.Quantities;

/// <summary>Bench or waiting time, minutes; never negative.</summary>
public readonly record struct Minutes
{
    private Minutes(double value) => Value = value;

    /// <summary>The time, min.</summary>
    public double Value { get; }

    /// <summary>Builds a time.</summary>
    /// <param name="value">min, 0 or more, finite.</param>
    public static Minutes Of(double value) =>
        double.IsFinite(value) && value >= 0
            ? new(value)
            : throw new ArgumentOutOfRangeException(nameof(value), value, "a time is 0 min or more");

    /// <summary>No time at all.</summary>
    public static readonly Minutes None;

    /// <summary>Many times together.</summary>
    public static Minutes Sum(IEnumerable<Minutes> times) => new(times.Sum(t => t.Value));

    /// <summary>Whether one time is no longer than another.</summary>
    public static bool operator <=(Minutes a, Minutes b) => a.Value <= b.Value;

    /// <summary>Whether one time is no shorter than another.</summary>
    public static bool operator >=(Minutes a, Minutes b) => a.Value >= b.Value;

    /// <summary>Two times together.</summary>
    public static Minutes operator +(Minutes a, Minutes b) => new(a.Value + b.Value);
}
