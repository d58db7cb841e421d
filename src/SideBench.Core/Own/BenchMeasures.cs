using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Own;

/// <summary>
/// Figures of a model that the record of its machines measured by the way: what a clean takes between two weighings, what it adds between
/// two counter readings, how long a charge lasted by its clock, what a filled piece holds, what stores weigh and a point of the counter
/// brings. What a run takes is measured within one visit and between pages: what is printed elsewhere, or for a test, stands on no line.
/// </summary>
public sealed class BenchMeasures
{
    private readonly MachineModel model;
    private readonly FaultBook book;
    private readonly BenchNoise noise;
    private readonly OwnNumbers numbers;
    private readonly List<BenchMeasure> found = [];
    private readonly Dictionary<int, SlotSeen> slots = [];
    private Counted? counter;
    private (string Clock, DateTimeOffset At)? charge;
    private bool isRenewed;
    private (double G, double Pct, DateTimeOffset At)? store;
    private double? storeG;
    private double? pct;
    private JobId? visit;

    // A slot since it was weighed, or since it was filled or fitted with its mass not known.
    private sealed record SlotSeen(double? G, string Type, bool IsFull, bool IsEmpty)
    {
        public RunsBetween Runs { get; init; } = RunsBetween.None;
    }

    // The counter since it was read.
    private sealed record Counted(double Pct, RunsBetween Runs);

    // Runs of one operation, and what other work took beside it.
    private sealed record RunsBetween(string Operation, int Count, double Beside, bool IsMixed)
    {
        public static readonly RunsBetween None = new("", 0, 0, false);

        public RunsBetween With(string operation, double took) =>
            operation.Length == 0
                ? this with
                {
                    Beside = Beside + took,
                }
                : this with
                {
                    Operation = operation,
                    Count = Count + 1,
                    IsMixed = IsMixed || (Operation.Length > 0 && Operation != operation),
                };
    }

    private BenchMeasures(MachineModel model, FaultBook book, BenchNoise noise, OwnNumbers numbers) =>
        (this.model, this.book, this.noise, this.numbers) = (model, book, noise, numbers);

    /// <summary>All that one machine's lines measured.</summary>
    /// <param name="model">Its model.</param>
    /// <param name="book">The book: which repairs run an operation of the machine, which findings print pages.</param>
    /// <param name="lines">Lines of the machine that stand, oldest first.</param>
    /// <param name="noise">How far measurements are off.</param>
    /// <param name="numbers">House numbers.</param>
    /// <returns>The latest first; none that is off by more than the house allows.</returns>
    public static IReadOnlyList<BenchMeasure> Of(
        MachineModel model,
        FaultBook book,
        IEnumerable<Entry> lines,
        BenchNoise noise,
        OwnNumbers numbers
    )
    {
        var measures = new BenchMeasures(model, book, noise, numbers);
        foreach (var line in lines)
            measures.See(line);
        measures.found.Reverse();
        return measures.found;
    }

    private void See(Entry line)
    {
        var effect = line.Body.Effect;
        var operation = effect.Work is { } work && book.Step(work.Repair) is { } step ? step.Operation : "";
        if (line.Job != visit)
        {
            (visit, charge, isRenewed, pct, storeG) = (line.Job, null, false, null, null);
            Forget();
        }
        else if (line.Body is Answered told && book.Step(told.Finding)?.Tags.Contains(numbers.PrintingTag) == true)
            Forget();
        foreach (var slot in model.Slots)
        {
            var took = effect
                .Ink.Where(u => u.Slot.Value == slot.Panel || u.Slot.IsWhole)
                .Sum(u => u.Slot.IsWhole ? u.Volume.Value / model.Slots.Count : u.Volume.Value);
            if (took > 0 && slots.TryGetValue(slot.Panel, out var seen))
                slots[slot.Panel] = seen with { Runs = seen.Runs.With(operation, took), IsFull = false, IsEmpty = false };
        }

        if (effect.CounterMoved.Pct > 0)
        {
            counter = counter is { } known ? known with { Runs = known.Runs.With(operation, effect.CounterMoved.Pct) } : null;
            (isRenewed, pct, storeG) = (false, null, null);
        }

        foreach (var reading in effect.Readings)
            if (reading.Counter is { } share)
                Read(share.Pct, line);
        foreach (var happening in effect.Happenings)
            Slot(happening, line);
        foreach (var happening in effect.Stores)
            Store(happening, line);
        if (effect.ClockBegins is { } begins && begins.Kind == numbers.ChargeClock)
            charge = (begins.Id, line.At);
        if (effect.ClockEnds is { } ended && charge is { } lasted && lasted.Clock == ended)
        {
            charge = null;
            Found(
                $"operations/{numbers.ChargeOperation}/minutes",
                (line.At - lasted.At).TotalMinutes,
                Math.Log(numbers.MeasuredFactor["min"]) / FigureBelief.Spreads,
                line,
                "timed by its clock"
            );
        }
    }

    // Ink that no line tells of may have gone since: only what is fitted is known still.
    private void Forget()
    {
        counter = null;
        foreach (var (slot, seen) in slots.ToList())
            slots[slot] = new SlotSeen(null, seen.Type, false, false);
    }

    private void Read(double read, Entry line)
    {
        // A counter read in steps is off by up to half of one, at either end.
        var sd = noise.CounterStep * Math.Sqrt(2.0 / 12);
        if (counter is { Runs: { Count: > 0, IsMixed: false } runs } before)
        {
            var moved = read - before.Pct - runs.Beside;
            Found(
                $"operations/{runs.Operation}/counterPct",
                moved / runs.Count,
                sd / moved,
                line,
                $"counter {before.Pct:0.##} to {read:0.##}\u2009% over {Times(runs.Count)}"
            );
        }

        counter = new Counted(read, RunsBetween.None);
        pct = read;
        Point(line);
    }

    // The store's mass and the counter, of one time: against those of the time before they say what a point brings.
    private void Point(Entry line)
    {
        if (storeG is not { } g || pct is not { } now)
            return;
        if (store is { } before && (line.At - before.At).TotalDays <= numbers.PointDays)
        {
            var (points, grams) = (now - before.Pct, g - before.G);
            var counted = noise.CounterStep * Math.Sqrt(2.0 / 12) / points;
            var weighed = noise.StoreSd * Math.Sqrt(2) / grams;
            var sd = points <= 0 ? 0 : Math.Sqrt((counted * counted) + (weighed * weighed) + (numbers.PointSd * numbers.PointSd));
            Found("waste/gramsPerPoint", grams / points, sd, line, $"{grams:0.#}\u2009g over {points:0.##} points");
        }

        (store, storeG) = ((g, now, line.At), null);
    }

    private void Slot(SlotHappening happening, Entry line)
    {
        foreach (var slot in model.Slots.Where(s => happening.Slot.IsWhole || happening.Slot.Value == s.Panel))
        {
            var seen = slots.GetValueOrDefault(slot.Panel) ?? new SlotSeen(null, "", false, false);
            slots[slot.Panel] = happening.What switch
            {
                SlotChange.Fitted => new SlotSeen(null, happening.Of, false, happening.Amount == 0),
                SlotChange.Filled => new SlotSeen(null, seen.Type, happening.Amount is null, false),
                SlotChange.Weighed when happening.Amount is { } g => Weighed(slot, seen, g, line),
                SlotChange.Spent => seen with { G = null, IsFull = false, IsEmpty = false },
                _ => seen,
            };
        }
    }

    private SlotSeen Weighed(Slot slot, SlotSeen seen, double g, Entry line)
    {
        var density = noise.Density.GetValueOrDefault(slot.InkKind, 1);
        if (seen.G is { } before && seen.Runs is { Count: > 0, IsMixed: false } runs)
        {
            var took = ((before - g) / density) - runs.Beside;
            Found(
                $"operations/{runs.Operation}/mlPerChannel",
                took / runs.Count,
                noise.ScaleSd * Math.Sqrt(2) / density / took,
                line,
                $"slot {slot.Panel} weighed {before:0.##} to {g:0.##}\u2009g over {Times(runs.Count)}"
            );
        }

        if (seen.IsEmpty && seen.Type.Length > 0)
            Found($"cartridges/{seen.Type}/tareG", g, noise.ScaleSd / g, line, $"fitted empty in slot {slot.Panel} and weighed");
        var piece = model.Cartridges.FirstOrDefault(c => c.Id == seen.Type);
        if (seen.IsFull && piece?.Tare is { } tare && model.Taught?.IsDefault($"cartridges/{seen.Type}/tareG") != true)
        {
            var holds = (g - tare.Value) / density;
            Found($"cartridges/{seen.Type}/fillMl", holds, noise.ScaleSd / density / holds, line, $"slot {slot.Panel} filled and weighed");
        }

        return seen with
        {
            G = g,
            IsFull = false,
            IsEmpty = false,
            Runs = RunsBetween.None,
        };
    }

    private void Store(StoreHappening happening, Entry line)
    {
        switch (happening.What)
        {
            case StoreChange.Weighed when happening.Amount is { } g:
                if (isRenewed)
                    Found("storeTareG", g, noise.StoreSd / g, line, "renewed and weighed");
                (storeG, isRenewed) = (g, false);
                Point(line);
                break;
            case StoreChange.Renewed:
                (isRenewed, store, storeG) = (true, null, null);
                break;
            case StoreChange.Reset:
                (counter, store, pct) = (null, null, null);
                break;
            case StoreChange.BottleSeen or StoreChange.Trial:
                break;
            default:
                (isRenewed, store, storeG) = (false, null, null);
                break;
        }
    }

    // What a measurement is off by is a share of it: more than the house allows tells too little to be said.
    private void Found(string pointer, double value, double sd, Entry line, string says)
    {
        if (value <= 0 || sd <= 0 || sd > numbers.MostOff || ModelFigures.Find(model, pointer) is not { } figure || value > figure.Most)
            return;
        var factor = Math.Max(numbers.MeasuredFactor[figure.Unit], Math.Exp(FigureBelief.Spreads * sd));
        found.Add(new BenchMeasure(pointer, value, factor, line, says));
    }

    private static string Times(int count) => count == 1 ? "one run" : $"{count} runs";
}
