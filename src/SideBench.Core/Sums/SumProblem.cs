using SideBench.Core.Outcomes;

namespace SideBench.Core.Sums;

/// <summary>What can be wrong with the asking of a sum or an estimate.</summary>
public static class SumProblem
{
    /// <summary>No such sum.</summary>
    public static readonly ProblemCode UnknownSum = new(
        "unknown-sum",
        ProblemSort.Wrong,
        "No such sum",
        "There is no sum “{0}”.",
        "Ask for one of these: {1}."
    );

    /// <summary>A field that means nothing here.</summary>
    public static readonly ProblemCode UnknownField = new(
        "unknown-field",
        ProblemSort.Wrong,
        "Not a field of this",
        "“{0}” means nothing here.",
        "Leave it out, or spell it as the format does."
    );

    /// <summary>A value of the wrong sort.</summary>
    public static readonly ProblemCode WrongSort = new(
        "wrong-sort",
        ProblemSort.Wrong,
        "Not the right sort of value",
        "It should be {0}.",
        "Write it so."
    );

    /// <summary>Two fields that are two ways of saying one thing.</summary>
    public static readonly ProblemCode TwoWays = new(
        "two-ways",
        ProblemSort.Wrong,
        "Said in two ways",
        "“{0}” and “{1}” are two ways to ask; the sum takes one.",
        "Leave one of them out."
    );

    /// <summary>One name used for two pieces of a list.</summary>
    public static readonly ProblemCode NamedTwice = new(
        "named-twice",
        ProblemSort.Wrong,
        "Named twice",
        "“{0}” is the name of two.",
        "Give each its own name."
    );

    /// <summary>A result that no number holds.</summary>
    public static readonly ProblemCode Beyond = new(
        "beyond-numbers",
        ProblemSort.Wrong,
        "No number holds it",
        "What comes out is beyond what a number holds.",
        "Look for a field that is far too small or far too large."
    );

    /// <summary>No such estimate.</summary>
    public static readonly ProblemCode UnknownEstimate = new(
        "unknown-estimate",
        ProblemSort.Wrong,
        "No such estimate",
        "There is no estimate “{0}”.",
        "Ask for one of these: {1}."
    );
}
