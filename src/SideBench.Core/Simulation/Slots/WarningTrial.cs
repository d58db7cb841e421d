using SideBench.Core.Ink;

namespace SideBench.Core.Simulation.Slots;

/// <summary>How a warning came on a made-up slot.</summary>
/// <param name="IsInTime">Whether it came before air.</param>
/// <param name="LeftShare">Ink above the reserve when it came, share of a fill; 0 when it came too late.</param>
public sealed record WarningOutcome(bool IsInTime, double LeftShare)
{
    private const double Needless = 0.15;

    /// <summary>Whether it came needlessly early.</summary>
    public bool IsNeedless => LeftShare > Needless;
}

/// <summary>
/// Tries the warning before air on made-up slots that hold less than their chip counts: filled to full, read once a day, printed on until
/// the warning is due or air is in.
/// </summary>
public static class WarningTrial
{
    private const double Step = 0.1;
    private const double Most = 6;
    private const int StepsPerReading = 10;
    private static readonly DateTimeOffset Begins = new(2026, 1, 5, 8, 0, 0, TimeSpan.Zero);

    /// <summary>Kinds whose count outlasts their ink.</summary>
    public static readonly IReadOnlyList<SlotKind> Kinds =
    [
        new("baffled, holds less", new SlotHistory(215, 170, 12, 214, 1.06, [])),
        new("sponge, small, holds less", new SlotHistory(12.5, 11.5, 1.4, 17.5, 1.06, [])),
    ];

    /// <summary>One made-up slot, to its warning or to air.</summary>
    /// <param name="kind">What is fitted.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="before">How often the piece was weighed in an earlier fill, at levels unlike each other.</param>
    /// <param name="since">How often it is weighed in this fill: once it is full, and on the way down.</param>
    /// <param name="seed">Draws its life.</param>
    public static WarningOutcome Of(SlotKind kind, InkNumbers numbers, int before, int since, int seed)
    {
        var chance = new Random(seed);
        var slot = new SimulatedSlot(kind.Slot, numbers.Noise, chance, Begins);
        slot.Read();
        for (; before > 0; before--)
        {
            slot.Print(2 + (8 * chance.NextDouble()));
            slot.Read();
            slot.Weigh();
        }

        slot.FillUp();
        for (; since > 0; since--)
        {
            slot.Weigh();
            slot.Print(Most * chance.NextDouble());
            slot.Read();
        }

        var warnAt = WarnAt(slot, numbers);
        for (var step = 1; slot.Count > 0; step++)
        {
            if (slot.Count <= warnAt)
                return new WarningOutcome(true, (slot.Ink - kind.Slot.ReserveMl) / kind.Slot.FillMl);
            slot.Print(Step);
            if (slot.Ink <= kind.Slot.ReserveMl)
                return new WarningOutcome(slot.Count <= warnAt, 0);
            if (step % StepsPerReading != 0)
                continue;
            slot.Read();
            warnAt = WarnAt(slot, numbers);
        }

        return new WarningOutcome(true, 0);
    }

    private static double WarnAt(SimulatedSlot slot, InkNumbers numbers) =>
        SlotLedger.Of(slot.History, numbers, slot.Now) is { IsGood: true } said ? said.Value.WarnAtPct ?? 0 : 0;
}
