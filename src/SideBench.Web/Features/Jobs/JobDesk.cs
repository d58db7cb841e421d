using System.Security.Cryptography;
using System.Text.Json;
using Npgsql;
using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Data;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Data.Shop;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Jobs;

/// <summary>Writes to jobs: one transaction each, never twice for one key, never past what the person saw.</summary>
public sealed class JobDesk(NpgsqlDataSource database, BenchBooks books)
{
    /// <summary>Decides what lines a write adds.</summary>
    public delegate Outcome<IReadOnlyList<EntryBody>> Decide(JobCase job, IReadOnlyList<Entry> entries);

    /// <summary>Writes to a job and answers with its bench page.</summary>
    /// <param name="http">The request, for who asks.</param>
    /// <param name="id">The job.</param>
    /// <param name="request">What was asked, with its key and the version seen.</param>
    /// <param name="decide">The rule of the core that makes lines of it.</param>
    /// <param name="harmless">Whether it may be written though the job has changed since: notes, and the end of a clock.</param>
    public async Task<IResult> Write<T>(HttpContext http, long id, T request, Decide decide, bool harmless = false)
        where T : IJobWrite
    {
        if (request.Key == Guid.Empty)
            return ProblemResults.Of(ProblemCode.Missing, "/key");
        var cancel = http.RequestAborted;
        var write = WriteOf(http, request.Key, request);
        await using var unit = await Unit.Begin(database, cancel);
        var (loaded, earlier) = await JobStore.LoadForWrite(unit, new JobId(id), request.Key, cancel);
        if (loaded is null)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        if (earlier is not null)
            return Replay(earlier, write, loaded, request.Thread);
        var changes = loaded.Entries.Where(e => e.Version > request.SeenVersion).ToList();
        if (!harmless && changes.Count > 0)
            return Stale(changes);
        var job = books.Case(loaded.Entries, request.Thread);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        var lines = decide(job.Value, loaded.Entries);
        if (!lines.IsGood)
            return ProblemResults.Of(lines.Problems);
        var (row, entries, after) = await Append(unit, loaded, write, lines.Value, request.Thread, cancel);
        await unit.Commit(cancel);
        return Results.Ok(BenchViews.Of(row, entries, after, books));
    }

    /// <summary>The bench page of a job.</summary>
    public IResult Show(LoadedJob loaded, int thread)
    {
        var job = books.Case(loaded.Entries, thread);
        return job.IsGood ? Results.Ok(BenchViews.Of(loaded.Row, loaded.Entries, job.Value, books)) : ProblemResults.Of(job.Problems);
    }

    /// <summary>What lists show of a job.</summary>
    public JobProjection Projection(JobCase job, DateTimeOffset now)
    {
        var state = job.State;
        var clock = state.Clocks.Where(c => c.Counts).MinBy(c => c.EndsAt);
        return new JobProjection(
            state.Version,
            state.Place,
            BenchViews.StandingWord(state.StandingAt(now)),
            Headline(job, clock?.Label),
            clock?.EndsAt ?? state.WaitsUntil,
            state.Intake.Promise,
            state.Closing is null ? null : now,
            state.Closing?.How,
            state.HandOver is null ? null : now
        );
    }

    /// <summary>Who writes, when, under which key and with what fingerprint.</summary>
    public Write WriteOf<T>(HttpContext http, Guid key, T request)
    {
        var person = PersonAtBench.Of(http.User)!;
        var print = SHA256.HashData(
            JsonSerializer.SerializeToUtf8Bytes(
                new
                {
                    Kind = typeof(T).Name,
                    request,
                    http.Request.Path.Value,
                }
            )
        );
        return new Write(key, Convert.ToHexString(print), person.Id, person.Name, books.Now);
    }

    private async Task<(JobRow, IReadOnlyList<Entry>, JobCase)> Append(
        Unit unit,
        LoadedJob loaded,
        Write write,
        IReadOnlyList<EntryBody> lines,
        int thread,
        CancellationToken cancel
    )
    {
        var first = loaded.Row.Version + 1;
        var ids = await EntryStore.Add(unit, write, loaded.Row.Id, loaded.Row.Machine, first, lines, cancel);
        List<Entry> entries =
        [
            .. loaded.Entries,
            .. lines.Select((body, i) => new Entry(ids[i], loaded.Row.Id, first + i, write.Person, write.PersonName, write.At, body)),
        ];
        if (await VerdictStore.Follow(unit, loaded.Row.Id, entries[loaded.Entries.Count..], cancel))
            await JobStore.AnnounceShop(unit, cancel);
        var job = books.Case(entries, lines.OfType<EntryBody.ThreadOpened>().LastOrDefault()?.Thread ?? thread).Value;
        var projection = Projection(job, write.At) with
        {
            ClosedAt = job.State.Closing is null ? null : loaded.Row.ClosedAt ?? write.At,
            HandedOverAt = job.State.HandOver is null ? null : loaded.Row.HandedOverAt ?? write.At,
        };
        await JobStore.Project(unit, loaded.Row.Id, projection, cancel);
        return (loaded.Row with { Version = projection.Version, Place = projection.Place }, entries, job);
    }

    private IResult Replay(EarlierWrite earlier, Write write, LoadedJob loaded, int thread) =>
        earlier.Fingerprint == write.Fingerprint ? Show(loaded, thread) : ProblemResults.Of(ProblemCode.KeyReused);

    private static IResult Stale(List<Entry> changes) =>
        ProblemResults.Of(
            [new Problem(ProblemCode.StaleVersion, "/seenVersion")],
            [.. changes.Select(e => $"{e.PersonName}: {EntrySentence.Of(e.Body)}")]
        );

    private static string Headline(JobCase job, string? clock)
    {
        var state = job.State;
        if (state.HandOver is not null)
            return "handed over";
        if (state.Closing is not null)
            return state.Closing.How == "verified" ? "ready, proved" : $"ready, {state.Closing.How}";
        if (state.WaitsFor.Length > 0)
            return state.WaitsWhat;
        return clock ?? job.Advice.Chosen?.Step.Name ?? job.Advice.Kind.ToString().ToLowerInvariant();
    }
}
