namespace SideBench.Core.StripDown;

/// <summary>Something that is off, open, unplugged or inside the machine until it is undone.</summary>
/// <param name="Id">Unique within the job.</param>
/// <param name="Label">What it is.</param>
/// <param name="Change">What was done: off, loose, open, unplugged, plugged, clamped, inside, bridged, wet.</param>
/// <param name="Count">How many.</param>
/// <param name="Undo">What undoes it.</param>
/// <param name="Marks">Words that gates look at: <c>open</c> (machine open), <c>wet</c> (contacts wet), <c>inside</c>, <c>no-power</c>.</param>
public sealed record TrayItem(string Id, string Label, string Change, int Count, string Undo, IReadOnlyList<string> Marks);

/// <summary>What a step puts on the tray, as written in the fault book.</summary>
/// <param name="Label">What it is.</param>
/// <param name="Change">What is done with it.</param>
/// <param name="Count">How many.</param>
/// <param name="Undo">What undoes it.</param>
/// <param name="Marks">Words that gates look at.</param>
/// <param name="Time">Bench time to do it and to undo it, min; saved when it is done already.</param>
public sealed record TrayPut(string Label, string Change, int Count, string Undo, IReadOnlyList<string> Marks, double Time = 0);
