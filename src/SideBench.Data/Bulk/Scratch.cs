using Npgsql;
using SideBench.Core.Identity;
using SideBench.Data.Jobs;
using SideBench.Data.Record;

namespace SideBench.Data.Bulk;

/// <summary>
/// What measuring needs of a database: one of its own, fresh figures for the planner, and reads with nothing around them.
/// </summary>
public static class Scratch
{
    private const string AnalyzeSql = "ANALYZE";

    /// <summary>Makes a database beside the one named, brings it to shape, and says where it is.</summary>
    /// <param name="root">A connection string with the right to make databases.</param>
    /// <param name="name">Its name: letters, digits and underscores.</param>
    public static async Task<string> Make(string root, string name)
    {
        if (!name.All(c => char.IsAsciiLetterOrDigit(c) || c == '_'))
            throw new ArgumentException("not a plain name", nameof(name));
        await using (var admin = new NpgsqlConnection(root))
        {
            await admin.OpenAsync();
            await using var make = new NpgsqlCommand($"CREATE DATABASE {name}", admin);
            await make.ExecuteNonQueryAsync();
        }

        var connection = new NpgsqlConnectionStringBuilder(root) { Database = name }.ConnectionString;
        Migrator.Run(connection);
        return connection;
    }

    /// <summary>Lets the planner know what was loaded.</summary>
    public static async Task Analyze(NpgsqlConnection connection, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(AnalyzeSql, connection);
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>The very SQL of a bench page, its values read and thrown away: what the page's data is compared with.</summary>
    public static async Task BareJob(NpgsqlDataSource database, JobId job)
    {
        await using var connection = await database.OpenConnectionAsync();
        await using var batch = new NpgsqlBatch(connection);
        foreach (var sql in new[] { JobStore.OneSql, EntryStore.OfJobSql })
        {
            var command = new NpgsqlBatchCommand(sql);
            command.Parameters.With(job.Value);
            batch.BatchCommands.Add(command);
        }

        await using var rows = await batch.ExecuteReaderAsync();
        var values = new object[32];
        do while (await rows.ReadAsync())
            rows.GetValues(values);
        while (await rows.NextResultAsync());
    }
}
