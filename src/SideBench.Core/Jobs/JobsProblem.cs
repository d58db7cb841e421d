using SideBench.Core.Outcomes;

namespace SideBench.Core.Jobs;

/// <summary>What can be wrong with what is kept of a job.</summary>
public static class JobsProblem
{
    /// <summary>A wait that guards power, printing or moisture is not over.</summary>
    public static readonly ProblemCode WaitGuards = new(
        "wait-guards",
        ProblemSort.Conflict,
        "A wait still guards this",
        "Not over yet: {0}.",
        "Wait for it, or say why it is over: that stays on record."
    );
}
