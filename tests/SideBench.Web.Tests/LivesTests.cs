using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using SideBench.Data.Bulk;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Data.Search;
using SideBench.Data.Tests;
using Xunit;
using static SideBench.Web.Tests.WasteCalls;

namespace SideBench.Web.Tests;

/// <summary>Lives of boxes, pieces, inks, lots and parts of the shop: what the database keeps of them is what their lines say.</summary>
public class LivesTests(BenchServer server) : IClassFixture<BenchServer>
{
    private const string SixTank = "pellow-six-tank";

    [Fact]
    public async Task EveryLine_IsAboutWhatItsKindSays_AlsoAfterABoxWasTakenBack()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, SixTank);
        await Write(browser, job, "told", new { what = "renewed", box = "Q-1" });
        await Write(browser, job, "told", new { what = "weighed", amount = 150.0 });
        await Write(browser, job, "told", new { what = "renewed", box = "q-2" });
        await Write(browser, job, "told", new { what = "weighed", amount = 120.0 });
        await Holds(server.Connection, server.Services);
        Assert.Equal(2, await Lines(server.Connection, "store:Q-2"));
        // The second box was never in: what was weighed after it was the first one.
        await TakeBack(browser, job, "q-2");
        await Holds(server.Connection, server.Services);
        var boxes = (await browser.Get("/api/waste")).Body.GetProperty("boxes").EnumerateArray().ToList();
        var box = Assert.Single(boxes, b => b.GetProperty("tag").GetString()!.StartsWith("q-", StringComparison.OrdinalIgnoreCase));
        Assert.Equal("Q-1", box.GetProperty("tag").GetString());
        Assert.Contains("120", box.GetProperty("life").EnumerateArray().First().ToString(), StringComparison.Ordinal);
        // Taken back itself, it stands in no life, nor in that of the box that was never in.
        await TakeBack(browser, job, "120");
        var lives = server.Services.GetRequiredService<Lives>();
        var both = await lives.Of([Subject.Store("q-1"), Subject.Store("q-2")], CancellationToken.None);
        Assert.DoesNotContain(both.SelectMany(l => l.Lines), l => l.Entry.Body is StoreTold { Amount: 120 });
        Assert.Contains(both.SelectMany(l => l.Lines), l => l.Entry.Body is StoreTold { Amount: 150 });
    }

    private static async Task TakeBack(Browser browser, long job, string saying)
    {
        var record = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("entries").EnumerateArray();
        var line = record.Single(e => e.GetProperty("says").GetString()!.Contains(saying, StringComparison.Ordinal));
        var taken = new { entry = line.GetProperty("id").GetInt64(), reason = "the other shelf" };
        await Post(browser, $"/api/jobs/{job}/corrections", await Version(browser, job), taken);
    }

    [Fact]
    public async Task RandomLives_AreNumberedByTheMigration_AsCodeFindsThem()
    {
        const int machines = 25;
        var dice = new Random(20260302);
        await using var made = new ScratchDatabase();
        await made.InitializeAsync();
        await using (var to = await made.Source.OpenConnectionAsync())
        {
            var kite = new CustomerRow(new CustomerId(1), "Kite Loft", "");
            await BulkLoad.People(to, [new PersonRow(new PersonId(1), "Ines Varga", Role.Owner, "x", null)], Then, CancellationToken.None);
            await BulkLoad.Machines(
                to,
                [kite],
                [.. Enumerable.Range(1, machines).Select(m => new MachineRow(new MachineId(m), SixTank, $"S-{m}", kite.Id, kite.Name, ""))],
                CancellationToken.None
            );
            await BulkLoad.Jobs(to, [.. Enumerable.Range(1, machines).Select(m => Job(m, dice))], Guid.NewGuid, CancellationToken.None);
            await BulkLoad.Finish(to, [(new Find("customer", 1, kite.Name, ""), kite.Name, 2)], CancellationToken.None);
        }

        await Holds(made.Connection, server.Services, exactly: true);
        Assert.True(await Lines(made.Connection, "store:A-1") > machines);
    }

    private static readonly DateTimeOffset Then = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private const int LinesOfAJob = 40;

    private static BulkJob Job(int machine, Random dice)
    {
        T One<T>(params T[] of) => of[dice.Next(of.Length)];
        string[] tags = ["", "", "A-1", " a-1", "B-2", "é-3"];
        List<EntryBody> bodies =
        [
            new TakenIn(machine, 1, SixTank, "stopped", "It stops.", "", 0, "maker", 0, false, "plain", false, null, null, null, ""),
        ];
        while (bodies.Count < LinesOfAJob)
            bodies.Add(
                dice.Next(6) switch
                {
                    0 or 1 => new StoreTold(One("renewed", "weighed", "box-in", "trial", "counter-read"), 50, One(tags), "", 1, 0),
                    2 => new CounterReset("full", 90, One(0.0, 90), null, "", "", 1),
                    3 => new SlotFitted(One(1, 2), "maker", "Maker’s", 9, null, "", One("", "L7", "l7 ", "L8"), "", null, "", 0),
                    4 => new SlotsFilled([new(One(1, 2, 3), 5)], 1, 0),
                    // A line is named by its number; those of the jobs before come first.
                    _ => new Corrected(((machine - 1) * LinesOfAJob) + 1 + dice.Next(1, bodies.Count + 1), "told wrongly"),
                }
            );
        return new BulkJob(
            new JobId(machine),
            500 + machine,
            [.. bodies.Select((b, i) => new Entry(new EntryId(i + 1), null, i + 1, new PersonId(1), "Ines Varga", Then, b))],
            new JobProjection(bodies.Count, 0, "hands", "", null, null, Then, "verified", Then)
        );
    }

    /// <summary>All lines are folded by code, and give what stands in the database of what they are about.</summary>
    internal static async Task Holds(string connection, IServiceProvider of, bool exactly = false)
    {
        await using var database = NpgsqlDataSource.Create(connection);
        var crafts = of.GetRequiredService<Crafts>();
        var lines = new List<Entry>();
        await foreach (var line in new EntryStore(database, new EntryCodec(crafts)).All(CancellationToken.None))
            lines.Add(line);
        var machines = await Machines(database);
        var said = lines
            .Where(l => machines.Of.ContainsKey(l.Id.Value))
            .GroupBy(l => machines.Of[l.Id.Value])
            .SelectMany(g => TouchedSubjects.Of(g.Key, machines.Models[g.Key], [.. g]))
            .Concat(TouchedSubjects.OfShop([.. lines.Where(l => l.Job is null && !machines.Of.ContainsKey(l.Id.Value))]))
            .SelectMany(t => t.Subjects, (t, s) => $"{s} {t.Line.Id.Value}")
            .ToHashSet();
        var kept = await Texts(
            database,
            "SELECT subject || ' ' || entry_id FROM touches WHERE subject <> 'shop:0' AND subject NOT LIKE 'machine:%'"
        );
        // The record may name more than a line is about, where what stood before it was taken back; never less.
        Assert.Empty(said.Except(kept));
        if (exactly)
            Assert.Empty(kept.Except(said));
        Assert.NotEmpty(said);
        var odd = await Texts(
            database,
            """
            SELECT s.subject
            FROM subjects s
            LEFT JOIN touches t ON t.subject = s.subject
            GROUP BY s.subject, s.version
            HAVING s.version <> count(t.entry_id)
                OR s.version <> coalesce(max(t.version), 0)
                OR count(DISTINCT t.entry_id) <> count(t.entry_id)
            """
        );
        Assert.Empty(odd);
    }

    private static async Task<(Dictionary<long, long> Of, Dictionary<long, string> Models)> Machines(NpgsqlDataSource database)
    {
        var (of, models) = (new Dictionary<long, long>(), new Dictionary<long, string>());
        await using var command = database.CreateCommand(
            "SELECT e.entry_id, m.machine_id, m.model_id FROM entries e JOIN machines m ON m.machine_id = e.machine_id"
        );
        await using var rows = await command.ExecuteReaderAsync();
        while (await rows.ReadAsync())
            (of[rows.GetInt64(0)], models[rows.GetInt64(1)]) = (rows.GetInt64(1), rows.GetString(2));
        return (of, models);
    }

    private static async Task<List<string>> Texts(NpgsqlDataSource database, string sql)
    {
        await using var command = database.CreateCommand(sql);
        await using var rows = await command.ExecuteReaderAsync();
        var all = new List<string>();
        while (await rows.ReadAsync())
            all.Add(rows.GetString(0));
        return all;
    }

    private static async Task<int> Lines(string connection, string subject)
    {
        await using var database = NpgsqlDataSource.Create(connection);
        return (await Texts(database, $"SELECT entry_id::text FROM touches WHERE subject = '{subject}'")).Count;
    }
}
