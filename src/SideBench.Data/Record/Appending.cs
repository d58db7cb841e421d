using Npgsql;
using NpgsqlTypes;
using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>A line that is about to be written.</summary>
/// <param name="Id">Its number, taken beforehand.</param>
/// <param name="Version">The version of what it is about.</param>
/// <param name="Body">What it says.</param>
/// <param name="How">How it was told; null for as its write was.</param>
public sealed record NewLine(EntryId Id, int Version, EntryBody Body, HowTold? How = null);

/// <summary>
/// Everything that one write puts into the database, gathered and sent in one round trip: its key, its lines, the subjects they touch, and
/// the projections that follow from them.
/// </summary>
public sealed class Appending : IAsyncDisposable
{
    private const string AddWriteSql = """
        INSERT INTO writes (write_key, fingerprint, job_id, machine_id, written_at)
        VALUES ($1, $2, $3, $4, $5)
        """;

    private const string AddLineSql = """
        INSERT INTO entries (entry_id, job_id, machine_id, version, person_id, person_name, written_at, kind, body, write_key, how_told)
        OVERRIDING SYSTEM VALUE
        VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
        """;

    private const string TouchSql = """
        INSERT INTO touches (subject, version, entry_id)
        SELECT $1, ($2 + at)::integer, line
        FROM unnest($3::bigint[]) WITH ORDINALITY AS lines (line, at)
        """;

    private const string MoveSubjectSql = """
        UPDATE subjects
        SET version = $2,
            last_entry = $3
        WHERE subject = $1
        """;

    private readonly NpgsqlBatch batch;

    /// <summary>Begins to gather.</summary>
    /// <param name="unit">The transaction it is sent in.</param>
    public Appending(Unit unit) => batch = unit.Batch();

    /// <summary>Adds the key and the lines of a write.</summary>
    /// <param name="write">Who, when, under which key.</param>
    /// <param name="job">The job; null when there is none.</param>
    /// <param name="machine">The machine; null when there is none.</param>
    /// <param name="lines">The lines, in order.</param>
    public void Lines(Write write, JobId? job, MachineId? machine, IReadOnlyList<NewLine> lines)
    {
        Add(AddWriteSql)
            .With(write.Key)
            .With(write.Fingerprint)
            .WithNull(job?.Value, NpgsqlDbType.Bigint)
            .WithNull(machine?.Value, NpgsqlDbType.Bigint)
            .With(write.At.Stored());
        MoreLines(write, job, machine, lines);
    }

    /// <summary>Adds lines of a write whose key is there already, such as those about a machine that a take-in made.</summary>
    public void MoreLines(Write write, JobId? job, MachineId? machine, IReadOnlyList<NewLine> lines)
    {
        foreach (var line in lines)
            Add(AddLineSql)
                .With(line.Id.Value)
                .WithNull(job?.Value, NpgsqlDbType.Bigint)
                .WithNull(machine?.Value, NpgsqlDbType.Bigint)
                .With(line.Version)
                .With(write.Person.Value)
                .With(write.PersonName)
                .With(write.At.Stored())
                .With(line.Body.Kind.Name)
                .WithJson(EntryCodec.Write(line.Body))
                .With(write.Key)
                .WithNull((line.How ?? write.How) is { } how ? StoredWord.Of(how) : null);
    }

    /// <summary>Numbers lines on a subject, which must be held by this transaction, and moves its version on.</summary>
    /// <param name="subject">What they are about.</param>
    /// <param name="version">Its version before them.</param>
    /// <param name="lines">The lines, in order.</param>
    public void Touch(Subject subject, int version, IReadOnlyList<EntryId> lines)
    {
        if (lines.Count == 0)
            return;
        Add(TouchSql).With(subject.ToString()).With(version).With<long[]>([.. lines.Select(l => l.Value)]);
        Add(MoveSubjectSql).With(subject.ToString()).With(version + lines.Count).With(lines[^1].Value);
    }

    /// <summary>Sends everything.</summary>
    public async Task Send(CancellationToken cancel) => await batch.ExecuteNonQueryAsync(cancel);

    /// <inheritdoc/>
    public ValueTask DisposeAsync() => batch.DisposeAsync();

    /// <summary>Adds a statement; its values follow.</summary>
    internal NpgsqlParameterCollection Add(string sql)
    {
        var command = new NpgsqlBatchCommand(sql);
        batch.BatchCommands.Add(command);
        return command.Parameters;
    }
}
