using SideBench.Core.Identity;
using SideBench.Data.Search;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Search;

/// <summary>Jump anywhere, and the records list.</summary>
public static class SearchEndpoints
{
    private const int LongestQuery = 80;

    /// <summary>Maps it.</summary>
    public static void MapSearch(this IEndpointRouteBuilder routes) =>
        routes
            .MapGet(
                "/find",
                async (string q, FindStore store, CancellationToken cancel) =>
                    Results.Ok(await store.Search(q.Length > LongestQuery ? q[..LongestQuery] : q, cancel))
            )
            .Produces<IReadOnlyList<Find>>()
            .Described("find", "Jobs, machines and customers by what was typed.")
            .WithTags("Search")
            .For(Act.Read);
}
