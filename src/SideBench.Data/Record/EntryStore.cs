using Npgsql;
using NpgsqlTypes;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;

namespace SideBench.Data.Record;

/// <summary>Who writes, when, and under which key.</summary>
/// <param name="Key">The write's key: the same key again is the same write.</param>
/// <param name="Fingerprint">What was asked for, so that a key is never used for another thing.</param>
/// <param name="Person">Who.</param>
/// <param name="PersonName">Their name now.</param>
/// <param name="At">When, UTC.</param>
public sealed record Write(Guid Key, string Fingerprint, PersonId Person, string PersonName, DateTimeOffset At);

/// <summary>An earlier write under the same key.</summary>
public sealed record EarlierWrite(string Fingerprint, JobId? Job, MachineId? Machine);

/// <summary>The record: lines are added and read, never changed.</summary>
public sealed class EntryStore(NpgsqlDataSource database)
{
    internal const string OfJobSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body
        FROM entries
        WHERE job_id = $1
        ORDER BY version
        """;

    private const string OfMachineSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body
        FROM entries
        WHERE machine_id = $1
          AND entry_id < $2
        ORDER BY entry_id DESC
        LIMIT $3
        """;

    private const string SheetsOfMachineSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body
        FROM entries e
        WHERE machine_id = $1
          AND kind IN ('sheet-taken', 'sheet-corrected')
          AND NOT EXISTS (
            SELECT FROM entries c
            WHERE c.job_id = e.job_id AND c.kind = 'corrected' AND (c.body ->> 'target')::bigint = e.entry_id)
        ORDER BY entry_id
        """;

    private const string OfMachineKindsSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body
        FROM entries e
        WHERE machine_id = $1
          AND kind = ANY ($2)
          AND NOT EXISTS (
            SELECT FROM entries c
            WHERE c.job_id = e.job_id AND c.kind = 'corrected' AND (c.body ->> 'target')::bigint = e.entry_id)
        ORDER BY entry_id
        """;

    private const string OfShopSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body
        FROM entries
        WHERE job_id IS NULL
          AND machine_id IS NULL
        ORDER BY entry_id
        """;

    private const string LastWorkSql = """
        SELECT body ->> 'repair'
        FROM entries
        WHERE machine_id = $1
          AND kind = 'mended'
        ORDER BY entry_id DESC
        LIMIT 1
        """;

    private const string AllSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body
        FROM entries
        ORDER BY entry_id
        """;

    private const string FindWriteSql = """
        SELECT fingerprint, job_id, machine_id
        FROM writes
        WHERE write_key = $1
        """;

    private const string AddWriteSql = """
        INSERT INTO writes (write_key, fingerprint, job_id, machine_id, written_at)
        VALUES ($1, $2, $3, $4, $5)
        """;

    private const string AddSql = """
        INSERT INTO entries (job_id, machine_id, version, person_id, person_name, written_at, kind, body, write_key)
        VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)
        RETURNING entry_id
        """;

    /// <summary>Lines of one machine, newest first.</summary>
    /// <param name="machine">The machine.</param>
    /// <param name="before">Only lines older than this one; null for the newest.</param>
    /// <param name="most">At most so many.</param>
    public async Task<IReadOnlyList<Entry>> OfMachine(MachineId machine, EntryId? before, int most, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfMachineSql);
        command.Parameters.With(machine.Value).With(before?.Value ?? long.MaxValue).With(most);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>Nozzle sheets of a machine's life, and what put them right, oldest first; what was taken back is left out.</summary>
    public async Task<IReadOnlyList<Entry>> SheetsOfMachine(MachineId machine, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(SheetsOfMachineSql);
        command.Parameters.With(machine.Value);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>Lines of some kinds of a machine's life, oldest first; what was taken back is left out.</summary>
    /// <param name="machine">The machine.</param>
    /// <param name="kinds">Kinds, as stored.</param>
    public async Task<IReadOnlyList<Entry>> OfMachine(MachineId machine, IReadOnlyList<string> kinds, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfMachineKindsSql);
        command.Parameters.With(machine.Value).With(kinds.ToArray());
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>Lines about the shop itself, oldest first.</summary>
    public async Task<IReadOnlyList<Entry>> OfShop(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfShopSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>The last repair made on a machine, or null.</summary>
    public async Task<string?> LastWork(MachineId machine, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(LastWorkSql);
        command.Parameters.With(machine.Value);
        return await command.ExecuteScalarAsync(cancel) as string;
    }

    /// <summary>Every line there is, oldest first.</summary>
    public async IAsyncEnumerable<Entry> All([System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        await using var command = database.CreateCommand(AllSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        while (await rows.ReadAsync(cancel))
            yield return ReadRow(rows);
    }

    /// <summary>An earlier write under this key, or null.</summary>
    public async Task<EarlierWrite?> FindWrite(Guid key, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(FindWriteSql);
        command.Parameters.With(key);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadWrite(rows, cancel);
    }

    /// <summary>Adds a write and its lines.</summary>
    /// <returns>The numbers of the lines, in order.</returns>
    public static async Task<IReadOnlyList<EntryId>> Add(
        Unit unit,
        Write write,
        JobId? job,
        MachineId? machine,
        int firstVersion,
        IReadOnlyList<EntryBody> lines,
        CancellationToken cancel
    )
    {
        await using var batch = unit.Batch();
        batch.BatchCommands.Add(WriteCommand(write, job, machine));
        for (var i = 0; i < lines.Count; i++)
            batch.BatchCommands.Add(LineCommand(write, job, machine, firstVersion + i, lines[i]));
        await using var rows = await batch.ExecuteReaderAsync(cancel);
        var ids = new List<EntryId>();
        do while (await rows.ReadAsync(cancel))
            ids.Add(new EntryId(rows.GetInt64(0)));
        while (await rows.NextResultAsync(cancel));
        return ids;
    }

    internal static NpgsqlBatchCommand FindWriteCommand(Guid key)
    {
        var command = new NpgsqlBatchCommand(FindWriteSql);
        command.Parameters.With(key);
        return command;
    }

    internal static async Task<EarlierWrite?> ReadWrite(NpgsqlDataReader rows, CancellationToken cancel) =>
        await rows.ReadAsync(cancel)
            ? new EarlierWrite(
                rows.GetString(0),
                rows.IsDBNull(1) ? null : new JobId(rows.GetInt64(1)),
                rows.IsDBNull(2) ? null : new MachineId(rows.GetInt64(2))
            )
            : null;

    internal static async Task<List<Entry>> ReadAll(NpgsqlDataReader rows, CancellationToken cancel)
    {
        var entries = new List<Entry>();
        while (await rows.ReadAsync(cancel))
            entries.Add(ReadRow(rows));
        return entries;
    }

    private static NpgsqlBatchCommand WriteCommand(Write write, JobId? job, MachineId? machine)
    {
        var command = new NpgsqlBatchCommand(AddWriteSql);
        command
            .Parameters.With(write.Key)
            .With(write.Fingerprint)
            .WithNull(job?.Value, NpgsqlDbType.Bigint)
            .WithNull(machine?.Value, NpgsqlDbType.Bigint)
            .With(write.At.Stored());
        return command;
    }

    private static NpgsqlBatchCommand LineCommand(Write write, JobId? job, MachineId? machine, int version, EntryBody body)
    {
        var command = new NpgsqlBatchCommand(AddSql);
        command
            .Parameters.WithNull(job?.Value, NpgsqlDbType.Bigint)
            .WithNull(machine?.Value, NpgsqlDbType.Bigint)
            .With(version)
            .With(write.Person.Value)
            .With(write.PersonName)
            .With(write.At.Stored())
            .With(EntrySentence.KindOf(body))
            .WithJson(EntryCodec.Write(body))
            .With(write.Key);
        return command;
    }

    private static Entry ReadRow(NpgsqlDataReader row) =>
        new(
            new EntryId(row.GetInt64(0)),
            row.IsDBNull(1) ? null : new JobId(row.GetInt64(1)),
            row.GetInt32(2),
            new PersonId(row.GetInt64(3)),
            row.GetString(4),
            row.GetFieldValue<DateTimeOffset>(5),
            EntryCodec.Read(row.GetString(6), row.GetString(7))
        );
}
