namespace SideBench.Core.Machines;

/// <summary>What is known of a model's waste store beside what it holds.</summary>
/// <param name="GramsPerPoint">What one point of its counter brings, before drying, g.</param>
/// <param name="PartialToPct">What a once-only partial reset is promised to leave, %; null where there is none.</param>
/// <param name="Bottle">Whether an outside bottle can be fitted: yes, cut (only with cutting), no.</param>
/// <param name="Price">A pad set, box, tank or cartridge, in the shop's currency.</param>
public sealed record WasteFigures(double GramsPerPoint, double? PartialToPct, string Bottle, decimal Price)
{
    /// <summary>Whether borderless prints have a counter of their own, that stops only them.</summary>
    public bool Borderless { get; init; }

    /// <summary>Its pads, the top one first; empty where that is not told.</summary>
    public IReadOnlyList<StackLayer> Stack { get; init; } = [];

    /// <summary>Where the tube of an outside bottle goes through the wall; null where none does or it is not told.</summary>
    public ExitHole? Hole { get; init; }
}

/// <summary>One layer of a stack of waste pads.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Kind">felt, block or spacer.</param>
/// <param name="Mm">How thick, mm.</param>
/// <param name="Way">Which way round it lies; empty when it does not matter.</param>
public sealed record StackLayer(string Name, string Kind, double Mm, string Way = "");

/// <summary>The hole for the tube of an outside bottle, from edges that stay.</summary>
/// <param name="Wall">The wall that is drilled.</param>
/// <param name="DiameterMm">How wide, mm.</param>
/// <param name="UpMm">Its middle over the lower edge, mm.</param>
/// <param name="InMm">Its middle from the upright edge, mm.</param>
/// <param name="Edge">Which upright edge: left or right, as seen from outside.</param>
/// <param name="Clear">What it must be clear of, behind the wall.</param>
public sealed record ExitHole(string Wall, double DiameterMm, double UpMm, double InMm, string Edge, string Clear);
