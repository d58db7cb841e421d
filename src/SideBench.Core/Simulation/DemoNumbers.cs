using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>The house numbers that a demo world is made up with.</summary>
/// <param name="Handling">What handling costs when a machine is opened.</param>
/// <param name="Pattern">How nozzles behave.</param>
public sealed record DemoNumbers(Handling Handling, PatternModel Pattern);
