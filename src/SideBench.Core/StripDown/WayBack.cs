using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>One thing of the way back.</summary>
/// <param name="Item">What lies on the tray.</param>
/// <param name="Title">What to do, one line.</param>
/// <param name="Text">How.</param>
/// <param name="Tool">The tool; empty for fingers.</param>
/// <param name="View">The side it is done from.</param>
/// <param name="Back">Bench time; none when not known.</param>
/// <param name="Checks">What to see, hear or feel when it is back.</param>
public sealed record BackStep(
    TrayItem Item,
    string Title,
    string Text,
    string Tool,
    string View,
    Minutes Back,
    IReadOnlyList<string> Checks
);

/// <summary>The way back, from what was really done.</summary>
/// <param name="Steps">What the hand does, in order; everything on the tray is in it once.</param>
/// <param name="Hands">Bench time, with changing tools and turning.</param>
/// <param name="Tools">Tools.</param>
public sealed record BackWay(IReadOnlyList<BackStep> Steps, Minutes Hands, IReadOnlyList<string> Tools);

/// <summary>
/// Makes the way back from the tray, not from the plan: what was put inside comes out before anything closes over it; a part goes back
/// before the parts that were off for it, and before what holds it; the mains lead is last of all, but for what goes in by the panel.
/// </summary>
public static class WayBack
{
    /// <summary>The way back.</summary>
    /// <param name="graph">How the machine opens; null when its model has none.</param>
    /// <param name="tray">What lies on the tray, oldest first.</param>
    /// <param name="handling">What changing tools and turning costs.</param>
    /// <param name="view">The side that is before the hand.</param>
    public static BackWay Of(AccessGraph? graph, IReadOnlyList<TrayItem> tray, Handling handling, string view = "front")
    {
        var removals = tray.Select(item => RemovalOf(graph, item)).ToList();
        var pieces = tray.Select(
                (item, i) =>
                    new HandPiece(
                        removals[i]?.Tool ?? "",
                        removals[i]?.View ?? "top",
                        [.. Enumerable.Range(0, tray.Count).Where(j => j != i && IsBefore(graph, tray, removals, j, i))]
                    )
            )
            .ToList();
        var order = HandOrder.Of(pieces, handling, view);
        var steps = order.Order.Select(i => Step(graph, tray[i], removals[i])).ToList();
        return new BackWay(
            steps,
            Minutes.Sum(steps.Select(s => s.Back)) + order.Handling,
            [.. steps.Select(s => s.Tool).Where(t => t.Length > 0).Distinct()]
        );
    }

    /// <summary>What must be undone before one thing on the tray.</summary>
    /// <param name="graph">How the machine opens; null when its model has none.</param>
    /// <param name="tray">What lies on the tray, oldest first.</param>
    /// <param name="item">The thing.</param>
    public static IReadOnlyList<TrayItem> Before(AccessGraph? graph, IReadOnlyList<TrayItem> tray, TrayItem item)
    {
        var removals = tray.Select(t => RemovalOf(graph, t)).ToList();
        var at = tray.ToList().FindIndex(t => t.Id == item.Id);
        return at < 0
            ? []
            :
            [
                .. tray.Where(
                    (other, j) =>
                        j != at
                        && IsBefore(graph, tray, removals, j, at)
                        && (!IsLead(item) || other.Marks.Contains("open") || other.Forbids.Contains("power"))
                ),
            ];
    }

    private static Removal? RemovalOf(AccessGraph? graph, TrayItem item) => graph is null ? null : Removals.For(graph, item);

    // Whether tray item j must be undone before item i.
    private static bool IsBefore(AccessGraph? graph, IReadOnlyList<TrayItem> tray, List<Removal?> removals, int j, int i)
    {
        var (first, second) = (removals[j], removals[i]);
        // What the panel takes in needs power; all else is back before it.
        if (IsPowered(graph, first) != IsPowered(graph, second))
            return IsPowered(graph, second);
        if (IsLead(tray[i]) != IsLead(tray[j]))
            return IsLead(tray[i]);
        if (IsLead(tray[i]))
            return false;
        // What was put in later than a part came off lies beneath it.
        if (first is null && second is not null)
            return j > i && IsBeneath(tray[j]);
        if (second is null || first is null)
            return false;
        if (first.Part == second.Part)
            return first.IsPart && !second.IsPart;
        // Items of a part that needed another off go back before that other part and what holds it.
        return IsNeededBy(graph!, second.Part, first.Part);
    }

    private static bool IsPowered(AccessGraph? graph, Removal? removal) =>
        removal is not null && graph!.Part(removal.Part)?.Powered == true;

    private static bool IsNeededBy(AccessGraph graph, string before, string part) =>
        graph.Part(part)?.After.Any(line => line.Contains(before)) == true;

    private static bool IsBeneath(TrayItem item) => item.Change is "inside" or "clamped" or "plugged" or "taped" or "bridged" or "wet";

    private static bool IsLead(TrayItem item) => item.Change == "unplugged" && item.Label == MainsLead;

    /// <summary>What the mains lead is called on every tray.</summary>
    public const string MainsLead = "mains lead";

    private static BackStep Step(AccessGraph? graph, TrayItem item, Removal? removal)
    {
        var part = removal is not null ? graph!.Part(removal.Part) : null;
        var title = (removal, removal?.Group) switch
        {
            (null, _) => $"{Capital(item.Label)}: {Undone(item.Change)}",
            ({ IsPart: true }, _) => $"{part!.Name} {Undone(item.Change)}",
            (_, { } group) => $"{part!.Name}: {item.Count} {group.Kind}{(item.Count == 1 ? "" : "s")} {Undone(item.Change)}, {group.Name}",
            _ => $"{part!.Name}: {removal!.Label} {Undone(item.Change)}",
        };
        return new BackStep(
            item,
            title,
            item.Undo,
            removal?.Tool ?? "",
            removal?.View ?? "top",
            removal?.Back ?? Minutes.None,
            removal?.IsPart == true ? part!.Checks
                : removal is { Group: null } && part is not null ? ["It is home, and no line or cable is pinched."]
                : []
        );
    }

    private static string Undone(string change) =>
        change switch
        {
            "inside" => "out again",
            "open" => "shut",
            "loose" => "tight again",
            "unplugged" => "plugged in",
            "plugged" => "out",
            "clamped" => "open and off",
            "taped" => "tape off",
            "bridged" => "bridge out",
            "wet" => "dry",
            "aside" => "back in its place",
            _ => "back",
        };

    private static string Capital(string words) => words.Length > 0 ? char.ToUpperInvariant(words[0]) + words[1..] : words;
}
