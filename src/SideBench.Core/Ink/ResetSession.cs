using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>A slot in a reset session, in the order of the hand.</summary>
/// <param name="Slot">The slot, by panel number.</param>
/// <param name="Before">Its count before, %; null when not read.</param>
/// <param name="IsFull">Whether it was filled to full.</param>
/// <param name="Ml">What went in, ml, where it was not filled to full; null for nothing.</param>
/// <param name="Tries">How often the tool was tried; 0 where its count was left as it is.</param>
/// <param name="Lamp">The lamp of the tool: green, red, dark; empty when not seen.</param>
/// <param name="IsReset">Whether its count was set anew.</param>
/// <param name="After">Its count after, %; null for 100.</param>
public sealed record SessionSlot(int Slot, double? Before, bool IsFull, double? Ml, int Tries, string Lamp, bool IsReset, double? After);

/// <summary>A reset session as lines: what was read, what went in, and every reset with its tries and its lamp.</summary>
public sealed partial class InkKeeping
{
    /// <summary>What the lamp of a tool says.</summary>
    public static IReadOnlyList<string> Lamps { get; } = ["", "steady", "blinks", "red", "dark"];

    /// <summary>All slots of a visit, one after the other.</summary>
    /// <param name="slots">Each as it was done; a board is pressed once for all of them.</param>
    /// <param name="despite">Why a board is pressed though a slot is not full; empty when all are.</param>
    public Outcome<IReadOnlyList<EntryBody>> Session(IReadOnlyList<SessionSlot>? slots, string? despite)
    {
        if (slots is not { Count: > 0 })
            return new Problem(ProblemCode.Missing, "/slots");
        var problems = Checked([.. slots.Select(s => new SlotAmount(s.Slot, s.Before, s.After))], "%", 0, AllOfIt);
        foreach (var (at, slot) in slots.Index())
        {
            Guard.Word(problems, slot.Lamp, $"/slots/{at}/lamp", Lamps);
            Guard.Range(problems, slot.Tries, $"/slots/{at}/tries", slot.IsReset ? 1 : 0, MostTries);
            Guard.Range(problems, slot.After ?? 0, $"/slots/{at}/after", 0, AllOfIt);
        }

        var lines = new List<EntryBody>();
        List<SlotAmount> fills =
        [
            .. slots.Where(s => s.IsFull || s.Ml is not null).Select(s => new SlotAmount(s.Slot, s.IsFull ? null : s.Ml)),
        ];
        if (problems.Count == 0 && fills.Count > 0)
            Take(Fill(fills));
        if (problems.Count == 0)
            foreach (var group in slots.Where(s => s.Tries > 0).GroupBy(s => (Tool: ToolOf(s.Slot), s.IsReset, s.Tries)))
                Take(
                    ByTool(
                        group.Key.Tool,
                        group.Key.IsReset,
                        group.Key.Tries,
                        [.. group],
                        [.. fills.Where(f => f.Amount is null).Select(f => f.Slot)],
                        despite
                    )
                );
        if (problems.Count == 0 && slots.Where(s => s is { Tries: 0, Before: not null }).ToList() is { Count: > 0 } read)
            lines.Insert(0, new ChipsRead([.. read.Select(s => new SlotAmount(s.Slot, s.Before))]));
        return problems.Count > 0 ? problems
            : lines.Count == 0 ? new Problem(ProblemCode.Missing, "/slots")
            : lines;

        void Take(Outcome<IReadOnlyList<EntryBody>> made)
        {
            problems.AddRange(made.Problems);
            if (made.IsGood)
                lines.AddRange(made.Value);
        }
    }

    // One press of a board is for every slot; what the session itself filled to full counts as full.
    private Outcome<IReadOnlyList<EntryBody>> ByTool(
        string tool,
        bool worked,
        int tries,
        IReadOnlyList<SessionSlot> group,
        IReadOnlyList<int> filled,
        string? despite
    )
    {
        var each = group.Select(s => new SlotAmount(s.Slot, s.Before, s.After, s.Lamp)).ToList();
        if (tool == InkWords.Board)
            each.AddRange(model.Slots.Where(s => group.All(g => g.Slot != s.Panel)).Select(s => new SlotAmount(s.Panel, null)));
        return Reset(tool.Length > 0 ? tool : null, each, tries, worked, despite, filled);
    }

    private string ToolOf(int slot) =>
        ToolFor(SlotOnMachine.Of(model, model.Slots.First(s => s.Panel == slot), state, numbers, now).Type?.Chip ?? "");
}
