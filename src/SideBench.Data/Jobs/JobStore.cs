using Npgsql;
using NpgsqlTypes;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Data.Machines;
using SideBench.Data.Record;

namespace SideBench.Data.Jobs;

/// <summary>A job as it is read whole: its row and its lines.</summary>
/// <param name="Row">Its row.</param>
/// <param name="Entries">Its lines.</param>
/// <param name="Machine">Its machine as all other lines have it: what the visits before left.</param>
public sealed record LoadedJob(JobRow Row, IReadOnlyList<Entry> Entries, MachineCase Machine);

/// <summary>A job that is held for a write.</summary>
/// <param name="Job">The job; null when there is none of that number.</param>
/// <param name="Earlier">An earlier write under the same key; null when there is none.</param>
/// <param name="MachineVersion">Version of its machine, which is held too.</param>
/// <param name="NewLines">Numbers for lines.</param>
public sealed record HeldJob(LoadedJob? Job, EarlierWrite? Earlier, int MachineVersion, List<EntryId> NewLines);

/// <summary>Jobs: the list's view of them, and their lines.</summary>
public sealed class JobStore(NpgsqlDataSource database, EntryStore entries, MachineLives lives, KnownLines lines)
{
    /// <summary>The channel on which every server hears of writes.</summary>
    public const string Channel = "side_bench";

    /// <summary>What is announced before the part when something changed that holds for the whole shop.</summary>
    public const string ShopNews = "shop:";

    /// <summary>What is announced before the part when only a list of it changed.</summary>
    public const string ListNews = "list:";

    internal const string OneSql = """
        SELECT j.job_id, j.tag, j.machine_id, j.customer_id, j.model_id, m.serial, c.name, j.complaint, j.words, j.version,
               j.place, j.standing, j.headline, j.clock_ends_at, j.promise_at, j.opened_at, j.closed_at, j.closed_how, j.handed_over_at,
               (SELECT version FROM subjects WHERE subject = 'machine:' || j.machine_id)
        FROM jobs j
        JOIN machines m ON m.machine_id = j.machine_id
        JOIN customers c ON c.customer_id = j.customer_id
        WHERE j.job_id = $1
        """;

    internal const string LockSql =
        OneSql
        + """

            FOR UPDATE OF j
            """;

    internal const string HoldMachineSql = """
        SELECT version
        FROM subjects
        WHERE subject = (SELECT 'machine:' || machine_id FROM jobs WHERE job_id = $1)
        FOR UPDATE
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

    private const string LinesOfManySql = """
        SELECT e.entry_id, e.job_id, e.version, e.person_id, e.person_name, e.written_at, e.kind, e.body, e.how_told
        FROM unnest($1::bigint[], $2::integer[]) AS known (job_id, version)
        JOIN entries e ON e.job_id = known.job_id AND e.version >= known.version
        ORDER BY e.job_id, e.version
        """;

    private const string VersionsOfManySql = """
        SELECT m.machine_id, s.version
        FROM unnest($1::bigint[]) AS m (machine_id)
        JOIN subjects s ON s.subject = 'machine:' || m.machine_id
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

    internal const string NotifySql = """
        SELECT pg_notify($1, $2)
        """;

    /// <summary>A job with its lines, or null.</summary>
    public async Task<LoadedJob?> Load(JobId job, CancellationToken cancel)
    {
        JobRow? row;
        int machineVersion;
        List<Entry> read;
        var known = lines.Of(job);
        await using (var connection = await database.OpenConnectionAsync(cancel))
        {
            await using var batch = new NpgsqlBatch(connection);
            Add(batch, OneSql, job);
            Add(batch, EntryStore.OfJobSql, job).With(VersionOf(known));
            await using var rows = await batch.ExecuteReaderAsync(cancel);
            (row, machineVersion, read) = await ReadJob(rows, cancel);
        }

        if (row is null)
            return null;
        return lines.With(job, known, read) is { } all ? await With(row, all, machineVersion, cancel) : await Load(job, cancel);
    }

    /// <summary>
    /// A job with its lines, held with its machine until the unit ends; an earlier write under the same key; numbers for lines.
    /// </summary>
    public async Task<HeldJob> Hold(Unit unit, JobId job, Guid key, int newLines, CancellationToken cancel)
    {
        JobRow? row;
        List<Entry> read;
        var known = lines.Of(job);
        EarlierWrite? earlier;
        var machineVersion = 0;
        List<EntryId> numbers;
        await using (var batch = unit.Batch())
        {
            Add(batch, LockSql, job);
            Add(batch, EntryStore.OfJobSql, job).With(VersionOf(known));
            Add(batch, HoldMachineSql, job);
            batch.BatchCommands.Add(EntryStore.FindWriteCommand(key));
            batch.BatchCommands.Add(SubjectStore.NewLinesCommand(newLines));
            await using var rows = await batch.ExecuteReaderAsync(cancel);
            (row, _, read) = await ReadJob(rows, cancel);
            await rows.NextResultAsync(cancel);
            if (await rows.ReadAsync(cancel))
                machineVersion = rows.GetInt32(0);
            await rows.NextResultAsync(cancel);
            earlier = await EntryStore.ReadWrite(rows, cancel);
            await rows.NextResultAsync(cancel);
            numbers = await SubjectStore.ReadLines(rows, cancel);
        }

        if (row is null)
            return new HeldJob(null, earlier, machineVersion, numbers);
        return lines.With(job, known, read) is { } all
            ? new HeldJob(await With(row, all, machineVersion, cancel), earlier, machineVersion, numbers)
            : await Hold(unit, job, key, newLines, cancel);
    }

    /// <summary>Jobs whose machines are still here, by bench place, then by age.</summary>
    public async Task<IReadOnlyList<JobRow>> Open(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OpenSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadRows(rows, cancel);
    }

    /// <summary>Jobs with their lines, read at once.</summary>
    /// <param name="of">Their rows.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<LoadedJob>> Load(IReadOnlyList<JobRow> of, CancellationToken cancel)
    {
        var known = of.ToDictionary(row => row.Id, row => lines.Of(row.Id));
        ILookup<JobId?, Entry> read;
        var versions = new Dictionary<MachineId, int>();
        await using (var connection = await database.OpenConnectionAsync(cancel))
        {
            await using var batch = new NpgsqlBatch(connection);
            var ofLines = new NpgsqlBatchCommand(LinesOfManySql);
            ofLines
                .Parameters.With<long[]>([.. of.Select(row => row.Id.Value)])
                .With<int[]>([.. of.Select(row => VersionOf(known[row.Id]))]);
            batch.BatchCommands.Add(ofLines);
            var ofMachines = new NpgsqlBatchCommand(VersionsOfManySql);
            ofMachines.Parameters.With<long[]>([.. of.Select(row => row.Machine.Value)]);
            batch.BatchCommands.Add(ofMachines);
            await using var rows = await batch.ExecuteReaderAsync(cancel);
            read = (await entries.ReadAll(rows, cancel)).ToLookup(e => e.Job);
            await rows.NextResultAsync(cancel);
            while (await rows.ReadAsync(cancel))
                versions[new MachineId(rows.GetInt64(0))] = rows.GetInt32(1);
        }

        var all = new List<LoadedJob>();
        foreach (var row in of)
        {
            // What came between its row and its lines is of the next look.
            var ofRow = lines.With(row.Id, known[row.Id], [.. read[row.Id].Where(e => e.Version <= row.Version)]);
            var job = ofRow is null ? await Load(row.Id, cancel) : await With(row, ofRow, versions.GetValueOrDefault(row.Machine), cancel);
            if (job is not null)
                all.Add(job);
        }

        return all;
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

    /// <summary>Adds a job's row for lists, and tells every server of it.</summary>
    public static void Insert(Appending to, JobId id, int tag, TakenIn intake, DateTimeOffset openedAt, JobProjection now)
    {
        var values = to.Add(InsertSql);
        values
            .With(id.Value)
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
        AddTime(values, now.ClockEndsAt);
        AddTime(values, now.PromiseAt);
        values.With(openedAt.Stored());
        AddTime(values, now.ClosedAt);
        values.WithNull(now.ClosedHow);
        AddTime(values, now.HandedOverAt);
        Announce(to, id, now.Version);
    }

    /// <summary>Writes what lists show of a job, and tells every server.</summary>
    public static void Project(Appending to, JobId job, JobProjection now)
    {
        var values = to.Add(ProjectSql);
        values.With(job.Value).With(now.Version).With((short)now.Place).With(now.Standing).With(now.Headline);
        AddTime(values, now.ClockEndsAt);
        AddTime(values, now.PromiseAt);
        AddTime(values, now.ClosedAt);
        values.WithNull(now.ClosedHow);
        AddTime(values, now.HandedOverAt);
        Announce(to, job, now.Version);
    }

    /// <summary>Tells every server that something changed that holds for the whole shop.</summary>
    /// <param name="to">What is written.</param>
    /// <param name="parts">Which parts of it.</param>
    public static void AnnounceShop(Appending to, IEnumerable<ShopPart> parts)
    {
        foreach (var part in parts.Distinct())
            to.Add(NotifySql).With(Channel).With($"{ShopNews}{StoredWord.Of(part)}");
    }

    /// <summary>Tells every server that lists over all machines show something else; nothing that holds for the shop changed.</summary>
    /// <param name="to">What is written.</param>
    /// <param name="parts">The parts of the shop whose lists they are.</param>
    public static void AnnounceLists(Appending to, IEnumerable<ShopPart> parts)
    {
        foreach (var part in parts)
            to.Add(NotifySql).With(Channel).With($"{ListNews}{StoredWord.Of(part)}");
    }

    private static void Announce(Appending to, JobId job, int version) => to.Add(NotifySql).With(Channel).With($"{job.Value}:{version}");

    private static void AddTime(NpgsqlParameterCollection parameters, DateTimeOffset? time) =>
        parameters.WithNull(time?.Stored(), NpgsqlDbType.TimestampTz);

    private static NpgsqlParameterCollection Add(NpgsqlBatch batch, string sql, JobId job)
    {
        var command = new NpgsqlBatchCommand(sql);
        command.Parameters.With(job.Value);
        batch.BatchCommands.Add(command);
        return command.Parameters;
    }

    private static int VersionOf(IReadOnlyList<Entry> known) => known.Count > 0 ? known[^1].Version : 0;

    private async Task<LoadedJob> With(JobRow row, IReadOnlyList<Entry> all, int machineVersion, CancellationToken cancel) =>
        new(row, all, await lives.Before(row.Machine, row.Id, machineVersion - row.Version, cancel));

    private async Task<(JobRow? Row, int MachineVersion, List<Entry> Lines)> ReadJob(NpgsqlDataReader rows, CancellationToken cancel)
    {
        var (row, version) = await rows.ReadAsync(cancel)
            ? (ReadRow(rows), rows.IsDBNull(MachineVersionAt) ? 0 : rows.GetInt32(MachineVersionAt))
            : (null, 0);
        await rows.NextResultAsync(cancel);
        return (row, version, await entries.ReadAll(rows, cancel));
    }

    private const int MachineVersionAt = 19;

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
