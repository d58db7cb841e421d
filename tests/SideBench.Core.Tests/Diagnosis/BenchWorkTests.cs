using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class BenchWorkTests
{
    [Fact]
    public void Correct_TakesAnAnswerBack_AndKeepsBothLines()
    {
        var entries = Fading();
        var before = TestShop.Case(entries).Odds.On("vent");
        TestShop.Answer(entries, "vent-open-draw", "returns");
        Assert.True(TestShop.Case(entries).Odds.On("vent") > before + 0.2);
        TestShop.Add(entries, BenchWork.Correct(HouseCrafts.Fold(entries), entries, entries[^1].Id.Value, "pressed the wrong one"));
        Assert.Equal(before, TestShop.Case(entries).Odds.On("vent"), 9);
        Assert.Equal(2, entries.Count(e => e.Body is Answered { Finding: "vent-open-draw" } or Corrected));
        Assert.Equal(ProblemCode.CorrectedAlready, Code(BenchWork.Correct(HouseCrafts.Fold(entries), entries, entries[^2].Id.Value, "")));
    }

    [Theory]
    [InlineData(1, "nozzles", "(1\u2009nozzle)")]
    [InlineData(2, "nozzles", "(2\u2009nozzles)")]
    [InlineData(1, "ml", "(1\u2009ml)")]
    public void Answer_SaysOneOfAThingInTheSingular(double number, string unit, string says) =>
        Assert.EndsWith(says, new Answered("f", "o", "Look", "Gaps", "gaps", number, unit, 1, []).Says);

    [Fact]
    public void Answer_PutsWhatTheStepOpensOnTheTray_Once()
    {
        var entries = Fading();
        TestShop.Answer(entries, "draw-test", "hard", 4);
        TestShop.Answer(entries, "damper-look", "low");
        Assert.Equal(1, HouseCrafts.Fold(entries).Tray.Count(i => i.Label == "top cover"));
    }

    [Fact]
    public void Close_WithTheTrayNotClear_IsRefusedUnlessAReasonIsGiven()
    {
        var entries = Proved();
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), "cover screw, short", "off", 1, "t1"));
        Assert.Equal(ProblemCode.TrayNotClear, Code(Endings.Close(TestShop.Case(entries), "verified", "")));
        var closed = Endings.Close(TestShop.Case(entries), "verified", "the screw is lost; its hole may stay empty");
        Assert.Equal("cover screw, short off", Assert.Single(Assert.IsType<Closed>(closed.Value[^1]).StillOnTray));
    }

    [Fact]
    public void Close_AsVerified_NeedsProofByFullPages_NotByASheet()
    {
        var entries = Fading();
        TestShop.Mend(entries, "clear-vent");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "nozzle-sheet", "complete");
        Assert.Equal(DiagnosisProblem.NotProved, Code(Endings.Close(TestShop.Case(entries), "verified", "")));
        TestShop.Answer(entries, "full-pages", "even");
        var closed = Assert.IsType<Closed>(Endings.Close(TestShop.Case(entries), "verified", "").Value[^1]);
        Assert.Equal("vent-blocked", closed.Cause);
    }

    [Fact]
    public void ClosedJob_TakesNoMoreWork_ButItsClosingCanBeTakenBack()
    {
        var entries = Proved();
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "verified", ""));
        Assert.Equal(ProblemCode.JobClosed, Code(BenchWork.Answer(TestShop.Case(entries), "full-pages", "even", null, () => "x")));
        TestShop.Add(entries, BenchWork.Correct(HouseCrafts.Fold(entries), entries, entries[^1].Id.Value, ""));
        Assert.Null(HouseCrafts.Fold(entries).Closing);
    }

    [Fact]
    public void Answer_OutsideItsRange_IsRefused() =>
        Assert.Equal(ProblemCode.OutOfRange, Code(BenchWork.Answer(TestShop.Case(Fading()), "draw-test", "hard", 900, () => "x")));

    [Theory]
    [InlineData("no-such-step", "x", "unknown-step")]
    [InlineData("draw-test", "no-such-answer", "unknown-answer")]
    public void Answer_ToWhatIsNotThere_IsRefused(string finding, string outcome, string expected) =>
        Assert.Equal(expected, Code(BenchWork.Answer(TestShop.Case(Fading()), finding, outcome, null, () => "x")).Id);

    [Theory]
    [InlineData(0, true)]
    [InlineData(1, false)]
    public void WorkOfBefore_MayBeOfThisMorning_AndNotOfTomorrow(int days, bool good)
    {
        var today = new DateOnly(2026, 3, 2);
        var told = BenchWork.Before(TestShop.Shop.Book, "clear-vent", today.AddDays(days), true, today);
        Assert.Equal(good, told.IsGood);
        Assert.True(BenchWork.Before(TestShop.Shop.Book, "clear-vent", new DateOnly(1990, 1, 1), true, today).IsGood);
        Assert.False(BenchWork.Before(TestShop.Shop.Book, "clear-vent", new DateOnly(1989, 12, 31), true, today).IsGood);
    }

    [Fact]
    public void Mend_WithAWait_StartsItsClock_WhichRingsAtItsTime()
    {
        var entries = Fading();
        TestShop.Mend(entries, "clear-vent");
        var state = HouseCrafts.Fold(entries);
        var clock = Assert.Single(state.Clocks);
        Assert.False(clock.Rings(clock.StartedAt.AddMinutes(9.9)));
        Assert.True(clock.Rings(clock.StartedAt.AddMinutes(10)));
        Assert.Equal(Standing.Time, state.StandingAt(clock.StartedAt));
        Assert.Equal(Standing.Hands, state.StandingAt(clock.EndsAt));
    }

    [Fact]
    public void HandOverSheet_SaysWhatWasFoundDoneUsedAndCosts()
    {
        var entries = Proved();
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "verified", ""));
        var sheet = HandOverSheet.Of(TestShop.Case(entries));
        // ink-seen 1 + draw-test 1, cover and lead 4 + clear-vent 9, plug 1 + full-pages 6 = 22 min at 42 an hour = 15.40.
        Assert.Equal(15.40m, sheet.Labour.Amount);
        Assert.Equal("Vent blocked by dried ink.", sheet.Found[0]);
        Assert.Contains("Clear the vent", sheet.Done);
        Assert.Contains(sheet.Watch, w => w.Contains("level"));
        Assert.NotEmpty(sheet.Cautions);
        Assert.Equal("Mended and proved.", sheet.Ending);
    }

    private static List<Entry> Fading()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load", moved: true));
        TestShop.Answer(entries, "ink-seen", "enough");
        return entries;
    }

    private static List<Entry> Proved()
    {
        var entries = Fading();
        TestShop.Answer(entries, "draw-test", "hard", 4);
        TestShop.Mend(entries, "clear-vent");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "full-pages", "even");
        return entries;
    }

    private static ProblemCode Code(Outcome<IReadOnlyList<EntryBody>> outcome) => Assert.Single(outcome.Problems).Code;
}
