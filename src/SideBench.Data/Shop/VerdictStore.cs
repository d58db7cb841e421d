using Npgsql;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Record;
using SideBench.Data.Record;

namespace SideBench.Data.Shop;

/// <summary>How often a model's complaint turned out to be a cause, in one ink.</summary>
public sealed record VerdictCount(string Model, string Complaint, string Ink, string Cause, int Jobs);

/// <summary>How often a model's panel had been asked where it turned out to be a cause, by the code that it had shown.</summary>
/// <param name="Code">Empty for no code, or one that was not told.</param>
public sealed record CodeVerdict(string Model, string Cause, string Code, int Jobs);

/// <summary>What proved threads turned out to be.</summary>
public sealed class VerdictStore(NpgsqlDataSource database, EntryCodec codec)
{
    private const string CountsSql = """
        SELECT model_id, complaint, ink, cause, jobs
        FROM verdict_counts
        WHERE jobs > 0
        """;

    private const string CodesSql = """
        SELECT model_id, cause, coalesce(body ->> 'code', ''), count(*)::integer
        FROM verdicts
        WHERE body ? 'panel'
        GROUP BY 1, 2, 3
        """;

    private const string LatestSql = """
        SELECT body
        FROM verdicts
        ORDER BY entry_id DESC
        LIMIT $1
        """;

    private const string AddSql = """
        INSERT INTO verdicts (entry_id, job_id, model_id, complaint, ink, cause, body)
        VALUES ($1, $2, $3, $4, $5, $6, $7)
        """;

    private const string CountSql = """
        INSERT INTO verdict_counts (model_id, complaint, ink, cause, jobs)
        VALUES ($1, $2, $3, $4, 1)
        ON CONFLICT ON CONSTRAINT verdict_counts_pkey DO UPDATE
        SET jobs = verdict_counts.jobs + 1
        """;

    private const string RemoveSql = """
        WITH gone AS (
            DELETE FROM verdicts
            WHERE entry_id = ANY ($1)
            RETURNING model_id, complaint, ink, cause
        )
        UPDATE verdict_counts c
        SET jobs = c.jobs - g.times
        FROM (
            SELECT model_id, complaint, ink, cause, count(*)::integer AS times
            FROM gone
            GROUP BY model_id, complaint, ink, cause
        ) g
        WHERE (c.model_id, c.complaint, c.ink, c.cause) = (g.model_id, g.complaint, g.ink, g.cause)
        """;

    private const string FillSql = """
        INSERT INTO verdicts (entry_id, job_id, model_id, complaint, ink, cause, body)
        SELECT e.entry_id, e.job_id, e.body ->> 'modelId', e.body ->> 'complaint', e.body ->> 'ink', e.body ->> 'cause', e.body
        FROM standing_entries e
        WHERE e.kind = 'judged'
        """;

    private const string FillCountsSql = """
        INSERT INTO verdict_counts (model_id, complaint, ink, cause, jobs)
        SELECT model_id, complaint, ink, cause, count(*)
        FROM verdicts
        GROUP BY model_id, complaint, ink, cause
        """;

    /// <summary>All counts.</summary>
    public async Task<IReadOnlyList<VerdictCount>> Counts(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(CountsSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var counts = new List<VerdictCount>();
        while (await rows.ReadAsync(cancel))
            counts.Add(new VerdictCount(rows.GetString(0), rows.GetString(1), rows.GetString(2), rows.GetString(3), rows.GetInt32(4)));
        return counts;
    }

    /// <summary>What codes turned out to be.</summary>
    public async Task<IReadOnlyList<CodeVerdict>> Codes(CancellationToken cancel)
    {
        await using var command = database.CreateCommand(CodesSql);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var codes = new List<CodeVerdict>();
        while (await rows.ReadAsync(cancel))
            codes.Add(new CodeVerdict(rows.GetString(0), rows.GetString(1), rows.GetString(2), rows.GetInt32(3)));
        return codes;
    }

    /// <summary>The latest verdicts, with the odds and tests they were reached by.</summary>
    /// <param name="most">At most so many.</param>
    public async Task<IReadOnlyList<Judged>> Latest(int most, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(LatestSql);
        command.Parameters.With(most);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var judged = new List<Judged>();
        while (await rows.ReadAsync(cancel))
            judged.Add((Judged)codec.Read("judged", rows.GetString(0)));
        return judged;
    }

    /// <summary>Follows lines that are being added: verdicts come in, and those that are taken back go.</summary>
    /// <param name="to">The write.</param>
    /// <param name="job">The job.</param>
    /// <param name="known">Its lines before.</param>
    /// <param name="added">The lines that are added.</param>
    /// <returns>Whether anything changes that holds for the whole shop.</returns>
    public static bool Follow(Appending to, JobId job, IReadOnlyList<Entry> known, IReadOnlyList<Entry> added)
    {
        var targets = TakenBack.In(added);
        long[] gone = [.. known.Where(e => e.Body is Judged && targets.Contains(e.Id.Value)).Select(e => e.Id.Value)];
        if (gone.Length > 0)
            to.Add(RemoveSql).With(gone);
        foreach (var entry in added.Where(e => e.Body is Judged))
        {
            var body = (Judged)entry.Body;
            to.Add(AddSql)
                .With(entry.Id.Value)
                .With(job.Value)
                .With(body.ModelId)
                .With(body.Complaint)
                .With(body.Ink)
                .With(body.Cause)
                .WithJson(EntryCodec.Write(body));
            to.Add(CountSql).With(body.ModelId).With(body.Complaint).With(body.Ink).With(body.Cause);
        }

        return gone.Length > 0 || added.Any(e => e.Body is Judged);
    }

    /// <summary>Fills the projection from the record, after a bulk load.</summary>
    public static async Task Fill(NpgsqlConnection to, CancellationToken cancel)
    {
        foreach (var sql in new[] { FillSql, FillCountsSql })
        {
            await using var command = new NpgsqlCommand(sql, to);
            await command.ExecuteNonQueryAsync(cancel);
        }
    }
}
