using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class ShopKeepingTests
{
    private static readonly FaultBook Book = TestShop.Shop.Book;

    [Theory]
    [InlineData("clog", "flush-early", false, true)]
    [InlineData("clog", "flush-early", true, true)]
    [InlineData("first-fill", "charge", false, true)]
    [InlineData("first-fill", "charge", true, false)]
    [InlineData("clog", "no-such", false, false)]
    [InlineData("no-such", "firm", false, false)]
    public void Choose_TakesKnownPractices_AndForAJobOnlyWhereItMatters(string school, string option, bool forJob, bool good) =>
        Assert.Equal(good, ShopKeeping.Choose(Book, school, option, forJob).IsGood);

    [Fact]
    public void Shelf_KnowsThePartsOfTheBookOnly()
    {
        Assert.True(ShopKeeping.Shelf(Book, "damper", false).IsGood);
        Assert.Equal(ProblemCode.UnknownWord, Assert.Single(ShopKeeping.Shelf(Book, "flux", false).Problems).Code);
    }

    [Fact]
    public void State_IsTheFoldOfItsLines_AndWhatWasTakenBackIsGone()
    {
        EntryBody edit = new BookEdited("rate", "vent-blocked", "", "", "fairly-common", "common", "seen");
        List<Entry> entries =
        [
            TestShop.Line(1, new SchoolChosen("clog", "flush-early")),
            TestShop.Line(2, new PartTold("damper", false)),
            TestShop.Line(3, edit),
            TestShop.Line(4, new PartTold("cap and wiper", false)),
            TestShop.Line(5, new PartTold("damper", true)),
        ];
        var state = ShopState.Of(entries);
        Assert.Equal("flush-early", state.Schools["clog"]);
        Assert.Equal(["cap and wiper"], state.PartsMissing);
        Assert.Equal([edit], state.Edits);
        entries.Add(TestShop.Line(6, ShopKeeping.Correct(entries, 3, "").Value[0]));
        Assert.Empty(ShopState.Of(entries).Edits);
        Assert.Equal(ProblemCode.CorrectedAlready, Assert.Single(ShopKeeping.Correct(entries, 3, "").Problems).Code);
        Assert.Equal(ProblemCode.NotCorrectable, Assert.Single(ShopKeeping.Correct(entries, 6, "").Problems).Code);
        Assert.Equal(ProblemCode.UnknownEntry, Assert.Single(ShopKeeping.Correct(entries, 77, "").Problems).Code);
    }

    [Fact]
    public void Followed_IsTheJobsChoiceThenTheShopsThenOurs()
    {
        var shop = new Dictionary<string, string> { ["clog"] = "flush-early", ["first-fill"] = "charge" };
        var job = new Dictionary<string, string>
        {
            ["clog"] = "cleans-first",
            ["first-fill"] = "suction",
            ["cleans"] = "no-such",
        };
        var followed = School.Followed(Book.Schools, shop, job);
        Assert.Equal(("cleans-first", "charge", "three-then-rest"), (followed["clog"], followed["first-fill"], followed["cleans"]));
        Assert.Equal(Book.Schools.Count, followed.Count);
    }

    [Fact]
    public void Feed_ComesFromTheLastFading_WithItsCoverage()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        Assert.Null(TestShop.Case(entries).Feed);
        TestShop.Add(entries, BenchWork.Answer(TestShop.Case(entries), "full-pages", "fades", 2, () => "x", 20, 3));
        var job = TestShop.Case(entries);
        Assert.Equal(0.1, job.Feed!.Needed.Value, 9);
        Assert.Contains("magenta", entries[^1].Body.Says);
        Assert.Equal(ProblemCode.OutOfRange, Assert.Single(BenchWork.Answer(job, "full-pages", "fades", 2, () => "x", 0).Problems).Code);
        Assert.Equal(
            ProblemCode.OutOfRange,
            Assert.Single(BenchWork.Answer(job, "full-pages", "fades", 2, () => "x", 20, 9).Problems).Code
        );
    }

    [Fact]
    public void ProvedRepair_ConfirmsItsStation_AndHeldStepsThatNeverFitAreNotSaid()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        TestShop.Answer(entries, "nozzle-sheet", "complete");
        TestShop.Answer(entries, "vent-open-draw", "returns");
        Assert.False(TestShop.Case(entries).IsConfirmed("vent"));
        TestShop.Mend(entries, "clear-vent");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "full-pages", "even");
        var job = TestShop.Case(entries);
        Assert.Equal(["vent"], job.Book.Model.Stations.Select(s => s.Id).Where(job.IsConfirmed));
        Assert.False(job.IsCleared("vent"));
        Assert.Contains(job.Advice.Held.Where(job.IsWorthSaying), h => h.Step.Id == "clean-light");
        Assert.DoesNotContain(job.Advice.Held.Where(job.IsWorthSaying), h => h.Gate.Id == "past-worth");
    }
}
