using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;
using SideBench.Packs;
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
    public async Task WhatALineMeasured_IsOffered_TakenOnce_AndGoneWhenItsLineIsTakenBack()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Sept");
        var (job, _) = await JobsTests.TakeIn(browser, model: model);
        await Told("renewed", null);
        var dry = Math.Round(1.2 * (await Figure(browser, model, "storeTareG")).GetProperty("value").GetDouble());
        await Told("weighed", dry);
        Assert.Equal(1, (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("measured").GetInt32());
        var one = Assert.Single(await Open());
        Assert.Equal(("storeTareG", dry), (Text(one, "pointer"), one.GetProperty("value").GetDouble()));
        var (took, again) = (await Take(Text(one, "key")), await Take(Text(one, "key")));
        Assert.Equal((HttpStatusCode.OK, "no-measure"), (took.Status, CodeOf(again.Body)));
        Assert.Equal(1, (await Figure(browser, model, "storeTareG")).GetProperty("seen").GetInt32());
        // A weighing that is far off is asked about, and one whose line is taken back measured nothing.
        await Told("renewed", null);
        var far = await Told("weighed", 3 * dry);
        Assert.True(Assert.Single(await Open()).GetProperty("isFarOff").GetBoolean());
        Assert.Equal("no-measure", CodeOf((await Take(null)).Body));
        Assert.Equal("own-far-off", CodeOf((await Take(Text(Assert.Single(await Open()), "key"))).Body));
        var line = far.GetProperty("entries").EnumerateArray().Max(e => e.GetProperty("id").GetInt64());
        await Job("corrections", new JsonObject { ["entry"] = line, ["reason"] = "typed wrong" });
        Assert.Empty(await Open());

        async Task<IReadOnlyList<JsonElement>> Open() =>
            [.. (await browser.Get($"/api/models/{model}/measured")).Body.GetProperty("open").EnumerateArray()];
        async Task<(HttpStatusCode Status, JsonElement Body)> Take(string? of) =>
            await browser.Post(
                "/api/models/measured",
                new
                {
                    key = Guid.NewGuid(),
                    seenVersion = await Version(browser),
                    model,
                    of,
                    isSure = false,
                }
            );
        Task<JsonElement> Told(string what, double? amount) => Job("waste/told", new JsonObject { ["what"] = what, ["amount"] = amount });
        async Task<JsonElement> Job(string path, JsonObject said)
        {
            var seen = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();
            (said["key"], said["seenVersion"], said["thread"]) = (Guid.NewGuid(), seen, 0);
            var (status, body) = await browser.Post($"/api/jobs/{job}/{path}", said);
            Assert.True(status == HttpStatusCode.OK, body.ToString());
            return body;
        }
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
        var back = await Back(browser, taught.Body);
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
        var laid = taught.Body.GetProperty("channels").EnumerateArray().ToList();
        Assert.Equal(layout.Units.Select(u => u.Nozzles), laid.Select(c => c.GetProperty("nozzles").GetInt32()));
        // Laid over its picture: every dash has its line, and blocks stand as far apart as the press put them, in points of the scan.
        Assert.Equal(layout.Units.Select(u => u.Nozzles), laid.Select(c => Text(c, "path").Count(p => p == 'M')));
        var scanned = 200 / 25.4;
        Assert.All(
            laid.Zip(layout.Units).Skip(1),
            of =>
            {
                var (first, at) = (layout.Units[0].DashAt(0), of.Second.DashAt(0));
                Assert.InRange(Of(of.First, "x") - Of(laid[0], "x") - ((at.X - first.X) * scanned), -4, 4);
                Assert.InRange(Of(of.First, "y") - Of(laid[0], "y") - ((at.Y - first.Y) * scanned), -4, 4);
            }
        );
        static double Of(JsonElement channel, string name) => channel.GetProperty(name).GetDouble();
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

    [Fact]
    public async Task TheOnlyVersionOfAModel_IsNotTakenBack_SinceMachinesMayBeOfIt()
    {
        var browser = await server.Open();
        var made = await Kind(browser, "Deca");
        var back = await Back(browser, made.Body);
        Assert.Equal(("own-last-version", "/entry"), At((await browser.Post("/api/shop/corrections", back)).Body));
        Assert.Equal(HttpStatusCode.OK, (await browser.Get("/api/models/heath-deca")).Status);
    }

    [Fact]
    public async Task AModelWrittenByHand_IsTakenIn_AndTaughtLikeAnyOther()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Hand");
        var bundle = JsonNode.Parse(await browser.Http.GetStringAsync($"/api/models/export?model={model}"))!;
        foreach (var file in bundle["files"]!.AsArray())
        {
            var content = file!["content"]!.AsObject();
            content.Remove("taught");
            content.Remove("serialPrefix");
            content[(string)file["sort"]! == "access" ? "model" : "id"] = "heath-written";
            if (content.ContainsKey("name"))
                content["name"] = "Wrıtten “by hand”";
            file["sha256"] = OwnPackFiles.SumOf(content);
        }

        var said = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            text = bundle.ToJsonString(),
            replace = false,
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/import", said)).Status);
        Assert.True((await browser.Get("/api/models/heath-written")).Body.GetProperty("isOwn").GetBoolean());
        var told = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            model = "heath-written",
            pointer = "pageMl",
            value = 0.03,
            measured = true,
            isSure = false,
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/figures", told)).Status);
        Assert.Equal(1, (await Figure(browser, "heath-written", "pageMl")).GetProperty("seen").GetInt32());
    }

    [Theory]
    [InlineData("/api/models/openings", """{"parts":[null]}""", "/parts/0")]
    [InlineData("/api/models/openings", """{"parts":[{"view":"top"}]}""", "/parts/0/name")]
    [InlineData("/api/models/about", """{"slots":[null]}""", "/slots/0")]
    [InlineData("/api/models/about", """{"slots":[{"panel":1,"ink":"black"}]}""", "/slots/0/inkKind")]
    [InlineData("/api/models/about", """{"cautions":[null]}""", "/cautions/0")]
    [InlineData("/api/models/figures", """{"pointer":"worth"}""", "/value")]
    [InlineData("/api/models/codes", "{}", "/code")]
    public async Task WhatWasLeftOut_IsAskedForAtItsPlace(string address, string said, string pointer)
    {
        var browser = await server.Open();
        if ((await browser.Get("/api/models/heath-bare")).Status != HttpStatusCode.OK)
            await Make(browser, "Bare");
        var body = JsonNode.Parse(said)!.AsObject();
        (body["key"], body["seenVersion"], body["model"]) = (Guid.NewGuid(), await Version(browser), "heath-bare");
        var answer = await browser.Post(address, body);
        Assert.InRange((int)answer.Status, 400, 422);
        Assert.Contains(answer.Body.GetProperty("problems").EnumerateArray(), p => p.GetProperty("pointer").GetString() == pointer);
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

    // Takes the newest line about the shop back.
    private static async Task<object> Back(Browser browser, JsonElement shop) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            entry = shop.GetProperty("entries").EnumerateArray().Max(e => e.GetProperty("id").GetInt64()),
            reason = "typed wrong",
        };

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
