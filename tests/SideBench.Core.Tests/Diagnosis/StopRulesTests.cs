using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class StopRulesTests
{
    [Fact]
    public void InWarranty_StopsBeforeOpening_AndNamesTheWord()
    {
        var intake = TestShop.Intake(
            "tolling-folio-3",
            "waste-full",
            warranty: DateOnly.FromDateTime(TestShop.Now.UtcDateTime).AddDays(30)
        );
        var job = Told(intake, "reset-history=no counter-reading=limit");
        Assert.Equal((AdviceKind.HandBack, "open-in-warranty"), (job.Advice.Kind, job.Advice.Word?.Word));
        Assert.Contains("In warranty", job.Advice.Because);
        var agreed = new JobCase(
            job.Book,
            job.State with
            {
                Consents = ["open-in-warranty"],
            },
            DateOnly.FromDateTime(TestShop.Now.UtcDateTime)
        );
        Assert.NotEqual(AdviceKind.HandBack, agreed.Advice.Kind);
    }

    [Fact]
    public void WhatWasSeenBeforeThisVisit_IsTold_ThoughTheWarrantyHoldsTheLook()
    {
        var intake = TestShop.Intake(
            "tolling-folio-3",
            "waste-full",
            warranty: DateOnly.FromDateTime(TestShop.Now.UtcDateTime).AddDays(30)
        );
        var job = Told(intake, "counter-reading=limit");
        Outcomes.Outcome<IReadOnlyList<Core.Record.EntryBody>> Drain(bool before) =>
            BenchWork.Answer(job, "drain-look", "off", null, () => "x", before: before);
        Assert.Equal("held-back", Drain(before: false).Problems[0].Code.Id);
        var told = (Answered)Drain(before: true).Value.Single();
        Assert.Equal((0, 0), (told.Minutes, told.Puts.Count));
        Assert.EndsWith(", seen before this visit", told.Says);
        // It proves nothing, and is no news of what was worked on since.
        var proof = BenchWork.Answer(job, "counter-readback", "ready", null, () => "x", before: true);
        Assert.Equal("seen-too-early", proof.Problems[0].Code.Id);
    }

    [Fact]
    public void PastTheCustomersLimit_Asks_AndAnEasyCheckWithinItStillComesFirst()
    {
        var intake = TestShop.Intake("marram-quartet-a4", "fades-under-load") with { Limit = 3 };
        Assert.True(Told(intake, "").Advice.Chosen?.Step.Easy);
        var job = Told(
            intake with
            {
                Limit = 8,
            },
            "ink-seen=enough nozzle-sheet=complete film-and-tabs=none " + "settings-seen=fit one-or-all=one date-look=in just-changed=weeks"
        );
        Assert.Equal("past-limit", job.Advice.Word?.Word);
    }

    [Fact]
    public void RepairThatIsMoreThanTheMachineIsWorth_WaitsForTheCustomersWord()
    {
        var job = Told(
            TestShop.Intake("marram-duo", "not-recognised"),
            "one-slot-or-all=all swap-known-good=refused film-and-tabs=none "
                + "press-home=no-change contacts-look=clean slot-cable-look=home coupler-look=right"
        );
        Assert.Contains(job.Advice.Held, h => h.Gate.Id == "past-worth" && h.Step.Id == "renew-main-board");
    }

    [Fact]
    public void DeadChannelThatCannotBeMended_IsHandedBack_WithItsName()
    {
        var job = Told(
            TestShop.Intake("marram-duo", "blank-channel"),
            "ink-seen=enough nozzle-sheet=blank blank-sheet=nothing outlet-blot=wet film-and-tabs=none "
                + "head-cable-look=home vent-look=clear just-changed=weeks cap-look=clean pump-test=vanishes"
        );
        Assert.Equal(AdviceKind.HandBack, job.Advice.Kind);
        Assert.Contains("Dead driver", job.Advice.Because);
    }

    [Fact]
    public void School_ChangesTheGate_AndTheCardSaysSo()
    {
        var intake = TestShop.Intake("marram-quartet-a4", "missing-after-idle", idleWeeks: 12);
        var first = Told(intake, "nozzle-sheet=run");
        Assert.Contains(first.Advice.Held, h => h is { Gate.Id: "flush-waits", Step.Id: "hand-flush" });
        var early = new JobCase(
            first.Book,
            first.State.With(first.State.Casework with { Schools = new Dictionary<string, string> { ["clog"] = "flush-early" } }),
            DateOnly.FromDateTime(TestShop.Now.UtcDateTime)
        );
        Assert.DoesNotContain(early.Advice.Held, h => h.Step.Id == "hand-flush");
        var full = Told(TestShop.Intake("tolling-folio-3", "waste-full"), "reset-history=no counter-reading=limit pads-weighed=full");
        Assert.Contains("By the school “Pads full: Renew the pads”", full.Advice.Because);
    }

    [Fact]
    public void ProofAgainstTheOdds_IsMadeOnceMore()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        TestShop.Answer(entries, "vent-open-draw", "returns");
        TestShop.Mend(entries, "renew-damper");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "full-pages", "even");
        Assert.Equal(AdviceKind.Prove, TestShop.Case(entries).Advice.Kind);
        TestShop.Answer(entries, "full-pages", "even");
        Assert.Equal(AdviceKind.Close, TestShop.Case(entries).Advice.Kind);
    }

    private static JobCase Told(TakenIn intake, string answers)
    {
        var entries = TestShop.Opened(intake);
        foreach (var answer in answers.Split(' ', StringSplitOptions.RemoveEmptyEntries))
            TestShop.Answer(entries, answer.Split('=')[0], answer.Split('=')[1]);
        TestShop.ClearTray(entries);
        return TestShop.Case(entries);
    }
}
