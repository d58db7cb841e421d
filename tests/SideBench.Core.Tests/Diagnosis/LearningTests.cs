using SideBench.Core.Diagnosis;
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
        Assert.True(judged.Tests[1].Bits > 0.5, $"{judged.Tests[1].Bits}");
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
