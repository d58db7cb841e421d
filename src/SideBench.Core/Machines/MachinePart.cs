namespace SideBench.Core.Machines;

/// <summary>What becomes of a part when it is out of the way.</summary>
public enum PartWay
{
    /// <summary>It comes off and lies on the tray.</summary>
    Off,

    /// <summary>It stays on its hinge, open.</summary>
    Open,

    /// <summary>It is swung or pushed aside and stays in the machine.</summary>
    Aside,

    /// <summary>It is pulled out of its socket.</summary>
    Unplugged,
}

/// <summary>Where a part or a screw is, in hundredths of one side of the machine as it is seen from there.</summary>
/// <param name="X">From the left.</param>
/// <param name="Y">From the top.</param>
public readonly record struct Spot(double X, double Y);

/// <summary>Where a part is on one side of the machine, in hundredths of that side.</summary>
/// <param name="X">Its left edge, from the left as seen from there.</param>
/// <param name="Y">Its top edge, from the top.</param>
/// <param name="Width">How wide.</param>
/// <param name="Height">How high.</param>
public readonly record struct Area(double X, double Y, double Width, double Height);

/// <summary>Screws, clips or nuts that belong together: one kind, one driver, one place.</summary>
/// <param name="Id">Unique within its part.</param>
/// <param name="Name">Where and what, such as "rear, long".</param>
/// <param name="Count">How many.</param>
/// <param name="Kind">screw, nut or clip.</param>
/// <param name="Driver">The tool with its size; empty for fingers.</param>
/// <param name="LengthMm">Length, mm; 0 when it does not matter.</param>
/// <param name="Collared">Whether it has a collar, so that it must go back where it came from.</param>
/// <param name="LoosenOnly">Whether it is only loosened and stays in the machine.</param>
/// <param name="MayStayEmpty">How many of its holes may stay empty when a screw is lost.</param>
/// <param name="View">The side it is reached from.</param>
/// <param name="At">Where each of them is.</param>
/// <param name="Note">What is special; empty when nothing.</param>
public sealed record FastenerGroup(
    string Id,
    string Name,
    int Count,
    string Kind,
    string Driver,
    double LengthMm,
    bool Collared,
    bool LoosenOnly,
    int MayStayEmpty,
    string View,
    IReadOnlyList<Spot> At,
    string Note
);

/// <summary>Catches that hold a part.</summary>
/// <param name="Name">Where.</param>
/// <param name="Count">How many.</param>
/// <param name="Move">push, lift, lever or slide.</param>
/// <param name="At">Where each of them is.</param>
public sealed record Catch(string Name, int Count, string Move, IReadOnlyList<Spot> At);

/// <summary>A cable that is unplugged for a part.</summary>
/// <param name="Id">Unique within its part.</param>
/// <param name="Label">What is written on it.</param>
/// <param name="Port">Where it goes in.</param>
/// <param name="ContactsFace">Which way its contacts face, with the place it is seen from; empty when it has no side.</param>
/// <param name="CouplerStays">Which half of a coupler stays with which part; empty when there is none.</param>
public sealed record Cable(string Id, string Label, string Port, string ContactsFace, string CouplerStays);

/// <summary>A tube at a part.</summary>
/// <param name="Id">Unique within its part.</param>
/// <param name="Name">What it is.</param>
/// <param name="From">Where it comes from.</param>
/// <param name="To">Where it goes.</param>
/// <param name="Length">long or short, when there are two; empty otherwise.</param>
/// <param name="NeverCut">Whether it must never be cut.</param>
/// <param name="Pulled">Whether it is pulled off for this part; one that is not is only to be minded.</param>
public sealed record Tube(string Id, string Name, string From, string To, string Length, bool NeverCut, bool Pulled);

/// <summary>One part of a machine: what holds it, what is before it, how it comes off and goes back.</summary>
/// <param name="Id">Unique within its graph.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Way">What becomes of it.</param>
/// <param name="View">The side it comes off at: front, back, left, right, top or under.</param>
/// <param name="At">Where it is on that side.</param>
/// <param name="After">What must be out of the way first: of every line at least one.</param>
/// <param name="OutMin">Bench time to take it off, min; above 0.</param>
/// <param name="BackMin">Bench time to put it back, min; above 0.</param>
/// <param name="Out">How it comes off.</param>
/// <param name="Back">How it goes back.</param>
public sealed record MachinePart(
    string Id,
    string Name,
    PartWay Way,
    string View,
    Area At,
    IReadOnlyList<IReadOnlyList<string>> After,
    double OutMin,
    double BackMin,
    string Out,
    string Back
)
{
    /// <summary>What holds it: screws, clips, nuts.</summary>
    public IReadOnlyList<FastenerGroup> Fasteners { get; init; } = [];

    /// <summary>Catches that hold it.</summary>
    public IReadOnlyList<Catch> Catches { get; init; } = [];

    /// <summary>Cables to unplug.</summary>
    public IReadOnlyList<Cable> Cables { get; init; } = [];

    /// <summary>Tubes to pull off or to mind.</summary>
    public IReadOnlyList<Tube> Tubes { get; init; } = [];

    /// <summary>What is to be seen, heard or felt when it is back as it should be.</summary>
    public IReadOnlyList<string> Checks { get; init; } = [];

    /// <summary>What shows that it came off as it should.</summary>
    public string Sign { get; init; } = "";

    /// <summary>Warnings before it comes off.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>What near it is to be left alone.</summary>
    public IReadOnlyList<string> LeaveAlone { get; init; } = [];

    /// <summary>Stations of the paths that are reached once it is off, such as <c>damper</c>.</summary>
    public IReadOnlyList<string> Serves { get; init; } = [];

    /// <summary>The slot it belongs to, by panel number; 0 for none.</summary>
    public int Slot { get; init; }

    /// <summary>
    /// What taking it off spends: <c>seal</c> the warranty seal, <c>cut</c> something that never grows back; empty for nothing.
    /// </summary>
    public string Spends { get; init; } = "";

    /// <summary>Part number to order; empty when there is none.</summary>
    public string Number { get; init; } = "";

    /// <summary>Consumables to lay out for it.</summary>
    public IReadOnlyList<string> Needs { get; init; } = [];

    /// <summary>Whether it comes out, and goes in, by a routine of the panel with power on: before the lead is pulled.</summary>
    public bool Powered { get; init; }

    /// <summary>Marks that gates and checks look at while it is off, such as <c>no-power</c>, <c>no-pads</c>.</summary>
    public IReadOnlyList<string> Marks { get; init; } = [];

    /// <summary>Bench time out and back, min.</summary>
    public double BothMin => OutMin + BackMin;
}
