using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

public class OwnTests(BenchServer server) : IClassFixture<BenchServer>
{
    private static readonly Dictionary<string, string> Axes = new()
    {
        ["head"] = "piezo",
        ["headPlace"] = "carriage",
        ["delivery"] = "tank",
        ["cartridge"] = "none",
        ["chips"] = "count",
        ["panel"] = "screen",
        ["waste"] = "pads",
        ["drainOut"] = "pulled",
        ["spares"] = "no",
    };

    [Fact]
    public async Task AKind_IsAModelAtOnce_AndAJobOnItGetsAdviceThatSaysWhatItDoesNotKnow()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Solo");
        var (job, _) = await JobsTests.TakeIn(browser, model: model);
        var page = (await browser.Get($"/api/jobs/{job}")).Body;
        Assert.Contains("family defaults", page.ToString());
        Assert.Contains(page.GetProperty("stations").EnumerateArray(), s => s.GetProperty("suspicionRatio").GetDouble() > 0.2);
        var again = await Kind(browser, "Solo");
        Assert.Equal(("own-model-there", "/name"), (CodeOf(again.Body), PointerOf(again.Body)));
    }

    [Fact]
    public async Task MeasuredTwice_TheFigureNarrows_AndTheSameKeyAgainMeasuresNothing()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Duet");
        var at = "operations/clean-normal/mlPerChannel";
        var before = await Figure(browser, model, at);
        var key = Guid.NewGuid();
        var version = await Version(browser);
        var said = new
        {
            key,
            seenVersion = version,
            model,
            pointer = at,
            value = before.GetProperty("value").GetDouble() * 1.1,
            measured = true,
            isSure = false,
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/figures", said)).Status);
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/figures", said)).Status);
        var after = await Figure(browser, model, at);
        Assert.Equal(1, after.GetProperty("seen").GetInt32());
        Assert.True(Band(after) < 0.6 * Band(before));
        var far = await browser.Post("/api/models/figures", said with { key = Guid.NewGuid(), seenVersion = version + 1, value = 90 });
        Assert.Equal(("own-far-off", "/value"), (CodeOf(far.Body), PointerOf(far.Body)));
        var house = await browser.Post(
            "/api/models/figures",
            said with
            {
                key = Guid.NewGuid(),
                seenVersion = version + 1,
                model = "marram-duo",
            }
        );
        Assert.Equal("own-not-own", CodeOf(house.Body));
    }

    [Fact]
    public async Task TakenBack_ItIsAsItWasBefore_AndAJobSaysThatTheDataChanged()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Trio");
        var code = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            model,
            code = "H-9",
            says = "Box full",
            complaint = "waste-full",
            reads = "waste",
        };
        var taught = await browser.Post("/api/models/codes", code);
        Assert.Equal(HttpStatusCode.OK, taught.Status);
        Assert.Contains("H-9", (await browser.Get($"/api/models/{model}")).Body.GetProperty("codes").ToString());
        var line = taught
            .Body.GetProperty("entries")
            .EnumerateArray()
            .MaxBy(e => e.GetProperty("id").GetInt64())
            .GetProperty("id")
            .GetInt64();
        var back = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            entry = line,
            reason = "another machine",
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/shop/corrections", back)).Status);
        Assert.Empty((await browser.Get($"/api/models/{model}")).Body.GetProperty("codes").EnumerateArray());
    }

    [Fact]
    public async Task PassedOn_ItIsTakenIn_ShownFirst_AndReplacesNothingWithoutAWord()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Quad");
        var file = await browser.Http.GetStringAsync($"/api/models/export?model={model}");
        var version = await Version(browser);
        await browser.Post(
            "/api/models/figures",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                model,
                pointer = "worth",
                value = 444,
                measured = false,
                isSure = false,
            }
        );
        var ask = new
        {
            key = Guid.NewGuid(),
            seenVersion = version + 1,
            text = file,
            replace = false,
        };
        var look = (await browser.Post("/api/models/import/look", ask)).Body.GetProperty("files")[0];
        Assert.Contains("/worth: 444 here, 280 in the file", look.GetProperty("differences").ToString());
        Assert.Equal("own-would-replace", CodeOf((await browser.Post("/api/models/import", ask)).Body));
        Assert.Equal(
            HttpStatusCode.OK,
            (await browser.Post("/api/models/import", ask with { key = Guid.NewGuid(), replace = true })).Status
        );
        Assert.Equal(280, (await Figure(browser, model, "worth")).GetProperty("value").GetDouble());
        Assert.Equal(3, (await browser.Get($"/api/models/{model}")).Body.GetProperty("modelVersion").GetInt32());
    }

    private static async Task<string> Make(Browser browser, string name)
    {
        var made = await Kind(browser, name);
        Assert.Equal(HttpStatusCode.OK, made.Status);
        return $"heath-{name.ToLowerInvariant()}";
    }

    private static async Task<(HttpStatusCode Status, JsonElement Body)> Kind(Browser browser, string name) =>
        await browser.Post(
            "/api/models",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = await Version(browser),
                maker = "Heath",
                name,
                serialPrefix = "",
                axes = Axes,
                inks = new[] { "black", "cyan", "magenta", "yellow" },
                worth = 280,
                like = "",
            }
        );

    private static async Task<int> Version(Browser browser) => (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32();

    private static async Task<JsonElement> Figure(Browser browser, string model, string pointer) =>
        (await browser.Get($"/api/models/{model}"))
            .Body.GetProperty("figures")
            .EnumerateArray()
            .First(f => f.GetProperty("pointer").GetString() == pointer);

    private static double Band(JsonElement figure) =>
        Math.Log(figure.GetProperty("high").GetDouble() / figure.GetProperty("low").GetDouble());

    private static string CodeOf(JsonElement body) => body.GetProperty("problems")[0].GetProperty("code").GetString()!;

    private static string PointerOf(JsonElement body) => body.GetProperty("problems")[0].GetProperty("pointer").GetString()!;
}
