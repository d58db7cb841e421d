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

    /// <summary>A lasting change cannot be on this model.</summary>
    public static readonly ProblemCode ChangeDoesNotFit = new(
        "change-does-not-fit",
        ProblemSort.Wrong,
        "This model cannot have it",
        "{0} is not possible on the {1}.",
        "Choose one of those that are offered for it."
    );

    /// <summary>A lasting change is told that the machine has already.</summary>
    public static readonly ProblemCode ChangedAlready = new(
        "changed-already",
        ProblemSort.Conflict,
        "It has that already",
        "{0} stands on this machine's record.",
        "Undo it first when it was made anew."
    );

    /// <summary>A lasting change is undone that the machine does not have.</summary>
    public static readonly ProblemCode NotChanged = new(
        "not-changed",
        ProblemSort.Conflict,
        "It does not have that",
        "{0} does not stand on this machine's record.",
        "Load the page again."
    );

    /// <summary>A lasting change is undone that cannot be.</summary>
    public static readonly ProblemCode ChangedForEver = new(
        "changed-for-ever",
        ProblemSort.Wrong,
        "It cannot be undone",
        "{0} is made for good.",
        "If the line was wrong, take it back in the record, with the reason."
    );
}
