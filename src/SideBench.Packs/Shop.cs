using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Packs;

/// <summary>Everything that packs say: models and fault book, checked.</summary>
/// <param name="Models">Machine models by id.</param>
/// <param name="Layouts">Nozzle sheet layouts by id.</param>
/// <param name="Book">The fault book.</param>
public sealed record Shop(IReadOnlyDictionary<string, MachineModel> Models, IReadOnlyDictionary<string, SheetLayout> Layouts, FaultBook Book);
