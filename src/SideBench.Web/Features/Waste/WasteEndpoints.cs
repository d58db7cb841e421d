using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Core.Waste;
using SideBench.Data.Jobs;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Devices.ResetService;
using SideBench.Web.Features.Jobs;
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
    private const int MostMachines = 200;

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
            .MapPost("/told", Tell)
            .Produces<BenchView>()
            .Described("tellStore", "A waste store was weighed, renewed, washed or emptied, or a bottle fitted or looked at.")
            .For(Act.Bench);
        waste
            .MapPost("/resets", Reset)
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
        routes
            .MapGet("/waste", All)
            .WithTags("Waste")
            .Produces<IReadOnlyList<WasteRowView>>()
            .Described("listWaste", "Machines whose waste store was ever told of, by which is next.")
            .For(Act.Read);
    }

    private static WasteKeeping Keeping(OnJob on) =>
        new(on.Job.Book.Model, on.Job.State, on.Books.Shop.Numbers.Of<WasteNumbers>(), on.Books.Now);

    private static async Task<IResult> Show(long id, double? years, JobDesk desk, BenchBooks books, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        Guard.Range(problems, years ?? UsualYears, "/years", LeastYears, MostYears);
        return problems.Count > 0
            ? ProblemResults.Of(problems)
            : (await desk.Look(id, null, (loaded, job) => WasteViews.Of(loaded.Row, job, books, years ?? UsualYears), cancel)).ToResult();
    }

    private static async Task<IResult> Calendar(long id, JobDesk desk, BenchBooks books, CancellationToken cancel)
    {
        var view = await desk.Look(
            id,
            null,
            (loaded, job) => new { loaded.Row.Serial, Waste = WasteViews.Of(loaded.Row, job, books, UsualYears) },
            cancel
        );
        if (!view.IsGood)
            return ProblemResults.Of(view.Problems);
        var (serial, waste) = (view.Value.Serial, view.Value.Waste);
        // What has to be early is told by its early end.
        var days = new[] { waste.Bottle?.EmptyEarliest, waste.StoreFull?.Early, waste.CounterFull?.Early }
            .OfType<DateTimeOffset>()
            .ToList();
        if (days.Count == 0)
            return ProblemResults.Of(WasteProblem.NothingDue, "");
        var day = DateOnly.FromDateTime(days.Min().UtcDateTime);
        var file = DueCalendar.Of(
            $"waste-{serial}-{day:yyyyMMdd}@side-bench",
            day,
            $"Waste of {waste.Model}, {serial}",
            waste.Says,
            books.Now
        );
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

    // A box that is in another machine by its record cannot be in this one too.
    private static async Task<IResult> Tell(
        long id,
        StoreToldRequest request,
        JobStore jobs,
        EntryStore entries,
        JobDesk desk,
        HttpContext http
    )
    {
        var elsewhere = "";
        if (!string.IsNullOrWhiteSpace(request.Box) && await jobs.Load(new JobId(id), http.RequestAborted) is { } loaded)
        {
            var told = await entries.OfKinds([StoreTold.Form.Name], http.RequestAborted);
            elsewhere =
                told.Where(l => ((StoreTold)l.Entry.Body).Box.Length > 0)
                    .GroupBy(l => l.Machine)
                    .Select(g => g.Last())
                    .FirstOrDefault(l =>
                        l.Machine != loaded.Row.Machine.Value && StockItem.Same(((StoreTold)l.Entry.Body).Box, request.Box)
                    )
                    ?.Serial
                ?? "";
        }

        return (
            await desk.Write(http, id, request, on => Keeping(on).Tell(request.What, request.Amount, request.Box, request.Note, elsewhere))
        ).ToResult();
    }

    // A key is spent under the lock of the shelf, so that no two benches spend one use; the reset follows under the same key of the write.
    private static async Task<IResult> Reset(
        long id,
        CounterResetRequest r,
        JobStore jobs,
        JobDesk desk,
        WriteDesk writes,
        BenchBooks books,
        HttpContext http
    )
    {
        var told = new ResetTold(r.Way, r.Before, r.After, r.KeyItem, r.Despite, r.Told, r.System);
        if (r is not { Way: "key", KeyItem: { } item } || await jobs.Load(new JobId(id), http.RequestAborted) is not { } loaded)
            return (await desk.Write(http, id, r, on => Keeping(on).Reset(told, books.State.Stock))).ToResult();
        var job = books.Case(loaded, r.Thread);
        if (!job.IsGood)
            return ProblemResults.Of(job.Problems);
        // What would be refused spends nothing; what was written already is not asked again.
        var spent = books.State.Stock.Any(i => i.Id == item && i.Spent.Any(s => s.What.Why == SpentFor(r.Key)));
        if (!spent && loaded.Row.Version != r.SeenVersion)
            return (await desk.Write(http, id, r, on => Keeping(on).Reset(told, books.State.Stock))).ToResult();
        var numbers = books.Shop.Numbers.Of<WasteNumbers>();
        var rule = new WasteKeeping(job.Value.Book.Model, job.Value.State, numbers, books.Now).Reset(told, books.State.Stock);
        if (!spent && !rule.IsGood)
            return ProblemResults.Of(rule.Problems);
        if (!spent)
        {
            var went = new StockWent(item, 1, "used", loaded.Row.Serial, SpentFor(r.Key));
            var write = Asked.WriteOf(http, KeyOf(r.Key), new KeySpend(item, loaded.Row.Serial), books.Now);
            var key = await writes.OnShop(
                new Asked(write, books.Version),
                lines => new StockKeeping(StockItem.Of(TakenBack.Without(lines)), books.Shop.Numbers.Of<ShelfNumbers>()).Go(went),
                http.RequestAborted
            );
            if (!key.IsGood)
                return ProblemResults.Of(key.Problems);
        }

        return (await desk.Write(http, id, r, on => Keeping(on).Reset(told with { KeyItem = item }, Kept(books, item)))).ToResult();
    }

    private sealed record KeySpend(long Item, string Serial);

    private static string SpentFor(Guid key) => $"waste counter, write {key:N}";

    // The key is spent by now: for the rule it still counts as there, once.
    private static IReadOnlyList<StockItem> Kept(BenchBooks books, long item) =>
        [.. books.State.Stock.Select(i => i.Id == item ? i with { Left = Math.Max(1, i.Left) } : i)];

    private static Guid KeyOf(Guid key)
    {
        var bytes = key.ToByteArray();
        bytes[^1] ^= 0x5b;
        return new Guid(bytes);
    }

    private static async Task<IResult> All(EntryStore entries, MachineStore machines, BenchBooks books, CancellationToken cancel)
    {
        var told = await entries.OfKinds([StoreTold.Form.Name, CounterReset.Form.Name], cancel);
        var rows = new List<WasteRowView>();
        foreach (var one in told.GroupBy(l => l.Machine).Select(g => g.Last()).OrderByDescending(l => l.Entry.At).Take(MostMachines))
        {
            var machine = MachineCase.Of(await entries.EarlierOf(new MachineId(one.Machine), new JobId(0), cancel));
            var row = await machines.Find(new MachineId(one.Machine), cancel);
            if (
                books.Shop.Models.TryGetValue(one.Model, out var model)
                && WasteViews.Row(one.Machine, one.Serial, row?.CustomerName ?? "", model, machine, books.Shop, books.Now) is { } view
            )
                rows.Add(view);
        }

        return Results.Ok(rows.OrderBy(r => r.Next ?? DateTimeOffset.MaxValue).ToList());
    }
}
