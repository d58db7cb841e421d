using SideBench.Core.Quantities;

namespace SideBench.Core.Machines;

/// <summary>What can be fitted in a slot of a model: a maker's cartridge, a refillable, a tank that stays.</summary>
/// <param name="Id">Name used in the record, such as <c>refillable</c>.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Source">maker, compatible, refillable, refilled (a maker's own, filled again), tank, or dummy (a chip alone).</param>
/// <param name="Inside">sponge, bag, baffled, outlet-sponge, tank, head-cartridge, or reservoir for a dummy.</param>
/// <param name="Chip">none, one-time, hand-tool, auto, board, carrier, or count for a count that people set back themselves.</param>
/// <param name="Slots">The slots it fits, by panel number.</param>
/// <param name="ChipCounts">What its chip counts from 100 to 0; 0 where there is none.</param>
/// <param name="Fill">A full fill.</param>
/// <param name="Reserve">What must stay in it.</param>
/// <param name="Tare">What it weighs empty; null where it cannot be weighed.</param>
/// <param name="LowPct">The count at which the machine first says low, %.</param>
/// <param name="Price">A piece, in the shop's currency.</param>
/// <param name="Key">Its key shape, in words.</param>
/// <param name="Numbers">Its numbers by region, in the order of its slots.</param>
public sealed record CartridgeType(
    string Id,
    string Name,
    string Source,
    string Inside,
    string Chip,
    IReadOnlyList<int> Slots,
    Millilitres ChipCounts,
    Millilitres Fill,
    Millilitres Reserve,
    Grams? Tare,
    double LowPct,
    decimal Price,
    string Key,
    IReadOnlyDictionary<string, IReadOnlyList<string>> Numbers
)
{
    /// <summary>How a tool whose pins differ from the chip's is laid on, in words; empty where they are alike.</summary>
    public string Align { get; init; } = "";

    /// <summary>Whether it is a chip and no ink, fed from elsewhere.</summary>
    public bool IsDummy => Source == "dummy";

    /// <summary>Whether people fill it.</summary>
    public bool IsFilled => Source is "refillable" or "refilled" or "tank" or "dummy";

    /// <summary>Whether it has a count at all.</summary>
    public bool HasCount => Chip != "none" && ChipCounts.Value > 0;

    /// <summary>Whether its count outlasts a fill: it shows ink when there is none left.</summary>
    public bool CountsPastFill => HasCount && ChipCounts.Value > Fill.Value - Reserve.Value;

    /// <summary>Its number for a slot in a region; null when it has none there.</summary>
    /// <param name="slot">The slot, by panel number.</param>
    /// <param name="region">The region.</param>
    public string? NumberFor(int slot, string region) =>
        Numbers.TryGetValue(region, out var numbers) && Slots.ToList().IndexOf(slot) is >= 0 and var at && at < numbers.Count
            ? numbers[at]
            : null;
}
