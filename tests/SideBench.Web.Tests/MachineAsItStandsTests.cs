using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>What is told of a machine beside its trouble, from the counter to the next visit.</summary>
public class MachineAsItStandsTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    public async Task TakeIn_WithASupply_AndWorkBefore_IsKnownOnTheBench_AndUndoneThere()
    {
        var browser = await server.Open();
        var before = new object[]
        {
            new
            {
                repair = "clean-normal",
                on = "2026-01-05",
                sinceTrouble = true,
            },
        };
        var taken = await TakeIn(browser, "fades-under-load", "addon", [], before);
        Assert.Equal(HttpStatusCode.OK, taken.Status);
        var job = taken.Body.GetProperty("jobId").GetInt64();
        var bench = (await browser.Get($"/api/jobs/{job}")).Body;
        Assert.Superset(new HashSet<string> { "reservoir", "line", "clip" }, Names(bench.GetProperty("stations"), "id"));
        Assert.Contains(bench.GetProperty("known").EnumerateArray(), k => Says(k).StartsWith("Add-on supply", StringComparison.Ordinal));
        Assert.Contains(
            bench.GetProperty("evidence").EnumerateArray(),
            e => Says(e).Contains("done before, it stayed", StringComparison.Ordinal)
        );
        Assert.Equal("changed-already", (await Change(browser, job, bench, "told", "addon-supply")).Body.GetProperty("code").GetString());
        var undone = await Change(browser, job, bench, "undone", "addon-supply");
        Assert.Equal(HttpStatusCode.OK, undone.Status);
        Assert.DoesNotContain("reservoir", Names(undone.Body.GetProperty("stations"), "id"));
    }

    [Fact]
    public async Task TakeIn_WithWhatCannotBe_IsRefusedAtItsPlace_AndWritesNothing()
    {
        var browser = await server.Open();
        var ahead = await TakeIn(browser, "fades-under-load", "maker", [], [new { repair = "clean-normal", on = "2099-01-05" }]);
        Assert.Equal("/before/0/on", ahead.Body.GetProperty("problems")[0].GetProperty("pointer").GetString());
        var misfit = await TakeIn(browser, "fades-under-load", "maker", ["reset-board"], []);
        Assert.Equal("change-does-not-fit", misfit.Body.GetProperty("code").GetString());
    }

    [Fact]
    public async Task PlannedWork_IsTakenInWithoutAFault_AndEndsProved()
    {
        var browser = await server.Open();
        var job = (await TakeIn(browser, "planned-work", "maker", [], [])).Body.GetProperty("jobId").GetInt64();
        var bench = (await browser.Get($"/api/jobs/{job}")).Body;
        Assert.All(bench.GetProperty("stations").EnumerateArray(), s => Assert.Equal(0, s.GetProperty("suspicionRatio").GetDouble()));
        foreach (
            var (path, body) in new (string, object)[]
            {
                (
                    "repairs",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = Version(bench),
                        repair = "planned-done",
                    }
                ),
                (
                    "answers",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = Version(bench) + 1,
                        finding = "work-proof",
                        outcome = "good",
                    }
                ),
                (
                    "closing",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = Version(bench) + 2,
                        how = "verified",
                        reason = "",
                    }
                ),
            }
        )
            Assert.Equal(HttpStatusCode.OK, (await browser.Post($"/api/jobs/{job}/{path}", body)).Status);
    }

    private static Task<(HttpStatusCode Status, JsonElement Body)> TakeIn(
        Browser browser,
        string complaint,
        string ink,
        string[] changes,
        object[] before
    ) =>
        browser.Post(
            "/api/take-in",
            new
            {
                key = Guid.NewGuid(),
                modelId = "tolling-folio-3",
                serial = $"TF-{Guid.NewGuid():N}"[..12],
                customerName = "Bram Otter",
                complaint,
                words = "as told",
                ink,
                paper = "plain",
                changes,
                before,
            }
        );

    private static Task<(HttpStatusCode Status, JsonElement Body)> Change(
        Browser browser,
        long job,
        JsonElement bench,
        string how,
        string change
    ) =>
        browser.Post(
            $"/api/jobs/{job}/changes/{how}",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = Version(bench),
                change,
                reason = "seen",
            }
        );

    private static int Version(JsonElement bench) => bench.GetProperty("version").GetInt32();

    private static string Says(JsonElement line) => line.GetProperty("says").GetString()!;

    private static HashSet<string> Names(JsonElement list, string key) =>
        [.. list.EnumerateArray().Select(i => i.GetProperty(key).GetString()!)];
}
