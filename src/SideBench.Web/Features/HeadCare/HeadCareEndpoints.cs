using System.Text.Json.Nodes;
using SideBench.Core.HeadCare;
using SideBench.Core.Identity;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.HeadCare;

/// <summary>Estimates of head care.</summary>
public static class HeadCareEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapHeadCare(this IEndpointRouteBuilder routes) =>
        routes
            .MapPost(
                "/estimates",
                (JsonNode? history, BenchBooks books) =>
                {
                    var answer = Estimates.Answer(history, books.Shop.Numbers.Of<HeadCareNumbers>());
                    return (string?)answer["status"] == "ok"
                        ? Results.Ok(answer)
                        : Results.Json(
                            answer,
                            contentType: "application/problem+json",
                            statusCode: StatusCodes.Status422UnprocessableEntity
                        );
                }
            )
            .Produces<JsonNode>()
            .Described("estimate", "An estimate from a history: what the next clean, rest, soak or flush would bring. Writes nothing.")
            .WithTags("HeadCare")
            .For(Act.Read);
}
