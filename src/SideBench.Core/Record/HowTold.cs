namespace SideBench.Core.Record;

/// <summary>How a line was told. Lines of before this was kept have none.</summary>
public enum HowTold
{
    /// <summary>By the key that stands beside what it says.</summary>
    Key,

    /// <summary>By hand: mouse, pen or finger.</summary>
    Hand,

    /// <summary>Typed in words or numbers.</summary>
    Typed,

    /// <summary>Read off a picture or by a scanner.</summary>
    Scan,

    /// <summary>Made by the step of a guide that was ticked.</summary>
    Guide,
}
