using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Data.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Jobs;

/// <summary>Work at the bench.</summary>
public static class JobsEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapJobs(this IEndpointRouteBuilder routes)
    {
        var jobs = routes.MapGroup("/jobs").WithTags("Jobs");
        MapReads(jobs);
        MapWork(jobs);
        MapKeeping(jobs);
        MapEndings(jobs);
    }

    private static string NewId() => Guid.NewGuid().ToString("N")[..8];

    private static void MapReads(RouteGroupBuilder jobs)
    {
        jobs.MapGet("/{id:long}", async (long id, JobStore store, JobDesk desk, CancellationToken cancel) =>
            await store.Load(new JobId(id), cancel) is { } loaded ? desk.Show(loaded) : ProblemResults.Of(ProblemCode.UnknownJob, "", id))
            .Produces<BenchView>().ProducesProblems().For(Act.Read);
        jobs.MapGet("/{id:long}/stations/{station}", async (long id, string station, JobStore store, BenchBooks books, CancellationToken cancel) =>
        {
            if (await store.Load(new JobId(id), cancel) is not { } loaded) return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
            var job = books.Case(loaded.Entries);
            if (!job.IsGood) return ProblemResults.Of(job.Problems);
            return BenchViews.Station(job.Value, station) is { } detail ? Results.Ok(detail) : ProblemResults.Of(ProblemCode.UnknownStep, "", station);
        }).Produces<StationDetail>().ProducesProblems().For(Act.Read);
    }

    private static void MapWork(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{id:long}/answers", (long id, AnswerRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchWork.Answer(job, r.Finding, r.Outcome, r.Quantity, NewId)))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/repairs", (long id, MendRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchWork.Mend(job, r.Repair, r.Minutes, r.Lot ?? "", NewId)))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/corrections", (long id, CorrectRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, entries) => BenchWork.Correct(job.State, entries, r.Entry, r.Reason ?? "")))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/overrides", (long id, OverrideRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchWork.Override(job, r.Step, r.Reason ?? "")))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
    }

    private static void MapKeeping(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{id:long}/tray", (long id, TrayPutRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.Put(job.State, r.Label ?? "", r.Change, r.Count, NewId())))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/tray/cleared", (long id, TrayClearRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.Clear(job.State, r.Items ?? [])))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/clocks", (long id, ClockStartRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.StartClock(job.State, r.Kind, r.Label ?? "", r.MinMinutes, r.MaxMinutes, NewId()), harmless: true))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/clocks/stopped", (long id, ClockStopRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.StopClock(job.State, r.Clock), harmless: true))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/notes", (long id, NoteRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (_, _) => BenchKeeping.Note(r.Text ?? ""), harmless: true))
            .Produces<BenchView>().ProducesProblems().For(Act.Speak);
        jobs.MapPost("/{id:long}/waits", (long id, WaitRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.Wait(job.State, r.For, r.What ?? "", r.Until)))
            .Produces<BenchView>().ProducesProblems().For(Act.Speak);
        jobs.MapPost("/{id:long}/consents", (long id, ConsentRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.Consent(job.State, r.What, r.By ?? "")))
            .Produces<BenchView>().ProducesProblems().For(Act.Speak);
        jobs.MapPost("/{id:long}/place", (long id, PlaceRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.Place(r.Place, job.Book.Book.House.Places)))
            .Produces<BenchView>().ProducesProblems().For(Act.Speak);
    }

    private static void MapEndings(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{id:long}/closing", (long id, CloseRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => Endings.Close(job, r.How, r.Reason ?? "")))
            .Produces<BenchView>().ProducesProblems().For(Act.Bench);
        jobs.MapPost("/{id:long}/hand-over", (long id, HandOverRequest r, JobDesk desk, HttpContext http) =>
            desk.Write(http, id, r, (job, _) => BenchKeeping.HandOver(job.State, r.To ?? "", r.Charge, job.Book.Book.House.Currency)))
            .Produces<BenchView>().ProducesProblems().For(Act.HandOver);
        jobs.MapGet("/{id:long}/hand-over", async (long id, JobStore store, BenchBooks books, CancellationToken cancel) =>
        {
            if (await store.Load(new JobId(id), cancel) is not { } loaded) return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
            var job = books.Case(loaded.Entries);
            return job.IsGood ? Results.Ok(Papers.HandOver(loaded.Row, job.Value)) : ProblemResults.Of(job.Problems);
        }).Produces<HandOverView>().ProducesProblems().For(Act.Read);
        jobs.MapGet("/{id:long}/tag", async (long id, JobStore store, BenchBooks books, HttpContext http, CancellationToken cancel) =>
        {
            if (await store.Load(new JobId(id), cancel) is not { } loaded) return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
            var job = books.Case(loaded.Entries);
            var link = $"{http.Request.Scheme}://{http.Request.Host}/bench/{id}";
            return job.IsGood ? Results.Ok(Papers.Tag(loaded.Row, job.Value, link)) : ProblemResults.Of(job.Problems);
        }).Produces<TagView>().ProducesProblems().For(Act.Read);
    }
}
