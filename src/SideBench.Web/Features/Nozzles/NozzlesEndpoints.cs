using Microsoft.AspNetCore.Http.Features;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
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
            .MapGet(
                "",
                (BenchBooks books) =>
                    Results.Ok(
                        books
                            .Shop.Layouts.Values.OrderBy(l => l.Name, StringComparer.Ordinal)
                            .Select(l => new LayoutLine(
                                l.Id,
                                l.Name,
                                string.Join(", ", books.Shop.Models.Values.Where(m => m.Sheet?.Layout.Id == l.Id).Select(m => m.FullName))
                            ))
                            .ToList()
                    )
            )
            .Produces<List<LayoutLine>>()
            .For(Act.Read);
        layouts
            .MapGet(
                "/{id}",
                (string id, BenchBooks books) =>
                    books.Shop.Layouts.GetValueOrDefault(id) is { } layout
                        ? Results.Ok(SheetViews.Layout(layout, null))
                        : ProblemResults.Of(ProblemCode.UnknownLayout, "", id)
            )
            .Produces<LayoutView>()
            .ProducesProblems()
            .For(Act.Read);
        var sheets = routes.MapGroup("/jobs/{id:long}/sheets").WithTags("Nozzles");
        sheets
            .MapGet(
                "",
                (long id, string? sheet, string? against, JobStore jobs, EntryStore entries, BenchBooks books, CancellationToken cancel) =>
                    Show(id, sheet, against, jobs, entries, books, cancel)
            )
            .Produces<SheetsView>()
            .ProducesProblems()
            .For(Act.Read);
        sheets
            .MapPost(
                "/picture",
                (long id, Guid key, int seenVersion, int? thread, string? way, SheetDesk desk, HttpContext http) =>
                {
                    if (way is not null && !Ways.Contains(way))
                        return Task.FromResult(ProblemResults.Of(ProblemCode.UnknownWord, "/way", way, string.Join(", ", Ways)));
                    if (http.Request.ContentLength > PictureCodec.MostBytes)
                        return Task.FromResult(
                            ProblemResults.Of(
                                ProblemCode.PictureTooLarge,
                                "/image",
                                http.Request.ContentLength / 1024 / 1024,
                                PictureCodec.MostBytes / 1024 / 1024
                            )
                        );
                    http.Features.Get<IHttpMaxRequestBodySizeFeature>()?.MaxRequestBodySize = PictureCodec.MostBytes + 1024;
                    return desk.Picture(http, id, key, seenVersion, thread ?? 0, way ?? Ways[0]);
                }
            )
            .Produces<SheetTakenView>()
            .ProducesProblems()
            .For(Act.Bench);
        sheets
            .MapPost("/scan", (long id, ScanRequest r, SheetDesk desk, HttpContext http) => desk.Scan(http, id, r))
            .Produces<SheetTakenView>()
            .ProducesProblems()
            .For(Act.Bench);
        sheets
            .MapPost("/taps", (long id, TapsRequest r, SheetDesk desk, HttpContext http) => desk.Taps(http, id, r))
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        sheets
            .MapPost("/put-right", (long id, PutRightRequest r, SheetDesk desk, HttpContext http) => desk.PutRight(http, id, r))
            .Produces<BenchView>()
            .ProducesProblems()
            .For(Act.Bench);
        routes.MapGet("/jobs/{id:long}/pictures/{print}", Picture).WithTags("Nozzles").ProducesProblems().For(Act.Read);
    }

    private static async Task<IResult> Show(
        long id,
        string? sheet,
        string? against,
        JobStore jobs,
        EntryStore entries,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded.Entries);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        var life = SheetLife.Of(await entries.SheetsOfMachine(loaded.Row.Machine, cancel), job.Value.State, new JobId(id));
        if (sheet is not null && life.All(s => s.Sheet.Id != sheet))
            return ProblemResults.Of(ProblemCode.UnknownSheet, "", sheet);
        return Results.Ok(SheetViews.Of(loaded.Row, job.Value, life, sheet, against, thread => books.Case(loaded.Entries, thread).Value));
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
            loaded.Entries.Any(e => e.Body is EntryBody.PhotoTaken photo && photo.Picture == print)
            || (await entries.SheetsOfMachine(loaded.Row.Machine, cancel)).Any(e =>
                e.Body is EntryBody.SheetTaken taken && taken.Picture == print
            );
        if (!named || await pictures.Find(print, cancel) is not { } bytes)
            return ProblemResults.Of(ProblemCode.UnknownSheet, "", print);
        http.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return Results.Bytes(bytes, "image/jpeg");
    }
}
