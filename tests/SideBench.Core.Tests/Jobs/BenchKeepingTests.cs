using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.Jobs;

public class BenchKeepingTests
{
    private static readonly DateTimeOffset At = TestShop.Now;

    [Fact]
    public void Put_ThenClear_LeavesTheTrayAsItWas()
    {
        var entries = Open();
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), " towel ", "inside", 1, "t"));
        var item = Assert.Single(HouseCrafts.Fold(entries).Tray);
        Assert.Equal("towel", item.Label);
        Assert.Contains("no-power", item.Marks);
        TestShop.Add(entries, OpeningWork.Clear(HouseCrafts.Fold(entries), ["t"]));
        Assert.Empty(HouseCrafts.Fold(entries).Tray);
        Assert.Equal(ProblemCode.UnknownTrayItem, Code(OpeningWork.Clear(HouseCrafts.Fold(entries), ["t"])));
    }

    [Theory]
    [InlineData("", "off", 1, "missing", "/label")]
    [InlineData("lid", "gone", 1, "unknown-word", "/change")]
    [InlineData("lid", "off", 0, "out-of-range", "/count")]
    public void Put_WithBadInput_NamesTheField(string label, string change, int count, string code, string path)
    {
        var problem = Assert.Single(BenchKeeping.Put(HouseCrafts.Fold(Open()), label, change, count, "t").Problems);
        Assert.Equal((code, path), (problem.Code.Id, problem.Path));
    }

    [Theory]
    [InlineData("nap", 10.0, null, "/kind")]
    [InlineData("rest", 0.0, null, "/minMinutes")]
    [InlineData("rest", double.NaN, null, "/minMinutes")]
    [InlineData("rest", 99999.0, null, "/minMinutes")]
    [InlineData("soak", 60.0, 30.0, "/maxMinutes")]
    public void StartClock_WithBadInput_NamesTheField(string kind, double min, double? max, string path) =>
        Assert.Equal(path, Assert.Single(BenchKeeping.StartClock(HouseCrafts.Fold(Open()), kind, "", min, max, "c").Problems).Path);

    [Fact]
    public void Clocks_RunSideBySide_AndEndByHand()
    {
        var entries = Open();
        TestShop.Add(entries, BenchKeeping.StartClock(HouseCrafts.Fold(entries), "soak", "", 60, 480, "a"));
        TestShop.Add(entries, BenchKeeping.StartClock(HouseCrafts.Fold(entries), "dry", "contacts", 10, null, "b"));
        var state = HouseCrafts.Fold(entries);
        Assert.Equal(["soak", "contacts"], state.Clocks.Select(c => c.Label));
        Assert.Equal(state.Clocks[0].StartedAt.AddMinutes(480), state.Clocks[0].LatestAt);
        Assert.Null(state.Clocks[1].LatestAt);
        TestShop.Add(entries, BenchKeeping.StopClock(state, "a"));
        Assert.Equal("b", Assert.Single(HouseCrafts.Fold(entries).Clocks).Id);
        Assert.Equal(ProblemCode.UnknownClock, Code(BenchKeeping.StopClock(HouseCrafts.Fold(entries), "a")));
    }

    [Theory]
    [InlineData("parts", "print head", Standing.Parts)]
    [InlineData("customer", "quote sent", Standing.Customer)]
    [InlineData("hands", "", Standing.Hands)]
    public void Wait_SetsWhatTheJobStandsFor(string waitsFor, string what, Standing standing)
    {
        var entries = Open();
        TestShop.Add(entries, BenchKeeping.Wait(HouseCrafts.Fold(entries), waitsFor, what, null, At));
        Assert.Equal(standing, HouseCrafts.Fold(entries).StandingAt(TestShop.Now));
    }

    [Fact]
    public void Wait_ForSomething_SaysWhat() =>
        Assert.Equal("/what", Assert.Single(BenchKeeping.Wait(HouseCrafts.Fold(Open()), "parts", " ", null, At).Problems).Path);

    [Fact]
    public void Consent_NeedsAWordWeKnow_AndWhoSaidIt() =>
        Assert.Equal(["/what", "/by"], BenchKeeping.Consent(HouseCrafts.Fold(Open()), "anything", "").Problems.Select(p => p.Path));

    [Theory]
    [InlineData(-1, false)]
    [InlineData(0, true)]
    [InlineData(7, true)]
    [InlineData(8, false)]
    public void Place_IsOnTheBenchOrOffIt(int place, bool good) => Assert.Equal(good, BenchKeeping.Place(place, 7).IsGood);

    [Fact]
    public void HandOver_ComesAfterClosing_AndOnce()
    {
        var entries = Open();
        Assert.Equal(ProblemCode.JobOpen, Code(BenchKeeping.HandOver(HouseCrafts.Fold(entries), "Kite Loft", 10, "GBP")));
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "handed-back", "not worth it"));
        Assert.Equal(Standing.Ready, HouseCrafts.Fold(entries).StandingAt(TestShop.Now));
        Assert.Equal("/charge", Assert.Single(BenchKeeping.HandOver(HouseCrafts.Fold(entries), "Kite Loft", -1, "GBP").Problems).Path);
        TestShop.Add(entries, BenchKeeping.HandOver(HouseCrafts.Fold(entries), "Kite Loft", 10, "GBP"));
        Assert.Equal(Standing.Gone, HouseCrafts.Fold(entries).StandingAt(TestShop.Now));
        Assert.Equal(ProblemCode.HandedOverAlready, Code(BenchKeeping.HandOver(HouseCrafts.Fold(entries), "Kite Loft", 10, "GBP")));
    }

    [Fact]
    public void HandedBackUnmended_NeedsAReason_AndTheSheetSaysSo()
    {
        var entries = Open();
        Assert.Equal("/reason", Assert.Single(Endings.Close(TestShop.Case(entries), "handed-back", "").Problems).Path);
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "handed-back", "In warranty."));
        var sheet = HandOverSheet.Of(TestShop.Case(entries));
        Assert.Equal("Handed back unmended. In warranty.", sheet.Ending);
        Assert.Equal(["Nothing was changed on the machine"], sheet.Done);
    }

    private static List<Entry> Open() => TestShop.Opened(TestShop.Intake("marram-duo", "not-recognised"));

    private static ProblemCode Code(Outcome<IReadOnlyList<EntryBody>> outcome) => Assert.Single(outcome.Problems).Code;
}
