using Npgsql;
using SideBench.Core.Outcomes;
using SideBench.Data.Record;

namespace SideBench.Data.Search;

/// <summary>Something that can be jumped to.</summary>
/// <param name="Kind">job, machine or customer.</param>
/// <param name="Id">Its number.</param>
/// <param name="Title">What the list shows first.</param>
/// <param name="Detail">What it shows second.</param>
public sealed record Find(string Kind, long Id, string Title, string Detail);

/// <summary>Search as you type over jobs, machines and customers.</summary>
public sealed class FindStore(NpgsqlDataSource database)
{
    private const int MostOfAKind = 6;

    // Rare words are found by the trigram index, common ones by walking the order until forty fit; the planner chooses.
    // One or two letters are too few for trigrams: they are taken as the start of a name, a tag or a serial.
    private const string LongSql = """
        SELECT kind, ref_id, title, detail
        FROM finds
        WHERE haystack LIKE $1
        ORDER BY rank, ref_id DESC
        LIMIT 40
        """;

    private const string ShortSql = """
        SELECT kind, ref_id, title, detail
        FROM finds
        WHERE haystack ~>=~ $1
          AND haystack ~<~ $2
        ORDER BY haystack USING ~<~
        LIMIT 40
        """;

    private const string PutSql = """
        INSERT INTO finds (kind, ref_id, title, detail, haystack, rank)
        VALUES ($1, $2, $3, $4, $5, $6)
        ON CONFLICT ON CONSTRAINT finds_pkey DO UPDATE
        SET title = excluded.title,
            detail = excluded.detail,
            haystack = excluded.haystack,
            rank = excluded.rank
        """;

    private const string MoreSql = """
        UPDATE finds
        SET haystack = haystack || ' ' || $3
        WHERE kind = $1
          AND ref_id = $2
          AND position($3 IN haystack) = 0
          AND length(haystack) < 2000
        """;

    private const string LessSql = """
        UPDATE finds
        SET haystack = replace(haystack || ' ', ' ' || $3 || ' ', ' ')
        WHERE kind = $1
          AND ref_id = $2
        """;

    /// <summary>What fits, best first.</summary>
    /// <param name="text">What was typed.</param>
    public async Task<IReadOnlyList<Find>> Search(string text, CancellationToken cancel)
    {
        var typed = text.Trim().ToLowerInvariant();
        if (typed.Length == 0 || !Guard.IsKeepable(typed))
            return [];
        await using var command = database.CreateCommand(typed.Length < 3 ? ShortSql : LongSql);
        if (typed.Length < 3)
            command.Parameters.With(typed).With(After(typed));
        else
            command.Parameters.With("%" + typed.Replace(@"\", @"\\").Replace("%", @"\%").Replace("_", @"\_") + "%");
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var finds = new List<Find>();
        while (await rows.ReadAsync(cancel))
            finds.Add(new Find(rows.GetString(0), rows.GetInt64(1), rows.GetString(2), rows.GetString(3)));
        // Several kinds stand beside each other: not twelve jobs of one customer.
        return [.. finds.GroupBy(f => f.Kind).SelectMany(g => g.Take(MostOfAKind))];
    }

    /// <summary>Makes a thing findable, or changes how it is found.</summary>
    /// <param name="to">The write it goes with.</param>
    /// <param name="find">The thing.</param>
    /// <param name="words">Everything it is found by, most telling first.</param>
    /// <param name="rank">Lower comes first.</param>
    public static void Put(Appending to, Find find, string words, short rank) =>
        to.Add(PutSql).With(find.Kind).With(find.Id).With(find.Title).With(find.Detail).With(words.ToLowerInvariant()).With(rank);

    /// <summary>Lets a thing be found by one more word; a word it has already changes nothing.</summary>
    /// <param name="to">The write it goes with.</param>
    /// <param name="kind">Its kind.</param>
    /// <param name="id">Its number.</param>
    /// <param name="word">The word.</param>
    public static void More(Appending to, string kind, long id, string word) =>
        to.Add(MoreSql).With(kind).With(id).With(word.ToLowerInvariant());

    /// <summary>A thing is found by a word no longer: the line that told it was taken back.</summary>
    /// <param name="to">The write it goes with.</param>
    /// <param name="kind">Its kind.</param>
    /// <param name="id">Its number.</param>
    /// <param name="word">The word.</param>
    public static void Less(Appending to, string kind, long id, string word) =>
        to.Add(LessSql).With(kind).With(id).With(word.ToLowerInvariant());

    // A text that sorts behind every text that begins so: the last sign there is comes after it.
    private static string After(string start) => start + "\U0010FFFF";
}
