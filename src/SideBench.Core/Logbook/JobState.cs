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

    /// <summary>Answers and repairs of all threads as they stand after corrections, oldest first.</summary>
    public IReadOnlyList<CaseEvent> Timeline { get; init; } = [];

    /// <summary>Its threads, the complaint of the take-in first.</summary>
    public IReadOnlyList<CaseThread> Threads { get; init; } = [];

    /// <summary>Schools chosen for this job, by school.</summary>
    public IReadOnlyDictionary<string, string> Schools { get; init; } = new Dictionary<string, string>();

    /// <summary>Work as it stands after corrections, oldest first.</summary>
    public IReadOnlyList<EntryBody.Mended> Work { get; init; } = [];

    /// <summary>Answers as they stand after corrections, oldest first, with their line.</summary>
    public IReadOnlyList<(long Entry, EntryBody.Answered Body)> Answers { get; init; } = [];

    /// <summary>Nozzle sheets that stand, oldest first.</summary>
    public IReadOnlyList<SheetOnJob> Sheets { get; init; } = [];

    /// <summary>What is off, open or inside.</summary>
    public IReadOnlyList<TrayItem> Tray { get; init; } = [];

    /// <summary>How far the machine is open, and the guides followed on it.</summary>
    public OpeningState Opening { get; init; } = OpeningState.New;

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

    /// <summary>The thread of that number; the first when there is none.</summary>
    /// <param name="id">Its number.</param>
    public CaseThread Thread(int id) => Threads.FirstOrDefault(t => t.Id == id) ?? Threads[0];

    /// <summary>
    /// Answers and repairs that bear on a thread: its own; those of other threads that speak of the whole machine; and those
    /// about one slot when both threads are about that slot.
    /// </summary>
    /// <param name="book">The fault book, for what speaks of one slot only.</param>
    /// <param name="thread">The thread.</param>
    public IReadOnlyList<CaseEvent> TimelineOf(FaultBook book, CaseThread thread) =>
        Threads.Count == 1 ? Timeline : [.. Timeline.Where(e => BearsOn(book, e.Thread, IdOf(e), thread))];

    /// <summary>The case of a thread as written conditions see it.</summary>
    /// <param name="book">The fault book.</param>
    /// <param name="model">The machine's model.</param>
    /// <param name="today">The date, for the warranty.</param>
    /// <param name="thread">The thread.</param>
    /// <param name="shop">What holds for the whole shop.</param>
    /// <param name="counts">What the shop's closed jobs of such a case turned out to be.</param>
    public Facts FactsFor(FaultBook book, MachineModel model, DateOnly today, CaseThread thread, ShopState shop, ShopCounts counts) =>
        new()
        {
            Model = model,
            Context = CaseContext.Of(Intake, today, thread.Complaint),
            Answers = Answers
                .Where(a => BearsOn(book, a.Body.Thread, a.Body.Finding, thread))
                .GroupBy(a => a.Body.Finding)
                .ToDictionary(g => g.Key, g => g.Last().Body.Outcome),
            Done = [.. Work.Where(w => BearsOn(book, w.Thread, w.Repair, thread)).Select(w => w.Tags)],
            Tray = Tray,
            CounterPct = CounterPct,
            Consents = Consents,
            Schools = School.Followed(book.Schools, shop.Schools, Schools),
            Spent = (Minutes / 60 * book.House.BenchPerHour) + (double)Parts,
            Limit = (double?)Intake.Limit,
            PartsMissing = shop.PartsMissing,
            Counts = counts,
        };

    private bool BearsOn(FaultBook book, int from, string step, CaseThread thread)
    {
        if (from == thread.Id)
            return true;
        if (book.Step(step) is not { } known)
            return false;
        return !known.PerPlace || (thread.Slot > 0 && Thread(from).Slot == thread.Slot);
    }

    private static string IdOf(CaseEvent happened) =>
        happened switch
        {
            CaseEvent.Told told => told.Finding,
            CaseEvent.Worked worked => worked.Repair,
            _ => "",
        };

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
