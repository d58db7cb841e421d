using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Packs.Tests;

public class PackReaderTests
{
    private static readonly Lazy<IReadOnlyList<PackFile>> House = new(() => PackFolder.Read(Path.Combine(Root(), "packs")).Value);

    [Fact]
    public void HousePacks_Load_WithNineModelsAndAFullBook()
    {
        var shop = PackReader.Read(House.Value).Value;
        Assert.Equal(9, shop.Models.Count);
        Assert.Equal(14, shop.Book.Complaints.Count);
        Assert.True(shop.Book.Causes.Count >= 90 && shop.Book.Findings.Count >= 80 && shop.Book.Repairs.Count >= 70);
        Assert.All(shop.Book.Findings, f => Assert.All(f.Rows.Select(r => r.Why).Append(f.OtherwiseWhy), Assert.NotEmpty));
        Assert.All(shop.Book.Complaints, c => Assert.Contains(shop.Book.Checklists, l => l.Complaint == c.Id));
        Assert.All(shop.Book.Schools, s => Assert.Single(s.Options, o => o.Default));
        Assert.All(shop.Book.Findings, f => Assert.All(f.Rows, r => Assert.Equal(1, r.Probabilities.Sum(), 9)));
        // The strip over the bench has room for so many letters, of a step and of a wait.
        var steps = shop.Book.Findings.Cast<BookStep>().Concat(shop.Book.Repairs).ToList();
        Assert.All(steps, s => Assert.True(s.Short.Length <= 18 && ((s as Repair)?.Wait?.Label ?? "").Length <= 18, s.Id));
    }

    [Fact]
    public void EveryCause_CanBeEndedByARepair()
    {
        var book = PackReader.Read(House.Value).Value.Book;
        var ended = book.Repairs.SelectMany(r => r.Fixes).Select(f => f.Cause).ToHashSet();
        Assert.Empty(book.Causes.Select(c => c.Id).Except(ended));
    }

    [Fact]
    public void EveryCodeOfAModel_GoesWithAKnownComplaint()
    {
        var shop = PackReader.Read(House.Value).Value;
        var known = shop.Book.Complaints.Select(c => c.Id).Append("").ToHashSet();
        Assert.All(shop.Models.Values.SelectMany(m => m.Codes), c => Assert.Contains(c.Complaint, known));
    }

    [Theory]
    [InlineData("{ \"causes\": [ ", "pack-not-json", "shop/book/extra.json")]
    [InlineData("{ \"causes\": [ { \"id\": \"x\" } ] }", "pack-not-in-schema", "shop/book/extra.json#/causes/0")]
    [InlineData(Free, "pack-not-in-schema", "shop/book/extra.json#/findings/0/minutes")]
    [InlineData(UnknownCause, "pack-unknown-name", "shop/book/extra.json#/findings/0/rows/0/for/0")]
    [InlineData(UnknownFirst, "pack-unknown-name", "shop/book/extra.json#/complaints/0/first")]
    [InlineData(ImpossibleOdds, "pack-impossible-odds", "shop/book/extra.json#/findings/0/otherwise")]
    [InlineData(DefinedTwice, "pack-defined-twice", "shop/book/extra.json#/causes/0/id")]
    public void BrokenShopPack_IsRefused_AndTheProblemIsPlaced(string json, string code, string path)
    {
        var outcome = PackReader.Read([.. House.Value, new PackFile("shop/book/extra.json", PackFileKind.FaultBook, json)]);
        Assert.Contains(outcome.Problems, p => p.Code.Id == code && p.Path == path);
    }

    [Theory]
    [InlineData("moon", true)]
    [InlineData("drain", true)] // on another path
    [InlineData("store", false)]
    public void StationThatAChangeAdds_StandsBeforeOneOfItsPath(string before, bool refused)
    {
        var json = $$"""
            { "changes": [ { "id": "filter", "name": "Filter", "says": "A filter.", "undo": "Out.",
              "stations": [ { "id": "filter", "name": "Filter", "path": "ink", "before": "{{before}}" } ], "models": ["marram-duo"] } ] }
            """;
        var read = PackReader.Read([.. House.Value, new PackFile("x.json", PackFileKind.Changes, json)]);
        Assert.Equal(refused, read.Problems.Any(p => p.Path == "x.json#/changes/filter/stations/filter/before"));
    }

    [Theory]
    [InlineData("\"groups\": [[1], [2, 3, 4]]", "\"groups\": [[1, 2], [2, 3]]", "groups", 2)] // one twice, one never
    [InlineData("\"from\": 60, \"to\": 480", "\"from\": 600, \"to\": 480", "soak/to", 1)]
    public void HeadThatCannotBe_IsRefused(string was, string now, string place, int problems)
    {
        var quartet = House.Value.First(f =>
            f.Path.EndsWith("marram-quartet-a4.json", StringComparison.Ordinal) && f.Kind == PackFileKind.MachineModel
        );
        Assert.Contains(was, quartet.Text, StringComparison.Ordinal);
        var read = PackReader.Read([.. House.Value.Where(f => f != quartet), quartet with { Text = quartet.Text.Replace(was, now) }]);
        Assert.Equal(problems, read.Problems.Count(p => p.Path.EndsWith($"#/headCare/{place}", StringComparison.Ordinal)));
    }

    [Theory]
    [InlineData("\"baffled\", \"chip\": \"auto\"", "\"baffled\", \"chip\": \"auto\", \"slots\": [1, 9]", "1/slots")]
    [InlineData("\"fillMl\": 26, \"reserveMl\": 1", "\"fillMl\": 26, \"reserveMl\": 30", "1/reserveMl")]
    [InlineData("\"TF-3K\", \"TF-3C\"", "\"TF-3K\"", "0/numbers/coast")] // five numbers for six slots
    public void CartridgeThatCannotBe_IsRefusedInItsPlace(string was, string now, string place)
    {
        var folio = House.Value.First(f =>
            f.Path.EndsWith("tolling-folio-3.json", StringComparison.Ordinal) && f.Kind == PackFileKind.MachineModel
        );
        Assert.Contains(was, folio.Text, StringComparison.Ordinal);
        var read = PackReader.Read([.. House.Value.Where(f => f != folio), folio with { Text = folio.Text.Replace(was, now) }]);
        Assert.EndsWith($"#/cartridges/{place}", Assert.Single(read.Problems).Path, StringComparison.Ordinal);
    }

    [Fact]
    public void EverySlotOfTheHouse_HasSomethingThatFitsIt_AndNumbersOfAModelAreItsOwn()
    {
        var models = PackReader.Read(House.Value).Value.Models.Values;
        Assert.All(models, m => Assert.All(m.Slots, s => Assert.Contains(m.Cartridges, c => c.Slots.Contains(s.Panel))));
        var numbers = models.SelectMany(m => m.Cartridges).SelectMany(c => c.Numbers.Values).SelectMany(n => n).ToList();
        Assert.True(numbers.Count > 80);
        Assert.Equal(numbers.Count, numbers.Distinct().Count());
    }

    [Fact]
    public void BrokenFiles_AreAllNamed_NotJustTheFirst()
    {
        var outcome = PackReader.Read([
            .. House.Value,
            new PackFile("a.json", PackFileKind.FaultBook, "{"),
            new PackFile("b.json", PackFileKind.MachineModel, "[]"),
            new PackFile("c.json", PackFileKind.Card, "nope"),
        ]);
        Assert.Superset(new HashSet<string> { "a.json", "c.json" }, outcome.Problems.Select(p => p.Path).ToHashSet());
        Assert.Contains(outcome.Problems, p => p.Path.StartsWith("b.json", StringComparison.Ordinal));
    }

    [Fact]
    public void ShopPack_AddsToOurs()
    {
        var folder = Directory.CreateTempSubdirectory().FullName;
        Directory.CreateDirectory(Path.Combine(folder, "ours", "book"));
        File.WriteAllText(Path.Combine(folder, "ours", "pack.json"), """{ "id": "ours", "name": "Ours", "version": 1, "format": 1 }""");
        File.WriteAllText(
            Path.Combine(folder, "ours", "book", "causes.json"),
            """
            { "causes": [ { "id": "salt-air", "name": "Salt in the vent", "station": "vent",
              "rate": "rare", "complaints": { "fades-under-load": "mostly" } } ] }
            """
        );
        var shop = PackReader.Read(PackFolder.Read(Path.Combine(Root(), "packs"), folder).Value).Value;
        Assert.Contains(shop.Book.Causes, c => c.Id == "salt-air");
        Directory.Delete(folder, recursive: true);
    }

    private const string Finding = """
        { "findings": [ { "id": "x", "name": "X", "station": "vent", "kind": "look", "minutes": 1,
          "outcomes": [ { "id": "a", "label": "A", "says": "a" }, { "id": "b", "label": "B", "says": "b" } ],
        """;

    // What costs nothing would be worth everything.
    private const string Free = """
        { "findings": [ { "id": "x", "name": "X", "station": "vent", "kind": "look", "minutes": 0, "rows": [], "otherwiseWhy": "w",
          "outcomes": [ { "id": "a", "label": "A", "says": "a" }, { "id": "b", "label": "B", "says": "b" } ],
          "otherwise": { "a": "even" }, "sound": { "a": "even" } } ] }
        """;

    private const string UnknownCause =
        Finding
        + """
              "rows": [ { "for": ["no-such-cause"], "odds": { "a": "mostly" }, "why": "w" } ],
              "otherwiseWhy": "w", "otherwise": { "a": "even" }, "sound": { "a": "even" } } ] }
            """;

    private const string UnknownFirst = """
        { "complaints": [ { "id": "hums", "name": "Hums", "says": "It hums.", "proof": "full-pages", "first": "no-such-finding" } ] }
        """;

    private const string ImpossibleOdds =
        Finding
        + """
              "rows": [], "otherwiseWhy": "w", "otherwise": { "a": "nearly-always", "b": "mostly" }, "sound": { "a": "even" } } ] }
            """;

    private const string DefinedTwice = """
        { "causes": [ { "id": "vent-blocked", "name": "again", "station": "vent",
              "rate": "rare", "complaints": { "fades-under-load": "often" } } ] }
        """;

    internal static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "SideBench.slnx")))
            folder = folder.Parent;
        return folder!.FullName;
    }
}
