using System.Globalization;
using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>A kind of work that some people of a shop may leave to others.</summary>
/// <param name="Id">Its name in lines.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Tags">Steps of the book with one of these are of it.</param>
public sealed record WorkKind(string Id, string Name, IReadOnlyList<string> Tags);

/// <summary>What the day of this shop keeps to.</summary>
/// <param name="Corners">Machines that may stand open at the same time; 0 for as many as come.</param>
/// <param name="Aired">Loud and smelly work is done within these hours of a day; none for any open hour.</param>
/// <param name="Leaves">Kinds of work that a person leaves to others, by person.</param>
public sealed record DayRules(int Corners, IReadOnlyList<HourSpan> Aired, IReadOnlyDictionary<long, IReadOnlyList<string>> Leaves)
{
    /// <summary>Most places that can be told.</summary>
    public const int MostCorners = 99;

    /// <summary>As the shop's lines set them, over the house's.</summary>
    /// <param name="shop">Lines about the shop that stand, oldest first.</param>
    /// <param name="numbers">House numbers.</param>
    public static DayRules Of(IEnumerable<Entry> shop, DayNumbers numbers)
    {
        var (corners, aired, leaves) = (numbers.Corners, "", new Dictionary<long, IReadOnlyList<string>>());
        foreach (var set in shop.Select(e => e.Body).OfType<DayRuleSet>())
            if (set.Rule == DayRule.Leaves)
                leaves[set.Of] = set.Value.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            else if (set.Rule == DayRule.Aired)
                aired = set.Value;
            else
                corners = int.Parse(set.Value, CultureInfo.InvariantCulture);
        return new DayRules(corners, HourSpan.Read(aired) ?? [], leaves);
    }

    /// <summary>Tags of steps that a person leaves to others.</summary>
    /// <param name="person">Who.</param>
    /// <param name="numbers">House numbers.</param>
    public IReadOnlySet<string> Barred(long person, DayNumbers numbers) =>
        Leaves.TryGetValue(person, out var kinds)
            ? numbers.Kinds.Where(k => kinds.Contains(k.Id)).SelectMany(k => k.Tags).ToHashSet()
            : new HashSet<string>();

    /// <summary>Kinds of work that a person leaves to others and a step is of.</summary>
    /// <param name="person">Who.</param>
    /// <param name="tags">The step's tags.</param>
    /// <param name="numbers">House numbers.</param>
    public IReadOnlyList<WorkKind> LeftTo(long person, IReadOnlyList<string> tags, DayNumbers numbers) =>
        Leaves.TryGetValue(person, out var kinds) ? [.. numbers.Kinds.Where(k => kinds.Contains(k.Id) && k.Tags.Any(tags.Contains))] : [];
}
