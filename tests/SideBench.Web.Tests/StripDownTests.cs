using System.Net;
using System.Text.Json;
using SideBench.Core.Machines;
using SideBench.Core.Simulation;
using SideBench.Devices.Scanner;
using SideBench.Web.Hosting;
using Xunit;

namespace SideBench.Web.Tests;

public class StripDownTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    public async Task Machine_IsOpenedAndClosed_StepByStep()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        await Good(browser, job, "opening/aim", new { parts = new[] { "tank-plug-yellow" }, seenVersion = version });
        var view = await Opening(browser, job);
        Assert.Equal(["mains-lead", "tank-cover", "tank-plug-yellow"], Keys(view));
        Assert.Equal(("mains-lead", 3), (view.GetProperty("current").GetString(), view.GetProperty("partsOnWay").GetInt32()));
        foreach (var removal in Keys(view))
            await Good(browser, job, "opening/off", new { removal });
        view = await Opening(browser, job);
        Assert.All(view.GetProperty("acts").EnumerateArray(), a => Assert.True(a.GetProperty("done").GetBoolean()));
        Assert.Equal(
            ["Tank plug yellow shut", "Tank cover shut", "Mains lead plugged in"],
            view.GetProperty("back").EnumerateArray().Select(a => a.GetProperty("title").GetString())
        );
        Assert.Equal(2, view.GetProperty("cannotPower").GetArrayLength() + view.GetProperty("cannotMove").GetArrayLength());
        foreach (var back in view.GetProperty("back").EnumerateArray())
            await Good(browser, job, "opening/back", new { item = back.GetProperty("item").GetString() });
        Assert.Equal(0, (await Opening(browser, job)).GetProperty("tray").GetArrayLength());
    }

    [Fact]
    public async Task TwoPeopleAtOneMachine_NeitherDoublesNorLosesAStep()
    {
        var (ines, tom) = (await server.Open(), await server.Open("Tom Adeyemi-Rowe"));
        var (job, version) = await JobsTests.TakeIn(ines);
        var stale = new { seenVersion = version, removal = "mains-lead" };
        var key = Guid.NewGuid();
        await Good(ines, job, "opening/off", stale, key);
        // The same press again is the same press; another person's is refused and says who was first.
        await Good(ines, job, "opening/off", stale, key);
        var (status, refused) = await Post(tom, job, "opening/off", stale);
        Assert.Equal((HttpStatusCode.Conflict, "off-already"), (status, JobsTests.Code(refused)));
        Assert.Contains("Ines Varga", refused.GetProperty("detail").GetString());
        // Work on another part goes through though the page is old.
        await Good(tom, job, "opening/off", new { seenVersion = version, removal = "paper-tray" });
        Assert.Equal(
            ["Ines Varga", "Tom Adeyemi-Rowe"],
            (await Opening(tom, job)).GetProperty("tray").EnumerateArray().Select(t => t.GetProperty("who").GetString())
        );
    }

    [Fact]
    public async Task Guide_IsFollowedWithPhotoWordAndMeasure_AndResumesAnywhere()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        await Good(browser, job, "guides/begin", new { guide = "outside-bottle", seenVersion = version });
        var run = Run(await Opening(browser, job));
        Assert.Equal("step-read", (await Opening(browser, job)).GetProperty("current").GetString());
        Task Tick(string step, string outcome = "done", double? value = null, string words = "") =>
            Good(
                browser,
                job,
                "guides/tick",
                new
                {
                    run,
                    step,
                    outcome,
                    value,
                    words,
                }
            );
        // Its counter cannot be read: that passes, and is said.
        await Tick("read", "cannot");
        await Tick("parts");
        await Tick("sheet-first");
        Assert.Equal(
            "word-needed",
            await Refused(
                browser,
                job,
                "guides/tick",
                new
                {
                    run,
                    step = "word",
                    outcome = "done",
                }
            )
        );
        await Good(
            browser,
            job,
            "consents",
            new
            {
                what = "irreversible",
                by = "Bram Otter",
                seenVersion = await Version(browser, job),
            }
        );
        await Tick("word");
        Assert.Equal(
            "photo-first",
            await Refused(
                browser,
                job,
                "guides/tick",
                new
                {
                    run,
                    step = "photos",
                    outcome = "done",
                }
            )
        );
        var (sent, _) = await browser.Send(
            $"/api/jobs/{job}/opening/photo?key={Guid.NewGuid()}&seenVersion=0&of={run}:photos&label=both ends",
            Photo()
        );
        Assert.Equal(HttpStatusCode.OK, sent);
        await Tick("photos");
        var elsewhere = await Opening(await server.Open("Tom Adeyemi-Rowe"), job);
        Assert.Equal(
            (run, "open"),
            (
                Run(elsewhere),
                elsewhere
                    .GetProperty("acts")
                    .EnumerateArray()
                    .Last(a => a.GetProperty("section").GetString() == "To the drain tube" || a.GetProperty("step").GetString() == "open")
                    .GetProperty("step")
                    .GetString()
            )
        );
        Assert.Contains(elsewhere.GetProperty("acts").EnumerateArray(), a => a.GetProperty("number").GetString() == "6.1");
        var print = elsewhere
            .GetProperty("acts")
            .EnumerateArray()
            .First(a => a.GetProperty("step").GetString() == "photos")
            .GetProperty("photos")[0]
            .GetString();
        Assert.Equal(
            "image/jpeg",
            (await browser.Http.GetAsync($"/api/jobs/{job}/pictures/{print}")).Content.Headers.ContentType!.MediaType
        );
        await Good(
            browser,
            job,
            "guides/end",
            new
            {
                run,
                reason = "no bottle here",
                seenVersion = await Version(browser, job),
            }
        );
        Assert.Equal(JsonValueKind.Null, (await Opening(browser, job)).GetProperty("run").ValueKind);
    }

    [Fact]
    public async Task RenewedPart_IsOnTheMachinesRecord_WithWhoAndWhen()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        await Good(browser, job, "opening/off", new { removal = "mains-lead" });
        await Good(
            browser,
            job,
            "opening/renewed",
            new
            {
                part = "cap-unit",
                number = "MQ-C1",
                lot = "L77",
                price = 11,
                oldFate = "returned",
                returnBy = "2030-01-01",
                seenVersion = version + 1,
            },
            expect: false
        );
        await Good(
            browser,
            job,
            "opening/renewed",
            new
            {
                part = "cap-unit",
                number = "MQ-C1",
                lot = "L77",
                price = 11,
                oldFate = "scrapped",
                seenVersion = version + 1,
            }
        );
        var machine = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("machineId").GetInt64();
        foreach (var typed in new[] { "l77", "mq-c1" })
            Assert.Contains(
                (await browser.Get($"/api/find?q={typed}")).Body.EnumerateArray(),
                f => f.GetProperty("kind").GetString() == "job" && f.GetProperty("id").GetInt64() == job
            );
        var parts = (await browser.Get($"/api/machines/{machine}/parts")).Body.EnumerateArray().ToList();
        Assert.Equal(
            ("MQ-C1 lot L77", "scrapped"),
            parts
                .Where(p => p.GetProperty("part").GetString() == "cap-unit")
                .Select(p => (p.GetProperty("renewedWith").GetString(), p.GetProperty("oldFate").GetString()))
                .Single()
        );
        Assert.Equal("Ines Varga", parts.Single(p => p.GetProperty("part").GetString() == "mains-lead").GetProperty("by").GetString());

        // With the line taken back it is found by it no longer, and by all else still.
        var view = (await browser.Get($"/api/jobs/{job}")).Body;
        var line = view.GetProperty("entries").EnumerateArray().First(e => e.GetProperty("says").GetString()!.Contains("L77"));
        await Good(
            browser,
            job,
            "corrections",
            new
            {
                entry = line.GetProperty("id").GetInt64(),
                reason = "another machine's",
                seenVersion = version + 2,
            }
        );
        Assert.Empty((await browser.Get("/api/find?q=l77")).Body.EnumerateArray());
        Assert.NotEmpty((await browser.Get($"/api/find?q={view.GetProperty("serial").GetString()}")).Body.EnumerateArray());
    }

    [Fact]
    public async Task JobWithATowelInside_IsNeitherClosedNorHandedOver()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        await Good(
            browser,
            job,
            "tray",
            new
            {
                label = "folded towel",
                change = "inside",
                count = 1,
                seenVersion = version,
            }
        );
        Assert.Equal(
            "still-inside",
            await Refused(
                browser,
                job,
                "closing",
                new
                {
                    how = "handed-back",
                    reason = "enough",
                    seenVersion = version + 1,
                }
            )
        );
    }

    [Fact]
    public async Task EveryGuide_IsOnPaperForEveryModelItFits()
    {
        var browser = await server.Open();
        var shop = ((BenchBooks)server.Services.GetService(typeof(BenchBooks))!).Shop;
        foreach (var guide in shop.Guides)
        {
            var first = (await browser.Get($"/api/guides/steps/{guide.Id}")).Body;
            foreach (var model in first.GetProperty("models").EnumerateArray())
            {
                var page = (await browser.Get($"/api/guides/steps/{guide.Id}?model={model.GetProperty("id").GetString()}")).Body;
                Assert.True(page.GetProperty("acts").GetArrayLength() >= 3, guide.Id);
            }
        }

        Assert.Equal(HttpStatusCode.NotFound, (await browser.Get("/api/guides/steps/ghost")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await browser.Get("/api/guides/steps/pads?model=pellow-six-tank")).Status);
    }

    private static byte[] Photo() =>
        new ScannerStandIn(photo: false).Take(new PrintedSheet(Layouts.Small, NozzleTruth.Good(Layouts.Small), 1)).Value;

    private static async Task<JsonElement> Opening(Browser browser, long job) => (await browser.Get($"/api/jobs/{job}/opening")).Body;

    private static List<string> Keys(JsonElement view) =>
        [.. view.GetProperty("acts").EnumerateArray().Select(a => a.GetProperty("key").GetString()!)];

    private static string Run(JsonElement view) => view.GetProperty("run").GetProperty("run").GetString()!;

    private static async Task<int> Version(Browser browser, long job) => (await Opening(browser, job)).GetProperty("version").GetInt32();

    private static Task<(HttpStatusCode Status, JsonElement Body)> Post(
        Browser browser,
        long job,
        string path,
        object said,
        Guid? key = null
    )
    {
        var body = JsonSerializer.SerializeToNode(said)!.AsObject();
        body["key"] = key ?? Guid.NewGuid();
        return browser.Post($"/api/jobs/{job}/{path}", body);
    }

    private static async Task Good(Browser browser, long job, string path, object said, Guid? key = null, bool expect = true)
    {
        var (status, body) = await Post(browser, job, path, said, key);
        Assert.True(status == HttpStatusCode.OK == expect, $"{path}: {body}");
    }

    private static async Task<string> Refused(Browser browser, long job, string path, object said) =>
        JobsTests.Code((await Post(browser, job, path, said)).Body)!;

    private static class Layouts
    {
        public static readonly SheetLayout Small = new(
            "small",
            "Small",
            40,
            20,
            [new SheetUnit("K", "K", "black", new Rgb(20, 20, 20), false, 4, 0, new StairBlock(4, 4, 2, 12, 4, 0.5, 10, 0.3))],
            []
        );
    }

    [Fact]
    public async Task Pictures_AreUnpackedOneAtATime()
    {
        using var turn = new PictureTurn();
        var (on, most) = (0, 0);
        var left = await Task.WhenAll(
            Enumerable
                .Range(0, 40)
                .Select(_ =>
                    turn.Take(
                        () =>
                        {
                            most = Math.Max(most, Interlocked.Increment(ref on));
                            Thread.SpinWait(20_000);
                            return Interlocked.Decrement(ref on);
                        },
                        CancellationToken.None
                    )
                )
        );
        Assert.Equal((1, 40), (most, left.Count(n => n == 0)));
    }
}
