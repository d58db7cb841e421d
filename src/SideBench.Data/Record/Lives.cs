using System.Collections.Concurrent;
using System.Collections.Immutable;
using Npgsql;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>
/// The life of one thing: the lines about it that stand, over all machines, oldest first. It is the same object as long as nothing is
/// written about the thing, so what was made of it can be kept by it.
/// </summary>
/// <param name="of">What they are about.</param>
/// <param name="lines">The lines.</param>
public sealed class Life(Subject of, IReadOnlyList<ShopLine> lines)
{
    private sealed record Kept(object By, object Made);

    // One reference, so that requests side by side see what belongs together.
    private volatile Kept? kept;

    /// <summary>What they are about.</summary>
    public Subject Of => of;

    /// <summary>The lines.</summary>
    public IReadOnlyList<ShopLine> Lines => lines;

    /// <summary>What is made of the lines, made once.</summary>
    /// <param name="by">What else it is made by: another of these makes it anew.</param>
    /// <param name="make">Makes it, of nothing but the lines and that.</param>
    public T Made<T>(object by, Func<Life, T> make)
        where T : class
    {
        if (kept is { Made: T known } of && ReferenceEquals(of.By, by))
            return known;
        var made = make(this);
        kept = new Kept(by, made);
        return made;
    }
}

/// <summary>
/// Lives of boxes, pieces, inks, lots and parts of the shop: the lines about each, over all machines. What was read is kept, since lines
/// are only ever added; what came since is read for all that are asked, at once.
/// </summary>
public sealed class Lives(NpgsqlDataSource database, EntryStore entries)
{
    private const int MostKept = 20_000;

    internal const string VersionsOfSortSql = """
        SELECT subject, version
        FROM subjects
        WHERE sort = $1
        ORDER BY subject
        """;

    private const string VersionsSql = """
        SELECT subject, version
        FROM subjects
        WHERE subject = ANY ($1)
        ORDER BY subject
        """;

    internal const string SinceSql = """
        SELECT e.entry_id, e.job_id, t.version, e.person_id, e.person_name, e.written_at, e.kind, e.body, e.how_told,
               coalesce(m.machine_id, 0), coalesce(m.model_id, ''), coalesce(m.serial, ''), t.subject
        FROM unnest($1::text[], $2::integer[]) AS known (subject, version)
        JOIN touches t ON t.subject = known.subject AND t.version > known.version
        JOIN entries e ON e.entry_id = t.entry_id
        LEFT JOIN machines m ON m.machine_id = e.machine_id
        ORDER BY t.subject, t.version
        """;

    private readonly ConcurrentDictionary<string, Known> kept = new();

    /// <summary>All lives of a kind that have a line that stands, by subject.</summary>
    /// <param name="kind">Which kind.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<Life>> All(SubjectKind kind, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(VersionsOfSortSql);
        command.Parameters.With(Subject.Sort(kind));
        return await Read(command, cancel);
    }

    /// <summary>Lives of some subjects; what nothing was ever written about is not among them.</summary>
    /// <param name="subjects">Which.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<Life>> Of(IReadOnlyCollection<Subject> subjects, CancellationToken cancel)
    {
        if (subjects.Count == 0)
            return [];
        await using var command = database.CreateCommand(VersionsSql);
        command.Parameters.With<string[]>([.. subjects.Select(s => s.ToString())]);
        return await Read(command, cancel);
    }

    private async Task<IReadOnlyList<Life>> Read(NpgsqlCommand versions, CancellationToken cancel)
    {
        var (now, all) = (new List<(string Subject, int Version)>(), new List<Life>());
        await using (var rows = await versions.ExecuteReaderAsync(cancel))
            while (await rows.ReadAsync(cancel))
                now.Add((rows.GetString(0), rows.GetInt32(1)));
        var known = now.ToDictionary(s => s.Subject, s => kept.GetValueOrDefault(s.Subject, Known.New));
        var old = now.Where(s => known[s.Subject].Version < s.Version).ToList();
        if (old.Count > 0)
            await ReadOn(known, old, cancel);
        foreach (var (subject, _) in now)
            if (known[subject].Life is { Lines.Count: > 0 } life)
                all.Add(life);
        return all;
    }

    private async Task ReadOn(Dictionary<string, Known> known, List<(string Subject, int Version)> old, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(SinceSql);
        command.Parameters.With<string[]>([.. old.Select(s => s.Subject)]).With<int[]>([.. old.Select(s => known[s.Subject].Version)]);
        var since = new List<(string Subject, ShopLine Line)>();
        await using (var rows = await command.ExecuteReaderAsync(cancel))
            while (await rows.ReadAsync(cancel))
                since.Add((rows.GetString(12), entries.ReadLine(rows)));
        if (kept.Count + old.Count > MostKept)
            kept.Clear();
        foreach (var of in since.GroupBy(s => s.Subject, s => s.Line))
            kept[of.Key] = known[of.Key] = known[of.Key].With(of.Key, [.. of]);
    }

    // A correction can make an older line one of a subject's: it comes late, and stands where it was written.
    private sealed record Known(int Version, ImmutableList<ShopLine> Lines, Life? Life)
    {
        public static readonly Known New = new(0, [], null);

        public Known With(string subject, IReadOnlyList<ShopLine> since)
        {
            var all = Lines.AddRange(since);
            var gone = TakenBack.In(all.Select(l => l.Entry));
            return new Known(
                since[^1].Entry.Version,
                all,
                new Life(
                    Subject.Parse(subject),
                    [.. all.Where(l => !gone.Contains(l.Entry.Id.Value)).DistinctBy(l => l.Entry.Id).OrderBy(l => l.Entry.Id.Value)]
                )
            );
        }
    }
}
