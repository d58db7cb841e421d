using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Npgsql;
using SideBench.Core.Identity;
using SideBench.Data.Bulk;
using SideBench.Data.People;
using SideBench.Packs;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure;

/// <summary>The real server on a scratch database of a given size, on a loopback port of its own.</summary>
public sealed class ScratchServer : IAsyncDisposable
{
    /// <summary>The password of its people.</summary>
    public const string Password = "measure-only-here";

    private const int Seed = 90210;
    private readonly WebApplication app;

    private ScratchServer(WebApplication app, string connection, int jobs, int lines, BenchClient client)
    {
        this.app = app;
        Connection = connection;
        Jobs = jobs;
        Lines = lines;
        Client = client;
    }

    /// <summary>Where its database is.</summary>
    public string Connection { get; }

    /// <summary>How many jobs it has.</summary>
    public int Jobs { get; }

    /// <summary>How many lines its record has.</summary>
    public int Lines { get; }

    /// <summary>Where it listens.</summary>
    public Uri Address => new(app.Urls.First());

    /// <summary>One of its open jobs, by its place among them from 0.</summary>
    public long OpenJob(int place) => Jobs - ScratchShop.OpenJobs + 1 + place;

    /// <summary>Another server on the same records.</summary>
    public async Task<ScratchServer> Beside(Shop shop, string webRoot)
    {
        var other = Built(shop, Connection, webRoot);
        await other.StartAsync();
        return new ScratchServer(other, Connection, Jobs, Lines, new BenchClient(new Uri(other.Urls.First())));
    }

    /// <summary>A signed-in browser of it.</summary>
    public BenchClient Client { get; }

    /// <summary>What the server works with.</summary>
    public BenchBooks Books => app.Services.GetRequiredService<BenchBooks>();

    /// <summary>Starts one.</summary>
    /// <param name="root">A connection string to the scratch cluster; a database is made beside it.</param>
    public static async Task<ScratchServer> Start(Shop shop, string root, int jobs, string webRoot)
    {
        var connection = await Scratch.Make(root, $"measure_{jobs}");
        var app = Built(shop, connection, webRoot);
        var people = app.Services.GetRequiredService<PeopleStore>();
        for (var i = 1; i <= 2; i++)
            await people.Add($"Measure {i}", Role.Owner, SignIn.Hash(Password), null, DateTimeOffset.UtcNow, CancellationToken.None);
        var scratch = new ScratchShop(app.Services.GetRequiredService<BenchBooks>(), Seed);
        var lines = await scratch.Fill(app.Services.GetRequiredService<NpgsqlDataSource>(), jobs, CancellationToken.None);
        await app.StartAsync();
        var client = new BenchClient(new Uri(app.Urls.First()));
        await client.SignIn("Measure 1", Password);
        return new ScratchServer(app, connection, jobs, lines, client);
    }

    private static WebApplication Built(Shop shop, string connection, string webRoot)
    {
        var builder = WebApplication.CreateBuilder(new WebApplicationOptions { WebRootPath = webRoot, EnvironmentName = "Production" });
        builder.Logging.SetMinimumLevel(LogLevel.Error);
        builder.AddSideBench(shop, connection, "");
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        var app = builder.Build();
        app.UseSideBench();
        app.MapSideBench();
        return app;
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await app.StopAsync();
        await app.DisposeAsync();
    }
}
