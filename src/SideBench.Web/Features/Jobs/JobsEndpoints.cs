using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Jobs;

/// <summary>Work at the bench.</summary>
public static class JobsEndpoints
{
    private const int MostTyped = 200;

    /// <summary>Maps them.</summary>
    public static void MapJobs(this IEndpointRouteBuilder routes)
    {
        var jobs = routes.MapGroup("/jobs/{id:long}").WithTags("Jobs");
        MapReads(jobs);
        MapWork(jobs);
        MapKeeping(jobs);
        MapEndings(jobs);
    }

    /// <summary>A name for something on the tray, a clock or a guide that is followed.</summary>
    public static string NewId() => Guid.NewGuid().ToString("N")[..8];

    private static void MapReads(RouteGroupBuilder jobs)
    {
        jobs.MapGet(
                "",
                async (long id, int? thread, JobDesk desk, BenchBooks books, CancellationToken cancel) =>
                    (await desk.Look(id, thread, (loaded, job) => BenchViews.Of(loaded.Row, loaded.Entries, job, books), cancel)).ToResult()
            )
            .Produces<BenchView>()
            .Described("getJob", "The bench page of a job: one thread of it in full.")
            .For(Act.Read);
        jobs.MapGet(
                "/stations/{station}",
                async (long id, string station, int? thread, JobDesk desk, CancellationToken cancel) =>
                    (await desk.Look(id, thread, (_, job) => BenchViews.Station(job, station), cancel, station)).ToResult()
            )
            .Produces<StationDetail>()
            .Described("getStation", "One station of the machine: its causes, tests and repairs.")
            .For(Act.Read);
        jobs.MapGet(
                "/why/{cause}",
                async (long id, string cause, int? thread, JobDesk desk, CancellationToken cancel) =>
                    (await desk.Look(id, thread, (_, job) => BenchViews.Why(job, cause), cancel, cause)).ToResult()
            )
            .Produces<WhyView>()
            .Described("explainCause", "The arithmetic behind the odds of one cause.")
            .For(Act.Read);
        jobs.MapGet(
                "/readings",
                async (long id, string words, int? thread, JobDesk desk, CancellationToken cancel) =>
                    (
                        await desk.Look(
                            id,
                            thread,
                            (_, job) => BenchViews.Readings(job, words.Length > MostTyped ? words[..MostTyped] : words),
                            cancel,
                            words
                        )
                    ).ToResult()
            )
            .Produces<List<ReadingView>>()
            .Described("readTypedWords", "What a few typed words can mean as an answer, best first.")
            .For(Act.Read);
    }

    private static void MapWork(RouteGroupBuilder jobs)
    {
        jobs.MapJobWrite<AnswerRequest>(
            "/answers",
            Act.Bench,
            "answerFinding",
            "Tells what a finding showed.",
            (r, on) =>
                BenchWork.Answer(on.Job, r.Finding, r.Outcome, r.Quantity, NewId, r.CoveragePct, r.Slot, r.Before, r.Code ?? "", r.Shown)
        );
        jobs.MapJobWrite<MendRequest>(
            "/repairs",
            Act.Bench,
            "recordRepair",
            "Records that a repair was made.",
            (r, on) =>
                BenchWork.Mend(
                    on.Job,
                    r.Repair,
                    r.Minutes,
                    r.Lot ?? "",
                    NewId,
                    r.Slots,
                    new OldPart(r.Became?.Trim() ?? "", r.ReturnBy),
                    r.Shown
                )
        );
        jobs.MapJobWrite<CorrectRequest>(
            "/corrections",
            Act.Bench,
            "takeLineBack",
            "Takes an earlier line back: it stays on record and no longer counts.",
            (r, on) => BenchWork.Correct(on.Job.State, on.Entries, r.Entry, r.Reason ?? "")
        );
        jobs.MapJobWrite<OverrideRequest>(
            "/overrides",
            Act.Bench,
            "passGate",
            "Goes past a gate, with a reason.",
            (r, on) => BenchWork.Override(on.Job, r.Step, r.Reason ?? "")
        );
        jobs.MapJobWrite<ThreadRequest>(
            "/threads",
            Act.Bench,
            "openThread",
            "Opens a thread for another symptom, or the same at another place.",
            (r, on) => Endings.Open(on.Job, r.Complaint, r.Slot, r.Words ?? "")
        );
        jobs.MapJobWrite<JobSchoolRequest>(
            "/schools",
            Act.Bench,
            "chooseJobSchool",
            "Chooses a practice for this job alone.",
            (r, on) => ShopKeeping.Choose(on.Job.Book.Book, r.School, r.Option, forJob: true)
        );
    }

    private static void MapKeeping(RouteGroupBuilder jobs)
    {
        jobs.MapJobWrite<TrayPutRequest>(
            "/tray",
            Act.Bench,
            "putOnTray",
            "Puts something on the tray by hand.",
            (r, on) => BenchKeeping.Put(on.Job.State, r.Label ?? "", r.Change, r.Count, NewId())
        );
        jobs.MapJobWrite<ClockStartRequest>(
            "/clocks",
            Act.Bench,
            "startClock",
            "Starts a clock.",
            (r, on) => BenchKeeping.StartClock(on.Job.State, r.Kind, r.Label ?? "", r.MinMinutes, r.MaxMinutes, NewId()),
            harmless: true
        );
        jobs.MapJobWrite<ClockStopRequest>(
            "/clocks/stopped",
            Act.Bench,
            "endClock",
            "Ends a clock.",
            (r, on) => on.Over(on.Guards(r.Clock), r.WaitOver, BenchKeeping.StopClock(on.Job.State, r.Clock)),
            harmless: true
        );
        jobs.MapJobWrite<NoteRequest>(
            "/notes",
            Act.Speak,
            "writeNote",
            "Writes a note.",
            (r, _) => BenchKeeping.Note(r.Text ?? ""),
            harmless: true
        );
        jobs.MapJobWrite<WaitRequest>(
            "/waits",
            Act.Speak,
            "setWait",
            "Says what the job waits for: parts, the customer, or hands.",
            (r, on) => BenchKeeping.Wait(on.Job.State, r.For, r.What ?? "", r.Until, on.Books.Now)
        );
        jobs.MapJobWrite<ConsentRequest>(
            "/consents",
            Act.Speak,
            "recordConsent",
            "Records that the customer agreed to something.",
            (r, on) => BenchKeeping.Consent(on.Job.State, r.What, r.By ?? "")
        );
        jobs.MapJobWrite<PlaceRequest>(
            "/place",
            Act.Speak,
            "setPlace",
            "Moves the machine to a place on the bench, or off it.",
            (r, on) => BenchKeeping.Place(r.Place, on.Job.Book.Book.House.Places)
        );
    }

    private static void MapEndings(RouteGroupBuilder jobs)
    {
        jobs.MapJobWrite<CloseRequest>(
            "/closing",
            Act.Bench,
            "closeThread",
            "Ends a thread; the last one ends the job.",
            (r, on) =>
            {
                var lines = Endings.Close(on.Job, r.How, r.Reason ?? "", r.Cause ?? "");
                return on.Over(lines.IsGood && lines.Value.Any(l => l is Closed) ? on.Guards() : [], r.WaitOver, lines);
            }
        );
        jobs.MapJobWrite<HandOverRequest>(
            "/hand-over",
            Act.HandOver,
            "handOver",
            "Hands the machine back to its customer.",
            (r, on) => BenchKeeping.HandOver(on.Job.State, r.To ?? "", r.Charge, on.Job.Book.Book.House.Currency)
        );
        jobs.MapGet(
                "/hand-over",
                async (long id, JobDesk desk, BenchBooks books, CancellationToken cancel) =>
                    (await desk.Look(id, null, (loaded, job) => Papers.HandOver(loaded.Row, job, books), cancel)).ToResult()
            )
            .Produces<HandOverView>()
            .Described("getHandOverSheet", "The sheet that goes home with the machine.")
            .For(Act.Read);
        jobs.MapGet(
                "/tag",
                async (long id, JobDesk desk, HttpContext http, CancellationToken cancel) =>
                    (
                        await desk.Look(
                            id,
                            null,
                            (loaded, job) => Papers.Tag(loaded.Row, job, $"{http.Request.Scheme}://{http.Request.Host}/bench/{id}"),
                            cancel
                        )
                    ).ToResult()
            )
            .Produces<TagView>()
            .Described("getTag", "The tag that is tied to the machine, with a code that a phone reads.")
            .For(Act.Read);
    }
}
