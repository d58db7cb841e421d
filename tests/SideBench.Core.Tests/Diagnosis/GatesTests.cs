using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class GatesTests
{
    private static readonly string[] Cleans = ["clean-light", "clean-normal", "clean-deep"];

    [Fact]
    public void CompletePattern_HoldsEveryHeadCleaningBack_AndTakingItBackLiftsIt()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        TestShop.Answer(entries, "nozzle-sheet", "complete");
        Assert.Superset(Cleans.ToHashSet(), HeldBy(entries, "complete-pattern"));
        TestShop.Add(entries, BenchWork.Correct(HouseCrafts.Fold(entries), entries, entries[^1].Id.Value, "wrong key"));
        Assert.Empty(HeldBy(entries, "complete-pattern"));
    }

    [Theory]
    [InlineData("marram-quartet-a4", "draw-test", "free")]
    [InlineData("tolling-folio-3", "outlet-blot", "wet")]
    public void BlankOnRefilled_HoldsCleansUntilInkIsProved(string model, string proof, string outcome)
    {
        var entries = TestShop.Opened(TestShop.Intake(model, "blank-channel", ink: "refilled"));
        Assert.Superset(Cleans.ToHashSet(), HeldBy(entries, "ink-not-proved"));
        TestShop.Answer(entries, proof, outcome);
        Assert.Empty(HeldBy(entries, "ink-not-proved"));
    }

    [Fact]
    public void SameMissingAfterTwoCleans_HoldsTheThird_UntilARest()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "missing-after-idle", idleWeeks: 10));
        TestShop.Answer(entries, "nozzle-sheet", "run");
        TestShop.Mend(entries, "clean-light");
        TestShop.Answer(entries, "sheet-after-clean", "fewer");
        Assert.Empty(HeldBy(entries, "two-cleans-same"));
        TestShop.Mend(entries, "clean-normal");
        TestShop.Answer(entries, "sheet-after-clean", "same");
        Assert.Superset(Cleans.ToHashSet(), HeldBy(entries, "two-cleans-same"));
        TestShop.Mend(entries, "long-rest");
        Assert.Empty(HeldBy(entries, "two-cleans-same"));
    }

    [Fact]
    public void ThermalAndStarving_StopsPrinting()
    {
        var entries = TestShop.Opened(TestShop.Intake("pellow-studio-eight", "fades-under-load"));
        Assert.DoesNotContain("full-pages", HeldBy(entries, "thermal-starving"));
        TestShop.Answer(entries, "nozzle-sheet", "fading");
        Assert.Contains("full-pages", HeldBy(entries, "thermal-starving"));
    }

    [Fact]
    public void CounterThatWouldPassItsLimit_HoldsTheCleanThatWouldPassIt()
    {
        // Deep clean lifts the Quartet's counter by 6.6, a light one by 0.9: at 96 % the deep one would pass 100, the light one not.
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "missing-after-idle", idleWeeks: 10));
        entries.Add(
            TestShop.Line(
                entries.Count + 1,
                new Answered("counter-reading", "below", "Counter", "Below", "below", 96, "% of counter", 1, [])
            )
        );
        var held = HeldBy(entries, "counter-would-pass");
        Assert.Contains("clean-deep", held);
        Assert.DoesNotContain("clean-light", held);
    }

    [Fact]
    public void Warranty_HoldsOpeningUntilTheCustomersWord()
    {
        var end = DateOnly.FromDateTime(TestShop.Now.AddDays(1).UtcDateTime);
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load", warranty: end));
        Assert.Contains("draw-test", HeldBy(entries, "warranty-opening"));
        var refused = BenchWork.Answer(TestShop.Case(entries), "draw-test", "hard", null, () => "x");
        Assert.Equal(DiagnosisProblem.HeldBack, Assert.Single(refused.Problems).Code);
        TestShop.Add(entries, BenchKeeping.Consent(HouseCrafts.Fold(entries), "open-in-warranty", "Harbour Office, by phone"));
        Assert.Empty(HeldBy(entries, "warranty-opening"));
    }

    [Fact]
    public void WetContacts_HoldPower_UntilTheTrayIsClear()
    {
        var entries = TestShop.Opened(TestShop.Intake("tolling-folio-3", "not-recognised"));
        TestShop.Mend(entries, "clean-contacts");
        var refused = BenchWork.Answer(TestShop.Case(entries), "good-start", "read", null, () => "x");
        Assert.Equal(DiagnosisProblem.HeldBack, Assert.Single(refused.Problems).Code);
        TestShop.ClearTray(entries);
        Assert.True(BenchWork.Answer(TestShop.Case(entries), "good-start", "read", null, () => "x").IsGood);
    }

    [Fact]
    public void CounterReset_NeedsRoomInThePads()
    {
        var entries = TestShop.Opened(TestShop.Intake("tolling-folio-3", "waste-full"));
        Assert.Contains("weigh-and-reset", HeldBy(entries, "reset-needs-room"));
        TestShop.Answer(entries, "pads-weighed", "room", 60);
        Assert.Empty(HeldBy(entries, "reset-needs-room"));
    }

    [Fact]
    public void Override_WithReason_LetsOneStepPast_AndIsOnRecord()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        TestShop.Answer(entries, "nozzle-sheet", "complete");
        Assert.Equal(ProblemCode.Missing, Assert.Single(BenchWork.Override(TestShop.Case(entries), "clean-light", " ").Problems).Code);
        TestShop.Add(entries, BenchWork.Override(TestShop.Case(entries), "clean-light", "customer insists"));
        Assert.DoesNotContain("clean-light", HeldBy(entries, "complete-pattern"));
        Assert.Contains("clean-deep", HeldBy(entries, "complete-pattern"));
        Assert.Contains(entries, e => e.Body is GateOverridden { Reason: "customer insists" });
    }

    private static HashSet<string> HeldBy(IReadOnlyList<Entry> entries, string gate) =>
        [.. TestShop.Case(entries).Advice.Held.Where(h => h.Gate.Id == gate).Select(h => h.Step.Id)];
}
