using SideBench.Core.Machines;
using SideBench.Core.Outcomes;

namespace SideBench.Core.Nozzles;

/// <summary>Turns what a person tapped into units of a sheet.</summary>
public static class SheetTaps
{
    private const int MostShown = 20;

    /// <summary>The units, or what of them cannot be.</summary>
    /// <param name="model">The machine's model.</param>
    /// <param name="taps">Unit by unit: its name, a letter a nozzle, and the unit whose ink got in.</param>
    /// <param name="before">
    /// The sheet that is put right: taps tell nothing of colour, so what was read of it stands; null for a new one.
    /// </param>
    /// <param name="house">House numbers of sheets.</param>
    public static Outcome<IReadOnlyList<UnitLine>> Of(
        MachineModel model,
        IReadOnlyList<(string Id, string Nozzles, string? MixedWith)?> taps,
        IReadOnlyList<UnitLine>? before,
        SheetNumbers house
    )
    {
        if (model.Sheet is not { Layout: var layout })
            return new Problem(NozzlesProblem.UnknownLayout, "/layout", model.FullName);
        if (taps.Count != layout.Units.Count)
            return new Problem(ProblemCode.OutOfRange, "/units", taps.Count, layout.Units.Count, layout.Units.Count);
        var problems = new List<Problem>();
        var lines = new List<UnitLine>();
        foreach (var (u, shape) in layout.Units.Index())
        {
            var (id, nozzles, mixed) = taps[u] ?? ("", "", null);
            if (id != shape.Id)
                problems.Add(new Problem(ProblemCode.UnknownWord, $"/units/{u}/id", id, shape.Id));
            else if (nozzles?.Length != shape.Nozzles)
                problems.Add(
                    new Problem(ProblemCode.OutOfRange, $"/units/{u}/nozzles", nozzles?.Length ?? 0, shape.Nozzles, shape.Nozzles)
                );
            else if (nozzles.Any(n => !UnitLine.Letters.Contains(n)))
                problems.Add(
                    new Problem(
                        ProblemCode.UnknownWord,
                        $"/units/{u}/nozzles",
                        nozzles[..Math.Min(MostShown, nozzles.Length)],
                        string.Join(' ', UnitLine.Letters.ToCharArray())
                    )
                );
            else
                lines.Add(
                    UnitLine.Tapped(shape, nozzles, house.Pattern, mixed ?? before?.FirstOrDefault(b => b.Id == shape.Id)?.MixedWith)
                );
        }

        return problems.Count > 0 ? problems : lines;
    }
}
