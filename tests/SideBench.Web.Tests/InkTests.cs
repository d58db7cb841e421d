using System.Net;
using System.Text.Json;
using SideBench.Core.Nozzles;
using SideBench.Devices.Pictures;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>Ink and chips over the API: from what is fitted to the visit, and on to the machine's next stay.</summary>
public class InkTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    public async Task WhatIsFittedAndFilled_IsKnownAtTheNextStay()
    {
        var browser = await server.Open();
        var intake = JobsTests.Intake() with { modelId = "pellow-studio-eight", ink = "refilled" };
        var job = await TakenIn(browser, intake);
        var bare = await Ink(browser, job);
        Assert.All(Slots(bare), s => Assert.Equal("unknown", Word(s, "urgency")));
        Assert.Equal(JsonValueKind.Null, bare.GetProperty("visit").ValueKind);

        foreach (var slot in Enumerable.Range(1, 8))
            await Write(browser, job, "fitted", new { slot, type = "refillable" });
        await Write(browser, job, "chips", new { slots = new[] { Figure(1, 22), Figure(2, 70), Figure(3, 12) } });
        var due = await Ink(browser, job);
        Assert.Equal(["air", "fine", "now"], Slots(due).Take(3).Select(s => Word(s, "urgency")).Order());
        Assert.Equal(3, due.GetProperty("visit").GetProperty("slots")[0].GetInt32());
        var run = (await browser.Get($"/api/jobs/{job}/ink/run?pages=50&cover=20")).Body;
        Assert.False(run.GetProperty("lasts").GetBoolean());
        Assert.StartsWith("No. Cyan", run.GetProperty("says").GetString(), StringComparison.Ordinal);

        await Write(browser, job, "visit", new { });
        var done = await Ink(browser, job);
        Assert.All(Slots(done).Take(3), s => Assert.Equal("fine", Word(s, "urgency")));
        var life = (await browser.Get($"/api/jobs/{job}/ink/slots/3")).Body.GetProperty("moments");
        Assert.Equal(
            ["fitted", "chip-read", "filled", "reset", "spent"],
            life.EnumerateArray().Select(m => m.GetProperty("what").GetString())
        );

        await GoneHome(browser, job);
        var again = await TakenIn(browser, intake with { key = Guid.NewGuid(), ink = "maker" }, known: true);
        var next = await Ink(browser, again);
        Assert.All(Slots(next), s => Assert.Equal(("refillable", true), (Word(s, "type"), s.GetProperty("told").GetBoolean())));
        Assert.InRange(Slots(next)[2].GetProperty("chip").GetDouble(), 96, 97.5);
    }

    [Theory]
    [InlineData("run?pages=0&cover=5", "/pages")]
    [InlineData("run?pages=10&cover=0", "/cover")]
    [InlineData("run?pages=10&cover=5&size=0", "/size")]
    [InlineData("slots/7", "/slot")]
    [InlineData("number?number=", "/number")]
    public async Task BadQuestion_SaysWhere(string asked, string pointer)
    {
        var browser = await server.Open();
        var (job, _) = await JobsTests.TakeIn(browser);
        var (status, body) = await browser.Get($"/api/jobs/{job}/ink/{asked}");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(pointer, body.GetProperty("problems")[0].GetProperty("pointer").GetString());
    }

    [Fact]
    public async Task OneThingSaid_IsWrittenOnce_WhateverTheKeyIsSentAgainWith_AndByTechniciansAlone()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, JobsTests.Intake() with { modelId = "tolling-folio-3", ink = "refilled" });
        var version = await Version(browser, job);
        var body = new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            slots = new[] { new { slot = 2, amount = 8.0 } },
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post($"/api/jobs/{job}/ink/filled", body)).Status);
        Assert.Equal(HttpStatusCode.OK, (await browser.Post($"/api/jobs/{job}/ink/filled", body)).Status);
        Assert.Equal(version + 1, await Version(browser, job));
        var moments = (await browser.Get($"/api/jobs/{job}/ink/slots/2")).Body.GetProperty("moments");
        Assert.Equal(1, moments.GetArrayLength());

        // A second tab that saw less is told so, and writes nothing.
        var stale = await browser.Post(
            $"/api/jobs/{job}/ink/filled",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                body.slots,
            }
        );
        Assert.Equal(HttpStatusCode.Conflict, stale.Status);
        var counter = await server.Open("Mika Sund");
        var refused = await counter.Post($"/api/jobs/{job}/ink/visit", new { key = Guid.NewGuid(), seenVersion = version + 1 });
        Assert.Equal(HttpStatusCode.Forbidden, refused.Status);
        Assert.Equal(HttpStatusCode.OK, (await counter.Get($"/api/jobs/{job}/ink")).Status);
        Assert.Equal(version + 1, await Version(browser, job));
    }

    [Fact]
    public async Task LineTakenBack_IsAsIfItHadNeverBeen()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, JobsTests.Intake() with { modelId = "tolling-folio-3", ink = "refilled" });
        await Write(
            browser,
            job,
            "fitted",
            new
            {
                slot = 4,
                type = "maker",
                number = "TF-3Y",
            }
        );
        Assert.Equal("maker", Word(Slots(await Ink(browser, job))[3], "type"));
        var record = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("entries");
        var line = record.EnumerateArray().First(e => e.GetProperty("kind").GetString() == "slot-fitted");
        await Write(browser, job, "/corrections", new { entry = line.GetProperty("id").GetInt64(), reason = "it was the next slot" });
        var after = Slots(await Ink(browser, job))[3];
        Assert.Equal(("refillable", false), (Word(after, "type"), after.GetProperty("told").GetBoolean()));
    }

    [Fact]
    public async Task Session_Scale_AndAPageOfItsOwn_AreAskedOfTheMachineAtHand()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, JobsTests.Intake() with { modelId = "pellow-studio-eight", ink = "refilled", serial = "IS-1" });
        var weighed = (await browser.Get($"/api/jobs/{job}/ink/slots/1/scale")).Body;
        Assert.True(weighed.GetProperty("madeUp").GetBoolean());
        Assert.InRange(weighed.GetProperty("grams").GetDouble(), 17, 32);
        await Write(
            browser,
            job,
            "session",
            new
            {
                slots = new[]
                {
                    new
                    {
                        slot = 1,
                        before = 20.0,
                        full = true,
                        tries = 2,
                        lamp = "steady",
                        reset = true,
                    },
                    new
                    {
                        slot = 2,
                        before = 30.0,
                        full = true,
                        tries = 1,
                        lamp = "red",
                        reset = false,
                    },
                },
            }
        );
        var slots = Slots(await Ink(browser, job));
        Assert.Equal(100, slots[0].GetProperty("chip").GetDouble());
        Assert.InRange(slots[1].GetProperty("chip").GetDouble(), 29, 30);
        Assert.Contains("use it all the same", (await Ink(browser, job)).GetProperty("prompt").GetString(), StringComparison.Ordinal);

        // A red page: magenta and yellow, and hardly any cyan.
        var page = PictureCodec.Png(new PixelImage(2, 1, [255, 0, 0, 255, 255, 255]));
        var covers = (await browser.Send($"/api/jobs/{job}/ink/cover", page))
            .Body.EnumerateArray()
            .ToDictionary(c => c.GetProperty("ink").GetString()!, c => c.GetProperty("pct").GetDouble());
        Assert.Equal((0, 50, 50, 0), (covers["Cyan"], covers["Magenta"], covers["Yellow"], covers["Photo black"]));
        var run = (await browser.Get($"/api/jobs/{job}/ink/run?pages=10&covers=4:50,5:50")).Body;
        // The two channels that it takes are those of which nothing is known.
        Assert.StartsWith("Nothing is known", run.GetProperty("says").GetString(), StringComparison.Ordinal);
        Assert.Empty(run.GetProperty("slots").EnumerateArray());
        Assert.Equal("picture-unknown", JobsTests.Code((await browser.Send($"/api/jobs/{job}/ink/cover", [1, 2, 3])).Body));
        foreach (var bad in new[] { "4", "4:x", "4:101", "4:5,4:6" })
            Assert.Equal(
                "/covers",
                (await browser.Get($"/api/jobs/{job}/ink/run?pages=10&covers={bad}"))
                    .Body.GetProperty("problems")[0]
                    .GetProperty("pointer")
                    .GetString()
            );
    }

    [Fact]
    public async Task ALotThatFails_IsRanked_AndSaidWithItsNumber()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, JobsTests.Intake() with { modelId = "tolling-folio-3", ink = "maker", serial = "IL-1" });
        for (var n = 0; n < 12; n++)
            await Write(
                browser,
                job,
                "fitted",
                new
                {
                    slot = 2,
                    type = "maker",
                    lot = "Z-77",
                    seller = "Harbour Ink",
                    became = n == 0 ? "" : "exchanged",
                    returnBy = "2031-01-01",
                    purged = true,
                }
            );
        var lot = (await browser.Get("/api/shelf")).Body.GetProperty("lots")[0];
        Assert.Equal(
            ("Z-77", 12, 11, "bad"),
            (Word(lot, "lot"), lot.GetProperty("fitted").GetInt32(), lot.GetProperty("failed").GetInt32(), Word(lot, "verdict"))
        );
        var answer = (await browser.Get($"/api/jobs/{job}/ink/number?number=TF-3C&slot=2&lot=z-77")).Body;
        Assert.Equal("bad-lot", Word(answer, "fit"));
        Assert.Contains(
            (await browser.Get("/api/shelf")).Body.GetProperty("returns").EnumerateArray(),
            r => Word(r, "where") == "slot 2 of IL-1" && !r.GetProperty("soon").GetBoolean()
        );
        // Every change was followed by a purge, on the counter and in the channel.
        var record = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("entries").EnumerateArray();
        Assert.Equal(12, record.Count(e => Word(e, "kind") == "purged"));
    }

    private static async Task<int> Version(Browser browser, long job) =>
        (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();

    private static object Figure(int slot, double amount) => new { slot, amount };

    private static List<JsonElement> Slots(JsonElement ink) => [.. ink.GetProperty("slots").EnumerateArray()];

    private static string? Word(JsonElement of, string name) => of.GetProperty(name).GetString();

    private static async Task<JsonElement> Ink(Browser browser, long job) => (await browser.Get($"/api/jobs/{job}/ink")).Body;

    private static async Task<long> TakenIn(Browser browser, JobsTests.IntakeBody intake, bool known = false)
    {
        var (status, body) = await browser.Post("/api/take-in", known ? await Known(browser, intake) : intake);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        return body.GetProperty("jobId").GetInt64();
    }

    private static async Task<object> Known(Browser browser, JobsTests.IntakeBody intake)
    {
        var (_, found) = await browser.Get($"/api/take-in/machine?serial={intake.serial}");
        var fields = JsonSerializer.SerializeToNode(intake)!.AsObject();
        fields.Remove("serial");
        fields.Remove("modelId");
        fields["machineId"] = found.GetProperty("id").GetInt64();
        return fields;
    }

    private static async Task Write(Browser browser, long job, string what, object body)
    {
        var fields = JsonSerializer.SerializeToNode(body)!.AsObject();
        fields["key"] = Guid.NewGuid();
        fields["seenVersion"] = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();
        var (status, answer) = await browser.Post($"/api/jobs/{job}/{(what[0] == '/' ? what[1..] : $"ink/{what}")}", fields);
        Assert.True(status == HttpStatusCode.OK, answer.ToString());
    }

    private static async Task GoneHome(Browser browser, long job)
    {
        await Write(browser, job, "/closing", new { how = "unproved", reason = "filled only" });
        await Write(browser, job, "/hand-over", new { to = "Ferry Café", charge = 12 });
    }
}
