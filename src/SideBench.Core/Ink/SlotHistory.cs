namespace SideBench.Core.Ink;

/// <summary>What is fitted in a slot, and what happened to it.</summary>
/// <param name="ChipMl">What the chip counts from 100 to 0, ml; 0 where there is no chip.</param>
/// <param name="FillMl">A full fill, ml, above 0.</param>
/// <param name="ReserveMl">What must stay in it, ml.</param>
/// <param name="TareG">What such a piece weighs empty, g.</param>
/// <param name="DensityGPerMl">What ink weighs, g/ml.</param>
/// <param name="Events">What happened, in any order.</param>
public sealed record SlotHistory(
    double ChipMl,
    double FillMl,
    double ReserveMl,
    double TareG,
    double DensityGPerMl,
    IReadOnlyList<SlotEvent> Events
);

/// <summary>Something that happened to a slot.</summary>
/// <param name="At">When.</param>
public abstract record SlotEvent(DateTimeOffset At)
{
    /// <summary>It was filled.</summary>
    /// <param name="At">When.</param>
    /// <param name="Ml">So much; null when to full.</param>
    public sealed record Filled(DateTimeOffset At, double? Ml) : SlotEvent(At);

    /// <summary>The chip was read: whole points, rounded up.</summary>
    /// <param name="At">When.</param>
    /// <param name="Pct">The reading, 0 to 100.</param>
    public sealed record ChipRead(DateTimeOffset At, double Pct) : SlotEvent(At);

    /// <summary>The cartridge was weighed.</summary>
    /// <param name="At">When.</param>
    /// <param name="G">Its mass, g.</param>
    public sealed record Weighed(DateTimeOffset At, double G) : SlotEvent(At);

    /// <summary>The count was reset; the ink stays what it is.</summary>
    /// <param name="At">When.</param>
    /// <param name="ToPct">The count then.</param>
    public sealed record Reset(DateTimeOffset At, double ToPct) : SlotEvent(At);

    /// <summary>Another cartridge went in.</summary>
    /// <param name="At">When.</param>
    /// <param name="Ml">Ink in it.</param>
    /// <param name="ChipPct">Its count.</param>
    public sealed record Swapped(DateTimeOffset At, double Ml, double ChipPct) : SlotEvent(At);

    /// <summary>A counted use that no chip reading covers: a clean, a purge, pages.</summary>
    /// <param name="At">When.</param>
    /// <param name="Ml">As counted.</param>
    public sealed record Spent(DateTimeOffset At, double Ml) : SlotEvent(At);
}

/// <summary>What is in a slot at a moment.</summary>
/// <param name="Ink">Ink in it, ml.</param>
/// <param name="ChipPct">What the chip counts now; null when no reading says.</param>
/// <param name="DryAt">The count at which the ink will be down to the reserve when nothing is added, %; null without a count.</param>
/// <param name="AddMl">To a full fill, ml.</param>
/// <param name="LatestTopUpPct">The count at which 19 of 20 such slots still have ink above the reserve; null without a count.</param>
/// <param name="AirSince">When it passed its dry point; null while it has not.</param>
/// <param name="CountFactor">True use to counted use.</param>
/// <param name="Doubts">What is strange and was kept: the place of the event in the history, and words.</param>
public sealed record SlotEstimate(
    Quantities.Band Ink,
    double? ChipPct,
    Quantities.Band? DryAt,
    Quantities.Band AddMl,
    double? LatestTopUpPct,
    DateTimeOffset? AirSince,
    Quantities.Band CountFactor,
    IReadOnlyList<(int Event, string Says)> Doubts
)
{
    /// <summary>The count at which a warning is due, so that it comes before air as often as the shop wants; else null.</summary>
    public double? WarnAtPct { get; init; }
}
