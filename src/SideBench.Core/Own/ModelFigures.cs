using SideBench.Core.Machines;

namespace SideBench.Core.Own;

/// <summary>One figure of a model.</summary>
/// <param name="Pointer">Where it stands in the model's file: <c>operations/clean-light/mlPerChannel</c>.</param>
/// <param name="Name">What it is.</param>
/// <param name="Unit">ml, g, min, %, pages or money.</param>
/// <param name="Value">As the model has it; 0 where it has none.</param>
/// <param name="Most">The most that can be believed.</param>
/// <param name="Group">Which part of the page it belongs to.</param>
public sealed record ModelFigure(string Pointer, string Name, string Unit, double Value, double Most, string Group);

/// <summary>Every figure of a model that a bench can measure or know.</summary>
public static class ModelFigures
{
    /// <summary>All of them, in the order in which a page shows them.</summary>
    public static IReadOnlyList<ModelFigure> Of(MachineModel model) =>
        [
            .. model.Operations.SelectMany(o =>
                new[]
                {
                    new ModelFigure(
                        $"operations/{o.Id}/mlPerChannel",
                        $"{o.Name}: ink of a channel",
                        "ml",
                        o.PerChannel.Value,
                        500,
                        "Operations"
                    ),
                    new ModelFigure($"operations/{o.Id}/counterPct", $"{o.Name}: waste counter", "%", o.CounterPct, 100, "Operations"),
                    new ModelFigure($"operations/{o.Id}/minutes", $"{o.Name}: time", "min", o.Time.Value, 240, "Operations"),
                }
            ),
            .. model.Cartridges.SelectMany(c =>
                new[]
                {
                    new ModelFigure($"cartridges/{c.Id}/fillMl", $"{c.Name}: full fill", "ml", c.Fill.Value, 5000, "Cartridges"),
                    new ModelFigure(
                        $"cartridges/{c.Id}/chipMl",
                        $"{c.Name}: what its chip counts",
                        "ml",
                        c.ChipCounts.Value,
                        5000,
                        "Cartridges"
                    ),
                    new ModelFigure($"cartridges/{c.Id}/reserveMl", $"{c.Name}: what must stay", "ml", c.Reserve.Value, 5000, "Cartridges"),
                    new ModelFigure($"cartridges/{c.Id}/tareG", $"{c.Name}: empty", "g", c.Tare?.Value ?? 0, 5000, "Cartridges"),
                    new ModelFigure($"cartridges/{c.Id}/price", $"{c.Name}: price", "money", (double)c.Price, 10000, "Cartridges"),
                }
            ),
            new ModelFigure("padCapacityG", "Waste store: what it takes up", "g", model.PadCapacityG ?? 0, 20000, "Waste"),
            new ModelFigure("storeTareG", "Waste store: dry", "g", model.StoreTareG ?? 0, 20000, "Waste"),
            .. model.Waste is { } waste
                ? new[]
                {
                    new ModelFigure("waste/gramsPerPoint", "Waste: a point of the counter brings", "g", waste.GramsPerPoint, 500, "Waste"),
                    new ModelFigure("waste/price", "Waste store: price", "money", (double)waste.Price, 10000, "Waste"),
                }
                : [],
            new ModelFigure("pageMl", "A page of plain text, a channel", "ml", model.PageMl, 50, "Ink"),
            new ModelFigure("damperMl", "A damper and its line hold", "ml", model.DamperMl ?? 0, 100, "Ink"),
            new ModelFigure("carriageOutMin", "Carriage out", "min", model.CarriageOutMin ?? 0, 600, "Opening"),
            new ModelFigure("headCare/headPrice", "A new head", "money", (double)model.HeadCare.HeadPrice, 50000, "Prices"),
            new ModelFigure("worth", "The machine in good order", "money", (double)model.Worth, 500000, "Prices"),
        ];

    /// <summary>The figure of that name; null when the model has none.</summary>
    public static ModelFigure? Find(MachineModel model, string pointer) => Of(model).FirstOrDefault(f => f.Pointer == pointer);
}
