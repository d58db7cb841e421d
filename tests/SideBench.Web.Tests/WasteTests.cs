using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>Waste and the shelf over the API: resets, keys, boxes, the list of all machines, and a day for the calendar.</summary>
public class WasteTests(BenchServer server) : IClassFixture<BenchServer>
{
    private const string Folio = "tolling-folio-3";

    [Fact]
    public async Task ResetWithoutService_StaysOnTheMachine_ToItsNextStayAndItsPapers_UntilItIsSeenTo()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, Folio);
        var held = await Try(
            browser,
            job,
            "resets",
            new
            {
                way = "full",
                before = 100,
                after = 0,
            }
        );
        Assert.Equal((HttpStatusCode.Conflict, "gate-holds"), (held.Status, JobsTests.Code(held.Body)));
        await Write(browser, job, "resets", Despite("ten pages for tonight"));
        var waste = await Waste(browser, job);
        Assert.NotEqual("", waste.GetProperty("unserviced").GetString());
        Assert.Equal((0.0, 1), (waste.GetProperty("counter").GetDouble(), waste.GetProperty("resets").GetInt32()));
        var paper = (await browser.Get($"/api/jobs/{job}/hand-over")).Body.ToString();
        Assert.Contains("without service", paper, StringComparison.Ordinal);
        var record = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("entries");
        var line = record.EnumerateArray().First(e => e.GetProperty("kind").GetString() == "counter-reset").GetProperty("id").GetInt64();
        // What was told wrongly is as if it had never been.
        await Post(browser, $"/api/jobs/{job}/corrections", await Version(browser, job), new { entry = line, reason = "another machine" });
        Assert.Equal("", (await Waste(browser, job)).GetProperty("unserviced").GetString());
    }

    [Fact]
    public async Task AKey_IsSpentOnce_WhateverIsSentAgain_AndByWhom()
    {
        var browser = await server.Open();
        var key = await Came(
            browser,
            new
            {
                kind = "key",
                name = "Key",
                @for = "Folio",
                amount = 1,
                price = 8,
            }
        );
        var (one, other) = (await TakenIn(browser, Folio), await TakenIn(browser, Folio));
        foreach (var job in new[] { one, other })
            await Write(browser, job, "told", new { what = "renewed" });
        var body = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser, one),
            way = "key",
            before = 100,
            after = 0,
            keyItem = key,
        };
        // A count that cannot be spends nothing.
        var wrong = await browser.Post(
            $"/api/jobs/{one}/waste/resets",
            new
            {
                key = Guid.NewGuid(),
                body.seenVersion,
                body.way,
                before = 900,
                body.after,
                body.keyItem,
            }
        );
        Assert.Equal("out-of-range", JobsTests.Code(wrong.Body));
        Assert.Equal(1, await Left(browser, key));
        Assert.Equal(HttpStatusCode.OK, (await browser.Post($"/api/jobs/{one}/waste/resets", body)).Status);
        Assert.Equal(HttpStatusCode.OK, (await browser.Post($"/api/jobs/{one}/waste/resets", body)).Status);
        Assert.Equal((0, 1), ((int)await Left(browser, key), (await Waste(browser, one)).GetProperty("resets").GetInt32()));
        var second = await Try(
            browser,
            other,
            "resets",
            new
            {
                way = "key",
                before = 100,
                after = 0,
                keyItem = key,
            }
        );
        Assert.Equal("no-key", JobsTests.Code(second.Body));
        Assert.Equal(0, (await Waste(browser, other)).GetProperty("resets").GetInt32());
        // A page that saw less spends nothing either.
        var more = await Came(
            browser,
            new
            {
                kind = "key",
                name = "Key",
                @for = "Folio",
                amount = 1,
                price = 8,
            }
        );
        var stale = await browser.Post(
            $"/api/jobs/{other}/waste/resets",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = 1,
                way = "key",
                before = 100,
                after = 0,
                keyItem = more,
            }
        );
        Assert.Equal((HttpStatusCode.Conflict, 1.0), (stale.Status, await Left(browser, more)));
    }

    [Fact]
    public async Task ABox_IsInOneMachine_AndAllMachinesAreListed()
    {
        var browser = await server.Open();
        var (one, other) = (await TakenIn(browser, "pellow-six-tank"), await TakenIn(browser, "pellow-six-tank"));
        await Write(browser, one, "told", new { what = "renewed", box = "B-2" });
        Assert.Equal("B-2", (await Waste(browser, one)).GetProperty("box").GetString());
        var twice = await Try(browser, other, "told", new { what = "renewed", box = "b-2 " });
        Assert.Equal("box-elsewhere", JobsTests.Code(twice.Body));
        await Write(browser, one, "told", new { what = "renewed", box = "B-3" });
        await Write(browser, other, "told", new { what = "renewed", box = "B-2" });
        var all = (await browser.Get("/api/waste")).Body.GetProperty("rows").EnumerateArray().ToList();
        Assert.True(all.Count >= 2);
        Assert.All(all, m => Assert.False(string.IsNullOrEmpty(m.GetProperty("customer").GetString())));
        await Write(
            browser,
            one,
            "handed-in",
            new
            {
                what = "pads",
                kg = 1.2,
                where = "yard",
            }
        );
        Assert.Contains("Handed in: pads", (await browser.Get($"/api/jobs/{one}")).Body.ToString(), StringComparison.Ordinal);
        var table = await browser.Http.GetAsync("/api/waste/handed-in.csv");
        Assert.Equal("text/csv", table.Content.Headers.ContentType!.MediaType);
        var lines = (await table.Content.ReadAsStringAsync()).Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal("day,what,kg,where,machine,person", lines[0]);
        Assert.Contains(
            lines,
            l => l.Contains(",pads,1.2,yard,WT-", StringComparison.Ordinal) && l.EndsWith("Ines Varga", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task BoxesGoRound_OneIn_OneOut_AndTheShopKnowsWhere()
    {
        var browser = await server.Open();
        var (one, other) = (await TakenIn(browser, "pellow-six-tank"), await TakenIn(browser, "pellow-six-tank"));
        var (first, second) = ($"R-{Guid.NewGuid():N}"[..8], $"R-{Guid.NewGuid():N}"[..8]);
        foreach (var tag in new[] { first, second })
            await Shop(
                browser,
                "boxes",
                new
                {
                    tag,
                    fits = "pellow-six-tank",
                    grams = 99,
                }
            );
        await Write(browser, one, "told", new { what = "box-in", box = first });
        await Write(
            browser,
            one,
            "told",
            new
            {
                what = "box-in",
                box = second,
                outG = 180,
            }
        );
        var mine = (await Waste(browser, one)).GetProperty("boxes").EnumerateArray().ToList();
        JsonElement Box(string tag) => mine.Single(b => b.GetProperty("tag").GetString() == tag);
        Assert.Equal(("used", 83.0), (Box(first).GetProperty("stand").GetString(), Number(Box(first), "netG")));
        Assert.Equal(("in", true), (Box(second).GetProperty("stand").GetString(), Box(second).GetProperty("here").GetBoolean()));
        Assert.Equal("box-elsewhere", JobsTests.Code((await Try(browser, other, "told", new { what = "box-in", box = second })).Body));
        Assert.Equal("unknown-box", JobsTests.Code((await Try(browser, other, "told", new { what = "box-in", box = "none" })).Body));
        await Shop(
            browser,
            "boxes/told",
            new
            {
                box = first,
                what = "washed",
                amount = 8,
            }
        );
        var wet = await Try(
            browser,
            other,
            "told",
            new
            {
                what = "box-in",
                box = first,
                amount = 150,
            }
        );
        Assert.Equal("box-wet", JobsTests.Code(wet.Body));
        await Shop(browser, "local-rules", new { line = "pads to the yard on Fridays" });
        var shop = (await browser.Get("/api/waste")).Body;
        Assert.Equal("pads to the yard on Fridays", shop.GetProperty("rules").GetString());
        Assert.Contains(
            shop.GetProperty("boxes").EnumerateArray(),
            b => b.GetProperty("tag").GetString() == first && b.GetProperty("stand").GetString() == "drying"
        );
        // A counter may look; the shop's own line is the owner's.
        var counter = await server.Open("Mika Sund");
        Assert.Equal(HttpStatusCode.Forbidden, (await Post(counter, "/api/waste/boxes", 1, new { tag = "x" })).Status);
        Assert.Equal(HttpStatusCode.OK, (await counter.Get("/api/waste")).Status);
    }

    [Fact]
    public async Task PadsOfTheShelf_AreTakenOnce_ByTheRenewalThatUsesThem()
    {
        var browser = await server.Open();
        var pads = await Came(
            browser,
            new
            {
                kind = "pads",
                name = "Pad set",
                @for = "Tolling Folio 3",
                amount = 1,
                price = 14,
            }
        );
        var job = await TakenIn(browser, Folio);
        Assert.Contains((await Waste(browser, job)).GetProperty("pads").EnumerateArray(), p => p.GetProperty("item").GetInt64() == pads);
        var wrong = await Try(
            browser,
            job,
            "told",
            new
            {
                what = "weighed",
                amount = 80,
                item = pads,
            }
        );
        Assert.Equal(("no-pads", 1.0), (JobsTests.Code(wrong.Body), await Left(browser, pads)));
        var body = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser, job),
            what = "renewed",
            item = pads,
        };
        for (var sent = 0; sent < 2; sent++)
            Assert.Equal(HttpStatusCode.OK, (await browser.Post($"/api/jobs/{job}/waste/told", body)).Status);
        Assert.Equal(0, await Left(browser, pads));
        Assert.Equal("no-pads", JobsTests.Code((await Try(browser, job, "told", new { what = "renewed", item = pads })).Body));
        Assert.Single((await Waste(browser, job)).GetProperty("moments").EnumerateArray());
    }

    [Fact]
    public async Task TheHole_IsToldWhereThereIsOne()
    {
        var browser = await server.Open();
        var hole = (await browser.Get("/api/guides/template/marram-duo")).Body.GetProperty("hole");
        Assert.Equal((46.0, 38.0), (Number(hole, "upMm"), Number(hole, "inMm")));
        Assert.Equal(HttpStatusCode.NotFound, (await browser.Get("/api/guides/template/pellow-mono-pair")).Status);
        var paper = (await browser.Get("/api/guides/steps/pads?model=pellow-studio-eight")).Body.GetProperty("acts").EnumerateArray();
        var stack = paper.First(a => a.GetProperty("drawing").ValueKind == JsonValueKind.Object).GetProperty("drawing");
        Assert.Equal("spacer", stack.GetProperty("stack")[2].GetProperty("kind").GetString());
    }

    [Fact]
    public async Task ADayForTheCalendar_IsTold_OnceUseIsKnown()
    {
        var browser = await server.Open();
        var bare = await TakenIn(browser, Folio);
        Assert.Equal("waste-not-due", JobsTests.Code((await browser.Get($"/api/jobs/{bare}/waste/due.ics")).Body));
        // A month later its counter is read again: that tells its use.
        var known = await TakenIn(browser, Folio);
        await Write(browser, known, "resets", Despite("first reading"));
        await using var app = await BenchServer.Run(server.Connection, clock: new StillClock(DateTimeOffset.UtcNow.AddDays(30)));
        browser = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        await Write(browser, known, "told", new { what = "renewed" });
        await Write(
            browser,
            known,
            "resets",
            new
            {
                way = "tool",
                before = 12,
                after = 12,
            }
        );
        var file = await browser.Http.GetAsync($"/api/jobs/{known}/waste/due.ics");
        Assert.Equal("text/calendar", file.Content.Headers.ContentType!.MediaType);
        Assert.Matches(@"DTSTART;VALUE=DATE:\d{8}\r\n", await file.Content.ReadAsStringAsync());
        Assert.Contains("not before", (await browser.Get($"/api/jobs/{known}/hand-over")).Body.ToString(), StringComparison.Ordinal);
        var waste = await Waste(browser, known);
        var course = waste.GetProperty("course").EnumerateArray().ToList();
        Assert.Equal(25, course.Count);
        Assert.All(course, c => Assert.True(Number(c, "low") <= Number(c, "best") && Number(c, "best") <= Number(c, "high")));
        // What comes in does not dry off faster than it comes, at the middle of what is believed.
        Assert.True(Number(course[^1], "best") > Number(course[0], "best"));
    }

    [Theory]
    [InlineData("told", """{"what":"weighed","amount":3}""", "/amount")]
    [InlineData("told", """{"what":"weighed"}""", "/amount")]
    [InlineData("told", """{"what":"drunk"}""", "/what")]
    [InlineData("resets", """{"way":"full","before":100}""", "/after")]
    [InlineData("resets", """{"way":"magic","before":100,"after":0}""", "/way")]
    [InlineData("resets", """{"way":"key","before":100,"after":0,"keyItem":1}""", "/keyItem")]
    [InlineData("handed-in", """{"what":"pads","kg":-1,"where":"yard"}""", "/kg")]
    public async Task WhatCannotBe_IsRefusedInItsPlace_AndChangesNothing(string path, string said, string pointer)
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, Folio);
        var version = await Version(browser, job);
        var body = JsonSerializer.Deserialize<Dictionary<string, object>>(said)!;
        (body["key"], body["seenVersion"]) = (Guid.NewGuid(), version);
        var (status, answer) = await browser.Post($"/api/jobs/{job}/waste/{path}", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(pointer, answer.GetProperty("problems")[0].GetProperty("pointer").GetString());
        Assert.Equal(version, await Version(browser, job));
        var counter = await server.Open("Mika Sund");
        body["key"] = Guid.NewGuid();
        Assert.Equal(HttpStatusCode.Forbidden, (await counter.Post($"/api/jobs/{job}/waste/{path}", body)).Status);
    }

    [Theory]
    [InlineData("0")]
    [InlineData("99")]
    [InlineData("-3")]
    public async Task AHorizon_ThatIsNone_IsRefused(string years)
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, Folio);
        Assert.Equal(
            "/years",
            (await browser.Get($"/api/jobs/{job}/waste?years={years}")).Body.GetProperty("problems")[0].GetProperty("pointer").GetString()
        );
        var (near, far) = (await Year(browser, job, "1"), await Year(browser, job, "10"));
        // What is bought once is spread over more years.
        Assert.True(near > far);
    }

    [Fact]
    public async Task TheShelf_CountsDown_AndFillsEmptyItsBottles()
    {
        var browser = await server.Open();
        var bottle = await Came(
            browser,
            new
            {
                kind = "ink",
                name = "Cyan",
                @for = "Cyan dye",
                amount = 100,
                price = 6,
                returnBy = "2020-01-01",
            }
        );
        var job = await TakenIn(browser, Folio, "refilled");
        foreach (var slot in new[] { 2, 3 })
            await Post(
                browser,
                $"/api/jobs/{job}/ink/filled",
                await Version(browser, job),
                new { slots = new[] { new { slot, amount = 20.0 } } }
            );
        // The oldest bottle of the demo goes first; the rest comes of this one.
        var items = (await browser.Get("/api/shelf")).Body.GetProperty("items").EnumerateArray().ToList();
        var cyan = items.Where(i => i.GetProperty("for").GetString() == "Cyan dye").ToList();
        Assert.Equal(cyan.Sum(i => Number(i, "came")) - 20, cyan.Sum(i => Number(i, "left")), 6);
        Assert.Equal(100, Number(cyan[^1], "left"));
        var back = (await browser.Get("/api/shelf")).Body.GetProperty("returns").EnumerateArray().First();
        Assert.True(back.GetProperty("soon").GetBoolean() && back.GetProperty("days").GetInt32() < 0);
        var gone = await Post(
            browser,
            "/api/shelf/went",
            await ShopVersion(browser),
            new
            {
                item = bottle,
                amount = 101,
                where = "used",
            }
        );
        Assert.Equal("more-than-left", JobsTests.Code(gone.Body));
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await Post(
                    browser,
                    "/api/shelf/went",
                    await ShopVersion(browser),
                    new
                    {
                        item = bottle,
                        amount = 100,
                        where = "scrapped",
                    }
                )
            ).Status
        );
        Assert.Equal(0, await Left(browser, bottle));
        // A shelf that has told of tools and has none left says so at a reset.
        foreach (var tool in items.Where(i => i.GetProperty("kind").GetString() == "tool"))
            await Post(
                browser,
                "/api/shelf/went",
                await ShopVersion(browser),
                new
                {
                    item = tool.GetProperty("id").GetInt64(),
                    amount = 1,
                    where = "scrapped",
                }
            );
        var studio = await TakenIn(browser, "pellow-studio-eight", "refilled");
        var bare = await Post(
            browser,
            $"/api/jobs/{studio}/ink/resets",
            await Version(browser, studio),
            new
            {
                tool = "hand-tool",
                slots = new[] { new { slot = 1, amount = 20.0 } },
                tries = 1,
                worked = true,
            }
        );
        Assert.Equal("no-tool", JobsTests.Code(bare.Body));
        await Came(
            browser,
            new
            {
                kind = "tool",
                name = "Tool",
                @for = "chips",
                amount = 1,
                price = 20,
            }
        );
    }

    [Fact]
    public async Task AServiceProgram_ReadsBack_AndWhatItDidNotStoreIsSaid_AndNothingIsWrittenByIt()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, Folio);
        var version = await Version(browser, job);
        var asked = new List<(HttpStatusCode Status, JsonElement Body)>();
        for (var n = 0; n < 6; n++)
            asked.Add(await browser.Post($"/api/jobs/{job}/waste/service", new { count = 100 }));
        Assert.Equal(
            ["service-away", "service-refused", "service-wrong-machine"],
            asked.Where(a => a.Status == HttpStatusCode.Conflict).Select(a => JobsTests.Code(a.Body)).Order()
        );
        var read = asked
            .Where(a => a.Status == HttpStatusCode.OK)
            .Select(a => (Number(a.Body, "before"), Number(a.Body, "after")))
            .ToList();
        Assert.Equal([(100, 0), (100, 100), (100, 0)], read);
        Assert.All(asked.Where(a => a.Status == HttpStatusCode.OK), a => Assert.True(a.Body.GetProperty("madeUp").GetBoolean()));
        Assert.Equal(version, await Version(browser, job));
        var wrong = await browser.Post($"/api/jobs/{job}/waste/service", new { count = 900 });
        Assert.Equal("/count", wrong.Body.GetProperty("problems")[0].GetProperty("pointer").GetString());
    }

    private static object Despite(string why) =>
        new
        {
            way = "full",
            before = 100,
            after = 0,
            despite = why,
            told = true,
        };

    private static double Number(JsonElement of, string name) => of.GetProperty(name).GetDouble();

    private static async Task<double> Year(Browser browser, long job, string years) =>
        Number(
            (await browser.Get($"/api/jobs/{job}/waste?years={years}"))
                .Body.GetProperty("ways")
                .EnumerateArray()
                .First(w => w.GetProperty("id").GetString() == "bottle"),
            "perYear"
        );

    private static async Task<long> Came(Browser browser, object came)
    {
        var (status, body) = await Post(browser, "/api/shelf/came", await ShopVersion(browser), came);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        return (await browser.Get("/api/shelf")).Body.GetProperty("items").EnumerateArray().Last().GetProperty("id").GetInt64();
    }

    private static async Task<double> Left(Browser browser, long item) =>
        Number(
            (await browser.Get("/api/shelf")).Body.GetProperty("items").EnumerateArray().First(i => i.GetProperty("id").GetInt64() == item),
            "left"
        );

    private static async Task<int> ShopVersion(Browser browser) => (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32();

    private static async Task<int> Version(Browser browser, long job) =>
        (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();

    private static async Task<JsonElement> Waste(Browser browser, long job) => (await browser.Get($"/api/jobs/{job}/waste")).Body;

    private static async Task Shop(Browser browser, string path, object said)
    {
        var (status, body) = await Post(browser, $"/api/waste/{path}", await ShopVersion(browser), said);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
    }

    private static async Task Write(Browser browser, long job, string path, object said)
    {
        var (status, body) = await Try(browser, job, path, said);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
    }

    private static async Task<(HttpStatusCode Status, JsonElement Body)> Try(Browser browser, long job, string path, object said) =>
        await Post(browser, $"/api/jobs/{job}/waste/{path}", await Version(browser, job), said);

    private static Task<(HttpStatusCode Status, JsonElement Body)> Post(Browser browser, string path, int version, object said)
    {
        var body = JsonSerializer.SerializeToNode(said)!.AsObject();
        (body["key"], body["seenVersion"]) = (Guid.NewGuid(), version);
        return browser.Post(path, body);
    }

    private static async Task<long> TakenIn(Browser browser, string model, string ink = "maker")
    {
        var intake = JobsTests.Intake() with { modelId = model, ink = ink, serial = $"WT-{Guid.NewGuid():N}"[..12] };
        var (status, body) = await browser.Post("/api/take-in", intake);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        return body.GetProperty("jobId").GetInt64();
    }
}
