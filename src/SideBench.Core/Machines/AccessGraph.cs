namespace SideBench.Core.Machines;

/// <summary>What handling costs beside the parts themselves: house defaults.</summary>
/// <param name="ToolMin">Bench time to lay down one tool and take up another, min.</param>
/// <param name="TurnMin">Bench time to turn the machine to another side, min.</param>
/// <param name="TipMin">Bench time to tip it so that the underside is reached, or back, min.</param>
/// <param name="VisitMin">Bench time that a visit of its own costs before and after the work: take-in, tag, test, hand-over, min.</param>
/// <param name="SoonDays">A service is due soon when it falls due within so many days.</param>
public sealed record Handling(double ToolMin, double TurnMin, double TipMin, double VisitMin, double SoonDays);

/// <summary>A service that a machine needs now and then, and what says when.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Name">What it is.</param>
/// <param name="Targets">Parts that must be reached.</param>
/// <param name="WorkMin">Bench time of the work itself, min.</param>
/// <param name="Parts">Its parts and consumables, money.</param>
/// <param name="EveryDays">How often by time, days; 0 when time does not count.</param>
/// <param name="CounterPct">At which waste counter it falls due, percent; 0 when the counter does not count.</param>
/// <param name="Repairs">Repairs of the fault book that make it new.</param>
public sealed record DueService(
    string Id,
    string Name,
    IReadOnlyList<string> Targets,
    double WorkMin,
    decimal Parts,
    double EveryDays,
    double CounterPct,
    IReadOnlyList<string> Repairs
);

/// <summary>How a machine model opens: its parts, what holds them, and what must come off before what.</summary>
/// <param name="Model">The machine model.</param>
/// <param name="Version">Version of the data; rises with every change.</param>
/// <param name="Parts">Its parts; the order is the order in which they are shown.</param>
/// <param name="Services">What it needs now and then.</param>
/// <param name="LeaveAlone">What is to be left alone whatever is opened.</param>
public sealed record AccessGraph(
    string Model,
    int Version,
    IReadOnlyList<MachinePart> Parts,
    IReadOnlyList<DueService> Services,
    IReadOnlyList<string> LeaveAlone
)
{
    /// <summary>Orders in which parts came off, where the shop taught how it opens; empty for a graph that was written.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Openings { get; init; } = [];

    /// <summary>Orders in which parts went back on, turned round: each a way in that was shown to be one as well.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Backs { get; init; } = [];

    /// <summary>Most parts a graph can have.</summary>
    public const int MostParts = 128;

    /// <summary>The sides a machine is seen from.</summary>
    public static readonly IReadOnlyList<string> Views = ["front", "back", "left", "right", "top", "under"];

    private readonly Dictionary<string, int> indices = Parts
        .Select((part, i) => (part.Id, i))
        .GroupBy(p => p.Id)
        .ToDictionary(g => g.Key, g => g.First().i);

    /// <summary>In how many taught openings a part came off: how sure its place in a way in is.</summary>
    public int Seen(string part) => Openings.Count(o => o.Contains(part));

    /// <summary>The part of that name, or null.</summary>
    public MachinePart? Part(string id) => indices.TryGetValue(id, out var i) ? Parts[i] : null;

    /// <summary>Place of a part in <see cref="Parts"/>, or -1.</summary>
    public int IndexOf(string id) => indices.GetValueOrDefault(id, -1);

    /// <summary>
    /// How deep a part lies: 0 for what is outside, 1 for what is under one cover, and so on. The mains lead covers nothing.
    /// </summary>
    /// <param name="part">A part of this graph.</param>
    public int LayerOf(MachinePart part)
    {
        // Of several ways to it the shortest counts; of several parts on one way the deepest.
        var covers = part.After.Where(line => !line.Contains(MainsLead)).Select(line => line.Min(name => LayerOf(Part(name)!)));
        return covers.Select(layer => layer + 1).DefaultIfEmpty(0).Max();
    }

    /// <summary>The part that every machine has: with it out, there is no power.</summary>
    public const string MainsLead = "mains-lead";

    /// <summary>Parts that are reached for a station, and for a slot when they belong to slots.</summary>
    /// <param name="station">The station.</param>
    /// <param name="slot">The slot, by panel number; 0 for any.</param>
    public IReadOnlyList<MachinePart> For(string station, int slot)
    {
        var serving = Parts.Where(part => part.Serves.Contains(station)).ToList();
        var own = serving.Where(part => slot == 0 || part.Slot == 0 || part.Slot == slot).ToList();
        // Of several like parts for several slots the first stands for all when no slot was told.
        return slot == 0 && own.Count > 1 && own.All(part => part.Slot > 0) ? [own[0]] : own;
    }
}
