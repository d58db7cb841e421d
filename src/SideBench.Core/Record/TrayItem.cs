namespace SideBench.Core.Record;

/// <summary>Something that is off, open, unplugged or inside the machine until it is undone.</summary>
/// <param name="Id">Unique within the job.</param>
/// <param name="Label">What it is.</param>
/// <param name="Change">What was done: off, loose, open, aside, unplugged, plugged, clamped, taped, inside, bridged, wet.</param>
/// <param name="Count">How many.</param>
/// <param name="Undo">What undoes it.</param>
/// <param name="Marks">
/// Words that gates look at: <c>open</c> (machine open), <c>wet</c> (contacts wet), <c>inside</c>, <c>no-power</c>, <c>no-move</c>,
/// <c>no-close</c>.
/// </param>
public sealed record TrayItem(string Id, string Label, string Change, int Count, string Undo, IReadOnlyList<string> Marks)
{
    /// <summary>The removal of the access graph that put it here; null when it was put here otherwise.</summary>
    public string? Removal { get; init; }

    /// <summary>The part of the access graph it belongs to; null when it belongs to none.</summary>
    public string? Part { get; init; }

    /// <summary>Its stored form.</summary>
    public static void Store(FieldWriter to, TrayItem item)
    {
        to.Text("id", item.Id);
        to.Text("label", item.Label);
        to.Text("change", item.Change);
        to.Whole("count", item.Count);
        to.Text("undo", item.Undo);
        to.Texts("marks", item.Marks);
        to.Text("removal", item.Removal);
        to.Text("part", item.Part);
    }

    /// <summary>From its stored form.</summary>
    public static TrayItem Read(FieldReader from) =>
        new(from.Text("id"), from.Text("label"), from.Text("change"), from.Count("count"), from.Text("undo"), from.Texts("marks"))
        {
            Removal = from.TextOrNull("removal"),
            Part = from.TextOrNull("part"),
        };

    /// <summary>What must not happen before it is undone: power, moving or closing, by its marks.</summary>
    public IReadOnlyList<string> Forbids => [.. TrayMarks.Forbidden.Where(f => f.Marks.Any(Marks.Contains)).Select(f => f.What)];
}

/// <summary>What marks on the tray stand in the way of.</summary>
public static class TrayMarks
{
    /// <summary>
    /// Before power: nothing wet, nothing inside, nothing marked so. Before moving: no open tank, nothing loose inside. Before closing:
    /// nothing inside.
    /// </summary>
    public static readonly IReadOnlyList<(string What, IReadOnlyList<string> Marks)> Forbidden =
    [
        ("power", ["no-power", "inside", "wet", "no-pads"]),
        ("moving", ["no-move", "inside"]),
        ("closing", ["inside", "no-close"]),
    ];

    /// <summary>Marks of what dries: contacts that were wet, pads that were washed.</summary>
    public static readonly IReadOnlyList<string> Drying = ["wet", "no-pads"];
}

/// <summary>What a step puts on the tray, as written in the fault book.</summary>
/// <param name="Label">What it is.</param>
/// <param name="Change">What is done with it.</param>
/// <param name="Count">How many.</param>
/// <param name="Undo">What undoes it.</param>
/// <param name="Marks">Words that gates look at.</param>
/// <param name="Time">Bench time to do it and to undo it, min; saved when it is done already.</param>
public sealed record TrayPut(string Label, string Change, int Count, string Undo, IReadOnlyList<string> Marks, double Time = 0);
