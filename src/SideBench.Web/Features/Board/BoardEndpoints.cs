using SideBench.Core.Identity;
using SideBench.Data.Jobs;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Board;

/// <summary>One machine as the strip and the day's list show it.</summary>
public sealed record BoardJob(
    long Id,
    int Tag,
    string Machine,
    string Customer,
    string Words,
    int Place,
    string Standing,
    string Headline,
    DateTimeOffset? ClockEndsAt,
    DateTimeOffset? PromiseAt,
    DateTimeOffset OpenedAt,
    int Version
);

/// <summary>All machines that are here.</summary>
public sealed record BoardView(DateTimeOffset Now, int Places, IReadOnlyList<BoardJob> Jobs);

/// <summary>The bench strip and the day's list.</summary>
public static class BoardEndpoints
{
    /// <summary>Maps it.</summary>
    public static void MapBoard(this IEndpointRouteBuilder routes) =>
        routes
            .MapGet(
                "/board",
                async (JobStore store, BenchBooks books, CancellationToken cancel) =>
                {
                    var jobs = await store.Open(cancel);
                    return Results.Ok(new BoardView(books.Now, books.Shop.Book.House.Places, [.. jobs.Select(j => View(j, books))]));
                }
            )
            .Produces<BoardView>()
            .Described("getBoard", "All machines that are here, as the strip shows them.")
            .WithTags("Board")
            .For(Act.Read);

    private static BoardJob View(JobRow row, BenchBooks books) =>
        new(
            row.Id.Value,
            row.Tag,
            books.Shop.Models.TryGetValue(row.ModelId, out var model) ? model.FullName : row.ModelId,
            row.CustomerName,
            row.Words,
            row.Place,
            row.Standing,
            row.Headline,
            row.ClockEndsAt,
            row.PromiseAt,
            row.OpenedAt,
            row.Version
        );
}
