namespace SideBench.Web.Problems;

/// <summary>Says in the API's description what an endpoint is called, what it does, and that it may answer with problems.</summary>
public static class ProblemMetadata
{
    private const string Json = "application/problem+json";

    /// <summary>Names an endpoint and says what it does; what it may refuse is part of the contract.</summary>
    /// <param name="builder">The endpoint.</param>
    /// <param name="name">Its name, as a client calls it.</param>
    /// <param name="summary">What it does, one line.</param>
    public static RouteHandlerBuilder Described(this RouteHandlerBuilder builder, string name, string summary) =>
        builder
            .WithName(name)
            .WithSummary(summary)
            .Produces<ProblemBody>(400, Json)
            .Produces<ProblemBody>(401, Json)
            .Produces<ProblemBody>(403, Json)
            .Produces<ProblemBody>(404, Json)
            .Produces<ProblemBody>(409, Json)
            .Produces<ProblemBody>(422, Json)
            .Produces<ProblemBody>(503, Json);
}
