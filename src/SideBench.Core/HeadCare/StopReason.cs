namespace SideBench.Core.HeadCare;

/// <summary>Why nothing more is done to the head.</summary>
public enum StopReason
{
    /// <summary>Nothing is missing.</summary>
    Complete,

    /// <summary>What an application would bring is not worth its price.</summary>
    NotWorthIt,

    /// <summary>Air in the channel is likelier than a clog: look to the supply.</summary>
    Air,

    /// <summary>The supply cannot follow: look to it before the head.</summary>
    Starved,
}
