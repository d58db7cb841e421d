namespace SideBench.Core.Record;

/// <summary>
/// What a correction takes out of force: the line it names, and nothing else. This is the one place in code that knows it; the view
/// <c>standing_entries</c> is the one place in SQL.
/// </summary>
public static class TakenBack
{
    /// <summary>Numbers of the lines that are taken back.</summary>
    /// <param name="entries">Lines of one subject.</param>
    public static HashSet<long> In(IEnumerable<Entry> entries) =>
        [.. entries.Select(e => e.Body).OfType<Corrected>().Select(c => c.Target)];

    /// <summary>The lines that stand, in their order.</summary>
    /// <param name="entries">Lines of one subject.</param>
    public static IEnumerable<Entry> Without(IReadOnlyList<Entry> entries)
    {
        var gone = In(entries);
        return entries.Where(e => !gone.Contains(e.Id.Value));
    }
}
