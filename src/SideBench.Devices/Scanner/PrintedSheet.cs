using SideBench.Core.Machines;
using SideBench.Core.Simulation;

namespace SideBench.Devices.Scanner;

/// <summary>A sheet that a simulated machine printed.</summary>
/// <param name="Layout">Its layout.</param>
/// <param name="Truth">What the nozzles really did.</param>
/// <param name="Seed">The same seed makes the same picture.</param>
public sealed record PrintedSheet(SheetLayout Layout, NozzleTruth Truth, int Seed);
