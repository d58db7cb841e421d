using Microsoft.AspNetCore.Http.Features;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Data.Jobs;
using SideBench.Devices.Pictures;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Shelf;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Ink;

/// <summary>Ink and chips of a job.</summary>
public static class InkEndpoints
{
    private const int MostPages = 1_000_000;
    private const double LeastSize = 0.05;
    private const double MostSize = 200;
    private const int MostSide = 1200;

    /// <summary>Maps them.</summary>
    public static void MapInk(this IEndpointRouteBuilder routes)
    {
        var ink = routes.MapGroup("/jobs/{id:long}/ink").WithTags("Ink");
        ink.MapGet("", (long id, JobStore jobs, BenchBooks books, CancellationToken cancel) => Page(id, jobs, books, InkViews.Of, cancel))
            .Produces<InkView>()
            .Described("getInk", "What is really in the slots of a job's machine, what is due, and the visit that does it.")
            .For(Act.Read);
        ink.MapGet(
                "/slots/{slot:int}",
                (long id, int slot, JobStore jobs, BenchBooks books, CancellationToken cancel) =>
                    Page(id, jobs, books, (row, job, shop, now) => SlotLives.Of(job, slot, shop, now), cancel)
            )
            .Produces<SlotLifeView>()
            .Described("getSlotLife", "The life of what is fitted in a slot: both witnesses, and the estimate over time.")
            .For(Act.Read);
        ink.MapGet("/slots/{slot:int}/scale", Weigh)
            .Produces<ScaleView>()
            .Described("askScale", "What lies on the scale, once it rests. Nothing is written.")
            .For(Act.Bench);
        ink.MapGet("/run", Run)
            .Produces<InkRunView>()
            .Described("checkRun", "Whether the ink lasts so many pages: which slot stops it, and what to add.")
            .For(Act.Read);
        ink.MapGet("/number", Number)
            .Produces<CartridgeAnswerView>()
            .Described("lookUpCartridge", "What a number on a cartridge says: right, of another region, slot or model, or unknown.")
            .For(Act.Read);
        ink.MapPost("/cover", Cover)
            .Produces<IReadOnlyList<CoverView>>()
            .Described("measureCover", "How much of each channel a page takes, measured from its picture. Nothing is kept.")
            .For(Act.Read);
        MapWrites(ink);
    }

    private static void MapWrites(RouteGroupBuilder ink)
    {
        ink.MapJobWrite<ChipsRequest>(
            "/chips",
            Act.Bench,
            "readChips",
            "Counts were read off the panel.",
            (r, on) => Keeping(on).ReadChips(Figures(r.Slots))
        );
        ink.MapJobWrite<WeighedRequest>(
            "/weighed",
            Act.Bench,
            "weighSlots",
            "Cartridges were weighed, in g.",
            (r, on) => Keeping(on).Weigh(Figures(r.Slots))
        );
        ink.MapJobWrite<FilledRequest>(
            "/filled",
            Act.Bench,
            "fillSlots",
            "Slots were filled, to full or by ml.",
            (r, on) => Keeping(on).Fill(Figures(r.Slots))
        );
        ink.MapJobWrite<ResetRequest>(
            "/resets",
            Act.Bench,
            "resetChips",
            "A reset of counts was tried.",
            (r, on) => Keeping(on).Reset(r.Tool, Figures(r.Slots), r.Tries, r.Worked, r.Despite)
        );
        ink.MapJobWrite<FittedRequest>(
            "/fitted",
            Act.Bench,
            "fitCartridge",
            "A cartridge went in.",
            (r, on) =>
                Keeping(on)
                    .Fit(
                        new FittedPiece(
                            r.Slot,
                            r.Type,
                            r.Ml,
                            r.ChipPct,
                            r.Number,
                            r.Lot,
                            r.Seller,
                            r.ReturnBy,
                            r.Became,
                            r.Bought,
                            r.Purged
                        )
                    )
        );
        ink.MapJobWrite<ResetSessionRequest>(
            "/session",
            Act.Bench,
            "doResetSession",
            "All slots of a visit one after the other: counts, fills, tries, lamps.",
            (r, on) =>
                Keeping(on)
                    .Session(
                        r.Slots is null
                            ? null
                            :
                            [
                                .. r.Slots.Select(s => new SessionSlot(
                                    s.Slot,
                                    s.Before,
                                    s.Full,
                                    s.Ml,
                                    s.Tries,
                                    s.Lamp ?? "",
                                    s.Reset,
                                    s.After
                                )),
                            ],
                        r.Despite
                    )
        );
        ink.MapJobWrite<InkVisitRequest>(
            "/visit",
            Act.Bench,
            "doInkVisit",
            "The visit that is due was done as planned.",
            (r, on) => Keeping(on).Visit(InkViews.VisitOf(on.Job, Numbers(on.Books), on.Books.Now))
        );
    }

    private static InkNumbers Numbers(BenchBooks books) => books.Shop.Numbers.Of<InkNumbers>();

    private static InkKeeping Keeping(OnJob on) => new(on.Job.Book.Model, on.Job.State, Numbers(on.Books), on.Books.Now, HasTool(on.Books));

    // A shelf that never told of tools says nothing of them.
    private static bool HasTool(BenchBooks books)
    {
        var tools = books.State.Stock.Where(i => i.Came.StockKind == books.Shop.Numbers.Of<ShelfNumbers>().ToolKind).ToList();
        return tools.Count == 0 || tools.Any(t => t.IsLeft);
    }

    private static IReadOnlyList<SlotAmount>? Figures(IReadOnlyList<SlotFigure>? slots) =>
        slots is null ? null : [.. slots.Select(s => new SlotAmount(s.Slot, s.Amount, s.After))];

    private static async Task<IResult> Page<T>(
        long id,
        JobStore jobs,
        BenchBooks books,
        Func<JobRow, JobCase, Packs.Shop, DateTimeOffset, Outcome<T>> view,
        CancellationToken cancel
    )
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded, 0);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        var said = view(loaded.Row, job.Value, books.Shop, books.Now);
        return said.IsGood ? Results.Ok(said.Value) : ProblemResults.Of(said.Problems);
    }

    private static async Task<IResult> Weigh(long id, int slot, JobStore jobs, BenchBooks books, ScaleDesk scale, CancellationToken cancel)
    {
        if (await jobs.Load(new JobId(id), cancel) is not { } loaded)
            return ProblemResults.Of(ProblemCode.UnknownJob, "", id);
        var job = books.Case(loaded, 0);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        var numbers = books.Shop.Numbers.Of<InkNumbers>();
        var slots = SlotOnMachine.All(job.Value.Book.Model, job.Value.State, numbers, books.Now);
        return slots.FirstOrDefault(s => s.Slot.Panel == slot) is { } on
            ? (await scale.Weigh(job.Value, on, numbers, cancel)).ToResult()
            : ProblemResults.Of(ProblemCode.OutOfRange, "/slot", slot, 1, slots.Count);
    }

    private static async Task<IResult> Cover(long id, HttpRequest request, JobStore jobs, BenchBooks books, CancellationToken cancel)
    {
        request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>()?.MaxRequestBodySize = PictureCodec.MostBytes + 1024;
        using var bytes = new MemoryStream();
        await request.Body.CopyToAsync(bytes, cancel);
        var picture = PictureCodec.Read(bytes.ToArray());
        return picture.IsGood
            ? await Page<IReadOnlyList<CoverView>>(
                id,
                jobs,
                books,
                (_, job, shop, _) =>
                    (List<CoverView>)
                        [
                            .. PageCover
                                .Of(Small(picture.Value), job.Book.Model, shop.Numbers.Of<InkNumbers>().Split)
                                .Select(c => new CoverView(c.Slot.Panel, c.Slot.Ink, c.Pct)),
                        ],
                cancel
            )
            : ProblemResults.Of(picture.Problems);
    }

    // A page is measured by its tones: more pixels than this tell no more.
    private static PixelImage Small(PixelImage page) => page.Shrunk(Math.Max(1, Math.Max(page.Width, page.Height) / MostSide));

    private static Task<IResult> Run(
        long id,
        int? pages,
        double? cover,
        double? size,
        string? covers,
        JobStore jobs,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        var problems = new List<Problem>();
        Guard.Range(problems, pages ?? 0, "/pages", 1, MostPages);
        var each = InkRuns.Covers(problems, covers);
        if (each is null)
            Guard.Range(problems, cover ?? 0, "/cover", LeastSize, 100);
        Guard.Range(problems, size ?? 1, "/size", LeastSize, MostSize);
        return problems.Count > 0
            ? Task.FromResult(ProblemResults.Of(problems))
            : Page(
                id,
                jobs,
                books,
                (_, job, shop, now) =>
                    InkRuns.Of(
                        job,
                        shop.Numbers.Of<InkNumbers>(),
                        now,
                        pages!.Value,
                        slot => each is null ? cover!.Value : each.GetValueOrDefault(slot),
                        size ?? 1
                    ),
                cancel
            );
    }

    private static async Task<IResult> Number(
        long id,
        string? number,
        int? slot,
        string? lot,
        JobStore jobs,
        BenchBooks books,
        ShelfDesk shelf,
        CancellationToken cancel
    )
    {
        var lots = string.IsNullOrWhiteSpace(lot) ? [] : await shelf.Lots(lot, cancel);
        var problems = new List<Problem>();
        Guard.Text(problems, number, "/number", Guard.LongestName, needed: true);
        return problems.Count > 0
            ? ProblemResults.Of(problems)
            : await Page<CartridgeAnswerView>(
                id,
                jobs,
                books,
                (_, job, shop, _) =>
                {
                    var region = shop.Numbers.Of<InkNumbers>().Region;
                    var said = CartridgeAnswer.Of(shop.Models.Values, job.Book.Model, region, slot ?? 0, number!).OfLot(lot ?? "", lots);
                    return new CartridgeAnswerView(StoredWord.Of(said.Fit), said.Slot, said.Says);
                },
                cancel
            );
    }
}
