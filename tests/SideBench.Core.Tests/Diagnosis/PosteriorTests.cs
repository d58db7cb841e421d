using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class PosteriorTests
{
    [Fact]
    public void Of_TwoCausesOneFinding_IsBayesByHand()
    {
        // Rates 3:1, a share of 0.1 kept for the unknown: priors 0.675, 0.225, 0.1. Answer o0 is likely 0.2 and 0.8;
        // the unknown takes half the mean over causes by rate, 0.75·0.2 + 0.25·0.8 = 0.35, half 0.5: 0.425. Joint 0.135, 0.18, 0.0425;
        // sum 0.3575.
        var book = TinyBook.Of(
            [3, 1],
            [
                TinyBook.Look(
                    "look",
                    1,
                    [
                        [0.2, 0.8],
                        [0.8, 0.2],
                    ]
                ),
            ],
            []
        );
        var odds = Posterior.Of(book, TinyBook.Facts(book), [new CaseEvent.Told("look", "o0", 1)]);
        Assert.Equal(0.135 / 0.3575, odds.Still[0], 12);
        Assert.Equal(0.18 / 0.3575, odds.Still[1], 12);
        Assert.Equal(0.0425 / 0.3575, odds.Unknown, 12);
    }

    [Fact]
    public void Of_RepairThenGoodProof_MovesTheOddsToMended()
    {
        // One cause, 0.9 to 0.1 unknown; repair ends it at 0.8: still 0.18, mended 0.72. Good proof: ×0.05, ×0.99; unknown ×0.05, as the
        // book's causes.
        var book = TinyBook.Of([1], [TinyBook.Proof(1)], [TinyBook.Mend("mend", 5, 0, 0.8)]);
        var odds = Posterior.Of(book, TinyBook.Facts(book), [new CaseEvent.Worked("mend", 1), new CaseEvent.Told("proof", "o0", 2)]);
        var sum = (0.18 * 0.05) + (0.72 * 0.99) + (0.1 * 0.05);
        Assert.Equal(0.72 * 0.99 / sum, odds.Fixed, 12);
    }

    [Fact]
    public void Of_SameQuestionToldTwice_CountsItsLastAnswerOnce()
    {
        var book = TinyBook.Of(
            [3, 1],
            [
                TinyBook.Look(
                    "look",
                    1,
                    [
                        [0.2, 0.8],
                        [0.8, 0.2],
                    ]
                ),
            ],
            []
        );
        var once = Posterior.Of(book, TinyBook.Facts(book), [new CaseEvent.Told("look", "o0", 2)]);
        var twice = Posterior.Of(book, TinyBook.Facts(book), [new CaseEvent.Told("look", "o1", 1), new CaseEvent.Told("look", "o0", 2)]);
        Assert.Equal(once.Still, twice.Still);
    }

    [Fact]
    public void Of_RandomBooksAndCases_AgreesWithTheSlowTwin()
    {
        var chance = new Random(20260302);
        for (var round = 0; round < 300; round++)
        {
            var book = RandomBook.Of(chance, 6, 4);
            var timeline = RandomBook.Timeline(book, chance, 6);
            var odds = Posterior.Of(book, TinyBook.Facts(book), timeline);
            var twin = Twin(book, timeline);
            for (var c = 0; c < book.Causes.Count; c++)
            {
                Assert.Equal(twin.Still[c], odds.Still[c], 9);
                Assert.Equal(twin.Mended[c], odds.Mended[c], 9);
            }

            Assert.Equal(1, odds.Still.Sum() + odds.Fixed + odds.Unknown, 9);
        }
    }

    [Fact]
    public void Of_HundredsOfAnswers_DoesNotRunOutOfNumbers()
    {
        var looks = Enumerable
            .Range(0, 400)
            .Select(i =>
                TinyBook.Look(
                    $"l{i}",
                    1,
                    [
                        [0.9, 0.1],
                        [0.88, 0.12],
                    ]
                )
            )
            .ToList();
        var book = TinyBook.Of([1, 1], looks, []);
        var odds = Posterior.Of(book, TinyBook.Facts(book), [.. looks.Select((l, i) => new CaseEvent.Told(l.Id, "o0", i))]);
        Assert.True(odds.Still[0] > 0.999, $"{odds.Still[0]}");
    }

    [Fact]
    public void Evidence_SaysWhatEachAnswerMoved()
    {
        var book = TinyBook.Of(
            [1, 1],
            [
                TinyBook.Look(
                    "look",
                    1,
                    [
                        [0.9, 0.1],
                        [0.1, 0.9],
                    ]
                ),
            ],
            []
        );
        var fact = Assert.Single(Posterior.Of(book, TinyBook.Facts(book), [new CaseEvent.Told("look", "o0", 7)]).Evidence);
        Assert.Equal(7, fact.Entry);
        Assert.True(fact.Weight > 0, "it blames the station that leads");
        Assert.True(fact.Moves.Single(m => m.Station == "s0").After > 0.8);
        Assert.True(fact.Moves.Single(m => m.Station == "s1").After < 0.1);
    }

    // Straight products in plain numbers, hypothesis by hypothesis, as one would do it on paper.
    private static (double[] Still, double[] Mended) Twin(CaseBook book, IReadOnlyList<CaseEvent> timeline)
    {
        var share = book.Book.House.NotInBook;
        var still = book.BaseWeights.Select(w => w / book.BaseWeights.Sum() * (1 - share)).ToArray();
        var mended = new double[still.Length];
        var unknown = share;
        for (var i = 0; i < timeline.Count; i++)
        {
            if (timeline[i] is CaseEvent.Told told)
            {
                var until = timeline.Skip(i + 1).TakeWhile(e => e is CaseEvent.Told).OfType<CaseEvent.Told>();
                var f = book.IndexOfFinding(told.Finding);
                if (!book.Findings[f].IsProof && until.Any(t => t.Finding == told.Finding))
                    continue;
                var o = book.Findings[f].IndexOf(told.Outcome);
                for (var c = 0; c < still.Length; c++)
                    (still[c], mended[c]) = (still[c] * book.Likelihood[f][c][o], mended[c] * book.Findings[f].Sound[o]);
                unknown *= book.Unknown[f][o];
            }
            else if (timeline[i] is CaseEvent.Worked worked)
            {
                var row = book.FixChance[book.IndexOfRepair(worked.Repair)];
                for (var c = 0; c < still.Length; c++)
                    (still[c], mended[c]) = (still[c] * (1 - row[c]), mended[c] + (still[c] * row[c]));
            }
        }

        var total = still.Sum() + mended.Sum() + unknown;
        return ([.. still.Select(p => p / total)], [.. mended.Select(p => p / total)]);
    }
}
