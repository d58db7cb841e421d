using Microsoft.Extensions.Caching.Memory;
using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Waste;

/// <summary>Waste of the whole shop: boxes with a tag, machines by which is next, what was handed in.</summary>
public sealed class WasteDesk(EntryStore entries, MachineStore machines, BenchBooks books) : IDisposable
{
    private const int MostMachines = 200;
    private const int RowsKept = 2000;
    private readonly MemoryCache rows = new(new MemoryCacheOptions { SizeLimit = RowsKept });

    /// <summary>Boxes with a tag.</summary>
    /// <param name="here">The machine that is looked at; 0 when none is.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<WasteBoxes> Boxes(long here, CancellationToken cancel) =>
        BoxesOf(await entries.OfKinds(WasteBox.Kinds, cancel), here);

    /// <summary>All of it.</summary>
    public async Task<WasteShopView> Show(CancellationToken cancel)
    {
        var told = await entries.OfKinds(WasteBox.Kinds, cancel);
        var next = new List<WasteRowView>();
        foreach (var last in told.GroupBy(l => l.Machine).Select(g => g.Last()).OrderByDescending(l => l.Entry.At).Take(MostMachines))
            if (await Row(last, cancel) is { } row)
                next.Add(row);
        var handed = await HandedIn(cancel);
        return WasteViews.Shop(books, [.. next.OrderBy(r => r.Next ?? DateTimeOffset.MaxValue)], BoxesOf(told, 0), handed);
    }

    /// <summary>What was handed in, oldest first.</summary>
    public Task<IReadOnlyList<ShopLine>> HandedIn(CancellationToken cancel) => entries.OfKinds([WasteHandedIn.Form.Name], cancel);

    /// <inheritdoc/>
    public void Dispose() => rows.Dispose();

    private WasteBoxes BoxesOf(IReadOnlyList<ShopLine> told, long here) =>
        new(WasteBox.All(books.ShopLines, told, books.Shop.Models, books.Shop.Numbers.Of<WasteNumbers>(), books.Now), here);

    // A belief takes its tens of milliseconds: it is kept until the machine gets another line, or for the day.
    private async Task<WasteRowView?> Row(ShopLine last, CancellationToken cancel)
    {
        if (!books.Shop.Models.TryGetValue(last.Model, out var model))
            return null;
        var lines = await entries.EarlierOf(new MachineId(last.Machine), new JobId(0), cancel);
        var key = (last.Machine, lines.Count == 0 ? 0 : lines[^1].Id.Value, lines.Count, books.Today, books.Shop);
        if (rows.TryGetValue(key, out WasteRowView? kept))
            return kept;
        var machine = await machines.Find(new MachineId(last.Machine), cancel);
        var row = WasteViews.Row(
            last.Machine,
            last.Serial,
            machine?.CustomerName ?? "",
            model,
            MachineCase.Of(lines),
            books.Shop,
            books.Now
        );
        rows.Set(key, row, new MemoryCacheEntryOptions { Size = 1 });
        return row;
    }
}
