using System.Net;
using System.Text.Json;
using Xunit;
using static SideBench.Web.Tests.WasteCalls;

namespace SideBench.Web.Tests;

/// <summary>Waste of a machine over the API: resets, keys, refusals, ways on, and a day for the calendar.</summary>
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
}
