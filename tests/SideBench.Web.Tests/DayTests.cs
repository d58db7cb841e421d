using System.Net;
using System.Text.Json;
using Ical.Net;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>The day over the API: the plan, pins, hours, what can be promised, a walk-in, and the calendar.</summary>
public class DayTests(BenchServer server) : IClassFixture<BenchServer>
{
    // A Monday at nine.
    private static readonly DateTimeOffset Monday = new(
        2027,
        3,
        1,
        9,
        0,
        0,
        TimeZoneInfo.Local.GetUtcOffset(new DateTime(2027, 3, 1, 9, 0, 0))
    );

    [Fact]
    public async Task SomebodyNew_WhoHasWrittenNothing_HasADayToo()
    {
        await using var app = await BenchServer.Run(server.Connection, clock: new StillClock(Monday));
        var owner = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        await TakenIn(owner, Monday.AddHours(30));
        await People.Join(new Uri(app.Urls.First()), owner, "New Hand");
        var (status, day) = await owner.Get("/api/day");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(day.GetProperty("hands").EnumerateArray(), h => h.GetProperty("name").GetString() == "New Hand");
    }

    [Fact]
    public async Task ThePlan_HasEveryMachine_WithItsPieces_AndTheChanceOfItsPromise()
    {
        await using var app = await BenchServer.Run(server.Connection, clock: new StillClock(Monday));
        var browser = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var (firm, hopeless) = (await TakenIn(browser, Monday.AddHours(30)), await TakenIn(browser, Monday.AddMinutes(5)));
        var day = (await browser.Get("/api/day")).Body;
        var jobs = day.GetProperty("jobs").EnumerateArray().ToDictionary(j => j.GetProperty("id").GetInt64());
        Assert.True(jobs[firm].GetProperty("kept").GetDouble() > 0.9);
        Assert.True(jobs[hopeless].GetProperty("kept").GetDouble() < 0.2);
        Assert.All(
            jobs.Values,
            j =>
            {
                Assert.NotEmpty(j.GetProperty("pieces").EnumerateArray());
                Assert.True(At(j, "early") <= At(j, "likely") && At(j, "likely") <= At(j, "late"));
            }
        );
        // The one with the sooner promise is in somebody's hands now, and the card says why.
        var now = day.GetProperty("nows").EnumerateArray().Where(n => n.GetProperty("now").ValueKind == JsonValueKind.Object).ToList();
        Assert.NotEmpty(now);
        Assert.All(now, n => Assert.NotEqual("", n.GetProperty("now").GetProperty("because").GetString()));
        // Who took it in is at the door, not on it.
        Assert.DoesNotContain(
            now.Select(n => n.GetProperty("now")),
            n =>
                n.GetProperty("job").GetInt64() is var job
                && (job == firm || job == hopeless)
                && n.GetProperty("because").GetString() == "hands are on it"
        );
        Assert.Contains("promises hold", day.GetProperty("says").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task WhatGoesBack_IsPlanned_UntilItIsSeenTo()
    {
        await using var app = await BenchServer.Run(server.Connection, clock: new StillClock(Monday));
        var browser = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var version = (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32();
        var name = $"Board {Guid.NewGuid():N}";
        var came = await browser.Post(
            "/api/shelf/came",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                kind = "board",
                name,
                @for = "Tolling Broadside 44",
                amount = 1,
                price = 10,
                returnBy = "2027-03-02",
            }
        );
        Assert.Equal(HttpStatusCode.OK, came.Status);
        var due = (await browser.Get("/api/day")).Body.GetProperty("reminders").EnumerateArray();
        var one = Assert.Single(due, r => r.GetProperty("says").GetString() == $"Send back {name}");
        Assert.NotEqual("", one.GetProperty("name").GetString());
        Assert.Equal(HttpStatusCode.OK, (await Done(one.GetProperty("key").GetString()!)).Status);
        due = (await browser.Get("/api/day")).Body.GetProperty("reminders").EnumerateArray();
        Assert.DoesNotContain(due, r => r.GetProperty("says").GetString() == $"Send back {name}");
        Assert.Equal("no-reminder", (await Done("return-of-nothing")).Body.GetProperty("problems")[0].GetProperty("code").GetString());

        async Task<(HttpStatusCode Status, JsonElement Body)> Done(string of) =>
            await browser.Post(
                "/api/day/reminders",
                new
                {
                    key = Guid.NewGuid(),
                    seenVersion = (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32(),
                    of,
                }
            );
    }

    [Fact]
    public async Task APin_IsKept_UntilItIsLetGo_AndATimeThatIsOverIsRefused()
    {
        await using var app = await BenchServer.Run(server.Connection, clock: new StillClock(Monday));
        var browser = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var job = await TakenIn(browser, null);
        var hands = (await browser.Get("/api/day")).Body.GetProperty("hands").EnumerateArray().ToList();
        var of = hands[^1].GetProperty("id").GetInt64();
        var from = Monday.AddHours(2);
        Assert.Equal(
            "past-time",
            await Refused(
                browser,
                job,
                new
                {
                    of,
                    from = Monday.AddHours(-1),
                    free = false,
                }
            )
        );
        Assert.Equal(
            "no-such-person",
            await Refused(
                browser,
                job,
                new
                {
                    of = 9999,
                    from,
                    free = false,
                }
            )
        );
        Assert.Equal("missing", await Refused(browser, job, new { of = 0, free = false }));
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await Pin(
                    browser,
                    job,
                    new
                    {
                        of,
                        from,
                        free = false,
                    }
                )
            ).Status
        );
        var piece = await First(browser, job);
        Assert.Equal((of, from), (piece.GetProperty("hand").GetInt64(), At(piece, "from")));
        Assert.Equal(HttpStatusCode.OK, (await Pin(browser, job, new { of = 0, free = true })).Status);
        Assert.True(At(await First(browser, job), "from") < from);
    }

    [Fact]
    public async Task Hours_AreTheOwners_AndThePlanLiesWithinThem()
    {
        await using var app = await BenchServer.Run(server.Connection, clock: new StillClock(Monday));
        var browser = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var job = await TakenIn(browser, null);
        var wrong = await Set(
            browser,
            new
            {
                of = 0,
                weekday = "Monday",
                hours = "17:00-09:00",
            }
        );
        Assert.Equal("/hours", wrong.Body.GetProperty("problems")[0].GetProperty("pointer").GetString());
        Assert.Equal(
            "/weekday",
            (await Set(browser, new { of = 0, hours = "" })).Body.GetProperty("problems")[0].GetProperty("pointer").GetString()
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await Set(
                    browser,
                    new
                    {
                        of = 0,
                        day = "2027-03-01",
                        hours = "",
                        why = "fair",
                    }
                )
            ).Status
        );
        // The shop is closed today: the first piece comes tomorrow at the earliest.
        Assert.True(At(await First(browser, job), "from") > Monday.AddHours(20));
        Assert.Contains(
            (await browser.Get("/api/day/hours")).Body.GetProperty("days").EnumerateArray(),
            d => d.GetProperty("day").GetString() == "2027-03-01"
        );
        var technician = await Browser.Open(new Uri(app.Urls.First()), "Tom Adeyemi-Rowe");
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (
                await Set(
                    technician,
                    new
                    {
                        of = 0,
                        weekday = "Monday",
                        hours = "",
                    }
                )
            ).Status
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await Set(
                    browser,
                    new
                    {
                        of = 0,
                        day = "2027-03-01",
                        hours = "08:30-17:30",
                    }
                )
            ).Status
        );
    }

    [Fact]
    public async Task WhatCanBePromised_HoldsByTheShopsLevel_AndAWalkInSaysWhatItHarms()
    {
        await using var app = await BenchServer.Run(server.Connection, clock: new StillClock(Monday.AddDays(1).AddSeconds(17.371)));
        var browser = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var said = (await browser.Get("/api/day/promise?model=marram-duo&complaint=missing-after-idle")).Body;
        var offer = said.GetProperty("offered");
        Assert.True(offer.GetProperty("holds").GetDouble() >= said.GetProperty("level").GetDouble());
        // Half past, not a moment before it, though the plan begins at some odd second.
        Assert.Equal((0, 0, 0), (At(offer, "at").Minute % 30, At(offer, "at").Second, At(offer, "at").Millisecond));
        var holds = said.GetProperty("times").EnumerateArray().Select(t => t.GetProperty("holds").GetDouble()).ToList();
        Assert.Equal(holds.Order(), holds);
        Assert.Equal("/model", Pointer((await browser.Get("/api/day/promise?model=none&complaint=x")).Body));
        Assert.Equal("/minutes", Pointer((await browser.Get("/api/day/walk-in?minutes=0")).Body));
        Assert.Equal("/person", Pointer((await browser.Get("/api/day/walk-in?minutes=40&person=77")).Body));
        var walk = (await browser.Get("/api/day/walk-in?minutes=40")).Body;
        Assert.True(At(walk, "firstGap") >= Monday.AddDays(1));
    }

    [Fact]
    public async Task TheCalendar_IsReadByAnyReader_AtASecretAddress_ThatCanBeRenewed()
    {
        var browser = await server.Open();
        var job = await TakenIn(browser, DateTimeOffset.UtcNow.AddDays(2));
        var path = await Renewed(browser);
        using var stranger = new HttpClient { BaseAddress = browser.Http.BaseAddress };
        var calendar = Calendar.Load(await stranger.GetStringAsync(path))!;
        var promised = calendar.Events.Single(e => e.Uid == $"promise-{job}@side-bench");
        Assert.EndsWith(": promised", promised.Summary, StringComparison.Ordinal);
        Assert.Equal(DateTimeOffset.UtcNow.AddDays(2).Date, promised.Start!.AsUtc.Date);
        var other = await Renewed(browser);
        Assert.NotEqual(path, other);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync(path)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await stranger.GetAsync(other)).StatusCode);
        var technician = await server.Open("Tom Adeyemi-Rowe");
        Assert.Equal(HttpStatusCode.Forbidden, (await technician.Get("/api/day/calendar")).Status);
    }

    private static async Task<string> Renewed(Browser browser) =>
        (await browser.Post("/api/day/calendar/renew", new { key = Guid.NewGuid(), oldStops = true })).Body.GetProperty("path").GetString()
        ?? "";

    private static string Pointer(JsonElement body) => body.GetProperty("problems")[0].GetProperty("pointer").GetString() ?? "";

    private static DateTimeOffset At(JsonElement of, string name) => of.GetProperty(name).GetDateTimeOffset();

    private static async Task<JsonElement> First(Browser browser, long job) =>
        (await browser.Get("/api/day"))
            .Body.GetProperty("jobs")
            .EnumerateArray()
            .Single(j => j.GetProperty("id").GetInt64() == job)
            .GetProperty("pieces")[0];

    private static async Task<string> Refused(Browser browser, long job, object said) =>
        JobsTests.Code((await Pin(browser, job, said)).Body) ?? "";

    private static async Task<(HttpStatusCode Status, JsonElement Body)> Pin(Browser browser, long job, object said) =>
        await Post(browser, $"/api/jobs/{job}/pin", (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32(), said);

    private static async Task<(HttpStatusCode Status, JsonElement Body)> Set(Browser browser, object said) =>
        await Post(browser, "/api/day/hours", (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32(), said);

    private static Task<(HttpStatusCode Status, JsonElement Body)> Post(Browser browser, string path, int version, object said)
    {
        var body = JsonSerializer.SerializeToNode(said)!.AsObject();
        (body["key"], body["seenVersion"]) = (Guid.NewGuid(), version);
        return browser.Post(path, body);
    }

    private static async Task<long> TakenIn(Browser browser, DateTimeOffset? promise)
    {
        var intake = JsonSerializer.SerializeToNode(JobsTests.Intake() with { serial = $"DY-{Guid.NewGuid():N}"[..12] })!.AsObject();
        intake["promise"] = promise;
        var (status, body) = await browser.Post("/api/take-in", intake);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        return body.GetProperty("jobId").GetInt64();
    }
}
