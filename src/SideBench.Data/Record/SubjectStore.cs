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
        SELECT subject, 0
        FROM unnest($1::text[]) AS new (subject)
        ORDER BY subject COLLATE "C"
        ON CONFLICT ON CONSTRAINT subjects_pkey DO NOTHING
        """;

    private const string AboutSql = """
        SELECT entry_id, subject
        FROM touches
        WHERE entry_id = ANY ($1)
          AND subject <> 'shop:0'
          AND subject NOT LIKE 'machine:%'
        """;

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
        await using (var begin = unit.Command(BeginSql))
        {
            begin.Parameters.With<string[]>([.. subjects.Select(s => s.ToString())]);
            await begin.ExecuteNonQueryAsync(cancel);
        }

        return await Hold(unit, subjects, cancel);
    }

    /// <summary>What lines are about beside their machine and the shop as a whole.</summary>
    public static async Task<ILookup<EntryId, Subject>> AboutOf(Unit unit, IReadOnlyCollection<EntryId> lines, CancellationToken cancel)
    {
        await using var command = unit.Command(AboutSql);
        command.Parameters.With<long[]>([.. lines.Select(l => l.Value)]);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var about = new List<(EntryId Line, Subject Subject)>();
        while (await rows.ReadAsync(cancel))
            about.Add((new EntryId(rows.GetInt64(0)), Subject.Parse(rows.GetString(1))));
        return about.ToLookup(a => a.Line, a => a.Subject);
    }

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
}
