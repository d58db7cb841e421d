using System.Text.Json.Nodes;
using SideBench.Core.Identity;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Estimates;

/// <summary>Estimates from a history.</summary>
public static class EstimatesEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapEstimates(this IEndpointRouteBuilder routes) =>
        routes
            .MapPost(
                "/estimates",
                (JsonNode? history, BenchBooks books) => SaidProblem.ToResult(EstimateAnswers.Answer(history, books.Shop.Numbers))
            )
            .Produces<JsonNode>()
            .Described(
                "estimate",
                "An estimate from a history: what is in a slot or a waste store, what a clean would bring. Writes nothing."
            )
            .WithTags("Estimates")
            .For(Act.Read);
}
