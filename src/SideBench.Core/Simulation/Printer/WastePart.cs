using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.Simulation.Printer;

/// <summary>Waste: the share of its limit that the counter stands at, and the share of what the store takes that is really in it.</summary>
/// <param name="model">The machine's model.</param>
/// <param name="numbers">How printers behave.</param>
public sealed class WastePart(MachineModel model, PrinterNumbers numbers) : PrinterPart(model, [Counter, Pads])
{
    internal const string Counter = "counter";
    internal const string Pads = "pads";

    /// <inheritdoc/>
    public override IEnumerable<int> Places => [0];

    /// <summary>What is in the store over its tare; null when it is not known what the store takes.</summary>
    public Grams? InPads => Model.PadCapacityG is { } most ? Grams.Of(this[Pads, 0] * most) : null;

    /// <summary>Where the counter stands.</summary>
    public CounterShare Count => CounterShare.OfPct(this[Counter, 0] * 100);

    /// <inheritdoc/>
    public override void Run(Operation operation)
    {
        this[Counter, 0] += operation.CounterPct / 100;
        if (Model.PadCapacityG is { } most)
            this[Pads, 0] += Model.InkOf(operation).Value * numbers.Density / most;
    }

    /// <inheritdoc/>
    public override void Print(double pages) { }

    /// <inheritdoc/>
    public override void Stand(TimeSpan idle) =>
        this[Pads, 0] *= 1 - (numbers.Volatile * (1 - Math.Pow(1 - numbers.DryPerWeek, Weeks(idle))));

    /// <inheritdoc/>
    public override double? Measured(Finding finding, AskedQuantity asked, int slot) =>
        asked.Unit == Reading.OfCounter ? Math.Round(Count.Pct)
        : asked.Unit == "g" && InPads is { } mass ? Math.Round(mass.Value)
        : null;
}
