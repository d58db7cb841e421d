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
        MapThreads(jobs);
        MapKeeping(jobs);
        MapEndings(jobs);
    }

    private const int MostTyped = 200;

    private static string NewId() => Guid.NewGuid().ToString("N")[..8];

    private static void MapReads(RouteGroupBuilder jobs)
    {
        jobs.MapGet(
                "/{id:long}",
                async (long id, int? thread, JobStore store, JobDesk desk, CancellationToken cancel) =>
                    await store.Load(new JobId(id), cancel) is { } loaded
                        ? desk.Show(loaded, thread ?? 0)
                        : ProblemResults.Of(ProblemCode.UnknownJob, "", id)
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Read);
        jobs.MapGet(
                "/{id:long}/stations/{station}",
                (long id, string station, int? thread, JobStore store, BenchBooks books, CancellationToken cancel) =>
                    Look(id, thread, store, books, job => BenchViews.Station(job, station), station, cancel)
            )
            .Produces<StationDetail>()
            .ProducesProblems()
            .For(Act.Read);
        jobs.MapGet(
                "/{id:long}/why/{cause}",
                (long id, string cause, int? thread, JobStore store, BenchBooks books, CancellationToken cancel) =>
                    Look(id, thread, store, books, job => BenchViews.Why(job, cause), cause, cancel)
            )
            .Produces<WhyView>()
            .ProducesProblems()
            .For(Act.Read);
        jobs.MapGet(
                "/{id:long}/readings",
                (long id, string words, int? thread, JobStore store, BenchBooks books, CancellationToken cancel) =>
                    Look(
                        id,
                        thread,
                        store,
                        books,
                        job => BenchViews.Readings(job, words.Length > MostTyped ? words[..MostTyped] : words),
                        words,
                        cancel
                    )
            )
            .Produces<List<ReadingView>>()
            .ProducesProblems()
            .For(Act.Read);
    }

    private static async Task<IResult> Look<T>(
        long id,
        int? thread,
        JobStore store,
        BenchBooks books,
        Func<JobCase, T?> look,
        string what,
        CancellationToken cancel
    )
        where T : class
    {
        if (await store.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded.Entries, thread ?? 0);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        return look(job.Value) is { } seen ? Results.Ok(seen) : ProblemResults.Of(ProblemCode.UnknownStep, "", what);
    }

    private static void MapWork(RouteGroupBuilder jobs)
    {
        jobs.MapPost(
                "/{id:long}/answers",
                (long id, AnswerRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) => BenchWork.Answer(job, r.Finding, r.Outcome, r.Quantity, NewId, r.CoveragePct, r.Slot)
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/repairs",
                (long id, MendRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => BenchWork.Mend(job, r.Repair, r.Minutes, r.Lot ?? "", NewId))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/corrections",
                (long id, CorrectRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, entries) => BenchWork.Correct(job.State, entries, r.Entry, r.Reason ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/overrides",
                (long id, OverrideRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => BenchWork.Override(job, r.Step, r.Reason ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
    }

    private static void MapThreads(RouteGroupBuilder jobs)
    {
        jobs.MapPost(
                "/{id:long}/threads",
                (long id, ThreadRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => Endings.Open(job, r.Complaint, r.Slot, r.Words ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/schools",
                (long id, JobSchoolRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => ShopKeeping.Choose(job.Book.Book, r.School, r.Option, forJob: true))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
    }

    private static void MapKeeping(RouteGroupBuilder jobs)
    {
        jobs.MapPost(
                "/{id:long}/tray",
                (long id, TrayPutRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => BenchKeeping.Put(job.State, r.Label ?? "", r.Change, r.Count, NewId()))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/tray/cleared",
                (long id, TrayClearRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) => BenchKeeping.Clear(job.State, r.Items ?? [], books.Shop.Graphs.GetValueOrDefault(job.Book.Model.Id))
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/clocks",
                (long id, ClockStartRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) => BenchKeeping.StartClock(job.State, r.Kind, r.Label ?? "", r.MinMinutes, r.MaxMinutes, NewId()),
                        harmless: true
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/clocks/stopped",
                (long id, ClockStopRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => BenchKeeping.StopClock(job.State, r.Clock), harmless: true)
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/notes",
                (long id, NoteRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (_, _) => BenchKeeping.Note(r.Text ?? ""), harmless: true)
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Speak);
        jobs.MapPost(
                "/{id:long}/waits",
                (long id, WaitRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => BenchKeeping.Wait(job.State, r.For, r.What ?? "", r.Until))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Speak);
        jobs.MapPost(
                "/{id:long}/consents",
                (long id, ConsentRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => BenchKeeping.Consent(job.State, r.What, r.By ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Speak);
        jobs.MapPost(
                "/{id:long}/place",
                (long id, PlaceRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => BenchKeeping.Place(r.Place, job.Book.Book.House.Places))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Speak);
    }

    private static void MapEndings(RouteGroupBuilder jobs)
    {
        jobs.MapPost(
                "/{id:long}/closing",
                (long id, CloseRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => Endings.Close(job, r.How, r.Reason ?? "", r.Cause ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        jobs.MapPost(
                "/{id:long}/hand-over",
                (long id, HandOverRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) => BenchKeeping.HandOver(job.State, r.To ?? "", r.Charge, job.Book.Book.House.Currency)
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.HandOver);
        jobs.MapGet(
                "/{id:long}/hand-over",
                async (long id, JobStore store, BenchBooks books, CancellationToken cancel) =>
                {
                    if (await store.Load(new JobId(id), cancel) is not { } loaded)
                        return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
                    var job = books.Case(loaded.Entries);
                    return job.IsGood ? Results.Ok(Papers.HandOver(loaded.Row, job.Value)) : ProblemResults.Of(job.Problems);
                }
            )
            .Produces<HandOverView>()
            .ProducesProblems()
            .For(Act.Read);
        jobs.MapGet(
                "/{id:long}/tag",
                async (long id, JobStore store, BenchBooks books, HttpContext http, CancellationToken cancel) =>
                {
                    if (await store.Load(new JobId(id), cancel) is not { } loaded)
                        return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
                    var job = books.Case(loaded.Entries);
                    var link = $"{http.Request.Scheme}://{http.Request.Host}/bench/{id}";
                    return job.IsGood ? Results.Ok(Papers.Tag(loaded.Row, job.Value, link)) : ProblemResults.Of(job.Problems);
                }
            )
            .Produces<TagView>()
            .ProducesProblems()
            .For(Act.Read);
    }
}
