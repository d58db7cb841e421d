using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using SideBench.Core.Jobs;
using SideBench.Data.Tests;
using SideBench.Packs;
using SideBench.Web.Demo;
using SideBench.Web.Hosting;
using SideBench.Web.Plugs;
using Xunit;

namespace SideBench.Web.Tests;

/// <summary>The real server on a database of its own, with the demo world, on a loopback port.</summary>
public sealed class BenchServer : IAsyncLifetime
{
    // The demo is made once for all.
    private static readonly Lazy<Task<string>> Demo = new(MakeDemo);
    private ScratchDatabase database = null!;
    private WebApplication app = null!;

    public Uri Address { get; private set; } = null!;

    public IServiceProvider Services => app.Services;

    public string Connection => database.Connection;

    public async ValueTask InitializeAsync()
    {
        database = new ScratchDatabase { CopyOf = await Demo.Value };
        await database.InitializeAsync();
        app = await Run(database.Connection);
        Address = new Uri(app.Urls.First());
    }

    public async ValueTask DisposeAsync()
    {
        await app.StopAsync();
        await app.DisposeAsync();
        await database.DisposeAsync();
    }

    private static async Task<string> MakeDemo()
    {
        await using var made = new ScratchDatabase();
        await made.InitializeAsync();
        await using var first = await Run(made.Connection);
        await DemoLoad.Once(first.Services, CancellationToken.None, days: 300);
        await first.StopAsync();
        await made.Shut();
        return made.Name;
    }

    /// <summary>Another server, on whatever database that is.</summary>
    public static async Task<WebApplication> Run(
        string connection,
        string? packs = null,
        TimeProvider? clock = null,
        Shop? shop = null,
        Crafts? crafts = null,
        IReadOnlyList<WebCraft>? pages = null
    )
    {
        packs ??= Path.Combine(Root(), "packs");
        shop ??= Settings.LoadShop(packs, Console.Error)!;
        var builder = WebApplication.CreateBuilder(new WebApplicationOptions { EnvironmentName = "Production" });
        builder.Logging.SetMinimumLevel(LogLevel.Critical);
        builder.AddSideBench(shop, connection, packs, crafts, pages);
        if (clock is not null)
            builder.Services.AddSingleton(clock);
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        var app = builder.Build();
        app.UseSideBench();
        app.MapSideBench();
        await app.StartAsync();
        return app;
    }

    /// <summary>A browser, signed in unless the name is empty.</summary>
    public Task<Browser> Open(string name = "Ines Varga") => Browser.Open(Address, name);

    public static string Root() => ScratchDatabase.Root();
}

/// <summary>What a browser does: keeps cookies, sends the page's token.</summary>
public sealed class Browser(Uri address, CookieContainer? cookies = null)
{
    private static int opened;

    public CookieContainer Cookies { get; } = cookies ?? new CookieContainer();

    public HttpClient Http => field ??= new(new SocketsHttpHandler { CookieContainer = Cookies }) { BaseAddress = address };

    public static async Task<Browser> Open(Uri address, string name)
    {
        var browser = new Browser(address);
        // Each at an address of its own: tries are counted by address.
        var n = Interlocked.Increment(ref opened);
        browser.Http.DefaultRequestHeaders.Add("X-Forwarded-For", $"10.1.{n / 250}.{1 + (n % 250)}");
        await browser.TakeToken(await browser.Http.GetAsync("/api/session"));
        if (name.Length > 0)
            await browser.TakeToken(await browser.Http.PostAsJsonAsync("/api/session", new { name, password = DemoLoad.Password }));
        return browser;
    }

    public async Task TakeToken(HttpResponseMessage answer)
    {
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var token = (await answer.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("token").GetString();
        Http.DefaultRequestHeaders.Remove(SideBenchApp.TokenHeader);
        Http.DefaultRequestHeaders.Add(SideBenchApp.TokenHeader, token);
    }

    public async Task<(HttpStatusCode Status, JsonElement Body)> Get(string path) => await Read(await Http.GetAsync(path));

    public async Task<(HttpStatusCode Status, JsonElement Body)> Post(string path, object body) =>
        await Read(await Http.PostAsJsonAsync(path, body));

    /// <summary>A browser with the same cookies as they are now, that learns nothing of what becomes of them.</summary>
    public Browser Copy(Uri? at = null)
    {
        var jar = new CookieContainer();
        jar.Add(address, Cookies.GetCookies(address));
        var copy = new Browser(at ?? address, jar);
        foreach (var header in Http.DefaultRequestHeaders)
            copy.Http.DefaultRequestHeaders.Add(header.Key, header.Value);
        return copy;
    }

    /// <summary>Sends a file as it is.</summary>
    public async Task<(HttpStatusCode Status, JsonElement Body)> Send(string path, byte[] file) =>
        await Read(await Http.PostAsync(path, new ByteArrayContent(file)));

    private static async Task<(HttpStatusCode, JsonElement)> Read(HttpResponseMessage answer)
    {
        var text = await answer.Content.ReadAsStringAsync();
        return (answer.StatusCode, text.Length == 0 ? default : SideBySide(JsonSerializer.Deserialize<JsonElement>(text)));
    }

    /// <summary>The bench page's sections laid side by side, so that a test names a field without its section.</summary>
    public static JsonElement SideBySide(JsonElement body)
    {
        if (body.ValueKind != JsonValueKind.Object || !body.TryGetProperty("diagnosis", out _) || !body.TryGetProperty("record", out _))
            return body;
        var fields = body.EnumerateObject().SelectMany(section => section.Value.EnumerateObject()).ToDictionary(f => f.Name, f => f.Value);
        return JsonSerializer.SerializeToElement(fields);
    }
}
