using System.Globalization;
using Npgsql;
using SideBench.Core.Identity;
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

    internal const string ReturnsSql = $"""
        {OfMachinesSql}
        WHERE e.kind IN ('mended', 'slot-fitted')
          AND e.body ? 'returnBy'
          AND e.body ->> 'returnBy' >= $1
        ORDER BY e.entry_id
        """;

    private const string OfManySql = $"""
        {OfMachinesSql}
        WHERE e.machine_id = ANY ($1)
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
            WHERE e.machine_id = ANY (ARRAY(SELECT machine_id FROM machines WHERE model_id = $1))
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

    internal const string OfShopSql = """
        SELECT e.entry_id, e.job_id, t.version, e.person_id, e.person_name, e.written_at, e.kind, e.body, e.how_told
        FROM touches t
        JOIN entries e ON e.entry_id = t.entry_id
        WHERE t.subject = 'shop:0'
          AND t.version >= $1
        ORDER BY t.version
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

    private const string OfMachineWholeSql = """
        SELECT entry_id, job_id, version, person_id, person_name, written_at, kind, body, how_told
        FROM entries
        WHERE machine_id = $1
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

    /// <summary>All lines of a machine, oldest first, read in a transaction that holds it.</summary>
    public async Task<IReadOnlyList<Entry>> Of(Unit unit, MachineId machine, CancellationToken cancel)
    {
        await using var command = unit.Command(OfMachineWholeSql);
        command.Parameters.With(machine.Value);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>All lines of one subject, each with its version on that subject, oldest first.</summary>
    /// <param name="subject">What they are about.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<Entry>> Of(Subject subject, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfSubjectSql);
        command.Parameters.With(subject.ToString());
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadAll(rows, cancel);
    }

    /// <summary>Work and pieces whose new part may go back, over all machines, oldest first; what was taken back is left out.</summary>
    /// <param name="from">Those that go back on this day or later.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<ShopLine>> Returns(DateOnly from, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(ReturnsSql);
        command.Parameters.With(from.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
        return await ShopLines(command, cancel);
    }

    /// <summary>Lines of some machines, each with its own, oldest first; what was taken back is left out.</summary>
    public async Task<ILookup<MachineId, Entry>> OfMachines(IReadOnlyCollection<MachineId> machines, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfManySql);
        command.Parameters.With<long[]>([.. machines.Select(m => m.Value)]);
        return (await ShopLines(command, cancel)).ToLookup(l => new MachineId(l.Machine), l => l.Entry);
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
            lines.Add(ReadLine(rows));
        return lines;
    }

    internal ShopLine ReadLine(NpgsqlDataReader rows) => new(ReadRow(rows), rows.GetInt64(9), rows.GetString(10), rows.GetString(11));

    /// <summary>Lines about the shop itself, oldest first.</summary>
    /// <param name="known">Those that are known; they are not read again.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<Entry>> OfShop(IReadOnlyList<Entry> known, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(OfShopSql);
        command.Parameters.With(VersionOf(known));
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return After(known, await ReadAll(rows, cancel)) ?? await OfShop([], cancel);
    }

    /// <summary>
    /// Lines about the shop itself, and an earlier write under a key, read in a transaction that holds the shop: on its own connection, so
    /// that many who wait for it leave it one.
    /// </summary>
    public async Task<(IReadOnlyList<Entry> Shop, EarlierWrite? Earlier)> OfShop(
        Unit unit,
        IReadOnlyList<Entry> known,
        Guid key,
        CancellationToken cancel
    )
    {
        IReadOnlyList<Entry>? lines;
        EarlierWrite? earlier;
        await using (var batch = unit.Batch())
        {
            var command = new NpgsqlBatchCommand(OfShopSql);
            command.Parameters.With(VersionOf(known));
            batch.BatchCommands.Add(command);
            batch.BatchCommands.Add(FindWriteCommand(key));
            await using var rows = await batch.ExecuteReaderAsync(cancel);
            lines = After(known, await ReadAll(rows, cancel));
            await rows.NextResultAsync(cancel);
            earlier = await ReadWrite(rows, cancel);
        }

        return lines is null ? await OfShop(unit, [], key, cancel) : (lines, earlier);
    }

    private static int VersionOf(IReadOnlyList<Entry> known) => known.Count > 0 ? known[^1].Version : 0;

    // Read from the last known one on: that one says whether all the others are the same still.
    private static IReadOnlyList<Entry>? After(IReadOnlyList<Entry> known, List<Entry> read) =>
        known.Count == 0 ? read
        : read.Count == 0 || read[0].Id != known[^1].Id ? null
        : read.Count == 1 ? known
        : [.. known, .. read.Skip(1)];

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
