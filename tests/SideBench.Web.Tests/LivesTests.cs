using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Data.Record;
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
        var record = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("entries").EnumerateArray().ToList();
        var second = record.Single(e => e.GetProperty("says").GetString()!.Contains("q-2", StringComparison.Ordinal));
        var taken = new { entry = second.GetProperty("id").GetInt64(), reason = "the other shelf" };
        await Post(browser, $"/api/jobs/{job}/corrections", await Version(browser, job), taken);
        await Holds(server.Connection, server.Services);
        var boxes = (await browser.Get("/api/waste")).Body.GetProperty("boxes").EnumerateArray().ToList();
        var box = Assert.Single(boxes, b => b.GetProperty("tag").GetString()!.StartsWith("q-", StringComparison.OrdinalIgnoreCase));
        Assert.Equal("Q-1", box.GetProperty("tag").GetString());
        Assert.Equal(4, box.GetProperty("life").GetArrayLength());
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
        Assert.True(said.Count > 20, $"{said.Count}");
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
