using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Waste;

/// <summary>A moment of a waste store's life.</summary>
/// <param name="At">When.</param>
/// <param name="What">What happened, for the ledger.</param>
/// <param name="Says">In words.</param>
public sealed record StoreMoment(DateTimeOffset At, WasteEvent What, string Says);

/// <summary>A fitted outside bottle, by use and by what was seen.</summary>
/// <param name="HoldsMl">What it holds, ml.</param>
/// <param name="InIt">What is in it now, ml.</param>
/// <param name="EmptyAtMl">It is emptied from here on, ml.</param>
/// <param name="Days">Days until then, with their band; null while use is not known; 0 when it is due.</param>
public sealed record BottleWatch(double HoldsMl, Band InIt, double EmptyAtMl, Band? Days);

/// <summary>The counter at a time.</summary>
/// <param name="Pct">Its count, %.</param>
/// <param name="At">When.</param>
/// <param name="IsRead">Whether it was read; else it was set, and is taken for what it was set to.</param>
public sealed record CounterAt(double Pct, DateTimeOffset At, bool IsRead);

/// <summary>The waste store of a machine as all its visits tell it: what the counter says, and what it really holds.</summary>
/// <param name="History">What happened, for the ledger.</param>
/// <param name="Estimate">What it holds and what comes first; null when the record cannot be.</param>
/// <param name="Moments">Its life, oldest first.</param>
/// <param name="Counter">The counter as last read or set; null when never.</param>
/// <param name="PointsPerDay">What the counter rises a day; null while not known.</param>
/// <param name="IsKnown">Whether its mass is known by more than the counter: weighed, or renewed here.</param>
/// <param name="Box">The tag of the box that is in; empty when none was told.</param>
/// <param name="Bottle">Its outside bottle; null when it has none.</param>
/// <param name="Resets">How often its counter was reset.</param>
/// <param name="PartialSpent">Whether its once-only partial reset is spent.</param>
public sealed record StoreOnMachine(
    WasteHistory History,
    WasteEstimate? Estimate,
    IReadOnlyList<StoreMoment> Moments,
    CounterAt? Counter,
    double? PointsPerDay,
    bool IsKnown,
    string Box,
    BottleWatch? Bottle,
    int Resets,
    bool PartialSpent
)
{
    /// <summary>The counter of borderless prints; null where the model has none of its own or nobody read it.</summary>
    public SecondCounter? Borderless { get; init; }

    private const string Partial = "partial";
    private const double FullCount = 100;
    private const double BandSd = 1.645;

    /// <summary>The store of a machine.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="machine">It, as it stands.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    /// <returns>Null where the model does not say what its store holds.</returns>
    public static StoreOnMachine? Of(MachineModel model, MachineCase machine, WasteNumbers numbers, DateTimeOffset now)
    {
        if (model is not { Waste: { } waste, PadCapacityG: { } holds, StoreTareG: { } tare })
            return null;
        numbers = numbers.For(model);
        var (history, moments) = HistoryOf(waste, holds, tare, machine, numbers, now);
        var said = WasteLedger.Of(history, numbers, now);
        var use = CounterUse.Of(StoreWay.Rises([.. moments.Select((m, i) => (m.What, i))], numbers.UseFromDays), numbers.CounterStep);
        double? perDay = use.IsKnown ? use.PerDay : null;
        return new StoreOnMachine(
            history,
            said.IsGood ? said.Value : null,
            moments,
            CounterOf(moments),
            perDay,
            IsTold(moments),
            machine
                .StoreLife.LastOrDefault(l => l.What is { What: StoreChange.Renewed } or { Of.Length: > 0, What: not StoreChange.Reset })
                ?.What.Of
                ?? "",
            BottleOf(machine, waste, numbers, perDay, now),
            moments.Count(m => m.What is WasteEvent.Reset),
            machine.StoreLife.Any(l => l.What is { What: StoreChange.Reset, Of: Partial })
        )
        {
            Borderless = waste.Borderless ? SecondCounter.Of(machine, numbers, FullCount, now) : null,
        };
    }

    /// <summary>Room to the mass it is used to, g, on the full side and at once.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="machine">It, as it stands.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    /// <returns>Null where its mass was never told, or a bottle takes what comes.</returns>
    public static double? CautiousRoom(MachineModel model, MachineCase machine, WasteNumbers numbers, DateTimeOffset now)
    {
        if (model is not { Waste: { } waste, PadCapacityG: { } holds, StoreTareG: { } tare })
            return null;
        numbers = numbers.For(model);
        var (history, moments) = HistoryOf(waste, holds, tare, machine, numbers, now);
        var bottle = machine.StoreLife.Any(l => l.What.What == StoreChange.BottleFitted) || machine.Work.Any(w => Is(w, "bottle", numbers));
        return bottle || !IsTold(moments) ? null : WasteLedger.CautiousRoom(history, numbers, now);
    }

    private static bool IsTold(IReadOnlyList<StoreMoment> moments) =>
        moments.Any(m => m.What is WasteEvent.Weighed or WasteEvent.Washed or WasteEvent.Renewed or WasteEvent.Swapped);

    // A box has a dry mass of its own: what was weighed with an earlier one is told over the one that is in now.
    private static (WasteHistory History, List<StoreMoment> Moments) HistoryOf(
        WasteFigures waste,
        double holds,
        double usual,
        MachineCase machine,
        WasteNumbers numbers,
        DateTimeOffset now
    )
    {
        var swaps = machine.StoreLife.Where(l => l.What.TareG is not null && l.At <= now).ToList();
        double TareAt(DateTimeOffset at) => swaps.LastOrDefault(l => l.At <= at)?.What.TareG ?? usual;
        var tare = TareAt(now);
        var moments = MomentsOf(machine, numbers, tare, TareAt).Where(m => m.At <= now).OrderBy(m => m.At).ToList();
        var safe = SafeOf(machine, numbers, now);
        return (
            new WasteHistory(
                tare,
                safe ?? holds,
                safe is null ? numbers.Margin : 1,
                waste.GramsPerPoint,
                FullCount,
                [.. moments.Select(m => m.What)]
            )
            {
                UseFromDays = numbers.UseFromDays,
            },
            moments
        );
    }

    // What a trial showed holds for these pads alone.
    private static double? SafeOf(MachineCase machine, WasteNumbers numbers, DateTimeOffset now) =>
        machine
            .StoreLife.LastOrDefault(l => l.At <= now && l.What.What is StoreChange.Trial or StoreChange.BoxIn or StoreChange.Renewed)
            ?.What switch
        {
            { What: StoreChange.Trial, Amount: { } ml } => ml * numbers.WaterGramsPerMl * numbers.TrialShare,
            { What: StoreChange.BoxIn, SafeG: { } g } => g,
            _ => null,
        };

    private static CounterAt? CounterOf(List<StoreMoment> moments) =>
        moments.LastOrDefault(m => m.What is WasteEvent.CounterRead or WasteEvent.Reset)?.What switch
        {
            WasteEvent.CounterRead read => new CounterAt(read.Pct, read.At, true),
            WasteEvent.Reset reset => new CounterAt(reset.ToPct, reset.At, false),
            _ => null,
        };

    private static IEnumerable<StoreMoment> MomentsOf(
        MachineCase machine,
        WasteNumbers numbers,
        double tare,
        Func<DateTimeOffset, double> tareAt
    )
    {
        foreach (var read in machine.ReadingLife)
            if (read.Reading.Counter is { } counter && read.Reading.What != CounterReset.ReadBack)
                yield return new StoreMoment(
                    read.At,
                    new WasteEvent.CounterRead(read.At, counter.Pct),
                    $"counter read, {counter.Pct:0.#}\u2009%"
                );
            else if (read.Reading.What == numbers.NetReading)
                yield return new StoreMoment(
                    read.At,
                    new WasteEvent.Weighed(read.At, tare + read.Reading.Value),
                    $"weighed, {tare + read.Reading.Value:0}\u2009g"
                );
        foreach (var work in machine.Work)
        {
            if (WorkOf(work, numbers, tare) is { } done)
                yield return done;
            if (work.Work.Tags.Contains(numbers.ResetTag))
                yield return new StoreMoment(work.At, new WasteEvent.Reset(work.At, 0), "counter reset");
        }

        foreach (var lived in machine.StoreLife)
            if (EventOf(lived, tare - (lived.What.TareG ?? tareAt(lived.At))) is var (what, says))
                yield return new StoreMoment(lived.At, what, says);
    }

    // Work of the fault book; what was washed without a scale is taken for nearly dry.
    private static StoreMoment? WorkOf(WorkAt work, WasteNumbers numbers, double tare) =>
        numbers.Works.FirstOrDefault(w => w.Value.Contains(work.Work.Repair)).Key switch
        {
            "renewed" or "bottle" => new StoreMoment(work.At, new WasteEvent.Renewed(work.At), work.Work.Says),
            "washed" => new StoreMoment(work.At, new WasteEvent.Washed(work.At, tare * (1 + numbers.WashedLeft)), work.Work.Says),
            "emptied" => new StoreMoment(work.At, new WasteEvent.Emptied(work.At, 0), work.Work.Says),
            _ => null,
        };

    private static (WasteEvent What, string Says)? EventOf(StoreLived lived, double over) =>
        (lived.What.What, lived.What.Amount) switch
        {
            (StoreChange.Weighed, { } g) => (new WasteEvent.Weighed(lived.At, g + over), $"weighed, {g:0.#}\u2009g"),
            (StoreChange.BoxIn, { } g) => (
                new WasteEvent.Swapped(lived.At, g + over, lived.What.IsDry),
                $"box {lived.What.Of} in, {g:0.#}\u2009g"
            ),
            (StoreChange.Renewed, _) => (
                new WasteEvent.Renewed(lived.At),
                lived.What.Of.Length > 0 ? $"box {lived.What.Of} in" : "renewed"
            ),
            (StoreChange.Washed, { } g) => (new WasteEvent.Washed(lived.At, g + over), $"washed and dry, {g:0.#}\u2009g"),
            (StoreChange.Emptied, var ml) => (new WasteEvent.Emptied(lived.At, ml ?? 0), "bottle emptied"),
            (StoreChange.BottleFitted, { } ml) => (new WasteEvent.Renewed(lived.At), $"outside bottle fitted, {ml:0}\u2009ml"),
            (StoreChange.Reset, { } pct) => (new WasteEvent.Reset(lived.At, pct), $"counter reset to {pct:0.#}\u2009%"),
            _ => null,
        };

    private static bool Is(WorkAt work, string what, WasteNumbers numbers) =>
        numbers.Works.GetValueOrDefault(what, []).Contains(work.Work.Repair);

    // What comes in since it was last seen or emptied: the counter's rise, as far as use tells, by this model's grams a point.
    private static BottleWatch? BottleOf(MachineCase machine, WasteFigures waste, WasteNumbers numbers, double? perDay, DateTimeOffset now)
    {
        var life = machine
            .StoreLife.Select(l => (l.At, What: l.What.What, l.What.Amount))
            .Concat(
                machine
                    .Work.Where(w => Is(w, "bottle", numbers))
                    .Select(w => (w.At, What: StoreChange.BottleFitted, Amount: (double?)numbers.BottleMl))
            )
            .Concat(machine.Work.Where(w => Is(w, "emptied", numbers)).Select(w => (w.At, What: StoreChange.Emptied, Amount: (double?)0)))
            .Where(l => l.At <= now)
            .OrderBy(l => l.At)
            .ToList();
        if (life.LastOrDefault(l => l.What == StoreChange.BottleFitted).Amount is not { } holds)
            return null;
        var seen = life.Last(l => l.What is StoreChange.BottleFitted or StoreChange.BottleSeen or StoreChange.Emptied);
        var there = seen.What == StoreChange.BottleFitted ? 0 : seen.Amount ?? 0;
        var mlPerDay = (perDay ?? 0) * waste.GramsPerPoint / numbers.GramsPerMl;
        var came = mlPerDay * (now - seen.At).TotalDays;
        var (low, high) = (Math.Exp(-BandSd * numbers.Noise.InflowSd), Math.Exp(BandSd * numbers.Noise.InflowSd));
        var inIt = new Band(there + came, there + (came * low), there + (came * high));
        var emptyAt = holds * numbers.BottleEmptyPct / FullCount;
        return new BottleWatch(
            holds,
            inIt,
            emptyAt,
            mlPerDay <= 0
                ? null
                : new Band(
                    Math.Max(0, emptyAt - inIt.Best) / mlPerDay,
                    Math.Max(0, emptyAt - inIt.High) / (mlPerDay * high),
                    Math.Max(0, emptyAt - inIt.Low) / (mlPerDay * low)
                )
        );
    }
}
