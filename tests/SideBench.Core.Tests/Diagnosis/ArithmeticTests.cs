using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class ArithmeticTests
{
    [Fact]
    public void Of_MultipliesToTheOddsThatAreShown()
    {
        var job = Fading("nozzle-sheet=complete vent-open-draw=returns");
        var why = CauseArithmetic.Of(job.Odds, job.Facts, "vent-blocked")!;
        var odds = why.Start;
        foreach (var line in why.Lines)
            odds *= line.Likelihood / line.Average;
        Assert.Equal(why.Now, odds, 9);
        Assert.Equal(why.Lines[^1].After, why.Now, 12);
        Assert.All(why.Lines, l => Assert.NotEmpty(l.Why));
    }

    [Fact]
    public void Changes_AreAnswersThatReallyLowerIt()
    {
        var job = Fading("nozzle-sheet=complete");
        var why = CauseArithmetic.Of(job.Odds, job.Facts, "vent-blocked")!;
        Assert.NotEmpty(why.Changes);
        foreach (var change in why.Changes)
        {
            var told = Fading($"nozzle-sheet=complete {change.Finding.Id}={change.Outcome.Id}");
            Assert.Equal(change.Then, told.Odds.Still[told.Book.Causes.ToList().FindIndex(c => c.Id == "vent-blocked")], 9);
            Assert.True(change.Then < why.Now * 0.7);
        }
    }

    [Fact]
    public void NumberToldWithAnAnswer_MovesTheCausesItsBandSpeaksOf()
    {
        double On(double ml, string cause)
        {
            var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
            TestShop.Answer(entries, "draw-test", "hard", ml);
            var job = TestShop.Case(entries);
            return job.Odds.Still[job.Book.Causes.ToList().FindIndex(c => c.Id == cause)];
        }

        Assert.True(On(1, "damper-blocked") > 1.5 * On(2.5, "damper-blocked"));
        Assert.True(On(4, "vent-blocked") > 1.3 * On(2.5, "vent-blocked"));
    }

    [Fact]
    public void Contradiction_NamesTheAnswerThatFitsLeast_Once()
    {
        // Three looks of which two agree on c0 and the third makes it nearly impossible.
        var house = TinyBook.House with
        {
            ContradictsAbove = 0.4,
            HandBack = 20,
            WordSaves = 0,
            NotInBook = 0.05,
        };
        var looks = Enumerable
            .Range(0, 3)
            .Select(i =>
                TinyBook.Look(
                    $"l{i}",
                    1,
                    [
                        [0.999, 0.001],
                        [0.001, 0.999],
                    ]
                )
            );
        var book = TinyBook.Of(
            [1, 1],
            [.. looks, TinyBook.Proof(2)],
            [TinyBook.Mend("m0", 5, 0, 0.9), TinyBook.Mend("m1", 5, 1, 0.9)],
            house
        );
        var facts = TinyBook.Facts(book);
        List<CaseEvent> told = [new CaseEvent.Told("l0", "o0", 1), new CaseEvent.Told("l1", "o0", 2), new CaseEvent.Told("l2", "o1", 3)];
        var odds = Posterior.Of(book, facts, told);
        Assert.True(odds.Contradicted, $"{odds.Unknown:0.00}");
        Assert.Equal("l2", Doubt.Of(odds, facts, told)?.Finding.Id);
        told.Add(new CaseEvent.Told("l2", "o1", 4));
        Assert.NotEqual("l2", Doubt.Of(Posterior.Of(book, facts, told), facts, told)?.Finding.Id);
    }

    private static JobCase Fading(string answers)
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load", moved: true));
        foreach (var answer in answers.Split(' '))
            TestShop.Answer(entries, answer.Split('=')[0], answer.Split('=')[1]);
        return TestShop.Case(entries);
    }
}
