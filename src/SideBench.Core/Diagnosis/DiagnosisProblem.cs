using SideBench.Core.Outcomes;

namespace SideBench.Core.Diagnosis;

/// <summary>What a person can cause or mend in diagnosis, each with its words and what sort it is.</summary>
public static class DiagnosisProblem
{
    /// <summary>A gate holds this step back.</summary>
    public static readonly ProblemCode HeldBack = new("held-back", ProblemSort.Conflict, "Not now: {0}", "{1}", "What would allow it: {2}");

    /// <summary>A code that does not say what was told.</summary>
    public static readonly ProblemCode OtherCode = new(
        "other-code",
        ProblemSort.Wrong,
        "The code says something else",
        "This model has no code “{0}” that says “{1}”.",
        "Type the code as the panel shows it; teach it on the model's page when it is new."
    );

    /// <summary>What was seen before this visit proves nothing, and says nothing once work was done.</summary>
    public static readonly ProblemCode SeenTooEarly = new(
        "seen-too-early",
        ProblemSort.Conflict,
        "Look again",
        "“{0}” is a proof, or work was done since it was seen: it may be otherwise now.",
        "Look again as soon as nothing holds it."
    );

    /// <summary>A repair was made and not proved.</summary>
    public static readonly ProblemCode NotProved = new(
        "not-proved",
        ProblemSort.Conflict,
        "Not proved yet",
        "No repair of this job has been proved.",
        "Prove it, or close unproved with a reason."
    );

    /// <summary>No such step in the fault book for this machine.</summary>
    public static readonly ProblemCode UnknownStep = new(
        "unknown-step",
        ProblemSort.Conflict,
        "The step is gone",
        "“{0}” is not a step for this job now.",
        "Load the page again and take the step shown."
    );

    /// <summary>No such answer to this step.</summary>
    public static readonly ProblemCode UnknownAnswer = new(
        "unknown-answer",
        ProblemSort.Wrong,
        "No such answer",
        "“{0}” is not an answer to “{1}”.",
        "Choose one of the answers shown."
    );

    /// <summary>The thread is closed; others may be open.</summary>
    public static readonly ProblemCode ThreadClosed = new(
        "thread-closed",
        ProblemSort.Conflict,
        "The thread is closed",
        "It takes no more work; others may be open.",
        "Take its ending back, or open another thread."
    );

    /// <summary>Such a thread is open already.</summary>
    public static readonly ProblemCode ThreadThere = new(
        "thread-there",
        ProblemSort.Conflict,
        "The thread is there already",
        "One with this complaint and place is open.",
        "Go on with that one."
    );

    /// <summary>The model has no such part.</summary>
    public static readonly ProblemCode PartNotOnModel = new(
        "part-not-on-model",
        ProblemSort.Wrong,
        "This model has no such part",
        "“{0}” looks at the {1}; a {2} has none.",
        "Choose a finding of this machine."
    );

    /// <summary>The step says nothing about the complaint.</summary>
    public static readonly ProblemCode StepTellsNothing = new(
        "step-tells-nothing",
        ProblemSort.Wrong,
        "It says nothing about this",
        "“{0}” tells nothing about “{1}”.",
        "Give it in the thread it belongs to, or write a note."
    );

    /// <summary>The edit would make the book impossible.</summary>
    public static readonly ProblemCode EditImpossible = new(
        "edit-impossible",
        ProblemSort.Wrong,
        "The edit changes nothing or cannot be",
        "{0}",
        "Choose another word."
    );

    /// <summary>No such thread in this job.</summary>
    public static readonly ProblemCode UnknownThread = new(
        "unknown-thread",
        ProblemSort.Unknown,
        "No such thread",
        "This job has no thread {0}.",
        "Load the page again."
    );

    /// <summary>No such school or practice.</summary>
    public static readonly ProblemCode UnknownSchool = new(
        "unknown-school",
        ProblemSort.Wrong,
        "No such school",
        "There is no choice “{0}” for “{1}”.",
        "Choose one of those shown."
    );

    /// <summary>No such cause or code in the book.</summary>
    public static readonly ProblemCode NotInBook = new(
        "not-in-book",
        ProblemSort.Unknown,
        "Not in the book",
        "The book has no “{0}”.",
        "Look for it under Guides."
    );

    /// <summary>The complaint does not occur on this model.</summary>
    public static readonly ProblemCode ComplaintDoesNotFit = new(
        "complaint-does-not-fit",
        ProblemSort.Wrong,
        "The complaint does not fit the machine",
        "“{0}” does not occur on a {1}.",
        "Choose another complaint."
    );

    /// <summary>The machine cannot clean just these slots.</summary>
    public static readonly ProblemCode NotCleanedAlone = new(
        "not-cleaned-alone",
        ProblemSort.Wrong,
        "The machine does not clean just these",
        "{0} cleans these together: {1}.",
        "Name whole groups, or none for all."
    );

    /// <summary>A number that was typed says another answer than the one pressed.</summary>
    public static readonly ProblemCode NumberSaysOther = new(
        "number-says-other",
        ProblemSort.Wrong,
        "The number says another answer",
        "{0} {1} says “{2}”, not “{3}”.",
        "Measure again, or press the answer that the number says."
    );

    /// <summary>An answer that says nothing without its number came without it.</summary>
    public static readonly ProblemCode NumberNeeded = new(
        "number-needed",
        ProblemSort.Wrong,
        "The number is needed",
        "“{0}” says nothing without its number.",
        "Type the number beside the answer, then press it again."
    );

    /// <summary>Something was told of an old part where none is changed.</summary>
    public static readonly ProblemCode NoPart = new(
        "no-part",
        ProblemSort.Wrong,
        "No part is changed",
        "{0} changes no part, so there is no old one.",
        "Leave that empty."
    );
}
