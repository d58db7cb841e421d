using SideBench.Core.Day;
using SideBench.Data.Jobs;
using SideBench.Data.People;
using SideBench.Packs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Day;

/// <summary>Lays the day out for its pages. No rules here: only what the core says, in the page's shape.</summary>
internal static class DayViews
{
    private const double MinutesPerHour = 60;
    private const int ThenPieces = 2;

    /// <summary>The plan.</summary>
    public static DayView Of(MadePlan made, BenchBooks books, TimeZoneInfo zone, DayNumbers numbers)
    {
        var plan = made.Plan;
        return new DayView(
            made.At,
            [
                .. plan.Hands.Select(h => new DayHandView(
                    h.Id,
                    h.Name,
                    [.. h.Spans.Select(s => new SpanView(made.Time(s.From), made.Time(s.To)))]
                )),
            ],
            [.. made.Open.Select(o => new SpanView(o.From, o.To))],
            [.. plan.Hands.Select((h, i) => Now(made, books, h, i))],
            [.. made.Rows.Select((_, j) => Job(made, books, j, numbers))],
            [.. made.Reminders.Select((_, r) => Reminder(made, r))],
            [.. Load(made, zone, numbers)],
            made.Moved,
            string.Join(' ', new[] { Says(made, numbers), DayWords.NobodyDoes(plan) }.Where(s => s.Length > 0)),
            numbers.Level,
            plan.Cost.Overrun
        );
    }

    /// <summary>A walk-in.</summary>
    public static WalkInView WalkIn(MadePlan made, WalkIn said, double minutes, BenchBooks books) =>
        new(minutes, Harms(made, books, said.Harms), said.LaterMin, said.FirstGap is { } gap ? made.Time(gap) : null);

    /// <summary>What a pin would do.</summary>
    public static PinPriceView Price(MadePlan made, PinPrice said, BenchBooks books) =>
        new(Harms(made, books, said.Harms), said.Begins is { } begins ? made.Time(begins) : null, made.Time(said.Done));

    /// <summary>A promise.</summary>
    public static PromiseView Promise(MadePlan made, DayPromise said, BenchBooks books) =>
        new(
            said.Offered is { } offer ? Offer(made, offer) : null,
            [.. said.Times.Select(t => Offer(made, t))],
            Harms(made, books, said.Harms),
            books.Shop.Numbers.Of<DayNumbers>().Level
        );

    /// <summary>How minutes have done.</summary>
    public static MinutesView Minutes(DayMinutes minutes, Shop shop)
    {
        var rows = minutes.Rows();
        return new MinutesView(
            rows.Where(r => r.What == "step").Sum(r => r.Count),
            [
                .. rows.Select(r => new MinutesRowView(
                    r.What,
                    r.What == "model" && shop.Models.GetValueOrDefault(r.Id) is { } model ? model.FullName : r.Name,
                    r.Count,
                    Math.Round(r.Book, 1),
                    Math.Round(r.Taken, 1),
                    Math.Round(r.Factor, 2),
                    Math.Round(r.Low, 2),
                    Math.Round(r.High, 2)
                )),
            ]
        );
    }

    /// <summary>All hours.</summary>
    public static HoursView Hours(DayDesk desk, IReadOnlyList<PersonRow> bench, BenchBooks books)
    {
        var (hours, rules) = (desk.Hours, desk.Rules);
        static string Text(IEnumerable<HourSpan> spans) => string.Join(' ', spans.Select(s => $"{s.From:HH:mm}-{s.To:HH:mm}"));
        var week = Enum.GetValues<DayOfWeek>().OrderBy(d => (int)(d + 6) % 7).ToList();
        string Name(long of) => of == 0 ? "Shop" : bench.FirstOrDefault(p => p.Id.Value == of)?.Name ?? $"Person {of}";
        return new HoursView(
            books.Version,
            [
                new HoursOfView(0, "Shop", [.. week.Select(d => new WeekdayView($"{d}", Text(hours.Week.GetValueOrDefault(d) ?? [])))]),
                .. bench.Select(p => new HoursOfView(
                    p.Id.Value,
                    p.Name,
                    [
                        .. week.Select(d => new WeekdayView(
                            $"{d}",
                            Text(hours.People.GetValueOrDefault((p.Id.Value, d)) ?? hours.Week.GetValueOrDefault(d) ?? [])
                        )),
                    ]
                )),
            ],
            [
                .. hours
                    .Days.Select(d => new DayOffView(0, "Shop", d.Key, Text(d.Value), ""))
                    .Concat(hours.Off.Select(d => new DayOffView(d.Key.Person, Name(d.Key.Person), d.Key.Day, Text(d.Value), "")))
                    .Where(d => d.Day >= books.Today)
                    .OrderBy(d => d.Day),
            ],
            new DayRulesView(
                rules.Corners,
                Text(rules.Aired),
                [.. desk.Numbers.Kinds.Select(k => new WorkKindView(k.Id, k.Name))],
                [.. bench.Select(p => new LeavesView(p.Id.Value, p.Name, rules.Leaves.GetValueOrDefault(p.Id.Value) ?? []))]
            )
        );
    }

    private static PromiseTimeView Offer(MadePlan made, PromiseOffer offer) =>
        new(made.Time(offer.At), offer.Holds, DayWords.Tenths(offer.Holds));

    // Machines that are here; a reminder that comes later is no promise to anybody.
    private static IReadOnlyList<HarmView> Harms(MadePlan made, BenchBooks books, IReadOnlyList<(int Job, double Loses)> harms) =>
        [.. harms.Where(h => h.Job < made.Rows.Count).Select(h => Harm(made, books, h.Job, h.Loses))];

    private static DayReminderView Reminder(MadePlan made, int at)
    {
        var reminder = made.Reminders[at];
        var piece = made.Plan.Pieces.First(p => p.Job == made.Rows.Count + at);
        return new DayReminderView(
            reminder.Key,
            reminder.Says,
            reminder.About,
            reminder.Due,
            reminder.Minutes,
            piece.Hand < 0 ? "" : made.Plan.Hands[piece.Hand].Name,
            piece.Hand < 0 ? null : made.Time(piece.From)
        );
    }

    private static HarmView Harm(MadePlan made, BenchBooks books, int job, double loses) =>
        new(made.Rows[job].Tag, Machine(made.Rows[job], books), made.Ends[job].Kept ?? 0, (made.Ends[job].Kept ?? 0) - loses);

    private static string Machine(JobRow row, BenchBooks books) =>
        books.Shop.Models.GetValueOrDefault(row.ModelId)?.FullName ?? row.ModelId;

    private static DayNowView Now(MadePlan made, BenchBooks books, DayHand hand, int at)
    {
        var mine = made.Plan.Pieces.Where(p => p.Hand == at).OrderBy(p => p.From).ToList();
        var here = hand.Spans.Any(s => s.From <= 0 && s.To > 0);
        // What begins now, or is going on; else the first that comes.
        var steps = mine.Take(1 + ThenPieces).Select(p => Step(made, books, p)).ToList();
        var now = here && mine.Count > 0 && mine[0].From <= 1 ? steps[0] : null;
        return new DayNowView(hand.Id, hand.Name, here, now, now is null ? [.. steps.Take(ThenPieces)] : [.. steps.Skip(1)]);
    }

    private static DayStepView Step(MadePlan made, BenchBooks books, DayPlaced piece)
    {
        if (piece.Job >= made.Rows.Count)
        {
            var reminder = made.Reminders[piece.Job - made.Rows.Count];
            return new DayStepView(
                0,
                0,
                reminder.About,
                piece.Piece.Says,
                made.Time(piece.From),
                piece.Piece.Hands,
                $"it is due {reminder.Due:d MMM}",
                reminder.Key
            );
        }

        return new(
            made.Rows[piece.Job].Id.Value,
            made.Rows[piece.Job].Tag,
            Machine(made.Rows[piece.Job], books),
            piece.Piece.Says,
            made.Time(piece.From),
            piece.Piece.Hands,
            DayWords.Because(made.Plan, made.Ends, piece),
            null
        );
    }

    private static DayJobView Job(MadePlan made, BenchBooks books, int j, DayNumbers numbers)
    {
        var (row, job, end) = (made.Rows[j], made.Plan.Jobs[j], made.Ends[j]);
        return new DayJobView(
            row.Id.Value,
            row.Tag,
            Machine(row, books),
            row.CustomerName,
            row.PromiseAt,
            end.Kept,
            end.Kept is { } kept ? DayWords.Tenths(kept) : "",
            made.Time(end.Early),
            made.Time(end.Likely),
            made.Time(end.Late),
            job.Ready > 0 ? made.Time(job.Ready) : null,
            job.Latest is { } latest ? made.Time(latest) : null,
            job.WaitsFor,
            job.IsOthers,
            job.IsUnknown,
            DayWords.NoPlace(made.Plan, j, numbers),
            made.Pins.GetValueOrDefault(row.Id.Value) is { } pin ? (pin.Of > 0 ? pin.Name : "whoever comes") : "",
            made.Pins.GetValueOrDefault(row.Id.Value)?.From,
            row.Version,
            [.. made.Plan.Pieces.Where(p => p.Job == j).OrderBy(p => p.Number).Select(p => Piece(made, p))]
        );
    }

    private static DayPieceView Piece(MadePlan made, DayPlaced p) =>
        new(
            p.Piece.Says,
            p.Hand < 0 ? 0 : made.Plan.Hands[p.Hand].Id,
            made.Time(p.From),
            made.Time(p.To),
            p.Piece.Hands,
            p.Latest is { } latest ? made.Time(latest) : null,
            p.Piece.Wait > 0 ? made.Time(p.To + p.Piece.Wait) : null,
            p.Piece.WaitSays
        );

    private static IEnumerable<DayLoadView> Load(MadePlan made, TimeZoneInfo zone, DayNumbers numbers)
    {
        DateOnly DayOf(DateTimeOffset at) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, zone).DateTime);
        var today = DayOf(made.At);
        for (var d = 0; d < numbers.AheadDays; d++)
        {
            var day = today.AddDays(d);
            var open = made.Plan.Hands.SelectMany(h => h.Spans).Where(s => DayOf(made.Time(s.From)) == day).Sum(s => s.To - s.From);
            var work = made.Plan.Pieces.Where(p => p.Hand >= 0 && DayOf(made.Time(p.From)) == day).Sum(p => p.Piece.Hands);
            if (open > 0 || work > 0)
                yield return new DayLoadView(day, work / MinutesPerHour, open / MinutesPerHour);
        }
    }

    private static string Says(MadePlan made, DayNumbers numbers)
    {
        var promised = made
            .Plan.Jobs.Take(made.Rows.Count)
            .Select((job, j) => (Job: job, made.Ends[j].Kept))
            .Where(p => p.Kept is not null)
            .ToList();
        if (promised.Count == 0)
            return made.Rows.Count == 0 ? "No machine needs hands." : "Nothing was promised for a time.";
        var least = promised.MinBy(p => p.Kept);
        var firm = promised.Count(p => p.Kept >= numbers.Level);
        return firm == promised.Count
            ? $"All {promised.Count} promises hold; the tightest is {least.Job.Name}, {DayWords.Tenths(least.Kept!.Value)}."
            : $"{firm} of {promised.Count} promises hold; {least.Job.Name} holds {Short(least.Kept!.Value)}.";

        // Just below what the shop asks for, tenths would say the same of both.
        string Short(double kept) =>
            DayWords.Tenths(kept) == DayWords.Tenths(numbers.Level) ? $"{Math.Floor(100 * kept):0} times in 100" : DayWords.Tenths(kept);
    }
}
