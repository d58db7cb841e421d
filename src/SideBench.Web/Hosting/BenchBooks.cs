using Microsoft.Extensions.Caching.Memory;
using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Data.Record;
using SideBench.Data.Shop;
using SideBench.Packs;

namespace SideBench.Web.Hosting;

/// <summary>
/// The fault book as it stands: packs, the shop's edits, schools and shelf, and what closed jobs taught. Replaced whole when
/// any of it changes; a job under way goes on with what it finds.
/// </summary>
public sealed class BenchBooks(Shop shop, TimeProvider clock) : IDisposable
{
    private const int CasesKept = 400;
    private readonly MemoryCache cases = new(new MemoryCacheOptions { SizeLimit = CasesKept });
    private readonly SemaphoreSlim loading = new(1, 1);
    private volatile BookStand stand = new(shop, ShopState.New, 0, []);

    /// <summary>What the packs say, with the shop's edits in the book.</summary>
    public Shop Shop => stand.Shop;

    /// <summary>What the packs alone say.</summary>
    public Shop Packs => stand.Packs;

    /// <summary>Where the shop stands.</summary>
    public ShopState State => stand.State;

    /// <summary>Number of lines about the shop itself.</summary>
    public int Version => stand.Version;

    /// <summary>The time.</summary>
    public DateTimeOffset Now => clock.GetUtcNow();

    /// <summary>The date at the shop.</summary>
    public DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>Reads the shop's own lines and verdicts; nothing is replaced when they say the same as before.</summary>
    public async Task Load(EntryStore entries, VerdictStore verdicts, CancellationToken cancel)
    {
        // One after the other, so that the last to begin is the last to be taken.
        await loading.WaitAsync(cancel);
        try
        {
            var lines = await entries.OfShop(cancel);
            var counts = await verdicts.Counts(cancel);
            if (!stand.Says(lines.Count, counts))
                stand = new BookStand(stand.Packs, ShopState.Of(lines), lines.Count, counts, stand);
        }
        finally
        {
            loading.Release();
        }
    }

    /// <summary>Takes new packs in place of the old.</summary>
    public void Replace(Shop packs) => stand = stand.With(packs);

    /// <summary>One thread of a job with its book.</summary>
    /// <param name="entries">The job's lines.</param>
    /// <param name="thread">The thread's number.</param>
    public Outcome<JobCase> Case(IReadOnlyList<Entry> entries, int thread = 0)
    {
        var now = stand;
        var key = (now.Stamp, entries[^1].Id, entries[0].Job, entries.Count, thread, Today);
        if (entries[0].Job is not null && cases.TryGetValue(key, out JobCase? known))
            return known!;
        var made = now.Case(entries, thread, Today);
        if (made.IsGood && entries[0].Job is not null)
            cases.Set(key, made.Value, new MemoryCacheEntryOptions { Size = 1 });
        return made;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        cases.Dispose();
        loading.Dispose();
    }
}
