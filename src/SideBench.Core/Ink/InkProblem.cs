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

    /// <summary>A cartridge heavier than a full one.</summary>
    public static readonly ProblemCode HeavierThanFull = new(
        "heavier-than-full",
        ProblemSort.Wrong,
        "Heavier than full",
        "{0} g is more than it weighs full, {1} g.",
        "Look at the unit of the scale, and whether this is the cartridge meant."
    );

    /// <summary>A count where there is none.</summary>
    public static readonly ProblemCode NoCount = new(
        "no-count",
        ProblemSort.Wrong,
        "It has no count",
        "What is in slot {0} has no chip that counts.",
        "Weigh it, or say what is fitted."
    );

    /// <summary>A weighing of what cannot be weighed.</summary>
    public static readonly ProblemCode NotWeighed = new(
        "not-weighed",
        ProblemSort.Wrong,
        "It cannot be weighed",
        "What is in slot {0} stays in the machine, or its empty mass is not known.",
        "Say how much went in, or read its count."
    );

    /// <summary>A fill of what is not filled.</summary>
    public static readonly ProblemCode NotFilled = new(
        "not-filled",
        ProblemSort.Wrong,
        "It is not one to fill",
        "Slot {0} holds {1}: that is replaced, not filled.",
        "Say what is fitted, if that has changed."
    );

    /// <summary>A reset by the wrong tool.</summary>
    public static readonly ProblemCode NotByThat = new(
        "not-by-that",
        ProblemSort.Wrong,
        "Not reset by that",
        "The chip in slot {0} is not reset by {1}.",
        "Look what is fitted there: its chip says what resets it."
    );

    /// <summary>A press of a spent board.</summary>
    public static readonly ProblemCode NoPressLeft = new(
        "no-press-left",
        ProblemSort.Wrong,
        "The board is spent",
        "The board has {0} presses left, not {1}.",
        "A new board, or chips carried over; if it was renewed, say so in a note."
    );

    /// <summary>A board pressed while a slot is not full.</summary>
    public static readonly ProblemCode NotAllFull = new(
        "not-all-full",
        ProblemSort.Wrong,
        "Not every slot is full",
        "One press claims ink in every slot; not full, or not known: {0}.",
        "Fill those first, or say why it is pressed all the same."
    );

    /// <summary>One slot told twice at once.</summary>
    public static readonly ProblemCode SlotTwice = new(
        "slot-twice",
        ProblemSort.Wrong,
        "A slot twice",
        "Slot {0} is told twice.",
        "Tell each slot once."
    );

    /// <summary>A visit with nothing to do.</summary>
    public static readonly ProblemCode NothingDue = new(
        "nothing-due",
        ProblemSort.Wrong,
        "Nothing is due",
        "No slot is due by what is known.",
        "Read the chips or weigh, if that is long ago."
    );

    /// <summary>A visit that is held back.</summary>
    public static readonly ProblemCode VisitHeld = new("visit-held", ProblemSort.Wrong, "It cannot be begun", "{0}", "Do that first.");
}
