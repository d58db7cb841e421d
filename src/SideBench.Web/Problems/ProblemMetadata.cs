namespace SideBench.Web.Problems;

/// <summary>Says in the API's description that an endpoint may answer with problems.</summary>
public static class ProblemMetadata
{
    /// <summary>May answer with problem+json.</summary>
    public static RouteHandlerBuilder ProducesProblems(this RouteHandlerBuilder builder) =>
        builder.Produces<ProblemBody>(422, "application/problem+json").Produces<ProblemBody>(409, "application/problem+json");
}
