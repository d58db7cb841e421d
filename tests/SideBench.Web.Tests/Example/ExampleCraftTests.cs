using System.Net;
using System.Text.Json;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;
using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Data.Tests;
using SideBench.Packs;
using SideBench.Web.Demo;
using SideBench.Web.Plugs;
using Xunit;

namespace SideBench.Web.Tests.Example;

/// <summary>A craft of a page's length is plugged into the real server, and nothing in the middle was edited for it.</summary>
[Trait("Pace", "slow")]
public sealed class ExampleCraftTests : IAsyncLifetime
{
    private const string NumbersFile = """{ "craft": "Bottles", "numbers": { "emptyGrams": 80 } }""";
    private static readonly Crafts Crafts = new([.. HouseCrafts.All.All, BottlesCraft.Craft]);
    private readonly ScratchDatabase database = new();
    private WebApplication app = null!;

    public async ValueTask InitializeAsync()
    {
        await database.InitializeAsync();
        app = await BenchServer.Run(
            database.Connection,
            shop: Shop().Value,
            crafts: Crafts,
            pages: [.. WebCrafts.House, BottlesCraft.Pages]
        );
        await DemoLoad.Once(app.Services, CancellationToken.None, days: 30);
    }

    public async ValueTask DisposeAsync()
    {
        await app.DisposeAsync();
        await database.DisposeAsync();
    }

    [Fact]
    public async Task ACraftThatBreaks_HidesNoJob()
    {
        var bench = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        foreach (var job in (await bench.Get("/api/board")).Body.GetProperty("jobs").EnumerateArray())
        {
            var (status, body) = await bench.Get($"/api/jobs/{job.GetProperty("id").GetInt64()}");
            Assert.Equal(HttpStatusCode.OK, status);
            Assert.Contains("What Bottles knows could not be asked.", body.GetProperty("advice").GetProperty("because").GetString());
        }
    }

    [Fact]
    public async Task Bottle_HasALifeOverJobs_AndTheCraftsFactNumbersProblemAndPaperAreThere()
    {
        var bench = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var jobs = (await bench.Get("/api/board"))
            .Body.GetProperty("jobs")
            .EnumerateArray()
            .Take(2)
            .Select(j => j.GetProperty("id").GetInt64())
            .ToList();
        var (first, second) = (jobs[0], jobs[1]);
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "bottle-too-light"), await Refused(bench, first, 79));
        await Weigh(bench, first, 120);
        await Weigh(bench, second, 310);

        var entries = app.Services.GetRequiredService<EntryStore>();
        var bottle = Subject.Store("7");
        var life = await entries.Of(bottle, CancellationToken.None);
        Assert.Equal([120, 310], life.Select(e => ((BottleWeighed)e.Body).Grams));
        Assert.Equal([first, second], life.Select(e => e.Job!.Value.Value));

        var state = await State(app, second);
        Assert.Equal(310, state.Crafts.FactsOf(state)[BottlesCraft.Last].Number);
        Assert.Contains("Waste bottle: 310 g.", state.Crafts.All.SelectMany(c => c.HandOver(state).Watch));

        // Taken back on its job, it counts no longer in the bottle's life either.
        var (_, page) = await bench.Get($"/api/jobs/{second}");
        var corrected = await bench.Post(
            $"/api/jobs/{second}/corrections",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = Version(page),
                entry = life[1].Id.Value,
                reason = "another bottle",
            }
        );
        Assert.Equal(HttpStatusCode.OK, corrected.Status);
        Assert.Equal(
            [120],
            TakenBack
                .Without(await entries.Of(bottle, CancellationToken.None))
                .Select(e => e.Body)
                .OfType<BottleWeighed>()
                .Select(b => b.Grams)
        );
    }

    [Fact]
    public async Task LineOfACraftThatIsNotHere_IsADoubt_AndHidesNothing()
    {
        var bench = await Browser.Open(new Uri(app.Urls.First()), "Ines Varga");
        var job = (await bench.Get("/api/board")).Body.GetProperty("jobs")[0].GetProperty("id").GetInt64();
        var before = await State(app, job);
        await Weigh(bench, job, 200);
        await using var without = await BenchServer.Run(database.Connection);
        var (status, page) = await (await Browser.Open(new Uri(without.Urls.First()), "Ines Varga")).Get($"/api/jobs/{job}");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(before.Version + 1, Version(page));
        Assert.Contains("bottle-weighed", page.GetProperty("doubts").ToString());
        var state = await State(without, job);
        Assert.Equal((before.Hands, before.Tray.Count), (state.Hands, state.Tray.Count));
    }

    [Fact]
    public void NumbersOfACraft_AreAllRequired_AndOfNoOther()
    {
        Assert.Contains("Bottles", Assert.Single(Shop("""{ "craft": "Bottles", "numbers": {} }""").Problems).Args);
        Assert.Equal("pack-numbers-incomplete", Assert.Single(PackReader.Read(House(), Crafts).Problems).Code.Id);
        Assert.Equal("pack-unknown-name", Assert.Single(PackReader.Read([.. House(), Own(NumbersFile)]).Problems).Code.Id);
    }

    private static Outcome<Shop> Shop(string numbers = NumbersFile) => PackReader.Read([.. House(), Own(numbers)], Crafts);

    private static IReadOnlyList<PackFile> House() => PackFolder.Read(Path.Combine(BenchServer.Root(), "packs")).Value;

    private static PackFile Own(string numbers) => new("own/numbers/bottles.json", PackFileKind.Numbers, numbers);

    private static async Task Weigh(Browser bench, long job, double grams) =>
        Assert.Equal(HttpStatusCode.OK, (await Post(bench, job, grams)).Status);

    private static async Task<(HttpStatusCode, string?)> Refused(Browser bench, long job, double grams)
    {
        var (status, body) = await Post(bench, job, grams);
        return (status, body.GetProperty("code").GetString());
    }

    private static async Task<(HttpStatusCode Status, JsonElement Body)> Post(Browser bench, long job, double grams)
    {
        var version = Version((await bench.Get($"/api/jobs/{job}")).Body);
        return await bench.Post(
            $"/api/jobs/{job}/bottles/weigh",
            new
            {
                key = Guid.NewGuid(),
                seenVersion = version,
                bottle = 7,
                grams,
            }
        );
    }

    private static int Version(JsonElement page) => page.GetProperty("version").GetInt32();

    private static async Task<JobState> State(WebApplication server, long job)
    {
        var loaded = await server.Services.GetRequiredService<JobStore>().Load(new JobId(job), CancellationToken.None);
        return JobFold.Of(server.Services.GetRequiredService<Crafts>(), loaded!.Machine, loaded.Entries);
    }
}
