using SideBench.Core.HeadCare;
using SideBench.Core.Quantities;
using Xunit;

namespace SideBench.Core.Tests.HeadCare;

/// <summary>The plan of a head that is told from outside, by hand.</summary>
public class ToldHeadTests
{
    private static readonly HeadCareNumbers House = TestShop.Shop.Numbers.Of<HeadCareNumbers>();

    [Fact]
    public void OneNozzleByAnEvenChance_ByHand()
    {
        // Chances even from 0 to 1: after n failures the next clears with 1/(n+2). Two failures at most are worth it: 3/2, 3/3, …
        var once = Plan(Even([7]), 3, Clean("clean-normal", 0.99));
        Assert.Equal(["clean-normal", "clean-normal"], Ids(once));
        Assert.Equal(2 / 3.0, once.Complete, 2);
        Assert.Equal(0.99 + (0.99 / 2) + 1, once.Price, 2);
        Assert.Equal(1.5 * 4, once.Ink.Value, 2);
        Assert.Equal(["clean-normal"], Ids(Plan(Even([7]), 2.9, Clean("clean-normal", 0.99))));
        var not = Plan(Even([7]), 1.9, Clean("clean-normal", 0.99));
        Assert.Equal((StopReason.NotWorthIt, 1.9), (not.Stop, not.Price));
        Assert.Equal(StopReason.Complete, Plan(Even([]), 50, Clean("clean-normal", 1)).Stop);
    }

    [Fact]
    public void CleansInARow_AreBrokenByARest()
    {
        Assert.Equal(["clean-normal", "clean-normal"], Ids(Plan(Even([7]), 50, 2, Clean("clean-normal", 0.1))));
        var plan = Plan(Even([7]), 50, 2, Clean("clean-normal", 0.1), Clean("soak", 4));
        Assert.Equal(["clean-normal", "clean-normal", "soak"], Ids(plan).Take(3));
    }

    [Fact]
    public void WhatNoCleanMends_IsNotCleaned()
    {
        var air = Told(
            "piezo dye",
            House,
            [2, 30, 41, 77],
            ("clean-normal", [5, 20, 33, 60], [8, 21, 50]),
            ("rest", [8, 21, 50], [2, 30, 41, 77])
        );
        Assert.Equal(StopReason.Air, Plan(air, 80, Clean("clean-normal", 4), Clean("soak", 6)).Stop);
        var starved = Told(
            "piezo dye",
            House,
            [.. Enumerable.Range(76, 14)],
            ("clean-normal", [.. Enumerable.Range(86, 4)], [.. Enumerable.Range(81, 9)]),
            ("clean-deep", [.. Enumerable.Range(81, 9)], [.. Enumerable.Range(76, 14)])
        );
        Assert.Equal(StopReason.Starved, Plan(starved, 80, Clean("clean-normal", 4), Clean("soak", 6)).Stop);
    }

    [Fact]
    public void WhatWasDoneBefore_CountsInTheRow_AndAThermalHeadThatMayStarveIsNotCleaned()
    {
        var twice = Even([7]) with { Head = Even([7]).Head with { Done = [Ran("clean-normal"), Ran("clean-normal")] } };
        Assert.Equal(["soak"], Ids(Plan(twice, 50, 2, Clean("clean-normal", 0.1), Clean("soak", 4)))[..1]);
        Assert.Equal(
            "clean-normal",
            Ids(
                Plan(
                    twice with
                    {
                        Head = twice.Head with { Done = [Ran("clean-normal"), Ran("soak")] },
                    },
                    50,
                    2,
                    Clean("clean-normal", 0.1),
                    Clean("soak", 4)
                )
            )[0]
        );
        var starved = Told(
            "thermal dye",
            House,
            [.. Enumerable.Range(76, 14)],
            ("clean-normal", [.. Enumerable.Range(86, 4)], [.. Enumerable.Range(76, 14)])
        );
        Assert.DoesNotContain("clean-normal", Ids(Plan(starved, 500, 2, Clean("clean-normal", 0.01), Clean("soak", 0.01))));

        static Application Ran(string method) => new(method, new HashSet<int> { 7 }, new HashSet<int> { 7 });
    }

    private sealed record Channel(HeadHistory Head, HeadCareNumbers Numbers);

    private static Channel Told(
        string kind,
        HeadCareNumbers numbers,
        int[] missing,
        params (string Method, int[] Before, int[] After)[] done
    ) =>
        new(
            new HeadHistory(
                kind,
                1,
                90,
                false,
                missing.ToHashSet(),
                [.. done.Select(d => new Application(d.Method, d.Before.ToHashSet(), d.After.ToHashSet()))]
            ),
            numbers
        );

    private static Channel Even(int[] missing) =>
        Told(
            "piezo dye",
            House with
            {
                Chances = new Dictionary<string, IReadOnlyDictionary<string, double>>
                {
                    ["piezo dye"] = new Dictionary<string, double> { ["clean-normal"] = 0.5, ["soak"] = 0.5 },
                },
                ChanceSd = Math.Sqrt(1 / 12.0),
                NoneStuck = 1,
                Prior = new ExplanationOdds(1, 1e-12, 1e-12),
            },
            missing
        );

    private static HeadPlan Plan(Channel of, double giveUp, params ToldMethod[] methods) =>
        Plan(of, giveUp, of.Numbers.CleansInRow, methods);

    private static HeadPlan Plan(Channel of, double giveUp, int inRow, params ToldMethod[] methods) =>
        HeadPlan.Of(ToldHead.Of(of.Head, CleanOutlook.Of(of.Head, of.Numbers)!, methods, giveUp, of.Numbers with { CleansInRow = inRow }));

    private static List<string> Ids(HeadPlan plan) => [.. plan.Steps.SelectMany(s => s.Methods).Select(m => m.Id)];

    private static ToldMethod Clean(string method, double money) =>
        new(method, Millilitres.Of(4), CounterShare.OfPct(2), Minutes.Of(3), Minutes.None, money, 0);
}
