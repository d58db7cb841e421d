using SideBench.Core.Outcomes;

namespace SideBench.Core.Own;

/// <summary>What a person can cause or mend with own machines, each with its words and what sort it is.</summary>
public static class OwnProblem
{
    /// <summary>A measurement that is none, or is taken.</summary>
    public static readonly ProblemCode NoMeasure = new(
        "no-measure",
        ProblemSort.Wrong,
        "There is no such measurement to take",
        "Nothing is left to take of “{0}”: it is in the figures already, its lines were taken back, or it is far off.",
        "Look at what the record measured as it stands now."
    );

    /// <summary>Two answers that no machine gives together.</summary>
    public static readonly ProblemCode Contradiction = new(
        "own-contradiction",
        ProblemSort.Wrong,
        "These answers do not go together",
        "{0}",
        "Look at the machine again and change one of the two."
    );

    /// <summary>A field of a model's file is not as the packs' rules have it.</summary>
    public static readonly ProblemCode PartBad = new(
        "own-part-bad",
        ProblemSort.Wrong,
        "This cannot stand here",
        "{0}.",
        "Put it right, or leave it out where it need not be told."
    );

    /// <summary>What was sent is what stands there.</summary>
    public static readonly ProblemCode NothingNew = new(
        "own-nothing-new",
        ProblemSort.Wrong,
        "Nothing would change",
        "{0}: it stands so already.",
        "Change something, or leave it."
    );

    /// <summary>Another model has that id or name.</summary>
    public static readonly ProblemCode ModelThere = new(
        "own-model-there",
        ProblemSort.Wrong,
        "There is such a model already",
        "{0} is known.",
        "Choose it, or give this one another name."
    );

    /// <summary>Another model has that beginning of serials.</summary>
    public static readonly ProblemCode PrefixTaken = new(
        "own-prefix-taken",
        ProblemSort.Wrong,
        "Another model's serials begin so",
        "{1} has the beginning “{0}” already.",
        "Give more of the serial's beginning, or leave it out."
    );

    /// <summary>No such own model.</summary>
    public static readonly ProblemCode NotOwn = new(
        "own-not-own",
        ProblemSort.Unknown,
        "Not a model of the shop's own",
        "“{0}” comes with the house pack, or is not known.",
        "Make one like it, and change that."
    );

    /// <summary>No such figure.</summary>
    public static readonly ProblemCode UnknownFigure = new(
        "own-unknown-figure",
        ProblemSort.Wrong,
        "No such figure",
        "This model has no figure “{0}”.",
        "Choose one of those shown."
    );

    /// <summary>A measurement far from what was expected.</summary>
    public static readonly ProblemCode FarOff = new(
        "own-far-off",
        ProblemSort.Wrong,
        "Far from what was expected",
        "{0} {1} was measured; {2} to {3} {1} was expected.",
        "Measure again. If it is so, say that it is."
    );

    /// <summary>A file of the shop's own does not fit the rest.</summary>
    public static readonly ProblemCode FileBad = new(
        "own-file-bad",
        ProblemSort.Wrong,
        "The file cannot be taken in",
        "{0}",
        "Mend it there; docs/packs.md says how a pack is written."
    );

    /// <summary>An imported file would replace one that differs, and nobody said that it should.</summary>
    public static readonly ProblemCode WouldReplace = new(
        "own-would-replace",
        ProblemSort.Wrong,
        "It would replace what is here",
        "{0} is here in version {1}, the pack brings version {2}.",
        "Look at the differences, then say that it is to be replaced."
    );

    /// <summary>The only version of a model is not taken back.</summary>
    public static readonly ProblemCode LastVersion = new(
        "own-last-version",
        ProblemSort.Wrong,
        "It is the only version there is",
        "Machines may be of this model; without it nothing could be said of them.",
        "Change what is wrong on the model's page."
    );
}
