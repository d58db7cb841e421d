using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Web.Features.Jobs;
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
        ink.MapGet("/run", Run)
            .Produces<InkRunView>()
            .Described("checkRun", "Whether the ink lasts so many pages: which slot stops it, and what to add.")
            .For(Act.Read);
        ink.MapGet("/number", Number)
            .Produces<CartridgeAnswerView>()
            .Described("lookUpCartridge", "What a number on a cartridge says: right, of another region, slot or model, or unknown.")
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
                Keeping(on).Fit(new FittedPiece(r.Slot, r.Type, r.Ml, r.ChipPct, r.Number, r.Lot, r.Seller, r.ReturnBy, r.Became, r.Bought))
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

    private static InkKeeping Keeping(OnJob on) => new(on.Job.Book.Model, on.Job.State, Numbers(on.Books), on.Books.Now);

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

    private static Task<IResult> Run(
        long id,
        int? pages,
        double? cover,
        double? size,
        JobStore jobs,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        var problems = new List<Problem>();
        Guard.Range(problems, pages ?? 0, "/pages", 1, MostPages);
        Guard.Range(problems, cover ?? 0, "/cover", LeastSize, 100);
        Guard.Range(problems, size ?? 1, "/size", LeastSize, MostSize);
        return problems.Count > 0
            ? Task.FromResult(ProblemResults.Of(problems))
            : Page(
                id,
                jobs,
                books,
                (_, job, shop, now) => InkRuns.Of(job, shop.Numbers.Of<InkNumbers>(), now, pages!.Value, cover!.Value, size ?? 1),
                cancel
            );
    }

    private static Task<IResult> Number(long id, string? number, int? slot, JobStore jobs, BenchBooks books, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, number, "/number", Guard.LongestName, needed: true);
        return problems.Count > 0
            ? Task.FromResult(ProblemResults.Of(problems))
            : Page<CartridgeAnswerView>(
                id,
                jobs,
                books,
                (_, job, shop, _) =>
                {
                    var region = shop.Numbers.Of<InkNumbers>().Region;
                    var said = CartridgeAnswer.Of(shop.Models.Values, job.Book.Model, region, slot ?? 0, number!);
                    return new CartridgeAnswerView(StoredWord.Of(said.Fit), said.Slot, said.Says);
                },
                cancel
            );
    }
}
