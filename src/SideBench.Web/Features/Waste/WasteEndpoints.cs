using System.Globalization;
using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using SideBench.Data.Record;
using SideBench.Devices.ResetService;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Practice;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Waste;

/// <summary>Waste of a job's machine, and of all machines.</summary>
public static class WasteEndpoints
{
    private const double LeastYears = 0.25;
    private const double MostYears = 20;
    private const double UsualYears = 3;

    /// <summary>Maps them.</summary>
    public static void MapWaste(this IEndpointRouteBuilder routes)
    {
        var waste = routes.MapGroup("/jobs/{id:long}/waste").WithTags("Waste");
        waste
            .MapGet("", Show)
            .Produces<WasteView>()
            .Described("getWaste", "What the waste counter says and what the store holds, the gate of a reset, and ways to go on.")
            .For(Act.Read);
        waste
            .MapGet("/due.ics", Calendar)
            .Produces<string>(200, "text/calendar")
            .Described("getWasteDue", "The day on which the machine's waste is to be seen to, for a calendar.")
            .For(Act.Read);
        waste
            .MapPost("/told", WasteWrites.Tell)
            .Produces<BenchView>()
            .Described("tellStore", "A waste store was weighed, renewed, washed or emptied, or a bottle fitted or looked at.")
            .For(Act.Bench);
        waste
            .MapPost("/resets", WasteWrites.Reset)
            .Produces<BenchView>()
            .Described("resetCounter", "The waste counter was reset and read back. A key is spent on the shelf first.")
            .For(Act.Bench);
        waste
            .MapPost("/service", Service)
            .Produces<ServiceView>()
            .Described("askResetService", "A service program reads the counter, sets it anew and reads it back. Nothing is written.")
            .For(Act.Bench);
        waste.MapJobWrite<HandedInRequest>(
            "/handed-in",
            Act.Bench,
            "handInWaste",
            "Waste was handed in by local rules.",
            (r, on) => Keeping(on).HandIn(r.What, r.Kg, r.Where)
        );
        MapShop(routes.MapGroup("/waste").WithTags("Waste"));
    }

    private static void MapShop(RouteGroupBuilder shop)
    {
        shop.MapGet("", async (WasteDesk desk, CancellationToken cancel) => Results.Ok(await desk.Show(cancel)))
            .Produces<WasteShopView>()
            .Described("listWaste", "Waste of the shop: machines by which is next, boxes, keys, pads, what was handed in.")
            .For(Act.Read);
        shop.MapGet("/handed-in.csv", HandedIn)
            .Produces<string>(200, "text/csv")
            .Described("getHandedIn", "All that was handed in, as a table.")
            .For(Act.Read);
        shop.MapPost(
                "/boxes",
                Box<BoxCameRequest>(
                    (r, boxes, books, numbers) => boxes.Come(r.Tag, Model(books, r.Fits), r.TareG, r.Grams, r.Note, numbers)
                )
            )
            .Produces<ShopView>()
            .Described("tagBox", "A waste box, tank or cartridge got a tag.")
            .For(Act.Bench);
        shop.MapPost(
                "/boxes/told",
                Box<BoxToldRequest>((r, boxes, books, numbers) => boxes.Tell(r.Box, r.What, r.Amount, r.Note, numbers, books.Shop.Models))
            )
            .Produces<ShopView>()
            .Described("tellBox", "A waste box was weighed, washed, tried or got new pads, out of its machine.")
            .For(Act.Bench);
        shop.MapShopWrite<LocalRulesRequest>(
            "/local-rules",
            Act.KeepBook,
            "setLocalRules",
            "The line of the shop's own council about waste ink, pads and boxes.",
            (r, _, _) => WasteKeeping.Rules(r.Line)
        );
    }

    private static MachineModel? Model(BenchBooks books, string? id) => books.Shop.Models.GetValueOrDefault(id ?? "");

    // Where boxes stand is told by lines of machines too: they are read before the shop is written to.
    private static Func<T, WasteDesk, ShopDesk, BenchBooks, HttpContext, Task<IResult>> Box<T>(
        Func<T, WasteBoxes, BenchBooks, WasteNumbers, Outcome<IReadOnlyList<EntryBody>>> rule
    )
        where T : class, IShopWrite =>
        async (T request, WasteDesk waste, ShopDesk desk, BenchBooks books, HttpContext http) =>
        {
            var boxes = await waste.Boxes(0, http.RequestAborted);
            return (await desk.Write(http, request, _ => rule(request, boxes, books, books.Shop.Numbers.Of<WasteNumbers>()))).ToResult();
        };

    private static async Task<IResult> HandedIn(WasteDesk desk, CancellationToken cancel)
    {
        var lines = (await desk.HandedIn(cancel)).Select(l =>
        {
            var body = (WasteHandedIn)l.Entry.Body;
            string[] fields =
            [
                l.Entry.At.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                body.What,
                body.Kg.ToString(CultureInfo.InvariantCulture),
                body.Where,
                l.Serial,
                l.Entry.PersonName,
            ];
            return string.Join(',', fields.Select(RecordFiles.Field));
        });
        return Results.Text(string.Join("\r\n", lines.Prepend("day,what,kg,where,machine,person")) + "\r\n", "text/csv; charset=utf-8");
    }

    private static WasteKeeping Keeping(OnJob on) =>
        new(on.Job.Book.Model, on.Job.State, on.Books.Shop.Numbers.Of<WasteNumbers>(), on.Books.Now);

    private static async Task<IResult> Show(
        long id,
        double? years,
        JobDesk desk,
        WasteDesk waste,
        BenchBooks books,
        CancellationToken cancel
    )
    {
        var problems = new List<Problem>();
        Guard.Range(problems, years ?? UsualYears, "/years", LeastYears, MostYears);
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        var boxes = await waste.Boxes(0, cancel);
        return (
            await desk.Look(
                id,
                null,
                (loaded, job) => WasteViews.Of(loaded.Row, job, books, years ?? UsualYears, boxes with { Here = loaded.Row.Machine.Value }),
                cancel
            )
        ).ToResult();
    }

    private static async Task<IResult> Calendar(long id, JobDesk desk, BenchBooks books, CancellationToken cancel)
    {
        var numbers = books.Shop.Numbers.Of<WasteNumbers>();
        var looked = await desk.Look(
            id,
            null,
            (loaded, job) =>
                new
                {
                    loaded.Row.Serial,
                    Model = job.Book.Model.FullName,
                    Due = StoreOnMachine.Of(job.Book.Model, job.State.Machine, numbers, books.Now) is { } store
                        ? WasteDue.Of(store, books.Now)
                        : null,
                },
            cancel
        );
        if (!looked.IsGood)
            return ProblemResults.Of(looked.Problems);
        if (looked.Value is not { Due: { } due } machine)
            return ProblemResults.Of(WasteProblem.NothingDue, "");
        var entry = new CalendarEntry($"waste-{machine.Serial}", $"Waste of {machine.Model}, {machine.Serial}", due.Says, due.On, true);
        var file = CalendarFile.Of([entry], books.Now);
        return Results.Text(file, "text/calendar; charset=utf-8");
    }

    // Only the made-up shop has one: a real one has no stand-in, and types what its program showed.
    private static async Task<IResult> Service(
        long id,
        ServiceRequest request,
        JobDesk desk,
        StandIns standIns,
        IResetService service,
        HttpContext http
    )
    {
        var problems = new List<Problem>();
        Guard.Range(problems, request.Count ?? double.NaN, "/count", 0, WasteKeeping.MostCount);
        Guard.Range(problems, request.To ?? 0, "/to", 0, WasteKeeping.MostCount);
        if (problems.Count > 0)
            return ProblemResults.Of(problems);
        var model = await desk.Look(id, null, (_, job) => job.Book.Model, http.RequestAborted);
        if (!model.IsGood)
            return ProblemResults.Of(model.Problems);
        if (!await standIns.MayTakePart(http.RequestAborted))
            return ProblemResults.Of(ResetServiceProblem.Away, "");
        var read = service.Reset(model.Value.FullName, request.Count!.Value, request.To ?? 0);
        return read.IsGood
            ? Results.Ok(new ServiceView(read.Value.BeforePct, read.Value.AfterPct, true))
            : ProblemResults.Of(read.Problems);
    }
}
