using SideBench.Core.Machines;

namespace SideBench.Core.Waste;

/// <summary>What a waste store comes to, in words.</summary>
public static class WasteWords
{
    /// <summary>What is to be looked into when the last reset left the count as it was; empty when it did not.</summary>
    /// <param name="machine">The machine.</param>
    public static string NotStored(MachineCase machine)
    {
        if (
            machine.Readings.GetValueOrDefault(CounterReset.ReadBefore) is not { } before
            || machine.Readings.GetValueOrDefault(CounterReset.ReadBack) is not { } after
            || after.Reading.Value < before.Reading.Value - CounterReset.Moved
            || machine.ReadingLife.Any(r => r.At > after.At && r.Reading.Counter is not null && r.Reading.What != CounterReset.ReadBack)
        )
            return "";
        return $"The last reset was not stored: {before.Reading.Value:0.#}\u2009% before and {after.Reading.Value:0.#}\u2009% after. "
            + "Switch off at the panel and on, and read it back before anything is spent again. A key that was spent stays spent here: "
            + "look whether the program was set to this very machine, then ask its seller with the line of the record.";
    }

    /// <summary>The gap between what the counter says and what the store holds, one sentence.</summary>
    /// <param name="store">The store.</param>
    /// <param name="numbers">House numbers.</param>
    public static string Gap(StoreOnMachine store, WasteNumbers numbers)
    {
        if (store.Bottle is not null)
            return "An outside bottle takes what comes: its level counts, not what the pads weigh.";
        if (store.Estimate is not { } now)
            return "What is on record cannot be: look at its weighings.";
        if (!store.IsKnown)
            return "Nobody weighed it here, and nobody renewed it: the counter alone says nothing of its mass.";
        if (Twin(store, numbers) is { } twin)
            return twin;
        if (now.Room.Best <= 0)
            return "It is at the mass it is used to: a reset without service would overflow.";
        var share = (now.Mass.Best - store.History.TareG) / store.History.SafeG;
        if (store.Counter is not { } counter)
            return $"It is at {share:P0} of what it is used to; nobody read the counter.";
        return ((counter.Pct / store.History.CounterLimitPct) - share) switch
        {
            var gap when gap > numbers.FarApart =>
                $"The counter is further than the store: {counter.Pct:0}\u2009% against {share:P0} of what it is used to.",
            var gap when gap < -numbers.FarApart =>
                $"The store is further than the counter: {share:P0} of what it is used to, the counter at {counter.Pct:0}\u2009%.",
            _ => "Counter and store are about as far as each other.",
        };
    }

    // The counter is a fact of the machine and not of its pads: what was done to one alone leaves the other.
    private static string? Twin(StoreOnMachine store, WasteNumbers numbers)
    {
        var moments = store.Moments.ToList();
        var (reset, seen) = (moments.FindLastIndex(m => m.What is WasteEvent.Reset), moments.FindLastIndex(m => m.What.IsService));
        var stopped = store.Counter is { } counter && counter.Pct >= store.History.CounterLimitPct;
        // What ran to its stop after the service is full again; what was at its stop then, or was read so on that visit, is not.
        var stop = moments.FindIndex(reset + 1, m => m.What is WasteEvent.CounterRead r && r.Pct >= store.History.CounterLimitPct);
        if (stopped && seen > reset && stop >= 0 && (moments[stop].At - moments[seen].At).TotalDays < numbers.UseFromDays)
            return "The store was seen to, and the stop is still on: it wants a reset, not another store.";
        return !stopped && reset >= 0 && seen < 0 && store.Estimate!.Room.Low <= 0
            ? "The counter was set anew with the old store in: it may be full all the same. The store is due, not the counter."
            : null;
    }
}
