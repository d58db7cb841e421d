using Microsoft.AspNetCore.Http.Features;
using SideBench.Core.Identity;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Data.Jobs;
using SideBench.Data.Pictures;
using SideBench.Data.Record;
using SideBench.Devices.Pictures;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Nozzles;

/// <summary>Nozzle sheets: taken, shown, put right, and their layouts on paper.</summary>
public static class NozzlesEndpoints
{
    private static readonly string[] Ways = ["file", "camera", "paste"];

    /// <summary>Maps them.</summary>
    public static void MapNozzles(this IEndpointRouteBuilder routes)
    {
        var layouts = routes.MapGroup("/layouts").WithTags("Nozzles");
        layouts
            .MapGet("", (BenchBooks books) => Results.Ok(Lines(books)))
            .Produces<List<LayoutLine>>()
            .Described("listLayouts", "All layouts of nozzle sheets, with the models that print them.")
            .For(Act.Read);
        layouts
            .MapGet(
                "/{id}",
                (string id, BenchBooks books) =>
                    books.Shop.Layouts.GetValueOrDefault(id) is { } layout
                        ? Results.Ok(SheetViews.Layout(layout, null))
                        : ProblemResults.Of(NozzlesProblem.UnknownLayout, "", id)
            )
            .Produces<LayoutView>()
            .Described("getLayout", "One layout, for drawing and for paper.")
            .For(Act.Read);
        var job = routes.MapGroup("/jobs/{id:long}").WithTags("Nozzles");
        job.MapGet("/sheets", Show)
            .Produces<SheetsView>()
            .Described("getSheets", "The nozzle sheets of a job's machine, one of them in full.")
            .For(Act.Read);
        job.MapPost("/sheets/picture", Send)
            .Produces<SheetTakenView>()
            .Described("takeSheetPicture", "Reads a picture of a nozzle sheet and puts it on record; its bytes are the body.")
            .For(Act.Bench);
        job.MapPost(
                "/sheets/scan",
                async (long id, ScanRequest r, SheetDesk desk, HttpContext http) => (await desk.Scan(http, id, r)).ToResult()
            )
            .Produces<SheetTakenView>()
            .Described("scanSheet", "Lets a scanner that stands ready take the picture.")
            .For(Act.Bench);
        job.MapPost(
                "/sheets/taps",
                async (long id, TapsRequest r, SheetDesk desk, HttpContext http) => (await desk.Taps(http, id, r)).ToResult()
            )
            .Produces<BenchView>()
            .Described("tapSheet", "Puts a nozzle sheet on record as it was tapped.")
            .For(Act.Bench);
        job.MapPost(
                "/sheets/put-right",
                async (long id, PutRightRequest r, SheetDesk desk, HttpContext http) => (await desk.PutRight(http, id, r)).ToResult()
            )
            .Produces<BenchView>()
            .Described("putSheetRight", "Puts a reading right; what was read stays on record.")
            .For(Act.Bench);
        job.MapGet("/pictures/{print}", Picture)
            .Produces<byte[]>(200, "image/jpeg")
            .Described("getPicture", "A picture that the machine's record names.")
            .For(Act.Read);
    }

    private static List<LayoutLine> Lines(BenchBooks books) =>
        [
            .. books
                .Shop.Layouts.Values.OrderBy(l => l.Name, StringComparer.Ordinal)
                .Select(l => new LayoutLine(
                    l.Id,
                    l.Name,
                    string.Join(", ", books.Shop.Models.Values.Where(m => m.Sheet?.Layout.Id == l.Id).Select(m => m.FullName))
                )),
        ];

    private static async Task<IResult> Send(long id, Guid key, int seenVersion, int? thread, string? way, SheetDesk desk, HttpContext http)
    {
        if (way is not null && !Ways.Contains(way))
            return ProblemResults.Of(ProblemCode.UnknownWord, "/way", way, string.Join(", ", Ways));
        if (http.Request.ContentLength > PictureCodec.MostBytes)
            return ProblemResults.Of(
                ProblemCode.PictureTooLarge,
                "/image",
                http.Request.ContentLength / 1024 / 1024,
                PictureCodec.MostBytes / 1024 / 1024
            );
        http.Features.Get<IHttpMaxRequestBodySizeFeature>()?.MaxRequestBodySize = PictureCodec.MostBytes + 1024;
        return (await desk.Picture(http, id, key, seenVersion, thread ?? 0, way ?? Ways[0])).ToResult();
    }

    private static async Task<IResult> Show(
        long id,
        string? sheet,
        string? against,
        JobStore jobs,
        EntryStore entries,
        BenchBooks books,
        StandIns standIns,
        CancellationToken cancel
    )
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        var life = SheetLife.Of(await entries.SheetsOfMachine(loaded.Row.Machine, cancel), job.Value.State, new JobId(id));
        if (sheet is not null && life.All(s => s.Sheet.Id != sheet))
            return ProblemResults.Of(NozzlesProblem.UnknownSheet, "", sheet);
        return Results.Ok(
            SheetViews.Of(
                loaded.Row,
                job.Value,
                new SheetPage(life, sheet, against, await standIns.Scanners(cancel), books.Shop.Numbers.Of<SheetNumbers>()),
                thread => books.Case(loaded, thread).Value
            )
        );
    }

    // A picture is shown to whoever may see a job of a machine whose record names it.
    private static async Task<IResult> Picture(
        long id,
        string print,
        JobStore jobs,
        EntryStore entries,
        PictureStore pictures,
        HttpContext http,
        CancellationToken cancel
    )
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var named =
            loaded.Entries.Any(e => e.Body.NamedPicture == print)
            || (await entries.SheetsOfMachine(loaded.Row.Machine, cancel)).Any(e => e.Body.NamedPicture == print);
        if (!named || await pictures.Find(print, cancel) is not { } bytes)
            return ProblemResults.Of(NozzlesProblem.UnknownSheet, "", print);
        http.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return Results.Bytes(bytes, "image/jpeg");
    }
}
