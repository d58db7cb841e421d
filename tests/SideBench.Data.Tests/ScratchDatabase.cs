using Npgsql;
using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Record;
using SideBench.Data;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Data.Shop;
using Xunit;

namespace SideBench.Data.Tests;

/// <summary>A fresh database on the throw-away cluster that ./test starts.</summary>
public sealed class ScratchDatabase : IAsyncLifetime
{
    public const string Setting = "SIDEBENCH_TEST_DB";

    public NpgsqlDataSource Source { get; private set; } = null!;

    /// <summary>Whether it is to be left without our tables.</summary>
    public bool IsEmpty { get; init; }

    public string Connection { get; private set; } = "";

    public PersonId Person { get; private set; }

    public static EntryCodec Codec { get; } = new(HouseCrafts.All);

    public EntryStore Entries => new(Source, Codec);

    public JobStore Jobs => field ??= new(Source, Entries, new MachineLives(Entries), new KnownLines());

    public VerdictStore Verdicts => new(Source, Codec);

    public async ValueTask InitializeAsync()
    {
        var root = Environment.GetEnvironmentVariable(Setting) ?? throw new InvalidOperationException($"{Setting} is not set: run ./test");
        var name = $"t_{Guid.NewGuid():N}";
        await using (var admin = new NpgsqlConnection(root))
        {
            await admin.OpenAsync();
            await using var make = new NpgsqlCommand($"CREATE DATABASE {name}", admin);
            await make.ExecuteNonQueryAsync();
        }

        Connection = new NpgsqlConnectionStringBuilder(root)
        {
            Database = name,
            Pooling = true,
            MaxPoolSize = 20,
        }.ConnectionString;
        if (!IsEmpty)
            Migrator.Run(Connection);
        Source = Database.Open(Connection);
    }

    public async Task<PersonId> AddPerson() =>
        Person = await new PeopleStore(Source).Add(
            $"Person {Guid.NewGuid():N}",
            Role.Owner,
            "x",
            null,
            DateTimeOffset.UtcNow,
            CancellationToken.None
        );

    public async ValueTask DisposeAsync() => await Source.DisposeAsync();

    /// <summary>Adds lines to a job as a write does: numbered on the job and on its machine.</summary>
    public static async Task<IReadOnlyList<EntryId>> Add(
        Unit unit,
        Write write,
        JobId job,
        MachineId machine,
        int first,
        IReadOnlyList<EntryBody> lines
    )
    {
        var go = CancellationToken.None;
        var ids = await SubjectStore.NewLines(unit, lines.Count, go);
        var version = (await SubjectStore.HoldAll(unit, [Subject.Of(machine)], go))[Subject.Of(machine)];
        await using var appending = new Appending(unit);
        appending.Lines(write, job, machine, [.. lines.Select((body, i) => new NewLine(ids[i], first + i, body))]);
        appending.Touch(Subject.Of(machine), version, ids);
        await appending.Send(go);
        return ids;
    }

    public static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "SideBench.slnx")))
            folder = folder.Parent;
        return folder?.FullName ?? throw new InvalidOperationException("the project's root was not found");
    }

    public async Task<long> Count(string sql)
    {
        await using var command = Source.CreateCommand(sql);
        return (long)(await command.ExecuteScalarAsync())!;
    }
}
