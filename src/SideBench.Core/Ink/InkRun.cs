using SideBench.Core.Machines;

namespace SideBench.Core.Ink;

/// <summary>How far one slot goes in a run.</summary>
/// <param name="Slot">The slot.</param>
/// <param name="Pages">Whole pages it is good for: likely, and in 9 of 10 cases at least and at most.</param>
/// <param name="AddMl">To add so that even the low end lasts, ml; more than fits is told as such.</param>
/// <param name="Fits">Whether that fits.</param>
public sealed record SlotRun(SlotOnMachine Slot, Quantities.Band Pages, double AddMl, bool Fits);

/// <summary>Whether the ink lasts a run of pages.</summary>
/// <param name="Slots">Every slot whose ink is known by more than its count, the shortest first.</param>
/// <param name="PageMl">What a page takes of its fullest channel, ml.</param>
/// <param name="Lasts">Whether all last, even at their low end.</param>
public sealed record InkRun(IReadOnlyList<SlotRun> Slots, double PageMl, bool Lasts)
{
    /// <summary>Works out a run.</summary>
    /// <param name="model">The model: what a page takes at the coverage its figures are for.</param>
    /// <param name="slots">Its slots.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="pages">Pages to print, 1 or more.</param>
    /// <param name="coverPct">Mean coverage of each channel by panel number, %; a channel that takes nothing stops no run.</param>
    /// <param name="size">A page, as a multiple of the one the model's figure is for.</param>
    public static InkRun Of(
        MachineModel model,
        IReadOnlyList<SlotOnMachine> slots,
        InkNumbers numbers,
        int pages,
        Func<int, double> coverPct,
        double size
    )
    {
        var page = (int panel) => model.PageMl * size * coverPct(panel) / numbers.Rules.PageCoverPct;
        var each = slots
            .Where(s => s is { IsWitnessed: true, Estimate: not null } && page(s.Slot.Panel) > 0)
            .Select(s => One(s, page(s.Slot.Panel), pages))
            .OrderBy(s => s.Pages.Best)
            .ThenBy(s => s.Slot.Slot.Panel)
            .ToList();
        return new InkRun(each, model.Slots.Max(s => page(s.Panel)), each.Count > 0 && each.All(s => s.Pages.Low >= pages));
    }

    private static SlotRun One(SlotOnMachine slot, double page, int pages)
    {
        var over = slot.Estimate!.Ink.With(ml => ml - slot.Type!.Reserve.Value);
        var good = over.With(ml => Math.Max(0, Math.Floor(ml / page)));
        var add = Math.Max(0, (pages * page) - over.Low);
        return new SlotRun(slot, good, add, add <= slot.Estimate.AddMl.Low + 1e-9 || add <= 0);
    }
}
