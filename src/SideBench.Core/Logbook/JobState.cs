using SideBench.Core.Day;
using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.StripDown;

namespace SideBench.Core.Logbook;

/// <summary>Where a job stands: the fold of its entries.</summary>
public sealed record JobState
{
    /// <summary>What was told at take-in.</summary>
    public required EntryBody.TakenIn Intake { get; init; }

    /// <summary>Version: the number of lines so far.</summary>
    public int Version { get; init; }

    /// <summary>When it was taken in.</summary>
    public DateTimeOffset OpenedAt { get; init; }

    /// <summary>Answers and repairs as they stand after corrections, oldest first.</summary>
    public IReadOnlyList<CaseEvent> Timeline { get; init; } = [];

    /// <summary>Work as it stands after corrections, oldest first.</summary>
    public IReadOnlyList<EntryBody.Mended> Work { get; init; } = [];

    /// <summary>Answers as they stand after corrections, oldest first, with their line.</summary>
    public IReadOnlyList<(long Entry, EntryBody.Answered Body)> Answers { get; init; } = [];

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

    /// <summary>Gates gone past, as <c>gate:step</c>.</summary>
    public IReadOnlyList<string> Overridden { get; init; } = [];

    /// <summary>The waste counter as last read or moved by our own work, percent; null when not known.</summary>
    public double? CounterPct { get; init; }

    /// <summary>How the job ended; null while it is open.</summary>
    public EntryBody.Closed? Closing { get; init; }

    /// <summary>Hand-over; null while the machine is here.</summary>
    public EntryBody.HandedOver? HandOver { get; init; }

    /// <summary>Bench minutes so far.</summary>
    public double Minutes { get; init; }

    /// <summary>Parts so far, in the shop's currency.</summary>
    public decimal Parts { get; init; }

    /// <summary>Ink spent on cleans so far, ml.</summary>
    public double InkMl { get; init; }

    /// <summary>The case as written conditions see it.</summary>
    /// <param name="model">The machine's model.</param>
    /// <param name="today">The date, for the warranty.</param>
    public Facts FactsFor(MachineModel model, DateOnly today) => new()
    {
        Model = model,
        Context = CaseContext.Of(Intake, today),
        Answers = Answers.GroupBy(a => a.Body.Finding).ToDictionary(g => g.Key, g => g.Last().Body.Outcome),
        Done = [.. Work.Select(w => w.Tags)],
        Tray = Tray,
        CounterPct = CounterPct,
        Consents = Consents,
    };

    /// <summary>What the job needs now.</summary>
    /// <param name="now">The time.</param>
    public Standing StandingAt(DateTimeOffset now)
    {
        if (HandOver is not null) return Standing.Gone;
        if (Closing is not null) return Standing.Ready;
        if (WaitsFor == "parts") return Standing.Parts;
        if (WaitsFor == "customer") return Standing.Customer;
        return Clocks.Any(c => c.EndsAt > now) ? Standing.Time : Standing.Hands;
    }
}
