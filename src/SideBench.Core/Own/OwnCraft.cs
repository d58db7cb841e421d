using SideBench.Core.Jobs;

namespace SideBench.Core.Own;

/// <summary>Machines that no pack knows: a kind first, then what each visit teaches.</summary>
public static class OwnCraft
{
    /// <summary>It, to plug in.</summary>
    public static readonly Craft Craft = new("Own", [OwnFileKept.Form]) { Numbers = typeof(OwnNumbers) };

    /// <summary>The latest of every own file that stands, in the order in which they were first written.</summary>
    /// <param name="lines">Lines about the shop that stand, oldest first.</param>
    public static IReadOnlyList<OwnFileKept> Files(IEnumerable<Record.Entry> lines) =>
        [.. lines.Select(e => e.Body).OfType<OwnFileKept>().GroupBy(f => (f.Sort, f.Id)).Select(g => g.Last())];
}
