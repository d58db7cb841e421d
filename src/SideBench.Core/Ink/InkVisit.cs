using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.Ink;

/// <summary>A slot in a visit.</summary>
/// <param name="On">The slot.</param>
/// <param name="Advice">Its advice.</param>
/// <param name="Ml">Ink that goes in, ml; 0 where a new piece goes in.</param>
public sealed record VisitSlot(SlotOnMachine On, RefillAdvice Advice, double Ml);

/// <summary>
/// All ink work of a machine in one visit: which slots, in what order, how much into each, which resets, and what that costs against doing
/// them one by one. Every change purges every channel, so n changes one by one cost n purges and together one.
/// </summary>
/// <param name="Slots">What is filled or replaced, in the order of work: those that draw air first.</param>
/// <param name="Steps">The work, in order.</param>
/// <param name="Resets">Slots whose count is set anew with it.</param>
/// <param name="Board">Whether that is one press of a reset board.</param>
/// <param name="Minutes">Bench time, min.</param>
/// <param name="InkMl">Ink that goes in, ml.</param>
/// <param name="Cost">What that ink and what is replaced cost, in the shop's currency.</param>
/// <param name="PurgeMl">Ink that the purge takes, over all channels, ml.</param>
/// <param name="PurgeCounterPct">What the purge adds to the waste counter, points.</param>
/// <param name="PurgeTime">How long the purge lasts.</param>
/// <param name="SavedMl">Ink that one by one would cost more, ml.</param>
/// <param name="SavedCounterPct">Counter that one by one would cost more, points.</param>
/// <param name="Held">Why it cannot be begun; empty when it can.</param>
public sealed record InkVisit(
    IReadOnlyList<VisitSlot> Slots,
    IReadOnlyList<string> Steps,
    IReadOnlyList<int> Resets,
    bool Board,
    Minutes Minutes,
    double InkMl,
    decimal Cost,
    double PurgeMl,
    double PurgeCounterPct,
    Minutes PurgeTime,
    double SavedMl,
    double SavedCounterPct,
    string Held
)
{
    private const string PurgeId = "purge";
    private const string Lights = "lights";

    /// <summary>The visit that is due; null when nothing is.</summary>
    /// <param name="model">The model.</param>
    /// <param name="slots">Its slots.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="isAll">Whether all slots are done in one visit, as most do; else those that are due alone.</param>
    /// <param name="pressesLeft">Presses that the reset board has left.</param>
    public static InkVisit? Of(MachineModel model, IReadOnlyList<SlotOnMachine> slots, InkNumbers numbers, bool isAll, int pressesLeft)
    {
        var advised = slots
            .Select(s => (On: s, Advice: RefillAdvice.Of(s, numbers.Rules, model.StopsDead)!))
            .Where(s => s.Advice is not null && s.On.IsKnown)
            .ToList();
        var due = advised.Where(s => s.Advice.Urgency is SlotUrgency.Now or SlotUrgency.Air).ToList();
        if (due.Count == 0)
            return null;
        var board = due.Any(s => s.Advice.Way == SlotWay.FillForBoard);
        var along = advised.Where(s => !due.Contains(s) && (isAll || board) && GoesAlong(s.On, s.Advice, numbers.Rules));
        List<VisitSlot> visit =
        [
            .. due.Concat(along)
                .OrderByDescending(s => s.Advice.Urgency == SlotUrgency.Air)
                .ThenBy(s => s.On.Slot.Panel)
                .Select(s => new VisitSlot(s.On, s.Advice, Math.Max(0, s.Advice.Way == SlotWay.Replace ? 0 : s.On.Estimate!.AddMl.Best))),
        ];
        List<int> resets =
        [
            .. visit
                .Where(s => s.Advice.Way is SlotWay.FillAndReset or SlotWay.FillForBoard or SlotWay.RunOut)
                .Select(s => s.On.Slot.Panel),
        ];
        var purge = visit.Any(s => s.On.Type!.Inside != "tank") ? model.Operation(PurgeId) : null;
        var purgeMl = (purge?.PerChannel.Value ?? 0) * model.Slots.Count;
        var held = HeldBy(slots, visit, board, pressesLeft);
        var work = numbers.Work;
        var filled = visit.Count(s => s.Advice.Way != SlotWay.Replace);
        var airy = visit.Count(s => s.Advice.Urgency == SlotUrgency.Air);
        return new InkVisit(
            visit,
            [.. Work(model, visit, resets, board, pressesLeft, purge, numbers)],
            resets,
            board,
            Minutes.Of(
                work.Open
                    + (work.Fill * filled)
                    + (work.Prime * airy)
                    + (work.Reset * (board ? 1 : resets.Count))
                    + (purge?.Time.Value ?? 0)
            ),
            visit.Sum(s => s.Ml),
            visit.Sum(s => CostOf(s, numbers)),
            purgeMl,
            purge?.CounterPct ?? 0,
            purge?.Time ?? Minutes.None,
            purgeMl * (visit.Count - 1),
            (purge?.CounterPct ?? 0) * (visit.Count - 1),
            held
        );
    }

    /// <summary>Fill plugs that come out and go back, one of each piece that is filled by hand.</summary>
    public int Plugs => Slots.Count(s => s.Advice.Way != SlotWay.Replace && s.On.Type is { Inside: not "tank", IsDummy: false });

    /// <summary>What the ink or the piece costs.</summary>
    public static decimal CostOf(VisitSlot slot, InkNumbers numbers) =>
        slot.Advice.Way == SlotWay.Replace
            ? slot.On.Type!.Price
            : (decimal)slot.Ml * numbers.BottleMl.GetValueOrDefault(slot.On.Slot.InkKind);

    // What runs until it is refused, or is replaced, stays as it is while another slot is worked on.
    private static bool GoesAlong(SlotOnMachine on, RefillAdvice advice, SlotRules rules) =>
        advice.Way is not (SlotWay.Replace or SlotWay.RunOut) && on.Estimate!.AddMl.Best >= rules.WorthShare * on.Type!.Fill.Value;

    private static string HeldBy(IReadOnlyList<SlotOnMachine> slots, List<VisitSlot> visit, bool board, int pressesLeft)
    {
        if (!board)
            return "";
        if (pressesLeft <= 0)
            return "The board has no press left: it is scrap. A new board, or chips carried over.";
        var blind = slots.Where(s => !s.IsKnown && visit.All(v => v.On.Slot.Panel != s.Slot.Panel)).Select(s => s.Slot.Panel).ToList();
        return blind.Count == 0
            ? ""
            : $"One press claims ink in every slot, and nothing is known of slot {string.Join(", ", blind)}: weigh or fill those too.";
    }

    private static IEnumerable<string> Work(
        MachineModel model,
        List<VisitSlot> visit,
        List<int> resets,
        bool board,
        int pressesLeft,
        Operation? purge,
        InkNumbers numbers
    )
    {
        var fills = visit.Where(s => s.Advice.Way != SlotWay.Replace).ToList();
        var isTank = visit.All(s => s.On.Type!.Inside == "tank");
        if (isTank)
            yield return "Covers up; right colour, right tank, plugs out one at a time.";
        else if (visit.Any(s => s.Advice.Way == SlotWay.RunOut))
            yield return "By the machine’s own replace routine, power on: never with the power off.";
        else
            yield return $"Open the ink door; take out {Count(visit.Count)}, in panel order.";
        if (!isTank && model.Axes.GetValueOrDefault("panel") == Lights)
            yield return ByLights([.. visit.Select(s => s.On.Slot).OrderBy(s => s.Panel)]);
        foreach (var air in visit.Where(s => s.Advice.Urgency == SlotUrgency.Air))
            yield return $"Slot {air.On.Slot.Panel}, {air.On.Slot.Ink}, first: it took in air. Fill {air.Ml:0} ml and prime it.";
        foreach (var one in visit.Where(s => s.Advice is { Way: SlotWay.Replace }))
            yield return $"Slot {one.On.Slot.Panel}, {one.On.Slot.Ink}: a new one, "
                + $"{one.On.Type!.NumberFor(one.On.Slot.Panel, numbers.Region) ?? one.On.Type.Name}.";
        if (fills.Count > 0)
            yield return $"Fill {fills.Sum(s => s.Ml):0} ml in all, in small doses; stop at the first overflow.";
        if (fills.Count > 0 && !isTank)
            yield return $"Vent open, fill plug shut: {fills.Count} of {fills.Count} plugs back, none left on the bench.";
        if (board)
            yield return $"Door still open: press the board’s reset once; "
                + (pressesLeft == 2 ? "1 press left after it." : $"{pressesLeft - 1} presses left after it.");
        else if (resets.Count > 0)
            yield return $"Reset slot {string.Join(", ", resets)}: read it, up to {numbers.Rules.Tries} tries seated anew, read it again.";
        if (model.Prompt.Length > 0 && visit.Any(s => s.On.Type!.IsFilled))
            yield return $"Its prompt about the ink: {model.Prompt}";
        if (purge is not null)
            yield return $"Close up: one purge for all, {purge.Time.Value:0.#} min.";
        yield return visit.Any(s => s.Advice.Urgency == SlotUrgency.Air)
            ? "Nozzle sheet; a primed slot may need one clean, not more."
            : "Nozzle sheet.";
    }

    // Where there are only lights, each press of the ink button goes on to the next slot that the machine points at.
    private static string ByLights(IReadOnlyList<Slot> flagged) =>
        "Ink button: it points at "
        + string.Join(", ", flagged.Select((s, i) => i == 0 ? $"{s.Ink} first" : $"{s.Ink} after {i}"))
        + (flagged.Count > 1 ? " presses" : "")
        + $"; press {flagged.Count} goes to the place of exchange. Only slots it calls low are pointed at.";

    private static string Count(int n) => n == 1 ? "the cartridge" : $"the {n} cartridges";
}
