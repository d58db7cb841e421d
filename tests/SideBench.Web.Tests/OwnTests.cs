using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;
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

    [Fact]
    public async Task WhatCannotBe_IsRefusedAtItsPlace_AndWritesNothing()
    {
        var browser = await server.Open();
        var before = await Version(browser);
        var kind = await Kind(browser, "Penta", axes: new(Axes) { ["chips"] = "auto" });
        Assert.Equal(("own-contradiction", "/axes/chips"), (CodeOf(kind.Body), PointerOf(kind.Body)));
        Assert.Equal("unknown-model", CodeOf((await Kind(browser, "Penta", like: "no-such")).Body));
        var named = await Kind(browser, "<script>");
        Assert.Equal(HttpStatusCode.OK, named.Status);
        Assert.Equal("Heath <script>", (await browser.Get("/api/models/heath-script")).Body.GetProperty("name").GetString());
        var bad = new
        {
            key = Guid.NewGuid(),
            seenVersion = before + 2,
            text = "{\"format\":\"side-bench-models\",\"version\":9,\"files\":[]}",
            replace = true,
        };
        Assert.Equal(("own-file-bad", "/version"), At((await browser.Post("/api/models/import", bad)).Body));
        Assert.Equal(("own-file-bad", "/version"), At((await browser.Post("/api/models/import/look", bad)).Body));
        Assert.Equal(before + 2, await Version(browser));
    }

    [Fact]
    public async Task TwoModels_DoNotShareABeginningOfSerials()
    {
        var browser = await server.Open();
        Assert.Equal(HttpStatusCode.OK, (await Kind(browser, "Sexta", prefix: "HX-")).Status);
        var other = await Kind(browser, "Septa", prefix: "hx-");
        Assert.Equal(("own-prefix-taken", "/serialPrefix"), At(other.Body));
        var septa = await Make(browser, "Septa");
        var told = await browser.Post("/api/models/about", About(septa, await Version(browser), "HX-"));
        Assert.Equal(("own-prefix-taken", "/serialPrefix"), At(told.Body));
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/about", About(septa, await Version(browser), "HY-"))).Status);
        var choices = (await browser.Get("/api/take-in/choices")).Body.GetProperty("models").EnumerateArray();
        Assert.Contains(choices, m => m.GetProperty("serialPrefix").GetString() == "HY-");
        var page = (await browser.Get($"/api/models/{septa}")).Body;
        Assert.Equal("in the rear, right", page.GetProperty("wasteAt").GetString());
        Assert.Equal(["Carry it level."], page.GetProperty("cautions").EnumerateArray().Select(c => c.GetString()));
    }

    [Fact]
    public async Task SlotsAreToldOnceEach_AndAnInkThatChangesChangesItsColour()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Octa");
        var slots = (await browser.Get($"/api/models/{model}")).Body.GetProperty("slots").EnumerateArray().Select(s => s.GetRawText());
        var list = slots.Select(s => JsonNode.Parse(s)!.AsObject()).ToList();
        list[0]["ink"] = "orange";
        list[0]["cartridge"] = "HO-1";
        var said = new JsonObject
        {
            ["key"] = Guid.NewGuid(),
            ["seenVersion"] = await Version(browser),
            ["model"] = model,
            ["slots"] = new JsonArray([.. list.Select(s => s.DeepClone())]),
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/about", said)).Status);
        var (job, _) = await JobsTests.TakeIn(browser, model);
        var first = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("slots")[0];
        Assert.Equal(("orange", "#ee7f2d", "HO-1"), (Text(first, "ink"), Text(first, "colour"), Text(first, "cartridge")));
        said["key"] = Guid.NewGuid();
        said["seenVersion"] = await Version(browser);
        said["slots"]!.AsArray().RemoveAt(0);
        Assert.Equal(("own-contradiction", "/slots"), At((await browser.Post("/api/models/about", said)).Body));
    }

    [Fact]
    public async Task AnOpeningTaught_IsTheNextWayIn_AndAGoodSheetIsReadWithTheLayoutItTaught()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Nona");
        var opened = await browser.Post(
            "/api/models/openings",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = await Version(browser),
                model,
                parts = new[] { Part("Mains lead", 0), Part("Odd lid", 2), Part("Odd rail", 1) },
            }
        );
        Assert.Equal(HttpStatusCode.OK, opened.Status);
        var rail = (await browser.Get($"/api/models/{model}"))
            .Body.GetProperty("parts")
            .EnumerateArray()
            .First(p => Text(p, "id") == "odd-rail");
        Assert.Equal(["Odd lid"], rail.GetProperty("after").EnumerateArray().Select(a => a.GetString()));
        var empty = await browser.Post(
            "/api/models/openings",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = await Version(browser),
                model,
                parts = Array.Empty<object>(),
            }
        );
        Assert.Equal(("missing", "/parts"), At(empty.Body));

        var layout = MadeLayouts.Of(3, channels: 4);
        var picture = PictureCodec.Jpeg(SheetScenes.Scanned(layout, NozzleTruth.Good(layout), 200, 3), 90);
        var taught = await browser.Send($"/api/models/sheets/look?model={model}", picture);
        Assert.True(taught.Status == HttpStatusCode.OK, taught.Body.ToString());
        Assert.Equal(layout.Units.Select(u => u.Nozzles), taught.Body.GetProperty("nozzles").EnumerateArray().Select(n => n.GetInt32()));
        var keep = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            model,
            layout = Text(taught.Body, "layout"),
            slots = new Dictionary<string, int>
            {
                ["K"] = 1,
                ["C"] = 2,
                ["M"] = 3,
                ["Y"] = 4,
            },
        };
        var partly = keep with { slots = new Dictionary<string, int> { ["K"] = 1 } };
        Assert.NotEqual(HttpStatusCode.OK, (await browser.Post("/api/models/sheets", partly)).Status);
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/sheets", keep)).Status);
        var (job, version) = await JobsTests.TakeIn(browser, model);
        var read = await browser.Send(
            $"/api/jobs/{job}/sheets/picture?key={Guid.NewGuid()}&seenVersion={version}&thread=0&way=file",
            picture
        );
        Assert.Equal(HttpStatusCode.OK, read.Status);
        var shown = (await browser.Get($"/api/jobs/{job}/sheets")).Body.GetProperty("shown").GetProperty("units").EnumerateArray();
        Assert.All(shown, u => Assert.DoesNotContain('x', Text(u, "nozzles")));
    }

    private static object Part(string name, int screws) =>
        new
        {
            name,
            view = "top",
            way = name == "Mains lead" ? "unplugged" : "off",
            screws,
            driver = "cross 1",
            lengthMm = screws > 0 ? 8 : 0,
            isCollared = false,
            isLoosenOnly = false,
            catches = 0,
            cables = Array.Empty<string>(),
            caution = "",
            minutes = 1.0,
        };

    private static object About(string model, int version, string prefix) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            model,
            serialPrefix = prefix,
            wasteAt = "in the rear, right",
            cautions = new[] { "Carry it level." },
        };

    private static string Text(JsonElement of, string name) => of.GetProperty(name).GetString()!;

    private static (string, string) At(JsonElement body) => (CodeOf(body), PointerOf(body));

    private static async Task<string> Make(Browser browser, string name)
    {
        var made = await Kind(browser, name);
        Assert.Equal(HttpStatusCode.OK, made.Status);
        return $"heath-{name.ToLowerInvariant()}";
    }

    private static async Task<(HttpStatusCode Status, JsonElement Body)> Kind(
        Browser browser,
        string name,
        Dictionary<string, string>? axes = null,
        string prefix = "",
        string like = ""
    ) =>
        await browser.Post(
            "/api/models",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = await Version(browser),
                maker = "Heath",
                name,
                serialPrefix = prefix,
                axes = axes ?? Axes,
                inks = new[] { "black", "cyan", "magenta", "yellow" },
                worth = 280,
                like,
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
