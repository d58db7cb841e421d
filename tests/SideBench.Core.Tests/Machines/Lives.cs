using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Tests;

/// <summary>Lives of things over all machines, found line by line: the slow way, with nothing kept.</summary>
internal static class Lives
{
    /// <summary>The lines that stand about each thing of a kind, oldest first.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="shop">Lines about the shop.</param>
    /// <param name="told">Lines of machines.</param>
    public static IEnumerable<(string Name, List<ShopLine> Lines)> OfKind(
        SubjectKind kind,
        IReadOnlyList<Entry> shop,
        IReadOnlyList<ShopLine> told
    )
    {
        var ofMachines = told.GroupBy(l => (l.Machine, l.Model, l.Serial))
            .SelectMany(g =>
                TouchedSubjects
                    .Of(g.Key.Machine, g.Key.Model, [.. g.Select(l => l.Entry)])
                    .SelectMany(t => t.Subjects, (t, s) => (s, new ShopLine(t.Line, g.Key.Machine, g.Key.Model, g.Key.Serial)))
            );
        var ofShop = TouchedSubjects.OfShop(shop).SelectMany(t => t.Subjects, (t, s) => (s, new ShopLine(t.Line, 0, "", "")));
        var gone = TakenBack.In(shop.Concat(told.Select(l => l.Entry)));
        return ofMachines
            .Concat(ofShop)
            .Where(l => l.Item1.Kind == kind && !gone.Contains(l.Item2.Entry.Id.Value))
            .GroupBy(l => l.Item1.Name, l => l.Item2)
            .Select(g => (g.Key, g.OrderBy(l => l.Entry.Id.Value).ToList()));
    }
}
