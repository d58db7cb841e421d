using Npgsql;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Data.Search;
using SideBench.Data.Shop;
using Xunit;

namespace SideBench.Data.Tests;

public class StoresTests(ScratchDatabase database) : IClassFixture<ScratchDatabase>
{
    private static readonly CancellationToken Go = CancellationToken.None;

    [Fact]
    public async Task Add_ThenLoad_GivesTheSameLinesBack()
    {
        var (job, _) = await NewJob();
        await using (var unit = await Unit.Begin(database.Source, Go))
        {
            await ScratchDatabase.Add(unit, NewWrite(), job, new MachineId(1), 2, [new Noted("Ümlaut, “quotes” and\nlines")]);
            await unit.Commit(Go);
        }

        var loaded = await database.Jobs.Load(job, Go);
        Assert.Equal(["taken-in", "noted"], loaded!.Entries.Select(e => e.Body.Kind.Name));
        Assert.Equal("Ümlaut, “quotes” and\nlines", Assert.IsType<Noted>(loaded.Entries[1].Body).Text);
    }

    [Fact]
    public async Task KnownLines_AreReadOn_AndNeverTrustedAgainstTheRecord()
    {
        var (job, _) = await NewJob();
        Assert.Single((await database.Jobs.Load(job, Go))!.Entries);
        await using (var unit = await Unit.Begin(database.Source, Go))
        {
            await ScratchDatabase.Add(unit, NewWrite(), job, new MachineId(1), 2, [new Noted("taken back before it stood")]);
            var held = await database.Jobs.Hold(unit, job, Guid.NewGuid(), 1, Go);
            Assert.Equal(2, held.Job!.Entries.Count);
        }

        // That line was never committed: another stands in its place, and a further one after it.
        await using (var unit = await Unit.Begin(database.Source, Go))
        {
            await ScratchDatabase.Add(unit, NewWrite(), job, new MachineId(1), 2, [new Noted("one"), new Noted("two")]);
            await unit.Commit(Go);
        }

        var loaded = (await database.Jobs.Load(job, Go))!.Entries;
        Assert.Equal(["one", "two"], loaded.Select(e => e.Body).OfType<Noted>().Select(n => n.Text));
        Assert.Equal(loaded.Select(e => e.Id), (await database.Jobs.Load(job, Go))!.Entries.Select(e => e.Id));
    }

    [Fact]
    public async Task Picture_IsKeptOnceByItsBytes()
    {
        var store = new Pictures.PictureStore(database.Source);
        var bytes = Guid.NewGuid().ToByteArray();
        var print = await store.Keep(bytes, 2, 2, DateTimeOffset.UtcNow, Go);
        Assert.Equal(print, await store.Keep(bytes, 2, 2, DateTimeOffset.UtcNow, Go));
        Assert.Equal(bytes, await store.Find(print, Go));
        Assert.Null(await store.Find("none", Go));
        await using var count = database.Source.CreateCommand($"SELECT count(*) FROM pictures WHERE fingerprint = '{print}'");
        Assert.Equal(1L, await count.ExecuteScalarAsync(Go));
    }

    [Fact]
    public async Task SheetLine_ComesBackWithItsNozzlesAndItsMap()
    {
        var (job, _) = await NewJob();
        var unit = new Core.Nozzles.UnitLine(
            "K",
            "..x.",
            [2],
            Core.Nozzles.PatternClass.EveryKth,
            new Dictionary<Core.Nozzles.PatternClass, double> { [Core.Nozzles.PatternClass.EveryKth] = 0.9 },
            "C"
        );
        var handling = new Core.Nozzles.SheetHandling(1, 2, 3, 4, 5, 6, [(7, 8)]);
        var map = new Core.Nozzles.PageMap(new Core.Nozzles.Homography(1, 2, 3, 4, 5, 6, 7, 8), [0.5], 1, 2, 3);
        await using (var work = await Unit.Begin(database.Source, Go))
        {
            await ScratchDatabase.Add(
                work,
                NewWrite(),
                job,
                new MachineId(1),
                2,
                [new SheetTaken("s1", "l", "camera", "print", [unit], handling, map)]
            );
            await work.Commit(Go);
        }

        var line = (await database.Entries.SheetsOfMachine(new MachineId(1), Go)).Select(e => e.Body).OfType<SheetTaken>().Last();
        Assert.Equal(
            ("..x.", Core.Nozzles.PatternClass.EveryKth, 0.9, "C"),
            (line.Units[0].Nozzles, line.Units[0].Pattern, line.Units[0].Odds[Core.Nozzles.PatternClass.EveryKth], line.Units[0].MixedWith)
        );
        Assert.Equal((map.Flat, 0.5, (7.0, 8.0)), (line.Map!.Flat, line.Map.Bend[0], line.Handling!.PaperPx[0]));
    }

    [Fact]
    public async Task UnitThatIsNotCommitted_LeavesNothing()
    {
        var (job, _) = await NewJob();
        await using (var unit = await Unit.Begin(database.Source, Go))
            await ScratchDatabase.Add(unit, NewWrite(), job, new MachineId(1), 2, [new Noted("lost")]);
        Assert.Single((await database.Jobs.Load(job, Go))!.Entries);
    }

    [Fact]
    public async Task ConnectionKilledInMidWrite_LeavesNothing()
    {
        var (job, _) = await NewJob();
        await using var unit = await Unit.Begin(database.Source, Go);
        await ScratchDatabase.Add(unit, NewWrite(), job, new MachineId(1), 2, [new Noted("lost")]);
        await database.Count(
            "SELECT count(pg_terminate_backend(pid)) FROM pg_stat_activity "
                + "WHERE datname = current_database() AND state = 'idle in transaction'"
        );
        await Assert.ThrowsAnyAsync<NpgsqlException>(() => unit.Commit(Go));
        Assert.Single((await database.Jobs.Load(job, Go))!.Entries);
    }

    [Fact]
    public async Task SameVersionOrSameKeyTwice_IsRefusedByTheDatabase()
    {
        var (job, _) = await NewJob();
        Assert.Equal(
            "entries_version_once",
            await Refused(unit => ScratchDatabase.Add(unit, NewWrite(), job, new MachineId(1), 1, [new Noted("x")]))
        );
        var write = NewWrite();
        await using (var unit = await Unit.Begin(database.Source, Go))
        {
            await ScratchDatabase.Add(unit, write, job, new MachineId(1), 2, [new Noted("x")]);
            await unit.Commit(Go);
        }

        Assert.Equal("writes_pkey", await Refused(unit => ScratchDatabase.Add(unit, write, job, new MachineId(1), 3, [new Noted("x")])));
    }

    [Fact]
    public async Task SerialThatExists_WhateverItsCase_IsASerialProblem()
    {
        await NewJob("SERIAL-A1");
        var error = await Assert.ThrowsAsync<PostgresException>(() => NewJob("serial-a1"));
        Assert.Equal(ProblemCode.SerialTaken, ConstraintProblems.Of(error)?.Code);
        Assert.NotNull(await new MachineStore(database.Source).FindBySerial("Serial-a1", Go));
    }

    [Fact]
    public async Task SecondOpenJobOnOneMachine_IsAMachineOnBenchProblem()
    {
        var (_, machine) = await NewJob();
        var error = await Assert.ThrowsAsync<PostgresException>(() => NewJob(machine: machine));
        Assert.Equal(ProblemCode.MachineOnBench, ConstraintProblems.Of(error)?.Code);
    }

    [Theory]
    [InlineData("walr", 1)]
    [InlineData("100%", 1)]
    [InlineData("0% r", 1)]
    [InlineData("no_underscore", 0)]
    [InlineData("wa", 1)]
    [InlineData("", 0)]
    public async Task Search_FindsPartsOfWords_AndTakesSignsLiterally(string typed, int expected)
    {
        await using (var unit = await Unit.Begin(database.Source, Go))
        {
            await using var appending = new Appending(unit);
            FindStore.Put(appending, new Find("customer", 1, "Walrus Works", "100% rag"), "Walrus Works 100% rag", 2);
            await appending.Send(Go);
            await unit.Commit(Go);
        }

        Assert.Equal(expected, (await new FindStore(database.Source).Search(typed, Go)).Count(f => f.Title == "Walrus Works"));
    }

    [Fact]
    public async Task NoSqlOfTheDataLayer_ChangesOrRemovesLines()
    {
        var sources = Directory.EnumerateFiles(Path.Combine(ScratchDatabase.Root(), "src"), "*.cs", SearchOption.AllDirectories);
        var texts = await Task.WhenAll(sources.Select(f => File.ReadAllTextAsync(f)));
        Assert.DoesNotContain(
            texts,
            t => System.Text.RegularExpressions.Regex.IsMatch(t, @"(UPDATE|DELETE FROM|TRUNCATE)\s+(entries|writes)\b")
        );
    }

    [Fact]
    public void Migrations_RunAgain_ChangeNothing() => Migrator.Run(database.Connection);

    [Fact]
    public async Task RecordsOfALaterVersion_AreLeftAlone()
    {
        const string Later = "SideBench.Data.Migrations.9999_later.sql";
        await using var source = NpgsqlDataSource.Create(database.Connection);
        await using var one = source.CreateCommand($"INSERT INTO schemaversions (scriptname, applied) VALUES ('{Later}', now())");
        await one.ExecuteNonQueryAsync(Go);
        var said = Assert.Throws<LaterRecordsException>(() => Migrator.Run(database.Connection));
        Assert.Contains("9999_later", said.Message, StringComparison.Ordinal);
        await using var away = source.CreateCommand($"DELETE FROM schemaversions WHERE scriptname = '{Later}'");
        Assert.Equal(1, await away.ExecuteNonQueryAsync(Go));
        Migrator.Run(database.Connection);
    }

    [Fact]
    public async Task MachinesLife_IsReadByKind_WithoutWhatWasTakenBack()
    {
        var (job, machine) = await NewJob();
        await using (var unit = await Unit.Begin(database.Source, Go))
        {
            var ids = await ScratchDatabase.Add(
                unit,
                NewWrite(),
                job,
                machine,
                2,
                [.. LineFormsTests.OpeningLines().Take(2), LineFormsTests.OpeningLines().ElementAt(1), new Noted("n")]
            );
            await ScratchDatabase.Add(unit, NewWrite(), job, machine, 6, [new Corrected(ids[2].Value, "twice")]);
            await unit.Commit(Go);
        }

        var life = await database.Entries.OfMachine(machine, ["taken-in", "taken-off"], Go);
        Assert.Equal(["taken-in", "taken-off"], life.Select(e => e.Body.Kind.Name));
        Assert.Equal("lid", Assert.IsType<TakenOff>(life[1].Body).Item.Part);
    }

    private async Task<(JobId, MachineId)> NewJob(string? serial = null, MachineId? machine = null)
    {
        await database.AddPerson();
        await using var unit = await Unit.Begin(database.Source, Go);
        var customer = await MachineStore.AddCustomer(unit, "Kite Loft", "", Go);
        machine ??= await MachineStore.AddMachine(unit, "marram-duo", serial ?? $"S-{Guid.NewGuid():N}", customer, Go);
        var (job, tag) = await JobStore.NewId(unit, Go);
        var intake = Intake(machine.Value.Value, customer.Value);
        await using (var appending = new Appending(unit))
        {
            JobStore.Insert(
                appending,
                job,
                tag,
                intake,
                DateTimeOffset.UtcNow,
                new JobProjection(1, 0, "hands", "", null, null, null, null, null)
            );
            await appending.Send(Go);
        }
        await ScratchDatabase.Add(unit, NewWrite(), job, machine.Value, 1, [intake]);
        await unit.Commit(Go);
        return (job, machine.Value);
    }

    private async Task<string?> Refused(Func<Unit, Task> write)
    {
        await using var unit = await Unit.Begin(database.Source, Go);
        return (await Assert.ThrowsAsync<PostgresException>(() => write(unit))).ConstraintName;
    }

    private Write NewWrite() => new(Guid.NewGuid(), "print", database.Person, "Ines Varga", DateTimeOffset.UtcNow);

    internal static TakenIn Intake(long machine, long customer) =>
        new(
            machine,
            customer,
            "marram-duo",
            "not-recognised",
            "It says no cartridge.",
            "",
            2,
            "compatible",
            3,
            true,
            "plain",
            false,
            new DateOnly(2027, 1, 2),
            80m,
            new DateTimeOffset(2026, 3, 4, 16, 0, 0, TimeSpan.Zero),
            "lead"
        );

    [Fact]
    public async Task Verdicts_FollowTheLines_AndGoWhenTheyAreTakenBack()
    {
        var (job, _) = await NewJob();
        var entry = new Entry(new EntryId(9001), job, 2, new PersonId(1), "Ines Varga", DateTimeOffset.UnixEpoch, Judged("vent-blocked"));
        Assert.True(await Followed([], entry));
        var store = database.Verdicts;
        Assert.Equal(1, Assert.Single(await store.Counts(Go), c => c.Cause == "vent-blocked").Jobs);
        Assert.Equal(
            [("vent-blocked", "Q-11", 1)],
            (await store.Codes(Go)).Where(c => c.Cause == "vent-blocked").Select(c => (c.Cause, c.Code, c.Jobs))
        );
        Assert.Equal(0.75, Assert.Single(Assert.Single(await store.Latest(5, Go)).Odds).Ratio);
        Assert.False(await Followed([entry], entry with { Id = new EntryId(9002), Body = new Corrected(8000, "another line") }));
        Assert.True(await Followed([entry], entry with { Id = new EntryId(9003), Body = new Corrected(9001, "too early") }));
        Assert.DoesNotContain(await store.Counts(Go), c => c.Cause == "vent-blocked");
    }

    private async Task<bool> Followed(IReadOnlyList<Entry> known, Entry entry)
    {
        await using var unit = await Unit.Begin(database.Source, Go);
        await using var appending = new Appending(unit);
        var follows = VerdictStore.Follow(appending, entry.Job!.Value, known, [entry]);
        if (follows)
            await appending.Send(Go);
        await unit.Commit(Go);
        return follows;
    }

    internal static Judged Judged(string cause) =>
        new(0, "marram-duo", "fades-under-load", "maker", cause, [new Foretold(cause, 0.75, true)], [new TestWorth("draw-test", 5, 1.5)])
        {
            Panel = "spent",
            Code = "Q-11",
        };
}
