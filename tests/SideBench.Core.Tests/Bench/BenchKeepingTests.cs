using SideBench.Core.Bench;
using SideBench.Core.Day;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using Xunit;

namespace SideBench.Core.Tests.Bench;

public class BenchKeepingTests
{
    [Fact]
    public void Put_ThenClear_LeavesTheTrayAsItWas()
    {
        var entries = Open();
        TestShop.Add(entries, BenchKeeping.Put(JobFold.Of(entries), " towel ", "inside", 1, "t"));
        var item = Assert.Single(JobFold.Of(entries).Tray);
        Assert.Equal("towel", item.Label);
        Assert.Contains("no-power", item.Marks);
        TestShop.Add(entries, BenchKeeping.Clear(JobFold.Of(entries), ["t"]));
        Assert.Empty(JobFold.Of(entries).Tray);
        Assert.Equal(ProblemCode.UnknownTrayItem, Code(BenchKeeping.Clear(JobFold.Of(entries), ["t"])));
    }

    [Theory]
    [InlineData("", "off", 1, ProblemCode.Missing, "/label")]
    [InlineData("lid", "gone", 1, ProblemCode.UnknownWord, "/change")]
    [InlineData("lid", "off", 0, ProblemCode.OutOfRange, "/count")]
    public void Put_WithBadInput_NamesTheField(string label, string change, int count, ProblemCode code, string path)
    {
        var problem = Assert.Single(BenchKeeping.Put(JobFold.Of(Open()), label, change, count, "t").Problems);
        Assert.Equal((code, path), (problem.Code, problem.Path));
    }

    [Theory]
    [InlineData("nap", 10.0, null, "/kind")]
    [InlineData("rest", 0.0, null, "/minMinutes")]
    [InlineData("rest", double.NaN, null, "/minMinutes")]
    [InlineData("rest", 99999.0, null, "/minMinutes")]
    [InlineData("soak", 60.0, 30.0, "/maxMinutes")]
    public void StartClock_WithBadInput_NamesTheField(string kind, double min, double? max, string path) =>
        Assert.Equal(path, Assert.Single(BenchKeeping.StartClock(JobFold.Of(Open()), kind, "", min, max, "c").Problems).Path);

    [Fact]
    public void Clocks_RunSideBySide_AndEndByHand()
    {
        var entries = Open();
        TestShop.Add(entries, BenchKeeping.StartClock(JobFold.Of(entries), "soak", "", 60, 480, "a"));
        TestShop.Add(entries, BenchKeeping.StartClock(JobFold.Of(entries), "dry", "contacts", 10, null, "b"));
        var state = JobFold.Of(entries);
        Assert.Equal(["soak", "contacts"], state.Clocks.Select(c => c.Label));
        Assert.Equal(state.Clocks[0].StartedAt.AddMinutes(480), state.Clocks[0].LatestAt);
        Assert.Null(state.Clocks[1].LatestAt);
        TestShop.Add(entries, BenchKeeping.StopClock(state, "a"));
        Assert.Equal("b", Assert.Single(JobFold.Of(entries).Clocks).Id);
        Assert.Equal(ProblemCode.UnknownClock, Code(BenchKeeping.StopClock(JobFold.Of(entries), "a")));
    }

    [Theory]
    [InlineData("parts", "print head", Standing.Parts)]
    [InlineData("customer", "quote sent", Standing.Customer)]
    [InlineData("hands", "", Standing.Hands)]
    public void Wait_SetsWhatTheJobStandsFor(string waitsFor, string what, Standing standing)
    {
        var entries = Open();
        TestShop.Add(entries, BenchKeeping.Wait(JobFold.Of(entries), waitsFor, what, null));
        Assert.Equal(standing, JobFold.Of(entries).StandingAt(TestShop.Now));
    }

    [Fact]
    public void Wait_ForSomething_SaysWhat() =>
        Assert.Equal("/what", Assert.Single(BenchKeeping.Wait(JobFold.Of(Open()), "parts", " ", null).Problems).Path);

    [Fact]
    public void Consent_NeedsAWordWeKnow_AndWhoSaidIt() =>
        Assert.Equal(["/what", "/by"], BenchKeeping.Consent(JobFold.Of(Open()), "anything", "").Problems.Select(p => p.Path));

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
        Assert.Equal(ProblemCode.JobOpen, Code(BenchKeeping.HandOver(JobFold.Of(entries), "Kite Loft", 10, "GBP")));
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "handed-back", "not worth it"));
        Assert.Equal(Standing.Ready, JobFold.Of(entries).StandingAt(TestShop.Now));
        Assert.Equal("/charge", Assert.Single(BenchKeeping.HandOver(JobFold.Of(entries), "Kite Loft", -1, "GBP").Problems).Path);
        TestShop.Add(entries, BenchKeeping.HandOver(JobFold.Of(entries), "Kite Loft", 10, "GBP"));
        Assert.Equal(Standing.Gone, JobFold.Of(entries).StandingAt(TestShop.Now));
        Assert.Equal(ProblemCode.HandedOverAlready, Code(BenchKeeping.HandOver(JobFold.Of(entries), "Kite Loft", 10, "GBP")));
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
