namespace SideBench.Core.Diagnosis;

/// <summary>What kind of thing is to be done next.</summary>
public enum AdviceKind
{
    /// <summary>Find something out.</summary>
    Find,

    /// <summary>Mend something.</summary>
    Mend,

    /// <summary>Prove the repair just made.</summary>
    Prove,

    /// <summary>Proved: clear the tray and close.</summary>
    Close,

    /// <summary>Nothing in the book is worth its cost: hand back with findings.</summary>
    HandBack,
}

/// <summary>What an answer would leave.</summary>
/// <param name="Outcome">The answer.</param>
/// <param name="Chance">How likely it is, 0 to 1.</param>
/// <param name="Leaves">Stations with suspicion after it, largest first.</param>
public sealed record Outlook(string Outcome, double Chance, IReadOnlyList<(string Station, double Suspicion)> Leaves);

/// <summary>One step with what it would cost and bring.</summary>
/// <param name="Step">The step.</param>
/// <param name="Expected">Expected cost from here to a verified fix when it is done first, money.</param>
/// <param name="Cost">Cost of the step alone, money.</param>
/// <param name="FixChance">For a repair: chance that it ends the fault; else null.</param>
/// <param name="Bits">For a finding: how much it can tell, bits; else 0.</param>
/// <param name="Alone">Expected cost when it is done first and only mending follows: what it brings by itself, money.</param>
public sealed record Candidate(BookStep Step, double Expected, double Cost, double? FixChance, double Bits, double Alone = 0);

/// <summary>The one thing to do next, with its reasons.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Chosen">The step; null for close and hand back.</param>
/// <param name="Because">Why, in a sentence or two.</param>
/// <param name="Outlooks">For a finding: what each answer would leave.</param>
/// <param name="Others">What else was close, best first.</param>
/// <param name="Held">What is held back, with its gate.</param>
/// <param name="ExpectedCost">Expected cost from here to a verified fix, money.</param>
/// <param name="Word">When it ends here only for want of the customer's word: the word, the step it would free, and its gate.</param>
public sealed record Advice(
    AdviceKind Kind,
    Candidate? Chosen,
    string Because,
    IReadOnlyList<Outlook> Outlooks,
    IReadOnlyList<Candidate> Others,
    IReadOnlyList<HeldStep> Held,
    double ExpectedCost,
    WordWanted? Word = null
);

/// <summary>The customer's word that would let the work go on.</summary>
/// <param name="Word">Name used in the record, such as <c>past-limit</c>.</param>
/// <param name="Step">The step it would free.</param>
/// <param name="Gate">The gate it would lift.</param>
public sealed record WordWanted(string Word, BookStep Step, Gate Gate);
