using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>Where a job stands: the fold of its lines. What one craft alone keeps is <see cref="Of{T}"/>.</summary>
public sealed record JobState
{
    /// <summary>What was told at take-in.</summary>
    public required TakenIn Intake { get; init; }

    /// <summary>The crafts whose lines it was folded with.</summary>
    public required Crafts Crafts { get; init; }

    /// <summary>What each craft keeps.</summary>
    public required IReadOnlyDictionary<Type, CraftState> States { private get; init; }

    /// <summary>The machine as it stands: what earlier visits left, and what this one did.</summary>
    public required MachineCase Machine { get; init; }

    /// <summary>Version: the number of lines so far.</summary>
    public int Version { get; init; }

    /// <summary>When it was taken in.</summary>
    public DateTimeOffset OpenedAt { get; init; }

    /// <summary>What is off, open or inside.</summary>
    public IReadOnlyList<TrayItem> Tray { get; init; } = [];

    /// <summary>Clocks started and not ended by hand.</summary>
    public IReadOnlyList<Clock> Clocks { get; init; } = [];

    /// <summary>What it waits for when it is neither hands nor a clock: parts, customer or empty.</summary>
    public string WaitsFor { get; init; } = "";

    /// <summary>What exactly it waits for.</summary>
    public string WaitsWhat { get; init; } = "";

    /// <summary>Until when that is expected; null when not known.</summary>
    public DateTimeOffset? WaitsUntil { get; init; }

    /// <summary>Place on the bench from 1; 0 when it stands elsewhere.</summary>
    public int Place { get; init; }

    /// <summary>What the customer agreed to.</summary>
    public IReadOnlyList<string> Consents { get; init; } = [];

    /// <summary>The waste counter as read on this visit, or as our own work moved it since; null when it was not read.</summary>
    public CounterShare? Counter { get; init; }

    /// <summary>How the job ended; null while it is open.</summary>
    public Closed? Closing { get; init; }

    /// <summary>Hand-over; null while the machine is here.</summary>
    public HandedOver? HandOver { get; init; }

    /// <summary>Bench time so far.</summary>
    public Minutes Hands { get; init; }

    /// <summary>Parts so far, in the shop's currency.</summary>
    public decimal Parts { get; init; }

    /// <summary>Ink spent on cleans so far, by slot; <see cref="SlotId.Whole"/> holds what was not told apart.</summary>
    public IReadOnlyDictionary<SlotId, Millilitres> InkBySlot { get; init; } = new Dictionary<SlotId, Millilitres>();

    /// <summary>What the record says that cannot be.</summary>
    public IReadOnlyList<RecordDoubt> Doubts { get; init; } = [];

    /// <summary>Ink spent on cleans so far.</summary>
    public Millilitres Ink => InkBySlot.Values.Aggregate(default(Millilitres), (a, b) => a + b);

    /// <summary>What a craft keeps of the job.</summary>
    public T Of<T>()
        where T : CraftState =>
        States.TryGetValue(typeof(T), out var state)
            ? (T)state
            : throw new InvalidOperationException($"no craft here keeps a {typeof(T).Name}");

    /// <summary>The same with what a craft keeps replaced.</summary>
    public JobState With(CraftState state) => this with { States = new Dictionary<Type, CraftState>(States) { [state.GetType()] = state } };

    /// <summary>The job with all crafts one line on.</summary>
    internal JobState CraftsAfter(Entry entry, JobState before, Action<string> doubt)
    {
        Dictionary<Type, CraftState>? changed = null;
        foreach (var (type, state) in States)
        {
            var after = state.After(entry, before, doubt);
            if (!ReferenceEquals(after, state))
                (changed ??= new Dictionary<Type, CraftState>(States))[type] = after;
        }

        return changed is null ? this : this with { States = changed };
    }

    /// <summary>What the job needs now.</summary>
    /// <param name="now">The time.</param>
    public Standing StandingAt(DateTimeOffset now)
    {
        if (HandOver is not null)
            return Standing.Gone;
        if (Closing is not null)
            return Standing.Ready;
        if (WaitsFor == "parts")
            return Standing.Parts;
        if (WaitsFor == "customer")
            return Standing.Customer;
        return Clocks.Any(c => c.IsWait && c.EndsAt > now) ? Standing.Time : Standing.Hands;
    }
}
