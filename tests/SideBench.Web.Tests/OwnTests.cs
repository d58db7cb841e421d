using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Xunit;
using static SideBench.Web.Tests.OwnShop;

namespace SideBench.Web.Tests;

public class OwnTests(BenchServer server) : IClassFixture<BenchServer>
{
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
    public async Task AJobThatEnded_KeepsWhatItsModelWasKnownAs_AndOneThatGoesOnGoesByWhatIsKnownNow()
    {
        var browser = await server.Open();
        var model = await Make(browser, "Siskin");
        var (ended, version) = await JobsTests.TakeIn(browser, model: model);
        var (goesOn, _) = await JobsTests.TakeIn(browser, model: model);
        await browser.Post("/api/models/codes", await Code("H-1", "Box full"));
        var closed = new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            thread = 0,
            how = "handed-back",
            reason = "customer took it",
        };
        var end = await browser.Post($"/api/jobs/{ended}/closing", closed);
        Assert.True(end.Status == HttpStatusCode.OK, end.Body.ToString());
        Assert.Equal("", Text((await browser.Get($"/api/jobs/{ended}")).Body, "bookNote"));
        await browser.Post("/api/models/codes", await Code("H-2", "Head hot"));
        Assert.Equal(("H-1", true), await Shown(ended));
        Assert.Equal(("H-1 H-2", false), await Shown(goesOn));

        async Task<object> Code(string code, string says) =>
            new
            {
                key = Guid.NewGuid(),
                seenVersion = await Version(browser),
                model,
                code,
                says,
                complaint = "",
                reads = "waste",
            };
        async Task<(string Codes, bool Kept)> Shown(long job)
        {
            var page = (await browser.Get($"/api/jobs/{job}")).Body;
            var codes = page.GetProperty("codes").EnumerateArray().Select(c => Text(c, "code"));
            return (
                string.Join(' ', codes),
                Text(page, "bookNote").StartsWith("Shown as it was worked: with version 2", StringComparison.Ordinal)
            );
        }
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
    public async Task TheOnlyVersionOfAModel_IsNotTakenBack_SinceMachinesMayBeOfIt()
    {
        var browser = await server.Open();
        var made = await Kind(browser, "Deca");
        var back = await Back(browser, made.Body);
        Assert.Equal(("own-last-version", "/entry"), At((await browser.Post("/api/shop/corrections", back)).Body));
        Assert.Equal(HttpStatusCode.OK, (await browser.Get("/api/models/heath-deca")).Status);
    }
}
