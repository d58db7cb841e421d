using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.StripDown;

/// <summary>Maps writes that need to know how the machine opens.</summary>
internal static class OpeningMaps
{
    /// <summary>How the machine of a job opens; null when no pack says.</summary>
    public static AccessGraph? GraphOf(OnJob on) => on.Books.Shop.Graphs.GetValueOrDefault(on.Job.Book.Model.Id);

    /// <summary>Maps one write of opening up.</summary>
    public static void MapOpening<T>(
        this IEndpointRouteBuilder job,
        string path,
        string name,
        string summary,
        Func<T, OnJob, AccessGraph, Outcome<IReadOnlyList<EntryBody>>> rule,
        bool harmless = true
    )
        where T : class, IJobWrite =>
        job.MapJobWrite<T>(
            path,
            Act.Bench,
            name,
            summary,
            (request, on) =>
                GraphOf(on) is { } graph ? rule(request, on, graph) : new Problem(StripDownProblem.NoGraph, "", on.Job.Book.Model.FullName),
            harmless
        );
}
