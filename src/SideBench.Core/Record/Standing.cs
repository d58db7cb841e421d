namespace SideBench.Core.Record;

/// <summary>What a job needs now.</summary>
public enum Standing
{
    /// <summary>Hands.</summary>
    Hands,

    /// <summary>Time works.</summary>
    Time,

    /// <summary>Parts must come.</summary>
    Parts,

    /// <summary>The customer must speak.</summary>
    Customer,

    /// <summary>Closed; waits to be handed over.</summary>
    Ready,

    /// <summary>Handed over.</summary>
    Gone,
}
