using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>A slot of a machine on the bench: what is fitted in it, and what is really in that, by all its visits.</summary>
/// <param name="Slot">The slot.</param>
/// <param name="Type">What is fitted; null when the model says nothing of it.</param>
/// <param name="IsTold">Whether it was told what is fitted; else it is taken for what the take-in says of the ink.</param>
/// <param name="Since">Since when it is fitted; null when not told.</param>
/// <param name="History">What happened to what is fitted, by time.</param>
/// <param name="Estimate">What is in it now; null without a type.</param>
/// <param name="IsKnown">Whether anything was filled, weighed or read at all: else the estimate says no more than "empty to full".</param>
public sealed record SlotOnMachine(
    Slot Slot,
    CartridgeType? Type,
    bool IsTold,
    DateTimeOffset? Since,
    SlotHistory? History,
    SlotEstimate? Estimate,
    bool IsKnown
)
{
    private const double AllOfIt = 100;

    /// <summary>Whether it is taken for one that ran down from full, as bought: nothing was told of it but its count or its mass.</summary>
    public bool IsAsBought { get; init; }

    /// <summary>All slots of a job's machine.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="state">The job.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    public static IReadOnlyList<SlotOnMachine> All(MachineModel model, JobState state, InkNumbers numbers, DateTimeOffset now) =>
        [.. model.Slots.Select(s => Of(model, s, state, numbers, now))];

    /// <summary>One slot.</summary>
    /// <param name="model">The model.</param>
    /// <param name="slot">Which.</param>
    /// <param name="state">The job.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time; what happened later is not looked at.</param>
    public static SlotOnMachine Of(MachineModel model, Slot slot, JobState state, InkNumbers numbers, DateTimeOffset now)
    {
        var life = state
            .Machine.SlotLife.Where(l => l.At <= now && (l.What.Slot == SlotId.Whole || l.What.Slot.Value == slot.Panel))
            .ToList();
        var fitted = life.FindLastIndex(l => l.What.What == SlotChange.Fitted);
        var told = fitted < 0 ? null : model.Cartridges.FirstOrDefault(c => c.Id == life[fitted].What.Of);
        if ((told ?? Assumed(model, slot, state.Intake.Ink)) is not { } type)
            return new SlotOnMachine(slot, null, false, null, null, null, false);
        var events = life.Skip(Math.Max(0, fitted)).Select(l => EventOf(l, type, model.Slots.Count)).OfType<SlotEvent>().ToList();
        var isKnown = events.Any(e => e is not SlotEvent.Spent);
        // A piece that nobody fills began full, with its count at its start.
        var isAsBought = isKnown && !type.IsFilled && !events.Any(e => e is SlotEvent.Swapped or SlotEvent.Filled);
        if (isAsBought)
            events.Insert(0, new SlotEvent.Swapped(events.Min(e => e.At), type.Fill.Value, AllOfIt));
        var history = new SlotHistory(
            type.HasCount ? type.ChipCounts.Value : 0,
            type.Fill.Value,
            type.Reserve.Value,
            type.Tare?.Value ?? 0,
            numbers.Density.GetValueOrDefault(slot.InkKind, 1),
            events
        );
        // What could not be was refused when it was told; a pack that was changed since can make it so.
        var said = SlotLedger.Of(history, numbers.For(model, type), now);
        return new SlotOnMachine(
            slot,
            type,
            told is not null,
            told is null ? null : life[fitted].At,
            history,
            said.IsGood ? said.Value : null,
            isKnown
        )
        {
            IsAsBought = isAsBought,
        };
    }

    /// <summary>Whether ink is below its reserve by all that is known: it draws air.</summary>
    public bool DrawsAir => IsWitnessed && Estimate is { AirSince: not null };

    /// <summary>Whether it was weighed or filled: else only the count speaks.</summary>
    public bool IsWitnessed => History?.Events.Any(e => e is SlotEvent.Weighed or SlotEvent.Filled or SlotEvent.Swapped) == true;

    private static CartridgeType? Assumed(MachineModel model, Slot slot, string ink)
    {
        var fits = model.Cartridges.Where(c => c.Slots.Contains(slot.Panel)).ToList();
        if (ink == "addon" && fits.FirstOrDefault(c => c.IsDummy) is { } dummy)
            return dummy;
        return ink is "refilled" or "addon" ? fits.FirstOrDefault(c => c.IsFilled) ?? fits.FirstOrDefault() : fits.FirstOrDefault();
    }

    // What work drew of all channels together is drawn of each alike.
    private static SlotEvent? EventOf(SlotLived lived, CartridgeType type, int slots) =>
        (lived.What.What, lived.What.Amount) switch
        {
            (SlotChange.Fitted, { } ml) => new SlotEvent.Swapped(lived.At, ml, lived.What.Count ?? 0),
            (SlotChange.Filled, var ml) => new SlotEvent.Filled(lived.At, ml),
            (SlotChange.Weighed, { } g) when type.Tare is not null => new SlotEvent.Weighed(lived.At, g),
            (SlotChange.ChipRead, { } pct) when type.HasCount => new SlotEvent.ChipRead(lived.At, pct),
            (SlotChange.Reset, { } pct) when type.HasCount => new SlotEvent.Reset(lived.At, pct),
            (SlotChange.Spent, { } ml) => new SlotEvent.Spent(lived.At, lived.What.Slot == SlotId.Whole ? ml / slots : ml),
            _ => null,
        };
}
