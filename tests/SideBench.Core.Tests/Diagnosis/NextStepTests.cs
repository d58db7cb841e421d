using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class NextStepTests
{
    [Fact]
    public void Of_CheapSplitAndDearRepairs_TestsFirst()
    {
        // Two like causes, repairs of 40 min each: blind, half the time both are made. A look of 1 min tells them apart.
        var book = TinyBook.Of(
            [1, 1],
            [
                TinyBook.Look(
                    "look",
                    1,
                    [
                        [0.97, 0.03],
                        [0.03, 0.97],
                    ]
                ),
                TinyBook.Proof(2),
            ],
            [TinyBook.Mend("m0", 40, 0, 0.95), TinyBook.Mend("m1", 40, 1, 0.95)]
        );
        Assert.Equal("look", Next(book).Chosen?.Step.Id);
    }

    [Fact]
    public void ACheaperLook_IsOfferedBesideADearBest_FirstOfTheOthers()
    {
        var (chance, seen) = (new Random(11), 0);
        for (var round = 0; round < 300; round++)
        {
            var book = RandomBook.Of(chance, 6, 6);
            var advice = NextStep.Of(Posterior.Of(book, TinyBook.Facts(book), []), TinyBook.Facts(book), [], []);
            if (advice.Chosen is not { } best || advice.Others is not [var first, var second] || first.Expected <= second.Expected)
                continue;
            seen++;
            Assert.True(first.Cost < best.Cost && first.Step is Finding, $"{first.Cost} beside {best.Cost}");
        }

        Assert.True(seen > 0);
    }

    [Fact]
    public void Of_CheapRepairAndDearTest_MendsFirst()
    {
        var book = TinyBook.Of(
            [5, 1],
            [
                TinyBook.Look(
                    "look",
                    30,
                    [
                        [0.9, 0.1],
                        [0.1, 0.9],
                    ]
                ),
                TinyBook.Proof(2),
            ],
            [TinyBook.Mend("m0", 2, 0, 0.95), TinyBook.Mend("m1", 20, 1, 0.95)]
        );
        Assert.Equal("m0", Next(book).Chosen?.Step.Id);
    }

    [Fact]
    public void Of_OneCauseOneRepair_ExpectsTheCostByHand()
    {
        // Bench at 1 a minute. Repair 10 + proof 1 = 11. It fails with 0.1 (unknown) + 0.9·0.2 = 0.28: then once more; that
        // fails with 0.1 + 0.9·0.04 in all: then hand back at 100.
        var book = TinyBook.Of([1], [TinyBook.Proof(1)], [TinyBook.Mend("mend", 10, 0, 0.8)]);
        Assert.Equal(11 + (0.28 * 11) + ((0.1 + (0.9 * 0.04)) * 100), Next(book).Chosen!.Expected, 9);
    }

    [Fact]
    public void Of_RepairJustMade_ProvesItBeforeAnythingElse()
    {
        var book = TinyBook.Of(
            [1, 1],
            [
                TinyBook.Look(
                    "look",
                    0.1,
                    [
                        [0.97, 0.03],
                        [0.03, 0.97],
                    ]
                ),
                TinyBook.Proof(2),
            ],
            [TinyBook.Mend("m0", 5, 0, 0.9), TinyBook.Mend("m1", 5, 1, 0.9)]
        );
        var advice = Next(book, new CaseEvent.Worked("m0", 1));
        Assert.Equal((AdviceKind.Prove, "proof"), (advice.Kind, advice.Chosen?.Step.Id));
        Assert.Equal(AdviceKind.Close, Next(book, new CaseEvent.Worked("m0", 1), new CaseEvent.Told("proof", "o0", 2)).Kind);
        Assert.NotEqual(AdviceKind.Close, Next(book, new CaseEvent.Worked("m0", 1), new CaseEvent.Told("proof", "o1", 2)).Kind);
    }

    [Fact]
    public void Of_EasyCheckThatTells_ComesBeforeACheaperLookingTest()
    {
        var easy = TinyBook.Look(
            "easy",
            2,
            [
                [0.9, 0.1],
                [0.3, 0.7],
            ]
        ) with
        {
            Easy = true,
        };
        var book = TinyBook.Of(
            [1, 1],
            [
                easy,
                TinyBook.Look(
                    "sharp",
                    8,
                    [
                        [0.99, 0.01],
                        [0.01, 0.99],
                    ]
                ),
                TinyBook.Proof(2),
            ],
            [TinyBook.Mend("m0", 40, 0, 0.9), TinyBook.Mend("m1", 40, 1, 0.9)]
        );
        Assert.Equal("easy", Next(book).Chosen?.Step.Id);
        var useless = easy with { Rows = [new LikelihoodRow(["c0", "c1"], [0.5, 0.5], "tells nothing")] };
        book = TinyBook.Of(
            [1, 1],
            [
                useless,
                TinyBook.Look(
                    "sharp",
                    1,
                    [
                        [0.99, 0.01],
                        [0.01, 0.99],
                    ]
                ),
                TinyBook.Proof(2),
            ],
            [TinyBook.Mend("m0", 40, 0, 0.9), TinyBook.Mend("m1", 40, 1, 0.9)]
        );
        Assert.Equal("sharp", Next(book).Chosen?.Step.Id);
    }

    [Fact]
    public void Of_NothingWorthItsCost_HandsBack()
    {
        var book = TinyBook.Of([1], [TinyBook.Proof(1)], [TinyBook.Mend("mend", 500, 0, 0.9)]);
        Assert.Equal(AdviceKind.HandBack, Next(book).Kind);
    }

    [Fact]
    public void Of_RandomBooksWithoutTests_MendsInTheBestOrderThereIs()
    {
        // One repair a cause: the best order and place to stop can be found by trying all; the fast way must cost the same.
        var chance = new Random(11);
        for (var round = 0; round < 60; round++)
        {
            var book = RandomBook.Of(chance, 5, 0);
            var odds = Posterior.Of(book, TinyBook.Facts(book), []);
            var board = new PlanBoard(odds, TinyBook.Facts(book));
            byte[] once = [.. book.Repairs.Select(_ => (byte)1)];
            Assert.Equal(BestOrder(book, odds), MendingOrder.Cost(board, board.Chances, board.Unknown, 0, once), 6);
        }
    }

    private static double BestOrder(CaseBook book, Posterior odds) =>
        Permutations([.. Enumerable.Range(0, book.Repairs.Count)]).Min(order => Cost(book, odds, order));

    // Cost of an order, stopping at the best place to hand back.
    private static double Cost(CaseBook book, Posterior odds, int[] order)
    {
        double reach = 1,
            spent = 0,
            best = book.Book.House.HandBack;
        foreach (var r in order)
        {
            spent += reach * (book.StepCost[book.Repairs[r].Id] + book.StepCost["proof"]);
            reach -= odds.Still.Select((p, c) => p * book.FixChance[r][c]).Sum();
            best = Math.Min(best, spent + (reach * book.Book.House.HandBack));
        }

        return best;
    }

    private static IEnumerable<int[]> Permutations(int[] items)
    {
        if (items.Length <= 1)
            return [items];
        return items.SelectMany(first => Permutations([.. items.Where(i => i != first)]).Select(rest => (int[])[first, .. rest]));
    }

    private static Advice Next(CaseBook book, params CaseEvent[] timeline)
    {
        var facts = TinyBook.Facts(book);
        return NextStep.Of(Posterior.Of(book, facts, timeline), facts, timeline, []);
    }
}
