using System.Net;
using System.Text.Json;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>Models of a shop's own, as a browser makes and asks for them.</summary>
internal static class OwnShop
{
    public static readonly Dictionary<string, string> Axes = new()
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

    public static object Part(string name, int screws) =>
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

    public static object About(string model, int version, string prefix) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion = version,
            model,
            serialPrefix = prefix,
            wasteAt = "in the rear, right",
            cautions = new[] { "Carry it level." },
        };

    public static string Text(JsonElement of, string name) => of.GetProperty(name).GetString()!;

    public static (string, string) At(JsonElement body) => (CodeOf(body), PointerOf(body));

    public static async Task<string> Make(Browser browser, string name)
    {
        var made = await Kind(browser, name);
        Assert.Equal(HttpStatusCode.OK, made.Status);
        return $"heath-{name.ToLowerInvariant()}";
    }

    public static async Task<(HttpStatusCode Status, JsonElement Body)> Kind(
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
    public static async Task<object> Back(Browser browser, JsonElement shop) =>
        new
        {
            key = Guid.NewGuid(),
            seenVersion = await Version(browser),
            entry = shop.GetProperty("entries").EnumerateArray().Max(e => e.GetProperty("id").GetInt64()),
            reason = "typed wrong",
        };

    public static async Task<int> Version(Browser browser) => (await browser.Get("/api/shop")).Body.GetProperty("version").GetInt32();

    public static async Task<JsonElement> Figure(Browser browser, string model, string pointer) =>
        (await browser.Get($"/api/models/{model}"))
            .Body.GetProperty("figures")
            .EnumerateArray()
            .First(f => f.GetProperty("pointer").GetString() == pointer);

    public static double Band(JsonElement figure) =>
        Math.Log(figure.GetProperty("high").GetDouble() / figure.GetProperty("low").GetDouble());

    public static string CodeOf(JsonElement body) => body.GetProperty("problems")[0].GetProperty("code").GetString()!;

    public static string PointerOf(JsonElement body) => body.GetProperty("problems")[0].GetProperty("pointer").GetString()!;
}
