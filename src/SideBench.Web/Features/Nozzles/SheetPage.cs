using SideBench.Core.Nozzles;

namespace SideBench.Web.Features.Nozzles;

/// <summary>What the page of sheets is asked to show.</summary>
/// <param name="Life">All sheets of the machine, oldest first.</param>
/// <param name="Shown">The sheet in full; null for the latest.</param>
/// <param name="Against">The sheet it is compared with; null for the first of its job.</param>
/// <param name="Devices">Scanners that stand ready.</param>
/// <param name="House">House numbers of sheets.</param>
public sealed record SheetPage(List<SheetLife> Life, string? Shown, string? Against, IReadOnlyList<string> Devices, SheetNumbers House);
