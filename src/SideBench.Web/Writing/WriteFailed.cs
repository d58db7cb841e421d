namespace SideBench.Web.Writing;

/// <summary>A write that broke, and whether it is known that nothing was written.</summary>
/// <param name="isKnown">True when it broke before it was sent for good; false when the answer to that was lost.</param>
/// <param name="inner">What broke.</param>
public sealed class WriteFailed(bool isKnown, Exception inner) : Exception("a write failed", inner)
{
    /// <summary>Whether it is known that nothing was written.</summary>
    public bool IsKnown => isKnown;
}
