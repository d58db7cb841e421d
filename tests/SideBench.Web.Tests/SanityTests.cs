using System.Net;
using System.Text.Json;
using Npgsql;
using Xunit;

namespace SideBench.Web.Tests;

public class SanityTests(BenchServer server) : IClassFixture<BenchServer>
{
    public static TheoryData<string> Queries() =>
        [
            .. Directory
                .GetFiles(Path.Combine(BenchServer.Root(), "tests", "SideBench.Web.Tests", "Sanity"), "*.sql")
                .Select(Path.GetFileName)
                .OfType<string>(),
        ];

    [Theory]
    [MemberData(nameof(Queries))]
    public async Task AfterADayAtTheBench_NoRowIsOutOfOrder(string query)
    {
        await WorkAJobToItsEnd(await server.Open());
        await FindsNothing(server.Connection, query);
    }

    /// <summary>A question that only finds what is out of order finds nothing.</summary>
    internal static async Task FindsNothing(string connection, string query)
    {
        await using var database = NpgsqlDataSource.Create(connection);
        await using var command = database.CreateCommand(
            await File.ReadAllTextAsync(Path.Combine(BenchServer.Root(), "tests", "SideBench.Web.Tests", "Sanity", query))
        );
        await using var rows = await command.ExecuteReaderAsync();
        Assert.False(await rows.ReadAsync(), $"{query} finds {(rows.HasRows ? rows.GetInt64(0) : 0)}");
    }

    // Takes the first answer each time, clears the tray when it holds a step, and closes unproved after a while.
    private static async Task WorkAJobToItsEnd(Browser browser)
    {
        var (job, _) = await JobsTests.TakeIn(browser);
        for (var i = 0; i < 12; i++)
        {
            var view = (await browser.Get($"/api/jobs/{job}")).Body;
            var version = view.GetProperty("version").GetInt32();
            var step = view.GetProperty("advice").GetProperty("step");
            if (step.ValueKind != JsonValueKind.Object)
                break;
            var tray = view.GetProperty("tray").EnumerateArray().Select(t => t.GetProperty("id").GetString()).ToList();
            var id = step.GetProperty("id").GetString()!;
            if (tray.Count > 0)
                await Good(
                    browser,
                    $"/api/jobs/{job}/tray/cleared",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = version,
                        items = tray,
                        waitOver = "looked at, dry",
                    }
                );
            else if (step.GetProperty("kind").GetString() == "repair")
                await Good(
                    browser,
                    $"/api/jobs/{job}/repairs",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = version,
                        repair = id,
                    }
                );
            else
                await Good(
                    browser,
                    $"/api/jobs/{job}/answers",
                    JobsTests.Answer(version, id, step.GetProperty("outcomes")[0].GetProperty("id").GetString()!)
                );
        }

        var last = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();
        await Good(
            browser,
            $"/api/jobs/{job}/closing",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = last,
                how = "unproved",
                reason = "end of the day",
                waitOver = "goes home wet, told to wait",
            }
        );
        var closed = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();
        await Good(
            browser,
            $"/api/jobs/{job}/hand-over",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = closed,
                to = "Ferry Café",
                charge = 12,
            }
        );
    }

    private static async Task Good(Browser browser, string path, object body)
    {
        var (status, answer) = await browser.Post(path, body);
        Assert.True(status == HttpStatusCode.OK, answer.ToString());
    }
}
