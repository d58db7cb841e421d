using SideBench.Core.Outcomes;
using SideBench.Core.Sums;
using static SideBench.Core.Sums.SumFields;

namespace SideBench.Core.Ink;

/// <summary>The small sums of chips: when a slot is dry though its chip still counts, and what resets and visits are worth.</summary>
internal static class ChipSums
{
    private static readonly SumFigure[] DryFigures =
    [
        new("dryAtChipPct", "Dry when the chip says", "%"),
        new("runsDry", "Runs dry before the chip is empty", ""),
        new("leftAtChipEmptyMl", "Left when the chip is empty", "ml"),
    ];

    public static Sum DryPoint() =>
        new(
            "dry-point",
            "Dry point: when a slot takes in air",
            "The chip counts, it does not measure. At which reading is this fill down to its reserve?",
            [
                "dry at = chip at the fill − 100 × (fill − reserve) ÷ what the chip counts",
                "runs dry when that is above 0",
                "left at chip empty = fill − what the chip counts × chip at the fill ÷ 100",
            ],
            [.. Slot(), Percent("chipAtFillPct", "Chip at the fill", "100", 100)],
            DryFigures,
            input => IsOverFilled(input) is { } problem ? problem : Dry(input, input.Number("chipAtFillPct")).ToList()
        );

    public static Sum TopUp() =>
        new(
            "top-up",
            "Top-up: how much, and when dry after it",
            "How much goes in to make it full, and does the slot run dry after that?",
            [
                "ink now = fill − what the chip counts × (chip at the fill − chip now) ÷ 100",
                "to add = fill − ink now",
                "then as for a dry point, with the chip at 100 after a reset, else where it is now",
            ],
            [
                .. Slot(),
                Percent("chipAtFillPct", "Chip at the last fill", "100", 100),
                Percent("chipNowPct", "Chip now", "45"),
                new SumField("reset", "The chip is reset", "", SumKind.Flag),
            ],
            [new SumFigure("inkNowMl", "In it now", "ml"), new SumFigure("addMl", "To add", "ml"), .. DryFigures],
            input =>
            {
                if (IsOverFilled(input) is { } problem)
                    return problem;
                var (at, now, fill) = (input.Number("chipAtFillPct"), input.Number("chipNowPct"), input.Number("fillMl"));
                if (!Near.AtMost(now, at))
                    return new Problem(ProblemCode.OutOfRange, "/chipNowPct", now, 0, at);
                var ink = fill - (input.Number("chipMl") * (at - now) / 100);
                if (!Near.AtMost(0, ink))
                    return new Problem(InkProblem.SlotPastDry, "/chipNowPct", Math.Round(DryAt(input, at), 1), now);
                return new List<object?> { ink, fill - ink }
                    .Concat(Dry(input, input.Flag("reset") ? 100 : now))
                    .ToList();
            }
        );

    public static Sum Batch() =>
        new(
            "batch-changes",
            "One visit or many: purges saved",
            "Each change of a cartridge purges every channel. What does doing them in one visit save?",
            ["saved = (changes − 1) × what a purge costs, over all channels"],
            [
                Count("changes", "Changes", 1, "4"),
                Count("channels", "Channels purged each time", 1, "9"),
                Amount("purgeMlPerChannel", "A purge takes of each channel", "ml", "1.8"),
                Amount("counterPctPerPurge", "A purge adds to the counter", "%", "1.4"),
                Amount("minutesPerPurge", "A purge lasts", "min", "3", 0),
            ],
            [
                new SumFigure("savedMl", "Ink saved", "ml"),
                new SumFigure("savedCounterPct", "Counter saved", "%"),
                new SumFigure("savedMinutes", "Minutes saved", "min"),
            ],
            input =>
            {
                var spared = input.Number("changes") - 1;
                return new List<object?>
                {
                    spared * input.Number("channels") * input.Number("purgeMlPerChannel"),
                    spared * input.Number("counterPctPerPurge"),
                    spared * input.Number("minutesPerPurge"),
                };
            }
        );

    public static Sum ResetBudget() =>
        new(
            "reset-budget",
            "Reset board: how long it lasts",
            "A board has so many presses. How many days are left in it?",
            [
                "days = presses left × ml between two presses ÷ ml a day, of the slot that empties first",
                "or presses left × days between two presses",
            ],
            [
                Count("resetsLeft", "Presses left", 0, "18"),
                Maybe("mlPerReset", "The emptiest slot may take between two presses", "ml", "120"),
                Maybe("mlPerDay", "That slot uses a day", "ml", "9"),
                Maybe("daysPerReset", "Or: days between two presses", "days", ""),
            ],
            [new SumFigure("days", "Lasts", "days"), new SumFigure("totalMl", "Ink until then, in that slot", "ml")],
            input =>
            {
                var (left, per, day) = (input.Number("resetsLeft"), input.Maybe("mlPerReset"), input.Maybe("mlPerDay"));
                if (input.Maybe("daysPerReset") is { } days)
                    return day is null
                        ? new List<object?> { left * days, left * per }
                        : new Problem(SumProblem.TwoWays, "/daysPerReset", "daysPerReset", "mlPerDay");
                var missing = new[] { ("mlPerReset", per), ("mlPerDay", day) }.Where(f => f.Item2 is null);
                if (missing.Select(f => new Problem(ProblemCode.Missing, $"/{f.Item1}")).ToList() is { Count: > 0 } problems)
                    return problems;
                return new List<object?> { left * per / day, left * per };
            }
        );

    private static SumField[] Slot() =>
        [
            Above("chipMl", "The chip counts from 100 to 0", "ml", "215"),
            Above("fillMl", "A fill", "ml", "170"),
            Amount("reserveMl", "Must stay in it", "ml", "12", 0),
        ];

    private static Problem? IsOverFilled(SumInput input) =>
        Near.AtMost(input.Number("reserveMl"), input.Number("fillMl"))
            ? null
            : new Problem(ProblemCode.OutOfRange, "/reserveMl", input.Number("reserveMl"), 0, input.Number("fillMl"));

    private static double DryAt(SumInput input, double chip) =>
        chip - (100 * (input.Number("fillMl") - input.Number("reserveMl")) / input.Number("chipMl"));

    private static IEnumerable<object?> Dry(SumInput input, double chip)
    {
        var dry = DryAt(input, chip);
        return [dry, !Near.AtMost(dry, 0), input.Number("fillMl") - (input.Number("chipMl") * chip / 100)];
    }
}
