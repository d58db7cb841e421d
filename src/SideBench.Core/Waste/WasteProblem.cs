using SideBench.Core.Outcomes;

namespace SideBench.Core.Waste;

/// <summary>What can be wrong with what is said of waste ink.</summary>
public static class WasteProblem
{
    /// <summary>A store gained more than is told to have come in.</summary>
    public static readonly ProblemCode MoreThanTold = new(
        "more-than-told",
        ProblemSort.Wrong,
        "More came in than was told",
        "It gained {0} g, though only {1} g came in.",
        "Look for operations that were not told, or weigh it again."
    );

    /// <summary>A store lighter than it is dry.</summary>
    public static readonly ProblemCode LighterThanDry = new(
        "lighter-than-dry",
        ProblemSort.Wrong,
        "Lighter than dry",
        "{0} g is less than the store weighs dry, {1} g.",
        "Look whether the scale was at zero, and whether this is the store meant."
    );
}
