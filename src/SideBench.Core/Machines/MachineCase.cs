using System.Collections.Immutable;
using SideBench.Core.Identity;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Machines;

/// <summary>A reading with its time.</summary>
public sealed record ReadingAt(Reading Reading, DateTimeOffset At);

/// <summary>A lasting change of a machine, with since when and by which line.</summary>
public sealed record Modified(Modification What, DateTimeOffset Since, EntryId Entry);

/// <summary>What is in a slot, since when.</summary>
public sealed record SlotContent(string Says, DateTimeOffset Since)
{
    /// <summary>Its lot; empty when not told.</summary>
    public string Lot { get; init; } = "";
}

/// <summary>Something that happened to what is in a slot, with when and by which line.</summary>
public sealed record SlotLived(SlotHappening What, DateTimeOffset At, EntryId Entry);

/// <summary>Something that happened to its waste store or counter, with when and by which line.</summary>
public sealed record StoreLived(StoreHappening What, DateTimeOffset At, EntryId Entry);

/// <summary>Work that was done on a machine.</summary>
public sealed record WorkAt(WorkDone Work, JobId? Job, DateTimeOffset At);

/// <summary>
/// A machine as it stands: the fold of its life over all visits. What was fitted, read, spent and left off earlier is known on the next
/// visit. It applies the effects of lines and knows no craft.
/// </summary>
public sealed record MachineCase
{
    /// <summary>A machine of which nothing is known.</summary>
    public static readonly MachineCase New = new();

    /// <summary>How it differs from its model, by key and by which.</summary>
    public IReadOnlyDictionary<(string Key, string Of), Modified> Modifications { get; init; } =
        new Dictionary<(string, string), Modified>();

    /// <summary>The last reading of each thing that was measured, by what it was.</summary>
    public IReadOnlyDictionary<string, ReadingAt> Readings { get; init; } = new Dictionary<string, ReadingAt>();

    /// <summary>The waste counter as it was last read; null when it never was.</summary>
    public ReadingAt? Counter { get; init; }

    /// <summary>What is in its slots, as far as that was told.</summary>
    public IReadOnlyDictionary<SlotId, SlotContent> Slots { get; init; } = new Dictionary<SlotId, SlotContent>();

    /// <summary>All that happened to what is in its slots, oldest first; ink that work drew is among it.</summary>
    public ImmutableList<SlotLived> SlotLife { get; init; } = [];

    /// <summary>All that happened to its waste store and counter, oldest first.</summary>
    public ImmutableList<StoreLived> StoreLife { get; init; } = [];

    /// <summary>All that was measured, oldest first.</summary>
    public ImmutableList<ReadingAt> ReadingLife { get; init; } = [];

    /// <summary>The tag of the waste box that is in; empty when none with a tag is.</summary>
    public string Box { get; init; } = "";

    /// <summary>Work done on it, oldest first.</summary>
    public IReadOnlyList<WorkAt> Work { get; init; } = [];

    /// <summary>What the record says of it that cannot be.</summary>
    public IReadOnlyList<RecordDoubt> Doubts { get; init; } = [];

    /// <summary>Folds a machine's life.</summary>
    /// <param name="entries">Lines of the machine, of all its visits or of some, oldest first.</param>
    /// <param name="before">How it stood before them; null when they are its first.</param>
    public static MachineCase Of(IReadOnlyList<Entry> entries, MachineCase? before = null) =>
        TakenBack.Without(entries).Aggregate(before ?? New, (machine, entry) => machine.After(entry, EffectOf(entry)));

    /// <summary>What a line finds that is written on it now.</summary>
    /// <param name="machine">Its number.</param>
    /// <param name="model">Its model.</param>
    public Surroundings Surround(long machine, string model) =>
        new(machine, model, Box, slot => Slots.GetValueOrDefault(new SlotId(slot))?.Lot ?? "");

    /// <summary>What a line does, or nothing where it says what cannot be.</summary>
    /// <param name="entry">The line.</param>
    public static (Effect Effect, RecordDoubt? Doubt) EffectOf(Entry entry)
    {
        if (entry.Body is Unreadable unreadable)
            return (Effect.None, new RecordDoubt(entry.Id, unreadable.Says));
        try
        {
            return (entry.Body.Effect, null);
        }
        catch (ArgumentOutOfRangeException)
        {
            return (Effect.None, new RecordDoubt(entry.Id, $"“{entry.Body.Says}” holds a number that cannot be"));
        }
    }

    /// <summary>The machine after one more line.</summary>
    /// <param name="entry">The line, which stands.</param>
    /// <param name="does">What it does.</param>
    public MachineCase After(Entry entry, (Effect Effect, RecordDoubt? Doubt) does)
    {
        var (effect, doubt) = does;
        if (doubt is not null)
            return this with { Doubts = [.. Doubts, doubt] };
        if (effect == Effect.None)
            return this;
        var read = effect.Readings.Where(r => double.IsFinite(r.Value)).ToList();
        return this with
        {
            Modifications = effect.Modifications.Count == 0 && effect.Work is null ? Modifications : Changed(effect, entry),
            Readings = read.Count == 0 ? Readings : With(Readings, read.Select(r => (r.What, new ReadingAt(r, entry.At)))),
            Counter = read.LastOrDefault(r => r.Counter is not null) is { } counter ? new ReadingAt(counter, entry.At) : Counter,
            Slots =
                effect.Slots.Count == 0
                    ? Slots
                    : With(Slots, effect.Slots.Select(s => (s.Slot, new SlotContent(s.Says, entry.At) { Lot = s.Lot }))),
            SlotLife = Lived(effect, entry),
            StoreLife =
                effect.Stores.Count == 0 ? StoreLife : StoreLife.AddRange(effect.Stores.Select(s => new StoreLived(s, entry.At, entry.Id))),
            ReadingLife = read.Count == 0 ? ReadingLife : ReadingLife.AddRange(read.Select(r => new ReadingAt(r, entry.At))),
            Box = effect.Box ?? Box,
            Work = effect.Work is { } work ? [.. Work, new WorkAt(work, entry.Job, entry.At)] : Work,
        };
    }

    private ImmutableList<SlotLived> Lived(Effect effect, Entry entry)
    {
        if (effect is { Happenings.Count: 0, Ink.Count: 0 })
            return SlotLife;
        var drawn = effect.Ink.Where(u => u.Volume.Value > 0).Select(u => new SlotHappening(u.Slot, SlotChange.Spent, u.Volume.Value));
        return SlotLife.AddRange(drawn.Concat(effect.Happenings).Select(h => new SlotLived(h, entry.At, entry.Id)));
    }

    private Dictionary<(string, string), Modified> Changed(Effect effect, Entry entry)
    {
        var changed = new Dictionary<(string, string), Modified>(Modifications);
        foreach (var (key, made) in Modifications)
            if (effect.Work is { } work && made.What.LiftedBy.Length > 0 && work.Tags.Contains(made.What.LiftedBy))
                changed.Remove(key);
        foreach (var change in effect.Modifications)
        {
            if (change.Word is null)
                changed.Remove((change.Key, change.Of));
            else
                changed[(change.Key, change.Of)] = new Modified(change, entry.At, entry.Id);
        }

        return changed;
    }

    private static Dictionary<TKey, T> With<TKey, T>(IReadOnlyDictionary<TKey, T> before, IEnumerable<(TKey Key, T Value)> more)
        where TKey : notnull
    {
        var all = new Dictionary<TKey, T>(before);
        foreach (var (key, value) in more)
            all[key] = value;
        return all;
    }
}
