using SideBench.Core.Quantities;

namespace SideBench.Core.Waste;

/// <summary>A waste store, and what happened to it.</summary>
/// <param name="TareG">What it weighs dry, g.</param>
/// <param name="AbsorbentLimitG">What it can hold, g above dry.</param>
/// <param name="Margin">The share of that to which it is used, 0 to 1.</param>
/// <param name="GramsPerPoint">What one point of the counter brings, before drying, g.</param>
/// <param name="CounterLimitPct">Where the counter stops the machine, %.</param>
/// <param name="Events">What happened, in any order.</param>
public sealed record WasteHistory(
    double TareG,
    double AbsorbentLimitG,
    double Margin,
    double GramsPerPoint,
    double CounterLimitPct,
    IReadOnlyList<WasteEvent> Events
)
{
    /// <summary>
    /// Use is told by readings at least so far apart, days: what the counter rises in one visit is work of the bench, not use. None by
    /// itself: a history of readings alone is taken as it is.
    /// </summary>
    public double UseFromDays { get; init; }

    /// <summary>What it is used to, g above dry.</summary>
    public double SafeG => AbsorbentLimitG * Margin;
}

/// <summary>Something that happened to a waste store or its counter.</summary>
/// <param name="At">When.</param>
public abstract record WasteEvent(DateTimeOffset At)
{
    /// <summary>The counter was read.</summary>
    public sealed record CounterRead(DateTimeOffset At, double Pct) : WasteEvent(At);

    /// <summary>The store was weighed, g with tare.</summary>
    public sealed record Weighed(DateTimeOffset At, double G) : WasteEvent(At);

    /// <summary>The count was reset; the mass stays what it is.</summary>
    public sealed record Reset(DateTimeOffset At, double ToPct) : WasteEvent(At);

    /// <summary>A new store, or dry pads.</summary>
    public sealed record Renewed(DateTimeOffset At) : WasteEvent(At);

    /// <summary>Washed, dried and weighed, g with tare: what is above tare stays and does not dry off.</summary>
    public sealed record Washed(DateTimeOffset At, double G) : WasteEvent(At);

    /// <summary>Another box went in, g with tare: what is above tare stays and does not dry off. A dry one is a service.</summary>
    public sealed record Swapped(DateTimeOffset At, double G, bool IsDry) : WasteEvent(At);

    /// <summary>An outside bottle was emptied down to so many ml.</summary>
    public sealed record Emptied(DateTimeOffset At, double LeftMl) : WasteEvent(At);

    /// <summary>Whether the store itself was seen to.</summary>
    public bool IsService => this is Renewed or Washed or Emptied or Swapped { IsDry: true };

    /// <summary>Whether it tells the store's mass by a scale.</summary>
    public bool IsWeighing => this is Weighed or Swapped { IsDry: false };
}

/// <summary>When something will be: the truth lies between early and late in 8 of 10; null where it is further off than is told.</summary>
public sealed record DateBand(DateTimeOffset? Early, DateTimeOffset? Median, DateTimeOffset? Late);

/// <summary>What a waste store holds, and what comes first.</summary>
/// <param name="Mass">Its mass now, with tare, g.</param>
/// <param name="Room">Room to the mass it is used to, g; below 0 when past it.</param>
/// <param name="CyclesLeft">Whole runs of the counter until the store is there, at today's use.</param>
/// <param name="CounterFullOn">When the count reaches its limit, if it is not reset before.</param>
/// <param name="StoreFullOn">When the store is at the mass it is used to, the counter reset whenever it is full.</param>
/// <param name="First">Which of the two comes first: counter or store.</param>
/// <param name="MayReset">Whether the counter may be reset.</param>
/// <param name="Needs">What would allow it, any one of them.</param>
/// <param name="Doubts">What is strange and was kept.</param>
public sealed record WasteEstimate(
    Band Mass,
    Band Room,
    Band CyclesLeft,
    DateBand CounterFullOn,
    DateBand StoreFullOn,
    string First,
    bool MayReset,
    IReadOnlyList<string> Needs,
    IReadOnlyList<(int Event, string Says)> Doubts
)
{
    /// <summary>
    /// The day on which the store is to be seen to: by then it is full with the house's small chance; null beyond what is told.
    /// </summary>
    public DateTimeOffset? StoreDueOn { get; init; }

    /// <summary>
    /// How its mass goes on at today's use, the counter reset whenever it is full: over so many days, in so many points after the first,
    /// mass with its own, g; its band holds the truth in 9 of 10. None while no use is known.
    /// </summary>
    public Func<double, int, IReadOnlyList<(double Days, Band Mass)>> Course { get; init; } = (_, _) => [];
}
