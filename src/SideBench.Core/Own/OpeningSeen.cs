using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Own;

/// <summary>What came off on a job, in order, as an opening can be taught from it: nobody tells twice what is on record.</summary>
public static class OpeningSeen
{
    private const string DefaultView = "front";
    private const double DefaultMin = 1;

    /// <summary>The parts, each once, by when it first came off.</summary>
    /// <param name="lines">Lines of the job that stand, oldest first.</param>
    /// <param name="graph">How the model opens so far.</param>
    /// <param name="numbers">House numbers, with parts that most machines have.</param>
    /// <returns>
    /// A part that the model has with its screws, catches and cables; one that was put on the tray by its name with what it usually is, to
    /// be completed by whoever held it.
    /// </returns>
    public static IReadOnlyList<TaughtPart> Of(IEnumerable<Entry> lines, AccessGraph graph, OwnNumbers numbers) =>
        [
            .. lines
                .SelectMany(l => l.Body.Effect.Puts)
                .Where(IsPart)
                .Select(i => PartOf(i, graph, numbers))
                .Where(p => p.Id.Length > 0)
                .DistinctBy(p => p.Id),
        ];

    /// <summary>The order in which the parts went back on; empty when not all of them did.</summary>
    /// <param name="lines">Lines of the job that stand, oldest first.</param>
    /// <param name="graph">How the model opens so far.</param>
    /// <param name="numbers">House numbers.</param>
    /// <returns>Ids of parts. One that came off again counts from when it was on for good.</returns>
    public static IReadOnlyList<string> Back(IEnumerable<Entry> lines, AccessGraph graph, OwnNumbers numbers)
    {
        var (items, off, back) = (new Dictionary<string, string>(), new HashSet<string>(), new List<string>());
        foreach (var effect in lines.Select(l => l.Body.Effect))
        {
            foreach (var item in effect.Puts.Where(IsPart))
            {
                var part = items[item.Id] = PartOf(item, graph, numbers).Id;
                if (part.Length > 0)
                    off.Add(part);
                back.Remove(part);
            }

            // What leaves the tray and leaves the machine another than it was did not go back: it stays off.
            foreach (var take in effect.Modifications.Count > 0 ? [] : effect.Takes)
                if (items.TryGetValue(take.Item, out var part) && part.Length > 0 && !back.Contains(part))
                    back.Add(part);
        }

        return back.Count == off.Count ? back : [];
    }

    private static bool IsPart(TrayItem item) =>
        TaughtPart.Ways.Contains(item.Change) && (item.Removal is null || item.Removal == item.Part);

    private static TaughtPart PartOf(TrayItem item, AccessGraph graph, OwnNumbers numbers) =>
        (item.Part is { } id ? graph.Part(id) : null) is { } part ? TaughtPart.Of(part) : Named(item, graph, numbers);

    private static TaughtPart Named(TrayItem item, AccessGraph graph, OwnNumbers numbers)
    {
        var name = item.Label.Trim();
        var bare = new TaughtPart(name, DefaultView, item.Change, 0, "", 0, false, false, 0, [], "", DefaultMin);
        if (graph.Part(bare.Id) is { } part)
            return TaughtPart.Of(part);
        return numbers.UsualParts.FirstOrDefault(u => u.Name.Equals(name, StringComparison.OrdinalIgnoreCase)) is { } usual
            ? bare with
            {
                Name = usual.Name,
                View = usual.View,
                Minutes = usual.Minutes,
            }
            : bare;
    }
}
