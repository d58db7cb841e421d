using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Record;

namespace SideBench.Core.Ink;

/// <summary>Ink and chips: what is really in a slot, and what a chip counts.</summary>
public static class InkCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new(
        "Ink",
        [ChipsRead.Form, SlotsWeighed.Form, SlotsFilled.Form, SlotsReset.Form, SlotFitted.Form, Purged.Form]
    )
    {
        Numbers = typeof(InkNumbers),
        FactKinds = InkFacts.Kinds,
        FactsOnModel = (model, job, numbers, now) => InkFacts.Of(model, job, (InkNumbers)numbers, now),
        HandOver = Used,
    };

    // What went in on this visit, by the numbers on the panel.
    private static HandOverLines Used(JobState job)
    {
        var lived = job.Machine.SlotLife.Where(l => l.At >= job.OpenedAt && l.What.Slot != SlotId.Whole).ToList();
        List<string> used = [.. Of(SlotChange.Filled, "Ink filled in"), .. Of(SlotChange.Fitted, "Cartridge fitted in")];
        return used.Count == 0 ? HandOverLines.None : new HandOverLines(used, []);

        IEnumerable<string> Of(SlotChange change, string says)
        {
            int[] slots = [.. lived.Where(l => l.What.What == change).Select(l => l.What.Slot.Value).Distinct().Order()];
            return slots.Length == 0 ? [] : [$"{says} slot{(slots.Length > 1 ? "s" : "")} {string.Join(", ", slots)}"];
        }
    }
}
