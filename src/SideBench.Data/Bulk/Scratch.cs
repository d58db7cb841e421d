using Npgsql;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
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
    public static Task BareJob(NpgsqlDataSource database, JobId job) =>
        Bare(database, (JobStore.OneSql, [job.Value]), (EntryStore.OfJobSql, [job.Value, 0]));

    /// <summary>The SQL of the shelf.</summary>
    public static Task BareShelf(NpgsqlDataSource database) =>
        Bare(database, (Lives.VersionsOfSortSql, ["item"]), (Lives.VersionsOfSortSql, ["lot"]), (EntryStore.ReturnsSql, ["2026-01-01"]));

    /// <summary>The SQL of the waste of all machines.</summary>
    public static Task BareWaste(NpgsqlDataSource database) =>
        Bare(database, (MachineStore.LastToldSql, [200]), (Lives.VersionsOfSortSql, ["store"]));

    private static async Task Bare(NpgsqlDataSource database, params (string Sql, object[] Values)[] asked)
    {
        await using var connection = await database.OpenConnectionAsync();
        await using var batch = new NpgsqlBatch(connection);
        foreach (var (sql, given) in asked)
        {
            var command = new NpgsqlBatchCommand(sql);
            foreach (var value in given)
                command.Parameters.Add(new NpgsqlParameter { Value = value });
            batch.BatchCommands.Add(command);
        }

        await using var rows = await batch.ExecuteReaderAsync();
        var values = new object[32];
        do while (await rows.ReadAsync())
            rows.GetValues(values);
        while (await rows.NextResultAsync());
    }

    private const string NewLineSql = """
        SELECT nextval(pg_get_serial_sequence('entries', 'entry_id'))
        """;

    private const string MoveJobSql = """
        UPDATE jobs
        SET version = $2
        WHERE job_id = $1
        """;

    /// <summary>
    /// A write with nothing around it: the job and its machine are held, one line goes in with its key and its touches, their versions
    /// move, it is announced and committed. What a write is compared with.
    /// </summary>
    public static async Task BareWrite(NpgsqlDataSource database, JobId job, Write write)
    {
        await using var unit = await Unit.Begin(database, CancellationToken.None);
        var (machine, version, machineVersion, line) = await Held(unit, job);
        await using var appending = new Appending(unit);
        appending.Lines(write, job, machine, [new NewLine(line, version + 1, new Noted("seen again"))]);
        appending.Touch(Subject.Of(machine), machineVersion, [line]);
        appending.Add(MoveJobSql).With(job.Value).With(version + 1);
        appending.Add(JobStore.NotifySql).With(JobStore.Channel).With($"{job.Value}");
        await appending.Send(CancellationToken.None);
        await unit.Commit(CancellationToken.None);
    }

    private static async Task<(MachineId Machine, int Version, int MachineVersion, EntryId Line)> Held(Unit unit, JobId job)
    {
        await using var hold = unit.Batch();
        foreach (var sql in new[] { JobStore.LockSql, JobStore.HoldMachineSql })
        {
            var command = new NpgsqlBatchCommand(sql);
            command.Parameters.With(job.Value);
            hold.BatchCommands.Add(command);
        }

        hold.BatchCommands.Add(new NpgsqlBatchCommand(NewLineSql));
        await using var rows = await hold.ExecuteReaderAsync();
        await rows.ReadAsync();
        var (machine, version) = (new MachineId(rows.GetInt64(2)), rows.GetInt32(9));
        await rows.NextResultAsync();
        await rows.ReadAsync();
        var machineVersion = rows.GetInt32(0);
        await rows.NextResultAsync();
        await rows.ReadAsync();
        return (machine, version, machineVersion, new EntryId(rows.GetInt64(0)));
    }
}
