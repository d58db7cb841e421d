using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>What is told of ink and chips: bad input gets its problem in its place and changes nothing.</summary>
public class InkKeepingTests
{
    private const string Broadside = "tolling-broadside-44";

    public static TheoryData<string, string, Func<InkKeeping, Outcome<IReadOnlyList<EntryBody>>>> Bad =>
        new()
        {
            { "missing", "/slots", i => i.ReadChips([]) },
            { "out-of-range", "/slots/0/amount", i => i.ReadChips([new SlotAmount(1, 101)]) },
            { "out-of-range", "/slots/0/amount", i => i.ReadChips([new SlotAmount(1, double.NaN)]) },
            { "out-of-range", "/slots/1/slot", i => i.ReadChips([new SlotAmount(1, 50), new SlotAmount(10, 50)]) },
            { "slot-twice", "/slots/1/slot", i => i.ReadChips([new SlotAmount(1, 50), new SlotAmount(1, 51)]) },
            { "missing", "/slots/0/amount", i => i.Weigh([new SlotAmount(1, null)]) },
            { "lighter-than-empty", "/slots/0/amount", i => i.Weigh([new SlotAmount(1, 190)]) },
            // In ounces: 394 g are 13.9.
            { "lighter-than-empty", "/slots/0/amount", i => i.Weigh([new SlotAmount(1, 13.9)]) },
            { "heavier-than-full", "/slots/0/amount", i => i.Weigh([new SlotAmount(1, 480)]) },
            { "out-of-range", "/slots/0/amount", i => i.Fill([new SlotAmount(1, 200)]) },
            { "out-of-range", "/slots/0/amount", i => i.Fill([new SlotAmount(1, 0)]) },
            { "unknown-word", "/tool", i => i.Reset("magnet", [new SlotAmount(1, 20)], 1, true, "") },
            { "not-by-that", "/slots/0/slot", i => i.Reset("hand-tool", [new SlotAmount(1, 20)], 1, true, "") },
            { "out-of-range", "/tries", i => i.Reset("board", [new SlotAmount(1, 20)], 0, true, "") },
            { "no-press-left", "/tries", i => i.Reset("board", [new SlotAmount(1, 20)], 25, true, "") },
            { "not-all-full", "/despite", i => i.Reset("board", [new SlotAmount(1, 20)], 1, true, " ") },
            { "unknown-word", "/type", i => i.Fit(InkOnJob.Piece(1, "carpet")) },
            { "out-of-range", "/ml", i => i.Fit(InkOnJob.Piece(1, "maker", 400)) },
            { "out-of-range", "/chipPct", i => i.Fit(InkOnJob.Piece(1, "maker", null, -1)) },
            { "out-of-range", "/slot", i => i.Fit(InkOnJob.Piece(12, "maker")) },
        };

    [Theory]
    [MemberData(nameof(Bad))]
    public void WhatCannotBe_IsRefusedInItsPlace(string code, string path, Func<InkKeeping, Outcome<IReadOnlyList<EntryBody>>> tells)
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Tell(i => i.ReadChips([new SlotAmount(2, 30)]));
        Assert.Contains((code, path), job.Try(tells).Problems.Select(p => (p.Code.Id, p.Path)));
    }

    [Fact]
    public void MakersCartridge_IsNotFilled_AndATankIsNotWeighed()
    {
        var maker = new InkOnJob(Broadside, "maker");
        Assert.Equal("not-filled", maker.Try(i => i.Fill([new SlotAmount(1, 20)])).Problems.Single().Code.Id);
        var tank = new InkOnJob("pellow-six-tank");
        Assert.Equal("not-weighed", tank.Try(i => i.Weigh([new SlotAmount(1, 20)])).Problems.Single().Code.Id);
    }

    [Fact]
    public void BoardPressedInSpiteOfTheHold_SaysWhy_AndCountsItsPresses()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Tell(i => i.ReadChips([new SlotAmount(2, 30)]));
        job.Tell(i => i.Reset("board", InkOnJob.Amounts(90, 30), 2, true, "customer waits, slot 2 follows"));
        Assert.Equal(22, InkKeeping.PressesLeft(job.State.Machine, InkOnJob.House));
        Assert.Contains("in spite of the hold", job.Lines[^1].Body.Says, StringComparison.Ordinal);
        Assert.Equal(100, job[2].Estimate!.ChipPct);
        // A reset never changes ink.
        Assert.InRange(job[2].Estimate!.Ink.Best, 10, 35);
    }

    [Fact]
    public void ResetThatFails_LeavesTheCount_AndAnotherPieceEndsWhatWasKnown()
    {
        var job = new InkOnJob("pellow-studio-eight").AllFitted("refillable").Tell(i => i.ReadChips([new SlotAmount(1, 9)]));
        job.Tell(i => i.Reset("hand-tool", [new SlotAmount(1, 9)], 3, false, ""));
        Assert.InRange(job[1].Estimate!.ChipPct!.Value, 8, 9);
        job.Tell(i => i.Fit(InkOnJob.Piece(1, "maker", null, 100)));
        Assert.Equal(("maker", 14.0), (job[1].Type!.Id, Math.Round(job[1].Estimate!.Ink.Best, 6)));
        Assert.Single(job[1].History!.Events);
    }

    [Theory]
    [InlineData("TB-444", 4, NumberFit.Right)]
    [InlineData("tb 444", 0, NumberFit.Right)]
    [InlineData("TB-444", 5, NumberFit.WrongSlot)]
    [InlineData("TB-2444", 4, NumberFit.WrongRegion)]
    [InlineData("TF-3C", 4, NumberFit.OtherModel)]
    [InlineData("ZZ-9", 4, NumberFit.Unknown)]
    public void NumberOnACartridge_IsAnsweredAtOnce(string number, int slot, NumberFit fit)
    {
        var models = TestShop.Shop.Models;
        var said = CartridgeAnswer.Of(models.Values, models[Broadside], InkOnJob.House.Region, slot, number);
        Assert.Equal(fit, said.Fit);
        if (fit is NumberFit.WrongRegion or NumberFit.WrongSlot)
            Assert.Contains($"TB-44{slot}", said.Says, StringComparison.Ordinal);
    }
}
