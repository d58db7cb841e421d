using SideBench.Core.Ink;
using SideBench.Core.Nozzles;
using SideBench.Core.Shelf;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>Reset sessions, the way to refillables, what a page takes and what it costs.</summary>
public class InkPlansTests
{
    private const string Broadside = "tolling-broadside-44";
    private const string Folio = "tolling-folio-3";
    private const string Studio = "pellow-studio-eight";

    [Fact]
    public void Session_TellsFillsReadingsAndEveryReset_ByTool()
    {
        var job = new InkOnJob(Studio).AllFitted("refillable");
        job.Tell(i =>
            i.Session(
                [
                    Done(1, 18, full: true),
                    Done(2, 22, full: true, tries: 3, lamp: "red", reset: false),
                    Done(3, 60, tries: 0, reset: false),
                ],
                ""
            )
        );
        Assert.Equal(["chips-read", "slots-filled", "slots-reset", "slots-reset"], job.Lines.TakeLast(4).Select(l => l.Body.Kind.Name));
        var worked = (SlotsReset)job.Lines[^2].Body;
        Assert.Equal(
            (true, 1, 1, "steady", 100.0),
            (worked.Worked, worked.Tries, worked.Slots[0].Slot, worked.Slots[0].Lamp, worked.Slots[0].After!.Value)
        );
        Assert.Contains("2 (lamp red), 3 tries", job.Lines[^1].Body.Says, StringComparison.Ordinal);
        Assert.Equal(100, job[1].Estimate!.ChipPct);
        Assert.InRange(job[2].Estimate!.ChipPct!.Value, 21, 22);
    }

    [Fact]
    public void Session_PressesABoardOnce_AndAsksThatEverySlotIsFull()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Chips(40, 40, 40, 40, 40, 40, 40, 40, 40);
        SessionSlot[] some = [Done(1, 40, full: true), Done(2, 40, full: true)];
        Assert.Equal("not-all-full", job.Try(i => i.Session(some, "")).Problems.Single().Code.Id);
        job.Tell(i => i.Session([.. Enumerable.Range(1, 9).Select(n => Done(n, 40, full: true))], ""));
        Assert.Equal(23, InkKeeping.PressesLeft(job.State.Machine, InkOnJob.House));
        Assert.All(job.Slots, s => Assert.Equal(100, s.Estimate!.ChipPct));
    }

    [Theory]
    [InlineData(1, 101, "steady", 1, "/slots/0/amount")]
    [InlineData(12, 40, "steady", 1, "/slots/0/slot")]
    [InlineData(1, 40, "purple", 1, "/slots/0/lamp")]
    [InlineData(1, 40, "", 0, "/slots/0/tries")]
    public void Session_RefusesWhatCannotBe(int slot, double before, string lamp, int tries, string path)
    {
        var job = new InkOnJob(Studio).AllFitted("refillable");
        Assert.Contains(path, job.Try(i => i.Session([Done(slot, before, tries: tries, lamp: lamp)], "")).Problems.Select(p => p.Path));
        Assert.Equal("/slots", job.Try(i => i.Session([], "")).Problems.Single().Path);
    }

    [Fact]
    public void Reset_WantsATool_WhereTheShelfSaysThereIsNone()
    {
        var job = new InkOnJob(Studio).AllFitted("refillable");
        var bare = new InkKeeping(job.Model, job.State, InkOnJob.House, job.Now, hasTool: false);
        Assert.Equal("no-tool", bare.Reset("hand-tool", InkOnJob.Amounts(20), 1, true, "").Problems.Single().Code.Id);
    }

    [Fact]
    public void FittedCartridge_IsPurgedAfter_WhereTheMachineDoesSo()
    {
        var job = new InkOnJob(Folio).Tell(i => i.Fit(InkOnJob.Piece(1, "maker") with { IsPurged = true }));
        // Six channels of 0.5 ml.
        Assert.Equal((3.0, 2.54), (((Purged)job.Lines[^1].Body).InkMl, job.Lines[^1].Body.Effect.CounterMoved.Pct));
        Assert.Equal(14.5, job[1].Estimate!.Ink.Best, 6);
    }

    [Fact]
    public void Conversion_BeginsWithTheLostChip_ThenTheDonorThatIsLostFirst()
    {
        var job = new InkOnJob(Broadside, "maker").Chips(90, 60, 12, 35, 80, 70, 66, 55, 50);
        var way = Conversion.Of(job.Model, job.Slots, InkOnJob.House, 20)!;
        Assert.Equal([3, 4, 9, 8, 2, 7, 6, 5, 1], way.Steps.Select(s => s.On.Slot.Panel));
        Assert.Equal([3], way.Steps.Where(s => s.IsLost).Select(s => s.On.Slot.Panel));
        // Nine refillables at 22, and one maker's piece at 96 as donor; 3 min and nine times 9.
        Assert.Equal((294m, 84.0), (way.Cost, way.Hands.Value));
        // Those who try whatever is left lose none.
        Assert.DoesNotContain(Conversion.Of(job.Model, job.Slots, InkOnJob.House, 1)!.Steps, s => s.IsLost);
        Assert.Null(Conversion.Of(job.Model, job.AllFitted("refillable-board").Slots, InkOnJob.House, 20));
        Assert.Null(Conversion.Of(new InkOnJob(Folio).Model, new InkOnJob(Folio).Slots, InkOnJob.House, 20));
    }

    [Fact]
    public void Dummy_IsProvedAtItsReservoir_AndItsInkOutlastsItsChip()
    {
        var job = new InkOnJob(Folio, "addon");
        Assert.True(job[1].Type!.IsDummy);
        Assert.Contains("reservoir", job.Advice(1).Says, StringComparison.Ordinal);
        job.Tell(i => i.Fill(InkOnJob.Amounts(80, 80, 80, 80, 80, 80))).Tell(i => i.ReadChips(InkOnJob.Amounts(4, 40)));
        Assert.Contains("proved at the reservoir", job.Advice(1).Why, StringComparison.Ordinal);
        Assert.Equal((SlotUrgency.Fine, SlotWay.Fill), (job.Advice(2).Urgency, job.Advice(2).Way));
    }

    // 14 ml, of which 12.5 are counted. Refilled: ink at 0.11, a twentieth of 4.5, three minutes, and 0.6 % of the head.
    [Fact]
    public void Money_PutsTheHeadInAsAPrice()
    {
        var model = TestShop.Shop.Models[Studio];
        var ways = InkMoney.Of(model, InkOnJob.House, 30);
        var (maker, refill) = (ways.Single(w => w.Type.Id == "maker"), ways.Single(w => w.Type.Id == "refillable"));
        Assert.Equal(10.5 / maker.UsableMl, maker.PerMl, 9);
        var usable = 11.5 - refill.Type.Reserve.Value;
        Assert.Equal(
            ((usable * 0.11) + (4.5 / 20) + (3 / 60.0 * 30) + (0.006 * (double)model.HeadCare.HeadPrice)) / usable,
            refill.PerMl,
            9
        );
        Assert.Equal(8 * model.PageMl * refill.PerMl, refill.PerPage, 9);
        Assert.InRange(refill.PaysAfter(maker)!.Value, 0.3, 5);
        Assert.Null(maker.PaysAfter(refill));
    }

    [Fact]
    public void Cover_IsWhatThePictureSays_ThroughTheModelsInks()
    {
        var folio = TestShop.Shop.Models[Folio];
        var split = InkOnJob.House.Split;
        IReadOnlyList<double> Of(params byte[] rgb) =>
            [.. PageCover.Of(new PixelImage(rgb.Length / 3, 1, rgb), folio, split).Select(c => Math.Round(c.Pct, 3))];
        // Black, cyan, magenta, yellow, light cyan, light magenta. White takes nothing.
        Assert.Equal([0, 0, 0, 0, 0, 0], Of(255, 255, 255));
        // Full cyan is the dark ink alone; half of the page of it is half.
        Assert.Equal([0, 100, 0, 0, 0, 0], Of(0, 255, 255));
        Assert.Equal([0, 50, 0, 0, 0, 0], Of(0, 255, 255, 255, 255, 255));
        // Black: eight tenths black, and what is left of each colour, 0.2 of 0.45, in the light inks; yellow has none.
        Assert.Equal([80, 0, 0, 20, 44.444, 44.444], Of(0, 0, 0));
        // At the knot the light ink is fullest and the dark one begins.
        Assert.Equal(0, Of(141, 255, 255)[1]);
        Assert.InRange(Of(141, 255, 255)[4], 99, 100);
        // One piece with three colours takes a third of each.
        var pair = TestShop.Shop.Models["pellow-mono-pair"];
        Assert.Equal([0, 33.333], PageCover.Of(new PixelImage(1, 1, [255, 255, 0]), pair, split).Select(c => Math.Round(c.Pct, 3)));
    }

    [Fact]
    public void Run_WithCoverByChannel_IsStoppedByThatChannel_AndNeverByOneThatTakesNothing()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Chips(90, 90, 40, 90, 90, 90, 90, 90, 90);
        var run = InkRun.Of(job.Model, job.Slots, InkOnJob.House, 90, slot => slot == 2 ? 20 : 0, 1);
        Assert.Equal([2], run.Slots.Select(s => s.Slot.Slot.Panel));
        Assert.Equal(0.8, run.PageMl, 9);
    }

    [Fact]
    public void NextSession_IsTheFirstThatFallsDue_WithThoseSoonAfter()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board");
        Assert.Null(NextSession.Of(job.Slots, InkOnJob.House.Rules, true));
        var later = job.Lines[^1].At.AddDays(20);
        // Due at 45: slot 2 fell 30 points in 20 days, slot 5 fell 28, slot 7 fell 5.
        List<SlotAmount> read = [new(2, 70), new(5, 72), new(7, 95)];
        job.Lines.Add(TestShop.Line(job.Lines.Count + 1, new ChipsRead(read)) with { At = later });
        var next = NextSession.Of(job.Slots, InkOnJob.House.Rules, true)!;
        Assert.Equal((2, 5), (next.First.Slot.Panel, Assert.Single(next.With).Slot.Panel));
        Assert.True(next.Days.Low < next.Days.Best && next.Days.Best < next.Days.High);
    }

    [Fact]
    public void ABadLot_IsSaidWithItsNumber_AndAWatchedOneToo()
    {
        var model = TestShop.Shop.Models[Folio];
        var right = CartridgeAnswer.Of(TestShop.Shop.Models.Values, model, "coast", 2, "TF-3C");
        var bad = Lot(30, 10);
        Assert.Equal(NumberFit.BadLot, right.OfLot("x1", [bad]).Fit);
        Assert.Contains("10 of 30 of lot X1", right.OfLot("X1", [bad]).Says, StringComparison.Ordinal);
        Assert.Equal(NumberFit.Right, right.OfLot("x1", [Lot(2, 1)]).Fit);
        Assert.Equal(right, right.OfLot("other", [bad]));
    }

    private static LotRecord Lot(int of, int failed) =>
        LotRecord
            .Of(
                Enumerable.Range(0, of).Select(i => new LotPiece("X1", "", "m", i < failed ? "exchanged" : "")),
                TestShop.Shop.Numbers.Of<ShelfNumbers>()
            )
            .Single();

    private static SessionSlot Done(int slot, double before, bool full = false, int tries = 1, string lamp = "steady", bool reset = true) =>
        new(slot, before, full, null, tries, lamp, reset, null);
}
