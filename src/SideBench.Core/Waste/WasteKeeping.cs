using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;

namespace SideBench.Core.Waste;

/// <summary>A reset of the waste counter as it is told.</summary>
/// <param name="Way">full, partial, key, service or tool.</param>
/// <param name="Before">The counter before it, %.</param>
/// <param name="After">The counter read back, %.</param>
/// <param name="KeyItem">The key of the shelf that is spent.</param>
/// <param name="Despite">Why it is done though the gate holds it.</param>
/// <param name="IsTold">Whether the customer was told, where the gate holds it.</param>
/// <param name="System">The computer system that the service program ran under.</param>
public sealed record ResetTold(string? Way, double? Before, double? After, long? KeyItem, string? Despite, bool IsTold, string? System);

/// <summary>Something of the shelf that is taken.</summary>
/// <param name="Item">Which.</param>
/// <param name="Stock">What is on the shelf.</param>
public sealed record Taken(long Item, IReadOnlyList<StockItem> Stock)
{
    private static readonly string[] Kinds = ["pads", "box"];

    /// <summary>Whether it is there, and pads or a box.</summary>
    public bool Is => Stock.Any(i => i.Id == Item && i.IsLeft && Kinds.Contains(i.Came.StockKind));
}

/// <summary>Turns what a person says of a waste store into lines. Nothing is clamped: what cannot be is refused.</summary>
/// <param name="model">The machine's model.</param>
/// <param name="state">Where the job stands.</param>
/// <param name="numbers">House numbers.</param>
/// <param name="now">The time.</param>
public sealed class WasteKeeping(MachineModel model, JobState state, WasteNumbers numbers, DateTimeOffset now)
{
    private readonly Lazy<StoreOnMachine> store = new(() => StoreOnMachine.Of(model, state.Machine, numbers, now)!);

    /// <summary>A reset by a key that is spent.</summary>
    public const string KeyWay = "key";

    private const string PartialWay = "partial";

    /// <summary>A count is at most this, %.</summary>
    public const double MostCount = 130;
    private const double LeastTrialMl = 5;
    private const double MostKg = 500;

    /// <summary>Ways of a reset.</summary>
    public static IReadOnlyList<string> Ways { get; } = ["full", PartialWay, KeyWay, "service", "tool"];

    /// <summary>What can be told of a store.</summary>
    public static IReadOnlyList<string> Tells { get; } =
    [
        StoreTold.CounterRead,
        StoreTold.BorderlessRead,
        StoreTold.Weighed,
        StoreTold.Renewed,
        StoreTold.Washed,
        StoreTold.BoxIn,
        StoreTold.Trial,
        StoreTold.Emptied,
        StoreTold.BottleFitted,
        StoreTold.BottleSeen,
    ];

    /// <summary>Something was done to the store, or seen of it.</summary>
    /// <param name="what">What.</param>
    /// <param name="amount">g with its own mass, or ml.</param>
    /// <param name="box">The tag of the box that is in from now on.</param>
    /// <param name="note">What else was told.</param>
    /// <param name="boxes">Boxes with a tag; null for none.</param>
    /// <param name="outG">What the box that came out weighed, g with its own mass; null when nobody weighed it.</param>
    /// <param name="taken">Pads or a box that are taken off the shelf; null for none.</param>
    public Outcome<IReadOnlyList<EntryBody>> Tell(
        string? what,
        double? amount,
        string? box,
        string? note,
        WasteBoxes? boxes = null,
        double? outG = null,
        Taken? taken = null
    )
    {
        if (Refused() is { } refused)
            return refused;
        var problems = new List<Problem>();
        Guard.Word(problems, what, "/what", Tells);
        Guard.Text(problems, box, "/box", Guard.LongestName, needed: false);
        Guard.Text(problems, note, "/note", Guard.LongestText, needed: false);
        if (boxes?.Named(box) is { Machine: { } machine } there && machine != boxes.Here)
            problems.Add(new Problem(WasteProblem.BoxElsewhere, "/box", there.Tag, there.Serial));
        if (taken is not null && (what != StoreTold.Renewed || !taken.Is))
            problems.Add(new Problem(WasteProblem.NoPads, "/item", taken.Item));
        if (problems.Count == 0 && what == StoreTold.BoxIn)
            return PutIn(boxes, box, amount, note, outG);
        if (problems.Count == 0)
            Amount(problems, what!, amount);
        if (problems.Count > 0)
            return problems;
        var ways = numbers.Ways;
        var (minutes, cost) = what switch
        {
            StoreTold.Renewed => (model.Axes.GetValueOrDefault("waste") == "pads" ? ways.PadsMin : ways.BoxMin, model.Waste!.Price),
            StoreTold.Washed => (ways.WashMin, (decimal)ways.WashFluid),
            StoreTold.Emptied => (ways.EmptyMin, 0m),
            StoreTold.BottleFitted => (model.Waste!.Bottle == "cut" ? ways.BottleCutMin : ways.BottleMin, (decimal)ways.BottlePrice),
            _ => (numbers.WeighMin, 0m),
        };
        return new List<EntryBody> { new StoreTold(what!, amount, box?.Trim() ?? "", note?.Trim() ?? "", minutes, cost) };
    }

    private Outcome<IReadOnlyList<EntryBody>> PutIn(WasteBoxes? boxes, string? tag, double? amount, string? note, double? outG)
    {
        if (!WasteBoxes.Has(model))
            return new Problem(WasteProblem.NoBox, "/what", model.FullName);
        if (boxes?.Named(tag) is not { } box || box.Stand == BoxStand.Gone)
            return new Problem(WasteProblem.UnknownBox, "/box", tag?.Trim() ?? "");
        var problems = new List<Problem>();
        if (box.Fits != model.Id)
            problems.Add(new Problem(WasteProblem.OtherBox, "/box", box.Tag, model.FullName));
        if (box.Stand == BoxStand.In)
            problems.Add(new Problem(WasteProblem.BoxIsIn, "/box", box.Tag));
        if (problems.Count > 0)
            return problems;
        // What was weighed dry needs no second weighing; what was used or washed does.
        var mass = amount ?? (box is { Stand: BoxStand.Dry, NetG: { } net } ? box.TareG + net : (double?)null);
        Mass(problems, mass, box.TareG, "/amount");
        var before = boxes.All.FirstOrDefault(b => b.Machine == boxes.Here);
        if (outG is not null)
            Mass(problems, outG, before?.TareG ?? store.Value.History.TareG, "/outG");
        var dry = mass <= box.TareG * (1 + numbers.WashedLeft);
        if (problems.Count == 0 && box.Stand == BoxStand.Drying && !dry)
            problems.Add(new Problem(WasteProblem.BoxWet, "/box", box.Tag, Math.Round(mass!.Value - box.TareG, 1)));
        return problems.Count > 0
            ? problems
            : new List<EntryBody>
            {
                new StoreTold(StoreTold.BoxIn, mass, box.Tag, note?.Trim() ?? "", numbers.Ways.BoxMin, 0)
                {
                    Swap = new BoxSwap(box.TareG, box.SafeG, dry, before?.Tag ?? store.Value.Box, outG),
                },
            };
    }

    /// <summary>The counter was set anew, or that was tried.</summary>
    /// <param name="told">As it was told.</param>
    /// <param name="stock">What is on the shelf.</param>
    public Outcome<IReadOnlyList<EntryBody>> Reset(ResetTold told, IReadOnlyList<StockItem> stock)
    {
        if (Refused() is { } refused)
            return refused;
        var problems = new List<Problem>();
        Guard.Word(problems, told.Way, "/way", Ways);
        Guard.Text(problems, told.Despite, "/despite", Guard.LongestText, needed: false);
        Guard.Text(problems, told.System, "/system", Guard.LongestName, needed: false);
        Count(problems, told.Before, "/before");
        Count(problems, told.After, "/after");
        if (told.Way == PartialWay && model.Waste!.PartialToPct is null)
            problems.Add(new Problem(WasteProblem.NoPartial, "/way", model.FullName));
        else if (told.Way == PartialWay && store.Value.PartialSpent)
            problems.Add(new Problem(WasteProblem.PartialSpent, "/way"));
        if (told.Way == KeyWay && !stock.Any(i => i.Id == told.KeyItem && i.IsLeft))
            problems.Add(new Problem(WasteProblem.NoKey, "/keyItem", told.KeyItem ?? 0));
        if (problems.Count > 0)
            return problems;
        var gate = ResetGate.Of(store.Value, state.Machine, state.OpenedAt);
        // The count told with the reset is its reading.
        var held = gate.Items.Where(i => i is { IsMet: false, Id: not "read" }).ToList();
        var despite = told.Despite?.Trim() ?? "";
        if (held.Count > 0 && (despite.Length == 0 || !told.IsTold))
            return new Problem(
                WasteProblem.GateHolds,
                "/despite",
                string.Join("; ", held.Select(h => h.Says)),
                string.Join(", or ", gate.Needs)
            );
        return new List<EntryBody>
        {
            new CounterReset(
                told.Way!,
                told.Before!.Value,
                told.After!.Value,
                told.Way == KeyWay ? told.KeyItem : null,
                held.Count > 0 ? despite : "",
                told.System?.Trim() ?? "",
                numbers.Ways.ResetMin
            ),
        };
    }

    /// <summary>The shop's own line about waste.</summary>
    public static Outcome<IReadOnlyList<EntryBody>> Rules(string? line)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, line, "/line", Guard.LongestText, needed: false);
        return problems.Count > 0 ? problems : new List<EntryBody> { new LocalRules(line?.Trim() ?? "") };
    }

    /// <summary>Waste was handed in.</summary>
    public Outcome<IReadOnlyList<EntryBody>> HandIn(string? what, double? kg, string? where)
    {
        var problems = new List<Problem>();
        Guard.Text(problems, what, "/what", Guard.LongestName, needed: true);
        Guard.Text(problems, where, "/where", Guard.LongestName, needed: true);
        if (!(kg > 0 && kg <= MostKg))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/kg", kg ?? 0, "more than 0", MostKg));
        return problems.Count > 0 ? problems : new List<EntryBody> { new WasteHandedIn(what!.Trim(), kg!.Value, where!.Trim()) };
    }

    private Problem? Refused() =>
        state.Closing is not null ? new Problem(ProblemCode.JobClosed, "")
        : model is not { Waste: not null, PadCapacityG: not null, StoreTareG: not null }
            ? new Problem(WasteProblem.NotKnown, "", model.FullName)
        : null;

    private static void Count(List<Problem> problems, double? pct, string path)
    {
        if (pct is null)
            problems.Add(new Problem(ProblemCode.Missing, path));
        else
            Guard.Range(problems, pct.Value, path, 0, MostCount);
    }

    private void Mass(List<Problem> problems, double? grams, double tare, string path)
    {
        if (grams is not { } g || !double.IsFinite(g))
            problems.Add(new Problem(ProblemCode.Missing, path));
        else if (g < tare - (numbers.OutlierSd * numbers.For(model).Noise.ScaleSd))
            problems.Add(new Problem(WasteProblem.LighterThanDry, path, g, tare));
        else
            Guard.Range(problems, g, path, 0, MostG(tare));
    }

    // Where dry mass or capacity are not well known, more is possible by as much.
    private double MostG(double tare)
    {
        double Far(string figure) => Math.Exp(numbers.OutlierSd * (model.Taught?.SpreadOf(figure) ?? 0));
        return (tare * Far("storeTareG")) + (model.PadCapacityG!.Value * numbers.Overfull * Far("padCapacityG"));
    }

    private void Amount(List<Problem> problems, string what, double? amount)
    {
        if (what == StoreTold.Renewed)
            return;
        if (amount is not { } value || !double.IsFinite(value))
        {
            if (what != StoreTold.Emptied)
                problems.Add(new Problem(ProblemCode.Missing, "/amount"));
            return;
        }

        var history = store.Value.History;
        if (what is StoreTold.CounterRead or StoreTold.BorderlessRead)
        {
            if (what == StoreTold.BorderlessRead && !model.Waste!.Borderless)
                problems.Add(new Problem(WasteProblem.NoBorderless, "/what", model.FullName));
            Guard.Range(problems, value, "/amount", 0, MostCount);
        }
        else if (what is StoreTold.Weighed or StoreTold.Washed)
        {
            Mass(problems, value, history.TareG, "/amount");
        }
        else if (what == StoreTold.Trial)
        {
            Guard.Range(problems, value, "/amount", LeastTrialMl, model.PadCapacityG!.Value * numbers.Overfull);
        }
        else if (what == StoreTold.BottleFitted)
        {
            if (model.Waste!.Bottle == "no")
                problems.Add(new Problem(WasteProblem.NoBottle, "/what", model.FullName));
            Guard.Range(problems, value, "/amount", 50, 20_000);
        }
        else if (store.Value.Bottle is not { } bottle)
            problems.Add(new Problem(WasteProblem.NoBottleFitted, "/what"));
        else
            Guard.Range(problems, value, "/amount", 0, bottle.HoldsMl);
    }
}
