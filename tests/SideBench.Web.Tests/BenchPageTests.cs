using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

public class BenchPageTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    public async Task Board_ShowsTheSixDemoMachines_EachInItsState()
    {
        var jobs = (await (await server.Open()).Get("/api/board"))
            .Body.GetProperty("jobs")
            .EnumerateArray()
            .Where(j => j.GetProperty("place").GetInt32() is > 0 and < 7);
        var standings = jobs.OrderBy(j => j.GetProperty("place").GetInt32()).Select(j => j.GetProperty("standing").GetString());
        Assert.Equal(["time", "hands", "time", "parts", "customer", "hands"], standings);
    }

    [Fact]
    public async Task BenchPage_ShowsPathsAdviceEvidenceAndWhatIsHeld()
    {
        var view = await Fading();
        Assert.Equal(
            ["signal", "ink", "waste"],
            view.GetProperty("stations").EnumerateArray().Select(s => s.GetProperty("path").GetString()).Distinct()
        );
        var suspicion = view.GetProperty("stations").EnumerateArray().Sum(s => s.GetProperty("suspicionRatio").GetDouble());
        Assert.Equal(1, suspicion + view.GetProperty("unknownRatio").GetDouble() + view.GetProperty("fixedRatio").GetDouble(), 6);
        Assert.Single(view.GetProperty("stations").EnumerateArray(), s => s.GetProperty("leading").GetBoolean());
        var held = view.GetProperty("held").EnumerateArray().Single(h => h.GetProperty("gate").GetString() == "complete-pattern");
        Assert.Contains("the head is not the fault", held.GetProperty("reason").GetString());
        Assert.Contains(held.GetProperty("steps").EnumerateArray(), s => s.GetProperty("spends").GetString()!.Contains("9\u2009ml"));
        Assert.Contains(view.GetProperty("evidence").EnumerateArray(), e => e.GetProperty("kind").GetString() == "context");
        var outcomes = view.GetProperty("advice").GetProperty("step").GetProperty("outcomes").EnumerateArray().ToList();
        Assert.Equal(1, outcomes.Sum(o => o.GetProperty("chanceRatio").GetDouble()), 6);
    }

    [Fact]
    public async Task Station_ListsItsCausesAndSteps()
    {
        var browser = await server.Open();
        var (job, _) = await JobsTests.TakeIn(browser);
        var (_, vent) = await browser.Get($"/api/jobs/{job}/stations/vent");
        Assert.Contains(vent.GetProperty("causes").EnumerateArray(), c => c.GetProperty("id").GetString() == "vent-blocked");
        Assert.Contains(vent.GetProperty("steps").EnumerateArray(), s => s.GetProperty("id").GetString() == "clear-vent");
        Assert.Equal(HttpStatusCode.Conflict, (await browser.Get($"/api/jobs/{job}/stations/moon")).Status);
    }

    [Fact]
    public async Task Override_NeedsAReason_ThenLetsTheStepPast()
    {
        var browser = await server.Open();
        var view = await Fading(browser);
        var (id, version) = (view.GetProperty("id").GetInt64(), view.GetProperty("version").GetInt32());
        var mend = new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            repair = "clean-light",
        };
        Assert.Equal("held-back", (await browser.Post($"/api/jobs/{id}/repairs", mend)).Body.GetProperty("code").GetString());
        Assert.Equal("missing", (
                await browser.Post(
                    $"/api/jobs/{id}/overrides",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = version,
                        step = "clean-light",
                        reason = "",
                    }
                )
            ).Body.GetProperty("code").GetString());
        await Good(
            browser.Post(
                $"/api/jobs/{id}/overrides",
                new
                {
                    key = Guid.NewGuid(),
                    seenVersion = version,
                    step = "clean-light",
                    reason = "customer insists",
                }
            )
        );
        await Good(browser.Post($"/api/jobs/{id}/repairs", mend with { key = Guid.NewGuid(), seenVersion = version + 1 }));
    }

    [Fact]
    public async Task Waits_Consents_AndPlaces_AreWrittenAndShown()
    {
        var browser = await server.Open("Mika Sund");
        var (job, version) = await JobsTests.TakeIn(browser);
        var waiting = await Good(
            browser.Post(
                $"/api/jobs/{job}/waits",
                new
                {
                    key = Guid.NewGuid(),
                    seenVersion = version,
                    @for = "parts",
                    what = "damper on order",
                    until = (string?)null,
                }
            )
        );
        Assert.Equal(
            ("parts", "damper on order"),
            (waiting.GetProperty("standing").GetString(), waiting.GetProperty("waitsWhat").GetString())
        );
        var off = await Good(
            browser.Post(
                $"/api/jobs/{job}/place",
                new
                {
                    key = Guid.NewGuid(),
                    seenVersion = version + 1,
                    place = 0,
                }
            )
        );
        Assert.Equal(0, off.GetProperty("place").GetInt32());
        var taken = await browser.Post(
            $"/api/jobs/{job}/place",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version + 2,
                place = 1,
            }
        );
        Assert.Equal(HttpStatusCode.Conflict, taken.Status);
        await Good(
            browser.Post(
                $"/api/jobs/{job}/consents",
                new
                {
                    key = Guid.NewGuid(),
                    seenVersion = version + 2,
                    what = "past-limit",
                    by = "by phone",
                }
            )
        );
    }

    [Fact]
    public async Task Tag_CarriesACodeThatOpensTheJob()
    {
        var browser = await server.Open();
        var (job, _) = await JobsTests.TakeIn(browser);
        var (_, tag) = await browser.Get($"/api/jobs/{job}/tag");
        Assert.EndsWith($"/bench/{job}", tag.GetProperty("link").GetString());
        Assert.StartsWith("<svg", tag.GetProperty("qrSvg").GetString());
        Assert.DoesNotContain("<script", tag.GetProperty("qrSvg").GetString());
    }

    [Fact]
    public async Task HandOverSheet_OfAnOpenJob_SaysThatItIsStillOnTheBench()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var (_, sheet) = await browser.Get($"/api/jobs/{job}/hand-over");
        Assert.Equal("Still on the bench.", sheet.GetProperty("ending").GetString());
        var early = await browser.Post(
            $"/api/jobs/{job}/hand-over",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                to = "Ferry Café",
                charge = 5,
            }
        );
        Assert.Equal("job-open", early.Body.GetProperty("code").GetString());
    }

    [Fact]
    public async Task FoundMachine_ComesWithItsCustomer_AndItsOpenJob()
    {
        var browser = await server.Open();
        var (job, _) = await JobsTests.TakeIn(browser);
        var serial = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("serial").GetString()!;
        var (_, found) = await browser.Get($"/api/take-in/machine?serial={serial.ToLowerInvariant()}");
        Assert.Equal(
            (job, "Ferry Café"),
            (found.GetProperty("openJob").GetInt64(), found.GetProperty("customer").GetProperty("name").GetString())
        );
        Assert.Equal(HttpStatusCode.NoContent, (await browser.Get("/api/take-in/machine?serial=nobody")).Status);
        var again = JobsTests.Intake();
        var (_, body) = await browser.Post(
            "/api/take-in",
            new
            {
                again.key,
                machineId = found.GetProperty("id").GetInt64(),
                customerName = "Ferry Café",
                again.complaint,
                again.words,
                cleansTried = 0,
                ink = "maker",
                idleWeeks = 0,
                moved = false,
                paper = "plain",
                borderless = false,
            }
        );
        Assert.Equal("machine-on-bench", body.GetProperty("code").GetString());
    }

    [Fact]
    public async Task Find_AnswersTagsSerialsAndNames()
    {
        var browser = await server.Open();
        foreach (var typed in new[] { "417", "harbour", "quartet" })
            Assert.NotEmpty((await browser.Get($"/api/find?q={typed}")).Body.EnumerateArray());
        Assert.Empty((await browser.Get("/api/find?q=%20")).Body.EnumerateArray());
    }

    [Fact]
    public async Task MachinesRecord_ComesInPages_NewestFirst()
    {
        var browser = await server.Open();
        var (_, first) = await browser.Get("/api/machines/1/record");
        var ids = first.GetProperty("entries").EnumerateArray().Select(e => e.GetProperty("id").GetInt64()).ToList();
        Assert.Equal(ids.OrderDescending(), ids);
        var (_, older) = await browser.Get($"/api/machines/1/record?before={ids[0]}");
        Assert.Equal(
            ids.Skip(1),
            older.GetProperty("entries").EnumerateArray().Select(e => e.GetProperty("id").GetInt64()).Take(ids.Count - 1)
        );
    }

    [Fact]
    public async Task Answers_CarryTheGuardsOfABrowser()
    {
        using var fresh = new HttpClient { BaseAddress = server.Address };
        var answer = await fresh.GetAsync("/api/session");
        Assert.Contains("default-src 'self'", answer.Headers.GetValues("Content-Security-Policy").Single());
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Contains(answer.Headers.GetValues("Set-Cookie"), c => c.Contains("samesite=strict") && c.Contains("httponly"));
    }

    [Fact]
    public async Task People_WithBadInput_NameEachField()
    {
        var owner = await server.Open();
        var (_, body) = await People.Try(owner, "invitations", new { name = "", role = "King" });
        var pointers = body.GetProperty("problems").EnumerateArray().Select(p => p.GetProperty("pointer").GetString()).ToHashSet();
        Assert.Equal(new HashSet<string?> { "/name", "/role" }, pointers);
        var secrets = People.Joining("Ines Varga", "AAAA-AAAA", pin: "12", password: "short");
        (_, body) = await (await server.Open("")).Post("/api/session/join", secrets);
        pointers = body.GetProperty("problems").EnumerateArray().Select(p => p.GetProperty("pointer").GetString()).ToHashSet();
        Assert.Equal(new HashSet<string?> { "/password", "/pin" }, pointers);
        var twice = await People.Try(owner, "invitations", new { name = "ines varga", role = "Technician" });
        Assert.Equal("name-taken", twice.Body.GetProperty("code").GetString());
    }

    private async Task<JsonElement> Fading(Browser? browser = null)
    {
        browser ??= await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        return await Good(browser.Post($"/api/jobs/{job}/answers", JobsTests.Answer(version, "nozzle-sheet", "complete")));
    }

    private static async Task<JsonElement> Good(Task<(HttpStatusCode Status, JsonElement Body)> asked)
    {
        var (status, body) = await asked;
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        return body;
    }
}
