using Microsoft.AspNetCore.Http.Features;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Pictures;
using SideBench.Data.Record;
using SideBench.Devices.Pictures;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.StripDown;

/// <summary>Opening up: the way in, the tray, the way back, and guides.</summary>
/// <remarks>
/// Most of these refuse by themselves what another person did meanwhile, and say who: so they are written whatever version was seen.
/// </remarks>
public static class StripDownEndpoints
{
    private const int PhotoQuality = 82;
    private const int PhotoSide = 1600;
    private const int MostPhotos = 200;
    private static readonly Dictionary<string, HowTold> HowWords = Enum.GetValues<HowTold>().ToDictionary(StoredWord.Of);

    /// <summary>Maps them.</summary>
    public static void MapStripDown(this IEndpointRouteBuilder routes)
    {
        var job = routes.MapGroup("/jobs/{id:long}").WithTags("StripDown");
        job.MapGet("/opening", Show)
            .Produces<OpeningView>()
            .Described("getOpening", "How far the machine is open: the way in, the tray, the way back, guides.")
            .For(Act.Read);
        MapHands(job);
        MapPieces(job);
        MapFollowing(job);
        MapChanges(job);
        routes
            .MapGet("/guides/steps/{guide}", Paper)
            .WithTags("StripDown")
            .Produces<GuidePageView>()
            .Described("getGuide", "A guide on paper, for one model.")
            .For(Act.Read);
        routes
            .MapGet("/guides/template/{model}", Template)
            .WithTags("StripDown")
            .Produces<DrawingView>()
            .Described("getTemplate", "Where the tube of an outside bottle goes through the wall of a model, for a template at full size.")
            .For(Act.Read);
        routes
            .MapGet("/models/{model}/photos", Photos)
            .WithTags("StripDown")
            .Produces<List<PartPhotoView>>()
            .Described("getPartPhotos", "Photos of a model's parts as they were taken on jobs, the latest first.")
            .For(Act.Read);
        routes
            .MapGet("/machines/{id:long}/parts", Parts)
            .WithTags("StripDown")
            .Produces<List<PartLifeView>>()
            .Described("getMachineParts", "What the record says of a machine's parts: off, back, renewed.")
            .For(Act.Read);
    }

    private static IResult Template(string model, BenchBooks books) =>
        books.Shop.Models.GetValueOrDefault(model) is { Waste.Hole: { } hole } of
            ? Results.Ok(new DrawingView("hole", of.Id, of.FullName, [], hole))
            : ProblemResults.Of(StripDownProblem.NoHole, "/model", model);

    // Of a screw, a cable or the part itself: it shows the part.
    private static async Task<IResult> Photos(string model, EntryStore entries, BenchBooks books, CancellationToken cancel)
    {
        if (!books.Shop.Graphs.TryGetValue(model, out var graph))
            return ProblemResults.Of(ProblemCode.UnknownModel, "", model);
        var parts = graph.Parts.SelectMany(p => Removals.Of(p).Select(r => (r.Id, Part: p.Id))).ToDictionary(r => r.Id, r => r.Part);
        return Results.Ok(
            (await entries.PhotosOf(model, MostPhotos, cancel))
                .Select(line => (line, Photo: (PhotoTaken)line.Entry.Body))
                .Where(l => parts.ContainsKey(l.Photo.Of) && l.line.Entry.Job is not null)
                .Select(l => new PartPhotoView(
                    parts[l.Photo.Of],
                    l.line.Entry.Job!.Value.Value,
                    l.Photo.Picture,
                    l.Photo.Label,
                    l.line.Serial,
                    l.line.Entry.At
                ))
                .ToList()
        );
    }

    private static void MapHands(RouteGroupBuilder job)
    {
        job.MapOpening<AimRequest>(
            "/opening/aim",
            "aimAtParts",
            "Chooses parts to reach.",
            (r, on, graph) =>
                r.Parts is { } parts ? OpeningWork.Aim(on.Job.State, graph, parts) : new Problem(ProblemCode.Missing, "/parts"),
            harmless: false
        );
        job.MapOpening<TakeOffRequest>(
            "/opening/off",
            "takeOff",
            "Takes something off, or loosens, opens or unplugs it.",
            (r, on, graph) => OpeningWork.TakeOff(on.Job, graph, r.Removal ?? "", r.Count, JobsEndpoints.NewId())
        );
        job.MapOpening<WouldNotRequest>(
            "/opening/would-not",
            "tellWouldNot",
            "Notes that something would not move.",
            (r, on, graph) => OpeningWork.WouldNot(on.Job.State, graph, r.Removal ?? "", r.What ?? "")
        );
        job.MapJobWrite<PutBackRequest>(
            "/opening/back",
            Act.Bench,
            "putBack",
            "Puts something back, or shuts, plugs or tightens it.",
            (r, on) =>
                on.Over(
                    Drying(on, r.Item ?? ""),
                    r.WaitOver,
                    OpeningWork.PutBack(on.Job.State, OpeningMaps.GraphOf(on), r.Item ?? "", r.Count)
                ),
            harmless: true
        );
        job.MapJobWrite<TrayClearRequest>(
            "/tray/cleared",
            Act.Bench,
            "clearTray",
            "Takes things off the tray: they are back, shut or out again.",
            (r, on) =>
                on.Over(Drying(on, [.. r.Items ?? []]), r.WaitOver, OpeningWork.Clear(on.Job.State, r.Items ?? [], OpeningMaps.GraphOf(on)))
        );
    }

    // What is wet is not said to be dry while its wait runs.
    private static IReadOnlyList<Clock> Drying(OnJob on, params IReadOnlyList<string> items) =>
        on.Job.State.Tray.Any(i => items.Contains(i.Id) && i.Marks.Any(TrayMarks.Drying.Contains)) ? on.Guards() : [];

    private static void MapPieces(RouteGroupBuilder job)
    {
        job.MapOpening<LostRequest>(
            "/opening/lost",
            "tellPieceLost",
            "Tells that pieces were lost, or were missing already.",
            (r, on, graph) => OpeningWork.Lose(on.Job.State, graph, r.Removal ?? "", r.Count, r.Before, r.Reason ?? ""),
            harmless: false
        );
        job.MapJobWrite<ReplacedRequest>(
            "/opening/replaced",
            Act.Bench,
            "replacePiece",
            "Replaces lost pieces from stock.",
            (r, on) => OpeningWork.Replace(on.Job.State, r.Removal ?? "", r.Count, r.From ?? "")
        );
        job.MapJobWrite<StaysOffRequest>(
            "/opening/stays-off",
            Act.Bench,
            "leaveOff",
            "Leaves a part off, with a reason.",
            (r, on) => OpeningWork.LeaveOff(on.Job.State, r.Item ?? "", r.Reason ?? "")
        );
        job.MapOpening<RenewedRequest>(
            "/opening/renewed",
            "renewPart",
            "Renews a part; an old one that goes back starts a clock.",
            (r, on, graph) =>
                OpeningWork.Renew(
                    on.Job.State,
                    graph,
                    new PartRenewed(
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
                    on.Books.Today,
                    JobsEndpoints.NewId()
                ),
            harmless: false
        );
        job.MapPost("/opening/photo", Photo)
            .Produces<BenchView>()
            .Described("takePhoto", "Puts a photo on record; its bytes are the body.")
            .For(Act.Bench);
    }

    private static void MapChanges(RouteGroupBuilder job)
    {
        job.MapJobWrite<ChangeToldRequest>(
            "/changes/told",
            Act.Bench,
            "tellChange",
            "Tells that the machine has a lasting change, found or made.",
            (r, on) =>
                ChangeWork.Tell(
                    on.Job.State,
                    on.Books.Shop.Models[on.Job.Book.Model.Id],
                    on.Books.Shop.Changes,
                    r.Change ?? "",
                    r.Reason ?? ""
                )
        );
        job.MapJobWrite<ChangeUndoneRequest>(
            "/changes/undone",
            Act.Bench,
            "undoChange",
            "Tells that a lasting change was undone.",
            (r, on) => ChangeWork.Undo(on.Job.State, on.Books.Shop.Changes, r.Change ?? "", r.Reason ?? "")
        );
    }

    private static void MapFollowing(RouteGroupBuilder job)
    {
        job.MapJobWrite<GuideBeginRequest>(
            "/guides/begin",
            Act.Bench,
            "beginGuide",
            "Begins a guide; its steps are kept with the job.",
            (r, on) =>
                Guide(on, r.Guide) is { } guide
                    ? GuideWork.Begin(
                        on.Job.State,
                        on.Job.Book.Model,
                        guide,
                        r.Slot > 0 ? r.Slot : on.Job.Thread.Slot,
                        JobsEndpoints.NewId()
                    )
                    : new Problem(StripDownProblem.UnknownGuide, "/guide", r.Guide)
        );
        job.MapJobWrite<GuideTickRequest>(
            "/guides/tick",
            Act.Bench,
            "tickStep",
            "Ticks a step of a guide, skips it, or says what went wrong.",
            (r, on) =>
                on.Over(
                    GuideWork.Drying(on.Job.State, r.Run ?? "", r.Step ?? "", r.Outcome ?? "") ? on.Guards() : [],
                    r.WaitOver,
                    GuideWork.Tick(
                        on.Job,
                        OpeningMaps.GraphOf(on),
                        new StepTold(r.Run ?? "", r.Step ?? "", r.Outcome ?? "", r.Value, r.Words ?? "", r.Does ?? "") { Shown = r.Shown },
                        JobsEndpoints.NewId
                    )
                ),
            harmless: true,
            byTheWay: HowTold.Guide
        );
        job.MapJobWrite<GuideTakeOverRequest>(
            "/guides/take-over",
            Act.Bench,
            "takeGuideOver",
            "Takes a guide over as it is now; steps done keep their ticks.",
            (r, on) =>
                Guide(on, on.Job.State.Opening.Runs.FirstOrDefault(run => run.Id == r.Run)?.Begun.Guide) is { } guide
                    ? GuideWork.Renew(on.Job.State, on.Job.Book.Model, guide, r.Run ?? "")
                    : new Problem(StripDownProblem.UnknownRun, "/run", r.Run)
        );
        job.MapJobWrite<GuideEndRequest>(
            "/guides/end",
            Act.Bench,
            "endGuide",
            "Ends a guide: done when all its steps are, else given up with a reason.",
            (r, on) => GuideWork.End(on.Job.State, r.Run ?? "", r.Reason ?? "")
        );
    }

    private static Guide? Guide(Writing.OnJob on, string? id) => on.Books.Shop.GuidesFor(on.Job.Book.Model).FirstOrDefault(g => g.Id == id);

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
        var job = books.Case(loaded, thread ?? 0);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        if (books.Shop.Graphs.GetValueOrDefault(job.Value.Book.Model.Id) is not { } graph)
            return ProblemResults.Of(StripDownProblem.NoGraph, "", job.Value.Book.Model.FullName);
        var life = await entries.OfMachine(loaded.Row.Machine, PartLife.Kinds, cancel);
        return Results.Ok(OpeningViews.Of(loaded, job.Value, books, graph, PartLife.Due(life, graph, books.Now), run));
    }

    private static async Task<IResult> Photo(
        long id,
        Guid key,
        int seenVersion,
        string? of,
        string? label,
        string? howTold,
        JobStore jobs,
        PictureStore pictures,
        JobDesk desk,
        PictureTurn turn,
        BenchBooks books,
        HttpContext http
    )
    {
        var cancel = http.RequestAborted;
        if (!string.IsNullOrEmpty(howTold) && !HowWords.ContainsKey(howTold))
            return ProblemResults.Of(ProblemCode.UnknownWord, "/howTold", howTold, string.Join(", ", HowWords.Keys));
        if (http.Request.ContentLength > PictureCodec.MostBytes)
            return ProblemResults.Of(
                ProblemCode.PictureTooLarge,
                "/image",
                http.Request.ContentLength / 1024 / 1024,
                PictureCodec.MostBytes / 1024 / 1024
            );
        http.Features.Get<IHttpMaxRequestBodySizeFeature>()?.MaxRequestBodySize = PictureCodec.MostBytes + 1024;
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        using var bytes = new MemoryStream();
        await http.Request.Body.CopyToAsync(bytes, cancel);
        var photo = await turn.Take(() => Small(bytes.ToArray()), cancel);
        if (!photo.IsGood)
            return ProblemResults.Of(photo.Problems);
        var (jpeg, width, height) = photo.Value;
        // What is refused leaves no picture behind.
        var first = books.Case(loaded);
        var said = first.IsGood ? OpeningWork.Photo(first.Value.State, PictureStore.Fingerprint(jpeg), of ?? "", label ?? "") : null;
        if (key == Guid.Empty || said is null or { IsGood: false })
            return ProblemResults.Of(said?.Problems is { Count: > 0 } refused ? refused : [new Problem(ProblemCode.Missing, "/key")]);
        var print = await pictures.Keep(jpeg, width, height, books.Now, cancel);
        var request = new PhotoRequest(key, seenVersion, of ?? "", label ?? "", print)
        {
            HowTold = string.IsNullOrEmpty(howTold) ? null : HowWords[howTold],
        };
        return (
            await desk.Write(http, id, request, on => OpeningWork.Photo(on.Job.State, print, of ?? "", label ?? ""), harmless: true)
        ).ToResult();
    }

    private static Outcome<(byte[] Jpeg, int Width, int Height)> Small(byte[] bytes)
    {
        var image = PictureCodec.Read(bytes);
        if (!image.IsGood)
            return image.Problems.ToList();
        var small = image.Value.Shrunk(Math.Max(1, Math.Max(image.Value.Width, image.Value.Height) / PhotoSide));
        return (PictureCodec.Jpeg(small, PhotoQuality), small.Width, small.Height);
    }

    private static IResult Paper(string guide, string? model, BenchBooks books)
    {
        var shop = books.Shop;
        if (shop.Guides.FirstOrDefault(g => g.Id == guide) is not { } known)
            return ProblemResults.Of(StripDownProblem.UnknownGuide, "", guide);
        var machine = shop.MachinesFor(known)
            .OrderBy(m => m.FullName, StringComparer.Ordinal)
            .FirstOrDefault(m => model is null || m.Id == model);
        return machine is not null && shop.Graphs.GetValueOrDefault(machine.Id) is { } graph
            ? Results.Ok(OpeningViews.Paper(known, books, machine, graph))
            : ProblemResults.Of(StripDownProblem.UnknownGuide, "", guide);
    }

    private static async Task<IResult> Parts(long id, MachineStore machines, EntryStore entries, BenchBooks books, CancellationToken cancel)
    {
        if (await machines.Find(new MachineId(id), cancel) is not { } machine)
            return ProblemResults.Of(ProblemCode.UnknownMachine, "", id);
        var life = PartLife.Of(
            await entries.OfMachine(machine.Id, PartLife.Kinds, cancel),
            books.Shop.Graphs.GetValueOrDefault(machine.ModelId)
        );
        return Results.Ok(life.Select(View).ToList());
    }

    private static PartLifeView View(PartLife life)
    {
        var renewed = life.Renewed?.Line;
        return new PartLifeView(
            life.Part,
            life.Name,
            life.Times,
            life.LastOff,
            life.By,
            life.Job?.Value,
            life.LastBack,
            life.Renewed?.At,
            renewed is null ? "" : string.Join(" lot ", new[] { renewed.Number, renewed.Lot }.Where(t => t.Length > 0)),
            renewed?.OldFate ?? "",
            renewed?.ReturnBy,
            renewed?.WarrantyEnd
        );
    }
}
