using SideBench.Core.Waste;

namespace SideBench.Core.Simulation.Stores;

/// <summary>What the ledger said of a made-up store, and what was so.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Weighed">How often it was weighed since new pads, 2 for more.</param>
/// <param name="MassG">Its real mass, g.</param>
/// <param name="CounterFull">When the count really reached its limit; null when not within what is told.</param>
/// <param name="StoreFull">When the store really was at the mass it is used to.</param>
/// <param name="Said">What the ledger said.</param>
public sealed record StoreOutcome(
    string Kind,
    int Weighed,
    double MassG,
    DateTimeOffset? CounterFull,
    DateTimeOffset? StoreFull,
    WasteEstimate Said
)
{
    /// <summary>Whether the mass lies within its band.</summary>
    public bool IsMassWithin => MassG >= Said.Mass.Low && MassG <= Said.Mass.High;

    /// <summary>Whether the counter was full between early and late.</summary>
    public bool IsCounterWithin => IsWithin(CounterFull, Said.CounterFullOn);

    /// <summary>Whether the store was full between early and late.</summary>
    public bool IsStoreWithin => IsWithin(StoreFull, Said.StoreFullOn);

    private static bool IsWithin(DateTimeOffset? at, DateBand said)
    {
        var day = at ?? DateTimeOffset.MaxValue;
        return day >= (said.Early ?? DateTimeOffset.MaxValue) && day <= (said.Late ?? DateTimeOffset.MaxValue);
    }
}

/// <summary>Tries the ledger on made-up waste stores of three kinds, asked about at some day of their lives.</summary>
public static class StoreTrial
{
    private const int LeastAge = 20;
    private const int MostAge = 700;
    private const int RenewEach = 400;
    private static readonly DateTimeOffset Begins = new(2025, 1, 6, 8, 0, 0, TimeSpan.Zero);

    private static readonly (string Name, WasteHistory Store)[] Kinds =
    [
        ("pads, small", new WasteHistory(46, 118, 0.8, 0.85, 100, [])),
        ("box", new WasteHistory(97, 255, 0.8, 1.75, 100, [])),
        ("tank", new WasteHistory(342, 1420, 0.8, 11.8, 100, [])),
    ];

    /// <summary>One made-up store.</summary>
    /// <param name="numbers">House numbers.</param>
    /// <param name="seed">Draws its life.</param>
    public static StoreOutcome Of(WasteNumbers numbers, int seed)
    {
        var chance = new Random(seed);
        var (name, kind) = Kinds[seed % Kinds.Length];
        var store = new SimulatedStore(kind, numbers, chance, Begins);
        var (readEach, weighEach) = (10 + chance.Next(60), chance.NextDouble() < 0.3 ? int.MaxValue : 40 + chance.Next(200));
        var weighed = 0;
        for (var day = chance.Next(LeastAge, MostAge); day >= 0; day--)
        {
            store.Day();
            if (store.Count >= kind.CounterLimitPct)
                store.Reset();
            // Renewed when it suits: a store that is renewed because it is full would tell by that what is in it.
            if (chance.Next(RenewEach) == 0)
            {
                store.Read();
                store.Renew();
                weighed = 0;
            }

            if (chance.Next(readEach) == 0)
                store.Read();
            if (weighEach < int.MaxValue && chance.Next(weighEach) == 0)
            {
                store.Read();
                store.Weigh();
                weighed++;
            }
        }

        // Without a second reading no use is known, and no date.
        store.Read();
        for (var day = chance.Next(LeastAge); day >= 0; day--)
            store.Day();
        var (counter, full) = Fates(store, kind, numbers.MostYears, seed);
        return new StoreOutcome(
            name,
            Math.Min(weighed, 2),
            store.Mass,
            counter,
            full,
            WasteLedger.Of(store.History, numbers, store.Now).Value
        );
    }

    // What becomes of it when nobody does anything but reset the counter.
    private static (DateTimeOffset? Counter, DateTimeOffset? Store) Fates(SimulatedStore store, WasteHistory kind, double years, int seed)
    {
        var (ahead, end) = (store.Ahead(seed + 1), store.Now.AddDays(years * 365.25));
        DateTimeOffset? counter = ahead.Count >= kind.CounterLimitPct ? ahead.Now : null;
        DateTimeOffset? full = ahead.Mass - kind.TareG >= kind.SafeG ? ahead.Now : null;
        while (ahead.Now < end && (counter is null || full is null))
        {
            ahead.Day();
            // Some time in that day.
            var then = ahead.Now.AddDays(-0.5);
            counter ??= ahead.Count >= kind.CounterLimitPct ? then : null;
            full ??= ahead.Mass - kind.TareG >= kind.SafeG ? then : null;
        }

        return (counter, full);
    }
}
