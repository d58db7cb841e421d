using Npgsql;
using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Record;
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

    /// <summary>A database that it begins as a copy of, to which nobody is connected; empty for none.</summary>
    public string CopyOf { get; init; } = "";

    public string Name { get; } = $"t_{Guid.NewGuid():N}";

    public string Connection { get; private set; } = "";

    public PersonId Person { get; private set; }

    public static EntryCodec Codec { get; } = new(HouseCrafts.All);

    public EntryStore Entries => new(Source, Codec);

    public JobStore Jobs => field ??= new(Source, Entries, new MachineLives(Entries), new KnownLines());

    public VerdictStore Verdicts => new(Source, Codec);

    public async ValueTask InitializeAsync()
    {
        await Admin($"CREATE DATABASE {Name}{(CopyOf.Length > 0 ? $" TEMPLATE {CopyOf}" : "")}");
        Connection = new NpgsqlConnectionStringBuilder(Cluster())
        {
            Database = Name,
            Pooling = true,
            MaxPoolSize = 20,
        }.ConnectionString;
        if (!IsEmpty && CopyOf.Length == 0)
            Migrator.Run(Connection);
        Source = Database.Open(Connection);
    }

    /// <summary>Nobody connects to it any more: copies of it can be made.</summary>
    public async Task Shut()
    {
        await Admin($"ALTER DATABASE {Name} ALLOW_CONNECTIONS false");
        await Admin($"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '{Name}'");
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

    private static string Cluster() =>
        Environment.GetEnvironmentVariable(Setting) ?? throw new InvalidOperationException($"{Setting} is not set: run ./test");

    private static async Task Admin(string sql)
    {
        await using var admin = new NpgsqlConnection(Cluster());
        await admin.OpenAsync();
        await using var command = new NpgsqlCommand(sql, admin);
        await command.ExecuteNonQueryAsync();
    }

    public async Task<long> Count(string sql)
    {
        await using var command = Source.CreateCommand(sql);
        return (long)(await command.ExecuteScalarAsync())!;
    }
}
