using SideBench.Core.Jobs;

namespace SideBench.Core.HeadCare;

/// <summary>Head care: what a clean, a rest, a soak or a flush is worth on this head.</summary>
public static class HeadCareCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("HeadCare", []) { Numbers = typeof(HeadCareNumbers) };
}
