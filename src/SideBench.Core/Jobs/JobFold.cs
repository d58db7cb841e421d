using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>Folds the lines of one job into where it stands: the effects of all lines, and what each craft keeps.</summary>
public static class JobFold
{
    /// <summary>Where the job stands after these lines.</summary>
    /// <param name="crafts">The crafts of the shop.</param>
    /// <param name="machine">The machine as its earlier visits left it.</param>
    /// <param name="entries">All lines of the job in order; the first is its take-in.</param>
    /// <remarks>
    /// A corrected line stays on record and is left out here, as if it had never been; so what it put on the tray is gone
    /// with it, and its minutes and parts are not counted.
    /// </remarks>
    public static JobState Of(Crafts crafts, MachineCase machine, IReadOnlyList<Entry> entries)
    {
        JobState? state = null;
        foreach (var entry in TakenBack.Without(entries))
        {
            if (state is null && entry.Body is not TakenIn)
                throw new InvalidOperationException("a job starts with its take-in");
            state = entry.Body is TakenIn intake && state is null ? Begun(crafts, machine, intake, entry) : Step(state!, entry);
        }

        return (state ?? throw new InvalidOperationException("a job has at least its take-in")) with
        {
            Version = entries[^1].Version,
        };
    }

    private static JobState Begun(Crafts crafts, MachineCase machine, TakenIn intake, Entry entry)
    {
        var fresh = new JobState
        {
            Intake = intake,
            Crafts = crafts,
            Machine = machine,
            States = crafts.Begin(machine),
            OpenedAt = entry.At,
        };
        return fresh.CraftsAfter(entry, fresh, _ => { });
    }

    private static JobState Step(JobState before, Entry entry)
    {
        var doubts = new List<RecordDoubt>();
        void Doubt(string says) => doubts.Add(new RecordDoubt(entry.Id, says));
        var does = MachineCase.EffectOf(entry);
        if (does.Doubt is { } unclear)
            return before with { Doubts = [.. before.Doubts, unclear], Machine = before.Machine.After(entry, does) };
        var after = Own(Applied(before, entry, does.Effect, Doubt), entry.Body) with { Machine = before.Machine.After(entry, does) };
        after = after.CraftsAfter(entry, before, Doubt);
        return doubts.Count == 0 ? after : after with { Doubts = [.. before.Doubts, .. doubts] };
    }

    // What every line can do, whatever its craft.
    private static JobState Applied(JobState state, Entry entry, Effect effect, Action<string> doubt)
    {
        if (effect == Effect.None)
            return state;
        var clock = effect.ClockBegins is { } start ? Clock.Of(start, entry.At) : null;
        if (effect.ClockBegins is not null && clock is null)
            doubt($"“{entry.Body.Says}” is longer than any clock can hold");
        var read = effect.Readings.Select(r => r.Counter).LastOrDefault(c => c is not null);
        return state with
        {
            Tray = effect is { Puts.Count: 0, Takes.Count: 0 } ? state.Tray : Tray.After(state.Tray, effect, doubt),
            Hands = state.Hands + effect.Hands,
            Parts = Sum(state.Parts, effect.Parts, doubt),
            InkBySlot = effect.Ink.Count == 0 ? state.InkBySlot : Spent(state.InkBySlot, effect.Ink),
            Counter = read ?? (state.Counter is { } stands ? stands + effect.CounterMoved : null),
            Clocks =
                clock is not null ? [.. state.Clocks, clock]
                : effect.ClockEnds is { } ended ? [.. state.Clocks.Where(c => c.Id != ended)]
                : state.Clocks,
        };
    }

    // The lines that every job has, and what they alone do.
    private static JobState Own(JobState state, EntryBody body) =>
        body switch
        {
            WaitSet wait => state with { WaitsFor = wait.For == "hands" ? "" : wait.For, WaitsWhat = wait.What, WaitsUntil = wait.Until },
            PlaceSet set => state with { Place = set.Place },
            Consented word => state with { Consents = [.. state.Consents, word.What] },
            Closed closed => state with { Closing = closed, Clocks = [.. state.Clocks.Where(c => !c.IsWait)], WaitsFor = "" },
            HandedOver over => state with { HandOver = over, Place = 0 },
            _ => state,
        };

    private static decimal Sum(decimal parts, decimal more, Action<string> doubt)
    {
        if (more < 0 || more > MostMoney)
        {
            doubt($"parts for {more} cannot be");
            return parts;
        }

        return parts + more;
    }

    // More than any shop's parts cost, and far from what a sum cannot hold.
    private const decimal MostMoney = 1_000_000_000;

    private static Dictionary<SlotId, Millilitres> Spent(IReadOnlyDictionary<SlotId, Millilitres> before, IReadOnlyList<InkUse> more)
    {
        var all = new Dictionary<SlotId, Millilitres>(before);
        foreach (var use in more)
            all[use.Slot] = all.GetValueOrDefault(use.Slot) + use.Volume;
        return all;
    }
}
