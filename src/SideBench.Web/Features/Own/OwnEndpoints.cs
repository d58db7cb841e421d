using Microsoft.AspNetCore.Http.Features;
using SideBench.Core.Identity;
using SideBench.Core.Nozzles;
using SideBench.Core.Nozzles.Teaching;
using SideBench.Core.Outcomes;
using SideBench.Devices.Pictures;
using SideBench.Packs;
using SideBench.Web.Features.Nozzles;
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
                        System.Text.Encoding.UTF8.GetBytes(OwnPackFiles.Bundle(OwnKeeping.FilesOf(books.Own, model))),
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
        models.MapShopWrite<ImportRequest>("/import", Act.KeepBook, "importModels", "Takes models in.", (r, b, _) => Keeping(b).Import(r));
        models
            .MapPost("/import/look", (ImportRequest request, BenchBooks books) => Keeping(books).Look(request).ToResult())
            .Produces<ImportLook>()
            .Described("lookAtModels", "What a file of models would change; nothing is written.")
            .For(Act.KeepBook);
        models
            .MapPost("/sheets/look", LookAtSheet)
            .DisableAntiforgery()
            .Produces<TaughtSheetView>()
            .Described("teachSheet", "What a picture of a good sheet teaches; nothing is written.")
            .For(Act.Bench);
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
        var taught = await turn.Take(
            () =>
                PictureCodec.Read(file) is { IsGood: true } image
                    ? LayoutTeacher.Teach(image.Value, with, numbers.Teach, numbers.Pattern)
                    : PictureCodec.Read(file).Problems.ToList(),
            cancel
        );
        if (!taught.IsGood)
            return ProblemResults.Of(taught.Problems);
        var layout = taught.Value.Layout;
        return Results.Ok(
            new TaughtSheetView(
                LayoutWriter.Write(layout, "Taught from a picture of a good sheet."),
                [.. layout.Units.Select(u => u.Id)],
                [.. layout.Units.Select(u => u.Nozzles)],
                taught.Value.Doubts,
                taught.Value.Asks
            )
        );
    }
}
