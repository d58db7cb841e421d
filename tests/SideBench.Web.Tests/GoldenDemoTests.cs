using System.IO.Compression;
using System.Text.Json.Nodes;
using Npgsql;
using SideBench.Data.Tests;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>A demo shop as an earlier version wrote it: it opens, and every page of it shows the same.</summary>
public class GoldenDemoTests
{
    private static readonly DateTimeOffset WrittenAt = new(2026, 11, 2, 9, 0, 0, TimeSpan.Zero);

    // What the packs say of a job today, odds and advice and guides, follows the packs; what is on record does not.
    private static readonly HashSet<string> OfThePacks =
    [
        "stations",
        "evidence",
        "advice",
        "held",
        "endable",
        "unknownRatio",
        "fixedRatio",
        "schools",
        "codes",
        "guides",
        "askedFor",
        "notTheFault",
        "kind",
        "next",
        "models",
        "complaints",
        "feed",
        "cautions",
        "parts",
        "detail",
        "text",
    ];

    [Fact]
    public async Task OldShop_Opens_AndEveryPageShowsTheSame()
    {
        await using var database = await Restored();
        var pages = (JsonObject)JsonNode.Parse(await Unpacked("pages.json.gz"))!;
        var now = pages["/api/board"]!["now"]!.GetValue<DateTimeOffset>();
        await using var app = await BenchServer.Run(database.Connection, clock: new StillClock(now));
        var browser = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var differ = new List<string>();
        foreach (var (path, was) in pages)
        {
            var (_, body) = await browser.Get(path);
            Compare(path, was, JsonNode.Parse(body.GetRawText()), differ);
        }

        Assert.True(differ.Count == 0, string.Join("\n", differ.Take(40)));
        foreach (var query in SanityTests.Queries())
            await SanityTests.FindsNothing(database.Connection, query);
        // Lines of before the lives were kept have got theirs, as their kinds say.
        await LivesTests.Holds(database.Connection, app.Services, exactly: true);
        Assert.True(now > WrittenAt && pages.Count > 100);
    }

    // Everything that was there is there, with the same value; what came since may stand beside it.
    private static void Compare(string at, JsonNode? was, JsonNode? now, List<string> differ)
    {
        if (was is JsonObject old && now is JsonObject young)
            foreach (var (name, value) in old.Where(o => !OfThePacks.Contains(o.Key)))
            {
                if (young.TryGetPropertyValue(name, out var found))
                    Compare($"{at} {name}", value, found, differ);
                else
                    differ.Add($"{at} {name}: gone");
            }
        else if (was is JsonArray all && now is JsonArray each && all.Count == each.Count)
            for (var i = 0; i < all.Count; i++)
                Compare($"{at} {i}", all[i], each[i], differ);
        else if (!JsonNode.DeepEquals(was, now))
            differ.Add($"{at}: was {was?.ToJsonString()}, is {now?.ToJsonString()}");
    }

    private static async Task<ScratchDatabase> Restored()
    {
        var database = new ScratchDatabase { IsEmpty = true };
        await database.InitializeAsync();
        // The dump's own restrictions are words of the command line tool, not of SQL.
        var sql = string.Join('\n', (await Unpacked("demo.sql.gz")).Split('\n').Where(l => !l.StartsWith('\\')));
        await using (var connection = await database.Source.OpenConnectionAsync())
        await using (var restore = new NpgsqlCommand(sql, connection) { CommandTimeout = 120 })
            await restore.ExecuteNonQueryAsync();
        NpgsqlConnection.ClearPool(new NpgsqlConnection(database.Connection));
        Data.Migrator.Run(database.Connection);
        return database;
    }

    private static async Task<string> Unpacked(string file)
    {
        await using var packed = File.OpenRead(Path.Combine(BenchServer.Root(), "tests", "cases", "record", file));
        using var text = new StreamReader(new GZipStream(packed, CompressionMode.Decompress));
        return await text.ReadToEndAsync();
    }
}

/// <summary>A clock that stands.</summary>
public sealed class StillClock(DateTimeOffset at) : TimeProvider
{
    public override TimeZoneInfo LocalTimeZone => TimeZoneInfo.Utc;

    public override DateTimeOffset GetUtcNow() => at;
}
