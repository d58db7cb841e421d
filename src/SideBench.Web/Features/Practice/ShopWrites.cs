using SideBench.Core.Identity;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Practice;

/// <summary>Addresses at which lines about the shop itself are written.</summary>
internal static class ShopWrites
{
    /// <summary>Maps one.</summary>
    /// <param name="shop">Where.</param>
    /// <param name="path">Its path.</param>
    /// <param name="act">What a person must be allowed to.</param>
    /// <param name="name">Its name in the description.</param>
    /// <param name="summary">What it does.</param>
    /// <param name="rule">Makes lines of it, or says what stands in the way.</param>
    public static void MapShopWrite<T>(
        this IEndpointRouteBuilder shop,
        string path,
        Act act,
        string name,
        string summary,
        Func<T, BenchBooks, IReadOnlyList<Entry>, Outcome<IReadOnlyList<EntryBody>>> rule
    )
        where T : class, IShopWrite =>
        shop.MapPost(
                path,
                async (T request, ShopDesk desk, BenchBooks books, HttpContext http) =>
                    (await desk.Write(http, request, entries => rule(request, books, entries))).ToResult()
            )
            .Produces<ShopView>()
            .Described(name, summary)
            .For(act);
}
