using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.HeadCare;

/// <summary>Head care of a job.</summary>
public static class HeadCareEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapHeadCare(this IEndpointRouteBuilder routes)
    {
        var job = routes.MapGroup("/jobs/{id:long}").WithTags("HeadCare");
        job.MapGet("/head-care", Show)
            .Produces<HeadCareView>()
            .Described("getHeadCare", "What cleaning is worth on a job's head: belief, plan, schools, and the one thing to do next.")
            .For(Act.Read);
        job.MapJobWrite<LevelRequest>(
            "/head-care/level",
            Act.Bench,
            "agreeLevel",
            "Agrees with the customer how complete a sheet has to be.",
            (r, on) => HeadKeeping.Agree(on.Job.State, r.MostLeft)
        );
        job.MapJobWrite<BuildUpRequest>(
            "/head-care/build-up",
            Act.Bench,
            "tellBuildUp",
            "Tells that build-up was found under the head, and on what stock it smudged.",
            (r, on) => HeadKeeping.SawBuildUp(on.Job.State, r.Paper, r.Thickness)
        );
    }

    private static async Task<IResult> Show(
        long id,
        int? thread,
        JobStore jobs,
        EntryStore entries,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var numbers = books.Shop.Numbers.Of<HeadCareNumbers>();
        var job = books.Case(loaded, thread ?? 0);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        // The thread that can be cleaned for: its writes are refused in one that knows no clean.
        if (thread is null && ThreadOf(job.Value, numbers, t => books.Case(loaded, t).Value) is { } better)
            job = books.Case(loaded, better);
        var life = await entries.OfMachine(loaded.Row.Machine, HeadKeeping.Kinds, cancel);
        return Results.Ok(HeadCareViews.Of(loaded.Row, job.Value, books.Shop, life, books.Now));
    }

    private static int? ThreadOf(JobCase job, HeadCareNumbers numbers, Func<int, JobCase> caseOf) =>
        job
            .State.Threads.Where(t => t.IsOpen)
            .Select(t => (int?)t.Id)
            .FirstOrDefault(t => caseOf(t!.Value).Book.Repairs.Any(r => HeadOnJob.MethodOf(r.Id, numbers) is not null));
}
