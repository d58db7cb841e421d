using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.Simulation.Printer;

/// <summary>
/// Ink, slot by slot: share of what the slot holds, share of its damper that is full, air in its line in ml, and how many ml come before
/// the feed holds.
/// </summary>
/// <param name="model">The machine's model.</param>
/// <param name="numbers">How printers behave.</param>
public sealed class InkPart(MachineModel model, PrinterNumbers numbers) : PrinterPart(model, [Store, Damper, Air, Feed])
{
    internal const string Store = "store";
    internal const string Damper = "damper";
    internal const string Air = "air";
    internal const string Feed = "feed";

    /// <inheritdoc/>
    public override IEnumerable<int> Places => Model.Slots.Select(s => s.Panel);

    /// <summary>Ink that is really in a slot.</summary>
    public Millilitres In(int slot) => Millilitres.Of(this[Store, slot] * Holds(slot));

    /// <summary>Whether ink reaches the head.</summary>
    public bool Feeds(int slot) => this[Damper, slot] >= numbers.FeedsFrom;

    /// <inheritdoc/>
    public override void Run(Operation operation) => Draw(operation.PerChannel.Value);

    /// <inheritdoc/>
    public override void Print(double pages) => Draw(pages * Model.PageMl);

    /// <inheritdoc/>
    public override void Stand(TimeSpan idle) { }

    /// <inheritdoc/>
    public override double? Measured(Finding finding, AskedQuantity asked, int slot)
    {
        var at = slot > 0 ? slot : Places.MinBy(s => this[Feed, s]);
        return asked.Unit switch
        {
            "ml" when finding.Station == "store" => In(slot > 0 ? slot : Places.MinBy(s => this[Store, s])).Value,
            "ml" => this[Feed, at],
            "pages" => Math.Floor(this[Feed, at] / (Model.PageMl * numbers.TestPageTimes)),
            _ => null,
        };
    }

    // What the slot has not, the line and then the damper give, and air takes its place.
    private void Draw(double ml)
    {
        foreach (var slot in Places)
        {
            var there = In(slot).Value;
            this[Store, slot] = Math.Max(0, there - ml) / Holds(slot);
            var missing = Math.Max(0, ml - there);
            this[Air, slot] += missing;
            if (Model.DamperMl is { } damper)
                this[Damper, slot] = Math.Max(0, this[Damper, slot] - (missing / damper));
            else if (missing > 0)
                this[Damper, slot] = 0;
        }
    }

    private double Holds(int slot) => Model.Slots.First(s => s.Panel == slot).Holds.Value;
}
