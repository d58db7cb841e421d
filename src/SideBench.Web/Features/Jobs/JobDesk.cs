using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Jobs;

/// <summary>Jobs as the bench page has them: every write to one answers with its page.</summary>
public sealed class JobDesk(WriteDesk desk, JobStore jobs, BenchBooks books)
{
    /// <summary>Writes to a job.</summary>
    /// <param name="http">The request, for who asks.</param>
    /// <param name="id">The job.</param>
    /// <param name="request">What was asked, with its key and the version seen.</param>
    /// <param name="rule">The rule of the core that makes lines of it.</param>
    /// <param name="harmless">Whether it may be written though the job has changed since.</param>
    /// <param name="byTheWay">How lines were told that it makes after its first; null for as that one.</param>
    public Task<Outcome<BenchView>> Write<T>(
        HttpContext http,
        long id,
        T request,
        Func<OnJob, Outcome<IReadOnlyList<EntryBody>>> rule,
        bool harmless = false,
        HowTold? byTheWay = null
    )
        where T : IJobWrite =>
        desk.OnJob(
            new Asked(
                Asked.WriteOf(http, request.Key, request, books.Now),
                request.SeenVersion,
                harmless,
                request.Shown?.Version ?? 0,
                byTheWay
            ),
            new JobId(id),
            request.Thread,
            rule,
            (loaded, job) => BenchViews.Of(loaded.Row, loaded.Entries, job, books),
            http.RequestAborted
        );

    /// <summary>Looks at one thread of a job.</summary>
    /// <param name="id">The job.</param>
    /// <param name="thread">The thread; null for the first.</param>
    /// <param name="look">What is wanted of it; null when there is no such thing.</param>
    /// <param name="what">What it is called, for when there is no such thing.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<Outcome<T>> Look<T>(
        long id,
        int? thread,
        Func<LoadedJob, Core.Diagnosis.JobCase, T?> look,
        CancellationToken cancel,
        string what = ""
    )
        where T : class
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return new Problem(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded, thread ?? 0);
        if (!job.IsGood)
            return job.Problems.ToList();
        return look(loaded, job.Value) is { } seen ? seen : new Problem(Core.Diagnosis.DiagnosisProblem.UnknownStep, "", what);
    }
}
