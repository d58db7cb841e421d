using SideBench.Core.Outcomes;

namespace SideBench.Devices.Scale;

/// <summary>What can be wrong with a scale.</summary>
public static class ScaleProblem
{
    /// <summary>It does not answer.</summary>
    public static readonly ProblemCode Away = new(
        "scale-away",
        ProblemSort.Conflict,
        "The scale does not answer",
        "Nothing came from the scale.",
        "Look whether it is on and plugged in; or read it and type the figure."
    );

    /// <summary>It does not come to rest.</summary>
    public static readonly ProblemCode Moving = new(
        "scale-moving",
        ProblemSort.Conflict,
        "It does not come to rest",
        "The scale still moves after {0} readings.",
        "Hands off the bench, no draught; then again."
    );

    /// <summary>It says something else.</summary>
    public static readonly ProblemCode Garbled = new(
        "scale-garbled",
        ProblemSort.Conflict,
        "The scale says something else",
        "It said: {0}",
        "It must send lines such as “stable 394.5 g”; set its output so, or type the figure."
    );

    /// <summary>It stands below zero.</summary>
    public static readonly ProblemCode BelowZero = new(
        "scale-below-zero",
        ProblemSort.Conflict,
        "The scale is not at zero",
        "It shows {0} g.",
        "Take everything off, press its zero, and weigh again."
    );
}
