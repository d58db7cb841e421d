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
    /// <summary>The answer to problems.</summary>
    public static IResult Of(IReadOnlyList<Problem> problems, IReadOnlyList<string>? changes = null)
    {
        var body = Body(problems, changes);
        return Results.Json(body, contentType: "application/problem+json", statusCode: body.Status);
    }

    /// <summary>The answer to one problem.</summary>
    public static IResult Of(ProblemCode code, string path = "", params object?[] args) => Of([new Problem(code, path, args)]);

    /// <summary>The body of the answer.</summary>
    public static ProblemBody Body(IReadOnlyList<Problem> problems, IReadOnlyList<string>? changes = null)
    {
        var fields = problems.Select(Field).ToList();
        return new ProblemBody(
            "about:blank",
            Status(problems[0].Code),
            fields[0].Code,
            fields[0].Title,
            fields[0].Detail,
            fields[0].Hint,
            fields,
            changes ?? []
        );
    }

    private static FieldProblem Field(Problem problem)
    {
        var (title, detail, hint) = ProblemText.Of(problem.Code);
        var code = System.Text.Json.JsonNamingPolicy.KebabCaseLower.ConvertName(problem.Code.ToString());
        return new FieldProblem(
            code,
            problem.Path,
            ProblemText.Fill(title, problem),
            ProblemText.Fill(detail, problem),
            ProblemText.Fill(hint, problem)
        );
    }

    private static int Status(ProblemCode code) =>
        code switch
        {
            ProblemCode.UnknownJob
            or ProblemCode.UnknownMachine
            or ProblemCode.UnknownCustomer
            or ProblemCode.UnknownThread
            or ProblemCode.NotInBook
            or ProblemCode.UnknownSheet
            or ProblemCode.NoGraph
            or ProblemCode.UnknownGuide => 404,
            ProblemCode.StaleVersion
            or ProblemCode.KeyReused
            or ProblemCode.SerialTaken
            or ProblemCode.MachineOnBench
            or ProblemCode.JobClosed
            or ProblemCode.JobOpen
            or ProblemCode.HeldBack
            or ProblemCode.TrayNotClear
            or ProblemCode.NotProved
            or ProblemCode.CorrectedAlready
            or ProblemCode.HandedOverAlready
            or ProblemCode.NameTaken
            or ProblemCode.UnknownStep
            or ProblemCode.ShopChanged
            or ProblemCode.ThreadClosed
            or ProblemCode.ThreadThere
            or ProblemCode.OffAlready
            or ProblemCode.OffFirst
            or ProblemCode.WordNeeded
            or ProblemCode.NotOff
            or ProblemCode.BackFirst
            or ProblemCode.PieceMissing
            or ProblemCode.StillInside
            or ProblemCode.TrayForbids
            or ProblemCode.UnknownRun
            or ProblemCode.StepTicked
            or ProblemCode.StepsBefore
            or ProblemCode.PhotoFirst => 409,
            ProblemCode.SignInNeeded or ProblemCode.WrongSignIn or ProblemCode.WrongSetupCode => 401,
            ProblemCode.NotAllowed or ProblemCode.LockedOut => 403,
            ProblemCode.TooManyTries => 429,
            ProblemCode.DatabaseUnreachable => 503,
            ProblemCode.ServerFault => 500,
            ProblemCode.NotUnderstood or ProblemCode.TokenOld => 400,
            _ => 422,
        };
}
