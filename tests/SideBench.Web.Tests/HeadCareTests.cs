using System.Net;
using System.Text.Json;
using SideBench.Core.Machines;
using SideBench.Web.Hosting;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>Head care over the API, from the first sheet to the sheet that judges a clean.</summary>
public class HeadCareTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    public async Task Page_FollowsTheRecord_FromSheetToSheet()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var bare = await Care(browser, job);
        Assert.Equal(("sheet", false), (Do(bare), bare.GetProperty("ready").GetBoolean()));

        await Tap(browser, job, version, 5);
        var care = await Care(browser, job);
        var cyan = care.GetProperty("channels")[0];
        Assert.Equal(("C", 5), (cyan.GetProperty("unit").GetString(), cyan.GetProperty("missing").GetInt32()));
        Assert.Equal(1, Share(cyan, "clog") + Share(cyan, "air") + Share(cyan, "starved"), 9);
        Assert.Equal(1, care.GetProperty("next").GetProperty("back").EnumerateArray().Sum(p => p.GetDouble()), 6);
        Assert.Equal(3, care.GetProperty("ways").GetArrayLength());
        var deep = care.GetProperty("whatIf").EnumerateArray().Where(w => w.GetProperty("method").GetString() == "clean-deep").ToList();
        Assert.Equal(deep.Select(d => Share(d, "complete")), deep.Select(d => Share(d, "complete")).Order());
        Assert.Equal(3 * deep[0].GetProperty("inkMl").GetDouble(), deep[2].GetProperty("inkMl").GetDouble(), 9);

        var thread = care.GetProperty("thread").GetInt32();
        var clean = await browser.Post(
            $"/api/jobs/{job}/repairs",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = care.GetProperty("version").GetInt32(),
                repair = "clean-normal",
                slots = new[] { 2, 3, 4 },
                thread,
            }
        );
        Assert.True(clean.Status == HttpStatusCode.OK, clean.Body.ToString());
        Assert.Equal("sheet", Do(await Care(browser, job)));
        await Tap(browser, job, clean.Body.GetProperty("version").GetInt32(), 2);
        care = await Care(browser, job);
        var done = care.GetProperty("cleanings")[0];
        Assert.Equal((5, 2), (done.GetProperty("missingBefore").GetInt32(), done.GetProperty("missingAfter").GetInt32()));
        Assert.Equal("Cyan, Magenta, Yellow", done.GetProperty("channels").GetString());
        Assert.Equal(1, care.GetProperty("channels")[0].GetProperty("pairs").GetInt32());

        var agreed = await browser.Post(
            $"/api/jobs/{job}/head-care/level",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = care.GetProperty("version").GetInt32(),
                mostLeft = 2,
            }
        );
        Assert.Equal(HttpStatusCode.OK, agreed.Status);
        care = await Care(browser, job);
        Assert.Equal(("stop", 2), (Do(care), care.GetProperty("mostLeft").GetInt32()));
        Assert.Contains("no cleaning of any kind", care.GetProperty("stopped").GetString(), StringComparison.Ordinal);
    }

    private SheetLayout Layout =>
        ((BenchBooks)server.Services.GetService(typeof(BenchBooks))!).Shop.Models["marram-quartet-a4"].Sheet!.Layout;

    private static double Share(JsonElement of, string name) => of.GetProperty(name).GetDouble();

    private static string? Do(JsonElement care) => care.GetProperty("do").GetProperty("kind").GetString();

    private static async Task<JsonElement> Care(Browser browser, long job) => (await browser.Get($"/api/jobs/{job}/head-care")).Body;

    private async Task Tap(Browser browser, long job, int version, int missing)
    {
        var units = Layout
            .Units.Select(u => new
            {
                id = u.Id,
                nozzles = string.Concat(
                    Enumerable.Range(0, u.Nozzles).Select(n => u.Id == "C" && n % 7 == 3 && n / 7 < missing ? 'x' : '.')
                ),
            })
            .ToList();
        var taken = await browser.Post(
            $"/api/jobs/{job}/sheets/taps",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                units,
            }
        );
        Assert.True(taken.Status == HttpStatusCode.OK, taken.Body.ToString());
    }
}
