using System.Net;
using System.Text.Json;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using SideBench.Devices.Pictures;
using SideBench.Devices.Scanner;
using SideBench.Web.Hosting;
using Xunit;

namespace SideBench.Web.Tests;

public class NozzlesTests(BenchServer server) : IClassFixture<BenchServer>
{
    private SheetLayout Layout =>
        ((BenchBooks)server.Services.GetService(typeof(BenchBooks))!).Shop.Models["marram-quartet-a4"].Sheet!.Layout;

    [Fact]
    public async Task PictureOfASheet_IsReadRecordedAndAnswersTheThread_OnceForOneKey()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var truth = NozzleTruth.Good(Layout).With(3, HeadFaults.Of(PatternClass.Run, Layout.Units[3].Nozzles, new Random(9)));
        var file = new ScannerStandIn(photo: true).Take(new PrintedSheet(Layout, truth, 3)).Value;
        var url = $"/api/jobs/{job}/sheets/picture?key={Guid.NewGuid()}&seenVersion={version}&way=camera";
        var (status, taken) = await browser.Send(url, file);
        Assert.True(status == HttpStatusCode.OK, taken.ToString());
        var (_, again) = await browser.Send(url, file);
        Assert.Equal(taken.GetProperty("sheet").GetString(), again.GetProperty("sheet").GetString());
        var (_, sheets) = await browser.Get($"/api/jobs/{job}/sheets");
        Assert.Equal(1, sheets.GetProperty("sheets").GetArrayLength());
        var shown = sheets.GetProperty("shown");
        Assert.Equal(taken.GetProperty("sheet").GetString(), shown.GetProperty("id").GetString());
        var yellow = shown.GetProperty("units")[3];
        Assert.Equal(
            ("run", truth.Units[3].Missing.Count()),
            (yellow.GetProperty("pattern").GetString(), yellow.GetProperty("missingCount").GetInt32())
        );
        Assert.Equal(Layout.Nozzles * 4, shown.GetProperty("dashes").GetArrayLength());
        var bench = (await browser.Get($"/api/jobs/{job}")).Body;
        Assert.Contains(
            bench.GetProperty("entries").EnumerateArray(),
            e => e.GetProperty("says").GetString()!.StartsWith("Nozzle sheet (camera): Y", StringComparison.Ordinal)
        );
        Assert.Contains("Gaps side by side", bench.GetProperty("entries").ToString());
    }

    [Fact]
    public async Task Picture_IsKeptOnce_AndShownOnlyWithAJobThatNamesIt()
    {
        var browser = await server.Open();
        var (one, version) = await JobsTests.TakeIn(browser);
        var (two, _) = await JobsTests.TakeIn(browser);
        var file = new ScannerStandIn(photo: false).Take(new PrintedSheet(Layout, NozzleTruth.Good(Layout), 5)).Value;
        await browser.Send($"/api/jobs/{one}/sheets/picture?key={Guid.NewGuid()}&seenVersion={version}", file);
        var print = (await browser.Get($"/api/jobs/{one}/sheets")).Body.GetProperty("shown").GetProperty("picture").GetString();
        using var answer = await browser.Http.GetAsync($"/api/jobs/{one}/pictures/{print}");
        Assert.Equal("image/jpeg", answer.Content.Headers.ContentType!.MediaType);
        Assert.True(PictureCodec.Read(await answer.Content.ReadAsByteArrayAsync()).IsGood);
        Assert.Equal(HttpStatusCode.NotFound, (await browser.Http.GetAsync($"/api/jobs/{two}/pictures/{print}")).StatusCode);
        var stranger = new Browser(server.Address);
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.Http.GetAsync($"/api/jobs/{one}/pictures/{print}")).StatusCode);
    }

    [Theory]
    [InlineData("", "picture-empty")]
    [InlineData("not a picture", "picture-unknown")]
    public async Task FileThatIsNoPicture_ChangesNothing(string text, string code)
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var (status, body) = await browser.Send(
            $"/api/jobs/{job}/sheets/picture?key={Guid.NewGuid()}&seenVersion={version}",
            System.Text.Encoding.UTF8.GetBytes(text)
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, code), (status, JobsTests.Code(body)));
        Assert.Equal(version, (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task SheetOfAnotherMachine_IsRefusedWithWhatToDo_AndChangesNothing()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        var other = ((BenchBooks)server.Services.GetService(typeof(BenchBooks))!).Shop.Layouts["tolling-folio-3-sheet"];
        var file = new ScannerStandIn(photo: false).Take(new PrintedSheet(other, NozzleTruth.Good(other), 5)).Value;
        var (status, body) = await browser.Send($"/api/jobs/{job}/sheets/picture?key={Guid.NewGuid()}&seenVersion={version}", file);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(
            ("wrong-layout", JsonValueKind.Null),
            (body.GetProperty("refusal").GetProperty("reason").GetString(), body.GetProperty("sheet").ValueKind)
        );
        Assert.Equal(version, (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task TapsAndTheirCorrection_KeepBoth_AndAStaleOneIsRefused()
    {
        var browser = await server.Open();
        var (job, version) = await JobsTests.TakeIn(browser);
        object Units(string yellow) =>
            Layout.Units.Select(u => new { id = u.Id, nozzles = u.Id == "Y" ? yellow : new string('.', u.Nozzles) }).ToList();
        var (status, bench) = await browser.Post(
            $"/api/jobs/{job}/sheets/taps",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                units = Units(new string('x', 60)),
            }
        );
        Assert.True(status == HttpStatusCode.OK, bench.ToString());
        var stale = await browser.Post(
            $"/api/jobs/{job}/sheets/taps",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                units = Units(new string('.', 60)),
            }
        );
        Assert.Equal("stale-version", JobsTests.Code(stale.Body));
        var now = bench.GetProperty("version").GetInt32();
        var sheet = (await browser.Get($"/api/jobs/{job}/sheets")).Body.GetProperty("shown").GetProperty("id").GetString();
        var right = await browser.Post(
            $"/api/jobs/{job}/sheets/put-right",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = now,
                sheet,
                units = Units(new string('.', 60)),
            }
        );
        Assert.True(right.Status == HttpStatusCode.OK, right.Body.ToString());
        var shown = (await browser.Get($"/api/jobs/{job}/sheets")).Body.GetProperty("shown");
        Assert.Equal(
            (60, 0),
            (shown.GetProperty("putRight").GetInt32(), shown.GetProperty("units")[3].GetProperty("missingCount").GetInt32())
        );
        Assert.Equal(new string('x', 60), shown.GetProperty("units")[3].GetProperty("readAs").GetString());
        var bad = await browser.Post(
            $"/api/jobs/{job}/sheets/taps",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = 99,
                units = Units("..."),
            }
        );
        Assert.NotEqual(HttpStatusCode.OK, bad.Status);
    }

    [Fact]
    [Trait("Pace", "slow")]
    public async Task ScannersStandIn_TakesTheDemoMachinesSheet_AndTwoAtOnceAreReadInTurn()
    {
        var browser = await server.Open();
        var jobs = await Task.WhenAll(JobsTests.TakeIn(browser), JobsTests.TakeIn(browser));
        var scans = await Task.WhenAll(
            jobs.Select(j =>
                browser.Post(
                    $"/api/jobs/{j.Job}/sheets/scan",
                    new
                    {
                        key = Guid.NewGuid(),
                        seenVersion = j.Version,
                        device = "flatbed",
                    }
                )
            )
        );
        Assert.All(scans, s => Assert.Equal(8, s.Body.GetProperty("sheet").GetString()!.Length));
        var scan = new
        {
            key = Guid.NewGuid(),
            seenVersion = scans[0].Body.GetProperty("version").GetInt32(),
            device = "phone",
        };
        var (once, twice) = (
            await browser.Post($"/api/jobs/{jobs[0].Job}/sheets/scan", scan),
            await browser.Post($"/api/jobs/{jobs[0].Job}/sheets/scan", scan)
        );
        Assert.Equal(once.Body.GetProperty("sheet").GetString(), twice.Body.GetProperty("sheet").GetString());
        Assert.Equal(2, (await browser.Get($"/api/jobs/{jobs[0].Job}/sheets")).Body.GetProperty("sheets").GetArrayLength());
        var unknown = await browser.Post(
            $"/api/jobs/{jobs[0].Job}/sheets/scan",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = 1,
                device = "telescope",
            }
        );
        Assert.Equal("unknown-word", JobsTests.Code(unknown.Body));
        var mika = await server.Open("Mika Sund");
        var counter = await mika.Post(
            $"/api/jobs/{jobs[0].Job}/sheets/scan",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = 1,
                device = "flatbed",
            }
        );
        Assert.Equal(HttpStatusCode.Forbidden, counter.Status);
    }

    [Fact]
    public async Task DemosOwnSheets_AreComparedOverTheMachinesLife()
    {
        var browser = await server.Open();
        var board = (await browser.Get("/api/board")).Body;
        var job = board
            .GetProperty("jobs")
            .EnumerateArray()
            .First(j => j.GetProperty("machine").GetString() == "Pellow Six Tank" && j.GetProperty("place").GetInt32() == 1)
            .GetProperty("id")
            .GetInt64();
        var sheets = (await browser.Get($"/api/jobs/{job}/sheets")).Body;
        Assert.Equal([0, 1, 2], sheets.GetProperty("sheets").EnumerateArray().Select(s => s.GetProperty("cleansBefore").GetInt32()));
        var units = sheets.GetProperty("shown").GetProperty("units").EnumerateArray().ToDictionary(u => u.GetProperty("id").GetString()!);
        Assert.Equal((15, 4), (units["C"].GetProperty("missingBefore").GetInt32(), units["C"].GetProperty("missingCount").GetInt32()));
        Assert.Equal("starvation", units["LM"].GetProperty("pattern").GetString());
        Assert.Contains("sits still", units["M"].GetProperty("says").GetString());
        var unknown = await browser.Get($"/api/jobs/{job}/sheets?sheet=none");
        Assert.Equal(HttpStatusCode.NotFound, unknown.Status);
        Assert.Equal(9, (await browser.Get("/api/layouts")).Body.GetArrayLength());
        Assert.Equal(6, (await browser.Get("/api/layouts/pellow-six-tank-sheet")).Body.GetProperty("units").GetArrayLength());
    }
}
