using SideBench.Core.Outcomes;
using SideBench.Data;
using SideBench.Data.People;
using SideBench.Web.Demo;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Features.Board;
using SideBench.Web.Features.Events;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Machines;
using SideBench.Web.Features.Search;
using SideBench.Web.Features.TakeIn;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

var database = Settings.Needed(Settings.Database);
if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop) return 2;
var builder = WebApplication.CreateBuilder(args);
builder.AddSideBench(shop, database);
builder.WebHost.ConfigureKestrel(o => o.Limits.MaxRequestBodySize = 1 << 20);
var app = builder.Build();
app.UseSideBench();

var api = app.MapGroup("/api");
api.MapAccounts();
api.MapBoard();
api.MapTakeIn();
api.MapJobs();
api.MapMachines();
api.MapSearch();
api.MapEvents();
api.MapFallback("/{**rest}", () => Results.Json(
    ProblemResults.Body([new Problem(ProblemCode.NotUnderstood, "", "There is nothing at this address.")]), statusCode: 404, contentType: "application/problem+json"));
app.MapFallbackToFile("index.html");

if (args is ["--describe", var file]) return await Description.Write(app, file);
Migrator.Run(database);
if (args.Contains("--demo")) await DemoLoad.Once(app.Services, app.Lifetime.ApplicationStopping);
if (!await app.Services.GetRequiredService<PeopleStore>().Any(CancellationToken.None))
    Console.WriteLine($"One-time code for the owner's account: {app.Services.GetRequiredService<FirstOwnerCode>().Shown}");
await app.RunAsync();
return 0;

/// <summary>The server.</summary>
public partial class Program;
