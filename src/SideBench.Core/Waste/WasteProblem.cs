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

    /// <summary>A model without figures of its store.</summary>
    public static readonly ProblemCode NotKnown = new(
        "waste-not-known",
        ProblemSort.Wrong,
        "The store is not known",
        "The packs do not say what the waste store of {0} holds.",
        "Add its figures to the model’s file."
    );

    /// <summary>A partial reset where there is none.</summary>
    public static readonly ProblemCode NoPartial = new(
        "no-partial",
        ProblemSort.Wrong,
        "No partial reset",
        "{0} has no partial reset.",
        "Use another way."
    );

    /// <summary>A second partial reset.</summary>
    public static readonly ProblemCode PartialSpent = new(
        "partial-spent",
        ProblemSort.Wrong,
        "The partial reset is spent",
        "A machine has it once, and this one had it.",
        "A key, the service routine, or a full reset."
    );

    /// <summary>A key that is not there or is spent.</summary>
    public static readonly ProblemCode NoKey = new(
        "no-key",
        ProblemSort.Wrong,
        "No such key on the shelf",
        "Item {0} of the shelf is no key with a use left.",
        "Pick a key of the shelf, or say first that one came."
    );

    /// <summary>Pads that are not on the shelf.</summary>
    public static readonly ProblemCode NoPads = new(
        "no-pads",
        ProblemSort.Wrong,
        "No such pads on the shelf",
        "Item {0} of the shelf is no pad set or box that is left.",
        "Pick one of the shelf where it was renewed; or say first that it came."
    );

    /// <summary>A reset that is not safe.</summary>
    public static readonly ProblemCode GateHolds = new(
        "gate-holds",
        ProblemSort.Conflict,
        "The reset is held",
        "Missing: {0}. It would be met by: {1}.",
        "Do that first; or say why it is reset all the same, and that the customer was told."
    );

    /// <summary>A borderless counter on a model that has none.</summary>
    public static readonly ProblemCode NoBorderless = new(
        "no-borderless-counter",
        ProblemSort.Wrong,
        "One counter here",
        "{0} counts borderless prints with the rest.",
        "Tell it as the counter that was read."
    );

    /// <summary>A bottle on a model that takes none.</summary>
    public static readonly ProblemCode NoBottle = new(
        "no-bottle",
        ProblemSort.Wrong,
        "No outside bottle here",
        "{0} takes no outside bottle.",
        "Look at the ways on for this machine."
    );

    /// <summary>A bottle looked at where none is.</summary>
    public static readonly ProblemCode NoBottleFitted = new(
        "no-bottle-fitted",
        ProblemSort.Wrong,
        "It has no outside bottle",
        "None is fitted by the record.",
        "Say first that one was fitted."
    );

    /// <summary>A box that is in two machines.</summary>
    public static readonly ProblemCode BoxElsewhere = new(
        "box-elsewhere",
        ProblemSort.Conflict,
        "That box is in another machine",
        "{0} is in {1} by the record.",
        "Look at the tag; or say there what is in it now."
    );

    /// <summary>A box for a machine that has none.</summary>
    public static readonly ProblemCode NoBox = new(
        "no-box",
        ProblemSort.Wrong,
        "No box here",
        "{0} has pads inside, no box that comes out.",
        "Say what was done to its pads."
    );

    /// <summary>A tag that nobody gave.</summary>
    public static readonly ProblemCode UnknownBox = new(
        "unknown-box",
        ProblemSort.Wrong,
        "No such box",
        "No box with the tag “{0}” is on record, or it is gone.",
        "Look at the tag; or put it on record on the page of all waste."
    );

    /// <summary>A box of another model.</summary>
    public static readonly ProblemCode OtherBox = new(
        "other-box",
        ProblemSort.Wrong,
        "It does not fit",
        "{0} is not a box of {1}.",
        "Look at the tag."
    );

    /// <summary>A box that is in already.</summary>
    public static readonly ProblemCode BoxIsIn = new(
        "box-is-in",
        ProblemSort.Conflict,
        "It is in already",
        "{0} is in this machine by the record.",
        "Look at the tag; or say what was done to it."
    );

    /// <summary>A box that is not dry.</summary>
    public static readonly ProblemCode BoxWet = new(
        "box-wet",
        ProblemSort.Conflict,
        "It is not dry",
        "{0} was washed and is {1} g over its dry mass: water in it takes the room of ink.",
        "Let it dry, and weigh it again."
    );

    /// <summary>A box that is in a machine is told of there.</summary>
    public static readonly ProblemCode BoxInMachine = new(
        "box-in-machine",
        ProblemSort.Conflict,
        "It is in a machine",
        "{0} is in {1} by the record.",
        "Say it on that machine’s page of waste; or put another in there first."
    );

    /// <summary>A tag that another box has.</summary>
    public static readonly ProblemCode TagTaken = new(
        "tag-taken",
        ProblemSort.Conflict,
        "That tag is taken",
        "{0} is on record already.",
        "Give it another tag."
    );

    /// <summary>No day can be told.</summary>
    public static readonly ProblemCode NothingDue = new(
        "waste-not-due",
        ProblemSort.Conflict,
        "No day can be told",
        "Nothing is known yet of how fast its counter or store fills.",
        "Two readings of the counter some days apart tell it."
    );
}
