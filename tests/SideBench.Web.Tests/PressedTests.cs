using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>What a press showed is what is written, and how it was told is on record.</summary>
public class PressedTests(BenchServer server) : IClassFixture<BenchServer>
{
    [Theory]
    [InlineData("Look at the ink", "Low or empty", "shown-other")]
    [InlineData("Print five full pages", "Enough", "shown-other")]
    public async Task Press_ThatShowedAnotherAnswerOrStep_IsRefused_AndChangesNothing(string step, string answer, string code)
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var refused = await browser.Post($"/api/jobs/{job}/answers", Press(version, "ink-seen", "enough", new(step, answer, version)));
        Assert.Equal((HttpStatusCode.Conflict, code), (refused.Status, JobsTests.Code(refused.Body)));
        Assert.Equal(version, (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task Press_AsItWasShown_IsWritten_WithHowItWasTold()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var page = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("advice").GetProperty("step");
        var answer = page.GetProperty("outcomes")[0];
        var shown = new Shown($" {page.GetProperty("name").GetString()}\n", answer.GetProperty("label").GetString()!, version);
        var finding = page.GetProperty("id").GetString()!;
        var said = await browser.Post($"/api/jobs/{job}/answers", Press(version, finding, answer.GetProperty("id").GetString()!, shown));
        Assert.Equal(HttpStatusCode.OK, said.Status);
        Assert.Equal("key", (await Lines(browser, job)).First(l => l.Kind == "answered").How);
        await browser.Post(
            $"/api/jobs/{job}/notes",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = 0,
                text = "from a script",
            }
        );
        Assert.Null((await Lines(browser, job)).First(l => l.Kind == "noted").How);
    }

    [Fact]
    public async Task Press_ForACardThatAnotherPersonChanged_IsRefused_ThoughItWaitedBehindOnesOwn()
    {
        var ines = await server.Open();
        var tom = await server.Open("Tom Adeyemi-Rowe");
        var (job, version) = await JobsTests.TakeIn(ines);
        await ines.Post($"/api/jobs/{job}/answers", Press(version, "ink-seen", "enough", null));
        var own = await ines.Post($"/api/jobs/{job}/answers", Press(version + 1, "just-changed", "weeks", new("", "", version)));
        Assert.Equal(HttpStatusCode.OK, own.Status);
        await tom.Post($"/api/jobs/{job}/answers", Press(version + 2, "film-and-tabs", "none", null));
        var late = await ines.Post($"/api/jobs/{job}/answers", Press(version + 3, "panel-code", "none", new("", "", version + 2)));
        Assert.Equal("stale-version", JobsTests.Code(late.Body));
        Assert.Contains("Tom Adeyemi-Rowe", late.Body.GetProperty("changes")[0].GetString());
    }

    [Fact]
    public async Task StepOfAGuide_IsToldByHand_AndTheRepairThatItMakesByTheGuide()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        async Task<JsonElement> Say(string path, object said)
        {
            var answer = await browser.Post($"/api/jobs/{job}/{path}", said);
            Assert.True(answer.Status == HttpStatusCode.OK, $"{path}: {answer.Body}");
            return (await browser.Get($"/api/jobs/{job}/opening")).Body;
        }

        var opening = await Say(
            "guides/begin",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                guide = "clean-by-screen",
                slot = 1,
            }
        );
        var run = opening.GetProperty("run").GetProperty("run").GetString();
        for (var act = Next(opening); act is { } now; act = Next(opening))
        {
            var wrong = await browser.Post($"/api/jobs/{job}/guides/tick", Tick(run, now, "Another step"));
            Assert.Equal("shown-other", JobsTests.Code(wrong.Body));
            opening = await Say("guides/tick", Tick(run, now, now.GetProperty("title").GetString()!));
        }

        var lines = await Lines(browser, job);
        Assert.All(lines.Where(l => l.Kind == "guide-ticked"), l => Assert.Equal("hand", l.How));
        Assert.Equal("guide", Assert.Single(lines, l => l.Kind == "mended").How);
    }

    [Fact]
    public async Task HowItWasTold_ThatIsNoWord_IsRefused()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var said = new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            text = "x",
            howTold = "by pigeon",
        };
        Assert.Equal(HttpStatusCode.BadRequest, (await browser.Post($"/api/jobs/{job}/notes", said)).Status);
        var (_, photo) = await browser.Send($"/api/jobs/{job}/opening/photo?key={Guid.NewGuid()}&seenVersion=0&of=&howTold=7", [1]);
        Assert.Equal("unknown-word", JobsTests.Code(photo));
        Assert.DoesNotContain(await Lines(browser, job), l => l.Kind == "noted");
    }

    private static JsonElement? Next(JsonElement opening) =>
        opening.GetProperty("acts").EnumerateArray().Where(a => !a.GetProperty("done").GetBoolean()).Cast<JsonElement?>().FirstOrDefault();

    private static object Tick(string? run, JsonElement act, string shows) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion = 0,
            run,
            step = act.GetProperty("step").GetString(),
            outcome = "done",
            howTold = "hand",
            does = act.GetProperty("does") is { ValueKind: JsonValueKind.Array } does && does.GetArrayLength() > 1
                ? does[0].GetProperty("repair").GetString()
                : null,
            shown = new Shown(shows, "", 0),
        };

    private sealed record Shown(string Step, string Answer, int Version);

    private sealed record Line(string Kind, string? How);

    private static async Task<List<Line>> Lines(Browser browser, long job) =>
        [
            .. (await browser.Get($"/api/jobs/{job}"))
                .Body.GetProperty("entries")
                .EnumerateArray()
                .Select(e => new Line(e.GetProperty("kind").GetString()!, e.GetProperty("how").GetString())),
        ];

    private static object Press(int version, string finding, string outcome, Shown? shown) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            finding,
            outcome,
            howTold = "key",
            shown,
        };
}
