using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class SecondFaultTests
{
    private static readonly HouseRates House = TinyBook.House with { SecondFault = 0.2, NotInBook = 1e-9 };

    [Fact]
    public void Work_ThenBadProof_LeavesTheFirstCauseAndTheSecondBehindIt_AsByHand()
    {
        // Two causes at a half each; repair ends c0 at 0.9; proof shows a fault at 0.95. After it: c0 still 0.5·0.1, c1 alone 0.5,
        // c0 mended 0.5·0.9, and the pair "c0 was, c1 is": 0.5·0.9·0.2·0.5. Bad proof: ×0.95, mended ×0.01.
        var book = TinyBook.Of([1, 1], [TinyBook.Proof(2)], [TinyBook.Mend("m0", 5, 0, 0.9)], House);
        var odds = Posterior.Of(book, TinyBook.Facts(book), [new CaseEvent.Worked("m0", 1), new CaseEvent.Told("proof", "o1", 2)]);
        var (first, second, mended) = (0.05 * 0.95, (0.5 + 0.045) * 0.95, 0.45 * 0.01);
        Assert.Equal(first / (first + second + mended), odds.Still[0], 6);
        Assert.Equal(second / (first + second + mended), odds.Still[1], 6);
    }

    [Fact]
    public void ARepairOfTheSecondFault_EndsItBehindTheFirstToo_AsByHand()
    {
        // As above, then m1 ends c1 at 0.9: alone 0.475·0.1, behind c0 0.04275·0.1. Behind c1, which m1 ended, c0 may stand again:
        // 0.5·0.9·0.2·0.5, and the bad proof shows either: 0.95·1.05.
        var book = TinyBook.Of([1, 1], [TinyBook.Proof(2)], [TinyBook.Mend("m0", 5, 0, 0.9), TinyBook.Mend("m1", 5, 1, 0.9)], House);
        var odds = Posterior.Of(
            book,
            TinyBook.Facts(book),
            [new CaseEvent.Worked("m0", 1), new CaseEvent.Told("proof", "o1", 2), new CaseEvent.Worked("m1", 3)]
        );
        var (first, second) = (0.0475 + (0.045 * 0.95 * 1.05), 0.0475 + 0.004275);
        var mended = 0.0045 + (0.475 * 0.9) + (0.04275 * 0.9);
        Assert.Equal(first / (first + second + mended), odds.Still[0], 6);
        Assert.Equal(second / (first + second + mended), odds.Still[1], 6);
        Assert.Equal(mended / (first + second + mended), odds.Fixed, 6);
    }

    [Fact]
    public void EvidenceThatTheFirstFaultExplained_DoesNotSpeakAgainstTheSecond()
    {
        // The look blames c0 almost surely. When c0's repair fails its proof, c1 comes back: with pairs more than without.
        var look = TinyBook.Look(
            "look",
            1,
            [
                [0.02, 0.98],
                [0.98, 0.02],
                [0.5, 0.5],
            ],
            [0.98, 0.02]
        );
        CaseEvent[] told = [new CaseEvent.Told("look", "o1", 1), new CaseEvent.Worked("m0", 2), new CaseEvent.Told("proof", "o1", 3)];
        double Second(double rate)
        {
            var book = TinyBook.Of(
                [5, 5, 0.01],
                [look, TinyBook.Proof(3)],
                [TinyBook.Mend("m0", 5, 0, 0.95), TinyBook.Mend("m1", 5, 1, 0.95)],
                House with
                {
                    SecondFault = rate,
                }
            );
            return Posterior.Of(book, TinyBook.Facts(book), told).Still[1];
        }

        Assert.True(Second(0.2) > 2 * Second(1e-9), $"{Second(1e-9):0.000} then {Second(0.2):0.000}");
    }

    [Fact]
    public void Odds_StillAddUpToOne_WhateverWasToldAndDone()
    {
        var chance = new Random(4);
        for (var round = 0; round < 100; round++)
        {
            var book = RandomBook.Of(chance, 5, 3);
            var odds = Posterior.Of(book, TinyBook.Facts(book), RandomBook.Timeline(book, chance, 9));
            Assert.Equal(1, odds.Still.Sum() + odds.Fixed + odds.Unknown, 9);
        }
    }
}
