using Npgsql;
using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>Things with a life of their own beside jobs: their versions, held while they are written.</summary>
public static class SubjectStore
{
    // In one order for all, so that two writes never wait for each other in a circle.
    internal const string HoldSql = """
        SELECT subject, version
        FROM subjects
        WHERE subject = ANY ($1)
        ORDER BY subject
        FOR UPDATE
        """;

    private const string BeginSql = """
        INSERT INTO subjects (subject, version)
        VALUES ($1, 0)
        ON CONFLICT ON CONSTRAINT subjects_pkey DO NOTHING
        """;

    private const string NewStoreSql = "SELECT nextval('store_ids')";

    private const string NewItemSql = "SELECT nextval('item_ids')";

    private const string NewLinesSql = """
        SELECT nextval(pg_get_serial_sequence('entries', 'entry_id'))
        FROM generate_series(1, $1)
        """;

    /// <summary>Holds subjects until the unit ends.</summary>
    /// <returns>Their versions; what was never written about is not among them.</returns>
    public static async Task<Dictionary<Subject, int>> Hold(Unit unit, IReadOnlyCollection<Subject> subjects, CancellationToken cancel)
    {
        if (subjects.Count == 0)
            return [];
        var names = subjects.ToDictionary(s => s.ToString());
        await using var command = unit.Command(HoldSql);
        command.Parameters.With<string[]>([.. names.Keys]);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var held = new Dictionary<Subject, int>();
        while (await rows.ReadAsync(cancel))
            held[names[rows.GetString(0)]] = rows.GetInt32(1);
        return held;
    }

    /// <summary>Holds subjects, making those that are new.</summary>
    public static async Task<Dictionary<Subject, int>> HoldAll(Unit unit, IReadOnlyCollection<Subject> subjects, CancellationToken cancel)
    {
        // New ones are begun in one order too: two writes that begin the same two would wait for each other.
        foreach (var name in subjects.Select(s => s.ToString()).Order(StringComparer.Ordinal))
        {
            await using var begin = unit.Command(BeginSql);
            begin.Parameters.With(name);
            await begin.ExecuteNonQueryAsync(cancel);
        }

        return await Hold(unit, subjects, cancel);
    }

    /// <summary>A new store's number.</summary>
    public static async Task<StoreId> NewStore(Unit unit, CancellationToken cancel) => new(await Next(unit, NewStoreSql, cancel));

    /// <summary>A new item's number.</summary>
    public static async Task<ItemId> NewItem(Unit unit, CancellationToken cancel) => new(await Next(unit, NewItemSql, cancel));

    /// <summary>Numbers for new lines.</summary>
    public static async Task<List<EntryId>> NewLines(Unit unit, int count, CancellationToken cancel)
    {
        await using var command = unit.Command(NewLinesSql);
        command.Parameters.With(count);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        return await ReadLines(rows, cancel);
    }

    internal static NpgsqlBatchCommand NewLinesCommand(int count)
    {
        var command = new NpgsqlBatchCommand(NewLinesSql);
        command.Parameters.With(count);
        return command;
    }

    internal static async Task<List<EntryId>> ReadLines(NpgsqlDataReader rows, CancellationToken cancel)
    {
        var ids = new List<EntryId>();
        while (await rows.ReadAsync(cancel))
            ids.Add(new EntryId(rows.GetInt64(0)));
        return ids;
    }

    private static async Task<long> Next(Unit unit, string sql, CancellationToken cancel)
    {
        await using var command = unit.Command(sql);
        return (long)(await command.ExecuteScalarAsync(cancel))!;
    }
}
