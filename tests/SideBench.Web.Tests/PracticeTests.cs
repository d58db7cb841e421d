using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace SideBench.Web.Tests;

public class PracticeTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    public async Task Threads_AreOneMachine_WithOddsAndEndingsOfTheirOwn()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        await browser.Post($"/api/jobs/{job}/answers", JobsTests.Answer(version, "panel-code", "absent"));
        var opened = await browser.Post(
            $"/api/jobs/{job}/threads",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version + 1,
                complaint = "not-recognised",
                slot = 4,
                words = "now and then",
            }
        );
        Assert.Equal((HttpStatusCode.OK, 1), (opened.Status, opened.Body.GetProperty("thread").GetInt32()));
        Assert.Equal("now and then", opened.Body.GetProperty("words").GetString());
        Assert.Contains(opened.Body.GetProperty("evidence").EnumerateArray(), e => e.GetProperty("source").GetString() == "panel-code");
        var closed = await browser.Post(
            $"/api/jobs/{job}/closing",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version + 2,
                thread = 1,
                how = "handed-back",
                reason = "no cartridge here",
            }
        );
        Assert.Equal((HttpStatusCode.OK, false), (closed.Status, closed.Body.GetProperty("threadOpen").GetBoolean()));
        var first = (await browser.Get($"/api/jobs/{job}")).Body;
        Assert.Equal((true, JsonValueKind.Null), (first.GetProperty("threadOpen").GetBoolean(), first.GetProperty("closedHow").ValueKind));
        Assert.Equal("unknown-thread", JobsTests.Code((await browser.Get($"/api/jobs/{job}?thread=7")).Body));
    }

    [Fact]
    public async Task Words_AreReadAsFindings_AndTheArithmeticEndsAtTheOddsShown()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var read = (await browser.Get($"/api/jobs/{job}/readings?words=pulls%20hard%204%20ml")).Body[0];
        Assert.Equal(
            ("draw-test", "hard", 4.0),
            (read.GetProperty("finding").GetString(), read.GetProperty("outcome").GetString(), read.GetProperty("quantity").GetDouble())
        );
        var faded = await browser.Post(
            $"/api/jobs/{job}/answers",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                finding = "full-pages",
                outcome = "fades",
                quantity = 8.0,
                coveragePct = 40.0,
            }
        );
        Assert.Equal(0.06, faded.Body.GetProperty("feed").GetProperty("perPageMl").GetDouble(), 2);
        var why = (await browser.Get($"/api/jobs/{job}/why/vent-blocked")).Body;
        var station = faded
            .Body.GetProperty("stations")
            .EnumerateArray()
            .Single(s => s.GetProperty("id").GetString() == "vent")
            .GetProperty("suspicionRatio")
            .GetDouble();
        Assert.InRange(why.GetProperty("nowRatio").GetDouble(), 0, station + 1e-9);
        Assert.NotEmpty(why.GetProperty("lines").EnumerateArray());
        var wrong = await browser.Post(
            $"/api/jobs/{job}/answers",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version + 1,
                finding = "draw-test",
                outcome = "hard",
                quantity = 400.0,
            }
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "out-of-range"), (wrong.Status, JobsTests.Code(wrong.Body)));
    }

    [Fact]
    public async Task Edit_MovesTheOddsOfOpenJobs_IsHeardElsewhere_AndCanBeTakenBack()
    {
        await using var other = await BenchServer.Run(server.Connection);
        var owner = await server.Open();
        var far = await Browser.Open(new Uri(other.Urls.First()), "Tom Adeyemi-Rowe");
        var (job, _) = await JobsTests.TakeIn(owner);
        async Task<double> Vent(Browser at) => (await at.Get($"/api/jobs/{job}/why/vent-blocked")).Body.GetProperty("nowRatio").GetDouble();
        var before = await Vent(owner);
        var seen = await Version(owner);
        var edit = new
        {
            key = Guid.NewGuid(),
            seenVersion = seen,
            kind = "rate",
            target = "vent-blocked",
            to = "common",
            reason = "three this month",
        };
        Assert.Equal(HttpStatusCode.Forbidden, (await far.Post("/api/shop/edits", edit)).Status);
        var edited = await owner.Post("/api/shop/edits", edit);
        Assert.Equal(HttpStatusCode.OK, edited.Status);
        Assert.Equal(seen + 1, (await owner.Post("/api/shop/edits", edit)).Body.GetProperty("version").GetInt32());
        Assert.Equal("shop-changed", JobsTests.Code((await owner.Post("/api/shop/edits", edit with { key = Guid.NewGuid() })).Body));
        Assert.True(await Vent(owner) > before * 1.2);
        var now = await Vent(owner);
        for (var tries = 0; tries < 2000 && Math.Abs(await Vent(far) - now) > 1e-12; tries++) { }
        Assert.Equal(now, await Vent(far), 12);
        Assert.Contains("it is", (await owner.Get($"/api/jobs/{job}")).Body.GetProperty("bookNote").GetString());
        var line = edited.Body.GetProperty("entries")[0].GetProperty("id").GetInt64();
        await owner.Post(
            "/api/shop/corrections",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = seen + 1,
                entry = line,
                reason = "",
            }
        );
        Assert.Equal(before, await Vent(owner), 12);
        await other.StopAsync();
    }

    [Fact]
    public async Task SchoolsAndShelf_HoldForTheShop_AndAJobMayDiffer()
    {
        var owner = await server.Open();
        var (job, version) = await JobsTests.TakeIn(owner);
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await owner.Post(
                    "/api/shop/schools",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = await Version(owner),
                        school = "pads-full",
                        option = "wash",
                    }
                )
            ).Status
        );
        Assert.Equal("wash", Chosen((await owner.Get($"/api/jobs/{job}")).Body, "pads-full"));
        var own = await owner.Post(
            $"/api/jobs/{job}/schools",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                school = "pads-full",
                option = "renew",
            }
        );
        Assert.Equal("renew", Chosen(own.Body, "pads-full"));
        Assert.Equal(
            "unknown-school",
            JobsTests.Code(
                (
                    await owner.Post(
                        $"/api/jobs/{job}/schools",
                        new
                        {
                            key = Guid.NewGuid(),
                            seenVersion = version + 1,
                            school = "flushing",
                            option = "firm",
                        }
                    )
                ).Body
            )
        );
        var tom = await server.Open("Tom Adeyemi-Rowe");
        var shelf = await tom.Post(
            "/api/shop/parts",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = await Version(tom),
                part = "damper",
                here = false,
            }
        );
        Assert.False(
            shelf
                .Body.GetProperty("parts")
                .EnumerateArray()
                .Single(p => p.GetProperty("part").GetString() == "damper")
                .GetProperty("here")
                .GetBoolean()
        );
        var damper = (await tom.Get($"/api/jobs/{job}/stations/damper"))
            .Body.GetProperty("steps")
            .EnumerateArray()
            .Single(s => s.GetProperty("id").GetString() == "renew-damper");
        Assert.True(damper.GetProperty("partMissing").GetBoolean());
    }

    [Fact]
    public async Task PacksThatFailTheirChecks_AreRefusedWhole_AndAModelMayChangeUnderAnOpenJob()
    {
        var folder = Directory.CreateTempSubdirectory("packs").FullName;
        Copy(Path.Combine(BenchServer.Root(), "packs", "house"), Path.Combine(folder, "house"));
        await using var other = await BenchServer.Run(server.Connection, folder);
        var owner = await Browser.Open(new Uri(other.Urls.First()), "Ines Varga");
        var rates = Path.Combine(folder, "house", "book", "waste.json");
        await Edit(rates, book => Cause(book, "pads-full")["id"] = "pads-very-full");
        var refused = await owner.Post("/api/shop/packs", new { });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "pack-unknown-name"), (refused.Status, JobsTests.Code(refused.Body)));
        Assert.Equal(HttpStatusCode.OK, (await owner.Get("/api/guides/causes/pads-full")).Status);
        await Edit(rates, book => Cause(book, "pads-very-full")["id"] = "pads-full");
        await Edit(rates, book => Cause(book, "pads-full")["name"] = "Pads or box full to the brim");
        Assert.Equal(HttpStatusCode.OK, (await owner.Post("/api/shop/packs", new { })).Status);
        var (job, _) = await JobsTests.TakeIn(owner);
        Assert.Equal("", (await owner.Get($"/api/jobs/{job}")).Body.GetProperty("bookNote").GetString());
        var model = Path.Combine(folder, "house", "machines", "marram-quartet-a4.json");
        await Edit(
            model,
            file =>
            {
                file["version"] = 99;
                file["stations"]!.AsArray().Single(s => (string?)s!["id"] == "vent")!["name"] = "Vent of the tank";
            }
        );
        await owner.Post("/api/shop/packs", new { });
        var open = (await owner.Get($"/api/jobs/{job}")).Body;
        Assert.Contains("version 99 now", open.GetProperty("bookNote").GetString());
        Assert.Contains(open.GetProperty("stations").EnumerateArray(), st => st.GetProperty("name").GetString() == "Vent of the tank");
        Assert.Equal(
            "Pads or box full to the brim",
            (await owner.Get("/api/guides/causes/pads-full")).Body.GetProperty("name").GetString()
        );
        await other.StopAsync();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Guides_GiveTheWholeBook_AndWhatACodeMayReallyBe()
    {
        var browser = await server.Open("Tom Adeyemi-Rowe");
        var book = (await browser.Get("/api/guides/book"))
            .Body.GetProperty("lines")
            .EnumerateArray()
            .Select(l => l.GetProperty("kind").GetString())
            .ToList();
        Assert.True(book.Count(k => k == "cause") >= 90 && book.Count(k => k == "repair") >= 70, $"{book.Count}");
        var cause = (await browser.Get("/api/guides/causes/vent-blocked")).Body;
        Assert.NotEmpty(cause.GetProperty("signs").EnumerateArray());
        Assert.Contains(cause.GetProperty("mends").EnumerateArray(), m => m.GetProperty("repair").GetString() == "clear-vent");
        var code = (await browser.Get("/api/guides/codes/tolling-folio-3/F-10"))
            .Body.GetProperty("causes")
            .EnumerateArray()
            .Select(c => c.GetProperty("id").GetString())
            .ToList();
        Assert.Contains("contacts-inky", code);
        Assert.Contains("not-seated", code);
        var odds = (await browser.Get("/api/odds")).Body;
        Assert.Equal((true, 10), (odds.GetProperty("jobs").GetInt32() > 20, odds.GetProperty("tenths").GetArrayLength()));
        Assert.Equal(HttpStatusCode.NotFound, (await browser.Get("/api/guides/causes/no-such")).Status);
    }

    private static async Task<int> Version(Browser browser) => (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32();

    private static string? Chosen(JsonElement job, string school) =>
        job.GetProperty("schools")
            .EnumerateArray()
            .Single(s => s.GetProperty("id").GetString() == school)
            .GetProperty("chosen")
            .GetString();

    private static JsonNode Cause(JsonNode book, string id) => book["causes"]!.AsArray().Single(c => (string?)c!["id"] == id)!;

    private static async Task Edit(string path, Action<JsonNode> edit)
    {
        var file = JsonNode.Parse(await File.ReadAllTextAsync(path))!;
        edit(file);
        await File.WriteAllTextAsync(path, file.ToJsonString());
    }

    private static void Copy(string from, string to)
    {
        Directory.CreateDirectory(to);
        foreach (var file in Directory.GetFiles(from))
            File.Copy(file, Path.Combine(to, Path.GetFileName(file)));
        foreach (var folder in Directory.GetDirectories(from))
            Copy(folder, Path.Combine(to, Path.GetFileName(folder)));
    }
}
