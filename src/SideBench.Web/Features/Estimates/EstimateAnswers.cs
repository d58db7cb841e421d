using System.Text.Json.Nodes;
using SideBench.Core.HeadCare;
using SideBench.Core.Ink;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;
using SideBench.Core.Sums;
using SideBench.Core.Waste;
using SideBench.Packs;
using SideBench.Web.Problems;

namespace SideBench.Web.Features.Estimates;

/// <summary>Estimates from a history that nobody here made: one object in, one out, by the functions that the pages use.</summary>
public static class EstimateAnswers
{
    private static readonly Dictionary<string, Func<JsonObject, HouseNumbers, Outcome<JsonObject>>> Known = new()
    {
        [SlotEstimates.Name] = (asked, numbers) => SlotEstimates.Of(asked, numbers.Of<InkNumbers>()),
        [WasteEstimates.Name] = (asked, numbers) => WasteEstimates.Of(asked, numbers.Of<WasteNumbers>()),
        [OutlookEstimate.Name] = (asked, numbers) => OutlookEstimate.Of(asked, numbers.Of<HeadCareNumbers>()),
    };

    /// <summary>The answer to one request: its result, or every problem with its place.</summary>
    /// <param name="request">What was sent.</param>
    /// <param name="numbers">House numbers.</param>
    public static JsonObject Answer(JsonNode? request, HouseNumbers numbers)
    {
        try
        {
            return Answered(request, numbers);
        }
        catch (ArgumentException)
        {
            // An object that names a field twice says so only when it is looked into.
            return Refused("", [new Problem(SumProblem.WrongSort, "", "an object that names each field once")]);
        }
    }

    /// <summary>Something strange that was kept.</summary>
    internal static JsonObject Doubt(string pointer, string say) => new() { ["pointer"] = pointer, ["say"] = say };

    /// <summary>An estimate with its band.</summary>
    internal static JsonNode? Figure(Band? band) =>
        band is { } b
            ? new JsonObject
            {
                ["best"] = b.Best,
                ["low"] = b.Low,
                ["high"] = b.High,
            }
            : null;

    private static JsonObject Answered(JsonNode? request, HouseNumbers numbers)
    {
        var name = request is JsonObject { } o && o["estimate"] is JsonValue v && v.TryGetValue<string>(out var told) ? told : "";
        var outcome =
            request is not JsonObject asked ? new Problem(SumProblem.WrongSort, "", "an object")
            : !Known.TryGetValue(name, out var estimate)
                ? new Problem(SumProblem.UnknownEstimate, "/estimate", name, string.Join(", ", Known.Keys))
            : estimate(asked, numbers);
        return outcome.IsGood
            ? new JsonObject
            {
                ["estimate"] = name,
                ["status"] = "ok",
                ["result"] = outcome.Value,
            }
            : Refused(name, outcome.Problems);
    }

    private static JsonObject Refused(string name, IReadOnlyList<Problem> problems) =>
        new()
        {
            ["estimate"] = name,
            ["status"] = "refused",
            ["problems"] = new JsonArray([.. problems.Select(SaidProblem.Of)]),
        };
}
