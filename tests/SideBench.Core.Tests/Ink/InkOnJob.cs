using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;

namespace SideBench.Core.Tests.Ink;

/// <summary>A job on which ink and chips are told of, an hour after each other.</summary>
internal sealed class InkOnJob(string model, string ink = "refilled")
{
    internal static readonly InkNumbers House = TestShop.Shop.Numbers.Of<InkNumbers>();

    internal List<Entry> Lines { get; } = TestShop.Opened(TestShop.Intake(model, "fades-under-load") with { Ink = ink });

    internal MachineModel Model { get; } = TestShop.Shop.Models[model];

    internal JobState State => TestShop.Case(Lines).State;

    internal DateTimeOffset Now => Lines[^1].At.AddHours(1);

    internal IReadOnlyList<SlotOnMachine> Slots => SlotOnMachine.All(Model, State, House, Now);

    internal SlotOnMachine this[int slot] => Slots.First(s => s.Slot.Panel == slot);

    internal RefillAdvice Advice(int slot) => RefillAdvice.Of(this[slot], House.Rules, Model.StopsDead)!;

    internal InkVisit? Visit(bool isAll = true) => InkVisit.Of(Model, Slots, House, isAll, InkKeeping.PressesLeft(State.Machine, House));

    internal Outcome<IReadOnlyList<EntryBody>> Try(Func<InkKeeping, Outcome<IReadOnlyList<EntryBody>>> tells) =>
        tells(new InkKeeping(Model, State, House, Now));

    internal InkOnJob Tell(Func<InkKeeping, Outcome<IReadOnlyList<EntryBody>>> tells)
    {
        var at = Now;
        foreach (var body in Try(tells).Value)
            Lines.Add(TestShop.Line(Lines.Count + 1, body) with { At = at });
        return this;
    }

    /// <summary>Every slot holds a full piece of a type.</summary>
    internal InkOnJob AllFitted(string type)
    {
        foreach (var slot in Model.Slots)
            Tell(i => i.Fit(Piece(slot.Panel, type)));
        return this;
    }

    internal InkOnJob Chips(params double[] pct) => Tell(i => i.ReadChips(Amounts(pct)));

    internal static FittedPiece Piece(int slot, string type, double? ml = null, double? chip = null) =>
        new(slot, type, ml, chip, null, null, null, null, null, false);

    internal static IReadOnlyList<SlotAmount> Amounts(params double[] figures) => [.. figures.Select((f, at) => new SlotAmount(at + 1, f))];
}
