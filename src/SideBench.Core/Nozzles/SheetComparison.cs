namespace SideBench.Core.Nozzles;

/// <summary>What became of a unit's gaps between two sheets.</summary>
public enum GapMove
{
    /// <summary>There were none and are none.</summary>
    Complete,

    /// <summary>All came back.</summary>
    Cleared,

    /// <summary>Fewer, and what is left was missing before.</summary>
    Clearing,

    /// <summary>The same nozzles, far more than chance would give.</summary>
    Still,

    /// <summary>Others each time, about as chance would give.</summary>
    Moving,

    /// <summary>Clearly more than before.</summary>
    Worse,

    /// <summary>New where there were none.</summary>
    New,

    /// <summary>Too few to tell.</summary>
    Unclear,
}

/// <summary>One unit on two sheets of the same machine.</summary>
/// <param name="Unit">The unit.</param>
/// <param name="CameBack">Missing before, there now.</param>
/// <param name="StillMissing">Missing on both.</param>
/// <param name="NewlyMissing">There before, missing now.</param>
/// <param name="OverlapShare">Of those missing now, the share that was missing before, 0 to 1.</param>
/// <param name="ChanceShare">What chance would give.</param>
/// <param name="ByChance">Chance of at least so many in common if the gaps were placed anew, 0 to 1.</param>
/// <param name="Move">What that means.</param>
public sealed record SheetComparison(
    string Unit,
    IReadOnlyList<int> CameBack,
    IReadOnlyList<int> StillMissing,
    IReadOnlyList<int> NewlyMissing,
    double OverlapShare,
    double ChanceShare,
    double ByChance,
    GapMove Move
)
{
    /// <summary>Compares.</summary>
    /// <param name="before">The earlier sheet's unit.</param>
    /// <param name="now">The later one's, with as many nozzles.</param>
    /// <param name="house">From where on a change means something.</param>
    /// <returns>Null when they are not of the same unit.</returns>
    public static SheetComparison? Of(UnitLine before, UnitLine now, SheetNumbers house)
    {
        if (before.Id != now.Id || before.Nozzles.Length != now.Nozzles.Length)
            return null;
        var (was, isNow) = (before.Missing.ToHashSet(), now.Missing.ToHashSet());
        var (back, still, newly) = (
            was.Where(n => !isNow.Contains(n)).Order().ToList(),
            was.Where(isNow.Contains).Order().ToList(),
            isNow.Where(n => !was.Contains(n)).Order().ToList()
        );
        var all = now.Nozzles.Length;
        var byChance = Hypergeometric.AtLeast(all, was.Count, isNow.Count, still.Count);
        return new SheetComparison(
            now.Id,
            back,
            still,
            newly,
            isNow.Count == 0 ? 0 : (double)still.Count / isNow.Count,
            (double)was.Count / all,
            byChance,
            MoveOf(was.Count, isNow.Count, still.Count, byChance, house)
        );
    }

    private static GapMove MoveOf(int was, int isNow, int still, double byChance, SheetNumbers house)
    {
        if (isNow == 0)
            return was == 0 ? GapMove.Complete : GapMove.Cleared;
        if (was == 0)
            return GapMove.New;
        if (isNow > Math.Max(was + house.LeastMore, house.ClearlyMore * was))
            return GapMove.Worse;
        if (was >= house.LeastToTell && isNow >= house.LeastToTell && byChance > house.WellChance && 2 * still < isNow)
            return GapMove.Moving;
        if (isNow <= house.ClearlyFewer * was && still >= 0.5 * isNow)
            return GapMove.Clearing;
        return byChance < house.NoChance || still == isNow ? GapMove.Still : GapMove.Unclear;
    }
}
