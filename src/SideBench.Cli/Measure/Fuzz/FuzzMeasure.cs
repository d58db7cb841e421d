using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Npgsql;
using SideBench.Core.Simulation;
using SideBench.Data;
using SideBench.Data.Bulk;
using SideBench.Web.Demo;
using SideBench.Web.Hosting;

namespace SideBench.Cli.Measure.Fuzz;

/// <summary>The API asked many thousand times, on a scratch database with the demo's record.</summary>
public static class FuzzMeasure
{
    private const int Usual = 50_000;
    private const int UsualSeed = 20261;
    private const int DemoDays = 300;

    /// <summary>Asks, and tells what was seen.</summary>
    /// <param name="options">--requests N, --seed N.</param>
    /// <returns>0 when nothing was wrong and every operation was reached, else 1.</returns>
    public static async Task<int> Run(string[] options)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } packs)
            return 2;
        var requests = Number(options, "--requests", Usual);
        var connection = await Scratch.Make(Settings.Needed(Settings.Database), "measure_fuzz");
        Migrator.Run(connection);
        var builder = WebApplication.CreateBuilder(new WebApplicationOptions { EnvironmentName = "Production" });
        builder.Logging.SetMinimumLevel(LogLevel.Error);
        builder.AddSideBench(packs, connection, Settings.Needed(Settings.Packs));
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        await using var app = builder.Build();
        app.UseSideBench();
        app.MapSideBench();
        await DemoLoad.Once(app.Services, CancellationToken.None, DemoDays);
        await app.StartAsync();
        var saw = await On(
                new Uri(app.Urls.First()),
                app.Services.GetRequiredService<NpgsqlDataSource>(),
                Number(options, "--seed", UsualSeed)
            )
            .Run(requests);
        Console.WriteLine(
            $"{saw.Asked:N0} requests, {saw.Refused:N0} refused; {saw.Reached.Count} operations answered, {saw.NotReached.Count} never did."
        );
        foreach (var (id, why) in saw.NotReached)
            Console.WriteLine($"  never: {id}: {why}");
        foreach (var line in saw.Wrong)
            Console.WriteLine($"  WRONG {line}");
        await app.StopAsync();
        return saw.Wrong.Count == 0 && saw.NotReached.Count == 0 ? 0 : 1;
    }

    /// <summary>A fuzzer on the demo.</summary>
    public static Fuzzer On(Uri server, NpgsqlDataSource database, int seed)
    {
        var others = DemoWorld.People.Where(p => p.Role != Core.Identity.Role.Owner).ToDictionary(p => $"{p.Role}", p => p.Name);
        var owner = DemoWorld.People.First(p => p.Role == Core.Identity.Role.Owner).Name;
        return new Fuzzer(database, chance => new FuzzShop(server, owner, DemoLoad.Password, others, chance), seed);
    }

    private static int Number(string[] options, string name, int usual)
    {
        var at = Array.IndexOf(options, name);
        return at >= 0 && at + 1 < options.Length && int.TryParse(options[at + 1], out var told) ? told : usual;
    }
}
