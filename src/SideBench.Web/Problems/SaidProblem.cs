using System.Text.Json.Nodes;
using SideBench.Core.Outcomes;

namespace SideBench.Web.Problems;

/// <summary>A problem as answers of sums and estimates carry it.</summary>
internal static class SaidProblem
{
    /// <summary>Its code, its place and what it says.</summary>
    public static JsonObject Of(Problem problem) =>
        new()
        {
            ["code"] = problem.Code.Id,
            ["pointer"] = problem.Path,
            ["say"] = $"{ProblemText.Fill(problem.Code.Detail, problem)} {ProblemText.Fill(problem.Code.Hint, problem)}",
        };

    /// <summary>An answer as the API gives it: a refusal is a problem with the answer's own fields.</summary>
    /// <param name="answer">The answer.</param>
    public static IResult ToResult(JsonObject answer) =>
        (string?)answer["status"] == "ok"
            ? Results.Ok(answer)
            : Results.Json(answer, contentType: "application/problem+json", statusCode: StatusCodes.Status422UnprocessableEntity);
}
