using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Quantities;
using SideBench.Core.Waste;

namespace SideBench.Core.HeadCare;

/// <summary>The head of a machine on the bench: what its sheets and its work tell of every channel.</summary>
/// <param name="Channels">Every channel of the last sheet, complete ones too.</param>
/// <param name="FeedFirst">Those in which air or too little feed is likelier than a clog: no clean helps them, and one may harm.</param>
/// <param name="Case">The others with something missing, or these when there are no others; and what can be done.</param>
/// <param name="SheetDue">Work after the last sheet that no sheet has judged yet; null when there is none.</param>
public sealed record HeadOnJob(
    IReadOnlyList<ChannelCare> Channels,
    IReadOnlyList<ChannelCare> FeedFirst,
    HeadCase Case,
    CleanOnJob? SheetDue
)
{
    private const double MostlyClog = 0.5;

    /// <summary>Whether the trouble is marks on paper: another road than a clog.</summary>
    public bool Smudges { get; init; }

    /// <summary>Units of the last sheet that were too faint to tell.</summary>
    public IReadOnlyList<string> TooFaint { get; init; } = [];

    /// <summary>Whether the supply was worked on: a sheet is no proof of that.</summary>
    public bool SupplyMended { get; init; }

    /// <summary>What a point of the counter brings into the waste store, g; null where the model does not tell.</summary>
    public double? StoreGramsPerPoint { get; init; }

    /// <summary>The head of a job.</summary>
    /// <param name="job">A thread of the job.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="ink">House numbers of ink: a slot that has none left is not cleaned.</param>
    /// <param name="waste">House numbers of waste: a store without room is not cleaned into.</param>
    /// <param name="now">The time: a head that stood since its last clean has rested.</param>
    /// <returns>Null when no sheet was taken on this visit, or the house knows nothing of this kind of head.</returns>
    public static HeadOnJob? Of(JobCase job, HeadCareNumbers numbers, InkNumbers ink, WasteNumbers waste, DateTimeOffset now)
    {
        var (model, state) = (job.Book.Model, job.State);
        if (model.Sheet is not { } plan || state.Sheets.Count == 0)
            return null;
        var cleans = state.Of<JobCleans>();
        var proved = numbers.Proved.Any(p => job.Facts.Answers.TryGetValue(p.Key, out var told) && p.Value.Contains(told));
        var channels = new List<ChannelCare>();
        foreach (var unit in plan.Layout.Units)
        {
            var slot = model.Slots.First(s => s.Panel == plan.Slots[unit.Id]);
            if (History(job, unit.Id, slot.Panel, $"{model.Axes["head"]} {slot.InkKind}", cleans.All, numbers) is not { } head)
                continue;
            if (CleanOutlook.Of(head, numbers) is not { } outlook)
                return null;
            channels.Add(new ChannelCare(unit.Id, slot.Panel, slot.Ink, slot.InkKind, head, proved ? outlook.SupplyProved() : outlook));
        }

        List<ChannelCare> all = [.. channels.Where(c => c.Outlook.Missing > cleans.MostLeft)];
        List<ChannelCare> feedFirst = [.. all.Where(c => c.Outlook.Explanation.Clog < MostlyClog)];
        List<ChannelCare> open = feedFirst.Count == all.Count ? all : [.. all.Except(feedFirst)];
        var inStore = StoreRoom(job, waste, now);
        var limits = HeadBounds.Of(model, job.Book.Book.House, numbers) with
        {
            MostLeft = cleans.MostLeft,
            RowSoFar = Row(cleans.All, numbers, job.Book.Book, now),
            CleanedBefore = cleans.All.Count > 0 || state.Intake.CleansTried > 0,
            CounterRoom = LeastOf(Room(job), inStore),
            StoreIsFirst = inStore is not null && !(Room(job)?.Pct <= inStore.Value.Pct),
            SupplyProved = proved,
        };
        IReadOnlyList<HeadMethod> methods =
        [
            .. HeadMethods
                .For(
                    model,
                    job.Book.Book,
                    numbers,
                    open,
                    new HeadStock(slot => Left(job, slot, ink, now), limits.CounterRoom, limits.StoreIsFirst)
                )
                .Select(m => Gated(Fed(m, model, open, feedFirst), job, numbers)),
        ];
        if (!proved && open.Count > 0)
            methods = [.. methods, HeadMethods.Supply(open.Count, numbers)];
        var last = state.Sheets[^1].Entry;
        return new HeadOnJob(
            channels,
            feedFirst,
            new HeadCase(open, methods, HeadBounds.Rates(job.Book.Book.House, numbers), limits.LookingAt(open)),
            cleans.All.LastOrDefault(c => c.Entry > last)
        )
        {
            TooFaint = [.. state.Sheets[^1].Units.Where(u => u.IsTooFaint).Select(u => u.Id)],
            SupplyMended = cleans.Work.Any(w => numbers.SupplyStations.Contains(job.Book.Book.Step(w.Repair)?.Station ?? "")),
            StoreGramsPerPoint = model.Waste?.GramsPerPoint,
            Smudges = state.Threads.Any(t => t.IsOpen && numbers.Smudge.Contains(t.Complaint)),
        };
    }

    private static HeadHistory? History(
        JobCase job,
        string unit,
        int slot,
        string kind,
        IReadOnlyList<CleanOnJob> cleans,
        HeadCareNumbers numbers
    )
    {
        var sheets = job.State.Sheets.Select(s => (s.Entry, Unit: s.Units.FirstOrDefault(u => u.Id == unit))).ToList();
        if (sheets[^1].Unit is not { IsTooFaint: false } last)
            return null;
        // What sheets said before the supply was mended is said of another supply.
        var mended = job
            .State.Of<JobCleans>()
            .Work.LastOrDefault(w => numbers.SupplyStations.Contains(job.Book.Book.Step(w.Repair)?.Station ?? ""))
            .Entry;
        sheets = [.. sheets.Where((s, i) => s.Entry > mended || i == sheets.Count - 1)];
        var done = new List<Application>();
        foreach (var (before, after) in sheets.Zip(sheets.Skip(1)))
        {
            var between = cleans.Where(c => c.Entry > before.Entry && c.Entry < after.Entry && c.Touched(slot));
            // Where several were done before one sheet, the pair is laid to the one that does most.
            var method = between.Select(c => MethodOf(c.Repair, numbers)).OfType<string>().MaxBy(m => Chance(kind, m, numbers));
            if (method is not null && before.Unit is { } from && after.Unit is { } to)
                done.Add(new Application(method, from.Missing.ToHashSet(), to.Missing.ToHashSet()));
        }

        return new HeadHistory(kind, job.State.Intake.IdleWeeks, last.Nozzles.Length, IsRefilled(job), last.Missing.ToHashSet(), done);
    }

    /// <summary>Whether the machine of a job runs on refilled cartridges or an add-on supply.</summary>
    public static bool IsRefilled(JobCase job) =>
        job.Book.Model.Axes["delivery"] is var delivery
        && (delivery == "addon" || (delivery != "tank" && job.State.Intake.Ink is "refilled" or "addon"));

    private static double Chance(string kind, string method, HeadCareNumbers numbers) =>
        numbers.Chances.GetValueOrDefault(kind)?.GetValueOrDefault(method) ?? 0;

    /// <summary>The method that a work of the fault book is; null when it is none.</summary>
    public static string? MethodOf(string repair, HeadCareNumbers numbers) =>
        numbers.Repairs.FirstOrDefault(r => r.Value.Contains(repair)).Key;

    private static int Row(IReadOnlyList<CleanOnJob> cleans, HeadCareNumbers numbers, FaultBook book, DateTimeOffset now)
    {
        var rest = numbers.Repairs.GetValueOrDefault(HeadMethod.Rest, []).Select(r => (book.Step(r) as Repair)?.Wait).FirstOrDefault();
        var (row, next) = (0, now);
        foreach (var clean in cleans.Reverse())
        {
            var method = MethodOf(clean.Repair, numbers);
            if (method is null || !HeadMethod.IsCleanOf(method) || (next - clean.At).TotalMinutes >= rest?.MinMinutes)
                break;
            (row, next) = (row + 1, clean.At);
        }

        return row;
    }

    // Ink above the reserve, where fills, weighings and readings tell of it.
    private static Millilitres? Left(JobCase job, int panel, InkNumbers ink, DateTimeOffset now)
    {
        var model = job.Book.Model;
        var slot = SlotOnMachine.Of(model, model.Slots.First(s => s.Panel == panel), job.State, ink, now);
        return slot is { IsWitnessed: true, Estimate: { } known, Type: { } type }
            ? Millilitres.Of(Math.Max(0, known.Ink.Best - type.Reserve.Value))
            : null;
    }

    private static CounterShare? Room(JobCase job)
    {
        var read = job.State.Counter?.Pct ?? job.State.Machine.Counter?.Reading.Counter?.Pct;
        return read is { } pct ? CounterShare.OfPct(Math.Max(0, 100 - pct)) : null;
    }

    // What the store has room for, in points of the counter as cleans are told in; null where nobody ever weighed or renewed it.
    private static CounterShare? StoreRoom(JobCase job, WasteNumbers waste, DateTimeOffset now) =>
        StoreOnMachine.CautiousRoom(job.Book.Model, job.State.Machine, waste, now) is { } grams
            ? CounterShare.OfPct(Math.Max(0, grams) / job.Book.Model.Waste!.GramsPerPoint)
            : null;

    private static CounterShare? LeastOf(CounterShare? counter, CounterShare? store) =>
        counter is { } a && store is { } b ? (a.Pct <= b.Pct ? a : b) : counter ?? store;

    // A clean that also draws from a channel which is not fed draws air there.
    private static HeadMethod Fed(HeadMethod method, MachineModel model, List<ChannelCare> open, List<ChannelCare> feedFirst)
    {
        var drawn = model.HeadCare.Groups.Where(g => open.Any(c => g.Contains(c.Slot))).SelectMany(g => g).ToHashSet();
        return method.IsClean && method.Held is null && feedFirst.FirstOrDefault(c => drawn.Contains(c.Slot)) is { } hungry
            ? method with
            {
                Held = new HeldMethod(
                    $"{hungry.Ink} is cleaned along, and ink does not follow there: a clean draws more air.",
                    "The supply first."
                ),
            }
            : method;
    }

    // What the bench holds back is held back here too, in the same words.
    private static HeadMethod Gated(HeadMethod method, JobCase job, HeadCareNumbers numbers) =>
        method.Held is null
        && job.Book.IndexOfRepair(method.Repair) is >= 0 and var r
        && Gates.Holding(job.Book, job.Facts, job.Book.Repairs[r], job.State.Overridden) is { } gate
            ? method with
            {
                Held = new HeldMethod(gate.Reason, gate.Lift, numbers.Passing.Contains(gate.Id)),
            }
            : method;
}
