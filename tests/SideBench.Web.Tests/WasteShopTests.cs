using System.Net;
using System.Text.Json;
using Xunit;
using static SideBench.Web.Tests.WasteCalls;

namespace SideBench.Web.Tests;

/// <summary>Waste of the whole shop over the API: boxes that go round, pads and bottles of the shelf, what is handed in.</summary>
public class WasteShopTests(BenchServer server) : IClassFixture<BenchServer>
{
    private const string Folio = "tolling-folio-3";

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
                returnBy = DateOnly.FromDateTime(DateTime.UtcNow).AddDays(-3).ToString("yyyy-MM-dd"),
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
}
