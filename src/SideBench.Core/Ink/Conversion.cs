using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.Ink;

/// <summary>One slot of a conversion.</summary>
/// <param name="On">The slot, with the maker's piece in it.</param>
/// <param name="DonorPct">What its chip still counts, %; null when not read.</param>
/// <param name="IsLost">Whether its chip has too little left to be carried over.</param>
/// <param name="DaysLeft">Days until it has too little, at its use; null when not known, or lost already.</param>
/// <param name="Says">What is done, in words for the hand.</param>
public sealed record ConversionStep(SlotOnMachine On, double? DonorPct, bool IsLost, double? DaysLeft, string Says);

/// <summary>
/// A machine on maker's cartridges taken to refillables with their chips carried over, slot by slot, while donors still have memory.
/// A colour whose chip is lost comes first: it needs another donor, which is ordered; then those that lose theirs soonest.
/// </summary>
/// <param name="To">The refillable that goes in.</param>
/// <param name="Steps">Slots, in order.</param>
/// <param name="Cost">Refillables, and a maker's piece as donor for each that is lost, in the shop's currency.</param>
/// <param name="Hands">Bench time.</param>
/// <param name="WindowDays">Days until the first donor that is good now is good no longer; null when no use is known.</param>
/// <param name="Unread">Slots whose chip was not read.</param>
public sealed record Conversion(
    CartridgeType To,
    IReadOnlyList<ConversionStep> Steps,
    decimal Cost,
    Minutes Hands,
    double? WindowDays,
    IReadOnlyList<int> Unread
)
{
    private const string Carrier = "carrier";
    private const double AllOfIt = 100;

    /// <summary>The plan; null where the model has no refillable for carried chips, or none of its maker's pieces is in.</summary>
    /// <param name="model">The model.</param>
    /// <param name="slots">Its slots.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="floorPct">A donor needs so much left, %: by the school of the shop.</param>
    public static Conversion? Of(MachineModel model, IReadOnlyList<SlotOnMachine> slots, InkNumbers numbers, double floorPct)
    {
        if (model.Cartridges.FirstOrDefault(c => c is { Chip: Carrier, IsFilled: true }) is not { } to)
            return null;
        var steps = slots
            .Where(s => s.Type is { IsFilled: false, HasCount: true } && to.Slots.Contains(s.Slot.Panel))
            .Select(s => Step(s, numbers, floorPct))
            .OrderByDescending(s => s.IsLost)
            .ThenBy(s => s.DonorPct is null)
            .ThenBy(s => s.DaysLeft ?? double.MaxValue)
            .ThenBy(s => s.DonorPct)
            .ThenBy(s => s.On.Slot.Panel)
            .ToList();
        if (steps.Count == 0)
            return null;
        return new Conversion(
            to,
            steps,
            steps.Sum(s => to.Price + (s.IsLost ? s.On.Type!.Price : 0)),
            Minutes.Of(numbers.Work.Open + (numbers.Work.Convert * steps.Count)),
            steps.Min(s => s.DaysLeft),
            [.. steps.Where(s => s.DonorPct is null).Select(s => s.On.Slot.Panel)]
        );
    }

    private static ConversionStep Step(SlotOnMachine on, InkNumbers numbers, double floorPct)
    {
        var pct = on.IsKnown ? on.Estimate?.ChipPct : null;
        var isLost = pct <= 0 || pct < floorPct;
        double? days = null;
        if (!isLost && pct is { } now && SlotForecast.Of(on, numbers.Rules) is { MlPerDay.Best: > 0 } use)
            days = (now - floorPct) / AllOfIt * on.Type!.ChipCounts.Value / use.MlPerDay.Best;
        return new ConversionStep(on, pct, isLost, days, Words(on, pct, isLost));
    }

    private static string Words(SlotOnMachine on, double? pct, bool isLost) =>
        isLost ? $"Its chip is lost at {pct:0}\u2009%: another donor of {on.Slot.Ink} first."
        : pct is null ? "Read its chip first: a donor without memory makes no cartridge."
        : $"Donor at {pct:0}\u2009%.";
}
