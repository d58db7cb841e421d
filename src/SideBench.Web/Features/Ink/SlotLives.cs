using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Packs;

namespace SideBench.Web.Features.Ink;

/// <summary>The life of what is fitted in a slot.</summary>
internal static class SlotLives
{
    private const int MostMoments = 60;

    /// <summary>Every event, with the estimate just after it; the newest ones where there are very many.</summary>
    public static Outcome<SlotLifeView> Of(JobCase job, int panel, Shop shop, DateTimeOffset now)
    {
        var (model, numbers) = (job.Book.Model, shop.Numbers.Of<InkNumbers>());
        if (model.Slots.FirstOrDefault(s => s.Panel == panel) is not { } slot)
            return new Problem(ProblemCode.OutOfRange, "/slot", panel, 1, model.Slots.Count);
        var on = SlotOnMachine.Of(model, slot, job.State, numbers, now);
        if (on is not { Type: { } type, History: { } history })
            return new SlotLifeView(panel, slot.Ink, slot.Holds.Value, 0, []);
        var moments = history
            .Events.Select((e, i) => (Event: e, Index: i))
            .Where(e => !on.IsAsBought || e.Index > 0)
            .OrderBy(e => e.Event.At)
            .TakeLast(MostMoments)
            .Select(e => Moment(history with { Events = [.. history.Events.Take(e.Index + 1)] }, e.Event, numbers.For(model, type)));
        return new SlotLifeView(panel, slot.Ink, type.Fill.Value, type.Reserve.Value, [.. moments]);
    }

    private static SlotMomentView Moment(SlotHistory so, SlotEvent what, InkNumbers numbers)
    {
        var said = SlotLedger.Of(so, numbers, what.At);
        var (word, says) = what switch
        {
            SlotEvent.Swapped s => ("fitted", $"fitted, {s.Ml:0.#} ml"),
            SlotEvent.Filled { Ml: { } ml } => ("filled", $"{ml:0.#} ml filled in"),
            SlotEvent.Filled => ("filled", "filled to full"),
            SlotEvent.Weighed w => ("weighed", $"weighed, {w.G:0.#} g"),
            SlotEvent.ChipRead r => ("chip-read", $"chip {r.Pct:0} %"),
            SlotEvent.Reset r => ("reset", $"reset to {r.ToPct:0} %"),
            SlotEvent.Spent s => ("spent", $"{s.Ml:0.#} ml drawn by work"),
            _ => ("", ""),
        };
        return new SlotMomentView(
            what.At,
            word,
            says,
            said.IsGood ? said.Value.ChipPct : null,
            what is SlotEvent.Weighed g ? (g.G - so.TareG) / so.DensityGPerMl : null,
            said.IsGood ? InkViews.Figure(said.Value.Ink) : null
        );
    }
}
