using Npgsql;
using NpgsqlTypes;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>The record: lines are added and read, never changed.</summary>
public sealed class EntryStore(NpgsqlDataSource database, EntryCodec codec)
{
    internal const string OfJobSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM entries
        WHERE job_id = $1
          AND version >= $2
        ORDER BY version
        """;

    private const string OfMachineSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM entries
        WHERE machine_id = $1
          AND entry_id < $2
        ORDER BY entry_id DESC
        LIMIT $3
        """;

    private const string SheetsOfMachineSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM standing_entries
        WHERE machine_id = $1
          AND kind IN ('sheet-taken', 'sheet-corrected')
        ORDER BY entry_id
        """;

    private const string OfMachineKindsSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM standing_entries
        WHERE machine_id = $1
          AND kind = ANY ($2)
        ORDER BY entry_id
        """;

    // Lines as they stand, each with its machine.
    private const string OfMachinesSql = """
        SELECT e.entry_id, e.job_id, e.version, e.person_id, e.person_name, e.written_at, e.kind, e.body, e.how_told,
               m.machine_id, m.model_id, m.serial
        FROM standing_entries e
        JOIN machines m ON m.machine_id = e.machine_id
        """;

    private const string OfKindsSql = $"""
        {OfMachinesSql}
        WHERE e.kind = ANY ($1)
          AND (e.kind <> 'mended' OR e.body ? 'returnBy')
        ORDER BY e.entry_id
        """;

    private const string LatestSql = $"""
        SELECT *
        FROM (
            {OfMachinesSql}
            WHERE e.job_id IS NOT NULL
            ORDER BY e.entry_id DESC
            LIMIT $1
        ) latest
        ORDER BY entry_id
        """;

    private const string OfModelSql = $"""
        SELECT *
        FROM (
            {OfMachinesSql}
            WHERE m.model_id = $1
            ORDER BY e.entry_id DESC
            LIMIT $2
        ) latest
        ORDER BY entry_id
        """;

    private const string PhotosSql = $"""
        {OfMachinesSql}
        WHERE e.kind = 'photo-taken'
          AND m.model_id = $1
        ORDER BY e.entry_id DESC
        LIMIT $2
        """;

    private const string OfShopSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM entries
        WHERE job_id IS NULL
          AND machine_id IS NULL
        ORDER BY entry_id
        """;

    private const string LastWorkSql = """
        SELECT body ->> 'repair'
        FROM standing_entries
        WHERE machine_id = $1
          AND kind = 'mended'
        ORDER BY entry_id DESC
        LIMIT 1
        """;

    private const string EarlierSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM standing_entries
        WHERE machine_id = $1
          AND job_id IS DISTINCT FROM $2
        ORDER BY entry_id
        """;

    private const string OfSubjectSql = """
        SELECT e.entry_id, e.job_id, t.version, e.person_id, e.person_name, e.written_at, e.kind, e.body, e.how_told
        FROM touches t
        JOIN entries e ON e.entry_id = t.entry_id
        WHERE t.subject = $1
        ORDER BY t.version
        """;

    private const string AllSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM entries
        ORDER BY entry_id
        """;

    private const string FindWriteSql = """
        SELECT fingerprint, job_id, machine_id
        FROM writes
        WHERE write_key = $1
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

    /// <summary>Lines of a machine's life outside one job, oldest first; what was taken back is left out.</summary>
    /// <param name="machine">The machine.</param>
    /// <param name="job">The job.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<Entry>> EarlierOf(MachineId machine, JobId job, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(EarlierSql);
        command.Parameters.With(machine.Value).With(job.Value);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>All lines of a machine, store, item or the shop, each with its version on that subject, oldest first.</summary>
    /// <param name="subject">What they are about.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<Entry>> Of(Subject subject, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfSubjectSql);
        command.Parameters.With(subject.ToString());
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>
    /// Lines of some kinds of all machines, oldest first; what was taken back is left out, and work whose part does not go back.
    /// </summary>
    /// <param name="kinds">The kinds.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<ShopLine>> OfKinds(IReadOnlyList<string> kinds, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfKindsSql);
        command.Parameters.With(kinds.ToArray());
        return await ShopLines(command, cancel);
    }

    /// <summary>The latest lines of all jobs, oldest first; what was taken back is left out.</summary>
    /// <param name="most">So many at most.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<ShopLine>> Latest(int most, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(LatestSql);
        command.Parameters.With(most);
        return await ShopLines(command, cancel);
    }

    /// <summary>The latest lines of all machines of a model, oldest first; what was taken back is left out.</summary>
    /// <param name="model">The model.</param>
    /// <param name="most">So many at most.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<ShopLine>> OfModel(string model, int most, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfModelSql);
        command.Parameters.With(model).With(most);
        return await ShopLines(command, cancel);
    }

    /// <summary>Photos of all machines of a model, the latest first; what was taken back is left out.</summary>
    /// <param name="model">The model.</param>
    /// <param name="most">So many at most.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<ShopLine>> PhotosOf(string model, int most, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(PhotosSql);
        command.Parameters.With(model).With(most);
        return await ShopLines(command, cancel);
    }

    private async Task<IReadOnlyList<ShopLine>> ShopLines(NpgsqlCommand command, CancellationToken cancel)
    {
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var lines = new List<ShopLine>();
        while (await rows.ReadAsync(cancel))
            lines.Add(new ShopLine(ReadRow(rows), rows.GetInt64(9), rows.GetString(10), rows.GetString(11)));
        return lines;
    }

    /// <summary>Lines about the shop itself, oldest first.</summary>
    public async Task<IReadOnlyList<Entry>> OfShop(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfShopSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>
    /// Lines about the shop itself, and an earlier write under a key, read in a transaction that holds the shop: on its own connection, so
    /// that many who wait for it leave it one.
    /// </summary>
    public async Task<(List<Entry> Shop, EarlierWrite? Earlier)> OfShop(Unit unit, Guid key, CancellationToken cancel)
    {
        await using var batch = unit.Batch();
        batch.BatchCommands.Add(new NpgsqlBatchCommand(OfShopSql));
        batch.BatchCommands.Add(FindWriteCommand(key));
        await using var rows = await batch.ExecuteReaderAsync(cancel);
        var lines = await ReadAll(rows, cancel);
        await rows.NextResultAsync(cancel);
        return (lines, await ReadWrite(rows, cancel));
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

    internal async Task<List<Entry>> ReadAll(NpgsqlDataReader rows, CancellationToken cancel)
    {
        var entries = new List<Entry>();
        while (await rows.ReadAsync(cancel))
            entries.Add(ReadRow(rows));
        return entries;
    }

    private Entry ReadRow(NpgsqlDataReader row) =>
        new(
            new EntryId(row.GetInt64(0)),
            row.IsDBNull(1) ? null : new JobId(row.GetInt64(1)),
            row.GetInt32(2),
            new PersonId(row.GetInt64(3)),
            row.GetString(4),
            row.GetFieldValue<DateTimeOffset>(5),
            codec.Read(row.GetString(6), row.GetString(7)),
            row.TextOrNull(8) is { } how ? StoredWord.Read<HowTold>(how) : null
        );
}
