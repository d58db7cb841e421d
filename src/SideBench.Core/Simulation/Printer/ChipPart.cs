using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;

namespace SideBench.Core.Simulation.Printer;

/// <summary>
/// Chips, slot by slot: the share that a chip still counts, which is not the ink; and how well its contacts touch, 0 to 1.
/// </summary>
/// <param name="model">The machine's model.</param>
public sealed class ChipPart(MachineModel model) : PrinterPart(model, [Chip, Contacts])
{
    internal const string Chip = "chip";
    internal const string Contacts = "contacts";

    /// <inheritdoc/>
    public override IEnumerable<int> Places => Model.Slots.Select(s => s.Panel);

    /// <inheritdoc/>
    public override void Run(Operation operation) => Count(operation.PerChannel.Value);

    /// <inheritdoc/>
    public override void Print(double pages) => Count(pages * Model.PageMl);

    /// <inheritdoc/>
    public override void Stand(TimeSpan idle) { }

    /// <inheritdoc/>
    public override double? Measured(Finding finding, AskedQuantity asked, int slot) => null;

    // A chip counts down to nothing and never below.
    private void Count(double ml)
    {
        foreach (var slot in Model.Slots)
            this[Chip, slot.Panel] = Math.Max(0, this[Chip, slot.Panel] - (ml / slot.Holds.Value));
    }
}
