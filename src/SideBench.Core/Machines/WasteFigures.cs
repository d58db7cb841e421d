namespace SideBench.Core.Machines;

/// <summary>What is known of a model's waste store beside what it holds.</summary>
/// <param name="GramsPerPoint">What one point of its counter brings, before drying, g.</param>
/// <param name="PartialToPct">What a once-only partial reset is promised to leave, %; null where there is none.</param>
/// <param name="Bottle">Whether an outside bottle can be fitted: yes, cut (only with cutting), no.</param>
/// <param name="Price">A pad set, box, tank or cartridge, in the shop's currency.</param>
public sealed record WasteFigures(double GramsPerPoint, double? PartialToPct, string Bottle, decimal Price);
