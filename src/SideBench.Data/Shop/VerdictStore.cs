using Npgsql;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Data.Record;

namespace SideBench.Data.Shop;

/// <summary>How often a model's complaint turned out to be a cause, in one ink.</summary>
public sealed record VerdictCount(string Model, string Complaint, string Ink, string Cause, int Jobs);

/// <summary>What proved threads turned out to be.</summary>
public sealed class VerdictStore(NpgsqlDataSource database)
{
    private const string CountsSql = """
        SELECT model_id, complaint, ink, cause, count(*)::integer
        FROM verdicts
        GROUP BY model_id, complaint, ink, cause
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

    private const string RemoveSql = """
        DELETE FROM verdicts
        WHERE entry_id = ANY ($1)
        """;

    private const string FillSql = """
        INSERT INTO verdicts (entry_id, job_id, model_id, complaint, ink, cause, body)
        SELECT e.entry_id, e.job_id, e.body ->> 'modelId', e.body ->> 'complaint', e.body ->> 'ink', e.body ->> 'cause', e.body
        FROM entries e
        WHERE e.kind = 'judged'
          AND NOT EXISTS (
            SELECT FROM entries c
            WHERE c.job_id = e.job_id AND c.kind = 'corrected' AND (c.body ->> 'target')::bigint = e.entry_id)
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

    /// <summary>The latest verdicts, with the odds and tests they were reached by.</summary>
    /// <param name="most">At most so many.</param>
    public async Task<IReadOnlyList<EntryBody.Judged>> Latest(int most, CancellationToken cancel)
    {
        await using var command = database.CreateCommand(LatestSql);
        command.Parameters.With(most);
        await using var rows = await command.ExecuteReaderAsync(cancel);
        var judged = new List<EntryBody.Judged>();
        while (await rows.ReadAsync(cancel))
            judged.Add((EntryBody.Judged)EntryCodec.Read("judged", rows.GetString(0)));
        return judged;
    }

    /// <summary>Follows lines that were just added: verdicts come in, and those that were taken back go.</summary>
    /// <returns>Whether anything changed.</returns>
    public static async Task<bool> Follow(Unit unit, JobId job, IReadOnlyList<Entry> added, CancellationToken cancel)
    {
        var judged = added.Where(e => e.Body is EntryBody.Judged).ToList();
        long[] takenBack = [.. added.Select(e => e.Body).OfType<EntryBody.Corrected>().Select(c => c.Target)];
        if (judged.Count == 0 && takenBack.Length == 0)
            return false;
        await using var batch = unit.Batch();
        foreach (var entry in judged)
        {
            var body = (EntryBody.Judged)entry.Body;
            var command = new NpgsqlBatchCommand(AddSql);
            command
                .Parameters.With(entry.Id.Value)
                .With(job.Value)
                .With(body.ModelId)
                .With(body.Complaint)
                .With(body.Ink)
                .With(body.Cause)
                .WithJson(EntryCodec.Write(body));
            batch.BatchCommands.Add(command);
        }

        var remove = new NpgsqlBatchCommand(RemoveSql);
        remove.Parameters.Add(new NpgsqlParameter<long[]> { TypedValue = takenBack });
        batch.BatchCommands.Add(remove);
        return await batch.ExecuteNonQueryAsync(cancel) > 0;
    }

    /// <summary>Fills the projection from the record, after a bulk load.</summary>
    public static async Task Fill(NpgsqlConnection to, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(FillSql, to);
        await command.ExecuteNonQueryAsync(cancel);
    }
}
