using SideBench.Core.Simulation.Stores;
using SideBench.Core.Waste;
using Xunit;

namespace SideBench.Core.Tests.Waste;

/// <summary>What a waste store holds: by hand where nothing is unknown, by what must always hold, and against made-up stores.</summary>
public class WasteLedgerTests
{
    private static readonly DateTimeOffset Start = new(2026, 1, 5, 8, 0, 0, TimeSpan.Zero);
    private static readonly WasteNumbers Numbers = TestShop.Shop.Numbers.Of<WasteNumbers>();
    private static readonly WasteNumbers Exact = Numbers with { Noise = new WasteNoise(1e-4, 1e-4, 1e-4, 1), CounterStep = 0.01 };

    private static DateTimeOffset At(double day) => Start.AddDays(day);

    private static WasteEstimate Of(WasteNumbers numbers, double day, params WasteEvent[] events) =>
        WasteLedger.Of(new WasteHistory(97, 255, 0.8, 1.75, 100, events), numbers, At(day)).Value;

    // 50 points in 100 days: 87.5 g came in; 35 stay, and of 52.5 that dries 52.5·(120/100)·(1 − e^(−100/120)) is left.
    [Fact]
    public void Mass_IsWhatCameIn_LessWhatDriedOff()
    {
        var said = Of(
            Exact,
            100,
            new WasteEvent.Renewed(At(0)),
            new WasteEvent.CounterRead(At(0), 0),
            new WasteEvent.CounterRead(At(100), 50)
        );
        Assert.Equal(97 + 35 + (52.5 * 1.2 * (1 - Math.Exp(-100.0 / 120))), said.Mass.Best, 0.1);
        Assert.Equal(97 + 204 - said.Mass.Best, said.Room.Best, 6);
        // Half a point a day: the other half of the counter in a hundred days.
        Assert.InRange((said.CounterFullOn.Median!.Value - At(100)).TotalDays, 75, 130);
        Assert.Equal("counter", said.First);
    }

    [Fact]
    public void Drying_GoesOn_WhileNothingComesIn_AndStopsAtWhatStays()
    {
        WasteEvent[] events = [new WasteEvent.Renewed(At(0)), new WasteEvent.CounterRead(At(0), 0), new WasteEvent.CounterRead(At(1), 50)];
        Assert.Equal(97 + 35 + 52.5, Of(Exact, 1, events).Mass.Best, 0.5);
        Assert.Equal(97 + 35, Of(Exact, 1500, [.. events, new WasteEvent.CounterRead(At(1500), 50)]).Mass.Best, 0.5);
    }

    [Fact]
    public void Weighing_NarrowsTheBand_AndTeachesThisMachine()
    {
        WasteEvent[] events = [new WasteEvent.Renewed(At(0)), new WasteEvent.CounterRead(At(0), 0), new WasteEvent.CounterRead(At(60), 60)];
        var before = Of(Numbers, 60, events);
        var after = Of(Numbers, 60, [.. events, new WasteEvent.Weighed(At(60), 240)]);
        Assert.Equal(240, after.Mass.Best, 1.5);
        Assert.True(after.Mass.High - after.Mass.Low < 5);
        Assert.True(before.Mass.High - before.Mass.Low > 50);
        // Heavier than it should be: more comes in than is counted, and the store is full sooner.
        Assert.True(before.Mass.Best < 200);
        Assert.True(after.StoreFullOn.Median < before.StoreFullOn.Median);
        Assert.Equal("store", after.First);
    }

    [Fact]
    public void Reset_NeverChangesTheMass_AndNeedsServiceOrRoom()
    {
        WasteEvent[] events = [new WasteEvent.Renewed(At(0)), new WasteEvent.CounterRead(At(0), 0), new WasteEvent.CounterRead(At(90), 99)];
        var fresh = Of(Numbers, 90, events);
        Assert.True(fresh.MayReset);
        WasteEvent[] again = [.. events, new WasteEvent.Reset(At(90), 0), new WasteEvent.CounterRead(At(180), 99)];
        Assert.Equal(fresh.Mass.Best, Of(Numbers, 90, [.. events, new WasteEvent.Reset(At(90), 0)]).Mass.Best, 1);
        var held = Of(Numbers, 180, again);
        Assert.False(held.MayReset);
        Assert.Equal(["weighed", "renewed", "washed", "emptied"], held.Needs);
        var heavy = Of(Numbers, 180, [.. again, new WasteEvent.Weighed(At(180), 290)]);
        Assert.Equal((false, 3), (heavy.MayReset, heavy.Needs.Count));
        Assert.True(Of(Numbers, 180, [.. again, new WasteEvent.Weighed(At(180), 120)]).MayReset);
        Assert.True(Of(Numbers, 180, [.. again, new WasteEvent.Washed(At(180), 100)]).MayReset);
        // Seen to, and still as heavy as it may be: nothing is safe about that.
        Assert.False(Of(Numbers, 180, [.. again, new WasteEvent.Washed(At(180), 320)]).MayReset);
    }

    [Fact]
    public void Unknown_BeginsAnywhere_AndAStoreOverItsLimitIsFullNow()
    {
        var said = Of(Numbers, 0, new WasteEvent.CounterRead(At(0), 40));
        Assert.Equal(97 + 102, said.Mass.Best, 3.0);
        Assert.Equal(97 + 10.2, said.Mass.Low, 2.0);
        Assert.Null(said.CounterFullOn.Median);
        var full = Of(Numbers, 0, new WasteEvent.CounterRead(At(0), 40), new WasteEvent.Weighed(At(0), 310));
        Assert.Equal((At(0), "store", 0), (full.StoreFullOn.Median, full.First, full.CyclesLeft.High));
        Assert.True(full.Room.High < 0);
    }

    // 204 g of room at 175 g a run and nothing dried: one; a store a tenth as busy dries between, and takes 204 of 70 that stay: two.
    [Fact]
    public void RunsLeft_AreWhole_CountDryingOnlyWhereUseIsKnown_AndAreNotCutAtTenYears()
    {
        Assert.Equal(1, Of(Exact, 0, new WasteEvent.Renewed(At(0)), new WasteEvent.CounterRead(At(0), 0)).CyclesLeft.Best);
        WasteEvent[] slow = [new WasteEvent.Renewed(At(0)), new WasteEvent.CounterRead(At(0), 0), new WasteEvent.CounterRead(At(1000), 20)];
        var said = Of(Exact, 1000, slow);
        Assert.Null(said.StoreFullOn.Median);
        Assert.Equal(2, said.CyclesLeft.Best);
    }

    [Fact]
    public void Strange_IsKeptWithADoubt_AndWhatCannotBeIsRefused()
    {
        var fell = Of(
            Numbers,
            30,
            new WasteEvent.Renewed(At(0)),
            new WasteEvent.CounterRead(At(0), 40),
            new WasteEvent.CounterRead(At(20), 60),
            new WasteEvent.CounterRead(At(30), 5)
        );
        Assert.Equal((3, "The counter fell without a reset."), Assert.Single(fell.Doubts));
        Assert.Equal(
            (1, "It is lighter than it is dry."),
            Assert.Single(Of(Numbers, 1, new WasteEvent.Renewed(At(0)), new WasteEvent.Weighed(At(1), 94)).Doubts)
        );
        var light = WasteLedger.Of(new WasteHistory(97, 255, 0.8, 1.75, 100, [new WasteEvent.Weighed(At(0), 90)]), Numbers, At(1));
        Assert.Equal((WasteProblem.LighterThanDry, "/events/0/g"), (light.Problems[0].Code, light.Problems[0].Path));
    }

    [Fact]
    [Trait("Pace", "slow")]
    public void Bands_HoldAsOftenAsTheySay()
    {
        var all = Enumerable.Range(0, 1200).AsParallel().Select(i => StoreTrial.Of(Numbers, 5000 + i)).ToList();
        Assert.InRange(all.Average(o => o.IsMassWithin ? 1.0 : 0), 0.875, 0.925);
        foreach (var group in all.GroupBy(o => o.Weighed))
            Assert.InRange(group.Average(o => o.IsMassWithin ? 1.0 : 0), 0.86, 0.94);
        Assert.InRange(all.Average(o => o.IsCounterWithin ? 1.0 : 0), 0.76, 0.84);
        // Where the store is full already, nothing can be missed.
        Assert.InRange(
            all.Where(o => o.Said.StoreFullOn.Late > o.Said.StoreFullOn.Early).Average(o => o.IsStoreWithin ? 1.0 : 0),
            0.75,
            0.86
        );
    }
}
