using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Simulation.Printer;
using SideBench.Core.StripDown;

namespace SideBench.Packs;

/// <summary>Everything that packs say: models and fault book, checked.</summary>
/// <param name="Models">Machine models by id.</param>
/// <param name="Layouts">Nozzle sheet layouts by id.</param>
/// <param name="Graphs">How machine models open, by model.</param>
/// <param name="Guides">Guides, in the order of their files.</param>
/// <param name="Book">The fault book.</param>
/// <param name="Changes">Lasting changes that machines can have.</param>
/// <param name="Numbers">House numbers, by craft.</param>
/// <param name="Printers">How the simulated printers of the demo and of training behave.</param>
public sealed record Shop(
    IReadOnlyDictionary<string, MachineModel> Models,
    IReadOnlyDictionary<string, SheetLayout> Layouts,
    IReadOnlyDictionary<string, AccessGraph> Graphs,
    IReadOnlyList<Guide> Guides,
    FaultBook Book,
    IReadOnlyList<LastingChange> Changes,
    HouseNumbers Numbers,
    PrinterBook Printers
)
{
    /// <summary>
    /// Machines that a guide applies to, a model each: as it leaves its maker, else with the lasting change that the guide is for.
    /// </summary>
    public IReadOnlyList<MachineModel> MachinesFor(Guide guide) =>
        [.. Models.Values.SelectMany(m => AsItStands.Each(m, Changes)).Where(m => GuideFile.Applies(guide, m)).DistinctBy(m => m.Id)];

    /// <summary>Guides that apply to a model.</summary>
    public IReadOnlyList<Guide> GuidesFor(MachineModel model) => [.. Guides.Where(guide => GuideFile.Applies(guide, model))];
}
