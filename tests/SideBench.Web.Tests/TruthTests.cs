using System.Net;
using System.Text;
using System.Text.Json;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using SideBench.Core.Nozzles;
using SideBench.Devices.Pictures;
using SideBench.Web.Hosting;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>What the server says of a write is so; and what nothing can hold is refused before it is written.</summary>
public class TruthTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Theory]
    [InlineData("clocks", """{ "kind": "dry", "label": "", "minMinutes": 5, "maxMinutes": 1e11, STAMP }""", "/maxMinutes")]
    [InlineData("clocks", """{ "kind": "dry", "label": "", "minMinutes": 1e999, STAMP }""", "/minMinutes")]
    [InlineData("notes", """{ "text": "smells of \u0000 coffee", STAMP }""", "/text")]
    [InlineData("notes", """{ "text": "half a pair \ud83d", STAMP }""", "")]
    [InlineData("waits", """{ "for": "parts", "what": "cap", "until": "9999-12-31T00:00:00Z", STAMP }""", "/until")]
    [InlineData("opening/aim", """{ "parts": [null], STAMP }""", "/parts/0")]
    [InlineData("opening/aim", """{ "parts": ["\u0000"], STAMP }""", "/parts/0")]
    [InlineData("tray/cleared", """{ "items": [null], STAMP }""", "/items/0")]
    [InlineData("answers", """{ "finding": "draw-test", "outcome": "hard", "quantity": 1e999, STAMP }""", "/quantity")]
    [InlineData("repairs", """{ "repair": "clear-vent", "minutes": 1e300, STAMP }""", "/minutes")]
    public async Task WhatNothingCanHold_IsRefusedWithItsPlace_AndNothingIsWritten(string write, string body, string pointer)
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var sent = body.Replace("STAMP", $"\"key\": \"{Guid.NewGuid()}\", \"seenVersion\": {version}");
        var answer = await browser.Http.PostAsync($"/api/jobs/{job}/{write}", Json(sent));
        var told = JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync());
        Assert.True((int)answer.StatusCode is >= 400 and < 500, $"{answer.StatusCode}: {told}");
        Assert.Contains(pointer, told.GetProperty("problems").EnumerateArray().Select(p => p.GetProperty("pointer").GetString()));
        Assert.Equal(version, (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32());
    }

    [Theory]
    [InlineData("clock-started", """{"clock":"c1","kind":"dry","label":"dry","minMinutes":5,"maxMinutes":1e300}""", "any clock can hold")]
    [InlineData("from-next-year", """{"what":"nobody knows"}""", "from-next-year")]
    [InlineData("noted", """{"wrong":1}""", "noted")]
    public async Task LineThatCannotBeShown_IsADoubt_AndTheJobGoesOn(string kind, string body, string says)
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        await browser.Post($"/api/jobs/{job}/notes", Note(version, "before"));
        await using (var database = NpgsqlDataSource.Create(server.Connection))
        await using (
            var change = database.CreateCommand("UPDATE entries SET kind = $1, body = $2::jsonb WHERE job_id = $3 AND version = $4")
        )
        {
            foreach (var value in new object[] { kind, body, job, version + 1 })
                change.Parameters.AddWithValue(value);
            Assert.Equal(1, await change.ExecuteNonQueryAsync());
        }

        await using var another = await BenchServer.Run(server.Connection);
        var there = await Browser.Open(new Uri(another.Urls.First()), "Ines Varga");
        var (status, page) = await there.Get($"/api/jobs/{job}");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(says, page.GetProperty("doubts").ToString());
        Assert.Equal(HttpStatusCode.OK, (await there.Post($"/api/jobs/{job}/notes", Note(version + 1, "after"))).Status);
        Assert.Equal(HttpStatusCode.OK, (await there.Get($"/api/machines/{page.GetProperty("machineId").GetInt64()}/record")).Status);
    }

    [Fact]
    public async Task OneKeyOnTwoJobsAtOnce_IsOneWrite()
    {
        var browser = await server.Open();
        var jobs = new[] { await JobsTests.TakeIn(browser), await JobsTests.TakeIn(browser) };
        var key = Guid.NewGuid();
        var answers = await Task.WhenAll(
            jobs.Select(j =>
                browser.Post(
                    $"/api/jobs/{j.Job}/notes",
                    new
                    {
                        key,
                        seenVersion = j.Version,
                        text = "one thing said",
                    }
                )
            )
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Conflict], answers.Select(a => a.Status).Order());
        Assert.Equal("key-reused", JobsTests.Code(answers.Single(a => a.Status == HttpStatusCode.Conflict).Body));
    }

    [Fact]
    public async Task TakeInTenTimesAtOnceUnderOneKey_IsOneJob()
    {
        var browser = await server.Open();
        var intake = JobsTests.Intake();
        var answers = await Task.WhenAll(Enumerable.Range(0, 10).Select(_ => browser.Post("/api/take-in", intake)));
        Assert.All(answers, a => Assert.True(a.Status == HttpStatusCode.OK, a.Body.ToString()));
        Assert.Single(answers.Select(a => a.Body.GetProperty("jobId").GetInt64()).Distinct());
    }

    [Fact]
    public async Task VersionNobodyHasSeen_IsStale()
    {
        var browser = await server.Open();
        var (job, _) = await JobsTests.TakeIn(browser);
        var answer = new
        {
            key = Guid.NewGuid(),
            seenVersion = int.MaxValue,
            finding = "ink-seen",
            outcome = "enough",
        };
        Assert.Equal(HttpStatusCode.Conflict, (await browser.Post($"/api/jobs/{job}/answers", answer)).Status);
    }

    [Theory]
    [InlineData("7")]
    [InlineData("Owner,Counter")]
    [InlineData("owner ")]
    public async Task Role_IsOneWeKnow(string role)
    {
        var owner = await server.Open();
        var (status, body) = await People.Try(owner, "invitations", new { name = $"Wren {Guid.NewGuid():N}"[..20], role });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("/role", body.GetProperty("problems").ToString());
    }

    [Fact]
    public async Task FormsLargeBodiesAndZeroSigns_AreProblems_NeverOurMistake()
    {
        var nobody = await server.Open("");
        HttpContent[] bodies =
        [
            new FormUrlEncodedContent([new("name", "Ines Varga")]),
            new MultipartFormDataContent { { new StringContent("x"), "name" } },
            Json($"{{\"name\": \"{new string('x', 3_000_000)}\"}}"),
        ];
        foreach (var body in bodies)
            Assert.InRange((int)(await nobody.Http.PostAsync("/api/session", body)).StatusCode, 400, 499);
        var owner = await server.Open();
        foreach (var look in new[] { "/api/find?q=%00", "/api/take-in/customers?start=%00", "/api/take-in/machine?serial=%00" })
            Assert.InRange((int)(await owner.Get(look)).Status, 200, 499);
    }

    [Fact]
    public async Task OneTakeIn_SentTenTimesAtOnce_IsOneJob_AndNoProblem()
    {
        var browser = await server.Open();
        var intake = JobsTests.Intake();
        var answers = await Task.WhenAll(Enumerable.Range(0, 10).Select(_ => browser.Post("/api/take-in", intake)));
        Assert.All(answers, a => Assert.True(a.Status == HttpStatusCode.OK, a.Body.ToString()));
        Assert.Single(answers.Select(a => a.Body.GetProperty("jobId").GetInt64()).Distinct());
    }

    [Fact]
    public async Task ARefusedPhoto_LeavesNoPictureBehind()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var photo = PictureCodec.Jpeg(new PixelImage(31, 17, new byte[31 * 17 * 3]), 80);
        var at = $"/api/jobs/{job}/opening/photo?key={Guid.NewGuid()}&seenVersion={version}";
        async Task<long> Kept() => (long)(await Scalar("SELECT count(*) FROM pictures"))!;
        var before = await Kept();
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await browser.Send($"{at}&of=&label={new string('x', 500)}", photo)).Status);
        Assert.Equal(before, await Kept());
        Assert.Equal(HttpStatusCode.OK, (await browser.Send($"{at}&of=&label=lid", photo)).Status);
        Assert.Equal(before + 1, await Kept());
    }

    [Theory]
    [InlineData("elsewhere.example", HttpStatusCode.BadRequest)]
    [InlineData("localhost", HttpStatusCode.OK)]
    [InlineData("10.0.0.7:5180", HttpStatusCode.OK)]
    public async Task OnlyOurOwnNames_AreAnswered(string host, HttpStatusCode status)
    {
        using var nobody = new HttpClient { BaseAddress = server.Address };
        nobody.DefaultRequestHeaders.Host = host;
        Assert.Equal(status, (await nobody.GetAsync(new Uri("/api/session", UriKind.Relative))).StatusCode);
    }

    [Fact]
    public async Task TheDescriptionOfTheApi_IsForWhoIsSignedIn() =>
        Assert.Equal(HttpStatusCode.Unauthorized, (await (await server.Open("")).Http.GetAsync("/openapi/v1.json")).StatusCode);

    [Fact]
    public async Task ManyWritersAboutTheShop_WaitForOneAnother_AndLeaveTheOneThatWritesItsConnection()
    {
        // One connection hears news; of the others each writer holds one while it waits.
        await using var small = await BenchServer.Run($"{server.Connection};Maximum Pool Size=5;Timeout=4");
        var owner = await Browser.Open(new Uri(small.Urls.First()), "Ines Varga");
        object Wish() =>
            new
            {
                key = Guid.NewGuid(),
                seenVersion = 0,
                kind = "rate",
                target = "vent-blocked",
                to = "common",
                reason = "at once",
            };
        var answers = await Task.WhenAll(Enumerable.Range(0, 16).Select(_ => owner.Post("/api/shop/edits", Wish())));
        // Nobody had edited the book: the first is written, whatever else was told of the shop since. The others have not seen that edit.
        Assert.Single(answers, a => a.Status == HttpStatusCode.OK);
        Assert.Equal(15, answers.Count(a => a.Status != HttpStatusCode.OK && JobsTests.Code(a.Body) == "shop-changed"));
        await small.StopAsync();
    }

    [Fact]
    public async Task RealShop_IsOfferedNoStandIn_AndNoneTakesPart()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        Assert.Equal(2, (await browser.Get($"/api/jobs/{job}/sheets")).Body.GetProperty("devices").GetArrayLength());
        await using var database = NpgsqlDataSource.Create(server.Connection);
        await using var real = database.CreateCommand("DELETE FROM worlds");
        await real.ExecuteNonQueryAsync();
        server.Services.GetRequiredService<StandIns>().Forget();
        try
        {
            Assert.Equal(0, (await browser.Get($"/api/jobs/{job}/sheets")).Body.GetProperty("devices").GetArrayLength());
            var scan = await browser.Post(
                $"/api/jobs/{job}/sheets/scan",
                new
                {
                    key = Guid.NewGuid(),
                    seenVersion = version,
                    device = "flatbed",
                }
            );
            Assert.InRange((int)scan.Status, 400, 499);
            Assert.Equal(version, (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32());
        }
        finally
        {
            await using var demo = database.CreateCommand("INSERT INTO worlds (world) VALUES ('demo')");
            await demo.ExecuteNonQueryAsync();
            server.Services.GetRequiredService<StandIns>().Forget();
        }
    }

    private static object Note(int version, string text) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            text,
        };

    private static StringContent Json(string text) => new(text, Encoding.UTF8, "application/json");

    private async Task<object?> Scalar(string sql)
    {
        await using var command = server.Services.GetRequiredService<NpgsqlDataSource>().CreateCommand(sql);
        return await command.ExecuteScalarAsync();
    }
}
