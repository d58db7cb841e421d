using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class ExpectedCostTests
{
    private const int Seed = 31;

    [Fact]
    public void AfterFinding_NeverCostsMoreThanTheTestItself_ComparedWithMendingAtOnce()
    {
        // What a test tells can be ignored, so it is worth nothing at the least.
        var chance = new Random(Seed);
        for (var round = 0; round < 200; round++)
        {
            var (book, odds, costs) = Case(RandomBook.Of(chance, 5, 3));
            var mending = costs.Of(odds.Still, odds.Unknown);
            for (var f = 0; f < book.Findings.Count; f++)
                Assert.True(costs.AfterFinding(f, odds) <= mending + book.StepCost[book.Findings[f].Id] + 1e-9, $"seed {Seed}, round {round}");
        }
    }

    [Fact]
    public void Of_IsNeverMoreThanHandingBack_AndGrowsWithTheUnknown()
    {
        var chance = new Random(Seed);
        for (var round = 0; round < 200; round++)
        {
            var (book, odds, costs) = Case(RandomBook.Of(chance, 5, 0));
            var cost = costs.Of(odds.Still, odds.Unknown);
            Assert.True(cost <= book.Book.House.HandBack + 1e-9);
            Assert.True(costs.Of(odds.Still, odds.Unknown + 0.1) >= cost);
        }
    }

    [Fact]
    public void Of_ARepairThatIsHeld_CostsAtLeastAsMuch()
    {
        var chance = new Random(Seed);
        for (var round = 0; round < 100; round++)
        {
            var book = RandomBook.Of(chance, 5, 0);
            var (_, odds, free) = Case(book);
            var held = Enumerable.Range(0, 5).Select(r => r == round % 5).ToArray();
            Assert.True(new ExpectedCost(book, held, _ => held).Of(odds.Still, odds.Unknown) >= free.Of(odds.Still, odds.Unknown) - 1e-9);
        }
    }

    [Fact]
    public void Of_TwoRepairsThatPayOnlyTogether_AreBothCounted()
    {
        // Hand back costs 100. Each repair with proof costs 46 for a gain of 0.45: alone 46 + 55 = 101 is more than 100;
        // together 46 + 0.55·46 + 0.1·100 = 81.3 is less.
        var book = TinyBook.Of([1, 1], [TinyBook.Proof(2)], [TinyBook.Mend("m0", 45, 0, 1), TinyBook.Mend("m1", 45, 1, 1)]);
        var (_, odds, costs) = Case(book);
        Assert.Equal(46 + (0.55 * 46) + (0.1 * 100), costs.Of(odds.Still, odds.Unknown), 9);
    }

    [Fact]
    public void Bits_OfASureTestBetweenTwo_IsOne_AndOfAnIdleOneIsNone()
    {
        var sure = TinyBook.Look("sure", 1, [[1 - 1e-12, 1e-12], [1e-12, 1 - 1e-12]]);
        var idle = TinyBook.Look("idle", 1, [[0.5, 0.5], [0.5, 0.5]]);
        var book = TinyBook.Of([1, 1], [sure, idle], [], TinyBook.House with { NotInBook = 1e-12 });
        var (_, odds, costs) = Case(book);
        Assert.Equal(1, costs.Bits(0, odds), 6);
        Assert.Equal(0, costs.Bits(1, odds), 6);
    }

    [Fact]
    public void AnswerThatLiftsAGate_IsLookedAhead()
    {
        // Weighing with room lifts the gate on resetting alone, which is the cheapest way on when the counter is early.
        var book = TestShop.Book("tolling-folio-3", "waste-full");
        Assert.Contains("pads-weighed", book.GateFindings);
        var job = TestShop.Case(TestShop.Opened(TestShop.Intake("tolling-folio-3", "waste-full")));
        var reset = book.IndexOfRepair("weigh-and-reset");
        bool[] Held(bool lifted) => [.. Enumerable.Range(0, book.Repairs.Count).Select(r => r == reset && !lifted)];
        var weigh = book.IndexOfFinding("pads-weighed");
        var blind = new ExpectedCost(book, Held(false), _ => Held(false)).AfterFinding(weigh, job.Odds);
        var ahead = new ExpectedCost(book, Held(false), told => Held(told.Outcome == "room")).AfterFinding(weigh, job.Odds);
        Assert.True(ahead < blind, $"{ahead:0.00} against {blind:0.00}");
    }

    private static (CaseBook Book, Posterior Odds, ExpectedCost Costs) Case(CaseBook book)
    {
        var free = new bool[book.Repairs.Count];
        return (book, Posterior.Of(book, TinyBook.Facts(book), []), new ExpectedCost(book, free, _ => free));
    }
}
