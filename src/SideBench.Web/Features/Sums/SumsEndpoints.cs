using System.Text.Json.Nodes;
using SideBench.Core.Bench;
using SideBench.Core.Identity;
using SideBench.Core.Sums;
using SideBench.Web.Hosting;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Sums;

/// <summary>One field of a sum, for its page.</summary>
/// <param name="Kind">number, whole, flag, word, name, moment, wholes, names or list.</param>
/// <param name="Parts">Fields of each piece of a list.</param>
public sealed record SumFieldView(
    string Name,
    string Label,
    string Unit,
    string Kind,
    bool Needed,
    string Example,
    IReadOnlyList<string> Words,
    IReadOnlyList<SumFieldView> Parts
);

/// <summary>A sum, for its page.</summary>
public sealed record SumView(
    string Name,
    string Title,
    string Asks,
    IReadOnlyList<string> Formula,
    IReadOnlyList<SumFieldView> Fields,
    IReadOnlyList<SumFigure> Figures
);

/// <summary>The small sums of the trade.</summary>
public static class SumsEndpoints
{
    /// <summary>Maps them.</summary>
    public static void MapSums(this IEndpointRouteBuilder routes)
    {
        var sums = routes.MapGroup("/sums").WithTags("Sums");
        sums.MapGet("", () => Results.Ok(HouseCrafts.Sums.Select(View).ToList()))
            .Produces<List<SumView>>()
            .Described("listSums", "The small sums of the trade, each with its inputs and its formula.")
            .For(Act.Read);
        sums.MapPost("/{name}", (string name, JsonNode? asked) => SaidProblem.ToResult(SumAnswers.Answer(asked, HouseCrafts.Sums, name)))
            .Produces<JsonNode>()
            .Described("workSum", "Works a sum out. Writes nothing.")
            .For(Act.Read);
    }

    private static SumView View(Sum sum) => new(sum.Name, sum.Title, sum.Asks, sum.Formula, [.. sum.Fields.Select(View)], sum.Figures);

    private static SumFieldView View(SumField field) =>
        new(
            field.Name,
            field.Label,
            field.Unit,
            field.Kind.ToString().ToLowerInvariant(),
            field.Without is null && !field.Optional,
            field.Example,
            field.Words,
            [.. field.Parts.Select(View)]
        );
}
