using SideBench.Core.Diagnosis;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class LearningTests
{
    [Fact]
    public void Factors_AreTheConjugateRule_ByHand()
    {
        // Shares 0.75 and 0.25; the book is worth 20 jobs. Four jobs were c1 with this ink, two with another that count half:
        // c1 (20·0.25 + 5)/(25) = 0.4, c0 20·0.75/25 = 0.6.
        var book = TinyBook.Of([3, 1], [], []);
        var counts = new ShopCounts(new Dictionary<string, int> { ["c1"] = 4 }, new Dictionary<string, int> { ["c1"] = 2 });
        var factors = counts.Factors(book.Causes, [0.75, 0.25], TinyBook.House with { BookWorthJobs = 20, OtherInkCounts = 0.5 });
        Assert.Equal(0.6, 0.75 * factors[0], 9);
        Assert.Equal(0.4, 0.25 * factors[1], 9);
    }

    [Fact]
    public void OwnJobs_MoveTheOdds_AndSaySo()
    {
        var book = TinyBook.Of([3, 1], [], []);
        var counts = new ShopCounts(new Dictionary<string, int> { ["c1"] = 30 }, new Dictionary<string, int>());
        var odds = Posterior.Of(book, TinyBook.Facts(book) with { Counts = counts }, []);
        Assert.True(odds.Still[1] > odds.Still[0]);
        Assert.Equal("30 closed jobs of this shop", Assert.Single(odds.Evidence).Says);
        Assert.Equal(0.9, odds.Still.Sum(), 9);
    }

    [Fact]
    public void Judge_KeepsTheOddsBeforeTheFirstRepair_AndWhatEachTestTold()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load", moved: true));
        TestShop.Answer(entries, "nozzle-sheet", "complete");
        TestShop.Answer(entries, "vent-open-draw", "returns");
        var before = TestShop.Case(entries).Odds;
        TestShop.Mend(entries, "clear-vent");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "full-pages", "even");
        var judged = Assert.IsType<Judged>(Endings.Close(TestShop.Case(entries), "verified", "").Value[0]);
        var foretold = Assert.Single(judged.Odds, o => o.Confirmed);
        Assert.Equal(before.Still[before.Book.Causes.ToList().FindIndex(c => c.Id == judged.Cause)], foretold.Ratio, 12);
        Assert.Equal(["nozzle-sheet", "vent-open-draw"], judged.Tests.Select(t => t.Finding));
        // What it told of the cause that was confirmed, in halvings of doubt.
        var cause = before.Book.Causes.ToList().FindIndex(c => c.Id == judged.Cause);
        var path = before.Paths.Single(p => p.Evidence.Source == "vent-open-draw");
        Assert.Equal(Math.Log(path.After[cause] / path.Before[cause]) / Math.Log(2), judged.Tests[1].Bits, 9);
        Assert.Equal(("", ""), (judged.Panel, judged.Code));
        var shown = new List<Entry>(entries);
        shown.Insert(1, entries[0] with { Body = new Answered("panel-code", "spent", "Panel", "", "", null, "", 1, []) { Code = "Q-11" } });
        judged = Assert.IsType<Judged>(Endings.Close(TestShop.Case(shown), "verified", "").Value[0]);
        Assert.Equal(("spent", "Q-11"), (judged.Panel, judged.Code));
        // Which code it was nobody told: it counts neither for one nor against one. That there was none is told.
        shown[1] = entries[0] with
        {
            Body = new Answered("panel-code", "spent", "Panel", "", "", null, "", 1, []),
        };
        Assert.Equal("", ((Judged)Endings.Close(TestShop.Case(shown), "verified", "").Value[0]).Panel);
        shown[1] = entries[0] with { Body = new Answered("panel-code", "none", "Panel", "", "", null, "", 1, []) };
        Assert.Equal("none", ((Judged)Endings.Close(TestShop.Case(shown), "verified", "").Value[0]).Panel);
    }

    [Fact]
    public void ACode_IsMovedByWhatItTurnedOutToBe_ByHand()
    {
        // The book is worth 8 jobs, such a code in half of them: (4 + 3) of 11 under c0; under c1, where it was not shown, 4 of 10.
        var codes = new CodeCounts(
            new Dictionary<string, int> { ["c0"] = 3, ["c1"] = 2 },
            new Dictionary<(string, string), int> { [("Q-52", "c0")] = 3, [("Q-53", "c1")] = 1 }
        );
        Assert.Equal(7.0 / 11 / 0.5, codes.Factor("Q-52", "c0", 0.5, 8), 9);
        Assert.Equal(0.4 / 0.5, codes.Factor("Q-52", "c1", 0.5, 8), 9);
        // What the book holds impossible stays so, a code that no proved job showed says what the book says, and a cause never asked too.
        Assert.Equal(1, codes.Factor("Q-52", "c0", 0, 8));
        Assert.Equal(1, codes.Factor("Q-57", "c0", 0.5, 8));
        Assert.Equal(1, codes.Factor("Q-52", "c2", 0.5, 8), 9);
    }

    [Fact]
    public void TheCodeThatWasTyped_IsOnRecord_IsJudged_AndMovesTheNextJobThatShowsIt_AloneThatCode()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "waste-full"));
        var typed = Assert.Single(QuickEntry.Of(TestShop.Case(entries).Book, TestShop.Case(entries).Facts, "q 52"));
        Assert.Equal("Q-52", typed.Code);
        TestShop.Add(entries, Told(entries, typed.Code));
        Assert.Contains("Q-52", entries[^1].Body.Says, StringComparison.Ordinal);
        Assert.Equal("other-code", Assert.Single(Told(entries, "Q-11").Problems).Code.Id);

        double Full(string code, CodeCounts codes)
        {
            var lines = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "waste-full"));
            TestShop.Add(lines, Told(lines, code));
            var at = TestShop.Case(lines);
            var known = new JobCase(at.Book, at.State, new DateOnly(2026, 3, 2), 0, null, ShopCounts.None with { Codes = codes });
            return known.Odds.Still[known.Book.Causes.ToList().FindIndex(c => c.Id == "pads-full")];
        }

        var proved = new CodeCounts(
            new Dictionary<string, int> { ["pads-full"] = 9 },
            new Dictionary<(string, string), int> { [("Q-52", "pads-full")] = 9 }
        );
        Assert.True(Full("Q-52", proved) > Full("Q-52", CodeCounts.None));
        Assert.Equal(Full("Q-53", CodeCounts.None), Full("Q-53", proved), 12);

        static Outcome<IReadOnlyList<EntryBody>> Told(List<Entry> lines, string code) =>
            BenchWork.Answer(TestShop.Case(lines), CodeOdds.Finding, "waste", null, () => "t", code: code);
    }

    [Fact]
    public void OddsRecord_AddsUpByTenths_AndRanksTestsByBitsAMinute()
    {
        Judged Job(double sure, params TestWorth[] tests) =>
            new(0, "m", "c", "maker", "a", [new Foretold("a", sure, true), new Foretold("b", 1 - sure, false)], tests);
        var record = OddsRecord.Of([
            Job(0.95, new TestWorth("long", 10, 2)),
            Job(1.0, new TestWorth("short", 1, 1)),
            Job(0.35, new TestWorth("short", 1, -0.5)),
        ]);
        Assert.Equal((3, 2), (record.Jobs, record.LeadRight));
        Assert.Equal((2, 2, 1.95), (record.Tenths[9].Given, record.Tenths[9].Confirmed, record.Tenths[9].Foretold));
        Assert.Equal((1, 0), (record.Tenths[6].Given, record.Tenths[6].Confirmed));
        Assert.Equal(["short", "long"], record.Tests.Select(t => t.Finding));
        Assert.Equal((2, 1, 0.25), (record.Tests[0].Times, record.Tests[0].Misled, record.Tests[0].BitsPerMinute));
    }
}
