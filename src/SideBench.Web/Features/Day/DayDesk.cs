using SideBench.Core.Accounts;
using SideBench.Core.Day;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Data.Jobs;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Day;

/// <summary>A plan with what it was made of.</summary>
/// <param name="At">The moment it is of.</param>
/// <param name="Rows">The jobs of the plan, in its order.</param>
/// <param name="Reminders">Reminders of the plan, after the jobs.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Ends">How its jobs may end.</param>
/// <param name="Open">The shop's open spans.</param>
/// <param name="Pins">What the next pieces are pinned to, by job.</param>
/// <param name="Moved">What moved since the plan before, and why; empty when nothing did.</param>
/// <param name="MovedAt">When that was said.</param>
/// <param name="Stamp">What it was made of: with another one it is made anew.</param>
internal sealed record MadePlan(
    DateTimeOffset At,
    IReadOnlyList<JobRow> Rows,
    IReadOnlyList<DayReminder> Reminders,
    DayPlan Plan,
    IReadOnlyList<DayEnd> Ends,
    IReadOnlyList<(DateTimeOffset From, DateTimeOffset To)> Open,
    IReadOnlyDictionary<long, PiecePinned> Pins,
    string Moved,
    DateTimeOffset MovedAt,
    string Stamp
)
{
    /// <summary>A minute of the plan as a time, to the second of the clock on the wall: noon is not a moment before noon.</summary>
    public DateTimeOffset Time(double minute)
    {
        var at = At.AddMinutes(minute).AddTicks(TimeSpan.TicksPerSecond / 2);
        return at.AddTicks(-(at.Ticks % TimeSpan.TicksPerSecond));
    }
}

/// <summary>Makes the plan of the day from all jobs that are here, and keeps it until something changes or a minute has gone by.</summary>
public sealed class DayDesk(
    JobStore jobs,
    EntryStore entries,
    PeopleStore people,
    DayReminders reminders,
    BenchBooks books,
    TimeProvider clock
) : IDisposable
{
    private readonly SemaphoreSlim making = new(1, 1);
    private const int MostLines = 20_000;
    private const long SecondsAnHour = 3600;
    private MadePlan? made;
    private ((long Hour, Shop Shop) Of, DayMinutes Minutes)? learnt;

    /// <summary>House numbers, with the places that this shop has.</summary>
    internal DayNumbers Numbers => books.Shop.Numbers.Of<DayNumbers>() with { Corners = Rules.Corners };

    /// <summary>What the day keeps to.</summary>
    internal DayRules Rules => DayRules.Of(books.ShopLines, books.Shop.Numbers.Of<DayNumbers>());

    /// <summary>The hours as they are set.</summary>
    internal ShopHours Hours => ShopHours.Of(books.ShopLines, Numbers);

    /// <summary>People who work at the bench.</summary>
    internal async Task<IReadOnlyList<PersonRow>> Bench(CancellationToken cancel) =>
        [.. (await people.All(cancel)).Where(p => p.Standing == AccountStanding.Active && Permissions.May(p.Role, Act.Bench))];

    /// <summary>How minutes have done, by the latest lines; looked at anew once an hour.</summary>
    internal async Task<DayMinutes> Minutes(CancellationToken cancel)
    {
        var hour = (books.Now.ToUnixTimeSeconds() / SecondsAnHour, books.Shop);
        if (learnt is { } kept && kept.Of == hour)
            return kept.Minutes;
        var minutes = DayMinutes.Of(DayMinutes.Told(await entries.Latest(MostLines, cancel), Numbers), Numbers);
        learnt = (hour, minutes);
        return minutes;
    }

    /// <summary>The plan as it stands.</summary>
    internal async Task<MadePlan> Plan(CancellationToken cancel)
    {
        var rows = await jobs.Open(cancel);
        var now = books.Now;
        var stamp = $"{books.Version} {now:yyyyMMddHHmm} {string.Join(' ', rows.Select(r => $"{r.Id.Value}.{r.Version}"))}";
        if (made is { } kept && kept.Stamp == stamp)
            return kept;
        await making.WaitAsync(cancel);
        try
        {
            return made is { } other && other.Stamp == stamp ? other : made = await Make(rows, now, stamp, cancel);
        }
        finally
        {
            making.Release();
        }
    }

    /// <summary>A job that asks for a promise, by its model and complaint.</summary>
    internal async Task<Outcome<DayJob>> Asking(string? modelId, string? complaintId, CancellationToken cancel)
    {
        if (books.Shop.Models.GetValueOrDefault(modelId ?? "") is not { } model)
            return new Problem(ProblemCode.UnknownModel, "/model", modelId ?? "");
        if (books.Shop.Book.Complaints.FirstOrDefault(c => c.Id == complaintId) is not { } complaint)
            return new Problem(DayProblem.NoComplaint, "/complaint", complaintId ?? "");
        return DayWays.New(
            model.FullName,
            CaseBook.Of(books.Shop.Book, model, complaint),
            books.State.PartsMissing,
            Numbers,
            await Minutes(cancel)
        );
    }

    /// <inheritdoc/>
    public void Dispose() => making.Dispose();

    private async Task<MadePlan> Make(IReadOnlyList<JobRow> rows, DateTimeOffset now, string stamp, CancellationToken cancel)
    {
        var (numbers, hours, rules, zone) = (Numbers, Hours, Rules, clock.LocalTimeZone);
        List<(double From, double To)> Ahead(long person, IReadOnlyList<HourSpan>? within = null) =>
            [
                .. hours
                    .Ahead(person, now, numbers.AheadDays, zone, within)
                    .Select(s => ((s.From - now).TotalMinutes, (s.To - now).TotalMinutes)),
            ];
        var bench = await Bench(cancel);
        var minutes = await Minutes(cancel);
        List<DayHand> hands =
        [
            .. bench.Select(p => new DayHand(p.Id.Value, p.Name, Ahead(p.Id.Value))
            {
                Pace = minutes.Pace(p.Id.Value),
                Aired = rules.Aired.Count == 0 ? null : Ahead(p.Id.Value, rules.Aired),
                Barred = rules.Barred(p.Id.Value, numbers),
            }),
        ];
        var here = new List<(JobRow Row, DayJob Job, IReadOnlyList<Entry> Lines)>();
        var pins = new Dictionary<long, PiecePinned>();
        foreach (var loaded in await jobs.Load(rows, cancel))
        {
            var row = loaded.Row;
            if (books.Case(loaded) is not { IsGood: true } first)
                continue;
            var state = first.Value.State;
            List<JobCase> threads =
            [
                .. state.Threads.Where(t => t.IsOpen).Select(t => books.Case(loaded, t.Id)).Where(c => c.IsGood).Select(c => c.Value),
            ];
            var lines = TakenBack.Without(loaded.Entries).ToList();
            if (DayWays.Of(row.Id.Value, $"{row.Tag}", threads, state, books.State.PartsMissing, numbers, now, minutes) is not { } job)
                continue;
            if (DayKeeping.PinOf(lines) is { } pin)
            {
                pins[row.Id.Value] = pin;
                var hand = bench.ToList().FindIndex(p => p.Id.Value == pin.Of);
                job = job with { Hand = hand < 0 ? null : hand, At = pin.From is { } at ? Math.Max(0, (at - now).TotalMinutes) : null };
            }

            here.Add((row, job, lines));
        }

        var on = On(here, bench, hands, numbers, now);
        List<DayJob> all = [.. here.Select((h, i) => on.TryGetValue(i, out var hand) ? OnNow(h.Job, hand, h.Lines[^1].At, now) : h.Job)];
        var due = await reminders.Standing(rows.Select(r => r.Machine.Value).ToHashSet(), cancel);
        var open = hours.Ahead(0, now, numbers.AheadDays, zone);
        all.AddRange(due.Select((r, i) => r.Job(i, Ahead(0), TimeZoneInfo.ConvertTime(now, zone), numbers)));
        // What stood a moment ago goes on, unless something better is found: the day does not jump about by itself.
        var plan = DayPlan.Of(all, hands, numbers, made?.Plan);
        var moved = made is { } before
            ? DayWords.Moved((before.Plan, before.At), (plan, now), numbers, DayWords.Told(books.ShopLines, before.At))
            : "";
        return new MadePlan(
            now,
            [.. here.Select(h => h.Row)],
            due,
            plan,
            DayChances.Of(plan, numbers),
            open,
            pins,
                // What was said stays a while, for whoever looks next.
                moved.Length > 0
                    ? moved
                : made?.MovedAt > now.AddMinutes(-numbers.OnMin) ? made.Moved
                : "",
            moved.Length > 0 ? now : made?.MovedAt ?? DateTimeOffset.MinValue,
            stamp
        );
    }

    // Hands are on the machine of their last line, when that is not long ago and the machine waits for nothing. Who takes one in or puts it
    // in its place is not on it.
    private static Dictionary<int, int> On(
        List<(JobRow Row, DayJob Job, IReadOnlyList<Entry> Lines)> here,
        IReadOnlyList<PersonRow> bench,
        List<DayHand> hands,
        DayNumbers numbers,
        DateTimeOffset now
    )
    {
        var on = new Dictionary<int, int>();
        for (var h = 0; h < bench.Count; h++)
        {
            if (!hands[h].Spans.Any(s => s.From <= 0 && s.To > 0))
                continue;
            // Somebody new has no line yet.
            (int Place, Entry Line)? last = here.Select(
                    (j, i) => (Place: i, Line: j.Lines.LastOrDefault(l => l.Person == bench[h].Id && l.Body is not (TakenIn or PlaceSet)))
                )
                .Where(j => j.Line is not null)
                .Select(j => ((int, Entry)?)(j.Place, j.Line!))
                .MaxBy(j => j!.Value.Item2.Id.Value);
            if (
                last is { } at
                && (now - at.Line.At).TotalMinutes <= numbers.OnMin
                && here[at.Place].Job is { Ready: <= 0, Hand: null, At: null }
            )
                on.TryAdd(at.Place, h);
        }

        return on;
    }

    private static DayJob OnNow(DayJob job, int hand, DateTimeOffset since, DateTimeOffset now)
    {
        var gone = Math.Max(0, (now - since).TotalMinutes);
        IReadOnlyList<DayPiece> Left(IReadOnlyList<DayPiece> way) =>
            way.Count == 0 ? way : [way[0] with { Hands = Math.Max(1, way[0].Hands - gone) }, .. way.Skip(1)];
        return job with { IsOn = true, Hand = hand, Ways = [.. job.Ways.Select(w => w with { Pieces = Left(w.Pieces) })] };
    }
}
