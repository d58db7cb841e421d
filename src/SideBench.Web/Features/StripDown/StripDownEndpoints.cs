using Microsoft.AspNetCore.Http.Features;
using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Core.StripDown;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Pictures;
using SideBench.Data.Record;
using SideBench.Devices.Pictures;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.StripDown;

/// <summary>Opening up: the way in, the tray, the way back, and guides.</summary>
public static class StripDownEndpoints
{
    private const int PhotoQuality = 82;
    private const int PhotoSide = 1600;

    /// <summary>Maps them.</summary>
    public static void MapStripDown(this IEndpointRouteBuilder routes)
    {
        var opening = routes.MapGroup("/jobs/{id:long}/opening").WithTags("StripDown");
        opening.MapGet("", Show).Produces<OpeningView>().ProducesProblems().For(Act.Read);
        MapHands(opening);
        MapPieces(opening);
        MapFollowing(routes.MapGroup("/jobs/{id:long}/guides").WithTags("StripDown"));
        routes.MapGet("/guides/steps/{guide}", Paper).WithTags("StripDown").Produces<GuidePageView>().ProducesProblems().For(Act.Read);
        routes
            .MapGet("/machines/{id:long}/parts", Parts)
            .WithTags("StripDown")
            .Produces<List<PartLifeView>>()
            .ProducesProblems()
            .For(Act.Read);
    }

    private static string NewId() => Guid.NewGuid().ToString("N")[..8];

    // Each of these refuses by itself what another person did meanwhile, and says who: so they are written whatever version was seen.
    private static void MapHands(RouteGroupBuilder opening)
    {
        opening
            .MapPost(
                "/aim",
                (long id, AimRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) =>
                            r.Parts is { } parts
                                ? On(job, books, graph => OpeningWork.Aim(job.State, graph, parts))
                                : new Problem(ProblemCode.Missing, "/parts")
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        opening
            .MapPost(
                "/off",
                (long id, TakeOffRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) => On(job, books, graph => OpeningWork.TakeOff(job, graph, r.Removal ?? "", r.Count, NewId())),
                        harmless: true
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        opening
            .MapPost(
                "/would-not",
                (long id, WouldNotRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) => On(job, books, graph => OpeningWork.WouldNot(job.State, graph, r.Removal ?? "", r.What ?? "")),
                        harmless: true
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        opening
            .MapPost(
                "/back",
                (long id, PutBackRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) => OpeningWork.PutBack(job.State, GraphOf(job, books), r.Item ?? "", r.Count),
                        harmless: true
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
    }

    private static void MapPieces(RouteGroupBuilder opening)
    {
        opening
            .MapPost(
                "/lost",
                (long id, LostRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) =>
                            On(job, books, graph => OpeningWork.Lose(job.State, graph, r.Removal ?? "", r.Count, r.Before, r.Reason ?? ""))
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        opening
            .MapPost(
                "/replaced",
                (long id, ReplacedRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => OpeningWork.Replace(job.State, r.Removal ?? "", r.Count, r.From ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        opening
            .MapPost(
                "/stays-off",
                (long id, StaysOffRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => OpeningWork.LeaveOff(job.State, r.Item ?? "", r.Reason ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        opening
            .MapPost(
                "/renewed",
                (long id, RenewedRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) =>
                            On(
                                job,
                                books,
                                graph =>
                                    OpeningWork.Renew(
                                        job.State,
                                        graph,
                                        new EntryBody.PartRenewed(
                                            r.Part ?? "",
                                            "",
                                            r.Number ?? "",
                                            r.Lot ?? "",
                                            r.Price,
                                            r.OldFate ?? "",
                                            r.ReturnBy,
                                            r.WarrantyEnd,
                                            r.Keeps ?? ""
                                        ),
                                        books.Today,
                                        NewId()
                                    )
                            )
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        opening.MapPost("/photo", Photo).Produces<BenchView>().ProducesProblems().For(Act.Bench);
    }

    private static void MapFollowing(RouteGroupBuilder guides)
    {
        guides
            .MapPost(
                "/begin",
                (long id, GuideBeginRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) =>
                            Guide(job, books, r.Guide) is { } guide
                                ? GuideWork.Begin(job.State, job.Book.Model, guide, r.Slot > 0 ? r.Slot : job.Thread.Slot, NewId())
                                : new Problem(ProblemCode.UnknownGuide, "/guide", r.Guide)
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        guides
            .MapPost(
                "/tick",
                (long id, GuideTickRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) =>
                            GuideWork.Tick(
                                job,
                                GraphOf(job, books),
                                new StepTold(r.Run ?? "", r.Step ?? "", r.Outcome ?? "", r.Value, r.Words ?? ""),
                                NewId
                            ),
                        harmless: true
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        guides
            .MapPost(
                "/take-over",
                (long id, GuideTakeOverRequest r, JobDesk desk, BenchBooks books, HttpContext http) =>
                    desk.Write(
                        http,
                        id,
                        r,
                        (job, _) =>
                            Guide(job, books, job.State.Opening.Runs.FirstOrDefault(run => run.Id == r.Run)?.Begun.Guide) is { } guide
                                ? GuideWork.Renew(job.State, job.Book.Model, guide, r.Run ?? "")
                                : new Problem(ProblemCode.UnknownRun, "/run", r.Run)
                    )
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        guides
            .MapPost(
                "/end",
                (long id, GuideEndRequest r, JobDesk desk, HttpContext http) =>
                    desk.Write(http, id, r, (job, _) => GuideWork.End(job.State, r.Run ?? "", r.Reason ?? ""))
            )
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
    }

    private static Guide? Guide(JobCase job, BenchBooks books, string? id) =>
        books.Shop.GuidesFor(job.Book.Model).FirstOrDefault(g => g.Id == id);

    private static AccessGraph? GraphOf(JobCase job, BenchBooks books) => books.Shop.Graphs.GetValueOrDefault(job.Book.Model.Id);

    private static Outcome<IReadOnlyList<EntryBody>> On(
        JobCase job,
        BenchBooks books,
        Func<AccessGraph, Outcome<IReadOnlyList<EntryBody>>> rule
    ) => GraphOf(job, books) is { } graph ? rule(graph) : new Problem(ProblemCode.NoGraph, "", job.Book.Model.FullName);

    private static async Task<IResult> Show(
        long id,
        int? thread,
        string? run,
        JobStore jobs,
        EntryStore entries,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded.Entries, thread ?? 0);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        if (GraphOf(job.Value, books) is not { } graph)
            return ProblemResults.Of(ProblemCode.NoGraph, "", job.Value.Book.Model.FullName);
        var life = await entries.OfMachine(loaded.Row.Machine, PartLife.Kinds, cancel);
        return Results.Ok(OpeningViews.Of(loaded.Row, job.Value, books.Shop, graph, PartLife.Due(life, graph, books.Now), run));
    }

    private static async Task<IResult> Photo(
        long id,
        Guid key,
        int seenVersion,
        string? of,
        string? label,
        JobStore jobs,
        PictureStore pictures,
        JobDesk desk,
        BenchBooks books,
        HttpContext http
    )
    {
        var cancel = http.RequestAborted;
        if (http.Request.ContentLength > PictureCodec.MostBytes)
            return ProblemResults.Of(
                ProblemCode.PictureTooLarge,
                "/image",
                http.Request.ContentLength / 1024 / 1024,
                PictureCodec.MostBytes / 1024 / 1024
            );
        http.Features.Get<IHttpMaxRequestBodySizeFeature>()?.MaxRequestBodySize = PictureCodec.MostBytes + 1024;
        if (await jobs.Load(new JobId(id), cancel) is null)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, cancel);
        var image = PictureCodec.Read(bytes.ToArray());
        if (!image.IsGood)
            return ProblemResults.Of(image.Problems);
        var small = image.Value.Shrunk(Math.Max(1, Math.Max(image.Value.Width, image.Value.Height) / PhotoSide));
        var print = await pictures.Keep(PictureCodec.Jpeg(small, PhotoQuality), small.Width, small.Height, books.Now, cancel);
        return await desk.Write(
            http,
            id,
            new PhotoRequest(key, seenVersion, of ?? "", label ?? "", print),
            (job, _) => OpeningWork.Photo(job.State, print, of ?? "", label ?? ""),
            harmless: true
        );
    }

    private static IResult Paper(string guide, string? model, BenchBooks books)
    {
        var shop = books.Shop;
        if (shop.Guides.FirstOrDefault(g => g.Id == guide) is not { } known)
            return ProblemResults.Of(ProblemCode.UnknownGuide, "", guide);
        var machine = shop
            .Models.Values.Where(m => shop.GuidesFor(m).Contains(known))
            .OrderBy(m => m.FullName, StringComparer.Ordinal)
            .FirstOrDefault(m => model is null || m.Id == model);
        return machine is not null && shop.Graphs.GetValueOrDefault(machine.Id) is { } graph
            ? Results.Ok(OpeningViews.Paper(known, shop, machine, graph))
            : ProblemResults.Of(ProblemCode.UnknownGuide, "", guide);
    }

    private static async Task<IResult> Parts(long id, MachineStore machines, EntryStore entries, BenchBooks books, CancellationToken cancel)
    {
        if (await machines.Find(new MachineId(id), cancel) is not { } machine)
            return ProblemResults.Of(ProblemCode.UnknownMachine, "", id);
        var life = PartLife.Of(
            await entries.OfMachine(machine.Id, PartLife.Kinds, cancel),
            books.Shop.Graphs.GetValueOrDefault(machine.ModelId)
        );
        return Results.Ok(
            life.Select(l => new PartLifeView(
                    l.Part,
                    l.Name,
                    l.Times,
                    l.LastOff,
                    l.By,
                    l.Job?.Value,
                    l.LastBack,
                    l.Renewed?.At,
                    l.Renewed is { } r ? string.Join(" lot ", new[] { r.Line.Number, r.Line.Lot }.Where(t => t.Length > 0)) : "",
                    l.Renewed?.Line.OldFate ?? "",
                    l.Renewed?.Line.ReturnBy,
                    l.Renewed?.Line.WarrantyEnd
                ))
                .ToList()
        );
    }
}
