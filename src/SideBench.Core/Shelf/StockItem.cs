using SideBench.Core.Record;

namespace SideBench.Core.Shelf;

/// <summary>Something on the shelf, with a life of its own.</summary>
/// <param name="Id">The number of the line with which it came.</param>
/// <param name="At">When it came.</param>
/// <param name="Came">As it came.</param>
/// <param name="Left">What is left, in its unit.</param>
/// <param name="Spent">Where the rest went, oldest first.</param>
public sealed record StockItem(
    long Id,
    DateTimeOffset At,
    StockCame Came,
    double Left,
    IReadOnlyList<(DateTimeOffset At, StockWent What)> Spent
)
{
    // Smaller than any scale or syringe tells.
    private const double Nothing = 1e-6;

    /// <summary>Whether any of it is left.</summary>
    public bool IsLeft => Left > Nothing;

    /// <summary>All that ever came, oldest first.</summary>
    /// <param name="standing">Lines about the shop that stand.</param>
    public static IReadOnlyList<StockItem> Of(IEnumerable<Entry> standing)
    {
        var lines = standing.ToList();
        var went = lines.Where(e => e.Body is StockWent).Select(e => (e.At, What: (StockWent)e.Body)).ToLookup(w => w.What.Item);
        return
        [
            .. lines
                .Where(e => e.Body is StockCame)
                .Select(e => (Entry: e, Came: (StockCame)e.Body, Spent: went[e.Id.Value].ToList()))
                .Select(i => new StockItem(i.Entry.Id.Value, i.Entry.At, i.Came, i.Came.Amount - i.Spent.Sum(s => s.What.Amount), i.Spent)),
        ];
    }

    /// <summary>The same with what fills on record took of the bottles: the oldest of each ink first.</summary>
    /// <param name="items">The items, oldest first.</param>
    /// <param name="kind">The kind that is poured.</param>
    /// <param name="poured">By what the bottle is for: what was poured, and when; oldest first.</param>
    /// <returns>What was poured before any bottle came, or beyond all of them, is not laid to one.</returns>
    public static IReadOnlyList<StockItem> Poured(
        IReadOnlyList<StockItem> items,
        string kind,
        IEnumerable<(DateTimeOffset At, string For, double Ml)> poured
    )
    {
        var left = items.ToDictionary(i => i.Id, i => i.Left);
        foreach (var (at, of, ml) in poured)
        {
            var rest = ml;
            foreach (var bottle in items.Where(i => i.Came.StockKind == kind && i.At <= at && Same(i.Came.For, of)))
            {
                var taken = Math.Min(rest, Math.Max(0, left[bottle.Id]));
                left[bottle.Id] -= taken;
                rest -= taken;
            }
        }

        return [.. items.Select(i => i with { Left = left[i.Id] })];
    }

    /// <summary>Whether two names of what a thing is for mean the same.</summary>
    public static bool Same(string a, string b) => string.Equals(a.Trim(), b.Trim(), StringComparison.OrdinalIgnoreCase);
}
