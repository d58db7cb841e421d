using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>One visit for all that is due, and whether the ink lasts.</summary>
public class InkVisitTests
{
    private const string Broadside = "tolling-broadside-44";

    [Fact]
    public void Board_FillsAllNine_AirFirst_OnePress_AndOnePurgeInPlaceOfNine()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Chips(46, 58, 39, 71, 88, 20, 52, 63, 60);
        var visit = job.Visit(isAll: false)!;
        Assert.Equal([6, 1, 2, 3, 4, 5, 7, 8, 9], visit.Slots.Select(s => s.On.Slot.Panel));
        Assert.Equal(9, visit.Resets.Count);
        Assert.True(visit.Board && visit.Held.Length == 0);
        // A purge: 0.9 ml of nine channels, 0.73 points.
        Assert.Equal((8.1, 8 * 8.1, 8 * 0.73), (visit.PurgeMl, visit.SavedMl, visit.SavedCounterPct));
        Assert.Equal(visit.Slots.Sum(s => s.On.Estimate!.AddMl.Best), visit.InkMl, 9);
        Assert.Equal((double)visit.Cost, visit.InkMl * 0.11, 9);
        // Doors 3, nine fills of 2, one prime 3, one press 1, the purge 3.
        Assert.Equal(3 + 18 + 3 + 1 + 3, visit.Minutes.Value);
        Assert.Contains(visit.Steps, s => s.Contains("23 presses left", StringComparison.Ordinal));
        Assert.True(visit.Steps.ToList().FindIndex(s => s.Contains("first", StringComparison.Ordinal)) == 1);
    }

    [Fact]
    public void Visit_DoneAsPlanned_LeavesAllFull_SpendsOnePress_AndNothingIsDueAfterIt()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Chips(46, 58, 39, 71, 88, 20, 52, 63, 60);
        job.Tell(i => i.Visit(job.Visit()));
        // The purge at its end takes 0.9 ml of each, and is on the counter.
        Assert.Equal((8.1, 0.73), (((Purged)job.Lines[^1].Body).InkMl, job.Lines[^1].Body.Effect.CounterMoved.Pct));
        Assert.All(job.Slots, s => Assert.Equal(170 - 0.9, s.Estimate!.Ink.Best, 0.2));
        Assert.Contains("Ink filled in slots 1, 2, 3, 4, 5, 6, 7, 8, 9", InkCraft.Craft.HandOver(job.State).Used);
        Assert.All(job.Slots, s => Assert.InRange(s.Estimate!.Ink.Best, 0.95 * 170, 1.06 * 170));
        Assert.All(job.Slots, s => Assert.InRange(s.Estimate!.ChipPct!.Value, 99.5, 99.7));
        Assert.Equal(23, InkKeeping.PressesLeft(job.State.Machine, InkOnJob.House));
        Assert.Null(job.Visit());
        Assert.Equal("nothing-due", job.Try(i => i.Visit(job.Visit())).Problems.Single().Code.Id);
    }

    [Theory]
    [InlineData("tolling-broadside-44", "refillable-board", 9)]
    [InlineData("tolling-folio-3", "dummy", 0)]
    [InlineData("pellow-six-tank", "tank", 0)]
    public void Plugs_AreOneOfEachPieceThatIsFilledByHand(string model, string type, int plugs)
    {
        var job = new InkOnJob(model).AllFitted(type);
        var empty = job.Model.Slots.Select(s => new SlotAmount(s.Panel, 0)).ToList();
        job.Tell(i => i.ReadChips(empty));
        Assert.Equal(plugs, job.Visit()!.Plugs);
    }

    [Fact]
    public void Board_IsHeld_WhereOneSlotIsNotKnown_OrNoPressIsLeft()
    {
        var job = new InkOnJob(Broadside);
        for (var slot = 1; slot <= 8; slot++)
            job.Tell(i => i.Fit(InkOnJob.Piece(slot, "refillable-board")));
        job.Tell(i => i.ReadChips([new SlotAmount(3, 40)]));
        Assert.Contains("slot 9", job.Visit()!.Held, StringComparison.Ordinal);
        Assert.Equal("visit-held", job.Try(i => i.Visit(job.Visit())).Problems.Single().Code.Id);
        job.Tell(i => i.Fit(InkOnJob.Piece(9, "refillable-board")));
        Assert.Equal("", job.Visit()!.Held);
        Assert.Contains("no press left", InkVisit.Of(job.Model, job.Slots, InkOnJob.House, true, 0)!.Held, StringComparison.Ordinal);
    }

    // 100 to 80 in ten days, a reset, 100 to 70 in ten more: 50 points of 215 ml, 5.375 a day.
    [Fact]
    public void Forecast_CountsUseThroughAReset_AndTheBoardByItsHungriestSlot()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board");
        Assert.Null(SlotForecast.Of(job[1], InkOnJob.House.Rules));
        Later(job, 10, i => i.ReadChips([new SlotAmount(1, 80), new SlotAmount(2, 90)]));
        Later(job, 0, i => i.Visit(InkVisit.Of(job.Model, job.Slots, InkOnJob.House, true, 24)));
        Later(job, 0, i => i.Fill([new SlotAmount(1, null)]));
        Later(job, 0, i => i.Reset("board", InkOnJob.Amounts(80), 1, true, "to see"));
        Later(job, 10, i => i.ReadChips([new SlotAmount(1, 70)]));
        var ahead = SlotForecast.Of(job[1], InkOnJob.House.Rules)!;
        Assert.Equal(50 * 2.15 / 20, ahead.MlPerDay.Best, 0.35);
        Assert.True(ahead.MlPerDay.Low < ahead.MlPerDay.Best && ahead.MlPerDay.Best < ahead.MlPerDay.High);
        Assert.Equal((job[1].Estimate!.Ink.Best - 12) / ahead.MlPerDay.Best, ahead.Days.Best, 9);
        Assert.True(ahead.Days.Low < ahead.Days.Best && ahead.Days.Best < ahead.Days.High);
        Assert.Equal(5 * 158 / ahead.MlPerDay.Best, SlotForecast.Board(job.Slots, InkOnJob.House.Rules, 5)!.Value.Best, 6);
    }

    [Fact]
    public void Tanks_AreFilledWhereTheyStand_WithoutAPurge_AndTheirCountIsSetBack()
    {
        var job = new InkOnJob("pellow-six-tank", "maker").Tell(i =>
            i.Fill([.. Enumerable.Range(1, 6).Select(n => new SlotAmount(n, null))])
        );
        job.Tell(i => i.Reset("panel", InkOnJob.Amounts(80, 80, 80, 80, 80, 80), 1, true, ""));
        Assert.Null(job.Visit());
        job.Chips(90, 18, 90, 90, 90, 90);
        var visit = job.Visit(isAll: false)!;
        Assert.Equal((0, 0), (visit.PurgeMl, visit.SavedMl));
        Assert.Equal([2], visit.Resets);
        Assert.Contains("one at a time", visit.Steps[0], StringComparison.Ordinal);
        job.Tell(i => i.Visit(job.Visit(isAll: false)));
        Assert.Equal(100, job[2].Estimate!.ChipPct);
        Assert.InRange(job[2].Estimate!.Ink.Best, 90, 98);
    }

    [Fact]
    public void RefusedSlot_IsFilledByTheReplaceRoutine_AndTheOthersAreLeftAlone()
    {
        var job = new InkOnJob("tolling-folio-3").AllFitted("refillable").Chips(40, 12, 0, 60, 70, 30);
        var visit = job.Visit()!;
        Assert.Equal([3], visit.Slots.Select(s => s.On.Slot.Panel));
        Assert.Contains("never with the power off", visit.Steps[0], StringComparison.Ordinal);
        // 26 in, 13.5 counted: half of it is still there.
        Assert.InRange(visit.InkMl, 11, 16);
        job.Tell(i => i.Visit(visit));
        Assert.Equal("auto", job.Lines.Select(l => l.Body).OfType<SlotsReset>().Single().Tool);
        Assert.Null(job.Visit());
    }

    [Fact]
    public void MakersCartridge_ThatIsSpent_IsReplaced_ByTheNumberOfTheRegion()
    {
        var job = new InkOnJob("tolling-folio-3", "maker").AllFitted("maker").Chips(40, 0, 50, 60, 70, 30);
        var visit = job.Visit()!;
        Assert.Equal((2, 0, 11m), (visit.Slots.Single().On.Slot.Panel, visit.InkMl, visit.Cost));
        Assert.Contains(visit.Steps, s => s.Contains("TF-3C", StringComparison.Ordinal));
        job.Tell(i => i.Visit(visit));
        var fitted = Assert.IsType<SlotFitted>(job.Lines[^2].Body);
        Assert.Equal((2, "maker", 15.0, "TF-3C"), (fitted.Slot, fitted.Type, fitted.Ml, fitted.Number));
    }

    private static void Later(InkOnJob job, double days, Func<InkKeeping, Outcome<IReadOnlyList<EntryBody>>> tells)
    {
        var at = job.Lines[^1].At.AddDays(days).AddMinutes(5);
        if (job.Try(tells) is { IsGood: true } said)
            job.Lines.AddRange(said.Value.Select(b => TestShop.Line(job.Lines.Count + 1, b) with { At = at }));
    }

    [Fact]
    public void School_OneAtATime_FillsOnlyWhatIsDue()
    {
        var job = new InkOnJob("pellow-studio-eight").AllFitted("refillable").Chips(20, 60, 70, 80, 90, 55, 50, 45);
        Assert.Equal([1], job.Visit(isAll: false)!.Slots.Select(s => s.On.Slot.Panel));
        Assert.Equal(8, job.Visit()!.Slots.Count);
        // As bought they are left until they are refused.
        var bought = new InkOnJob("pellow-studio-eight", "maker").AllFitted("maker").Chips(20, 60, 70, 80, 90, 55, 50, 45);
        Assert.Null(bought.Visit());
    }

    // 90 pages at 0.2 ml, twice the coverage: 36 ml. Slot 3 has 170 − 215 · 0.605 = 39.9, over the reserve 27.9: page 69.
    [Fact]
    public void Run_IsStoppedByTheSlotWithTheFewestPages_AndLastsAfterTheTopUpItNames()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board").Chips(90, 90, 40, 90, 90, 90, 90, 90, 90);
        var run = InkRun.Of(job.Model, job.Slots, InkOnJob.House, 90, _ => 10, 1);
        Assert.Equal(0.4, run.PageMl, 9);
        Assert.False(run.Lasts);
        Assert.Equal(3, run.Slots[0].Slot.Slot.Panel);
        Assert.InRange(run.Slots[0].Pages.Best, 68, 71);
        Assert.True(run.Slots[0].Pages.Low < run.Slots[0].Pages.Best && run.Slots[0].Fits);
        job.Tell(i => i.Fill([new SlotAmount(3, Math.Ceiling(run.Slots[0].AddMl * 1.07))]));
        Assert.True(InkRun.Of(job.Model, job.Slots, InkOnJob.House, 90, _ => 10, 1).Lasts);
        Assert.False(InkRun.Of(job.Model, job.Slots, InkOnJob.House, 5000, _ => 10, 1).Slots[0].Fits);
    }
}
