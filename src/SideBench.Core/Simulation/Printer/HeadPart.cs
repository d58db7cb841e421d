using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation.Printer;

/// <summary>
/// Nozzles: what each of them does. Those that dried while the machine stood come back by cleans; those of a fault do what the book says
/// of it; a channel that is not fed fades away.
/// </summary>
public sealed class HeadPart : PrinterPart
{
    private readonly SheetPlan plan;
    private readonly PrinterNumbers numbers;
    private readonly InkPart ink;
    private readonly Random chance;
    private readonly Dictionary<Ill, List<int>> shown = [];
    private readonly HashSet<int> starved = [];
    private NozzleTruth truth;

    /// <summary>A head on which every nozzle is good.</summary>
    /// <param name="model">The machine's model.</param>
    /// <param name="plan">The sheet it prints.</param>
    /// <param name="numbers">How printers behave.</param>
    /// <param name="ink">What feeds it.</param>
    /// <param name="chance">Where chance comes from.</param>
    internal HeadPart(MachineModel model, SheetPlan plan, PrinterNumbers numbers, InkPart ink, Random chance)
        : base(model, [])
    {
        (this.plan, this.numbers, this.ink, this.chance) = (plan, numbers, ink, chance);
        truth = NozzleTruth.Good(plan.Layout);
    }

    /// <inheritdoc/>
    public override IEnumerable<int> Places => [];

    /// <summary>What it prints now: channels that are not fed fade away, whatever else they do.</summary>
    public NozzleTruth Prints()
    {
        foreach (var (at, unit) in plan.Layout.Units.Index())
        {
            var fed = ink.Feeds(plan.Slots[unit.Id]);
            if (fed && starved.Remove(at))
                truth = truth.With(at, UnitTruth.Good(unit.Nozzles));
            else if (!fed && !truth.Units[at].Missing.Any() && starved.Add(at))
                truth = truth.With(at, HeadFaults.Of(PatternClass.Starvation, unit.Nozzles, chance));
        }

        return truth;
    }

    /// <summary>Whether a fault shows on it already.</summary>
    internal bool Shows(Ill ill) => shown.ContainsKey(ill);

    /// <summary>Takes up where a kept sheet left it: gaps belong to the fault of their slot, others to the first fault.</summary>
    internal void TakeUp(NozzleTruth before, IReadOnlyList<Ill> ills)
    {
        truth = before;
        var gaps = Enumerable.Range(0, truth.Units.Count).Where(at => truth.Units[at].Missing.Any()).ToHashSet();
        foreach (var ill in ills)
            shown[ill] = [.. UnitsOf(ill.Slot).Where(gaps.Remove)];
        if (ills.Count > 0)
            shown[ills[0]].AddRange(gaps);
    }

    /// <summary>A fault shows as a pattern, on one unit of its slot.</summary>
    internal void Show(Ill ill, PatternClass pattern)
    {
        var units = UnitsOf(ill.Slot);
        var at = units[chance.Next(units.Count)];
        shown[ill] = [at];
        var count = plan.Layout.Units[at].Nozzles;
        truth = truth.With(
            at,
            pattern == PatternClass.Contaminated
                ? UnitTruth.Good(count) with
                {
                    Pattern = pattern,
                    MixedWith = (at + 1) % plan.Layout.Units.Count,
                }
                : HeadFaults.Of(pattern, count, chance)
        );
    }

    /// <summary>After a clean, a fault's gaps do what was said of them.</summary>
    internal void Change(Ill ill, GapMove move)
    {
        foreach (var at in shown[ill])
            truth = truth.With(at, Moved(truth.Units[at], move));
    }

    /// <summary>A fault is gone, and what it showed.</summary>
    internal void GetWell(Ill ill)
    {
        foreach (var at in shown.GetValueOrDefault(ill) ?? [])
            truth = truth.With(at, UnitTruth.Good(plan.Layout.Units[at].Nozzles));
        shown.Remove(ill);
    }

    /// <inheritdoc/>
    public override void Run(Operation operation)
    {
        var back = numbers.ComesBack.GetValueOrDefault(operation.Id);
        foreach (var at in Free())
            Each(at, n => truth.Units[at].Strength[n] < UnitTruth.MissingBelow && chance.NextDouble() < back, 1);
    }

    /// <inheritdoc/>
    public override void Print(double pages) { }

    /// <inheritdoc/>
    public override void Stand(TimeSpan idle)
    {
        var dries = 1 - Math.Pow(1 - numbers.DriesPerWeek, Weeks(idle));
        foreach (var at in Free())
            Each(at, _ => chance.NextDouble() < dries, 0);
    }

    /// <inheritdoc/>
    public override double? Measured(Finding finding, AskedQuantity asked, int slot) =>
        asked.Unit == "nozzles" ? UnitsOf(slot).Sum(at => Prints().Units[at].Missing.Count()) : null;

    private List<int> UnitsOf(int slot) =>
        [.. plan.Layout.Units.Index().Where(u => slot == 0 || plan.Slots[u.Item.Id] == slot).Select(u => u.Index)];

    // Units of no fault that are fed: a clean brings nothing back where no ink comes.
    private IEnumerable<int> Free() => Enumerable.Range(0, truth.Units.Count).Except(shown.Values.SelectMany(u => u)).Except(starved);

    private void Each(int at, Func<int, bool> which, double strength)
    {
        var unit = truth.Units[at];
        var changed = unit with { Strength = [.. unit.Strength.Select((s, n) => which(n) ? strength : s)] };
        truth = truth.With(at, changed with { Pattern = changed.Missing.Any() ? PatternClass.Scattered : PatternClass.None });
    }

    private UnitTruth Moved(UnitTruth unit, GapMove move)
    {
        int[] gaps = [.. unit.Missing];
        return move switch
        {
            GapMove.Complete or GapMove.Cleared => UnitTruth.Good(unit.Strength.Length),
            GapMove.Clearing when gaps.Length > 1 => Fewer(unit, gaps),
            GapMove.Moving => With(UnitTruth.Good(unit.Strength.Length) with { Pattern = PatternClass.Scattered }, gaps.Length),
            GapMove.Worse or GapMove.New => With(unit, Math.Max(numbers.LeastMore, (int)Math.Ceiling(gaps.Length * numbers.More))),
            _ => unit,
        };
    }

    // Some come back and some stay, or it would be another answer.
    private UnitTruth Fewer(UnitTruth unit, int[] gaps)
    {
        var order = gaps.OrderBy(_ => chance.NextDouble()).ToArray();
        var back = order[1..].Where((_, at) => at == 0 || chance.NextDouble() < numbers.Fewer).ToHashSet();
        return unit with { Strength = [.. unit.Strength.Select((s, n) => back.Contains(n) ? 1 : s)] };
    }

    // A channel that is short of ink fades on from its far end; other gaps come anywhere.
    private UnitTruth With(UnitTruth unit, int more)
    {
        var left = Enumerable.Range(0, unit.Strength.Length).Except(unit.Missing);
        var next = unit.Pattern == PatternClass.Starvation ? left.Reverse() : left.OrderBy(_ => chance.NextDouble());
        var free = next.Take(more).ToHashSet();
        return unit with { Strength = [.. unit.Strength.Select((s, n) => free.Contains(n) ? 0 : s)] };
    }
}
