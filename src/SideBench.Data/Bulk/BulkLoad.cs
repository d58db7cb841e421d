using Npgsql;
using NpgsqlTypes;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Data.Search;

namespace SideBench.Data.Bulk;

/// <summary>A whole job to be loaded at once, its lines numbered.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Tag">Its tag.</param>
/// <param name="Entries">Its lines.</param>
/// <param name="Now">What lists show of it.</param>
public sealed record BulkJob(JobId Id, int Tag, IReadOnlyList<Entry> Entries, JobProjection Now);

/// <summary>Loads a made-up shop at once, for the demo and for measuring. Into an empty database only.</summary>
public static class BulkLoad
{
    private const string PeopleSql = "COPY people (person_id, name, role, password_hash, pin_hash, created_at) FROM STDIN (FORMAT BINARY)";
    private const string CustomersSql = "COPY customers (customer_id, name, contact) FROM STDIN (FORMAT BINARY)";
    private const string MachinesSql = "COPY machines (machine_id, model_id, serial, customer_id) FROM STDIN (FORMAT BINARY)";

    private const string JobsSql = """
        COPY jobs (job_id, tag, machine_id, customer_id, model_id, complaint, words, version, place, standing, headline,
                   clock_ends_at, promise_at, opened_at, closed_at, closed_how, handed_over_at) FROM STDIN (FORMAT BINARY)
        """;

    private const string EntriesSql = """
        COPY entries (job_id, machine_id, version, person_id, person_name, written_at, kind, body, write_key) FROM STDIN (FORMAT BINARY)
        """;

    private const string FindsSql = "COPY finds (kind, ref_id, title, detail, haystack, rank) FROM STDIN (FORMAT BINARY)";

    private const string SequencesSql = """
        SELECT setval(pg_get_serial_sequence('people', 'person_id'), (SELECT max(person_id) FROM people)),
               setval(pg_get_serial_sequence('customers', 'customer_id'), (SELECT max(customer_id) FROM customers)),
               setval(pg_get_serial_sequence('machines', 'machine_id'), (SELECT max(machine_id) FROM machines)),
               setval(pg_get_serial_sequence('jobs', 'job_id'), (SELECT max(job_id) FROM jobs)),
               setval('job_tags', (SELECT max(tag) FROM jobs))
        """;

    // The same as the migration does for a database that was there before.
    private const string TouchesSql = """
        INSERT INTO touches (subject, version, entry_id)
        SELECT 'machine:' || machine_id, row_number() OVER (PARTITION BY machine_id ORDER BY entry_id), entry_id
        FROM entries
        WHERE machine_id IS NOT NULL
        """;

    private const string SubjectsSql = """
        INSERT INTO subjects (subject, version)
        SELECT 'machine:' || m.machine_id, coalesce(max(t.version), 0)
        FROM machines m
        LEFT JOIN touches t ON t.subject = 'machine:' || m.machine_id
        GROUP BY m.machine_id
        """;

    // What the migration does for a record that was there before it.
    private const string LivesSql = "SELECT touch_lives()";

    private const string WorldSql = "INSERT INTO worlds (world) VALUES ('demo')";

    /// <summary>Loads people, numbered from 1.</summary>
    public static async Task People(NpgsqlConnection to, IReadOnlyList<PersonRow> people, DateTimeOffset at, CancellationToken cancel)
    {
        await using var copy = await Copy(to, PeopleSql, cancel);
        foreach (var p in people)
            await Row(copy, cancel, p.Id.Value, p.Name, p.Role.ToString(), p.PasswordHash, p.PinHash, at);
        await copy.CompleteAsync(cancel);
    }

    /// <summary>Loads customers and machines.</summary>
    public static async Task Machines(
        NpgsqlConnection to,
        IReadOnlyList<CustomerRow> customers,
        IReadOnlyList<MachineRow> machines,
        CancellationToken cancel
    )
    {
        await using (var copy = await Copy(to, CustomersSql, cancel))
        {
            foreach (var c in customers)
                await Row(copy, cancel, c.Id.Value, c.Name, c.Contact);
            await copy.CompleteAsync(cancel);
        }

        await using (var copy = await Copy(to, MachinesSql, cancel))
        {
            foreach (var m in machines)
                await Row(copy, cancel, m.Id.Value, m.ModelId, m.Serial, m.Customer.Value);
            await copy.CompleteAsync(cancel);
        }
    }

    /// <summary>Loads jobs with their lines.</summary>
    /// <param name="newKey">Makes the key of each job's write.</param>
    public static async Task Jobs(NpgsqlConnection to, IReadOnlyList<BulkJob> jobs, Func<Guid> newKey, CancellationToken cancel)
    {
        await using (var copy = await Copy(to, JobsSql, cancel))
        {
            foreach (var job in jobs)
                await JobRow(copy, job, cancel);
            await copy.CompleteAsync(cancel);
        }

        await using (var copy = await Copy(to, EntriesSql, cancel))
        {
            foreach (var job in jobs)
            {
                var key = newKey();
                var machine = ((TakenIn)job.Entries[0].Body).MachineId;
                foreach (var e in job.Entries)
                    await EntryRow(copy, job.Id, machine, e, key, cancel);
            }

            await copy.CompleteAsync(cancel);
        }
    }

    /// <summary>
    /// Loads what is findable, numbers the lines of machines, marks the shop as made up, and sets the counters for what comes after.
    /// </summary>
    public static async Task Finish(NpgsqlConnection to, IEnumerable<(Find Find, string Words, short Rank)> finds, CancellationToken cancel)
    {
        await using (var copy = await Copy(to, FindsSql, cancel))
        {
            foreach (var (find, words, rank) in finds)
                await Row(copy, cancel, find.Kind, find.Id, find.Title, find.Detail, words.ToLowerInvariant(), rank);
            await copy.CompleteAsync(cancel);
        }

        foreach (var sql in new[] { SequencesSql, TouchesSql, SubjectsSql, LivesSql, WorldSql })
        {
            await using var command = new NpgsqlCommand(sql, to) { CommandTimeout = (int)Longest.TotalSeconds };
            await command.ExecuteNonQueryAsync(cancel);
        }
    }

    private static async Task JobRow(NpgsqlBinaryImporter copy, BulkJob job, CancellationToken cancel)
    {
        var intake = (TakenIn)job.Entries[0].Body;
        var now = job.Now;
        await Row(
            copy,
            cancel,
            job.Id.Value,
            job.Tag,
            intake.MachineId,
            intake.CustomerId,
            intake.ModelId,
            intake.Complaint,
            intake.Words,
            now.Version,
            (short)now.Place,
            now.Standing,
            now.Headline,
            now.ClockEndsAt,
            now.PromiseAt,
            job.Entries[0].At,
            now.ClosedAt,
            now.ClosedHow,
            now.HandedOverAt
        );
    }

    private static async Task EntryRow(NpgsqlBinaryImporter copy, JobId job, long machine, Entry e, Guid key, CancellationToken cancel)
    {
        await copy.StartRowAsync(cancel);
        foreach (var value in new object[] { job.Value, machine, e.Version, e.Person.Value, e.PersonName, e.At.Stored(), e.Body.Kind.Name })
            await copy.WriteAsync(value, cancel);
        await copy.WriteAsync(EntryCodec.Write(e.Body), NpgsqlDbType.Jsonb, cancel);
        await copy.WriteAsync(key, cancel);
    }

    // Two hundred thousand jobs take longer than a query may.
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(20);

    private static async Task<NpgsqlBinaryImporter> Copy(NpgsqlConnection to, string sql, CancellationToken cancel)
    {
        var copy = await to.BeginBinaryImportAsync(sql, cancel);
        copy.Timeout = Longest;
        return copy;
    }

    private static async Task Row(NpgsqlBinaryImporter copy, CancellationToken cancel, params object?[] values)
    {
        await copy.StartRowAsync(cancel);
        foreach (var value in values)
        {
            if (value is null)
                await copy.WriteNullAsync(cancel);
            else
                await copy.WriteAsync(value is DateTimeOffset time ? time.Stored() : value, cancel);
        }
    }
}
