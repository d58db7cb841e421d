using SideBench.Data;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Data.Shop;
using SideBench.Web.Demo;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Hosting;

var database = Settings.Needed(Settings.Database);
var packs = Settings.Needed(Settings.Packs);
if (Settings.LoadShop(packs, Console.Error) is not { } shop)
    return 2;
var builder = WebApplication.CreateBuilder(args);
builder.AddSideBench(shop, database, packs);
builder.WebHost.ConfigureKestrel(o => o.Limits.MaxRequestBodySize = 1 << 20);
var app = builder.Build();
app.UseSideBench();
app.MapSideBench();

if (args is ["--describe", var file])
    return await Description.Write(app, file);
try
{
    Migrator.Run(database);
}
catch (LaterRecordsException later)
{
    Console.Error.WriteLine(later.Message);
    return 3;
}

if (args.Contains("--demo"))
    await DemoLoad.Once(app.Services, app.Lifetime.ApplicationStopping);
await app
    .Services.GetRequiredService<BenchBooks>()
    .Load(app.Services.GetRequiredService<EntryStore>(), app.Services.GetRequiredService<VerdictStore>(), CancellationToken.None);
if (!await app.Services.GetRequiredService<PeopleStore>().Any(CancellationToken.None))
    Console.WriteLine($"One-time code for the owner's account: {app.Services.GetRequiredService<FirstOwnerCode>().Shown}");
await app.RunAsync();
return 0;

/// <summary>The server.</summary>
public partial class Program;
