using SideBench.Core.Sums;

namespace SideBench.Core.Ink;

/// <summary>The small sums of ink.</summary>
public static class InkSums
{
    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<Sum> All =
    [
        ChipSums.DryPoint(),
        ChipSums.TopUp(),
        SlotSums.Weigh(),
        SlotSums.RunLength(),
        ChipSums.Batch(),
        ChipSums.ResetBudget(),
        SlotSums.Mirror(),
        SlotSums.Presses(),
        Feed(),
    ];

    private static Sum Feed() =>
        new(
            "feed",
            "Feed: how fast ink still comes",
            "Prints fade after some pages. How much of the need does the line still give?",
            ["feed = max(0, ml a page − damper ÷ good pages)", "share = feed ÷ ml a page; it serves that share of the coverage"],
            [
                new SumField("damperMl", "Damper holds", "ml", SumKind.Number) { Example = "1.2" },
                new SumField("mlPerPage", "A page takes, at the coverage used", "ml", SumKind.Number)
                {
                    AboveLeast = true,
                    Example = "0.18",
                },
                new SumField("goodPages", "Good pages before it fades", "", SumKind.Number) { AboveLeast = true, Example = "12" },
            ],
            [
                new SumFigure("feedMlPerPage", "Comes", "ml a page"),
                new SumFigure("share", "Share of the need", ""),
                new SumFigure("servesCoverageShare", "Serves this share of the coverage", ""),
            ],
            input =>
            {
                var page = input.Number("mlPerPage");
                var feed = Math.Max(0, page - (input.Number("damperMl") / input.Number("goodPages")));
                return new List<object?> { feed, feed / page, feed / page };
            }
        );
}
