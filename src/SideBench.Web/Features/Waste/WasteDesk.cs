using Microsoft.Extensions.Caching.Memory;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using SideBench.Data.Machines;
using SideBench.Data.Record;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Waste;

/// <summary>Waste of the whole shop: boxes with a tag, machines by which is next, what was handed in.</summary>
public sealed class WasteDesk(Lives lives, MachineStore machines, MachineLives cases, BenchBooks books) : IDisposable
{
    private const int MostMachines = 200;
    private const int RowsKept = 2000;
    private readonly MemoryCache rows = new(new MemoryCacheOptions { SizeLimit = RowsKept });

    /// <summary>Boxes with a tag.</summary>
    /// <param name="here">The machine that is looked at; 0 when none is.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<WasteBoxes> Boxes(long here, CancellationToken cancel)
    {
        var numbers = books.Shop.Numbers.Of<WasteNumbers>();
        var boxes = (await lives.All(SubjectKind.Store, cancel)).Select(l =>
            WasteBox.Of(l.Of.Name, l.Lines, books.Shop.Models, numbers, books.Now)
        );
        return new([.. boxes.OfType<WasteBox>().OrderBy(b => b.Tag, StringComparer.OrdinalIgnoreCase)], here);
    }

    /// <summary>All of it.</summary>
    public async Task<WasteShopView> Show(CancellationToken cancel)
    {
        var next = await Rows(cancel);
        return WasteViews.Shop(
            books,
            [.. next.OrderBy(r => r.Next ?? DateTimeOffset.MaxValue)],
            await Boxes(0, cancel),
            await HandedIn(cancel)
        );
    }

    /// <summary>What was handed in, oldest first.</summary>
    public async Task<IReadOnlyList<ShopLine>> HandedIn(CancellationToken cancel) =>
        [.. (await lives.Of([Subject.Of(ShopPart.Waste)], cancel)).SelectMany(l => l.Lines).Where(l => l.Entry.Body is WasteHandedIn)];

    // A belief takes its tens of milliseconds: it is kept until the machine gets another line, or for the day.
    private async Task<IReadOnlyList<WasteRowView>> Rows(CancellationToken cancel)
    {
        var told = (await machines.LastTold(MostMachines, cancel)).Where(m => books.Shop.Models.ContainsKey(m.ModelId)).ToList();
        (long, int, DateOnly, Shop) Key(ToldMachine m) => (m.Id.Value, m.Version, books.Today, books.Shop);
        var missing = told.Where(m => !rows.TryGetValue(Key(m), out _)).ToList();
        var read = await cases.Now([.. missing.Select(m => m.Id)], cancel);
        foreach (var m in missing)
            rows.Set(
                Key(m),
                WasteViews.Row(m.Id.Value, m.Serial, m.Customer, books.Shop.Models[m.ModelId], read[m.Id], books.Shop, books.Now),
                new MemoryCacheEntryOptions { Size = 1 }
            );
        return [.. told.Select(m => rows.Get<WasteRowView>(Key(m))).OfType<WasteRowView>()];
    }

    /// <inheritdoc/>
    public void Dispose() => rows.Dispose();
}
