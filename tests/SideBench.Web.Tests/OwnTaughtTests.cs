using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;
using SideBench.Packs;
using Xunit;
using static SideBench.Web.Tests.OwnShop;

namespace SideBench.Web.Tests;

public class OwnTaughtTests(BenchServer server) : IClassFixture<BenchServer>
{
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

    [Fact]
    public async Task APartOfTheFile_IsTriedWhileItIsTyped_AndPutInWithItsFiguresTold()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Finch");
        var tank = (await PartOf(browser, model, "cartridges"))[0]!;
        var bottle = tank.DeepClone();
        (bottle["id"], bottle["name"], bottle["fillMl"]) = ("large", "Large tank", 99.5);
        (bottle["numbers"], bottle["slots"]) = (new JsonObject { ["North"] = new JsonArray("L-1") }, new JsonArray(1, 2));
        tank["fillMl"] = 55.5;
        var both = new JsonArray(tank.DeepClone(), bottle);
        var short1 = await browser.Post("/api/models/parts/look", await Said(browser, model, "cartridges", both));
        Assert.Equal(("pack-not-as-many", "/value/1/numbers/North"), At(short1.Body));
        bottle["numbers"]!["North"] = new JsonArray("L-1", "L-2");
        var look = await browser.Post("/api/models/parts/look", await Said(browser, model, "cartridges", both));
        var differences = look.Body.GetProperty("differences").EnumerateArray().Select(d => d.GetString()!).ToList();
        Assert.Equal(2, differences.Count);
        Assert.EndsWith("now, 55.5 then", differences[0]);
        Assert.StartsWith("/large: nothing now", differences[1]);
        // To look writes nothing.
        Assert.Single((await PartOf(browser, model, "cartridges")).AsArray());
        var written = await browser.Post("/api/models/parts", await Said(browser, model, "cartridges", both));
        Assert.True(written.Status == HttpStatusCode.OK, written.Body.ToString());
        var fill = await Figure(browser, model, "cartridges/tank/fillMl");
        Assert.Equal(
            (55.5, false, JsonValueKind.Null),
            (fill.GetProperty("value").GetDouble(), fill.GetProperty("isDefault").GetBoolean(), fill.GetProperty("low").ValueKind)
        );
        Assert.True((await Figure(browser, model, "cartridges/tank/reserveMl")).GetProperty("isDefault").GetBoolean());
        Assert.Equal(99.5, (await Figure(browser, model, "cartridges/large/fillMl")).GetProperty("value").GetDouble());
        // One that is taken away leaves no figure behind.
        var gone = await browser.Post("/api/models/parts", await Said(browser, model, "cartridges", new JsonArray(bottle.DeepClone())));
        Assert.True(gone.Status == HttpStatusCode.OK, gone.Body.ToString());
        var file = (await browser.Get($"/api/models/export?model={model}")).Body.ToString();
        Assert.DoesNotContain("cartridges/tank", file);
    }

    [Theory]
    [InlineData(
        "operations",
        """[{"id":"purge","name":"Purge","mlPerChannel":-1,"counterPct":0,"minutes":1}]""",
        "own-part-bad",
        "/value/0/mlPerChannel"
    )]
    [InlineData("operations", "null", "own-part-bad", "/value")]
    [InlineData("headCare", """{"headPrice":9,"groups":[[1,2,3]],"cleansInRow":3}""", "pack-unknown-name", "/value/groups")]
    [InlineData(
        "headCare",
        """{"headPrice":9,"groups":[[1,2,3,4]],"cleansInRow":3,"soak":{"from":60,"to":30,"where":"cap"}}""",
        "out-of-range",
        "/value/soak/to"
    )]
    [InlineData("stopsDead", "\"perhaps\"", "own-part-bad", "/value")]
    [InlineData("codes", "[]", "unknown-word", "/part")]
    public async Task APartThatDoesNotFit_IsRefusedAtItsPlace(string part, string said, string code, string pointer)
    {
        var browser = await server.Open();
        if ((await browser.Get("/api/models/heath-wren")).Status != HttpStatusCode.OK)
            await Make(browser, "Wren");
        var before = await Version(browser);
        var answer = await browser.Post("/api/models/parts", await Said(browser, "heath-wren", part, JsonNode.Parse(said)));
        Assert.Contains(
            answer.Body.GetProperty("problems").EnumerateArray(),
            p => (Text(p, "code"), Text(p, "pointer")) == (code, pointer)
        );
        Assert.Equal(before, await Version(browser));
    }

    [Fact]
    public async Task AKindThatContradictsItself_IsNotPutIn_NorWhatStandsThereAlready_NorAnythingInAHouseModel()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Tern");
        var axes = await PartOf(browser, model, "axes");
        Assert.Equal("own-nothing-new", CodeOf((await browser.Post("/api/models/parts", await Said(browser, model, "axes", axes))).Body));
        axes["chips"] = "one-time";
        Assert.Equal(
            ("own-contradiction", "/value/chips"),
            At((await browser.Post("/api/models/parts", await Said(browser, model, "axes", axes))).Body)
        );
        (axes["chips"], axes["lever"]) = ("none", "yes");
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/parts", await Said(browser, model, "axes", axes))).Status);
        var house = await browser.Post("/api/models/parts", await Said(browser, "marram-duo", "stopsDead", true));
        Assert.Equal("own-not-own", CodeOf(house.Body));
    }

    [Fact]
    public async Task AModelOfAPack_IsMadeOurs_TaughtLikeAnyOther_PassedOn_AndGoesBackToWhatThePackHas()
    {
        var browser = await server.Open();
        const string model = "pellow-mono-pair";
        var (closed, seen) = await JobsTests.TakeIn(browser, model: model);
        var end = new
        {
            key = Guid.NewGuid(),
            seenVersion = seen,
            thread = 0,
            how = "handed-back",
            reason = "customer took it",
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post($"/api/jobs/{closed}/closing", end)).Status);
        var house = (await browser.Get($"/api/models/{model}")).Body;
        var worth = (await Figure(browser, model, "worth")).GetProperty("value").GetDouble();
        Assert.Equal((false, JsonValueKind.Null), (house.GetProperty("isOwn").GetBoolean(), house.GetProperty("packVersion").ValueKind));
        await Ours();
        var own = (await browser.Get($"/api/models/{model}")).Body;
        var version = house.GetProperty("modelVersion").GetInt32();
        Assert.Equal(
            (true, version + 1, version),
            (own.GetProperty("isOwn").GetBoolean(), own.GetProperty("modelVersion").GetInt32(), own.GetProperty("packVersion").GetInt32())
        );
        Assert.Equal("own-nothing-new", CodeOf((await browser.Post("/api/models/ours", await Asked())).Body));
        var told = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            model,
            pointer = "worth",
            value = worth + 11,
            measured = false,
            isSure = false,
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/figures", told)).Status);
        Assert.Equal(worth + 11, (await Figure(browser, model, "worth")).GetProperty("value").GetDouble());
        // A sheet of its own takes the place of the pack's, and goes with all else when the pack's is taken again.
        var layout = await File.ReadAllTextAsync(Path.Combine(BenchServer.Root(), "packs", "house", "sheets", $"{model}-sheet.json"));
        var slots = new Dictionary<string, int>
        {
            ["K"] = 1,
            ["COL.C"] = 2,
            ["COL.M"] = 2,
            ["COL.Y"] = 2,
        };
        var name = (string)JsonNode.Parse(layout)!["name"]!;
        var sheet = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            model,
            layout = layout.Replace(name, "Ours, measured"),
            slots,
        };
        Assert.Equal(HttpStatusCode.OK, (await browser.Post("/api/models/sheets", sheet)).Status);
        Assert.Equal("Ours, measured", Text((await browser.Get($"/api/models/{model}")).Body, "sheet"));
        // A job that ended before is shown with what the pack had; another shop that has only the pack is asked before it is replaced.
        Assert.StartsWith(
            $"Shown as it was worked: with version {version + 1}",
            Text((await browser.Get($"/api/jobs/{closed}")).Body, "bookNote")
        );
        var file = await browser.Http.GetStringAsync($"/api/models/export?model={model}");
        await Ours();
        Assert.Equal(worth, (await Figure(browser, model, "worth")).GetProperty("value").GetDouble());
        Assert.Equal(name, Text((await browser.Get($"/api/models/{model}")).Body, "sheet"));
        var brought = new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            text = file,
            replace = false,
        };
        Assert.Equal("own-would-replace", CodeOf((await browser.Post("/api/models/import", brought)).Body));
        Assert.Equal("unknown-model", CodeOf((await browser.Post("/api/models/ours", await Asked("heath-nothing"))).Body));

        async Task<object> Asked(string id = model) =>
            new
            {
                key = Guid.NewGuid(),
                seenVersion = await Version(browser),
                model = id,
            };
        async Task Ours()
        {
            var answer = await browser.Post("/api/models/ours", await Asked());
            Assert.True(answer.Status == HttpStatusCode.OK, answer.Body.ToString());
        }
    }

    private static async Task<JsonNode> PartOf(Browser browser, string model, string part) =>
        JsonNode.Parse(
            (await browser.Get($"/api/models/{model}/parts"))
                .Body.GetProperty("parts")
                .EnumerateArray()
                .First(p => Text(p, "name") == part)
                .GetProperty("value")
                .GetRawText()
        )!;

    private static async Task<JsonObject> Said(Browser browser, string model, string part, JsonNode? value) =>
        new()
        {
            ["key"] = Guid.NewGuid(),
            ["seenVersion"] = await Version(browser),
            ["model"] = model,
            ["part"] = part,
            ["value"] = value?.DeepClone(),
        };
}
