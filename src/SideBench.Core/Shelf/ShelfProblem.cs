using SideBench.Core.Outcomes;

namespace SideBench.Core.Shelf;

/// <summary>What can be wrong with what is said of the shelf.</summary>
public static class ShelfProblem
{
    /// <summary>No such item.</summary>
    public static readonly ProblemCode UnknownItem = new(
        "unknown-item",
        ProblemSort.Wrong,
        "Not on the shelf",
        "Nothing with number {0} ever came onto the shelf.",
        "Pick it from the list."
    );

    /// <summary>More than there is.</summary>
    public static readonly ProblemCode MoreThanLeft = new(
        "more-than-left",
        ProblemSort.Wrong,
        "More than is left",
        "{0} has {1} {2} left; {3} were to go.",
        "Look again, or say first that more came."
    );

    /// <summary>No tool for it.</summary>
    public static readonly ProblemCode NoTool = new(
        "no-tool",
        ProblemSort.Conflict,
        "No tool on the shelf",
        "By the shelf's record no chip tool is left to do that with.",
        "Say on the shelf that one is there, or use another way."
    );
}
