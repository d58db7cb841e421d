using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Jobs;

/// <summary>Maps writes to jobs, all alike.</summary>
public static class JobWrites
{
    /// <summary>Maps one write: it is bound, its rule makes lines, and the answer is the bench page.</summary>
    /// <param name="jobs">The group of jobs, or of something of one.</param>
    /// <param name="path">Its address below the job.</param>
    /// <param name="act">What a person must be allowed to.</param>
    /// <param name="name">Its name in the API, as a client calls it.</param>
    /// <param name="summary">What it does, one line.</param>
    /// <param name="rule">The rule of the core.</param>
    /// <param name="harmless">Whether it may be written though the job has changed since.</param>
    /// <param name="byTheWay">How lines were told that it makes after its first; null for as that one.</param>
    public static RouteHandlerBuilder MapJobWrite<T>(
        this IEndpointRouteBuilder jobs,
        string path,
        Act act,
        string name,
        string summary,
        Func<T, OnJob, Outcome<IReadOnlyList<EntryBody>>> rule,
        bool harmless = false,
        HowTold? byTheWay = null
    )
        where T : class, IJobWrite =>
        jobs.MapPost(
                path,
                async (long id, T request, JobDesk desk, HttpContext http) =>
                    (await desk.Write(http, id, request, on => rule(request, on), harmless, byTheWay)).ToResult()
            )
            .Produces<BenchView>()
            .Described(name, summary)
            .For(act);
}
