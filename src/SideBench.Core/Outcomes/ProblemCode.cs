namespace SideBench.Core.Outcomes;

/// <summary>What sort of problem it is: how whoever asked is to take it.</summary>
public enum ProblemSort
{
    /// <summary>What was said is wrong or missing.</summary>
    Wrong,

    /// <summary>There is no such thing.</summary>
    Unknown,

    /// <summary>It does not go with how things stand.</summary>
    Conflict,

    /// <summary>Nobody is signed in, or not rightly.</summary>
    SignIn,

    /// <summary>This person may not.</summary>
    Forbidden,

    /// <summary>Too often in too short a time.</summary>
    TooMany,

    /// <summary>The records cannot be reached now.</summary>
    Away,

    /// <summary>We broke.</summary>
    Ours,

    /// <summary>The request makes no sense.</summary>
    NotUnderstood,
}

/// <summary>
/// A problem that a person can cause or mend, in one row: its code, what sort it is, and its words. A craft keeps its own rows in its
/// folder.
/// </summary>
/// <param name="Id">Its code, as stored and sent; never changed.</param>
/// <param name="Sort">What sort it is.</param>
/// <param name="Title">Short and factual; {0}, {1} … stand for the problem's facts.</param>
/// <param name="Detail">The facts behind it.</param>
/// <param name="Hint">What to do next.</param>
public sealed partial record ProblemCode(string Id, ProblemSort Sort, string Title, string Detail, string Hint)
{
    /// <inheritdoc/>
    public override string ToString() => Id;
}
