using SideBench.Core.Machines;
using SideBench.Core.Quantities;
using SideBench.Core.Record;

namespace SideBench.Core.StripDown;

/// <summary>One thing the hand does to open a machine: a group of screws, a cable, a tube, or the part itself.</summary>
/// <param name="Id">Part and what of it, such as <c>rear-panel:rear-long</c>; the part itself has no second half.</param>
/// <param name="Part">The part it frees.</param>
/// <param name="Title">What to do, one line.</param>
/// <param name="Detail">What to mind, one line; empty when nothing.</param>
/// <param name="Text">How, in full.</param>
/// <param name="Change">What it is then: off, loose, open, aside, unplugged.</param>
/// <param name="Label">What lies on the tray.</param>
/// <param name="Count">How many.</param>
/// <param name="Tool">The tool; empty for fingers.</param>
/// <param name="View">The side it is done from.</param>
/// <param name="Out">Bench time.</param>
/// <param name="Back">Bench time to undo it.</param>
/// <param name="Undo">How it is undone.</param>
public sealed record Removal(
    string Id,
    string Part,
    string Title,
    string Detail,
    string Text,
    string Change,
    string Label,
    int Count,
    string Tool,
    string View,
    Minutes Out,
    Minutes Back,
    string Undo
)
{
    /// <summary>The group of fasteners, when it is one.</summary>
    public FastenerGroup? Group { get; init; }

    /// <summary>Whether it is the part itself, after everything that holds it.</summary>
    public bool IsPart => Id == Part;

    /// <summary>What it is on the tray.</summary>
    /// <param name="id">The item's name.</param>
    /// <param name="count">How many of it.</param>
    /// <param name="marks">Marks of the part.</param>
    public TrayItem Item(string id, int count, IReadOnlyList<string> marks) =>
        new(id, Label, Change, count, Undo, marks) { Removal = Id, Part = Part };
}

/// <summary>What the hand does to take parts off, in the order that holds for one part: screws, cables and tubes, then the part.</summary>
public static class Removals
{
    // Of a part's bench time its own lifting takes as much as one group of what holds it.
    private const double LiftWeight = 1;

    /// <summary>The removals of one part.</summary>
    /// <param name="part">The part.</param>
    public static IReadOnlyList<Removal> Of(MachinePart part)
    {
        var pulled = part.Tubes.Where(t => t.Pulled).ToList();
        var share = part.Fasteners.Count + part.Cables.Count + pulled.Count + LiftWeight;
        var (outTime, backTime) = (Minutes.Of(part.OutMin / share), Minutes.Of(part.BackMin / share));
        return
        [
            .. part.Fasteners.Select(group => Fasteners(part, group, outTime, backTime)),
            .. part.Cables.Select(cable => Unplugged(part, cable, outTime, backTime)),
            .. pulled.Select(tube => Pulled(part, tube, outTime, backTime)),
            Itself(part, outTime, backTime),
        ];
    }

    /// <summary>The removal of that name, or null.</summary>
    public static Removal? Find(AccessGraph graph, string id) =>
        graph.Part(id.Split(':')[0]) is { } part ? Of(part).FirstOrDefault(r => r.Id == id) : null;

    /// <summary>
    /// The removal that something on the tray is: by its name, or, when the fault book put it there, by what it is called and what was
    /// done.
    /// </summary>
    public static Removal? For(AccessGraph graph, TrayItem item) =>
        item.Removal is { } id
            ? Find(graph, id)
            : graph
                .Parts.Where(p => p.Name.Equals(item.Label, StringComparison.OrdinalIgnoreCase))
                .Select(p => Of(p)[^1])
                .FirstOrDefault(r => r.Change == item.Change);

    /// <summary>Words for a group: how many, what, how long.</summary>
    public static string Words(FastenerGroup group)
    {
        var kind = group.Count == 1 ? group.Kind : $"{group.Kind}s";
        return $"{group.Count} {kind}, "
            + $"{group.Name}{(group.LengthMm > 0 ? $", {group.LengthMm:0.#}\u2009mm" : "")}{(group.Collared ? ", shouldered" : "")}";
    }

    private static Removal Fasteners(MachinePart part, FastenerGroup group, Minutes outTime, Minutes backTime)
    {
        var words = Words(group);
        var kind = group.Count == 1 ? group.Kind : $"{group.Kind}s";
        var title = group.LoosenOnly
            ? $"{part.Name}: loosen {group.Count} {kind} only, {group.Name}"
            : $"{part.Name}: {group.Count} {kind} out, {group.Name}";
        string[] details =
        [
            group.LengthMm > 0 ? $"{group.LengthMm:0.#}\u2009mm" : "",
            group.LoosenOnly ? "never take them out"
            : group.Count > 1 ? $"count {group.Count}"
            : "",
            group.Collared ? "shouldered: back where it came from" : "",
            group.Note,
        ];
        var text = group.LoosenOnly ? $"Loosen {words}. Do not take {(group.Count == 1 ? "it" : "them")} out." : $"Take out {words}.";
        return new Removal(
            $"{part.Id}:{group.Id}",
            part.Id,
            title,
            string.Join("; ", details.Where(d => d.Length > 0)),
            text + Sentence(group.Note),
            group.LoosenOnly ? "loose" : "off",
            $"{part.Name.ToLowerInvariant()} {group.Kind}s, {group.Name}",
            group.Count,
            group.Driver,
            group.View,
            outTime,
            backTime,
            group.LoosenOnly
                ? $"Tighten the {words} again."
                : $"Put back {words}{(group.Collared ? "; the shouldered ones only here" : "")}."
        )
        {
            Group = group,
        };
    }

    private static Removal Unplugged(MachinePart part, Cable cable, Minutes outTime, Minutes backTime)
    {
        var face = cable.ContactsFace.Length > 0 ? $"contacts face {cable.ContactsFace}" : "";
        string[] details = ["photograph the label first", face, cable.CouplerStays];
        return new Removal(
            $"{part.Id}:{cable.Id}",
            part.Id,
            $"{part.Name}: cable {cable.Label} out of {cable.Port}",
            string.Join("; ", details.Where(d => d.Length > 0)),
            $"Photograph the label {cable.Label} in {cable.Port}, then pull the cable "
                + $"straight out by its plug.{Sentence(face)}{Sentence(cable.CouplerStays)}",
            "unplugged",
            $"cable {cable.Label}",
            1,
            "",
            part.View,
            outTime,
            backTime,
            $"Plug {cable.Label} into {cable.Port}.{Sentence(face)}{Sentence(cable.CouplerStays)}"
        );
    }

    private static Removal Pulled(MachinePart part, Tube tube, Minutes outTime, Minutes backTime)
    {
        var length = tube.Length.Length > 0 ? $"{tube.Length} " : "";
        var never = tube.NeverCut ? "pull it off; never cut it" : "it flicks: eye cover on";
        return new Removal(
            $"{part.Id}:{tube.Id}",
            part.Id,
            $"{part.Name}: {length}{tube.Name} off {tube.To}",
            never,
            $"Pull the {length}{tube.Name}, from {tube.From}, off {tube.To}. {char.ToUpperInvariant(never[0])}{never[1..]}.",
            "unplugged",
            $"{length}{tube.Name}",
            1,
            "",
            part.View,
            outTime,
            backTime,
            $"Push the {length}{tube.Name} home on {tube.To}, with no kink."
        );
    }

    private static Removal Itself(MachinePart part, Minutes outTime, Minutes backTime)
    {
        var (change, verb) = part.Way switch
        {
            PartWay.Open => ("open", "open"),
            PartWay.Aside => ("aside", "aside"),
            PartWay.Unplugged => ("unplugged", "out"),
            _ => ("off", "off"),
        };
        var catches = string.Join(", ", part.Catches.Select(c => $"{c.Count} {(c.Count == 1 ? "catch" : "catches")} {c.Name}: {c.Move}"));
        var title =
            catches.Length > 0
                ? $"{part.Name} {verb}: {string.Join(", ", part.Catches.Select(c => c.Move).Distinct())}"
                : $"{part.Name} {verb}";
        return new Removal(
            part.Id,
            part.Id,
            title,
            part.Sign.Length > 0 ? part.Sign : catches,
            $"{part.Out}{Sentence(catches)}{Sentence(Minded(part))}".Trim(),
            change,
            part.Name.ToLowerInvariant(),
            1,
            "",
            part.View,
            outTime,
            backTime,
            part.Back.Length > 0 ? part.Back : $"Put the {part.Name.ToLowerInvariant()} back."
        );
    }

    private static string Minded(MachinePart part) =>
        string.Join(
            "; ",
            part.Tubes.Where(t => !t.Pulled).Select(t => $"mind the {t.Name} from {t.From} to {t.To}{(t.NeverCut ? ": never cut it" : "")}")
        );

    private static string Sentence(string words) => words.Length > 0 ? $" {char.ToUpperInvariant(words[0])}{words[1..]}." : "";
}
