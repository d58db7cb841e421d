using SideBench.Core.Jobs;

namespace SideBench.Core.Shelf;

/// <summary>The shelf: bottles, keys, boards, tools and parts, each with a life.</summary>
public static class ShelfCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("Shelf", [StockCame.Form, StockWent.Form]) { Numbers = typeof(ShelfNumbers) };
}
