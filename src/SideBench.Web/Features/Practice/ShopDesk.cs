using Npgsql;
using SideBench.Core.Identity;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using SideBench.Data;
using SideBench.Data.Jobs;
using SideBench.Data.Record;
using SideBench.Data.Shop;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Practice;

/// <summary>What every write about the shop itself carries.</summary>
public interface IShopWrite
{
    /// <summary>The write's key: the same key again is the same write.</summary>
    Guid Key { get; }

    /// <summary>How many lines about the shop the person saw.</summary>
    int SeenVersion { get; }
}

/// <summary>Writes about the shop itself: schools, shelf and book. One transaction each, never twice, never past what was seen.</summary>
public sealed class ShopDesk(NpgsqlDataSource database, EntryStore entries, VerdictStore verdicts, BenchBooks books, JobDesk jobs)
{
    /// <summary>Decides what lines a write adds.</summary>
    public delegate Outcome<IReadOnlyList<EntryBody>> Decide(IReadOnlyList<Entry> entries);

    /// <summary>Writes, and answers with the shop's choices.</summary>
    public async Task<IResult> Write<T>(HttpContext http, T request, Decide decide)
        where T : IShopWrite
    {
        if (request.Key == Guid.Empty)
            return ProblemResults.Of(ProblemCode.Missing, "/key");
        var cancel = http.RequestAborted;
        var write = jobs.WriteOf(http, request.Key, request);
        if (await entries.FindWrite(request.Key, cancel) is { } earlier)
            return earlier.Fingerprint == write.Fingerprint ? await Show(cancel) : ProblemResults.Of(ProblemCode.KeyReused);
        var known = await entries.OfShop(cancel);
        if (known.Count != request.SeenVersion)
            return ProblemResults.Of(ProblemCode.ShopChanged, "/seenVersion");
        var lines = decide(known);
        if (!lines.IsGood)
            return ProblemResults.Of(lines.Problems);
        try
        {
            await using var unit = await Unit.Begin(database, cancel);
            await EntryStore.Add(unit, write, null, null, known.Count + 1, lines.Value, cancel);
            await JobStore.AnnounceShop(unit, cancel);
            await unit.Commit(cancel);
        }
        catch (PostgresException e) when (e.ConstraintName is "entries_shop_version_once" or "writes_pkey")
        {
            return ProblemResults.Of(ProblemCode.ShopChanged, "/seenVersion");
        }

        await books.Load(entries, verdicts, cancel);
        return await Show(cancel);
    }

    /// <summary>The shop's choices as they stand.</summary>
    public async Task<IResult> Show(CancellationToken cancel) => Results.Ok(PracticeViews.Of(books, await entries.OfShop(cancel)));
}
