using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;

namespace SideBench.Core.Ink;

/// <summary>Turns what a person says of ink, chips and slots into lines. Nothing is clamped: what cannot be is refused.</summary>
/// <param name="model">The machine's model.</param>
/// <param name="state">Where the job stands.</param>
/// <param name="numbers">House numbers.</param>
/// <param name="now">The time.</param>
/// <param name="hasTool">Whether the shelf has a chip tool, as far as it tells of tools at all.</param>
public sealed partial class InkKeeping(MachineModel model, JobState state, InkNumbers numbers, DateTimeOffset now, bool hasTool = true)
{
    private const double AllOfIt = 100;
    private const double MostGrams = 20_000;
    private const int MostTries = 99;

    /// <summary>Counts were read off the panel.</summary>
    public Outcome<IReadOnlyList<EntryBody>> ReadChips(IReadOnlyList<SlotAmount>? slots)
    {
        var problems = Checked(slots, "%", 0, AllOfIt);
        foreach (var (at, on) in Each(slots, problems))
            if (on.Type is not { HasCount: true })
                problems.Add(new Problem(InkProblem.NoCount, $"/slots/{at}/slot", on.Slot.Panel));
        return problems.Count > 0 ? problems : new List<EntryBody> { new ChipsRead(slots!) };
    }

    /// <summary>Cartridges were weighed.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Weigh(IReadOnlyList<SlotAmount>? slots)
    {
        var problems = Checked(slots, "g", 0, MostGrams);
        foreach (var (at, on) in Each(slots, problems))
        {
            if (on.Type?.Tare is not { } tare)
                problems.Add(new Problem(InkProblem.NotWeighed, $"/slots/{at}/slot", on.Slot.Panel));
            else if (on.History is { } history && slots![at].Amount is { } g)
            {
                var density = numbers.Density.GetValueOrDefault(on.Slot.InkKind, 1);
                var known = numbers.For(model, on.Type);
                var most = tare.Value + (on.Type.Fill.Value * density);
                var slack = known.OutlierSd * (known.Noise.TareSd + known.Noise.ScaleSd + (known.Noise.FullSd * most));
                if (g > most + slack)
                    problems.Add(new Problem(InkProblem.HeavierThanFull, $"/slots/{at}/amount", g, Math.Round(most)));
                var tried = history with { Events = [.. history.Events, new SlotEvent.Weighed(now, g)] };
                problems.AddRange(SlotLedger.Of(tried, known, now).Problems.Select(p => p with { Path = $"/slots/{at}/amount" }));
            }
        }

        return problems.Count > 0 ? problems : new List<EntryBody> { new SlotsWeighed(slots!, numbers.Work.Weigh * slots!.Count) };
    }

    /// <summary>Slots were filled.</summary>
    /// <param name="slots">Each with what went in, ml; none for a fill to full.</param>
    public Outcome<IReadOnlyList<EntryBody>> Fill(IReadOnlyList<SlotAmount>? slots)
    {
        var problems = Checked(slots, "", 0, double.MaxValue);
        decimal cost = 0;
        foreach (var (at, on) in Each(slots, problems))
        {
            if (on.Type is not { IsFilled: true } type)
            {
                problems.Add(new Problem(InkProblem.NotFilled, $"/slots/{at}/slot", on.Slot.Panel, on.Type?.Name ?? "what is in it"));
                continue;
            }

            var most = type.Fill.Value * (1 + (2 * numbers.For(model, type).Noise.FullSd));
            if (slots![at].Amount is { } ml && (ml <= 0 || ml > most))
                problems.Add(new Problem(ProblemCode.OutOfRange, $"/slots/{at}/amount", ml, "more than 0", Math.Round(most, 1)));
            cost +=
                (decimal)(slots[at].Amount ?? Math.Max(0, on.Estimate?.AddMl.Best ?? 0))
                * numbers.BottleMl.GetValueOrDefault(on.Slot.InkKind);
        }

        return problems.Count > 0
            ? problems
            : new List<EntryBody>
            {
                new SlotsFilled([.. slots!.Select(s => WithMl(s, AddMl(s.Slot)))], numbers.Work.Fill * slots!.Count, Math.Round(cost, 2)),
            };
    }

    // A fill to full names what went in by the estimate: bottles are counted by it.
    private static SlotAmount WithMl(SlotAmount slot, double? add) =>
        slot.Amount is null ? slot with { After = add is { } ml ? Math.Round(ml, 1) : null } : slot with { After = null };

    private double? AddMl(int slot) =>
        SlotOnMachine.Of(model, model.Slots.First(s => s.Panel == slot), state, numbers, now).Estimate?.AddMl.Best is { } ml
            ? Math.Max(0, ml)
            : null;

    /// <summary>A reset was tried.</summary>
    /// <param name="tool">By what.</param>
    /// <param name="slots">The slots; all for a board.</param>
    /// <param name="tries">How often, 1 or more.</param>
    /// <param name="worked">Whether the counts were set anew.</param>
    /// <param name="despite">Why a board is pressed though a slot is not full; empty when all are.</param>
    /// <param name="filled">Slots filled to full just before it, by panel number.</param>
    public Outcome<IReadOnlyList<EntryBody>> Reset(
        string? tool,
        IReadOnlyList<SlotAmount>? slots,
        int? tries,
        bool worked,
        string? despite,
        IReadOnlyList<int>? filled = null
    )
    {
        var problems = Checked(slots, "%", 0, AllOfIt);
        Guard.Word(problems, tool, "/tool", InkWords.Tools);
        Guard.Range(problems, tries ?? 0, "/tries", 1, MostTries);
        Guard.Text(problems, despite, "/despite", Guard.LongestText, needed: false);
        foreach (var (at, on) in Each(slots, problems))
            if (on.Type is not { HasCount: true } type || ToolFor(type.Chip) != tool)
                problems.Add(new Problem(InkProblem.NotByThat, $"/slots/{at}/slot", on.Slot.Panel, InkWords.Tool(tool!)));
        if (problems.Count > 0)
            return problems;
        if (tool == InkWords.HandTool && !hasTool)
            return new Problem(ShelfProblem.NoTool, "/tool");
        int? left = null;
        if (tool == InkWords.Board)
        {
            left = PressesLeft() - tries!.Value;
            if (left < 0)
                return new Problem(InkProblem.NoPressLeft, "/tries", PressesLeft(), tries);
            var empty = NotFull().Except(filled ?? []).ToList();
            if (empty.Count > 0 && string.IsNullOrWhiteSpace(despite))
                return new Problem(InkProblem.NotAllFull, "/despite", string.Join(", ", empty));
        }

        var after = slots!.Select(s => s with { After = worked ? s.After ?? AllOfIt : null }).ToList();
        return new List<EntryBody>
        {
            new SlotsReset(tool!, tries!.Value, worked, after, left, despite?.Trim() ?? "", numbers.Work.Reset * tries.Value),
        };
    }

    /// <summary>A cartridge went in.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Fit(FittedPiece piece)
    {
        if (Closed() is { } closed)
            return closed;
        var problems = new List<Problem>();
        foreach (var (text, path) in piece.Texts)
            Guard.Text(problems, text, path, Guard.LongestName, needed: false);
        if (model.Slots.All(s => s.Panel != piece.Slot))
            problems.Add(new Problem(ProblemCode.OutOfRange, "/slot", piece.Slot, 1, model.Slots.Count));
        var fits = model.Cartridges.Where(c => c.Slots.Contains(piece.Slot)).ToList();
        if (fits.FirstOrDefault(c => c.Id == piece.Type) is not { } type)
            problems.Add(new Problem(ProblemCode.UnknownWord, "/type", piece.Type ?? "", string.Join(", ", fits.Select(c => c.Id))));
        else
        {
            Guard.Range(problems, piece.Ml ?? 0, "/ml", 0, Math.Round(type.Fill.Value * (1 + (4 * numbers.Noise.PouredSd)), 1));
            Guard.Range(problems, piece.ChipPct ?? 0, "/chipPct", 0, AllOfIt);
            if (problems.Count == 0)
                return (List<EntryBody>)
                    [
                        new SlotFitted(
                            piece.Slot,
                            type.Id,
                            type.Name,
                            piece.Ml ?? MlOf(type, piece.ChipPct),
                            type.HasCount ? piece.ChipPct ?? AllOfIt : null,
                            piece.Number?.Trim() ?? "",
                            piece.Lot?.Trim() ?? "",
                            piece.Seller?.Trim() ?? "",
                            piece.ReturnBy,
                            piece.Became?.Trim() ?? "",
                            piece.IsBought ? type.Price : 0
                        ),
                        .. Purge(piece.IsPurged && type.Inside != "tank"),
                    ];
        }

        return problems;
    }

    // A piece as bought that counted down already has used what it counted.
    private static double MlOf(CartridgeType type, double? chipPct) =>
        type is { IsFilled: false, HasCount: true } && chipPct is { } pct
            ? Math.Max(0, type.Fill.Value - (type.ChipCounts.Value * (AllOfIt - pct) / AllOfIt))
            : type.Fill.Value;

    // The machine purges all channels by itself after a change.
    private List<EntryBody> Purge(bool isPurged) =>
        isPurged && model.Operation("purge") is { } purge
            ? [new Purged(purge.PerChannel.Value * model.Slots.Count, purge.CounterPct, purge.Time.Value)]
            : [];

    /// <summary>A whole visit as it was planned: everything filled to full, and what is reset with it.</summary>
    public Outcome<IReadOnlyList<EntryBody>> Visit(InkVisit? visit)
    {
        if (Closed() is { } closed)
            return closed;
        if (visit is null)
            return new Problem(InkProblem.NothingDue, "");
        if (visit.Held.Length > 0)
            return new Problem(InkProblem.VisitHeld, "", visit.Held);
        var lines = new List<EntryBody>();
        foreach (var one in visit.Slots.Where(s => s.Advice.Way == SlotWay.Replace))
        {
            var type = one.On.Type!;
            var number = type.NumberFor(one.On.Slot.Panel, numbers.Region) ?? "";
            double? count = type.HasCount ? AllOfIt : null;
            lines.Add(new SlotFitted(one.On.Slot.Panel, type.Id, type.Name, type.Fill.Value, count, number, "", "", null, "", type.Price));
        }

        var fills = visit.Slots.Where(s => s.Advice.Way != SlotWay.Replace).ToList();
        if (fills.Count > 0)
        {
            var cost = Math.Round(fills.Sum(s => InkVisit.CostOf(s, numbers)), 2);
            List<SlotAmount> slots = [.. fills.Select(s => WithMl(new SlotAmount(s.On.Slot.Panel, null), s.Ml))];
            lines.Add(new SlotsFilled(slots, numbers.Work.Open + (numbers.Work.Fill * fills.Count), cost));
        }

        foreach (var group in visit.Slots.Where(s => visit.Resets.Contains(s.On.Slot.Panel)).GroupBy(s => ToolFor(s.On.Type!.Chip)))
        {
            var board = group.Key == InkWords.Board;
            // One press of a board sets every slot of the machine anew.
            List<SlotAmount> slots = board
                ? [.. model.Slots.Select(s => new SlotAmount(s.Panel, null, AllOfIt))]
                : [.. group.Select(s => new SlotAmount(s.On.Slot.Panel, null, AllOfIt))];
            lines.Add(
                new SlotsReset(
                    group.Key,
                    1,
                    true,
                    slots,
                    board ? PressesLeft() - 1 : null,
                    "",
                    numbers.Work.Reset * (board ? 1 : slots.Count)
                )
            );
        }

        if (visit.PurgeMl > 0)
            lines.Add(new Purged(visit.PurgeMl, visit.PurgeCounterPct, visit.PurgeTime.Value));
        return lines;
    }

    /// <summary>Presses that the machine's reset board has left.</summary>
    public int PressesLeft() => PressesLeft(state.Machine, numbers);

    /// <summary>Presses that a machine's reset board has left.</summary>
    public static int PressesLeft(MachineCase machine, InkNumbers numbers) =>
        numbers.Rules.BoardPresses
        - (int)
            machine
                .SlotLife.Where(l => l.What is { What: SlotChange.Reset, Of: InkWords.Board } && l.What.Slot == SlotId.Whole)
                .Sum(l => l.What.Count ?? 1);

    /// <summary>What resets a kind of chip; empty when nothing does.</summary>
    /// <param name="chip">Its kind.</param>
    public static string ToolFor(string chip) =>
        chip switch
        {
            "board" => InkWords.Board,
            "hand-tool" => InkWords.HandTool,
            "auto" => InkWords.Auto,
            "count" => InkWords.Panel,
            _ => "",
        };

    // One press claims ink in all of them: each must really be full.
    private List<int> NotFull() =>
        [
            .. SlotOnMachine
                .All(model, state, numbers, now)
                .Where(s => s.Type is { } type && (!s.IsKnown || s.Estimate!.Ink.Best < numbers.Rules.FullShare * type.Fill.Value))
                .Select(s => s.Slot.Panel),
        ];

    private Problem? Closed() => state.Closing is null ? null : new Problem(ProblemCode.JobClosed, "");

    private List<Problem> Checked(IReadOnlyList<SlotAmount>? slots, string unit, double least, double most)
    {
        if (Closed() is { } closed)
            return [closed];
        if (slots is not { Count: > 0 })
            return [new Problem(ProblemCode.Missing, "/slots")];
        var problems = new List<Problem>();
        for (var at = 0; at < slots.Count; at++)
        {
            var slot = slots[at];
            if (model.Slots.All(s => s.Panel != slot.Slot))
                problems.Add(new Problem(ProblemCode.OutOfRange, $"/slots/{at}/slot", slot.Slot, 1, model.Slots.Count));
            else if (slots.Take(at).Any(s => s.Slot == slot.Slot))
                problems.Add(new Problem(InkProblem.SlotTwice, $"/slots/{at}/slot", slot.Slot));
            if (unit.Length > 0 && slot.Amount is null && unit != "%")
                problems.Add(new Problem(ProblemCode.Missing, $"/slots/{at}/amount"));
            if (slot.Amount is { } amount && !(amount >= least && amount <= most))
                problems.Add(new Problem(ProblemCode.OutOfRange, $"/slots/{at}/amount", amount, least, most));
        }

        return problems;
    }

    private IEnumerable<(int At, SlotOnMachine On)> Each(IReadOnlyList<SlotAmount>? slots, List<Problem> problems) =>
        problems.Count > 0
            ? []
            :
            [
                .. slots!
                    .Index()
                    .Select(s => (s.Index, SlotOnMachine.Of(model, model.Slots.First(m => m.Panel == s.Item.Slot), state, numbers, now))),
            ];
}

/// <summary>A cartridge as it is fitted.</summary>
/// <param name="Slot">The slot, by panel number.</param>
/// <param name="Type">What it is, by its id in the model.</param>
/// <param name="Ml">Ink in it, ml; null when full.</param>
/// <param name="ChipPct">Its count, %; null when new.</param>
/// <param name="Number">The number on it.</param>
/// <param name="Lot">Its lot.</param>
/// <param name="Seller">Who sold it.</param>
/// <param name="ReturnBy">Until when the seller takes it back.</param>
/// <param name="Became">What became of the old one: returned, exchanged, scrapped, kept.</param>
/// <param name="IsBought">Whether it is new, and charged.</param>
/// <param name="IsPurged">Whether the machine purged after it.</param>
public sealed record FittedPiece(
    int Slot,
    string? Type,
    double? Ml,
    double? ChipPct,
    string? Number,
    string? Lot,
    string? Seller,
    DateOnly? ReturnBy,
    string? Became,
    bool IsBought,
    bool IsPurged = false
)
{
    internal IReadOnlyList<(string? Text, string Path)> Texts =>
        [(Number, "/number"), (Lot, "/lot"), (Seller, "/seller"), (Became, "/became")];
}
