using SideBench.Core.Jobs;

namespace SideBench.Core.Waste;

/// <summary>Waste ink: what a store holds, and whether its counter may be reset.</summary>
public static class WasteCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("Waste", []) { Numbers = typeof(WasteNumbers) };
}
