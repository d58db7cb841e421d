using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;

namespace SideBench.Core.Simulation.Printer;

/// <summary>
/// A part of a simulated printer: it holds some quantities of the state and says what work, pages and time do to them. A craft that has
/// something physical adds one.
/// </summary>
/// <param name="model">The machine's model.</param>
/// <param name="keys">The quantities it holds.</param>
public abstract class PrinterPart(MachineModel model, IReadOnlyList<string> keys)
{
    private readonly Dictionary<(string Key, int Slot), double> state = [];

    /// <summary>The quantities it holds, as packs name them.</summary>
    public IReadOnlyList<string> Keys => keys;

    /// <summary>The machine's model.</summary>
    protected MachineModel Model => model;

    /// <summary>The slots a quantity is held for: each of them, or the machine as a whole as 0.</summary>
    public abstract IEnumerable<int> Places { get; }

    /// <summary>A quantity now, in its part's unit; 0 where it holds none.</summary>
    public double this[string key, int slot]
    {
        get => state.GetValueOrDefault((key, slot));
        protected set => state[(key, slot)] = value;
    }

    /// <summary>Brings quantities within bounds; what lies within stays as it is.</summary>
    /// <param name="bounds">The bounds, by quantity; those of other parts are left alone.</param>
    /// <param name="slot">The slot; 0 for all places.</param>
    /// <param name="chance">Where chance comes from.</param>
    public void Bring(IReadOnlyDictionary<string, Bounds> bounds, int slot, Random chance)
    {
        foreach (var key in Keys.Where(bounds.ContainsKey))
        foreach (var place in Places.Where(p => slot == 0 || p == 0 || p == slot))
            this[key, place] = bounds[key].Brought(this[key, place], chance);
    }

    /// <summary>The machine runs an operation of its own.</summary>
    public abstract void Run(Operation operation);

    /// <summary>The machine prints pages.</summary>
    /// <param name="pages">How many plain pages, 0 or more.</param>
    public abstract void Print(double pages);

    /// <summary>The machine stands without use.</summary>
    /// <param name="idle">How long.</param>
    public abstract void Stand(TimeSpan idle);

    /// <summary>What measuring shows; null when it holds nothing of the kind.</summary>
    /// <param name="finding">The finding that asks.</param>
    /// <param name="asked">The quantity asked for.</param>
    /// <param name="slot">The slot it is asked for; 0 when for none in particular.</param>
    public abstract double? Measured(Finding finding, AskedQuantity asked, int slot);

    /// <summary>Weeks of a time.</summary>
    protected static double Weeks(TimeSpan time) => time.TotalDays / 7;
}
