using SideBench.Core.Outcomes;
using SideBench.Core.Sums;
using static SideBench.Core.Sums.SumFields;

namespace SideBench.Core.Waste;

/// <summary>The small sums of waste ink: what a store still takes, what dried off, what its reuse saves, and when to act.</summary>
public static class WasteSums
{
    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<Sum> All = [BoxLife(), DriedOff(), ReuseMoney(), BottleDays(), CounterDays()];

    private static Sum BoxLife() =>
        new(
            "box-life",
            "Waste box: what it still takes",
            "A counter counts operations, a box holds mass. How many runs of the counter does it still take?",
            [
                "in it = mass now − dry mass; room = limit × margin − that",
                "runs done = in it ÷ gain a run; runs left = whole runs in the room, and no more than the counter allows",
                "gap = runs counted − runs done",
            ],
            [
                Amount("tareG", "Dry it weighs", "g", "97"),
                Amount("nowG", "Weighs now", "g", "202"),
                Above("gainPerCycleG", "A run of the counter brings", "g", "52"),
                Above("absorbentLimitG", "It can hold", "g", "255"),
                new SumField("margin", "Of which it is used to", "", SumKind.Number)
                {
                    Most = 1,
                    Without = 0.8,
                    Example = "0.8",
                },
                new SumField("cyclesCounted", "Runs counted", "", SumKind.Whole) { Optional = true },
                new SumField("cycleLimit", "Runs allowed", "", SumKind.Whole) { Optional = true },
            ],
            [
                new SumFigure("netG", "In it", "g"),
                new SumFigure("roomG", "Room", "g"),
                new SumFigure("cyclesDone", "Runs done, by mass", ""),
                new SumFigure("cyclesLeft", "Whole runs left", ""),
                new SumFigure("ledgerGap", "Counted more than weighed", "runs"),
            ],
            input =>
            {
                var (tare, now, gain) = (input.Number("tareG"), input.Number("nowG"), input.Number("gainPerCycleG"));
                if (!Near.AtMost(tare, now))
                    return new Problem(ProblemCode.OutOfRange, "/nowG", now, tare, "what the scale holds");
                var net = now - tare;
                var room = (input.Number("absorbentLimitG") * input.Number("margin")) - net;
                var left = Math.Max(0, Near.Floor(room / gain));
                var (counted, limit) = (input.Maybe("cyclesCounted"), input.Maybe("cycleLimit"));
                if (counted is { } done && limit is { } most)
                    left = Math.Min(left, Math.Max(0, most - done));
                return new List<object?> { net, room, net / gain, left, counted - (net / gain) };
            }
        );

    private static Sum DriedOff() =>
        new(
            "dried-off",
            "Dried off: what a store lost to the air",
            "Ink is mostly water. How much of what came in is gone again?",
            ["dried = delivered × what ink weighs − what the store gained"],
            [Above("deliveredMl", "Came in", "ml", "180"), Density(), Amount("gainedG", "It gained", "g", "95")],
            [new SumFigure("driedG", "Dried off", "g"), new SumFigure("driedPct", "Of what came in", "%")],
            input =>
            {
                var came = input.Number("deliveredMl") * input.Number("densityGPerMl");
                var dried = came - input.Number("gainedG");
                return Near.AtMost(0, dried)
                    ? new List<object?> { dried, 100 * dried / came }
                    : new Problem(WasteProblem.MoreThanTold, "/gainedG", input.Number("gainedG"), came);
            }
        );

    private static Sum ReuseMoney() =>
        new(
            "reuse-money",
            "Using a box again: what it saves",
            "One box used several times, with the tool for its chip and pads now and then: what is saved, and from which use on?",
            [
                "saved = (uses − 1) × price of a box − tool − refurbishings × pads",
                "pays from use 1 + (tool + refurbishings × pads) ÷ price of a box, rounded up",
            ],
            [
                Above("boxPrice", "A new box", "money", "18"),
                Amount("toolPrice", "The tool", "money", "24", 0),
                Amount("padPrice", "A set of pads", "money", "9", 0),
                Count("cycles", "Uses of one box", 1, "6"),
                Count("refurbishings", "Times new pads go in", 0, "1", 0),
            ],
            [
                new SumFigure("saved", "Saved", "money"),
                new SumFigure("breakEvenCycle", "Pays from use", ""),
                new SumFigure("boxesSpared", "Boxes spared", ""),
            ],
            input =>
            {
                var (box, spared) = (input.Number("boxPrice"), input.Number("cycles") - 1);
                var spent = input.Number("toolPrice") + (input.Number("refurbishings") * input.Number("padPrice"));
                return new List<object?> { (spared * box) - spent, 1 + Near.Ceiling(spent / box), spared };
            }
        );

    private static Sum BottleDays() =>
        new(
            "bottle-days",
            "Outside bottle: days until it is emptied",
            "A bottle is emptied long before it is full. When?",
            ["days = (bottle × share at which it is emptied − content) ÷ ml a day; 0 and due when past it"],
            [
                Above("bottleMl", "The bottle holds", "ml", "500"),
                Percent("emptyAtPct", "Emptied at", "45", 45),
                Amount("contentMl", "In it now", "ml", "140"),
                Above("mlPerDay", "Comes in a day", "ml", "3.2"),
            ],
            [new SumFigure("days", "Days", "days"), new SumFigure("due", "Due now", "")],
            input =>
            {
                var room = (input.Number("bottleMl") * input.Number("emptyAtPct") / 100) - input.Number("contentMl");
                return new List<object?> { Math.Max(0, room) / input.Number("mlPerDay"), !Near.AtMost(0, room) };
            }
        );

    private static Sum CounterDays() =>
        new(
            "counter-days",
            "Counter: days until its limit",
            "When does the waste counter stop the machine?",
            ["days = (limit − counter) ÷ points a day", "or days of a full run × (limit − counter) ÷ limit; 0 when reached"],
            [
                Amount("counterPct", "Counter now", "%", "91"),
                new SumField("limitPct", "Its limit", "%", SumKind.Number)
                {
                    AboveLeast = true,
                    Most = 100,
                    Without = 100.0,
                    Example = "100",
                },
                Maybe("pctPerDay", "Rises a day", "%", "0.4"),
                Maybe("fullCycleDays", "Or: days of a full run", "days", ""),
            ],
            [new SumFigure("days", "Days", "days")],
            input =>
            {
                var (limit, perDay, days) = (input.Number("limitPct"), input.Maybe("pctPerDay"), input.Maybe("fullCycleDays"));
                var room = Math.Max(0, limit - input.Number("counterPct"));
                if (perDay is not null && days is not null)
                    return new Problem(SumProblem.TwoWays, "/fullCycleDays", "fullCycleDays", "pctPerDay");
                if (perDay is null && days is null)
                    return new Problem(ProblemCode.Missing, "/pctPerDay");
                return new List<object?> { perDay is { } day ? room / day : days * room / limit };
            }
        );
}
