using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;

namespace SideBench.Core.Day;

/// <summary>
/// The ways of a job to its end, as the advice sees it: what it looks at next, the work for each cause that may be, the wait that follows,
/// the proof. Pieces of hands in minutes of the book.
/// </summary>
public static class DayWays
{
    private const string Parts = "parts";
    private const string Customer = "customer";
    private const double MinutesPerDay = 24 * 60;

    /// <summary>A job that is here.</summary>
    /// <param name="id">The job.</param>
    /// <param name="name">What it is called.</param>
    /// <param name="threads">Its threads that are open, each with its book; none when it is closed.</param>
    /// <param name="state">Where it stands.</param>
    /// <param name="missing">Parts that are not on the shelf.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="now">The time.</param>
    /// <param name="minutes">Minutes as they were taken; null for the book's.</param>
    /// <returns>Null for a job that needs no hands any more.</returns>
    public static DayJob? Of(
        long id,
        string name,
        IReadOnlyList<JobCase> threads,
        JobState state,
        IReadOnlyCollection<string> missing,
        DayNumbers numbers,
        DateTimeOffset now,
        DayMinutes? minutes = null
    )
    {
        if (state.Closing is not null || state.HandOver is not null)
            return null;
        var ways = Taken(
            Joined([.. threads.Select(t => OfThread(t, missing, numbers))], numbers),
            minutes,
            threads.FirstOrDefault()?.Book.Model.Id
        );
        var unknown = threads.Count == 0 || threads.Any(t => t.Odds.Contradicted);
        var clocks = state.Clocks.Where(c => c.IsWait).ToList();
        var waits = state.WaitsFor is Parts or Customer;
        var until = waits
            ? state.WaitsUntil ?? now.AddDays(state.WaitsFor == Parts ? numbers.PartDays : numbers.WordDays)
            : clocks.Select(c => (DateTimeOffset?)c.EndsAt).Max();
        double Minutes(DateTimeOffset at) => (at - now).TotalMinutes;
        var latest = clocks.Select(c => c.LatestAt).OfType<DateTimeOffset>().Select(Minutes).ToList();
        return new DayJob(
            id,
            name,
            until is { } at ? Math.Max(0, Minutes(at)) : 0,
            latest.Count > 0 ? latest.Min() : null,
            state.Intake.Promise is { } promise ? Minutes(promise) : null,
            unknown ? [new DayWay(1, [new DayPiece("find out what it is", numbers.UnknownMin)])] : ways
        )
        {
            WaitsFor = waits ? state.WaitsWhat : clocks.MaxBy(c => c.EndsAt)?.Label ?? "",
            IsOthers = waits,
            IsUnknown = unknown,
            IsOpen = state.Tray.Any(i => i.Marks.Contains("open")),
        };
    }

    /// <summary>A job that is not here yet: by what such complaints turn out to be.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="book">The book of its model and complaint.</param>
    /// <param name="missing">Parts that are not on the shelf.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="minutes">Minutes as they were taken; null for the book's.</param>
    public static DayJob New(
        string name,
        CaseBook book,
        IReadOnlyCollection<string> missing,
        DayNumbers numbers,
        DayMinutes? minutes = null
    )
    {
        var all = book.BaseWeights.Sum();
        var ways = Ways(book, [.. book.BaseWeights.Select(w => w / all)], [], missing, numbers);
        return new DayJob(0, name, 0, null, null, Taken(ways, minutes, book.Model.Id));
    }

    // The book's minutes as this shop takes them.
    private static IReadOnlyList<DayWay> Taken(IReadOnlyList<DayWay> ways, DayMinutes? minutes, string? model) =>
        minutes is null
            ? ways
            :
            [
                .. ways.Select(w =>
                    w with
                    {
                        Pieces =
                        [
                            .. w.Pieces.Select(p =>
                                p with
                                {
                                    Hands = p.Hands * minutes.Factor(p.Step, model ?? ""),
                                    Sd = minutes.Sd(p.Step),
                                }
                            ),
                        ],
                    }
                ),
            ];

    private static IReadOnlyList<DayWay> OfThread(JobCase job, IReadOnlyCollection<string> missing, DayNumbers numbers)
    {
        DayPiece End() => new("write it up, call", numbers.ProofMin);
        var advice = job.Advice;
        switch (advice.Kind)
        {
            case AdviceKind.Close or AdviceKind.HandBack:
                return [new DayWay(1, [End()])];
            case AdviceKind.Prove when advice.Chosen is { Step: Finding proof }:
                return [new DayWay(1, [Piece(proof), End()])];
            case AdviceKind.Mend when advice.Chosen is { Step: Repair repair } chosen:
                // It ends it or it does not: then the rest of the causes are left.
                var ends = Math.Clamp(chosen.FixChance ?? 1, 0, 1);
                var then = After(repair, job.Book, missing, numbers);
                var rest = Ways(job.Book, Still(job, repair), [], missing, numbers);
                return
                [
                    .. new[] { new DayWay(ends, then) }
                        .Concat(ends >= 1 ? [] : rest.Select(w => new DayWay((1 - ends) * w.Chance, [.. then.SkipLast(1), .. w.Pieces])))
                        .Where(w => w.Chance > 0)
                        .OrderByDescending(w => w.Chance),
                ];
            default:
                var first = advice.Chosen?.Step is { } step ? new[] { Piece(step) } : [];
                return Ways(job.Book, Shares(job.Odds.Still), first, missing, numbers);
        }
    }

    // What is left of each cause when a repair did not end it.
    private static double[] Still(JobCase job, Repair repair)
    {
        var at = job.Book.IndexOfRepair(repair.Id);
        return Shares([.. job.Odds.Still.Select((p, c) => p * (1 - job.Book.FixChance[at][c]))]);
    }

    private static double[] Shares(double[] weights)
    {
        var all = weights.Sum();
        return all > 0 ? [.. weights.Select(w => w / all)] : weights;
    }

    // One way for each cause that may be; the looks that tell it from the others come first.
    private static IReadOnlyList<DayWay> Ways(
        CaseBook book,
        double[] chances,
        IReadOnlyList<DayPiece> first,
        IReadOnlyCollection<string> missing,
        DayNumbers numbers
    )
    {
        var bits = -chances.Where(p => p > 0).Sum(p => p * Math.Log2(p));
        var looks = Math.Clamp((int)Math.Round(bits / numbers.BitsALook) - first.Count, 0, numbers.MostLooks);
        List<DayPiece> before =
        [
            .. first,
            .. looks > 0 ? [new DayPiece("find out what it is", looks * numbers.LookMin)] : Array.Empty<DayPiece>(),
        ];
        var ways = new List<DayWay>();
        var rest = 0.0;
        for (var c = 0; c < chances.Length; c++)
        {
            if (chances[c] < numbers.LeastChance || Best(book, c) is not { } repair)
                rest += chances[c];
            else
                ways.Add(new DayWay(chances[c], [.. before, .. After(repair, book, missing, numbers)]));
        }

        if (rest > 0 || ways.Count == 0)
            ways.Add(
                new DayWay(
                    Math.Max(rest, ways.Count == 0 ? 1 : 0),
                    [
                        .. before,
                        new DayPiece("what it turns out to be", numbers.UnknownMin),
                        new DayPiece("write it up, call", numbers.ProofMin),
                    ]
                )
            );
        var all = ways.Sum(w => w.Chance);
        return [.. ways.Select(w => w with { Chance = w.Chance / all }).OrderByDescending(w => w.Chance)];
    }

    private static Repair? Best(CaseBook book, int cause) =>
        book
            .Repairs.Index()
            .Where(r => book.FixChance[r.Index][cause] > 0)
            .OrderBy(r => book.StepCost[r.Item.Id] / book.FixChance[r.Index][cause])
            .Select(r => r.Item)
            .FirstOrDefault();

    // The part, the work, its wait, the proof.
    private static IReadOnlyList<DayPiece> After(Repair repair, CaseBook book, IReadOnlyCollection<string> missing, DayNumbers numbers)
    {
        var pieces = new List<DayPiece>();
        if (repair.Part.Length > 0 && missing.Contains(repair.Part))
            pieces.Add(
                new DayPiece($"order {repair.Part}", numbers.ProofMin, numbers.PartDays * MinutesPerDay, null, repair.Part)
                {
                    IsOthers = true,
                }
            );
        pieces.Add(
            new DayPiece(
                repair.Name,
                repair.Minutes,
                repair.Wait?.MinMinutes ?? 0,
                repair.Wait?.MaxMinutes,
                repair.Wait?.Label ?? "",
                repair.Id
            )
            {
                Tags = repair.Tags,
            }
        );
        if (book.FindingOn(repair.Proof) is { } proof)
            pieces.Add(Piece(proof));
        pieces.Add(new DayPiece("write it up, call", numbers.ProofMin));
        return pieces;
    }

    private static DayPiece Piece(BookStep step) =>
        (
            step is Repair { Wait: { } wait } repair
                ? new DayPiece(repair.Name, repair.Minutes, wait.MinMinutes, wait.MaxMinutes, wait.Label, repair.Id)
                : new DayPiece(step.Name, step.Minutes, 0, null, "", step.Id)
        ) with
        {
            Tags = step.Tags,
        };

    // Threads are worked one after the other, each with its likeliest way, the first with all of its own: a wait on the machine holds them
    // all, since none may be tried on a wet or a switched-off one. While a part or a person is waited for the others go on.
    private static IReadOnlyList<DayWay> Joined(IReadOnlyList<IReadOnlyList<DayWay>> threads, DayNumbers numbers)
    {
        if (threads.Count == 0)
            return [new DayWay(1, [new DayPiece("find out what it is", numbers.UnknownMin)])];
        var more = threads.Skip(1).SelectMany(t => t[0].Pieces.SkipLast(1)).ToList();
        return [.. threads[0].Select(w => w with { Pieces = Woven(w.Pieces, more) })];
    }

    /// <summary>Pieces of other threads, put into the first wait for parts or people that is long enough; else before all.</summary>
    /// <param name="way">The way of the first thread.</param>
    /// <param name="more">Pieces of the others.</param>
    internal static IReadOnlyList<DayPiece> Woven(IReadOnlyList<DayPiece> way, IReadOnlyList<DayPiece> more)
    {
        var takes = more.Sum(p => p.Hands + p.Wait);
        var at = way.ToList().FindIndex(p => p.IsOthers && p.Wait >= takes);
        if (more.Count == 0 || at < 0 || more[^1].MostWait is not null)
            return [.. more, .. way];
        var rest = more[^1] with { Wait = way[at].Wait - takes + more[^1].Wait, WaitSays = way[at].WaitSays, IsOthers = true };
        return [.. way.Take(at), way[at] with { Wait = 0, WaitSays = "" }, .. more.SkipLast(1), rest, .. way.Skip(at + 1)];
    }
}
