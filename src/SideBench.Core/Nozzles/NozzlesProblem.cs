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

    /// <summary>A picture to be taught from shows no nozzle sheet.</summary>
    public static readonly ProblemCode TeachNoSheet = new(
        "teach-no-sheet",
        ProblemSort.Wrong,
        "No nozzle sheet to learn from",
        "Only {0} dashes stand in rows and columns.",
        "Scan a good sheet alone, at 200 dpi or more, or take it straight from above so that it fills the picture."
    );

    /// <summary>A picture to be taught from lies on its side.</summary>
    public static readonly ProblemCode TeachTurned = new(
        "teach-turned",
        ProblemSort.Wrong,
        "The sheet lies on its side",
        "Its dashes run up and down; where numbering starts cannot be told that way.",
        "Turn the picture so that its labels can be read."
    );

    /// <summary>Too many dashes are missing to see the rule.</summary>
    public static readonly ProblemCode TeachTooManyMissing = new(
        "teach-too-many-missing",
        ProblemSort.Wrong,
        "Too many dashes are missing to see the rule",
        "Of {0} blocks found one lacks {1} % of its dashes.",
        "Clean first, or take a good sheet of another machine of this model."
    );

    /// <summary>Not as many names as blocks.</summary>
    public static readonly ProblemCode TeachNamesCount = new(
        "teach-names-count",
        ProblemSort.Wrong,
        "Names and channels do not match",
        "{0} names for {1} blocks of dashes.",
        "Give one name for each block, from left to right and from top to bottom; if a channel printed nothing, take a better sheet."
    );

    /// <summary>What was found makes no layout.</summary>
    public static readonly ProblemCode TeachNoRule = new(
        "teach-no-rule",
        ProblemSort.Wrong,
        "The dashes follow no rule that can be read",
        "Of the blocks found: {0}.",
        "Take a sharper picture, straight from above."
    );

    /// <summary>The layout does not read its own picture.</summary>
    public static readonly ProblemCode TeachNotProved = new(
        "teach-not-proved",
        ProblemSort.Wrong,
        "The layout does not read this picture",
        "Read with the layout found, {0}.",
        "Take a sharper picture of a complete sheet, with all of it inside."
    );
}
