using SideBench.Core.Outcomes;
using SideBench.Core.Sums;

namespace SideBench.Core.HeadCare;

/// <summary>The small sums of head care: how long cleans take, what the counter has room for, what fits a window.</summary>
public static class HeadSums
{
    private const double ManyTimes = 1e6;

    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<Sum> All = [PlanTime(), Headroom(), Window()];

    private static Sum PlanTime() =>
        new(
            "clean-plan-time",
            "Cleans: when they end",
            "Do these cleans, sheets and rests end before closing?",
            [
                "hands = cleans × minutes a clean + sheets × minutes a sheet",
                "waiting = rests between groups; the last one only when asked",
                "end = start + hands + waiting",
            ],
            [
                new SumField("startsAt", "Starts at", "", SumKind.Moment),
                new SumField("closesAt", "The shop closes at", "", SumKind.Moment),
                new SumField("groups", "Groups of cleans", "", SumKind.List)
                {
                    Parts =
                    [
                        new SumField("cleans", "Cleans", "", SumKind.Whole)
                        {
                            Least = 1,
                            Most = ManyTimes,
                            Example = "2",
                        },
                        new SumField("restAfterMin", "Rest after", "min", SumKind.Number) { Without = 0.0, Example = "90" },
                    ],
                },
                new SumField("minutesPerClean", "A clean", "min", SumKind.Number) { Example = "3" },
                new SumField("minutesPerSheet", "A sheet", "min", SumKind.Number) { Example = "3" },
                new SumField("sheetAfter", "A sheet after each", "", SumKind.Word) { Words = ["clean", "group"], Example = "clean" },
                new SumField("restAfterLast", "The last rest counts", "", SumKind.Flag) { Without = false },
            ],
            [
                new SumFigure("handsMin", "Hands", "min"),
                new SumFigure("waitMin", "Waiting", "min"),
                new SumFigure("totalMin", "Together", "min"),
                new SumFigure("endsAt", "Ends at", ""),
                new SumFigure("fits", "Before closing", ""),
                new SumFigure("groupsBeforeClosing", "Groups done by closing", ""),
            ],
            input =>
            {
                var perSheet = input.Word("sheetAfter") == "clean";
                var (start, closes, groups) = (input.Moment("startsAt"), input.Moment("closesAt"), input.List("groups"));
                var (hands, wait, before) = (0.0, 0.0, 0);
                var open = (closes - start).TotalMinutes;
                for (var i = 0; i < groups.Count; i++)
                {
                    var cleans = groups[i].Number("cleans");
                    hands += (cleans * input.Number("minutesPerClean")) + ((perSheet ? cleans : 1) * input.Number("minutesPerSheet"));
                    if (before == i && Near.AtMost(hands + wait, open))
                        before++;
                    if (i < groups.Count - 1 || input.Flag("restAfterLast"))
                        wait += groups[i].Number("restAfterMin");
                }

                if (!double.IsFinite(hands + wait) || (hands + wait) > (DateTimeOffset.MaxValue - start).TotalMinutes - 1)
                    return new Problem(ProblemCode.OutOfRange, "/groups", hands + wait, 0, "an end that a calendar holds");
                return new List<object?>
                {
                    hands,
                    wait,
                    hands + wait,
                    start.AddMinutes(hands + wait),
                    Near.AtMost(hands + wait, open),
                    (double)before,
                };
            }
        );

    private static Sum Headroom() =>
        new(
            "waste-headroom",
            "Counter: what it has room for",
            "Do these operations fit the waste counter?",
            [
                "after = counter + times × points each",
                "fits while after stays at or below the limit",
                "steps that fit: one after the other in this order, until one would pass it",
            ],
            [
                new SumField("counterPct", "Counter now", "%", SumKind.Number) { Example = "91" },
                SumFields.Percent("limitPct", "Its limit", "100", 100),
                new SumField("plan", "Operations", "", SumKind.List)
                {
                    Parts =
                    [
                        new SumField("counterPct", "Points each", "%", SumKind.Number) { Example = "2.7" },
                        new SumField("times", "Times", "", SumKind.Whole) { Most = ManyTimes, Example = "3" },
                        new SumField("ml", "Ink each", "ml", SumKind.Number) { Without = 0.0, Example = "4.5" },
                    ],
                },
            ],
            [
                new SumFigure("afterPct", "Counter after", "%"),
                new SumFigure("fits", "Fits", ""),
                new SumFigure("fitsSteps", "Operations that fit", ""),
                new SumFigure("overshootPct", "Past the limit by", "%"),
                new SumFigure("ml", "Ink", "ml"),
            ],
            input =>
            {
                var (limit, after, ml, steps, passed) = (input.Number("limitPct"), input.Number("counterPct"), 0.0, 0.0, false);
                foreach (var run in input.List("plan"))
                {
                    var (each, times) = (run.Number("counterPct"), run.Number("times"));
                    if (!passed)
                    {
                        var room =
                            !Near.AtMost(after, limit) ? 0
                            : each <= 0 ? times
                            : Math.Min(times, Math.Max(0, Near.Floor((limit - after) / each)));
                        steps += room;
                        passed = room < times;
                    }

                    after += each * times;
                    ml += run.Number("ml") * times;
                }

                return new List<object?> { after, Near.AtMost(after, limit), steps, Near.AtMost(after, limit) ? 0.0 : after - limit, ml };
            }
        );

    private static Sum Window() =>
        new(
            "window-fit",
            "A window of time: do hands fit",
            "The carriage parks itself after some minutes. Do hands get done in that?",
            ["spare = window − hands", "unprepared: that less what could have been made ready before; below 0 means prepare first"],
            [
                new SumField("windowMin", "Window", "min", SumKind.Number) { AboveLeast = true, Example = "6" },
                new SumField("handsMin", "Hands in it", "min", SumKind.Number) { Example = "5" },
                new SumField("prepareMin", "Of it ready before", "min", SumKind.Number) { Without = 0.0, Example = "2" },
            ],
            [
                new SumFigure("fits", "Fits", ""),
                new SumFigure("spareMin", "Spare", "min"),
                new SumFigure("spareUnpreparedMin", "Spare when nothing is ready", "min"),
            ],
            input =>
            {
                var spare = input.Number("windowMin") - input.Number("handsMin");
                return new List<object?>
                {
                    Near.AtMost(input.Number("handsMin"), input.Number("windowMin")),
                    spare,
                    spare - input.Number("prepareMin"),
                };
            }
        );
}
