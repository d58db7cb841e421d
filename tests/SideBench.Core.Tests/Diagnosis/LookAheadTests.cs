using SideBench.Core.Diagnosis;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class LookAheadTests
{
    private const int Seed = 31;

    [Fact]
    public async Task WhatIsToBeHad_IsOneAnswerForTwoCoresThatAskAtOnce()
    {
        var job = TestShop.Case(TestShop.Opened(TestShop.Intake("tolling-broadside-44", "fades-under-load")));
        var moving = Enumerable.Range(0, job.Book.Findings.Count).Where(f => job.Book.Dependents[f].Repairs.Length > 0).ToList();
        for (var round = 0; round < 40; round++)
        {
            var now = Availability.Of(job.Book, job.Facts, [], _ => 0, []);
            using var both = new Barrier(2);
            Availability[] Ask()
            {
                both.SignalAndWait();
                return [.. moving.Select(f => now.After(f, 0))];
            }

            var told = await Task.WhenAll(Task.Run(Ask), Task.Run(Ask));
            Assert.All(told[0].Zip(told[1]), pair => Assert.Same(pair.First, pair.Second));
        }
    }

    [Trait("Pace", "slow")]
    [Fact]
    public void Advice_OnSmallBooks_StaysWithinThreePercentOfTheTrueOptimum()
    {
        var chance = new Random(Seed);
        var over = new List<double>();
        for (var round = 0; round < 200; round++)
        {
            var book = RandomBook.Small(chance);
            var best = Optimum.Of(book);
            var ours = Optimum.OfPolicy(book);
            Assert.True(ours >= best - 1e-6, $"seed {Seed}, round {round}: {ours:0.000} is less than the least, {best:0.000}");
            over.Add((ours / best) - 1);
        }

        Assert.True(over.Max() <= 0.03, $"seed {Seed}: {over.Max():P2} over in round {over.IndexOf(over.Max())}");
        Assert.True(over.Order().ElementAt(100) <= 0.01, $"seed {Seed}: median {over.Order().ElementAt(100):P2}");
    }

    [Fact]
    public void Steps_NeverCostMoreThanTheTestItself_ComparedWithMendingAtOnce()
    {
        // What a test tells can be ignored, so it is worth nothing at the least.
        var chance = new Random(Seed);
        for (var round = 0; round < 100; round++)
        {
            var book = RandomBook.Of(chance, 5, 3);
            var (plan, now, _) = Case(book);
            var mending = plan.Mending(now);
            foreach (var (isRepair, index, expected, _) in plan.Steps(now))
                if (!isRepair)
                    Assert.True(expected <= mending + book.StepCost[book.Findings[index].Id] + 1e-9, $"seed {Seed}, round {round}");
        }
    }

    [Fact]
    public void Mending_IsNeverMoreThanHandingBack_AndARepairThatIsHeldCostsAtLeastAsMuch()
    {
        var chance = new Random(Seed);
        for (var round = 0; round < 200; round++)
        {
            var book = RandomBook.Of(chance, 5, 0);
            var (plan, now, board) = Case(book);
            var cost = plan.Mending(now);
            Assert.True(cost <= book.Book.House.HandBack + 1e-9);
            byte[] less = [.. now.Repairs.Select((left, r) => r == round % 5 ? (byte)0 : left)];
            Assert.True(MendingOrder.Cost(board, board.Chances, board.Unknown, 0, less) >= cost - 1e-9);
        }
    }

    [Fact]
    public void Mending_TwoRepairsThatPayOnlyTogether_AreBothCounted()
    {
        // Hand back costs 100. Each repair with proof costs 46 for a gain of 0.45: alone 46 + 55 = 101 is more than 100;
        // together 46 + 0.55·46 + 0.1·100 = 81.3 is less.
        var book = TinyBook.Of([1, 1], [TinyBook.Proof(2)], [TinyBook.Mend("m0", 45, 0, 1), TinyBook.Mend("m1", 45, 1, 1)]);
        var (plan, now, _) = Case(book);
        Assert.Equal(46 + (0.55 * 46) + (0.1 * 100), plan.Mending(now), 9);
    }

    [Fact]
    public void Steps_SeeThatTwoTestsPayOnlyTogether()
    {
        // Four causes at 9/40 each, told apart by two tests of 2: each alone only halves them. One repair and proof costs 31.
        var first = TinyBook.Look(
            "first",
            2,
            [
                [0.999, 0.001],
                [0.999, 0.001],
                [0.001, 0.999],
                [0.001, 0.999],
            ]
        );
        var second = TinyBook.Look(
            "second",
            2,
            [
                [0.999, 0.001],
                [0.001, 0.999],
                [0.999, 0.001],
                [0.001, 0.999],
            ]
        );
        var mends = Enumerable.Range(0, 4).Select(c => TinyBook.Mend($"m{c}", 30, c, 0.99));
        var book = TinyBook.Of([1, 1, 1, 1], [first, second, TinyBook.Proof(4)], mends);
        var (plan, now, _) = Case(book);
        var value = plan.Steps(now).Where(s => !s.IsRepair).Min(s => s.Expected);
        Assert.InRange(value, 4 + 31 + 8, 4 + 31 + 16);
    }

    [Fact]
    public void Opening_IsPaidOnce_WhileNothingNeedsPowerBetween()
    {
        var cover = new TrayPut("cover", "open", 1, "shut it", ["open"], 10);
        var looks = Enumerable
            .Range(0, 2)
            .Select(i =>
                TinyBook.Look(
                    $"l{i}",
                    1,
                    [
                        [0.9, 0.1],
                        [0.1, 0.9],
                    ]
                ) with
                {
                    Puts = [cover],
                }
            );
        var book = TinyBook.Of([1, 1], [.. looks, TinyBook.Proof(2)], [TinyBook.Mend("m0", 5, 0, 0.9), TinyBook.Mend("m1", 5, 1, 0.9)]);
        var shut = new PlanBoard(Posterior.Of(book, TinyBook.Facts(book), []), TinyBook.Facts(book));
        Assert.Equal(11, shut.CostOfFinding(0, shut.Open), 9);
        Assert.Equal(1, shut.CostOfFinding(1, shut.OpenAfter(0, shut.Open)), 9);
    }

    [Fact]
    public void MissingPart_AddsItsWait_AndASchoolMakesItsStepsCheaper()
    {
        var mend = TinyBook.Mend("m0", 5, 0, 0.9) with { Part = "cap" };
        var book = TinyBook.Of(
            [1],
            [TinyBook.Proof(1)],
            [mend],
            TinyBook.House with
            {
                PartsWait = 7,
                SchoolFactor = 0.5,
            },
            new School("s", "S", "?", true, "", [new SchoolOption("o", "O", "", ["m0"], true)])
        );
        var facts = TinyBook.Facts(book);
        var odds = Posterior.Of(book, facts, []);
        Assert.Equal(6, new PlanBoard(odds, facts).RepairCost[0], 9);
        Assert.Equal(13, new PlanBoard(odds, facts with { PartsMissing = ["cap"] }).RepairCost[0], 9);
        Assert.Equal(3.5, new PlanBoard(odds, facts with { Schools = new Dictionary<string, string> { ["s"] = "o" } }).RepairCost[0], 9);
    }

    [Fact]
    public void Bits_OfASureTestBetweenTwo_IsOne_AndOfAnIdleOneIsNone()
    {
        var sure = TinyBook.Look(
            "sure",
            1,
            [
                [1 - 1e-12, 1e-12],
                [1e-12, 1 - 1e-12],
            ]
        );
        var idle = TinyBook.Look(
            "idle",
            1,
            [
                [0.5, 0.5],
                [0.5, 0.5],
            ]
        );
        var book = TinyBook.Of([1, 1], [sure, idle], [], TinyBook.House with { NotInBook = 1e-12 });
        var odds = Posterior.Of(book, TinyBook.Facts(book), []);
        Assert.Equal(1, Information.Bits(0, odds), 6);
        Assert.Equal(0, Information.Bits(1, odds), 6);
    }

    [Fact]
    public void AnswerThatLiftsAGate_IsLookedAhead()
    {
        // Weighing with room lifts the gate on resetting alone.
        var job = TestShop.Case(TestShop.Opened(TestShop.Intake("tolling-folio-3", "waste-full")));
        var now = Availability.Of(job.Book, job.Facts, [], _ => 0, []);
        var (weigh, reset) = (job.Book.IndexOfFinding("pads-weighed"), job.Book.IndexOfRepair("weigh-and-reset"));
        Assert.Equal(0, now.Repairs[reset]);
        Assert.NotEqual(0, now.After(weigh, 0).Repairs[reset]);
        Assert.Equal(0, now.After(weigh, 1).Repairs[reset]);
    }

    private static (LookAhead Plan, Availability Now, PlanBoard Board) Case(CaseBook book)
    {
        var facts = TinyBook.Facts(book);
        var board = new PlanBoard(Posterior.Of(book, facts, []), facts);
        return (new LookAhead(board), Availability.Of(book, facts, [], s => s is Finding { IsProof: true } ? 1 : 0, []), board);
    }
}
