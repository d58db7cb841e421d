using SideBench.Core.Machines;

namespace SideBench.Core.Ink;

/// <summary>How urgent a slot is.</summary>
public enum SlotUrgency
{
    /// <summary>Nothing to do.</summary>
    Fine,

    /// <summary>Nothing is known of it: read or weigh it.</summary>
    Unknown,

    /// <summary>Due soon.</summary>
    Soon,

    /// <summary>Due.</summary>
    Now,

    /// <summary>Below its reserve: it draws air.</summary>
    Air,
}

/// <summary>What is to be done with a slot.</summary>
public enum SlotWay
{
    /// <summary>Filled; its count stays.</summary>
    Fill,

    /// <summary>Filled, and its count reset.</summary>
    FillAndReset,

    /// <summary>Left to run until the machine refuses it, then filled and exchanged by its routine.</summary>
    RunOut,

    /// <summary>Filled with all others, then one press of the board.</summary>
    FillForBoard,

    /// <summary>A new one goes in.</summary>
    Replace,
}

/// <summary>
/// When a slot is filled and what becomes of its count: by what is inside, the kind of its chip, and a fill against what the chip counts.
/// </summary>
/// <param name="Urgency">How urgent.</param>
/// <param name="Way">What is done with it.</param>
/// <param name="DueAtPct">The count at which it is due, %; null where it has none or runs until it is refused.</param>
/// <param name="Says">What to do, one sentence.</param>
/// <param name="Why">Why it is so here, one sentence.</param>
/// <param name="Warnings">What goes wrong otherwise.</param>
/// <remarks>Source: handbook of the trade, arithmetic, chips and schools. The same warning wants opposite things on two machines.</remarks>
public sealed record RefillAdvice(
    SlotUrgency Urgency,
    SlotWay Way,
    double? DueAtPct,
    string Says,
    string Why,
    IReadOnlyList<string> Warnings
)
{
    private const double AllOfIt = 100;

    /// <summary>The advice on a slot.</summary>
    /// <param name="slot">The slot, with what is fitted.</param>
    /// <param name="rules">House numbers.</param>
    /// <param name="stopsDead">Whether the machine stops in mid-page when a slot is called empty.</param>
    /// <returns>Null where nothing is known of what can be fitted.</returns>
    public static RefillAdvice? Of(SlotOnMachine slot, SlotRules rules, bool stopsDead)
    {
        if (slot is not { Type: { } type, Estimate: { } now })
            return null;
        var (way, why) = Spent(type, now) ?? WayOf(type);
        var due = DueAt(slot, type, now, way, rules);
        var urgency = UrgencyOf(slot, now, due, type, rules);
        List<string> warnings = [];
        if (type.Chip == "hand-tool" && type.IsFilled && now.ChipPct < rules.FloorPct)
            warnings.Add($"Its chip is below {rules.FloorPct:0} %: a hand tool mostly fails there. Expect to scrap it before you try.");
        if (way == SlotWay.RunOut)
            warnings.Add(
                "Not with the power off, and no firmware update: its chip sets itself back only by the machine’s replace routine."
            );
        if (type.IsDummy)
            warnings.Add("Seat it firmly, without force: its pins bend.");
        if (type is { Chip: "auto", IsFilled: true, CountsPastFill: true } or { Chip: "auto", IsFilled: true, Inside: "sponge" })
            warnings.Add("A hard case: its chip sets itself back only when it is refused, and its ink ends before that.");
        if (type.Chip is "one-time" && type.IsFilled)
            warnings.Add("Its chip cannot be reset: it counts on to empty, and then the piece goes.");
        if (stopsDead && urgency is SlotUrgency.Now or SlotUrgency.Air)
            warnings.Add("This machine stops in mid-page when a slot is called empty.");
        return new RefillAdvice(urgency, way, due, Sentence(urgency, way, type, now, due), why, warnings);
    }

    // A count at its end that was never set back: the machine takes the piece no longer, however much is in it.
    private static (SlotWay Way, string Why)? Spent(CartridgeType type, SlotEstimate now) =>
        now.ChipPct is not <= 0 || WayOf(type).Way != SlotWay.Fill ? null
        : type.Chip == "auto" ? (SlotWay.RunOut, "Refused at last: filled and exchanged by the routine, its chip sets itself back.")
        : (SlotWay.Replace, "Its chip has counted to its end and cannot be set back.");

    /// <summary>The count at which it is due, %; null where it has none or runs until it is refused.</summary>
    /// <remarks>
    /// Where a fill sets the count anew, the rule is a count. Where it does not, the same share of the fill is meant: what is in it says
    /// when that is reached, whatever the count stands at.
    /// </remarks>
    private static double? DueAt(SlotOnMachine slot, CartridgeType type, SlotEstimate now, SlotWay way, SlotRules rules)
    {
        if (way == SlotWay.RunOut || !type.HasCount)
            return null;
        var least = LeastCount(type, way, rules);
        if (way == SlotWay.Fill && slot.IsWitnessed && now.ChipPct is { } chip)
        {
            var ink = type.Reserve.Value + (least / AllOfIt * (type.Fill.Value - type.Reserve.Value));
            least = chip - (AllOfIt * (now.Ink.Best - ink) / (type.ChipCounts.Value * now.CountFactor.Best));
        }

        return Math.Max(0, slot.IsWitnessed ? Math.Max(least, now.WarnAtPct ?? 0) : least);
    }

    /// <summary>What is done with what is fitted, and why.</summary>
    private static (SlotWay Way, string Why) WayOf(CartridgeType type) =>
        type switch
        {
            { IsFilled: false } => (SlotWay.Replace, "As bought: it is not filled, a new one goes in."),
            { IsDummy: true } => (SlotWay.Fill, "A chip and no ink: its ink is proved at the reservoir, whatever it counts."),
            { Chip: "board" } => (
                SlotWay.FillForBoard,
                "One press claims ink in every slot, so all are filled first; presses are counted."
            ),
            { Chip: "auto", Inside: "sponge" } => (SlotWay.Fill, "A sponge must not run dry, and its chip is reset only when refused."),
            { Chip: "auto", CountsPastFill: true } => (
                SlotWay.Fill,
                "It holds less than its chip counts: topped up before it is dry, then run to the end."
            ),
            { Chip: "auto" } => (SlotWay.RunOut, "It holds more than its chip counts: “low” is the chip’s word, not the ink’s."),
            { Chip: "hand-tool" } => (SlotWay.FillAndReset, "Reset at the first low notice, above the tool’s floor, or before it is dry."),
            { Chip: "count" } => (SlotWay.FillAndReset, "Its count is set back by whoever fills it."),
            _ => (SlotWay.Fill, "It is filled by what is in it; no reset is to be had."),
        };

    private static double LeastCount(CartridgeType type, SlotWay way, SlotRules rules) =>
        way == SlotWay.Replace ? 0
        : type.Inside == "baffled" ? rules.EarlyPct
        : type.Inside is "sponge" or "head-cartridge" or "outlet-sponge" ? type.LowPct
        : way == SlotWay.FillAndReset && type.Chip == "hand-tool" ? Math.Max(type.LowPct, rules.FloorPct)
        : 0;

    private static SlotUrgency UrgencyOf(SlotOnMachine slot, SlotEstimate now, double? due, CartridgeType type, SlotRules rules)
    {
        // The count of something that people fill says when its rule is due, and no more.
        if (!slot.IsKnown || (!slot.IsWitnessed && due is not null && now.ChipPct > due))
            return SlotUrgency.Unknown;
        if (slot.DrawsAir)
            return SlotUrgency.Air;
        if (due is { } at && now.ChipPct is { } chip)
            return chip <= at ? SlotUrgency.Now
                : chip <= at + rules.SoonPct ? SlotUrgency.Soon
                : SlotUrgency.Fine;
        if (due is null && now.ChipPct is { } run)
            return run <= 0 ? SlotUrgency.Now
                : run <= rules.SoonPct ? SlotUrgency.Soon
                : SlotUrgency.Fine;
        // Without a count: by the ink alone.
        return now.Ink.Low <= type.Reserve.Value ? SlotUrgency.Now : SlotUrgency.Fine;
    }

    private static string Sentence(SlotUrgency urgency, SlotWay way, CartridgeType type, SlotEstimate now, double? due)
    {
        var add = $"{now.AddMl.Best:0} ml";
        return (urgency, way) switch
        {
            (SlotUrgency.Unknown, _) when type.IsDummy => "Look at its reservoir, and say when it is filled.",
            (SlotUrgency.Unknown, _) when now.ChipPct is not null => type.Tare is null
                ? "Its count alone does not say what is in it: say when it is filled."
                : "Its chip alone does not say what is in it: weigh it.",
            (SlotUrgency.Unknown, _) => type.Tare is null ? "Read its count, or say when it is filled." : "Weigh it, or read its chip.",
            (SlotUrgency.Air, SlotWay.Replace) => "Stop: it draws air. A new one goes in.",
            (SlotUrgency.Air, _) => $"Stop: it draws air. Fill {add} and prime it.",
            (SlotUrgency.Now, SlotWay.Replace) => "Replace it now.",
            (SlotUrgency.Now, SlotWay.RunOut) => $"Refused: fill {add}, exchange it by the replace routine.",
            (SlotUrgency.Now, SlotWay.FillForBoard) => $"Fill {add} now, with all others.",
            (SlotUrgency.Now, SlotWay.FillAndReset) => $"Fill {add} now, then reset.",
            (SlotUrgency.Now, _) => $"Fill {add} now.",
            (_, SlotWay.RunOut) => "Let it run until it is refused.",
            (SlotUrgency.Soon, _) => $"Soon: at chip {due ?? 0:0} %.",
            _ => due is { } at ? $"Fine until chip {at:0} %." : "Fine.",
        };
    }
}
