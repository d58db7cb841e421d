using SideBench.Core.Outcomes;
using SideBench.Core.Sums;
using static SideBench.Core.Sums.SumFields;

namespace SideBench.Core.Ink;

/// <summary>The small sums of slots: what is in one, whether it lasts a run, and which one is meant.</summary>
internal static class SlotSums
{
    public static Sum Weigh() =>
        new(
            "weigh-slot",
            "Weighing: what is really in it",
            "A cartridge on the scale: how much ink is in it?",
            ["ink = (mass − empty mass) ÷ what ink weighs"],
            [Amount("massG", "Weighs", "g", "291"), Amount("tareG", "Empty it weighs", "g", "214"), Density()],
            [new SumFigure("inkMl", "Ink in it", "ml")],
            input =>
            {
                var (mass, tare) = (input.Number("massG"), input.Number("tareG"));
                return Near.AtMost(tare, mass)
                    ? new List<object?> { (mass - tare) / input.Number("densityGPerMl") }
                    : new Problem(InkProblem.LighterThanEmpty, "/massG", mass, tare);
            }
        );

    public static Sum RunLength() =>
        new(
            "run-length",
            "Will it last the run",
            "So many pages: which slot stops the job, at which page, and what makes it last?",
            [
                "pages of a slot = (ink − reserve) ÷ ml a page, whole pages; 0 below the reserve",
                "to add = pages × ml a page − (ink − reserve), when above 0",
            ],
            [
                new SumField("pages", "Pages to print", "", SumKind.Number) { Least = 1, Example = "400" },
                new SumField("slots", "Slots", "", SumKind.List)
                {
                    Parts =
                    [
                        new SumField("name", "Slot", "", SumKind.Name) { Example = "K" },
                        Amount("inkMl", "Ink in it", "ml", "22"),
                        Amount("reserveMl", "Must stay", "ml", "1", 0),
                        Amount("mlPerPage", "A page takes", "ml", "0.06"),
                    ],
                },
            ],
            [
                new SumFigure("pagesBySlot", "Pages by slot", ""),
                new SumFigure("lasts", "It lasts", ""),
                new SumFigure("firstToStop", "First to stop it", ""),
                new SumFigure("stopsAfterPage", "Stops after page", ""),
                new SumFigure("addMl", "To add so that it lasts", "ml"),
            ],
            input => Run(input.Number("pages"), input.List("slots"))
        );

    public static Sum Mirror() =>
        new(
            "slot-mirror",
            "Slot seen from the other side",
            "The front counts slots one way, the back the other. Which one is it from there?",
            ["bay = the one that holds the position, counted in panel order", "position = size of the bay + 1 − position within it"],
            [
                Count("slots", "Slots in all", 1, "8"),
                Count("position", "Position", 1, "3"),
                new SumField("seenFrom", "Counted from the", "", SumKind.Word) { Words = ["front", "back"], Example = "front" },
                new SumField("bays", "Slots of each bay, if there are several", "", SumKind.Wholes) { Least = 1, Optional = true },
            ],
            [new SumFigure("bay", "Bay", ""), new SumFigure("position", "Position from the other side", "")],
            input =>
            {
                var (slots, position) = (input.Number("slots"), input.Number("position"));
                var bays = input.Wholes("bays") ?? [slots];
                if (position > slots)
                    return new Problem(ProblemCode.OutOfRange, "/position", position, 1, slots);
                if (bays.Sum() != slots)
                    return new Problem(InkProblem.BaysDoNotAdd, "/bays", bays.Sum(), slots);
                var bay = 0;
                for (; position > bays[bay]; bay++)
                    position -= bays[bay];
                return new List<object?> { bay + 1.0, bays[bay] + 1 - position };
            }
        );

    public static Sum Presses() =>
        new(
            "press-count",
            "Presses to reach a slot",
            "With lights alone: how many presses until the machine points at this slot?",
            ["presses = place of the slot among those pointed at − place it points at now", "to the place of exchange: those left + 1"],
            [
                new SumField("flagged", "Slots it points at, in its order", "", SumKind.Names) { Example = "K, M, waste" },
                new SumField("target", "Slot wanted", "", SumKind.Name) { Example = "M" },
                Count("startsAt", "It points now at number", 1, "1", 1),
            ],
            [new SumFigure("presses", "Presses to it", ""), new SumFigure("pressesToChange", "Presses to the place of exchange", "")],
            input =>
            {
                var (flagged, starts) = (input.Names("flagged"), input.Number("startsAt"));
                if (starts > flagged.Count)
                    return new Problem(ProblemCode.OutOfRange, "/startsAt", starts, 1, flagged.Count);
                var place = flagged.ToList().IndexOf(input.Word("target")) + 1;
                return new List<object?> { place == 0 || place < starts ? null : place - starts, flagged.Count - starts + 1 };
            }
        );

    private static Outcome<IReadOnlyList<object?>> Run(double pages, IReadOnlyList<SumInput> slots)
    {
        var names = slots.Select(s => s.Word("name")).ToList();
        for (var i = 0; i < names.Count; i++)
            if (names.IndexOf(names[i]) < i)
                return new Problem(SumProblem.NamedTwice, $"/slots/{i}/name", names[i]);
        var each = slots.Select(PagesOf).ToList();
        var first = each.Min();
        var stops = first < pages ? each.IndexOf(first) : -1;
        return new List<object?>
        {
            names.Zip(each, KeyValuePair.Create).ToList(),
            stops < 0,
            stops < 0 ? null : names[stops],
            stops < 0 ? null : first,
            names.Zip(slots, (name, slot) => KeyValuePair.Create(name, (double?)ToLast(pages, slot))).ToList(),
        };
    }

    private static double Over(SumInput slot) => slot.Number("inkMl") - slot.Number("reserveMl");

    private static double? PagesOf(SumInput slot) =>
        slot.Number("mlPerPage") is > 0 and var page ? Math.Max(0, Near.Floor(Over(slot) / page)) : null;

    private static double ToLast(double pages, SumInput slot) =>
        slot.Number("mlPerPage") is > 0 and var page ? Math.Max(0, (pages * page) - Over(slot)) : 0;
}
