namespace SideBench.Core.Record;

/// <summary>A wait that runs by itself: settle, dry, rest, soak, charge.</summary>
/// <param name="Id">Unique within the job.</param>
/// <param name="Kind">What kind of wait.</param>
/// <param name="Label">What is waited for.</param>
/// <param name="StartedAt">When it began.</param>
/// <param name="MinMinutes">It rings after so long, min.</param>
/// <param name="MaxMinutes">It must not last longer, min; null when there is no limit.</param>
public sealed record Clock(string Id, string Kind, string Label, DateTimeOffset StartedAt, double MinMinutes, double? MaxMinutes)
{
    /// <summary>The longest time a clock can hold, min: ten years.</summary>
    public const double LongestMinutes = 10 * 366 * 24 * 60;

    /// <summary>Kinds that only remind: a window in which hands must be done, and an old part that is to be sent back.</summary>
    public static readonly IReadOnlyList<string> Reminders = ["window", "return"];

    /// <summary>A wait as its line begins it, or null when no clock can hold its times.</summary>
    /// <param name="start">What the line says.</param>
    /// <param name="at">When.</param>
    public static Clock? Of(ClockStart start, DateTimeOffset at) =>
        start.MinMinutes is > 0 and <= LongestMinutes && start.MaxMinutes is null or (> 0 and <= LongestMinutes)
            ? new Clock(start.Id, start.Kind, start.Label, at, start.MinMinutes, start.MaxMinutes)
            : null;

    /// <summary>Whether the machine waits for it; a reminder runs beside the work.</summary>
    public bool IsWait => !Reminders.Contains(Kind);

    /// <summary>Whether it is shown beside the machine: all but what comes back days later.</summary>
    public bool Counts => Kind != "return";

    /// <summary>When it rings.</summary>
    public DateTimeOffset EndsAt => StartedAt.AddMinutes(MinMinutes);

    /// <summary>When it must have been ended; null when there is no limit.</summary>
    public DateTimeOffset? LatestAt => MaxMinutes is { } max ? StartedAt.AddMinutes(max) : null;

    /// <summary>Whether it rings now: its time is up and nobody has ended it.</summary>
    public bool Rings(DateTimeOffset now) => now >= EndsAt;
}
