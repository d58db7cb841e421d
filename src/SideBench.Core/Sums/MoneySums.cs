using static SideBench.Core.Sums.SumFields;

namespace SideBench.Core.Sums;

/// <summary>The small sums of money.</summary>
public static class MoneySums
{
    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<Sum> All = [RepairOrReplace()];

    private static Sum RepairOrReplace() =>
        new(
            "repair-or-replace",
            "Repair or a new one",
            "What does a month cost with the repair, and what with a new machine?",
            [
                "repair a month = repair ÷ months it is good for; a new one alike",
                "over worth when the repair costs more than the machine is worth; over limit when more than the customer's",
            ],
            [
                Amount("repair", "The repair", "money", "85"),
                Amount("worth", "The machine is worth", "money", "120"),
                Above("goodFor", "Good for, repaired", "months", "24"),
                Amount("newPrice", "A new one", "money", "260"),
                Above("newGoodFor", "Good for, new", "months", "48"),
                new SumField("limit", "The customer's limit", "money", SumKind.Number) { Optional = true },
            ],
            [
                new SumFigure("repairPerMonth", "A month, repaired", "money"),
                new SumFigure("replacePerMonth", "A month, new", "money"),
                new SumFigure("cheaper", "Cheaper", ""),
                new SumFigure("overWorth", "More than it is worth", ""),
                new SumFigure("overLimit", "Over the limit", ""),
            ],
            input =>
            {
                var repair = input.Number("repair");
                var (month, anew) = (repair / input.Number("goodFor"), input.Number("newPrice") / input.Number("newGoodFor"));
                return new List<object?>
                {
                    month,
                    anew,
                    Near.AtMost(month, anew) ? "repair" : "replace",
                    !Near.AtMost(repair, input.Number("worth")),
                    input.Maybe("limit") is { } limit && !Near.AtMost(repair, limit),
                };
            }
        );
}
