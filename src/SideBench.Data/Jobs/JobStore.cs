using Npgsql;
using NpgsqlTypes;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Data.Record;

namespace SideBench.Data.Jobs;

/// <summary>A job as it is read whole: its row and its lines.</summary>
public sealed record LoadedJob(JobRow Row, IReadOnlyList<Entry> Entries);

/// <summary>Jobs: the list's view of them, and their lines.</summary>
public sealed class JobStore(NpgsqlDataSource database)
{
    /// <summary>The channel on which every server hears of writes.</summary>
    public const string Channel = "side_bench";

    /// <summary>What is announced when something changed that holds for the whole shop.</summary>
    public const string ShopNews = "shop";

    internal const string OneSql = """
        SELECT j.job_id, j.tag, j.machine_id, j.customer_id, j.model_id, m.serial, c.name, j.complaint, j.words, j.version,
               j.place, j.standing, j.headline, j.clock_ends_at, j.promise_at, j.opened_at, j.closed_at, j.closed_how, j.handed_over_at
        FROM jobs j
        JOIN machines m ON m.machine_id = j.machine_id
        JOIN customers c ON c.customer_id = j.customer_id
        WHERE j.job_id = $1
        """;

    private const string LockSql =
        OneSql
        + """

            FOR UPDATE OF j
            """;

    private const string OpenSql = """
        SELECT j.job_id, j.tag, j.machine_id, j.customer_id, j.model_id, m.serial, c.name, j.complaint, j.words, j.version,
               j.place, j.standing, j.headline, j.clock_ends_at, j.promise_at, j.opened_at, j.closed_at, j.closed_how, j.handed_over_at
        FROM jobs j
        JOIN machines m ON m.machine_id = j.machine_id
        JOIN customers c ON c.customer_id = j.customer_id
        WHERE j.handed_over_at IS NULL
        ORDER BY CASE WHEN j.place = 0 THEN 99 ELSE j.place END, j.opened_at
        LIMIT 200
        """;

    private const string OfMachineSql = """
        SELECT j.job_id, j.tag, j.machine_id, j.customer_id, j.model_id, m.serial, c.name, j.complaint, j.words, j.version,
               j.place, j.standing, j.headline, j.clock_ends_at, j.promise_at, j.opened_at, j.closed_at, j.closed_how, j.handed_over_at
        FROM jobs j
        JOIN machines m ON m.machine_id = j.machine_id
        JOIN customers c ON c.customer_id = j.customer_id
        WHERE j.machine_id = $1
        ORDER BY j.opened_at DESC
        """;

    private const string PlacesSql = """
        SELECT place
        FROM jobs
        WHERE place > 0
          AND handed_over_at IS NULL
        """;

    private const string NewIdSql = """
        SELECT nextval(pg_get_serial_sequence('jobs', 'job_id')), nextval('job_tags')::integer
        """;

    private const string InsertSql = """
        INSERT INTO jobs (job_id, tag, machine_id, customer_id, model_id, complaint, words, version, place, standing, headline,
                          clock_ends_at, promise_at, opened_at, closed_at, closed_how, handed_over_at)
        VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17)
        """;

    private const string ProjectSql = """
        UPDATE jobs
        SET version = $2,
            place = $3,
            standing = $4,
            headline = $5,
            clock_ends_at = $6,
            promise_at = $7,
            closed_at = $8,
            closed_how = $9,
            handed_over_at = $10
        WHERE job_id = $1
        """;

    private const string NotifySql = """
        SELECT pg_notify($1, $2)
        """;

    /// <summary>A job with its lines, or null.</summary>
    public async Task<LoadedJob?> Load(JobId job, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var batch = new NpgsqlBatch(connection);
        AddJobCommands(batch, OneSql, job);
        await using var rows = await batch.ExecuteReaderAsync(cancel);
        return await ReadJob(rows, cancel);
    }

    /// <summary>A job with its lines, held until the unit ends, and an earlier write under the same key.</summary>
    public static async Task<(LoadedJob? Job, EarlierWrite? Earlier)> LoadForWrite(Unit unit, JobId job, Guid key, CancellationToken cancel)
    {
        await using var batch = unit.Batch();
        AddJobCommands(batch, LockSql, job);
        batch.BatchCommands.Add(EntryStore.FindWriteCommand(key));
        await using var rows = await batch.ExecuteReaderAsync(cancel);
        var loaded = await ReadJob(rows, cancel);
        await rows.NextResultAsync(cancel);
        return (loaded, await EntryStore.ReadWrite(rows, cancel));
    }

    /// <summary>Jobs whose machines are still here, by bench place, then by age.</summary>
    public async Task<IReadOnlyList<JobRow>> Open(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OpenSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadRows(rows, cancel);
    }

    /// <summary>All jobs of a machine, newest first.</summary>
    public async Task<IReadOnlyList<JobRow>> OfMachine(MachineId machine, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfMachineSql);
        command.Parameters.With(machine.Value);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadRows(rows, cancel);
    }

    /// <summary>Bench places that are taken.</summary>
    public static async Task<IReadOnlyList<int>> TakenPlaces(Unit unit, CancellationToken cancel)
    {
        await using var command = unit.Command(PlacesSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var places = new List<int>();
        while (await rows.ReadAsync(cancel))
            places.Add(rows.GetInt16(0));
        return places;
    }

    /// <summary>A new job's number and tag.</summary>
    public static async Task<(JobId Id, int Tag)> NewId(Unit unit, CancellationToken cancel)
    {
        await using var command = unit.Command(NewIdSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        await rows.ReadAsync(cancel);
        return (new JobId(rows.GetInt64(0)), rows.GetInt32(1));
    }

    /// <summary>Adds a job's row for lists.</summary>
    public static async Task Insert(
        Unit unit,
        JobId id,
        int tag,
        EntryBody.TakenIn intake,
        DateTimeOffset openedAt,
        JobProjection now,
        CancellationToken cancel
    )
    {
        await using var command = unit.Command(InsertSql);
        command
            .Parameters.With(id.Value)
            .With(tag)
            .With(intake.MachineId)
            .With(intake.CustomerId)
            .With(intake.ModelId)
            .With(intake.Complaint)
            .With(intake.Words)
            .With(now.Version)
            .With((short)now.Place)
            .With(now.Standing)
            .With(now.Headline);
        AddTime(command.Parameters, now.ClockEndsAt);
        AddTime(command.Parameters, now.PromiseAt);
        command.Parameters.With(openedAt.Stored());
        AddTime(command.Parameters, now.ClosedAt);
        command.Parameters.WithNull(now.ClosedHow);
        AddTime(command.Parameters, now.HandedOverAt);
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Writes what lists show of a job, and tells every server.</summary>
    public static async Task Project(Unit unit, JobId job, JobProjection now, CancellationToken cancel)
    {
        await using var batch = unit.Batch();
        var update = new NpgsqlBatchCommand(ProjectSql);
        update.Parameters.With(job.Value).With(now.Version).With((short)now.Place).With(now.Standing).With(now.Headline);
        AddTime(update.Parameters, now.ClockEndsAt);
        AddTime(update.Parameters, now.PromiseAt);
        AddTime(update.Parameters, now.ClosedAt);
        update.Parameters.WithNull(now.ClosedHow);
        AddTime(update.Parameters, now.HandedOverAt);
        batch.BatchCommands.Add(update);
        batch.BatchCommands.Add(Notify(job, now.Version));
        await batch.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Tells every server of a new job.</summary>
    public static async Task Announce(Unit unit, JobId job, int version, CancellationToken cancel)
    {
        await using var batch = unit.Batch();
        batch.BatchCommands.Add(Notify(job, version));
        await batch.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>Tells every server that something changed that holds for the whole shop.</summary>
    public static async Task AnnounceShop(Unit unit, CancellationToken cancel)
    {
        await using var command = unit.Command(NotifySql);
        command.Parameters.With(Channel).With(ShopNews);
        await command.ExecuteNonQueryAsync(cancel);
    }

    private static NpgsqlBatchCommand Notify(JobId job, int version)
    {
        var command = new NpgsqlBatchCommand(NotifySql);
        command.Parameters.With(Channel).With($"{job.Value}:{version}");
        return command;
    }

    private static void AddTime(NpgsqlParameterCollection parameters, DateTimeOffset? time) =>
        parameters.WithNull(time?.Stored(), NpgsqlDbType.TimestampTz);

    private static void AddJobCommands(NpgsqlBatch batch, string jobSql, JobId job)
    {
        foreach (var sql in new[] { jobSql, EntryStore.OfJobSql })
        {
            var command = new NpgsqlBatchCommand(sql);
            command.Parameters.With(job.Value);
            batch.BatchCommands.Add(command);
        }
    }

    private static async Task<LoadedJob?> ReadJob(NpgsqlDataReader rows, CancellationToken cancel)
    {
        var row = await rows.ReadAsync(cancel) ? ReadRow(rows) : null;
        await rows.NextResultAsync(cancel);
        var entries = await EntryStore.ReadAll(rows, cancel);
        return row is null ? null : new LoadedJob(row, entries);
    }

    private static async Task<IReadOnlyList<JobRow>> ReadRows(NpgsqlDataReader rows, CancellationToken cancel)
    {
        var jobs = new List<JobRow>();
        while (await rows.ReadAsync(cancel))
            jobs.Add(ReadRow(rows));
        return jobs;
    }

    private static JobRow ReadRow(NpgsqlDataReader row) =>
        new(
            new JobId(row.GetInt64(0)),
            row.GetInt32(1),
            new MachineId(row.GetInt64(2)),
            new CustomerId(row.GetInt64(3)),
            row.GetString(4),
            row.GetString(5),
            row.GetString(6),
            row.GetString(7),
            row.GetString(8),
            row.GetInt32(9),
            row.GetInt16(10),
            row.GetString(11),
            row.GetString(12),
            row.TimeOrNull(13),
            row.TimeOrNull(14),
            row.GetFieldValue<DateTimeOffset>(15),
            row.TimeOrNull(16),
            row.TextOrNull(17),
            row.TimeOrNull(18)
        );
}
