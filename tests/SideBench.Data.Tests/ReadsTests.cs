using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Record;
using SideBench.Data.Bulk;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Data.Search;
using Xunit;

namespace SideBench.Data.Tests;

public class ReadsTests(ScratchDatabase database) : IClassFixture<ScratchDatabase>
{
    private static readonly CancellationToken Go = CancellationToken.None;
    private static readonly DateTimeOffset Now = new(2026, 3, 2, 9, 0, 0, 123, TimeSpan.Zero);

    [Fact]
    public async Task BulkLoad_GivesWholeJobs_AndLeavesTheCountersAfterThem()
    {
        await Fill();
        var loaded = (await database.Jobs.Load(new JobId(2), Go))!;
        Assert.Equal((502, "Kite Loft", "S-2"), (loaded.Row.Tag, loaded.Row.CustomerName, loaded.Row.Serial));
        Assert.Equal([1, 2], loaded.Entries.Select(e => e.Version));
        Assert.Equal(Now, loaded.Entries[0].At);
        await using var unit = await Unit.Begin(database.Source, Go);
        var (id, tag) = await JobStore.NewId(unit, Go);
        Assert.True(id.Value > 3 && tag > 503, $"{id} {tag}");
    }

    [Fact]
    public async Task Open_ListsTheBenchByPlace_ThenTheRest_AndNotWhatWentHome()
    {
        await Fill();
        Assert.Equal([2, 1], (await database.Jobs.Open(Go)).Select(j => (int)j.Id.Value));
        await using var unit = await Unit.Begin(database.Source, Go);
        Assert.Equal([4], await JobStore.TakenPlaces(unit, Go));
    }

    [Fact]
    public async Task OfMachine_PagesBackThroughTheRecord()
    {
        await Fill();
        var store = database.Entries;
        var newest = await store.OfMachine(new MachineId(2), null, 1, Go);
        var older = await store.OfMachine(new MachineId(2), newest[0].Id, 10, Go);
        Assert.Equal("noted", Assert.Single(newest).Body.Kind.Name);
        Assert.Equal("taken-in", Assert.Single(older).Body.Kind.Name);
        Assert.Equal(6, await store.All(Go).CountAsync());
    }

    [Fact]
    public async Task OfMachine_ListsItsVisits_AndNoneOfAMachineThatIsNotThere()
    {
        await Fill();
        var store = database.Jobs;
        Assert.Equal(503, Assert.Single(await store.OfMachine(new MachineId(3), Go)).Tag);
        Assert.Empty(await store.OfMachine(new MachineId(999), Go));
    }

    [Fact]
    public async Task TriesAtOnce_AreAsManyAsTheyAre_AndALockEnds()
    {
        var tries = new SignInTries(database.Source);
        var (ten, wide) = (TimeSpan.FromMinutes(10), TimeSpan.FromDays(1));
        Task<DateTimeOffset?> Claim(string tried, DateTimeOffset at) => tries.Claim(tried, 5, at, ten, wide, Go);
        // Twenty-six at once: five are made, the others find it locked.
        var said = await Task.WhenAll(Enumerable.Range(0, 26).Select(_ => Claim("pin 1", Now)));
        Assert.Equal((5, 21), (said.Count(u => u is null), said.Count(u => u == Now + ten)));
        // The PIN is locked, and the password is not.
        Assert.Null(await Claim("password 1", Now));
        Assert.Equal(Now + ten, await Claim("pin 1", Now + (ten / 2)));
        Assert.Null(await Claim("pin 1", Now + ten));
        // What was right is forgotten, and what is long ago does not count.
        for (var i = 0; i < 4; i++)
            Assert.Null(await Claim("pin 1", Now + ten));
        await tries.Forget("pin 1", Go);
        for (var day = 2; day < 12; day++)
            Assert.Null(await Claim("pin 1", Now.AddDays(day)));
    }

    [Fact]
    public async Task People_AreFoundByNameWhateverTheCase()
    {
        await Fill();
        var store = new PeopleStore(database.Source);
        Assert.Equal("Ines Varga", (await store.FindByName("INES varga", Go))!.Name);
        Assert.Null(await store.AddFirstOwner("Second", "x", Now, Go));
        Assert.True(await store.Any(Go));
    }

    [Fact]
    public async Task Customers_AreFoundByAnyPartOfTheirName_SignsTakenLiterally()
    {
        await Fill();
        var store = new MachineStore(database.Source);
        Assert.Equal("Kite Loft", Assert.Single(await store.Customers("ite l", Go)).Name);
        Assert.Empty(await store.Customers("%", Go));
        Assert.Null(await store.FindCustomer(new CustomerId(99), Go));
    }

    [Fact]
    public void GuardKeys_AreKeptOnce()
    {
        var store = new GuardKeyStore(database.Source);
        store.Add("key-1", "<key id='1'/>");
        store.Add("key-1", "<key id='other'/>");
        Assert.Contains("<key id='1'/>", store.All());
        Assert.DoesNotContain("<key id='other'/>", store.All());
    }

    [Fact]
    public async Task Write_IsHeardByWhoeverListens()
    {
        await Fill();
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        var listens = new TaskCompletionSource();
        var heard = new TaskCompletionSource<(long, int)>();
        var ear = new JobNews(Database.Alone(database.Connection)).Listen(
            listens.SetResult,
            (job, version) => heard.TrySetResult((job, version)),
            _ => { },
            _ => { },
            () => { },
            limit.Token
        );
        await listens.Task.WaitAsync(limit.Token);
        await using (var unit = await Unit.Begin(database.Source, Go))
        {
            await using var appending = new Appending(unit);
            JobStore.Project(appending, new JobId(2), new JobProjection(7, 4, "hands", "", null, null, null, null, null));
            await appending.Send(Go);
            await unit.Commit(Go);
        }

        Assert.Equal((2, 7), await heard.Task.WaitAsync(limit.Token));
        await limit.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => ear);
    }

    // Three jobs: one without a place, one on place 4, one that went home. Loaded by whichever test comes first.
    private async Task Fill()
    {
        if (await database.Count("SELECT count(*) FROM jobs") > 0)
            return;
        await using var connection = await database.Source.OpenConnectionAsync();
        await BulkLoad.People(connection, [new PersonRow(new PersonId(1), "Ines Varga", Role.Owner, "x", null)], Now, Go);
        await BulkLoad.Machines(
            connection,
            [new CustomerRow(new CustomerId(1), "Kite Loft", "")],
            [
                .. Enumerable
                    .Range(1, 3)
                    .Select(i => new MachineRow(new MachineId(i), "marram-duo", $"S-{i}", new CustomerId(1), "Kite Loft", "")),
            ],
            Go
        );
        await BulkLoad.Jobs(connection, [Job(1, 0, null), Job(2, 4, null), Job(3, 5, Now)], Guid.NewGuid, Go);
        await BulkLoad.Finish(connection, [(new Find("customer", 1, "Kite Loft", ""), "Kite Loft", 2)], Go);
    }

    private static BulkJob Job(int id, int place, DateTimeOffset? gone)
    {
        var intake = new TakenIn(
            id,
            1,
            "marram-duo",
            "not-recognised",
            "It says no cartridge.",
            "",
            0,
            "maker",
            0,
            false,
            "plain",
            false,
            null,
            null,
            null,
            ""
        );
        List<Entry> entries =
        [
            new(new EntryId(1), null, 1, new PersonId(1), "Ines Varga", Now, intake),
            new(new EntryId(2), null, 2, new PersonId(1), "Ines Varga", Now, new Noted("n")),
        ];
        return new BulkJob(
            new JobId(id),
            500 + id,
            entries,
            new JobProjection(2, place, "hands", "", null, null, gone, gone is null ? null : "verified", gone)
        );
    }
}
