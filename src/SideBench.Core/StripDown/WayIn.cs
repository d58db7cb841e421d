using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.StripDown;

/// <summary>The way to some parts: what comes off, in which order, with what, for how long.</summary>
/// <param name="Parts">Parts that come off, in the graph's order.</param>
/// <param name="Steps">What the hand does, in order.</param>
/// <param name="Out">Bench time to get there, with changing tools and turning.</param>
/// <param name="Back">Bench time to put it all back.</param>
/// <param name="Tools">Tools to lay out first.</param>
/// <param name="Needs">Consumables to lay out first.</param>
/// <param name="Spends">Parts that cannot come off without spending something for good.</param>
/// <param name="LeaveAlone">What is to be left alone on the way.</param>
/// <param name="ToolChanges">Tool changes.</param>
/// <param name="Turns">Turnings of the machine.</param>
/// <param name="IsBestOrder">Whether no order needs less changing and turning.</param>
public sealed record OpeningWay(
    IReadOnlyList<MachinePart> Parts,
    IReadOnlyList<Removal> Steps,
    Minutes Out,
    Minutes Back,
    IReadOnlyList<string> Tools,
    IReadOnlyList<string> Needs,
    IReadOnlyList<MachinePart> Spends,
    IReadOnlyList<string> LeaveAlone,
    int ToolChanges,
    int Turns,
    bool IsBestOrder
)
{
    /// <summary>Bench time out and back.</summary>
    public Minutes Both => Out + Back;
}

/// <summary>Finds the shortest way in.</summary>
public static class WayIn
{
    /// <summary>The cheapest way that frees all targets.</summary>
    /// <param name="graph">How the machine opens.</param>
    /// <param name="targets">Names of the parts to reach; unknown ones are left out.</param>
    /// <param name="handling">What changing tools and turning costs.</param>
    /// <param name="done">Removals that are done already, by name.</param>
    /// <param name="sparesSeals">Whether warranty seals are spared where that can be.</param>
    /// <param name="view">The side that is before the hand.</param>
    public static OpeningWay To(
        AccessGraph graph,
        IEnumerable<string> targets,
        Handling handling,
        IReadOnlySet<string>? done = null,
        bool sparesSeals = false,
        string view = "front"
    )
    {
        done ??= new HashSet<string>();
        var off = Enumerable.Range(0, graph.Parts.Count).Where(i => done.Contains(graph.Parts[i].Id)).ToHashSet();
        var chosen = new CheapestSet(graph, sparesSeals).For(targets.Select(graph.IndexOf).Where(i => i >= 0), off);
        var parts = chosen.Select(i => graph.Parts[i]).ToList();
        var steps = parts.SelectMany(Removals.Of).Where(r => !done.Contains(r.Id)).ToList();
        var forth = HandOrder.Of(Pieces(graph, steps), handling, view);
        var back = HandOrder.Of(Reversed(Pieces(graph, steps)), handling, view);
        return new OpeningWay(
            parts,
            [.. forth.Order.Select(i => steps[i])],
            Minutes.Sum(steps.Select(s => s.Out)) + forth.Handling,
            Minutes.Sum(steps.Select(s => s.Back)) + back.Handling,
            [.. forth.Order.Select(i => steps[i].Tool).Where(t => t.Length > 0).Distinct()],
            [.. parts.SelectMany(p => p.Needs).Distinct()],
            [.. parts.Where(p => p.Spends.Length > 0)],
            [.. parts.SelectMany(p => p.LeaveAlone).Concat(NeverCut(graph, parts)).Distinct()],
            forth.ToolChanges,
            forth.Turns,
            forth.IsBest
        );
    }

    /// <summary>
    /// What comes before what among removals: what the panel frees before the mains lead, the lead before all else, parts as the graph has
    /// it, and what holds a part before the part.
    /// </summary>
    public static IReadOnlyList<HandPiece> Pieces(AccessGraph graph, IReadOnlyList<Removal> steps)
    {
        var index = steps.Select((s, i) => (s.Id, i)).ToDictionary(p => p.Id, p => p.i);
        return
        [
            .. steps.Select(step =>
            {
                var before = graph.Part(step.Part) is { } part ? part.After.SelectMany(line => line) : [];
                var held = step.IsPart ? steps.Where(s => s.Part == step.Part && !s.IsPart).Select(s => s.Id) : [];
                var powered = graph.Part(step.Part)?.Powered == true;
                var lead =
                    step.Part == MainsLead ? steps.Where(s => graph.Part(s.Part)?.Powered == true).Select(s => s.Id)
                    : powered ? []
                    : new[] { MainsLead };
                return new HandPiece(
                    step.Tool,
                    step.View,
                    [.. before.Concat(held).Concat(lead).Distinct().Where(index.ContainsKey).Select(id => index[id])]
                );
            }),
        ];
    }

    /// <summary>What the mains lead is called in every graph: it is out before a hand goes in, but for what the panel frees.</summary>
    public const string MainsLead = AccessGraph.MainsLead;

    /// <summary>The same things in the other direction.</summary>
    public static IReadOnlyList<HandPiece> Reversed(IReadOnlyList<HandPiece> pieces) =>
        [
            .. pieces.Select(
                (piece, i) => piece with { After = [.. Enumerable.Range(0, pieces.Count).Where(j => pieces[j].After.Contains(i))] }
            ),
        ];

    private static IEnumerable<string> NeverCut(AccessGraph graph, IReadOnlyList<MachinePart> parts) =>
        parts.SelectMany(p => p.Tubes).Where(t => t.NeverCut).Select(t => $"{t.Name}: never cut").Concat(graph.LeaveAlone);
}
