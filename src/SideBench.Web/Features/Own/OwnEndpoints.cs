using Microsoft.AspNetCore.Http.Features;
using SideBench.Core.Identity;
using SideBench.Core.Nozzles;
using SideBench.Core.Nozzles.Teaching;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Devices.Pictures;
using SideBench.Packs;
using SideBench.Web.Features.Practice;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Own;

/// <summary>Machines of the shop's own: a kind first, then what is taught, passed on and taken in.</summary>
public static class OwnEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapOwn(this IEndpointRouteBuilder routes)
    {
        var models = routes.MapGroup("/models").WithTags("Own");
        models
            .MapGet("", (BenchBooks books) => Results.Ok(OwnViews.All(books)))
            .Produces<ModelsView>()
            .Described("getModels", "All models, the shop's own marked, and what is asked of a kind that nobody has seen.")
            .For(Act.Read);
        models
            .MapGet(
                "/{model}",
                (string model, BenchBooks books) =>
                    books.Shop.Models.TryGetValue(model, out var known)
                        ? Results.Ok(OwnViews.One(books, known))
                        : ProblemResults.Of([new Problem(ProblemCode.UnknownModel, "", model)])
            )
            .Produces<ModelPageView>()
            .Described("getModel", "All that a model holds, and what of it is still a family default.")
            .For(Act.Read);
        models
            .MapGet(
                "/export",
                (string? model, BenchBooks books) =>
                    Results.File(
                        System.Text.Encoding.UTF8.GetBytes(OwnPackFiles.Bundle(OwnFiles.FilesOf(books.Own, model))),
                        "application/json",
                        $"{model ?? "models"}.json"
                    )
            )
            .Described("exportModels", "Own models as one file: one of them, or all.")
            .For(Act.Read);
        models.MapShopWrite<KindRequest>(
            "",
            Act.Bench,
            "makeModel",
            "Makes a model of a kind nobody has seen.",
            (r, b, _) => Keeping(b).Make(r)
        );
        models.MapShopWrite<OursRequest>(
            "/ours",
            Act.KeepBook,
            "makeModelOurs",
            "A model of a pack becomes the shop's own, or goes back to what the pack has.",
            (r, b, _) => Keeping(b).Ours(r)
        );
        models.MapShopWrite<FigureRequest>(
            "/figures",
            Act.Bench,
            "tellFigure",
            "A figure, told or measured.",
            (r, b, _) => Keeping(b).Figure(r)
        );
        models.MapShopWrite<AboutRequest>(
            "/about",
            Act.KeepBook,
            "tellModel",
            "What is told of a model.",
            (r, b, _) => Keeping(b).About(r)
        );
        models
            .MapGet("/{model}/parts", (string model, BenchBooks books) => new OwnPartKeeping(books).Show(model).ToResult())
            .Produces<ModelPartsView>()
            .Described(
                "getModelParts",
                "The parts of a model's file with their rules: what can be fitted, its store, its head, its operations."
            )
            .For(Act.Read);
        models.MapShopWrite<ModelPartRequest>(
            "/parts",
            Act.KeepBook,
            "tellModelPart",
            "A part of a model's file becomes another.",
            (r, b, _) => new OwnPartKeeping(b).Put(r)
        );
        models
            .MapPost("/parts/look", (ModelPartRequest request, BenchBooks books) => new OwnPartKeeping(books).Look(request).ToResult())
            .Produces<ModelPartLook>()
            .Described("lookAtModelPart", "Whether a part fits, and what would change; nothing is written.")
            .For(Act.KeepBook);
        models.MapShopWrite<CodeRequest>(
            "/codes",
            Act.Bench,
            "teachCode",
            "A code with the panel's words.",
            (r, b, _) => Keeping(b).Code(r)
        );
        models.MapShopWrite<OpeningTaughtRequest>(
            "/openings",
            Act.Bench,
            "teachOpening",
            "What came off, in order.",
            (r, b, _) => Keeping(b).Opening(r)
        );
        models.MapShopWrite<SheetTaughtRequest>(
            "/sheets",
            Act.Bench,
            "keepSheet",
            "A layout for a model.",
            (r, b, _) => Keeping(b).Sheet(r)
        );
        models.MapShopWrite<ImportRequest>(
            "/import",
            Act.KeepBook,
            "importModels",
            "Takes models in.",
            (r, b, _) => new OwnImport(b).Import(r)
        );
        models
            .MapGet(
                "/{model}/measured",
                async (string model, EntryStore entries, BenchBooks books, CancellationToken cancel) =>
                    books.Shop.Models.TryGetValue(model, out var known)
                        ? Results.Ok(OwnViews.Measured(books, known, await new OwnMeasured(entries, books).Open(known, cancel)))
                        : ProblemResults.Of([new Problem(ProblemCode.UnknownModel, "", model)])
            )
            .Produces<MeasuredListView>()
            .Described("getMeasured", "What the record of a model's machines measured by the way, and is not in its figures yet.")
            .For(Act.Read);
        models
            .MapGet("/{model}/opened", Opened)
            .Produces<OpenedView>()
            .Described("getOpened", "What came off on a job, in order, as an opening can be taught from it.")
            .For(Act.Read);
        models
            .MapPost("/measured", TakeMeasured)
            .Produces<ShopView>()
            .Described("takeMeasured", "Measurements of the record go into a model's figures.")
            .For(Act.Bench);
        models
            .MapPost("/import/look", (ImportRequest request, BenchBooks books) => new OwnImport(books).Look(request).ToResult())
            .Produces<ImportLook>()
            .Described("lookAtModels", "What a file of models would change; nothing is written.")
            .For(Act.KeepBook);
        models
            .MapPost("/sheets/look", LookAtSheet)
            .Produces<TaughtSheetView>()
            .Described("teachSheet", "What a picture of a good sheet teaches; nothing is written.")
            .For(Act.Bench);
    }

    private static async Task<IResult> Opened(string model, long? job, JobStore jobs, BenchBooks books, CancellationToken cancel)
    {
        if (!books.Shop.Graphs.TryGetValue(model, out var graph))
            return ProblemResults.Of([new Problem(ProblemCode.UnknownModel, "", model)]);
        if (await jobs.Load(new JobId(job ?? 0), cancel) is not { } loaded || loaded.Row.ModelId != model)
            return ProblemResults.Of([new Problem(ProblemCode.UnknownJob, "/job", job ?? 0)]);
        var (lines, numbers) = (TakenBack.Without(loaded.Entries).ToList(), books.Shop.Numbers.Of<OwnNumbers>());
        var parts = OpeningSeen.Of(lines, graph, numbers);
        var back = OpeningSeen.Back(lines, graph, numbers).Select(id => parts.First(p => p.Id == id).Name);
        return Results.Ok(new OpenedView(loaded.Row.Tag, [.. parts.Select(OwnViews.Off)], [.. back]));
    }

    private static async Task<IResult> TakeMeasured(
        MeasuredRequest r,
        EntryStore entries,
        ShopDesk desk,
        BenchBooks books,
        HttpContext http
    )
    {
        var open = books.Shop.Models.TryGetValue(r.Model ?? "", out var model)
            ? await new OwnMeasured(entries, books).Open(model, http.RequestAborted)
            : [];
        return (await desk.Write(http, r, _ => Keeping(books).Measured(r, [.. open.Select(f => f.Measure)]))).ToResult();
    }

    private static OwnKeeping Keeping(BenchBooks books) => new(books);

    // The picture is the body; nothing of it is kept.
    private static async Task<IResult> LookAtSheet(
        HttpContext http,
        string? model,
        string? names,
        BenchBooks books,
        PictureTurn turn,
        CancellationToken cancel
    )
    {
        if (!books.Shop.Models.TryGetValue(model ?? "", out var known))
            return ProblemResults.Of([new Problem(ProblemCode.UnknownModel, "/model", model)]);
        using var bytes = new MemoryStream();
        http.Features.Get<IHttpMaxRequestBodySizeFeature>()?.MaxRequestBodySize = PictureCodec.MostBytes + 1024;
        await http.Request.Body.CopyToAsync(bytes, cancel);
        var file = bytes.ToArray();
        var numbers = books.Shop.Numbers.Of<SheetNumbers>();
        string[] told = [.. (names ?? "").Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)];
        var with = new TeachWith($"{known.Id}-sheet", $"{known.FullName} nozzle sheet", told, PictureResolution.Dpi(file), null);
        var view = await turn.Take<Outcome<TaughtSheetView>>(
            () =>
            {
                var image = PictureCodec.Read(file);
                if (!image.IsGood)
                    return image.Problems.ToList();
                var taught = LayoutTeacher.Teach(image.Value, with, numbers.Teach, numbers.Pattern);
                return taught.IsGood ? OwnViews.Taught(taught.Value, image.Value) : taught.Problems.ToList();
            },
            cancel
        );
        return view.ToResult();
    }
}
