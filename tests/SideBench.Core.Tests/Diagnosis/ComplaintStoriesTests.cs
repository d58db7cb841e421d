using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>What a technician would expect to be told, complaint by complaint.</summary>
public class ComplaintStoriesTests
{
    [Fact]
    public void FadesUnderLoad_CompleteSheetAndHardDraw_LeavesVentLineAndDamper_ThenTheVentIsLookedAtFirst()
    {
        var job = Told(
            TestShop.Intake("marram-quartet-a4", "fades-under-load", moved: true),
            "ink-seen=enough one-or-all=one film-and-tabs=none nozzle-sheet=complete draw-test=hard"
        );
        Assert.True(job.IsCleared("head") && job.IsCleared("nozzles"));
        Assert.True(job.Odds.On("vent") + job.Odds.On("line") + job.Odds.On("damper") > 0.9);
        Assert.All(new[] { "vent", "line", "damper" }, s => Assert.True(job.Odds.On(s) > 0.1, s));
        Assert.Equal("vent-open-draw", NextOrOther(job).First());
    }

    [Fact]
    public void FadesUnderLoad_MachineThatWasMoved_BlamesTheVentMore()
    {
        var still = Told(TestShop.Intake("marram-quartet-a4", "fades-under-load"), "").Odds.On("vent");
        var moved = Told(TestShop.Intake("marram-quartet-a4", "fades-under-load", moved: true), "").Odds;
        Assert.True(moved.On("vent") > still);
        Assert.Contains(moved.Evidence, e => e is { Kind: "context", Says: "Moved or tipped lately" });
    }

    [Theory]
    [InlineData("flow returns", "returns", "vent")]
    [InlineData("no change", "same", "line")]
    public void OpenFillPlug_SplitsVentFromWhatIsFurtherDown(string why, string outcome, string blamed)
    {
        var job = Told(
            TestShop.Intake("marram-quartet-a4", "fades-under-load", moved: true),
            $"ink-seen=enough nozzle-sheet=complete draw-test=hard vent-open-draw={outcome}"
        );
        var other = blamed == "vent" ? "line" : "vent";
        Assert.True(job.Odds.On(blamed) > job.Odds.On(other), why);
    }

    [Fact]
    public void MissingAfterIdle_Scattered_IsDriedNozzles_AndOneRunIsAClog()
    {
        var intake = TestShop.Intake("marram-duo", "missing-after-idle", idleWeeks: 12);
        Assert.Equal("nozzles-dried", Lead(Told(intake, "nozzle-sheet=scattered")));
        Assert.Equal("nozzles-clogged", Lead(Told(intake, "nozzle-sheet=run")));
        Assert.Equal("head-row-out", Lead(Told(intake, "nozzle-sheet=every-kth")));
    }

    [Fact]
    public void MissingAfterIdle_GapsThatMoveWithCleaning_AreAirNotAClog()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-duo", "missing-after-idle", idleWeeks: 12));
        TestShop.Answer(entries, "nozzle-sheet", "scattered");
        TestShop.Mend(entries, "clean-light");
        TestShop.Answer(entries, "sheet-after-clean", "moved");
        var odds = TestShop.Case(entries).Odds;
        Assert.True(odds.On("cap") + odds.On("pump") + odds.On("seal") > odds.On("nozzles"));
    }

    [Fact]
    public void BlankChannel_OnARefilledMachine_IsAirBeforeADeadDriver_UntilInkIsProved()
    {
        var intake = TestShop.Intake("tolling-broadside-44", "blank-channel", ink: "refilled");
        var before = Told(intake, "ink-seen=enough nozzle-sheet=blank").Odds;
        Assert.True(before.On("line") + before.On("damper") + before.On("store") + before.On("seal") > 0.7);
        var after = Told(intake, "ink-seen=enough nozzle-sheet=blank draw-test=free blank-sheet=nothing").Odds;
        Assert.True(after.On("head") > 0.7, $"{after.On("head")}");
    }

    [Fact]
    public void NotRecognised_KnownGoodStillRefused_MovesTheBlameFromCartridgeToSlot()
    {
        var intake = TestShop.Intake("tolling-folio-3", "not-recognised", ink: "compatible");
        var before = Told(intake, "film-and-tabs=none press-home=no-change number-and-slot=right contacts-look=clean").Odds;
        var refused = Told(
            intake,
            "film-and-tabs=none press-home=no-change number-and-slot=right contacts-look=clean swap-known-good=refused"
        ).Odds;
        var read = Told(
            intake,
            "film-and-tabs=none press-home=no-change number-and-slot=right contacts-look=clean swap-known-good=read"
        ).Odds;
        Assert.True(refused.On("chip") < 0.1 && before.On("chip") > 0.4 && read.On("chip") > before.On("chip"));
        Assert.True(refused.On("slot-board") + refused.On("main-board") + refused.On("contacts") > 0.7);
    }

    [Fact]
    public void NotRecognised_WorkedForWeeks_IsDirtBeforeWrongType_AndJustChanged_IsSeatOrNumber()
    {
        var intake = TestShop.Intake("tolling-folio-3", "not-recognised");
        Assert.Equal("contacts-inky", Lead(Told(intake, "film-and-tabs=none just-changed=weeks")));
        Assert.Contains(Lead(Told(intake, "film-and-tabs=none just-changed=just")), new[] { "not-seated", "wrong-number" });
    }

    [Fact]
    public void WasteFull_RoomByWeight_IsTheCounter_AndTheResetIsTheCheapestWayOn()
    {
        var job = Told(TestShop.Intake("tolling-folio-3", "waste-full"), "reset-history=no counter-reading=limit pads-weighed=room");
        Assert.Equal("counter-early", Lead(job));
        Assert.Equal("weigh-and-reset", NextOrOther(job).First());
        var full = Told(TestShop.Intake("tolling-folio-3", "waste-full"), "reset-history=no counter-reading=limit pads-weighed=full");
        Assert.Equal("pads-full", Lead(full));
        Assert.Equal("renew-pads", NextOrOther(full).First());
    }

    [Fact]
    public void WasteFull_BoxThatWasNotSeated_IsSeatedBeforeAnythingElse()
    {
        var job = Told(TestShop.Intake("pellow-six-tank", "waste-full"), "box-in-again=gone");
        Assert.Equal("box-not-seated", Lead(job));
        Assert.Contains("seat-box", NextOrOther(job));
    }

    [Fact]
    public void FindingsThatFitNothing_RaiseTheShareOfTheUnknown()
    {
        var fits = Told(
            TestShop.Intake("marram-quartet-a4", "fades-under-load"),
            "ink-seen=enough nozzle-sheet=complete draw-test=hard"
        ).Odds.Unknown;
        var odd = Told(
            TestShop.Intake("marram-quartet-a4", "fades-under-load"),
            "ink-seen=enough date-look=in nozzle-sheet=complete draw-test=air "
                + "vent-open-draw=returns damper-look=full settings-seen=fit one-or-all=all"
        ).Odds.Unknown;
        Assert.True(odd > 2 * fits, $"{fits:0.000} then {odd:0.000}");
    }

    private static JobCase Told(TakenIn intake, string answers)
    {
        var entries = TestShop.Opened(intake);
        foreach (var answer in answers.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            if (answer.Split('=') is not [var finding, var outcome])
                throw new ArgumentException(answer);
            TestShop.Answer(entries, finding, outcome);
            TestShop.ClearTray(entries);
        }

        return TestShop.Case(entries);
    }

    private static string Lead(JobCase job) => job.Book.Causes[Array.IndexOf(job.Odds.Still, job.Odds.Still.Max())].Id;

    // The advised step, then what else was close; easy checks are passed over.
    private static List<string> NextOrOther(JobCase job) =>
        [.. job.Advice.Others.Prepend(job.Advice.Chosen!).Where(c => !c.Step.Easy || c.Step is Repair).Select(c => c.Step.Id)];
}
