using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>What tests of waste and of the shelf ask of a server.</summary>
internal static class WasteCalls
{
    public static object Despite(string why) =>
        new
        {
            way = "full",
            before = 100,
            after = 0,
            despite = why,
            told = true,
        };

    public static double Number(JsonElement of, string name) => of.GetProperty(name).GetDouble();

    public static async Task<double> Year(Browser browser, long job, string years) =>
        Number(
            (await browser.Get($"/api/jobs/{job}/waste?years={years}"))
                .Body.GetProperty("ways")
                .EnumerateArray()
                .First(w => w.GetProperty("id").GetString() == "bottle"),
            "perYear"
        );

    public static async Task<long> Came(Browser browser, object came)
    {
        var (status, body) = await Post(browser, "/api/shelf/came", await ShopVersion(browser), came);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        return (await browser.Get("/api/shelf")).Body.GetProperty("items").EnumerateArray().Last().GetProperty("id").GetInt64();
    }

    public static async Task<double> Left(Browser browser, long item) =>
        Number(
            (await browser.Get("/api/shelf")).Body.GetProperty("items").EnumerateArray().First(i => i.GetProperty("id").GetInt64() == item),
            "left"
        );

    public static async Task<int> ShopVersion(Browser browser) => (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32();

    public static async Task<int> Version(Browser browser, long job) =>
        (await browser.Get($"/api/jobs/{job}")).Body.GetProperty("version").GetInt32();

    public static async Task<JsonElement> Waste(Browser browser, long job) => (await browser.Get($"/api/jobs/{job}/waste")).Body;

    public static async Task Shop(Browser browser, string path, object said)
    {
        var (status, body) = await Post(browser, $"/api/waste/{path}", await ShopVersion(browser), said);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
    }

    public static async Task Write(Browser browser, long job, string path, object said)
    {
        var (status, body) = await Try(browser, job, path, said);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
    }

    public static async Task<(HttpStatusCode Status, JsonElement Body)> Try(Browser browser, long job, string path, object said) =>
        await Post(browser, $"/api/jobs/{job}/waste/{path}", await Version(browser, job), said);

    public static Task<(HttpStatusCode Status, JsonElement Body)> Post(Browser browser, string path, int version, object said)
    {
        var body = JsonSerializer.SerializeToNode(said)!.AsObject();
        (body["key"], body["seenVersion"]) = (Guid.NewGuid(), version);
        return browser.Post(path, body);
    }

    public static async Task<long> TakenIn(Browser browser, string model, string ink = "maker")
    {
        var intake = JobsTests.Intake() with { modelId = model, ink = ink, serial = $"WT-{Guid.NewGuid():N}"[..12] };
        var (status, body) = await browser.Post("/api/take-in", intake);
        Assert.True(status == HttpStatusCode.OK, body.ToString());
        return body.GetProperty("jobId").GetInt64();
    }
}
