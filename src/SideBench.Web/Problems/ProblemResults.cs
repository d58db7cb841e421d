using SideBench.Core.Outcomes;

namespace SideBench.Web.Problems;

/// <summary>One problem with one field.</summary>
/// <param name="Code">What it is.</param>
/// <param name="Pointer">JSON pointer to the field; empty for the whole.</param>
/// <param name="Title">Short.</param>
/// <param name="Detail">The facts.</param>
/// <param name="Hint">What to do next.</param>
public sealed record FieldProblem(string Code, string Pointer, string Title, string Detail, string Hint);

/// <summary>A refused request: problem+json with a code, and a pointer per field.</summary>
/// <param name="Type">Always about:blank.</param>
/// <param name="Status">The HTTP status.</param>
/// <param name="Code">The first problem's code.</param>
/// <param name="Title">The first problem's title.</param>
/// <param name="Detail">The first problem's facts.</param>
/// <param name="Hint">What to do next.</param>
/// <param name="Problems">All problems.</param>
/// <param name="Changes">For a stale write: what changed since, oldest first.</param>
public sealed record ProblemBody(
    string Type,
    int Status,
    string Code,
    string Title,
    string Detail,
    string Hint,
    IReadOnlyList<FieldProblem> Problems,
    IReadOnlyList<string> Changes
);

/// <summary>Problems as answers.</summary>
public static class ProblemResults
{
    private const string Json = "application/problem+json";

    /// <summary>The answer to an outcome: its value, or its problems.</summary>
    public static IResult ToResult<T>(this Outcome<T> outcome) => outcome.IsGood ? Results.Ok(outcome.Value) : Of(outcome.Problems);

    /// <summary>The answer to problems.</summary>
    public static IResult Of(IReadOnlyList<Problem> problems)
    {
        var body = Body(problems);
        return Results.Json(body, contentType: Json, statusCode: body.Status);
    }

    /// <summary>The answer to one problem.</summary>
    public static IResult Of(ProblemCode code, string path = "", params object?[] args) => Of([new Problem(code, path, args)]);

    /// <summary>The body of the answer.</summary>
    public static ProblemBody Body(IReadOnlyList<Problem> problems)
    {
        var fields = problems.Select(Field).ToList();
        var changes = problems.SelectMany(p => p.Changes).ToList();
        return new ProblemBody(
            "about:blank",
            Status(problems[0].Code.Sort),
            fields[0].Code,
            fields[0].Title,
            fields[0].Detail,
            fields[0].Hint,
            fields,
            changes
        );
    }

    private static FieldProblem Field(Problem problem) =>
        new(
            problem.Code.Id,
            problem.Path,
            ProblemText.Fill(problem.Code.Title, problem),
            ProblemText.Fill(problem.Code.Detail, problem),
            ProblemText.Fill(problem.Code.Hint, problem)
        );

    private static int Status(ProblemSort sort) =>
        sort switch
        {
            ProblemSort.Wrong => 422,
            ProblemSort.Unknown => 404,
            ProblemSort.Conflict => 409,
            ProblemSort.SignIn => 401,
            ProblemSort.Forbidden => 403,
            ProblemSort.TooMany => 429,
            ProblemSort.Away => 503,
            ProblemSort.NotUnderstood => 400,
            ProblemSort.Ours => 500,
            _ => throw new ArgumentOutOfRangeException(nameof(sort), sort, "a sort of problem without a status"),
        };
}
