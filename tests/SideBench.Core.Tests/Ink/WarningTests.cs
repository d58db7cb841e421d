using SideBench.Core.Ink;
using SideBench.Core.Simulation.Slots;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>The warning before air: when it comes, by what the shop chose and by what is known of the piece.</summary>
public class WarningTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
    private static readonly InkNumbers House = InkOnJob.House;

    [Fact]
    public void MoreShare_IsEarlier_AndTwoWeighingsBringItNearToTheDryPoint()
    {
        var never = History(new SlotEvent.Swapped(Start, 170, 100), new SlotEvent.ChipRead(Start.AddDays(5), 70));
        var at = new[] { 0.8, 0.95, 0.99 }.Select(share => Warn(never, share)).ToList();
        Assert.Equal(at.Order(), at);
        Assert.True(Estimate(never, House).DryAt!.Value.Best < at[0]);
        var weighed = History([
            .. never.Events,
            new SlotEvent.Weighed(Start.AddDays(5), 214 + ((170 - (0.305 * 215)) * 1.06)),
            new SlotEvent.ChipRead(Start.AddDays(9), 50),
            new SlotEvent.Weighed(Start.AddDays(9), 214 + ((170 - (0.505 * 215)) * 1.06)),
        ]);
        Assert.True(Warn(weighed, 0.99) < at[2] - 3);
    }

    [Fact]
    public void SlotThatHoldsMoreThanItsChipCounts_IsNeverWarnedOf()
    {
        var bag = new SlotHistory(215, 300, 12, 196, 1.06, [new SlotEvent.Swapped(Start, 300, 100)]);
        Assert.True(Estimate(bag, House).WarnAtPct < 0);
        Assert.Null(Estimate(new SlotHistory(0, 68, 12, 0, 1.06, [new SlotEvent.Filled(Start, null)]), House).WarnAtPct);
    }

    [Theory]
    [InlineData(0, 0, 0.97)]
    [InlineData(2, 2, 0.985)]
    public void OnMadeUpSlots_ItComesBeforeAir_AsOftenAsSaid(int before, int since, double least)
    {
        const int Slots = 400;
        var all = Enumerable
            .Range(0, Slots)
            .AsParallel()
            .Select(i => WarningTrial.Of(WarningTrial.Kinds[i % 2], House, before, since, 90_000 + i))
            .ToList();
        // Three standard errors of 400 below what is said.
        var slack = 3 * Math.Sqrt(least * (1 - least) / Slots);
        Assert.InRange(all.Average(o => o.IsInTime ? 1.0 : 0), least - slack, 1);
        // One that came at once on every slot would be in time as well.
        Assert.InRange(all.Average(o => o.LeftShare), 0.02, 0.16);
    }

    [Fact]
    public void WhatGoesIn_NeverLowersTheEstimate_AndAResetNeverChangesInk()
    {
        var chance = new Random(12);
        for (var life = 0; life < 200; life++)
        {
            var events = new List<SlotEvent> { new SlotEvent.Swapped(Start, 60 + (100 * chance.NextDouble()), 100) };
            double chip = 100;
            for (var i = 1; i < 6; i++)
                events.Add(new SlotEvent.ChipRead(Start.AddDays(i), chip = Math.Max(0, chip - chance.Next(15))));
            var before = Estimate(History([.. events]), House);
            var poured = Estimate(History([.. events, new SlotEvent.Filled(Start.AddDays(6), 30 * chance.NextDouble())]), House);
            var reset = Estimate(History([.. events, new SlotEvent.Reset(Start.AddDays(6), 100)]), House);
            Assert.True(poured.Ink.Best >= before.Ink.Best - 1e-9);
            Assert.Equal(before.Ink.Best, reset.Ink.Best, 6);
            Assert.Equal(100, reset.ChipPct!.Value, 6);
        }
    }

    private static SlotHistory History(params SlotEvent[] events) => new(215, 170, 12, 214, 1.06, events);

    private static SlotEstimate Estimate(SlotHistory history, InkNumbers numbers) =>
        SlotLedger.Of(history, numbers, Start.AddDays(20)).Value;

    private static double Warn(SlotHistory history, double share) =>
        Estimate(history, House with { Rules = House.Rules with { WarnShare = share, WarnShareWeighed = share } }).WarnAtPct!.Value;
}
