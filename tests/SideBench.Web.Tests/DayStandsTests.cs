using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.Extensions.DependencyInjection;
using SideBench.Data.Tests;
using SideBench.Web.Demo;
using SideBench.Web.Features.Accounts;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>The day at the desk goes on from the plan that stood.</summary>
public class DayStandsTests
{
    [Fact]
    public async Task TwoMachinesAlike_StayInTheirOrder_ThoughAPlanFromNothingTurnsThemRound()
    {
        var monday = new DateTime(2027, 3, 1, 9, 0, 0);
        var clock = new StillClock(new DateTimeOffset(monday, TimeZoneInfo.Local.GetUtcOffset(monday)));
        await using var database = new ScratchDatabase();
        await database.InitializeAsync();
        await using var app = await BenchServer.Run(database.Connection, clock: clock);
        var browser = await Browser.Open(new Uri(app.Urls.First()), "");
        var owner = new
        {
            code = app.Services.GetRequiredService<FirstOwnerCode>().Shown,
            name = "Wren",
            password = DemoLoad.Password,
        };
        await browser.TakeToken(await browser.Http.PostAsJsonAsync("/api/session/first-owner", owner));
        var (one, other) = (await TakenIn(browser), await TakenIn(browser));
        Assert.True(await Begins(browser, one) < await Begins(browser, other));
        // Machines at a place are asked before those that stand elsewhere.
        await OffItsPlace(browser, one);
        Assert.True(await Begins(browser, one) < await Begins(browser, other));
        await using var fresh = await BenchServer.Run(database.Connection, clock: clock);
        var anew = await Browser.Open(new Uri(fresh.Urls.First()), "Wren");
        Assert.True(await Begins(anew, one) > await Begins(anew, other));
    }

    private static async Task<DateTimeOffset> Begins(Browser browser, long job) =>
        (await browser.Get("/api/day"))
            .Body.GetProperty("jobs")
            .EnumerateArray()
            .Single(j => j.GetProperty("id").GetInt64() == job)
            .GetProperty("pieces")[0]
            .GetProperty("from")
            .GetDateTimeOffset();

    private static async Task OffItsPlace(Browser browser, long job)
    {
        var seenVersion = (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();
        var put = await browser.Post(
            $"/api/jobs/{job}/place",
            new
            {
                key = Guid.NewGuid(),
                seenVersion,
                place = 0,
            }
        );
        Assert.True(put.Status == HttpStatusCode.OK, put.Body.ToString());
    }

    private static async Task<long> TakenIn(Browser browser)
    {
        var intake = JsonSerializer.SerializeToNode(JobsTests.Intake() with { serial = $"ST-{Guid.NewGuid():N}"[..12] })!.AsObject();
        intake["promise"] = null;
        return (await browser.Post("/api/take-in", intake)).Body.GetProperty("jobId").GetInt64();
    }
}
