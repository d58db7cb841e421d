using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>What one machine's record says of one part.</summary>
/// <param name="Part">The part.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Times">How often it was off.</param>
/// <param name="LastOff">When it was last off.</param>
/// <param name="By">Who took it off.</param>
/// <param name="Job">On which job.</param>
/// <param name="LastBack">When it went back; null while it is off.</param>
/// <param name="Renewed">When it was last renewed, and with what; null when never.</param>
public sealed record PartLife(
    string Part,
    string Name,
    int Times,
    DateTimeOffset LastOff,
    string By,
    JobId? Job,
    DateTimeOffset? LastBack,
    (DateTimeOffset At, PartRenewed Line)? Renewed
)
{
    /// <summary>Kinds of line that speak of parts and services.</summary>
    public static readonly IReadOnlyList<string> Kinds =
    [
        TakenIn.Form.Name,
        TakenOff.Form.Name,
        PutBack.Form.Name,
        LeftOff.Form.Name,
        PartRenewed.Form.Name,
        PieceLost.Form.Name,
        Answered.Form.Name,
        Mended.Form.Name,
        GuideTicked.Form.Name,
    ];

    /// <summary>Everything the record says of parts, the last opened first.</summary>
    /// <param name="entries">Lines of the machine's life, oldest first.</param>
    /// <param name="graph">How its model opens, for names; null when it has no graph.</param>
    public static IReadOnlyList<PartLife> Of(IReadOnlyList<Entry> entries, AccessGraph? graph)
    {
        var lives = new Dictionary<string, PartLife>();
        foreach (var entry in entries)
        {
            switch (entry.Body)
            {
                case TakenOff off when off.Removal == off.Part:
                    var before = lives.GetValueOrDefault(off.Part);
                    lives[off.Part] = new PartLife(
                        off.Part,
                        NameOf(graph, off.Part, off.Item.Label),
                        (before?.Times ?? 0) + 1,
                        entry.At,
                        entry.PersonName,
                        entry.Job,
                        null,
                        before?.Renewed
                    );
                    break;
                case PutBack back when lives.TryGetValue(back.Removal, out var life):
                    lives[back.Removal] = life with { LastBack = entry.At };
                    break;
                case PartRenewed renewed:
                    var known =
                        lives.GetValueOrDefault(renewed.Part)
                        ?? new PartLife(
                            renewed.Part,
                            NameOf(graph, renewed.Part, renewed.Name),
                            0,
                            entry.At,
                            entry.PersonName,
                            entry.Job,
                            entry.At,
                            null
                        );
                    lives[renewed.Part] = known with { Renewed = (entry.At, renewed) };
                    break;
            }
        }

        return [.. lives.Values.OrderByDescending(l => l.LastOff)];
    }

    /// <summary>When services fall due on a machine, by its record.</summary>
    /// <param name="entries">Lines of the machine's life, oldest first.</param>
    /// <param name="graph">How its model opens.</param>
    /// <param name="now">The time.</param>
    public static IReadOnlyList<DueForecast> Due(IReadOnlyList<Entry> entries, AccessGraph graph, DateTimeOffset now)
    {
        if (entries.Count == 0)
            return [];
        var counter = new List<(DateTimeOffset At, CounterShare Stood)>();
        var done = new Dictionary<string, DateTimeOffset>();
        foreach (var entry in entries)
        {
            if (MachineCase.EffectOf(entry).Effect.Readings.Select(r => r.Counter).LastOrDefault(c => c is not null) is { } stood)
            {
                // A reading below the last one: it was reset between.
                if (counter.Count > 0 && counter[^1].Stood.Pct > stood.Pct)
                    counter.Clear();
                counter.Add((entry.At, stood));
            }

            if (entry.Body is Mended mended)
                done[mended.Repair] = entry.At;
        }

        return WhileOpen.Due(graph, counter, done, entries[0].At, now);
    }

    private static string NameOf(AccessGraph? graph, string part, string otherwise) =>
        graph?.Part(part)?.Name.ToLowerInvariant() ?? otherwise;
}
