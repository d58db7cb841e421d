using SideBench.Core.Waste;

namespace SideBench.Core.Simulation.Stores;

/// <summary>What the ledger said of a made-up store, and what was so.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Weighed">How often it was weighed since new pads, 2 for more.</param>
/// <param name="MassG">Its real mass, g.</param>
/// <param name="CounterFull">When the count really reached its limit; null when not within what is told.</param>
/// <param name="StoreFull">When the store really was at the mass it is used to.</param>
/// <param name="Said">What the ledger said.</param>
/// <param name="At">When it was asked.</param>
public sealed record StoreOutcome(
    string Kind,
    int Weighed,
    double MassG,
    DateTimeOffset? CounterFull,
    DateTimeOffset? StoreFull,
    WasteEstimate Said,
    DateTimeOffset At
)
{
    /// <summary>
    /// The middle of when it would be full, by one who knows all of it but what will be printed; null beyond what is told.
    /// </summary>
    public DateTimeOffset? Knowing { get; init; }

    /// <summary>Whether the ledger is sure that it is full already: there is no date to be missed.</summary>
    public bool IsSaidFull => Said.StoreFullOn.Late <= At;

    /// <summary>How far the date of one who knows all but what will be printed is off, as share of the time until then.</summary>
    public double? KnowingError => Off(Knowing);

    /// <summary>Whether the mass lies within its band.</summary>
    public bool IsMassWithin => MassG >= Said.Mass.Low && MassG <= Said.Mass.High;

    /// <summary>How far the store's median date is off, share of the time until then; null where either is not told.</summary>
    public double? DateError => Off(Said.StoreFullOn.Median);

    /// <summary>Whether the counter was full between early and late.</summary>
    public bool IsCounterWithin => IsWithin(CounterFull, Said.CounterFullOn);

    /// <summary>Whether the store was full between early and late.</summary>
    public bool IsStoreWithin => IsWithin(StoreFull, Said.StoreFullOn);

    private double? Off(DateTimeOffset? said) =>
        StoreFull is { } full && said is { } date && full > At ? Math.Abs((date - full).TotalDays) / (full - At).TotalDays : null;

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
    private const int FirstLook = 30;
    private const int Worth = 21;
    private const int ReadEach = 30;
    private const int WeighEach = 182;
    private const int Futures = 61;
    private const int Apart = 1_000_003;
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
    /// <param name="season">How far its use rises and falls over the year, share of its mean.</param>
    public static StoreOutcome Of(WasteNumbers numbers, int seed, double season = 0)
    {
        var chance = new Random(seed);
        var (name, kind) = Kinds[seed % Kinds.Length];
        var store = new SimulatedStore(kind, numbers, chance, Begins, season);
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
            WasteLedger.Of(store.History, numbers, store.Now).Value,
            store.Now
        )
        {
            Knowing = weighed < 2 ? null : Knowing(store, kind, numbers.MostYears, seed),
        };
    }

    /// <summary>A store of years that is read every month, weighed twice a year, and given new pads when it is full.</summary>
    /// <param name="numbers">House numbers.</param>
    /// <param name="seed">Draws its life.</param>
    /// <param name="years">So long.</param>
    /// <returns>What was told of it, and when it ends.</returns>
    public static (WasteHistory Told, DateTimeOffset At) Years(WasteNumbers numbers, int seed, double years)
    {
        var kind = Kinds[seed % Kinds.Length].Store;
        var store = new SimulatedStore(kind, numbers, new Random(seed), Begins);
        for (var day = 1; day < years * 365.25; day++)
        {
            store.Day();
            if (day % ReadEach == 0)
                store.Read();
            if (day % WeighEach == 0)
                store.Weigh();
            if (store.Count >= kind.CounterLimitPct)
                store.Reset();
            if (store.Mass - kind.TareG > kind.SafeG)
                store.Renew();
        }

        return (store.History, store.Now);
    }

    /// <summary>
    /// A store over years of visits: at every stop of its counter, and, where the gate is obeyed, on the day that the ledger gives for the
    /// store. Reset where the gate is open or is not asked, else renewed first.
    /// </summary>
    /// <param name="numbers">House numbers.</param>
    /// <param name="seed">Draws its life.</param>
    /// <param name="years">So long.</param>
    /// <param name="obeys">Whether the gate and the day are obeyed.</param>
    public static StoreLife Life(WasteNumbers numbers, int seed, double years, bool obeys)
    {
        var chance = new Random(seed);
        var kind = Kinds[seed % Kinds.Length].Store;
        var store = new SimulatedStore(kind, numbers, chance, Begins);
        var life = new StoreLife(false, 0, 0, 0);
        // Of a new store on a machine whose use nobody knows yet, a first look is taken for the next reading.
        DateTimeOffset? due = Begins.AddDays(FirstLook);
        for (var day = 0; day < years * 365.25; day++)
        {
            store.Day();
            life = life with { Floods = life.Floods || store.Mass - kind.TareG > kind.AbsorbentLimitG };
            var stops = store.Count >= kind.CounterLimitPct;
            if (!stops && !(obeys && store.Now >= due))
                continue;
            store.Read();
            // Some weigh at every stop, some now and then; who comes for the store weighs it.
            if (obeys && (!stops || chance.Next(3) > 0))
                store.Weigh();
            if (!obeys)
            {
                store.Reset();
                life = life with { Resets = life.Resets + 1, Let = life.Let + 1 };
                continue;
            }

            var says = WasteLedger.Of(store.History, numbers, store.Now).Value;
            var may = stops ? says.MayReset : says.StoreDueOn is not { } early || early > store.Now.AddDays(Worth);
            if (!may)
                store.Renew();
            if (stops)
                store.Reset();
            life = new StoreLife(
                life.Floods,
                life.Resets + (stops ? 1 : 0),
                life.Let + (stops && may ? 1 : 0),
                life.Renewals + (may ? 0 : 1)
            );
            due = WasteLedger.Of(store.History, numbers, store.Now).Value.StoreDueOn;
        }

        return life;
    }

    private static DateTimeOffset? Knowing(SimulatedStore store, WasteHistory kind, double years, int seed) =>
        Enumerable
            .Range(2, Futures)
            .Select(i => Full(store.Ahead(seed + (i * Apart)), kind, store.Now.AddDays(years * 365.25)))
            .OrderBy(d => d ?? DateTimeOffset.MaxValue)
            .ElementAt(Futures / 2);

    private static DateTimeOffset? Full(SimulatedStore ahead, WasteHistory kind, DateTimeOffset end)
    {
        while (ahead.Mass - kind.TareG < kind.SafeG && ahead.Now < end)
            ahead.Day();
        return ahead.Now < end ? ahead.Now : null;
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

/// <summary>What became of a store over years of visits.</summary>
/// <param name="Floods">Whether it ever held more than it can.</param>
/// <param name="Resets">Resets of its counter.</param>
/// <param name="Let">Those that the gate let through without new pads first.</param>
/// <param name="Renewals">New pads.</param>
public sealed record StoreLife(bool Floods, int Resets, int Let, int Renewals);
