using SideBench.Core.Ink;

namespace SideBench.Core.Simulation.Slots;

/// <summary>A kind of piece to try.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Slot">What it counts, holds and weighs.</param>
public sealed record SlotKind(string Name, SlotHistory Slot);

/// <summary>What the ledger said of a made-up slot, and what was so.</summary>
/// <param name="Kind">What was fitted.</param>
/// <param name="Last">The last thing that was told of it.</param>
/// <param name="Ink">Ink that was really in it, ml.</param>
/// <param name="Said">What the ledger said; null where a weighing was lighter than such a piece can be.</param>
/// <param name="Weighed">How often this piece was weighed.</param>
public sealed record SlotOutcome(string Kind, string Last, double Ink, SlotEstimate? Said, int Weighed)
{
    /// <summary>Whether the truth lies within the band.</summary>
    public bool IsWithin => Said is { } said && Ink >= said.Ink.Low && Ink <= said.Ink.High;
}

/// <summary>
/// Tries the ledger on made-up slots. In each, things happen in an order that chance makes: days of printing that the chip counts,
/// weighings, fills with and without a reset, new pieces; some slots are never read, and their use is told instead.
/// </summary>
public static class SlotTrial
{
    private static readonly DateTimeOffset Begins = new(2026, 1, 5, 8, 0, 0, TimeSpan.Zero);

    /// <summary>Kinds of pieces unlike each other: more in it than the chip counts, less, small, large.</summary>
    public static readonly IReadOnlyList<SlotKind> Kinds =
    [
        new("bag, holds more than its chip counts", new SlotHistory(215, 248, 12, 196, 1.06, [])),
        new("baffled, holds less", new SlotHistory(215, 170, 12, 214, 1.06, [])),
        new("sponge, small", new SlotHistory(12.5, 14, 1.4, 17.5, 1.06, [])),
        new("baffled, small, holds more", new SlotHistory(13.5, 26, 1, 22.4, 1.06, [])),
        new("white, heavy ink", new SlotHistory(390, 408, 10, 268, 1.22, [])),
    ];

    /// <summary>One made-up slot, asked about at a moment of its life.</summary>
    /// <param name="kind">What is fitted.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="seed">Draws its life.</param>
    public static SlotOutcome Of(SlotKind kind, InkNumbers numbers, int seed)
    {
        var chance = new Random(seed);
        var slot = new SimulatedSlot(kind.Slot, numbers.Noise, chance, Begins);
        var isRead = chance.NextDouble() < 0.8;
        for (var left = 1 + chance.Next(14); left > 0; left--)
            Happens(slot, chance, isRead);
        if (chance.NextDouble() < 0.2)
            slot.Spend();
        var history = slot.History;
        var since = history.Events.ToList().FindLastIndex(e => e is SlotEvent.Swapped);
        var said = SlotLedger.Of(history, numbers, slot.Now);
        return new SlotOutcome(
            kind.Name,
            history.Events[^1].GetType().Name.ToLowerInvariant(),
            slot.Ink,
            said.IsGood ? said.Value : null,
            history.Events.Skip(since).Count(e => e is SlotEvent.Weighed)
        );
    }

    private static void Happens(SimulatedSlot slot, Random chance, bool isRead)
    {
        // Where the chip is read, it is read before and after whatever is done.
        if (isRead)
        {
            slot.Print(20 * chance.NextDouble());
            if (slot.Read() <= 0 && chance.NextDouble() < 0.5)
                slot.Reset();
        }

        switch (chance.Next(isRead ? 10 : 7))
        {
            case 0:
                slot.FillUp();
                break;
            case 1:
                slot.Pour();
                break;
            case 2:
                slot.Fit();
                break;
            case 3 or 4:
                slot.Weigh();
                break;
            case 5 or 6 when !isRead:
                slot.Spend();
                break;
        }
    }
}
