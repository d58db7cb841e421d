using SideBench.Core.HeadCare;
using SideBench.Core.Quantities;
using Xunit;

namespace SideBench.Core.Tests.HeadCare;

public class CleanPlanTests
{
    private static readonly HeadCareNumbers House = TestShop.Shop.Numbers.Of<HeadCareNumbers>();

    [Fact]
    public void OneNozzleByAnEvenChance_ByHand()
    {
        // Chances even from 0 to 1: after n failures the next clears with 1/(n+2). Two failures at most are worth it: 3/2, 3/3, …
        var once = Plan(Even([7]), 3, Clean("clean-normal", 0.99));
        Assert.Equal(["clean-normal", "clean-normal"], once.Steps);
        Assert.Equal(2 / 3.0, once.Complete, 2);
        Assert.Equal(0.99 + (0.99 / 2) + 1, once.Price, 2);
        Assert.Equal(1.5 * 4, once.Ink.Value, 2);
        Assert.Equal(["clean-normal"], Plan(Even([7]), 2.9, Clean("clean-normal", 0.99)).Steps);
        var not = Plan(Even([7]), 1.9, Clean("clean-normal", 0.99));
        Assert.Equal((StopReason.NotWorthIt, 1.9), (not.Stop, not.Price));
        Assert.Equal(StopReason.Complete, Plan(Even([]), 50, Clean("clean-normal", 1)).Stop);
    }

    [Fact]
    public void CleansInARow_AreBrokenByARest()
    {
        var only = CleanPlan.Of(Even([7]), [Clean("clean-normal", 0.1)], 50, cleansInRow: 2);
        Assert.Equal(["clean-normal", "clean-normal"], only.Steps);
        var plan = CleanPlan.Of(Even([7]), [Clean("clean-normal", 0.1), Clean("soak", 4)], 50, cleansInRow: 2);
        Assert.Equal(["clean-normal", "clean-normal", "soak"], plan.Steps.Take(3));
    }

    [Fact]
    public void WhatNoCleanMends_IsNotCleaned()
    {
        var air = House.Of([2, 30, 41, 77], ("clean-normal", [5, 20, 33, 60], [8, 21, 50]), ("rest", [8, 21, 50], [2, 30, 41, 77]));
        Assert.Equal(StopReason.Air, Plan(air, 80, Clean("clean-normal", 4), Clean("soak", 6)).Stop);
        var starved = House.Of(
            [.. Enumerable.Range(76, 14)],
            ("clean-normal", [.. Enumerable.Range(86, 4)], [.. Enumerable.Range(81, 9)]),
            ("clean-deep", [.. Enumerable.Range(81, 9)], [.. Enumerable.Range(76, 14)])
        );
        Assert.Equal(StopReason.Starved, Plan(starved, 80, Clean("clean-normal", 4), Clean("soak", 6)).Stop);
    }

    [Fact]
    public void Search_FindsWhatTryingEverySequenceFinds()
    {
        var chance = new Random(41);
        for (var i = 0; i < 25; i++)
        {
            var missing = Enumerable.Range(0, 90).OrderBy(_ => chance.Next()).Take(1 + chance.Next(5)).ToArray();
            var outlook = House.Of(missing);
            MethodPrice[] methods =
            [
                Clean("clean-normal", 1 + (4 * chance.NextDouble())),
                Clean("soak", 2 + (5 * chance.NextDouble())),
                Clean("flush", 4 + (9 * chance.NextDouble())),
            ];
            var replace = 5 + (70 * chance.NextDouble());
            var plan = CleanPlan.Of(outlook, methods, replace, 2);
            Assert.Equal(Cheapest(outlook, methods, replace, [0, 0, 0], 0, 6), plan.Price, 6);
        }
    }

    // Every order of methods, one after another, until it is complete or given up.
    private static double Cheapest(CleanOutlook outlook, MethodPrice[] methods, double replace, int[] times, int inRow, int left)
    {
        var open = times.Sum() == 0 ? 1 : 1 - outlook.CompleteAfter([.. methods.Zip(times, (m, n) => (m.Method, n))]);
        var best = open * replace;
        for (var m = 0; left > 0 && m < methods.Length; m++)
        {
            if (methods[m].IsClean && inRow == 2)
                continue;
            int[] then = [.. times];
            then[m]++;
            best = Math.Min(
                best,
                (open * methods[m].Price) + Cheapest(outlook, methods, replace, then, methods[m].IsClean ? inRow + 1 : 0, left - 1)
            );
        }

        return best;
    }

    private static CleanOutlook Even(int[] missing) =>
        (
            House with
            {
                Chances = new Dictionary<string, IReadOnlyDictionary<string, double>>
                {
                    ["piezo dye"] = new Dictionary<string, double> { ["clean-normal"] = 0.5, ["soak"] = 0.5 },
                },
                ChanceSd = Math.Sqrt(1 / 12.0),
                NoneStuck = 1,
                Prior = new ExplanationOdds(1, 1e-12, 1e-12),
            }
        ).Of(missing);

    private static CleanPlan Plan(CleanOutlook outlook, double replace, params MethodPrice[] methods) =>
        CleanPlan.Of(outlook, methods, replace, House.CleansInRow);

    private static MethodPrice Clean(string method, double price) =>
        new(method, Millilitres.Of(4), CounterShare.OfPct(2), Minutes.Of(3), Minutes.None, price);
}

file static class Heads
{
    public static CleanOutlook Of(this HeadCareNumbers numbers, int[] missing, params (string Method, int[] Before, int[] After)[] done) =>
        CleanOutlook.Of(
            new HeadHistory(
                "piezo dye",
                1,
                90,
                false,
                missing.ToHashSet(),
                [.. done.Select(d => new Application(d.Method, d.Before.ToHashSet(), d.After.ToHashSet()))]
            ),
            numbers
        )!;
}
