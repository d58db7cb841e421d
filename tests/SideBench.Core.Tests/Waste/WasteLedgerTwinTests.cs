using System.Globalization;
using MathNet.Numerics.Distributions;
using SideBench.Core.Waste;
using Xunit;

namespace SideBench.Core.Tests.Waste;

/// <summary>
/// The slow and obvious twin of the waste ledger: many machines are drawn by the house's noise, their stores live day by day, and those
/// that fit the weighings are kept by how well they fit them.
/// </summary>
public class WasteLedgerTwinTests
{
    private const int Machines = 40_000;
    private const double Tare = 97;
    private const double Limit = 255;
    private const double PerPoint = 1.75;
    private static readonly DateTimeOffset Start = new(2026, 1, 5, 8, 0, 0, TimeSpan.Zero);
    private static readonly WasteNumbers Numbers = TestShop.Shop.Numbers.Of<WasteNumbers>() with { CounterStep = 0.01 };

    // Day, points that came in since the day before it in the list, and what the scale said; 0 for nothing said.
    public static TheoryData<string> Lives =>
        ["0 0 0; 120 80 0", "0 0 0; 60 50 172; 60 0 0", "0 0 0; 90 70 190; 180 60 226", "0 0 0; 40 60 185; 400 0 150"];

    [Theory]
    [MemberData(nameof(Lives))]
    public void Ledger_SaysWhatTheDrawnStoresSay(string life)
    {
        var steps = life.Split("; ")
            .Select(s => s.Split(' ').Select(n => double.Parse(n, CultureInfo.InvariantCulture)).ToArray())
            .ToList();
        var events = new List<WasteEvent> { new WasteEvent.Renewed(Start) };
        var count = 0.0;
        foreach (var step in steps)
        {
            var at = Start.AddDays(step[0]);
            events.Add(new WasteEvent.CounterRead(at, count += step[1]));
            if (step[2] > 0)
                events.Add(new WasteEvent.Weighed(at, step[2]));
        }

        var store = new WasteHistory(Tare, Limit, 0.8, PerPoint, 1000, events);
        var said = WasteLedger.Of(store, Numbers, Start.AddDays(steps[^1][0])).Value.Mass;
        var drawn = Drawn(steps);
        var band = said.High - said.Low;
        Assert.Equal(Quantile(drawn, 0.5), said.Best, (0.08 * band) + 0.5);
        Assert.Equal(Quantile(drawn, 0.05), said.Low, (0.12 * band) + 0.7);
        Assert.Equal(Quantile(drawn, 0.95), said.High, (0.12 * band) + 0.7);
    }

    [Fact]
    public void Rises_AreOfReadingsAlone_AndAResetBeginsAnew()
    {
        var rises = StoreWay.Rises(
            [
                (new WasteEvent.CounterRead(Start, 90), 0),
                (new WasteEvent.CounterRead(Start.AddDays(10), 98), 1),
                (new WasteEvent.Reset(Start.AddDays(12), 0), 2),
                (new WasteEvent.Weighed(Start.AddDays(14), 150), 3),
                (new WasteEvent.CounterRead(Start.AddDays(22), 6), 4),
                (new WasteEvent.CounterRead(Start.AddDays(30), 4), 5),
            ],
            0
        );
        Assert.Equal([(10, 8), (10, 6)], rises);
    }

    [Fact]
    public void Stretches_AddUpToWhatTheReadingsSay_WhateverStandsBetween()
    {
        List<(WasteEvent, int)> events =
        [
            (new WasteEvent.CounterRead(Start, 10), 0),
            (new WasteEvent.Weighed(Start.AddDays(5), 120), 1),
            (new WasteEvent.Weighed(Start.AddDays(15), 130), 2),
            (new WasteEvent.CounterRead(Start.AddDays(20), 50), 3),
        ];
        var use = CounterUse.Of(StoreWay.Rises(events, 0), 0.5);
        var (way, count, at) = StoreWay.Of(events, Start.AddDays(30), use, _ => Assert.Fail("nothing fell"));
        Assert.Equal([0, 10, 20, 10], way.Take(4).Select(s => s.Points));
        Assert.Equal((50, Start.AddDays(20)), (count, at));
        // Unsure in the middle, sure where it was read; after that as the use has it.
        Assert.True(way[1].Unsure > 0 && way[3].Unsure == 0);
        Assert.Equal((10, 10 * use.PerDay), (way[4].Days, way[4].Points));
    }

    [Fact]
    public void Use_IsLearntFromTheReadings_AndItsPathsRiseAroundIt()
    {
        var use = CounterUse.Of([.. Enumerable.Range(0, 40).Select(i => (7.0, i % 2 == 0 ? 2.0 : 5.0))], 0.5);
        Assert.Equal(0.5, use.PerDay, 0.05);
        Assert.False(CounterUse.Of([], 0.5).IsKnown);
        Assert.False(CounterUse.Of([(10, 0)], 0.5).IsKnown);
        var (low, middle, high) = (use.Path(0.5, -1.3), use.Path(0.5, 0), use.Path(0.5, 1.3));
        var last = 0.0;
        for (var day = 5; day <= 400; day += 5)
        {
            Assert.True(low(day) < middle(day) && middle(day) < high(day) && middle(day) > last);
            last = middle(day);
        }

        Assert.Equal(0, middle(0));
        Assert.Equal(200 * use.PerDay, middle(200), 0.25 * 200 * use.PerDay);
    }

    private static List<(double Mass, double Weight)> Drawn(List<double[]> steps)
    {
        var (chance, noise, drawn) = (new Random(23), Numbers.Noise, new List<(double, double)>());
        var both = (Numbers.VolatileShare * (1 - Numbers.VolatileShare) / (noise.ShareSd * noise.ShareSd)) - 1;
        for (var i = 0; i < Machines; i++)
        {
            var inflow = Math.Exp(Normal.Sample(chance, 0, noise.InflowSd));
            var share = Beta.Sample(chance, Numbers.VolatileShare * both, (1 - Numbers.VolatileShare) * both);
            var days = Numbers.DryDays * Math.Exp(Normal.Sample(chance, 0, noise.DaysSd));
            var (stays, dries, weight, before) = (0.0, 0.0, 1.0, 0.0);
            foreach (var step in steps)
            {
                for (var day = before; day < step[0]; day++)
                {
                    var came = inflow * PerPoint * step[1] / (step[0] - before);
                    dries = (dries * Math.Exp(-1 / days)) + (share * came);
                    stays += (1 - share) * came;
                }

                before = step[0];
                if (step[2] > 0)
                    weight *= Normal.PDF(Tare + stays + dries, noise.ScaleSd, step[2]);
            }

            drawn.Add((Tare + stays + dries, weight));
        }

        return drawn;
    }

    private static double Quantile(List<(double Mass, double Weight)> drawn, double share)
    {
        var until = share * drawn.Sum(d => d.Weight);
        foreach (var (mass, weight) in drawn.OrderBy(d => d.Mass))
            if ((until -= weight) <= 0)
                return mass;
        return double.NaN;
    }
}
