namespace SideBench.Core.Nozzles;

/// <summary>What the nozzles of a unit look like as a whole. When several fit, the first in this order counts.</summary>
public enum PatternClass
{
    /// <summary>No nozzle fires.</summary>
    Blank,

    /// <summary>All but a few are missing.</summary>
    NearBlank,

    /// <summary>The dashes are there in a wrong colour: another ink got in.</summary>
    Contaminated,

    /// <summary>Good at the top, then fading until nothing is left.</summary>
    Starvation,

    /// <summary>Every second, third or fourth is missing.</summary>
    EveryKth,

    /// <summary>A group of neighbours is displaced to one side.</summary>
    DeflectedGroup,

    /// <summary>A group of neighbours is weak.</summary>
    WeakGroup,

    /// <summary>One unbroken run is missing.</summary>
    Run,

    /// <summary>Single ones here and there.</summary>
    Scattered,

    /// <summary>Every nozzle is good.</summary>
    None,
}
