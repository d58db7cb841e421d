using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Record;
using SideBench.Web.Hosting;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Practice;

/// <summary>What every write about the shop itself carries.</summary>
public interface IShopWrite : IPressed
{
    /// <summary>The write's key: the same key again is the same write.</summary>
    Guid Key { get; }

    /// <summary>The version of the shop that the person saw.</summary>
    int SeenVersion { get; }
}

/// <summary>The shop itself: schools, shelf and book. Every write answers with its choices as they then stand.</summary>
public sealed class ShopDesk(WriteDesk desk, EntryStore entries, BenchBooks books)
{
    /// <summary>Writes about the shop.</summary>
    public async Task<Outcome<ShopView>> Write<T>(
        HttpContext http,
        T request,
        Func<IReadOnlyList<Entry>, Outcome<IReadOnlyList<EntryBody>>> rule
    )
        where T : IShopWrite
    {
        var asked = new Asked(Asked.WriteOf(http, request.Key, request, books.Now), request.SeenVersion);
        var written = await desk.OnShop(asked, rule, http.RequestAborted);
        return written.IsGood ? PracticeViews.Of(books, written.Value) : written.Problems.ToList();
    }

    /// <summary>The shop's choices as they stand.</summary>
    public async Task<ShopView> Show(CancellationToken cancel) => PracticeViews.Of(books, await entries.OfShop(books.Known, cancel));
}
