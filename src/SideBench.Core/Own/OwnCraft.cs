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

    /// <summary>
    /// What an own file was at a time: the last that was written by then, of those that stand. Before there was one it was as the first,
    /// which is what a pack had of it; null when there is none.
    /// </summary>
    /// <param name="lines">Lines about the shop that stand, oldest first.</param>
    /// <param name="sort">machine, access or sheet.</param>
    /// <param name="id">Which.</param>
    /// <param name="at">When.</param>
    public static OwnFileKept? At(IEnumerable<Record.Entry> lines, string sort, string id, DateTimeOffset at)
    {
        var all = lines.Where(e => e.Body is OwnFileKept file && (file.Sort, file.Id) == (sort, id)).ToList();
        return (OwnFileKept?)(all.LastOrDefault(e => e.At <= at) ?? all.FirstOrDefault())?.Body;
    }

    /// <summary>Whether taking a line back would leave a model, or a sheet, without any version: machines may be of it.</summary>
    /// <param name="lines">Lines about the shop that stand.</param>
    /// <param name="line">The line to be taken back.</param>
    public static bool IsLastOf(IReadOnlyCollection<Record.Entry> lines, long line) =>
        lines.FirstOrDefault(e => e.Id.Value == line)?.Body is OwnFileKept file
        && lines.Count(e => e.Body is OwnFileKept other && (other.Sort, other.Id) == (file.Sort, file.Id)) == 1;
}
