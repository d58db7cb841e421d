using Microsoft.Extensions.Caching.Memory;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Data.Shop;
using SideBench.Packs;
using SideBench.Web.Plugs;

namespace SideBench.Web.Hosting;

/// <summary>
/// The fault book as it stands: packs, the shop's edits, schools and shelf, and what closed jobs taught. Replaced whole when
/// any of it changes; a job under way goes on with what it finds.
/// </summary>
public sealed class BenchBooks(
    Shop shop,
    PackFolders folders,
    Crafts crafts,
    IEnumerable<WebCraft> pages,
    TimeProvider clock,
    ILogger<BenchBooks> log
) : IDisposable
{
    private const int CasesKept = 400;

    // A job with many more lines than usual takes the room of several.
    private const int LinesOfUsual = 100;
    private readonly MemoryCache cases = new(new MemoryCacheOptions { SizeLimit = CasesKept });
    private readonly SemaphoreSlim loading = new(1, 1);
    private volatile IReadOnlyList<OwnFileKept> own = [];
    private volatile Tried? tried;
    private volatile BookStand stand = new(shop, crafts, ShopState.New, [], [], []);

    /// <summary>What the packs say, with the shop's edits in the book.</summary>
    public Shop Shop => stand.Shop;

    /// <summary>What the packs alone say.</summary>
    public Shop Packs => stand.Packs;

    /// <summary>Where the shop stands.</summary>
    public ShopState State => stand.State;

    /// <summary>All lines about the shop itself that were read, oldest first.</summary>
    public IReadOnlyList<Entry> Known => stand.Lines;

    /// <summary>Lines about the shop itself that stand, oldest first.</summary>
    public IEnumerable<Entry> ShopLines => TakenBack.Without(stand.Lines);

    /// <summary>What closed jobs turned out to be.</summary>
    public IReadOnlyList<VerdictCount> Verdicts => stand.Verdicts;

    /// <summary>Files of the packs, and the shop with other own files: to try what is about to be written.</summary>
    public PackFolders Folders => folders;

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
            var lines = await entries.OfShop(stand.Lines, cancel);
            var counts = await verdicts.Counts(cancel);
            if (stand.Says(lines.Count, counts))
                return;
            var files = OwnCraft.Files(TakenBack.Without(lines));
            Take(new BookStand(WithOwn(files), crafts, ShopState.Of(lines), lines, counts, await verdicts.Codes(cancel), stand));
        }
        finally
        {
            loading.Release();
        }
    }

    /// <summary>
    /// Reads all packs anew; with a problem in them the old ones stay. An own file that no longer fits them is left out, and
    /// said on the page of models.
    /// </summary>
    /// <returns>Every problem of the packs.</returns>
    public IReadOnlyList<Problem> Reread()
    {
        var packs = folders.Read(own, out var left);
        if (!packs.IsGood)
            return packs.Problems;
        LeftOut = left;
        Take(stand.With(packs.Value));
        return [];
    }

    /// <summary>The shop's own files as they stand.</summary>
    public IReadOnlyList<OwnFileKept> Own => own;

    /// <summary>What of the shop's own files does not fit the packs of today, and is left out.</summary>
    public IReadOnlyList<Problem> LeftOut { get; private set; } = [];

    /// <summary>Reads the packs with own files as they would be; what was tried last need not be read again when it is written.</summary>
    /// <param name="files">Own files.</param>
    /// <returns>Every problem.</returns>
    public IReadOnlyList<Problem> Try(IReadOnlyList<OwnFileKept> files)
    {
        var packs = folders.Read(files, out var left);
        tried = packs.IsGood && left.Count == 0 ? new Tried(files, packs.Value) : null;
        return packs.IsGood ? left : packs.Problems;
    }

    // Own files are read only when one of them changed.
    private Shop WithOwn(IReadOnlyList<OwnFileKept> files)
    {
        if (files.SequenceEqual(own))
            return stand.Packs;
        if (tried is { } known && known.Files.ToHashSet().SetEquals(files))
        {
            (own, LeftOut) = (files, []);
            return known.Packs;
        }

        var packs = folders.Read(files, out var left);
        if (!packs.IsGood)
        {
            log.LogError("The packs cannot be read with the shop's own files: {Problems}", packs.Problems.Count);
            return stand.Packs;
        }

        foreach (var problem in left)
            log.LogWarning("Left out of the shop's own files, {Path}: {Code}", problem.Path, problem.Code);
        (own, LeftOut) = (files, left);
        return packs.Value;
    }

    /// <summary>The crafts that are plugged in.</summary>
    public Crafts Crafts => crafts;

    /// <summary>One thread of a job with its book.</summary>
    /// <param name="job">The job as it was read.</param>
    /// <param name="thread">The thread's number.</param>
    /// <remarks>
    /// Cases are kept by job and by its last line that can change one. A note or a clock changes no evidence, so the plan that was made
    /// before it still stands.
    /// </remarks>
    public Outcome<JobCase> Case(LoadedJob job, int thread = 0)
    {
        var now = stand;
        var telling = job.Entries.Count(e => e.Body.ChangesTheCase);
        var last = job.Entries.Last(e => e.Body.ChangesTheCase).Id;
        var key = (now.Stamp, now.Taught(job.Row.ModelId), job.Row.Id, last, telling, thread, Today);
        if (cases.TryGetValue(key, out (MachineCase Machine, JobCase Case) known) && ReferenceEquals(known.Machine, job.Machine))
            return known.Case.State.Version == job.Entries[^1].Version
                ? known.Case
                : known.Case.At(JobFold.Of(crafts, job.Machine, job.Entries));
        var made = now.Case(job.Machine, job.Entries, thread, Today);
        if (!made.IsGood)
            return made;
        var advised = pages.Where(p => p.Advises is not null).Aggregate(made.Value, (of, p) => of.Advised(it => Asked(p, it, now.Shop)));
        cases.Set(key, (job.Machine, advised), new MemoryCacheEntryOptions { Size = 1 + (job.Entries.Count / LinesOfUsual) });
        return advised;
    }

    /// <summary>A job that is not on record yet.</summary>
    /// <param name="machine">Its machine as earlier visits left it.</param>
    /// <param name="entries">The lines it will begin with.</param>
    public Outcome<JobCase> NewCase(MachineCase machine, IReadOnlyList<Entry> entries) => stand.Case(machine, entries, 0, Today);

    // Where nothing changed that a case reads, cases hold; else they are asked for no more, and hold the whole book of before.
    private void Take(BookStand next)
    {
        var before = stand.Stamp;
        stand = next;
        if (next.Stamp != before)
            cases.Clear();
    }

    // A craft that breaks hides no job: the book's advice stands, and says so.
    private Advice Asked(WebCraft craft, JobCase job, Shop of)
    {
        try
        {
            return craft.Advises!(job, of, Now);
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            log.LogError(e, "{Craft} broke while it was asked for advice", craft.Name);
            return job.Advice with { Because = $"{job.Advice.Because} What {craft.Name} knows could not be asked." };
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        cases.Dispose();
        loading.Dispose();
    }

    private sealed record Tried(IReadOnlyList<OwnFileKept> Files, Shop Packs);
}
