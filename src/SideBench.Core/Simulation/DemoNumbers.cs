using SideBench.Core.Ink;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation.Printer;
using SideBench.Core.Waste;

namespace SideBench.Core.Simulation;

/// <summary>The house numbers that a demo world is made up with.</summary>
/// <param name="Handling">What handling costs when a machine is opened.</param>
/// <param name="Pattern">How nozzles behave.</param>
/// <param name="Printers">What its printers are made of.</param>
/// <param name="Ink">When slots are filled and counts are reset.</param>
/// <param name="Waste">What waste stores do.</param>
public sealed record DemoNumbers(Handling Handling, PatternModel Pattern, PrinterBook Printers, InkNumbers Ink, WasteNumbers Waste);
