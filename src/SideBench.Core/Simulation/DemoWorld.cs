using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Simulation.Printer;

namespace SideBench.Core.Simulation;

/// <summary>A made-up customer.</summary>
public sealed record DemoCustomer(string Name, string Contact);

/// <summary>A made-up machine; its customer by index.</summary>
public sealed record DemoMachine(MachineModel Model, string Serial, int Customer);

/// <summary>A made-up job; its machine by index.</summary>
public sealed record DemoJob(int Machine, IReadOnlyList<Entry> Entries);

/// <summary>The harbour town of Fennmouth: about forty machines and two years of their records, told relative to now.</summary>
public sealed class DemoWorld
{
    /// <summary>Who works at the shop, by person number from 1.</summary>
    public static readonly IReadOnlyList<(string Name, Role Role)> People =
    [
        ("Ines Varga", Role.Owner),
        ("Tom Adeyemi-Rowe", Role.Technician),
        ("Mika Sund", Role.Counter),
    ];

    /// <summary>How far back the record goes, days.</summary>
    public const int TwoYears = 730;

    private const int MachineCount = 40;
    private const decimal DearPiece = 40;

    private static readonly IReadOnlyList<(string Name, string Seller, double Fails)> Lots =
    [
        ("K2-118", "Alder Supplies", 0.04),
        ("M7-301", "Harbour Ink", 0.6),
        ("P1-044", "Alder Supplies", 0.04),
    ];

    private static readonly IReadOnlyList<DemoCustomer> Known =
    [
        new("Harbour Office", "desk 2, ring twice"),
        new("Kite Loft", "loft@kite.example"),
        new("Seed Library", "reading room"),
        new("Lantern Museum", "night desk"),
        new("Ferry Café", "counter"),
        new("Tide Press", "studio@tide.example"),
        new("Orla Quill", "02 555 0117"),
        new("Bram Otter", "02 555 0142"),
        new("Wren Halloway", "02 555 0160"),
        new("Fennmouth School", "office"),
        new("Sal Marsh", "02 555 0188"),
    ];

    private readonly FaultBook book;
    private readonly IReadOnlyList<MachineModel> models;
    private readonly IReadOnlyDictionary<string, AccessGraph> graphs;
    private readonly Dictionary<(string, string), CaseBook> books = [];
    private readonly Dictionary<int, MachineCase> stands = [];
    private readonly Random chance;
    private readonly Random lots;
    private readonly Dictionary<(int Machine, int Slot), int> lotsIn = [];
    private readonly int days;
    private readonly DateTimeOffset now;

    /// <summary>Prepares a world.</summary>
    /// <param name="book">The fault book.</param>
    /// <param name="models">The machine models.</param>
    /// <param name="seed">The same seed and time give the same world.</param>
    /// <param name="now">The time it is told relative to.</param>
    /// <param name="numbers">The house numbers it is made up with.</param>
    /// <param name="days">How far back the record goes, days.</param>
    /// <param name="graphs">How models open, by model; null for a record without openings.</param>
    public DemoWorld(
        FaultBook book,
        IEnumerable<MachineModel> models,
        int seed,
        DateTimeOffset now,
        DemoNumbers numbers,
        int days = TwoYears,
        IReadOnlyDictionary<string, AccessGraph>? graphs = null
    )
    {
        Numbers = numbers;
        this.graphs = graphs ?? new Dictionary<string, AccessGraph>();
        this.days = days;
        this.book = book;
        this.models = [.. models.OrderBy(m => m.Id, StringComparer.Ordinal)];
        this.now = now;
        lots = new Random(seed + 1);
        chance = new Random(seed);
        Machines = [.. Enumerable.Range(0, MachineCount).Select(NewMachine)];
    }

    internal DemoNumbers Numbers { get; }

    /// <summary>The customers.</summary>
    public IReadOnlyList<DemoCustomer> Customers => Known;

    /// <summary>The machines.</summary>
    public IReadOnlyList<DemoMachine> Machines { get; }

    /// <summary>Visits that are over, oldest first.</summary>
    public IReadOnlyList<DemoJob> Past()
    {
        var jobs = new List<DemoJob>();
        for (var m = 0; m < Machines.Count; m++)
        for (var day = days - chance.Next(240); day > 12; day -= 90 + chance.Next(260))
            jobs.Add(Visit(m, day));
        return [.. jobs.OrderBy(j => j.Entries[0].At)];
    }

    /// <summary>The six machines on the bench now.</summary>
    public IReadOnlyList<DemoJob> Present() => DemoBench.Jobs(this, book, now);

    private readonly DemoStores stores = new();

    internal CaseBook BookFor(string model, string complaint)
    {
        if (!books.TryGetValue((model, complaint), out var found))
            books[(model, complaint)] = found = CaseBook.Of(
                book,
                models.First(m => m.Id == model),
                book.Complaints.First(c => c.Id == complaint)
            );
        return found;
    }

    /// <summary>A machine as the visits made up so far left it.</summary>
    internal MachineCase StandOf(int machine) => stands.GetValueOrDefault(machine, MachineCase.New);

    /// <summary>A printer of a model with faults: the cause and the slot of each, 0 for any.</summary>
    internal SimulatedPrinter PrinterWith(MachineModel model, int seed, params IEnumerable<(string Cause, int Slot)> faults)
    {
        var printer = new SimulatedPrinter(Numbers.Printers, book, model, new Random(seed));
        foreach (var (cause, slot) in faults)
            printer.FallIll(book.Causes.First(c => c.Id == cause), slot);
        return printer;
    }

    internal AccessGraph? GraphOf(string model) => graphs.GetValueOrDefault(model);

    internal static (PersonId, string) Person(int number) => (new PersonId(number), People[number - 1].Name);

    private DemoMachine NewMachine(int index)
    {
        var model = models[index % models.Count];
        var letters = string.Concat(model.Id.Split('-').Select(p => p[0])).ToUpperInvariant();
        return new DemoMachine(
            model,
            $"{letters}-{chance.Next(10, 99)}{chance.Next(1000, 9999)}",
            index < 6 ? index : chance.Next(Known.Count)
        );
    }

    private DemoJob Visit(int machine, int daysAgo)
    {
        var model = Machines[machine].Model;
        var complaint = book.Faults[chance.Next(book.Faults.Count)];
        var caseBook = BookFor(model.Id, complaint.Id);
        var at = Workday(now.AddDays(-daysAgo));
        var refilled = complaint.Id == "blank-channel";
        var intake = new TakenIn(
            machine + 1,
            Machines[machine].Customer + 1,
            model.Id,
            complaint.Id,
            complaint.Says,
            "",
            chance.Next(4),
            refilled ? "refilled"
                : chance.Next(3) == 0 ? "compatible"
                : "maker",
            complaint.Id == "missing-after-idle" ? chance.Next(3, 20) : chance.Next(3),
            chance.Next(5) == 0,
            "plain",
            chance.Next(6) == 0,
            null,
            null,
            at.AddDays(3),
            ""
        );
        var person = Person(1 + chance.Next(2));
        var printer = SimulatedPrinter.Drawn(Numbers.Printers, caseBook, Begun(intake).Case.Facts, chance);
        var script = Begun(printer.Panel(complaint.Id) is { } code ? intake with { Words = $"{complaint.Says} ({code.Code})" } : intake);
        Fitted(script, model, machine);
        stores.Looked(script, machine, complaint.Id);
        PastVisit.Work(script, printer, Known[Machines[machine].Customer].Name, chance);
        stands[machine] = MachineCase.Of(script.Entries, script.Machine);
        return new DemoJob(machine, script.Entries);

        JobScript Begun(TakenIn told) =>
            new(caseBook, told, 0, person, at)
            {
                Graph = GraphOf(model.Id),
                Numbers = Numbers,
                Machine = StandOf(machine),
            };
    }

    // Machines that run on refillables come with them filled to full, each time.
    private void Fitted(JobScript script, MachineModel model, int machine)
    {
        if (model.Cartridges.FirstOrDefault(c => c is { IsFilled: true, IsDummy: false, Chip: "board" or "auto" }) is { } type)
            foreach (var slot in type.Slots)
                script.Ink(i => i.Fit(new FittedPiece(slot, type.Id, null, null, null, null, null, null, null, false)));
        else if (model.Cartridges.FirstOrDefault(c => c is { Source: "maker", Price: > 0 and < DearPiece }) is { } bought)
            script.Ink(i => i.Fit(Piece(machine, bought.Slots[lots.Next(bought.Slots.Count)], bought)));
    }

    // Bought pieces come of a few lots, one of which often fails.
    private FittedPiece Piece(int machine, int slot, CartridgeType type)
    {
        var lot = lots.Next(Lots.Count);
        var before = lotsIn.TryGetValue((machine, slot), out var last) ? last : -1;
        lotsIn[(machine, slot)] = lot;
        var became =
            before < 0 ? ""
            : lots.NextDouble() < Lots[before].Fails ? "exchanged"
            : "empty, and thrown away";
        return new FittedPiece(slot, type.Id, null, null, null, Lots[lot].Name, Lots[lot].Seller, null, became, false);
    }

    private DateTimeOffset Workday(DateTimeOffset day)
    {
        while (day.DayOfWeek is DayOfWeek.Saturday or DayOfWeek.Sunday)
            day = day.AddDays(-1);
        return new DateTimeOffset(day.Date, TimeSpan.Zero).AddHours(8).AddMinutes(chance.Next(300));
    }
}
