using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>What a step costs the shop and the machine.</summary>
public static class StepCost
{
    /// <summary>Everything a step costs, as money: bench minutes, parts, ink, waste capacity and risk at the shop's rates.</summary>
    /// <param name="step">The step.</param>
    /// <param name="model">The machine's model, for the ink and counter of its operations.</param>
    /// <param name="house">The shop's rates.</param>
    /// <returns>Money, above 0. Formula: our assumption; each term is linear.</returns>
    public static double Of(BookStep step, MachineModel model, HouseRates house)
    {
        var cost = (MinutesOf(step, model) / 60 * house.BenchPerHour) + (double)step.Parts + house.Risk.GetValueOrDefault(step.Risk);
        if (model.Operation(step.Operation) is { } operation)
            cost += (model.InkOf(operation).Value * house.InkPerMl) + (operation.CounterPct * house.CounterPerPct);
        return Math.Max(cost, 0.01);
    }

    /// <summary>What a step adds to the bill, money: bench time and parts.</summary>
    public static double ChargeOf(BookStep step, MachineModel model, HouseRates house) =>
        (MinutesOf(step, model) / 60 * house.BenchPerHour) + (double)step.Parts;

    /// <summary>What a step puts on counter and bill, for conditions.</summary>
    public static StepLoad LoadOf(BookStep step, MachineModel model, HouseRates house) =>
        new(CounterPctOf(step, model), ChargeOf(step, model, house));

    /// <summary>Bench time to open what a step needs open and is not open yet, min.</summary>
    /// <param name="step">The step.</param>
    /// <param name="tray">What is open or off already.</param>
    public static double OpeningOf(BookStep step, IReadOnlyList<TrayItem> tray) =>
        step.Puts.Where(p => !tray.Any(i => i.Label == p.Label && i.Change == p.Change)).Sum(p => p.Time);

    /// <summary>Bench time of a step with the machine's own operation, min.</summary>
    public static double MinutesOf(BookStep step, MachineModel model) => step.Minutes + (model.Operation(step.Operation)?.Time.Value ?? 0);

    /// <summary>How far a step lifts the waste counter, percent points.</summary>
    public static double CounterPctOf(BookStep step, MachineModel model) => model.Operation(step.Operation)?.CounterPct ?? 0;

    /// <summary>Ink a step takes from all channels together, ml.</summary>
    public static double InkMlOf(BookStep step, MachineModel model) =>
        model.Operation(step.Operation) is { } operation ? model.InkOf(operation).Value : 0;
}
