using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Core.Waste;
using SideBench.Data.Jobs;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Waste;

/// <summary>
/// Writes of waste that take a thing off the shelf with them: the key of a reset, the pads of a renewal. What is taken is spent under the
/// lock of the shelf first, so that no two benches spend one; the job's own lines follow under the same write.
/// </summary>
internal static class WasteWrites
{
    /// <summary>A waste store was weighed, renewed, washed or emptied, or a bottle fitted or looked at.</summary>
    public static async Task<IResult> Tell(long id, StoreToldRequest r, WasteDesk waste, JobStore jobs, BenchBooks books, HttpContext http)
    {
        var loaded = await jobs.Load(new Core.Identity.JobId(id), http.RequestAborted);
        var boxes = await waste.Boxes(loaded?.Row.Machine.Value ?? 0, http.RequestAborted);
        return await Write(
            id,
            r,
            r.Item,
            loaded,
            books,
            http,
            (keeping, stock) =>
                keeping.Tell(r.What, r.Amount, r.Box, r.Note, boxes, r.OutG, r.Item is { } item ? new Taken(item, stock) : null)
        );
    }

    /// <summary>The waste counter was reset and read back. A key is spent on the shelf first.</summary>
    public static async Task<IResult> Reset(long id, CounterResetRequest r, JobStore jobs, BenchBooks books, HttpContext http)
    {
        var told = new ResetTold(r.Way, r.Before, r.After, r.KeyItem, r.Despite, r.Told, r.System);
        var key = r.Way == WasteKeeping.KeyWay ? r.KeyItem : null;
        var loaded = key is null ? null : await jobs.Load(new Core.Identity.JobId(id), http.RequestAborted);
        return await Write(id, r, key, loaded, books, http, (keeping, stock) => keeping.Reset(told, stock));
    }

    private static async Task<IResult> Write<T>(
        long id,
        T request,
        long? item,
        LoadedJob? loaded,
        BenchBooks books,
        HttpContext http,
        Func<WasteKeeping, IReadOnlyList<StockItem>, Outcome<IReadOnlyList<EntryBody>>> rule
    )
        where T : IJobWrite
    {
        var desk = http.RequestServices.GetRequiredService<JobDesk>();
        var numbers = books.Shop.Numbers.Of<WasteNumbers>();
        if (item is { } taken && loaded is not null)
        {
            // What was written already is not asked again.
            var spent = books.State.Stock.Any(i => i.Id == taken && i.Spent.Any(s => s.What.Why == SpentFor(request.Key)));
            if (!spent && loaded.Row.Version == request.SeenVersion)
            {
                var job = books.Case(loaded, request.Thread);
                if (!job.IsGood)
                    return ProblemResults.Of(job.Problems);
                // What would be refused spends nothing.
                var may = rule(new WasteKeeping(job.Value.Book.Model, job.Value.State, numbers, books.Now), books.State.Stock);
                if (!may.IsGood)
                    return ProblemResults.Of(may.Problems);
                var took = await Spend(taken, request.Key, loaded.Row.Serial, books, http);
                if (!took.IsGood)
                    return ProblemResults.Of(took.Problems);
                spent = true;
            }

            if (spent)
                return (await desk.Write(http, id, request, on => rule(Keeping(on, numbers), Kept(books, taken)))).ToResult();
        }

        return (await desk.Write(http, id, request, on => rule(Keeping(on, numbers), books.State.Stock))).ToResult();
    }

    private static WasteKeeping Keeping(OnJob on, WasteNumbers numbers) => new(on.Job.Book.Model, on.Job.State, numbers, on.Books.Now);

    private static async Task<Outcome<IReadOnlyList<Entry>>> Spend(long item, Guid key, string serial, BenchBooks books, HttpContext http)
    {
        var went = new StockWent(item, 1, "used", serial, SpentFor(key));
        var write = Asked.WriteOf(http, KeyOf(key), new ItemSpend(item, serial), books.Now);
        return await http
            .RequestServices.GetRequiredService<WriteDesk>()
            .OnShop(
                new Asked(write, books.Version),
                lines => new StockKeeping(StockItem.Of(TakenBack.Without(lines)), books.Shop.Numbers.Of<ShelfNumbers>()).Go(went),
                http.RequestAborted
            );
    }

    private sealed record ItemSpend(long Item, string Serial);

    private static string SpentFor(Guid key) => $"waste, write {key:N}";

    // It is spent by now: for the rule it still counts as there, once.
    private static IReadOnlyList<StockItem> Kept(BenchBooks books, long item) =>
        [.. books.State.Stock.Select(i => i.Id == item ? i with { Left = Math.Max(1, i.Left) } : i)];

    private static Guid KeyOf(Guid key)
    {
        var bytes = key.ToByteArray();
        bytes[^1] ^= 0x5b;
        return new Guid(bytes);
    }
}
