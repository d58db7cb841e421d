using SideBench.Core.Ink;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>When slots are filled: by what is inside, the chip’s kind, and a fill against what the chip counts.</summary>
public class RefillAdviceTests
{
    private const string Broadside = "tolling-broadside-44";
    private const string Folio = "tolling-folio-3";
    private const string Studio = "pellow-studio-eight";

    // The same reading of the chip on every kind of cartridge: it wants opposite things.
    [Theory]
    [InlineData(Broadside, "refillable-board", 44, SlotUrgency.Now, SlotWay.FillForBoard)]
    [InlineData(Broadside, "refillable-board", 54, SlotUrgency.Soon, SlotWay.FillForBoard)]
    [InlineData(Broadside, "refillable-board", 80, SlotUrgency.Fine, SlotWay.FillForBoard)]
    [InlineData(Broadside, "refillable-carrier", 44, SlotUrgency.Now, SlotWay.Fill)]
    [InlineData(Broadside, "maker", 44, SlotUrgency.Fine, SlotWay.Replace)]
    [InlineData(Folio, "refillable", 44, SlotUrgency.Fine, SlotWay.RunOut)]
    [InlineData(Folio, "refillable", 14, SlotUrgency.Fine, SlotWay.RunOut)]
    [InlineData(Folio, "refillable", 0, SlotUrgency.Now, SlotWay.RunOut)]
    [InlineData(Studio, "refillable", 44, SlotUrgency.Fine, SlotWay.FillAndReset)]
    [InlineData(Studio, "refillable", 24, SlotUrgency.Now, SlotWay.FillAndReset)]
    public void SameReading_WantsWhatTheCartridgeWants(string model, string type, double chip, SlotUrgency urgency, SlotWay way)
    {
        var job = new InkOnJob(model).AllFitted(type).Tell(i => i.ReadChips([new SlotAmount(1, chip)]));
        var advice = job.Advice(1);
        Assert.Equal((urgency, way), (advice.Urgency, advice.Way));
    }

    // 170 in, 215 counted, 12 must stay: dry 158 ml on, at 100 − 158 ÷ 2.15 = 26.5 %.
    [Fact]
    public void ReadingPastTheDryPoint_SaysStop_AndWhenItDried()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Tell(i => i.ReadChips([new SlotAmount(6, 20)]));
        Assert.Equal(26.5, job[1].Estimate!.DryAt!.Value.Best, 1.0);
        Assert.Equal(SlotUrgency.Air, job.Advice(6).Urgency);
        Assert.Contains("prime", job.Advice(6).Says, StringComparison.Ordinal);
        Assert.Contains(job.Advice(6).Warnings, w => w.Contains("mid-page", StringComparison.Ordinal));
        Assert.InRange(job[6].Estimate!.AirSince!.Value, job.Lines[^2].At, job.Lines[^1].At);
        // A weighing beats the chip: 214 dry, 30 ml in it.
        job.Tell(i => i.Weigh([new SlotAmount(6, 214 + (30 * 1.06))]));
        Assert.Equal(SlotUrgency.Now, job.Advice(6).Urgency);
        Assert.Equal(30, job[6].Estimate!.Ink.Best, 2.0);
        Assert.Null(job[6].Estimate!.AirSince);
    }

    // 11.5 in of 12.5 counted, 1.4 must stay: dry at 19 %. Topped up at 24 without a reset it is good to 11 %, below the tool's floor.
    [Fact]
    public void HandTool_BelowItsFloor_SaysTheChipIsLost_BeforeItIsTried()
    {
        var job = new InkOnJob(Studio).AllFitted("refillable").Tell(i => i.ReadChips([new SlotAmount(1, 11), new SlotAmount(2, 25)]));
        Assert.Contains(job.Advice(1).Warnings, w => w.Contains("before you try", StringComparison.Ordinal));
        Assert.Empty(job.Advice(2).Warnings);
    }

    [Fact]
    public void HandTool_IsDueAtTheLowNotice_OrAboveItsFloor_WhicheverComesFirst()
    {
        var slot = new InkOnJob(Studio).AllFitted("refillable")[1];
        slot = slot with { Type = slot.Type! with { Inside = "bag" } };
        var rules = TestShop.Shop.Numbers.Of<InkNumbers>().Rules;
        double? Due(double low, double floor) =>
            RefillAdvice.Of(slot with { Type = slot.Type! with { LowPct = low } }, rules with { FloorPct = floor }, false)!.DueAtPct;
        Assert.Equal((80, 90), (Due(60, 80)!.Value, Due(90, 80)!.Value));
    }

    [Fact]
    public void NothingTold_IsTakenFromTheTakeIn_AndSaidToBeUnknown()
    {
        var job = new InkOnJob(Broadside, "maker");
        Assert.Equal(("maker", false), (job[1].Type!.Id, job[1].IsTold));
        Assert.Equal(SlotUrgency.Unknown, job.Advice(1).Urgency);
        Assert.Equal("refillable-board", new InkOnJob(Broadside)[1].Type!.Id);
        Assert.Null(job.Visit());
    }

    // 15 in as bought, 13.5 counted: at 60 % 5.4 are gone.
    [Fact]
    public void CartridgeAsBought_IsTakenForOneThatRanDownFromFull_AndIsNotReplacedForItsCount()
    {
        var job = new InkOnJob(Folio, "maker").Chips(60, 50, 40, 70, 80, 90);
        Assert.True(job[1].IsAsBought && job[1].IsWitnessed);
        Assert.Equal(15 - (0.405 * 13.5), job[1].Estimate!.Ink.Best, 0.3);
        Assert.All(job.Slots, s => Assert.Equal(SlotUrgency.Fine, job.Advice(s.Slot.Panel).Urgency));
        Assert.Null(job.Visit());
        Assert.Null(SlotForecast.Of(job[1], InkOnJob.House.Rules with { ForecastDays = 1e-9 }));
    }

    [Fact]
    public void CountOfARefillable_ThatNobodyFilledHere_SaysWhenItIsLow_AndNoMore()
    {
        var job = new InkOnJob(Studio).Tell(i => i.ReadChips([new SlotAmount(1, 60), new SlotAmount(2, 20)]));
        Assert.Equal((SlotUrgency.Unknown, SlotUrgency.Now), (job.Advice(1).Urgency, job.Advice(2).Urgency));
        Assert.Contains("weigh it", job.Advice(1).Says, StringComparison.Ordinal);
    }

    // Filled to full at 40 without a reset, early top-up at 45 % of 158 over 12: 83 ml, 87 ml and 40 points on, so never by its count.
    [Fact]
    public void TopUpWithoutAReset_MovesWhenItIsDue_AndDoesNotAskAgainAtOnce()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-carrier").Tell(i => i.ReadChips([new SlotAmount(1, 40)]));
        Assert.Equal(SlotUrgency.Now, job.Advice(1).Urgency);
        job.Tell(i => i.Fill([new SlotAmount(1, null)]));
        Assert.Equal(SlotUrgency.Fine, job.Advice(1).Urgency);
        Assert.True(job.Advice(1).DueAtPct < 5);
        job.Tell(i => i.ReadChips([new SlotAmount(1, 0)]));
        Assert.Equal(SlotWay.Replace, job.Advice(1).Way);
    }

    [Fact]
    public void CleansOfTheJob_TakeInkFromTheirSlots()
    {
        var job = new InkOnJob(Folio).AllFitted("refillable").Tell(i => i.Fill([new SlotAmount(1, null)]));
        var before = job[1].Estimate!.Ink.Best;
        TestShop.Answer(job.Lines, "nozzle-sheet", "scattered");
        var at = job.Now.AddHours(2);
        TestShop.Mend(job.Lines, "clean-normal");
        job.Lines[^1] = job.Lines[^1] with { At = at };
        var clean = job.Model.Operation("clean-normal")!.PerChannel.Value;
        Assert.Equal(before - clean, job[1].Estimate!.Ink.Best, 0.02);
    }
}
