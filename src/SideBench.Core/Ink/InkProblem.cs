using SideBench.Core.Outcomes;

namespace SideBench.Core.Ink;

/// <summary>What can be wrong with what is said of ink, chips and slots.</summary>
public static class InkProblem
{
    /// <summary>More was used than there was.</summary>
    public static readonly ProblemCode SlotPastDry = new(
        "slot-past-dry",
        ProblemSort.Wrong,
        "The slot was dry before that",
        "It was dry when the chip said {0} %; at {1} % more is used than went in.",
        "Look for a fill that was not told, or weigh the cartridge."
    );

    /// <summary>A cartridge lighter than an empty one.</summary>
    public static readonly ProblemCode LighterThanEmpty = new(
        "lighter-than-empty",
        ProblemSort.Wrong,
        "Lighter than empty",
        "{0} g is less than it weighs empty, {1} g.",
        "Look whether the scale was at zero, and whether this is the cartridge meant."
    );

    /// <summary>Bays that are not all slots.</summary>
    public static readonly ProblemCode BaysDoNotAdd = new(
        "bays-do-not-add",
        ProblemSort.Wrong,
        "The bays are not all slots",
        "The bays have {0} slots together, not {1}.",
        "Give the size of every bay."
    );
}
