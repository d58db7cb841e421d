using SideBench.Core.Record;
using SideBench.Core.Shelf;

namespace SideBench.Core.Diagnosis;

/// <summary>What holds for every job of the shop at this time.</summary>
/// <param name="Schools">The shop's schools, by school.</param>
/// <param name="PartsMissing">Parts that are not on the shelf.</param>
/// <param name="Edits">Edits of the book that stand, oldest first.</param>
/// <param name="Stock">What came onto the shelf, oldest first.</param>
public sealed record ShopState(
    IReadOnlyDictionary<string, string> Schools,
    IReadOnlyCollection<string> PartsMissing,
    IReadOnlyList<BookEdited> Edits,
    IReadOnlyList<StockItem> Stock
)
{
    /// <summary>A shop that chose nothing.</summary>
    public static ShopState New { get; } = new(new Dictionary<string, string>(), [], [], []);

    /// <summary>Where the shop stands after these lines.</summary>
    /// <param name="entries">Lines that belong to no job and no machine, in order.</param>
    public static ShopState Of(IReadOnlyList<Entry> entries)
    {
        var lines = TakenBack.Without(entries).ToList();
        var standing = lines.Select(e => e.Body).ToList();
        var schools = new Dictionary<string, string>();
        foreach (var chosen in standing.OfType<SchoolChosen>())
            schools[chosen.School] = chosen.Option;
        var parts = standing.OfType<PartTold>().GroupBy(p => p.Part).Where(g => !g.Last().Here).Select(g => g.Key);
        return new ShopState(schools, [.. parts], [.. standing.OfType<BookEdited>()], StockItem.Of(lines));
    }
}
