using Npgsql;
using SideBench.Core.Identity;
using SideBench.Data;
using SideBench.Data.People;
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
        Source = NpgsqlDataSource.Create(Connection);
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
