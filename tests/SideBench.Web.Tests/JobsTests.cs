using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

public class JobsTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Fact]
    public async Task SameAnswerSentTwice_IsWrittenOnce_AndAnsweredAlike()
    {
        var browser = await server.Open();
        var (job, version) = await TakeIn(browser);
        var answer = new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            finding = "ink-seen",
            outcome = "enough",
        };
        var first = await browser.Post($"/api/jobs/{job}/answers", answer);
        var second = await browser.Post($"/api/jobs/{job}/answers", answer);
        Assert.Equal((HttpStatusCode.OK, HttpStatusCode.OK), (first.Status, second.Status));
        Assert.Equal(version + 1, second.Body.GetProperty("version").GetInt32());
        var other = await browser.Post($"/api/jobs/{job}/answers", answer with { outcome = "low" });
        Assert.Equal("key-reused", Code(other.Body));
    }

    [Fact]
    public async Task TwoPeopleAnsweringAtOnce_OneIsWritten_TheOtherIsToldWhatChanged()
    {
        var ines = await server.Open();
        var tom = await server.Open("Tom Adeyemi-Rowe");
        var (job, version) = await TakeIn(ines);
        var answers = await Task.WhenAll(
            ines.Post($"/api/jobs/{job}/answers", Answer(version, "ink-seen", "enough")),
            tom.Post($"/api/jobs/{job}/answers", Answer(version, "ink-seen", "low"))
        );
        Assert.Single(answers, a => a.Status == HttpStatusCode.OK);
        var refused = Assert.Single(answers, a => a.Status == HttpStatusCode.Conflict).Body;
        Assert.Equal("stale-version", Code(refused));
        Assert.Contains("Look at the ink", Assert.Single(refused.GetProperty("changes").EnumerateArray().ToList()).GetString());
        var (_, now) = await ines.Get($"/api/jobs/{job}");
        Assert.Equal(version + 1, now.GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task NoteOnAStaleVersion_IsStillWritten()
    {
        var browser = await server.Open();
        var (job, version) = await TakeIn(browser);
        await browser.Post($"/api/jobs/{job}/answers", Answer(version, "ink-seen", "enough"));
        var note = await browser.Post(
            $"/api/jobs/{job}/notes",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                text = "smells of coffee",
            }
        );
        Assert.Equal(version + 2, note.Body.GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task Counter_MayTakeInAndNote_ButNotAnswer()
    {
        var mika = await server.Open("Mika Sund");
        var (job, version) = await TakeIn(mika);
        var note = await mika.Post(
            $"/api/jobs/{job}/notes",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                text = "called back",
            }
        );
        Assert.Equal(HttpStatusCode.OK, note.Status);
        var answer = await mika.Post($"/api/jobs/{job}/answers", Answer(version + 1, "ink-seen", "enough"));
        Assert.Equal((HttpStatusCode.Forbidden, "not-allowed"), (answer.Status, Code(answer.Body)));
        var person = await mika.Post(
            "/api/people/invitations",
            new
            {
                key = Guid.NewGuid(),
                name = "X",
                role = "Owner",
            }
        );
        Assert.Equal(HttpStatusCode.Forbidden, person.Status);
    }

    [Fact]
    public async Task TakeIn_WithEverythingWrong_NamesEveryField_AndChangesNothing()
    {
        var browser = await server.Open();
        var (_, before) = await browser.Get("/api/board");
        var bad = new
        {
            key = Guid.NewGuid(),
            serial = "",
            modelId = "marram-duo",
            customerName = "",
            complaint = "nonsense",
            words = new string('x', 100_000),
            cleansTried = 0,
            ink = "soup",
            idleWeeks = -4,
            moved = false,
            paper = "plain",
            borderless = false,
        };
        var (status, body) = await browser.Post("/api/take-in", bad);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        var pointers = body.GetProperty("problems").EnumerateArray().Select(p => p.GetProperty("pointer").GetString()!).ToHashSet();
        Assert.Superset(new HashSet<string> { "/serial", "/customerName", "/complaint", "/words", "/ink", "/idleWeeks" }, pointers);
        Assert.DoesNotMatch(@"\{\d\}", body.ToString());
        var (_, after) = await browser.Get("/api/board");
        Assert.Equal(before.GetProperty("jobs").GetArrayLength(), after.GetProperty("jobs").GetArrayLength());
    }

    [Fact]
    public async Task TakeIn_SentTwice_IsOneJob_AndItsSerialIsThenTaken()
    {
        var browser = await server.Open();
        var request = Intake();
        var first = await browser.Post("/api/take-in", request);
        var again = await browser.Post("/api/take-in", request);
        Assert.Equal(first.Body.GetProperty("jobId").GetInt64(), again.Body.GetProperty("jobId").GetInt64());
        var (_, taken) = await browser.Post("/api/take-in", request with { key = Guid.NewGuid() });
        Assert.Equal("serial-taken", Code(taken));
    }

    [Theory]
    [InlineData("/api/jobs/999999", "unknown-job")]
    [InlineData("/api/machines/999999", "unknown-machine")]
    [InlineData("/api/no/such/place", "not-understood")]
    public async Task UnknownThings_AreNotFound_WithAProblem(string path, string code)
    {
        var (status, body) = await (await server.Open()).Get(path);
        Assert.Equal((HttpStatusCode.NotFound, code), (status, Code(body)));
    }

    [Fact]
    public async Task BrokenJson_IsNotUnderstood()
    {
        var browser = await server.Open();
        var answer = await browser.Http.PostAsync(
            "/api/take-in",
            new StringContent("{ \"key\": ", System.Text.Encoding.UTF8, "application/json")
        );
        Assert.Equal("not-understood", Code(JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync())));
    }

    [Fact]
    public async Task WriteOnOneServer_IsHeardOnAnother()
    {
        await using var other = await BenchServer.Run(server.Connection);
        var far = await Browser.Open(new Uri(other.Urls.First()), "Tom Adeyemi-Rowe");
        var near = await server.Open();
        var (job, version) = await TakeIn(near);
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        await using var stream = await far.Http.GetStreamAsync("/api/events", limit.Token);
        using var lines = new StreamReader(stream);
        while ((await lines.ReadLineAsync(limit.Token))?.Contains("\"all\"") != true) { }
        await near.Post($"/api/jobs/{job}/answers", Answer(version, "ink-seen", "enough"));
        string? heard;
        do heard = await lines.ReadLineAsync(limit.Token);
        while (heard?.Contains($"\"job\":{job},\"version\":{version + 1}") != true);
        await other.StopAsync();
    }

    [Fact]
    public async Task Record_ExportsAsCsvAndJson_WithEveryLine()
    {
        var browser = await server.Open();
        var (job, version) = await TakeIn(browser);
        await browser.Post(
            $"/api/jobs/{job}/notes",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                text = "a, \"b\"",
            }
        );
        var machine = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("machineId").GetInt64();
        var csv = await browser.Http.GetStringAsync($"/api/machines/{machine}/record.csv");
        var json = JsonSerializer.Deserialize<JsonElement>(await browser.Http.GetStringAsync($"/api/machines/{machine}/record.json"));
        Assert.Contains("\"a, \"\"b\"\"\"", csv);
        Assert.Equal(csv.Split("\r\n", StringSplitOptions.RemoveEmptyEntries).Length - 1, json.GetProperty("entries").GetArrayLength());
        Assert.Superset(
            new HashSet<string> { "customer-registered", "machine-registered", "taken-in", "noted" },
            json.GetProperty("entries").EnumerateArray().Select(e => e.GetProperty("kind").GetString()!).ToHashSet()
        );
    }

    [Fact]
    public async Task DatabaseThatIsGone_IsAProblemThatSaysNothingWasWritten()
    {
        await using var lost = await BenchServer.Run("Host=127.0.0.1;Port=1;Username=x;Password=x;Database=x;Timeout=2");
        var browser = new Browser(new Uri(lost.Urls.First()));
        var (status, body) = await browser.Get("/api/session");
        Assert.Equal((HttpStatusCode.ServiceUnavailable, "database-unreachable"), (status, Code(body)));
        Assert.Equal(HttpStatusCode.ServiceUnavailable, (await browser.Http.GetAsync("/health")).StatusCode);
        await lost.StopAsync();
    }

    internal static object Answer(int seenVersion, string finding, string outcome) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion,
            finding,
            outcome,
            quantity = (double?)null,
        };

    internal sealed record IntakeBody(
        Guid key,
        string serial,
        string modelId,
        string customerName,
        string customerContact,
        string complaint,
        string words,
        string tried,
        int cleansTried,
        string ink,
        int idleWeeks,
        bool moved,
        string paper,
        bool borderless,
        string accessories
    );

    internal static IntakeBody Intake() =>
        new(
            Guid.NewGuid(),
            $"T-{Guid.NewGuid():N}",
            "marram-quartet-a4",
            "Ferry Café",
            "",
            "fades-under-load",
            "The second sheet fades.",
            "",
            0,
            "maker",
            0,
            true,
            "plain",
            false,
            ""
        );

    internal static async Task<(long Job, int Version)> TakeIn(Browser browser, string model = "marram-quartet-a4")
    {
        var (status, body) = await browser.Post("/api/take-in", Intake() with { modelId = model });
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        var job = body.GetProperty("jobId").GetInt64();
        return (job, (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32());
    }

    internal static string? Code(JsonElement body) => body.GetProperty("code").GetString();
}
