using SideBench.Core.Jobs;
using SideBench.Core.Machines;

namespace SideBench.Core.Ink;

/// <summary>What the ledger of the slots tells diagnosis: findings that nobody had to ask for.</summary>
public static class InkFacts
{
    private const string SlotsDry = "slots-dry";
    private const string Chips = "chips-worst";
    private const string Board = "board-presses";

    /// <summary>The facts there are.</summary>
    public static readonly IReadOnlyList<FactKind> Kinds =
    [
        new(SlotsDry, ["yes", "no", "unknown"], "", "Whether a slot is down to its reserve by its fills and weighings"),
        new(Chips, ["fine", "low", "spent", "unknown"], "", "The worst count of any slot: low as the machine says it, spent at its end"),
        new(Board, [], "presses", "Presses that the reset board has left"),
    ];

    /// <summary>The facts of a machine on the bench.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="state">The job.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    public static IEnumerable<Fact> Of(MachineModel model, JobState state, InkNumbers numbers, DateTimeOffset now)
    {
        if (state.Machine.SlotLife.Count == 0)
            return [];
        var slots = SlotOnMachine.All(model, state, numbers, now);
        var dry = slots.Where(s => s.DrawsAir).ToList();
        var facts = new List<Fact>
        {
            new(
                SlotsDry,
                dry.Count > 0 ? "yes"
                    : slots.All(s => s.IsWitnessed) ? "no"
                    : "unknown",
                null,
                dry.Count == 0 ? "No slot is known to be dry" : $"Down to its reserve: {string.Join(", ", dry.Select(s => s.Slot.Ink))}",
                dry.Min(s => s.Estimate!.AirSince)
            ),
        };
        var counts = slots.Where(s => s is { IsKnown: true, Estimate.ChipPct: not null }).ToList();
        if (counts.MinBy(s => s.Estimate!.ChipPct) is { Estimate.ChipPct: { } least } worst)
            facts.Add(
                new Fact(
                    Chips,
                    least <= 0 ? "spent"
                        : counts.Any(s => s.Estimate!.ChipPct <= s.Type!.LowPct) ? "low"
                        : "fine",
                    null,
                    $"{worst.Slot.Ink} counts {least:0}\u2009%",
                    null
                )
            );
        if (slots.Any(s => s.Type is { Chip: "board" }))
            facts.Add(new Fact(Board, null, InkKeeping.PressesLeft(state.Machine, numbers), "Presses of the board", null));
        return facts;
    }
}
