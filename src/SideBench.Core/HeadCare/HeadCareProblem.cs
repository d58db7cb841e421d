using SideBench.Core.Outcomes;

namespace SideBench.Core.HeadCare;

/// <summary>What a person can cause or mend with estimates of head care, each with its words and what sort it is.</summary>
public static class HeadCareProblem
{
    /// <summary>The house has no chances for this kind of head.</summary>
    public static readonly ProblemCode UnknownHead = new(
        "unknown-head",
        ProblemSort.Wrong,
        "No chances for this head",
        "The packs say nothing of “{0}”.",
        "Name another kind or ink, or add its chances to a pack."
    );

    /// <summary>The house has no chance for a method on this kind of head.</summary>
    public static readonly ProblemCode UnknownMethod = new(
        "unknown-method",
        ProblemSort.Wrong,
        "No chance for this method",
        "The packs have no chance of “{0}” on “{1}”.",
        "Name another method, or add its chance to a pack."
    );
}
