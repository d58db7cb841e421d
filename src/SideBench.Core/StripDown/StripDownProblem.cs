using SideBench.Core.Outcomes;

namespace SideBench.Core.StripDown;

/// <summary>What a person can cause or mend when a machine is opened, each with its words and what sort it is.</summary>
public static class StripDownProblem
{
    /// <summary>A model without a hole for a tube.</summary>
    public static readonly ProblemCode NoHole = new(
        "no-hole",
        ProblemSort.Unknown,
        "No hole is told for it",
        "The packs tell no exit hole for “{0}”.",
        "Measure it on the machine; or add it to the model’s file."
    );

    /// <summary>An access graph has a circle of what must be off before what.</summary>
    public static readonly ProblemCode GraphCircle = new(
        "graph-circle",
        ProblemSort.Wrong,
        "The access graph goes round in a circle",
        "Each must be off before the next: {0}.",
        "Take one of them out of the circle."
    );

    /// <summary>A part of an access graph is freed by nothing.</summary>
    public static readonly ProblemCode PartFreedByNothing = new(
        "part-freed-by-nothing",
        ProblemSort.Wrong,
        "Nothing frees the part",
        "“{0}” has no fasteners, catches, cables or tubes, and nothing says how it comes off.",
        "Say what holds it, or how it comes off."
    );

    /// <summary>A group of fasteners or catches has another count than places.</summary>
    public static readonly ProblemCode FastenerCount = new(
        "fastener-count",
        ProblemSort.Wrong,
        "The count does not match",
        "“{0}” says {1}, but {2} places are marked.",
        "Count again and mark each place."
    );

    /// <summary>A guide would leave something inside, or power a machine that is not dry and clear.</summary>
    public static readonly ProblemCode GuideUnsafe = new(
        "guide-unsafe",
        ProblemSort.Wrong,
        "The guide is not safe",
        "In its order: {0}.",
        "Mend the guide's steps."
    );

    /// <summary>A part that the panel frees needs one off that it does not.</summary>
    public static readonly ProblemCode NotByPanel = new(
        "not-by-panel",
        ProblemSort.Wrong,
        "The panel cannot free it",
        "“{0}” comes out with power on, but “{1}”, which is off before it, does not.",
        "Mark both as powered, or neither."
    );

    /// <summary>A part that comes out by the panel needs power, and the lead is out.</summary>
    public static readonly ProblemCode PowerFirst = new(
        "power-first",
        ProblemSort.Conflict,
        "It comes out by the panel",
        "“{0}” is freed by the panel with power on, and the mains lead is out.",
        "Put the lead in, with hands out and nothing inside, and ask the panel."
    );

    /// <summary>The model has no access graph.</summary>
    public static readonly ProblemCode NoGraph = new(
        "no-graph",
        ProblemSort.Unknown,
        "No access graph",
        "No pack says how a {0} opens.",
        "Add an access graph for the model."
    );

    /// <summary>No such removal on this model.</summary>
    public static readonly ProblemCode UnknownRemoval = new(
        "unknown-removal",
        ProblemSort.Wrong,
        "No such part here",
        "“{0}” is not in this model's access graph.",
        "Load the page again and take a part shown."
    );

    /// <summary>It is off already.</summary>
    public static readonly ProblemCode OffAlready = new(
        "off-already",
        ProblemSort.Conflict,
        "It is off already",
        "“{0}” was ticked by {1}.",
        "Look at the tray; nothing was written."
    );

    /// <summary>Something else must be off first.</summary>
    public static readonly ProblemCode OffFirst = new(
        "off-first",
        ProblemSort.Conflict,
        "Something comes before it",
        "Before “{0}”: {1}.",
        "Do that first, or leave it off with a reason if it is not there."
    );

    /// <summary>It spends something for good, and the customer has not agreed.</summary>
    public static readonly ProblemCode WordNeeded = new(
        "word-needed",
        ProblemSort.Conflict,
        "The customer's word first",
        "“{0}” cannot be undone, or breaks a warranty seal.",
        "Ask, then write down who agreed."
    );

    /// <summary>It is not off, so it cannot go back.</summary>
    public static readonly ProblemCode NotOff = new(
        "not-off",
        ProblemSort.Conflict,
        "It is not off",
        "There is nothing of it on the tray.",
        "Load the page again."
    );

    /// <summary>Something beneath it is still off or inside.</summary>
    public static readonly ProblemCode BackFirst = new(
        "back-first",
        ProblemSort.Conflict,
        "Something is still beneath it",
        "Before “{0}” goes back: {1}.",
        "Undo that first, or say that it stays off and why."
    );

    /// <summary>More pieces are lost than holes may stay empty.</summary>
    public static readonly ProblemCode PieceMissing = new(
        "piece-missing",
        ProblemSort.Conflict,
        "A piece is missing",
        "{0} of “{1}” are lost, and {2} holes may stay empty: {3}.",
        "Find it, or replace it from stock."
    );

    /// <summary>The tray forbids it.</summary>
    public static readonly ProblemCode TrayForbids = new(
        "tray-forbids",
        ProblemSort.Conflict,
        "Not with this on the tray: {0}",
        "In the way: {1}.",
        "Undo it first."
    );

    /// <summary>No such guide for this model.</summary>
    public static readonly ProblemCode UnknownGuide = new(
        "unknown-guide",
        ProblemSort.Unknown,
        "No such guide",
        "There is no guide “{0}” for this machine.",
        "Choose one of those shown."
    );

    /// <summary>No such guide is being followed on this job.</summary>
    public static readonly ProblemCode UnknownRun = new(
        "unknown-run",
        ProblemSort.Conflict,
        "Not being followed",
        "That guide was ended, or is from another job.",
        "Load the page again."
    );

    /// <summary>The step was ticked already, by somebody.</summary>
    public static readonly ProblemCode StepTicked = new(
        "step-ticked",
        ProblemSort.Conflict,
        "Done already",
        "“{0}” is {1}: {2}.",
        "Look at the next step; nothing was written."
    );

    /// <summary>Steps before it are not done.</summary>
    public static readonly ProblemCode StepsBefore = new(
        "steps-before",
        ProblemSort.Conflict,
        "Steps before it are open",
        "Before “{0}”: {1}.",
        "Do them, or skip them with a reason."
    );

    /// <summary>A photo is to be taken first.</summary>
    public static readonly ProblemCode PhotoFirst = new(
        "photo-first",
        ProblemSort.Conflict,
        "A photo first",
        "“{0}” asks for one.",
        "Take it, or skip the step with a reason."
    );

    /// <summary>A number that was typed says something else than the answer.</summary>
    public static readonly ProblemCode NumberSaysOtherwise = new(
        "number-says-otherwise",
        ProblemSort.Wrong,
        "The number says otherwise",
        "{0} {1} is not what this step needs.",
        "{2}"
    );
}
