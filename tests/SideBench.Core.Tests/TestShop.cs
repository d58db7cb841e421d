using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Record;
using SideBench.Core.Simulation;
using SideBench.Core.StripDown;
using SideBench.Core.Waste;
using SideBench.Packs;

namespace SideBench.Core.Tests;

/// <summary>The shop's own packs, and jobs on them, for tests.</summary>
internal static class TestShop
{
    public static readonly DateTimeOffset Now = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private static readonly Lazy<Shop> Loaded = new(() => PackReader.Read(PackFolder.Read(Path.Combine(Root(), "packs")).Value).Value);

    public static Shop Shop => Loaded.Value;

    public static SheetNumbers Sheets => Shop.Numbers.Of<SheetNumbers>();

    public static DemoNumbers Numbers =>
        new(Handling, Sheets.Pattern, Shop.Printers, Shop.Numbers.Of<InkNumbers>(), Shop.Numbers.Of<WasteNumbers>());

    public static Handling Handling => Shop.Numbers.Of<Handling>();

    public static CaseBook Book(string model, string complaint) =>
        CaseBook.Of(Shop.Book, Shop.Models[model], Shop.Book.Complaints.First(c => c.Id == complaint));

    public static TakenIn Intake(
        string model,
        string complaint,
        string ink = "maker",
        int idleWeeks = 0,
        bool moved = false,
        DateOnly? warranty = null
    ) =>
        new(
            1,
            1,
            model,
            complaint,
            "first sheet is fine, the second fades",
            "",
            0,
            ink,
            idleWeeks,
            moved,
            "plain",
            false,
            warranty,
            null,
            null,
            ""
        );

    public static List<Entry> Opened(TakenIn intake) => [Line(1, intake)];

    public static Entry Line(int version, EntryBody body) =>
        new(new EntryId(version), new JobId(1), version, new PersonId(1), "Ines Varga", Now.AddMinutes(version), body);

    public static JobCase Case(IReadOnlyList<Entry> entries, ShopState? shop = null, IEnumerable<Fact>? known = null)
    {
        var state = HouseCrafts.Fold(entries);
        var model = AsItStands.Of(Shop.Models[state.Intake.ModelId], AsItStands.ChangesOf(Shop.Changes, state.Machine));
        var book = CaseBook.Of(Shop.Book, model, Shop.Book.Complaints.First(c => c.Id == state.Intake.Complaint));
        return new JobCase(book, state, DateOnly.FromDateTime(Now.UtcDateTime), 0, shop, null, known);
    }

    /// <summary>Adds lines; ids for tray and clocks count up.</summary>
    public static void Add(List<Entry> entries, Outcomes.Outcome<IReadOnlyList<EntryBody>> lines)
    {
        foreach (var body in lines.Value)
            entries.Add(Line(entries.Count + 1, body));
    }

    public static void Answer(List<Entry> entries, string finding, string outcome, double? quantity = null) =>
        Add(entries, BenchWork.Answer(Case(entries), finding, outcome, quantity, Ids(entries)));

    public static void Mend(List<Entry> entries, string repair) =>
        Add(entries, BenchWork.Mend(Case(entries), repair, null, "", Ids(entries)));

    public static void ClearTray(List<Entry> entries)
    {
        if (HouseCrafts.Fold(entries).Tray is { Count: > 0 } tray)
            Add(entries, OpeningWork.Clear(HouseCrafts.Fold(entries), [.. tray.Select(i => i.Id)]));
    }

    public static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "SideBench.slnx")))
            folder = folder.Parent;
        return folder?.FullName ?? throw new InvalidOperationException("the project's root was not found");
    }

    private static Func<string> Ids(List<Entry> entries)
    {
        var n = 0;
        return () => $"{entries.Count}-{++n}";
    }
}
