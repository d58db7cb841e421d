namespace SideBench.Core.Outcomes;

/// <summary>Problems of packs.</summary>
public sealed partial record ProblemCode
{
    /// <summary>A pack file is not valid JSON.</summary>
    public static readonly ProblemCode PackNotJson = new(
        "pack-not-json",
        ProblemSort.Wrong,
        "Pack file is not JSON",
        "It stops making sense at line {0}, character {1}.",
        "Mend the file there."
    );

    /// <summary>A pack file does not fit its schema.</summary>
    public static readonly ProblemCode PackNotInSchema = new(
        "pack-not-in-schema",
        ProblemSort.Wrong,
        "Pack file does not fit its schema",
        "{0}",
        "Compare it with the schema in packs/schema."
    );

    /// <summary>A pack names a thing that no pack defines.</summary>
    public static readonly ProblemCode PackUnknownName = new(
        "pack-unknown-name",
        ProblemSort.Wrong,
        "Pack names something unknown",
        "There is no {0} “{1}”.",
        "Check the spelling, or add it."
    );

    /// <summary>A list is to have an entry for each of something.</summary>
    public static readonly ProblemCode PackNotAsMany = new(
        "pack-not-as-many",
        ProblemSort.Wrong,
        "Not one for each",
        "{0} are told; one for each {1} makes {2}.",
        "Tell the rest, in the same order, or take away what is too much."
    );

    /// <summary>Two packs define the same thing.</summary>
    public static readonly ProblemCode PackDefinedTwice = new(
        "pack-defined-twice",
        ProblemSort.Wrong,
        "Pack defines something twice",
        "The {0} “{1}” is there already.",
        "Give it another id, or remove one."
    );

    /// <summary>Likelihoods that cannot be: the words of one row add up to far from one.</summary>
    public static readonly ProblemCode PackImpossibleOdds = new(
        "pack-impossible-odds",
        ProblemSort.Wrong,
        "Odds that cannot be",
        "The words of this row add up to {0}.",
        "They should come to about 1; leave one answer out to give it the rest."
    );

    /// <summary>A case of the book holds more than can be told apart.</summary>
    public static readonly ProblemCode PackTooLarge = new(
        "pack-too-large",
        ProblemSort.Wrong,
        "The book is too large for one case",
        "On {0}, {1} has {2} findings and {3} openings; {4} and {5} can be told apart.",
        "Narrow down with “when” which of them speak of this complaint on this model."
    );

    /// <summary>A pack cannot be read from disk.</summary>
    public static readonly ProblemCode PackUnreadable = new(
        "pack-unreadable",
        ProblemSort.Wrong,
        "Pack file cannot be read",
        "{0}",
        "Check that the file is there and readable."
    );

    /// <summary>A craft's house numbers are not all there, or there is one too many.</summary>
    public static readonly ProblemCode PackNumbersIncomplete = new(
        "pack-numbers-incomplete",
        ProblemSort.Wrong,
        "House numbers are not as the craft needs them",
        "{0}: {1}",
        "Name every number of the craft once, and no other."
    );
}
