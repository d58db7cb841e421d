using SideBench.Core.Outcomes;

namespace SideBench.Core.Nozzles;

/// <summary>What a person can cause or mend with nozzle sheets, each with its words and what sort it is.</summary>
public static class NozzlesProblem
{
    /// <summary>A sheet layout's blocks, dashes or marks do not fit together.</summary>
    public static readonly ProblemCode LayoutImpossible = new(
        "layout-impossible",
        ProblemSort.Wrong,
        "The sheet layout cannot be",
        "Of its parts: {0}.",
        "Mend the layout there."
    );

    /// <summary>The machine's model has no sheet layout of that name.</summary>
    public static readonly ProblemCode UnknownLayout = new(
        "unknown-layout",
        ProblemSort.Wrong,
        "No such sheet layout",
        "This machine has no layout “{0}”.",
        "Choose one of those shown."
    );

    /// <summary>No such nozzle sheet.</summary>
    public static readonly ProblemCode UnknownSheet = new(
        "unknown-sheet",
        ProblemSort.Unknown,
        "No such nozzle sheet",
        "There is no sheet {0} in this job.",
        "Load the page again."
    );
}
