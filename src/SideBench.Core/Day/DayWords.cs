using System.Globalization;
using SideBench.Core.Record;

namespace SideBench.Core.Day;

/// <summary>Why a piece comes when it does, and what moved since the plan before, in words.</summary>
public static class DayWords
{
    private const double Soon = 60;
    private const double Sure = 0.995;

    /// <summary>Why a piece is the next of a person.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="ends">How its jobs may end.</param>
    /// <param name="piece">The piece.</param>
    public static string Because(DayPlan plan, IReadOnlyList<DayEnd> ends, DayPlaced piece)
    {
        var job = plan.Jobs[piece.Job];
        if (job.IsOn && piece.Number == 0)
            return "hands are on it";
        if (job.At is not null && piece.Number == 0)
            return "it was set to this time";
        if (piece.Overrun > 0)
            return $"it must have been ended {piece.Overrun:0} min ago or sooner: do it first";
        if (piece.Latest is { } latest && latest - piece.From < Soon)
            return $"it must be ended within {Math.Max(0, latest - piece.From):0} min of then";
        if (ends[piece.Job].Kept is { } kept)
            return kept >= Sure
                ? "it was promised, and in this order that is kept"
                : $"it was promised, and in this order that is kept {(kept < Half ? "only " : "")}{Tenths(kept)}";
        if (piece.Piece.Wait > piece.Piece.Hands)
            return $"it works by itself afterwards, about {piece.Piece.Wait:0} min";
        return job.IsUnknown ? "its way is not known yet: a look tells more" : "nothing that presses more is ready";
    }

    /// <summary>Work that all who are here leave to others, in a sentence for each; empty when there is none.</summary>
    /// <param name="plan">The plan.</param>
    public static string NobodyDoes(DayPlan plan) =>
        string.Join(
            ' ',
            plan.Pieces.Where(p => p.Hand < 0 && plan.Hands.Count > 0 && plan.Hands.All(h => p.Piece.Tags.Any(h.Barred.Contains)))
                .DistinctBy(p => p.Job)
                .Select(p => $"Nobody here does “{p.Piece.Says}” on {plan.Jobs[p.Job].Name}: see Hours.")
        );

    /// <summary>Which machines take the places that a job's next piece needs now; empty when it waits for no place.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="job">The job's place in the list of jobs.</param>
    /// <param name="numbers">House numbers, with how many places there are.</param>
    public static string NoPlace(DayPlan plan, int job, DayNumbers numbers)
    {
        bool Opens(DayPlaced? next) => next?.Piece.Tags.Contains(numbers.OpenTag) == true;
        var next = Next(plan, job);
        var places = new OpenPlaces(plan.Jobs, numbers);
        var waits = numbers.Corners > 0 && plan.Jobs[job].Ready <= 0 && !places.IsHeld(plan.Jobs[job]);
        if (!waits || !Opens(next) || next!.From < numbers.MovedMin)
            return "";
        bool IsOpen(int k) => places.IsHeld(plan.Jobs[k]) || (Next(plan, k) is { } n && Opens(n) && n.From < 1);
        var open = Enumerable.Range(0, plan.Jobs.Count).Where(k => k != job && IsOpen(k)).Select(k => plan.Jobs[k].Name).ToList();
        return open.Count >= numbers.Corners ? $"no place free: {string.Join(", ", open)} open" : "";
    }

    /// <summary>A chance as people say it.</summary>
    public static string Tenths(double chance) =>
        chance switch
        {
            >= Sure => "as good as always",
            < 0.05 => "hardly ever",
            < 0.15 => "1 time in 10",
            _ => $"{Math.Clamp(Math.Round(chance * 10), 2, 9):0} times in 10",
        };

    /// <summary>What the shop told of its day since some moment, as a reason why something moved; empty for nothing.</summary>
    /// <param name="shop">Lines about the shop that stand, oldest first.</param>
    /// <param name="since">The moment.</param>
    public static string Told(IEnumerable<Entry> shop, DateTimeOffset since) =>
        shop.Where(e => e.At > since).Select(e => e.Body).LastOrDefault(b => b is DayRuleSet or HoursSet) switch
        {
            DayRuleSet => "what the day keeps to was told anew",
            HoursSet => "hours were told anew",
            _ => "",
        };

    /// <summary>What moved since the plan before, and why, in a sentence; empty when nothing did.</summary>
    /// <param name="before">The plan before, with when it was made.</param>
    /// <param name="now">The plan now, with when it was made.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="told">What the shop told of its day since then; empty for nothing.</param>
    public static string Moved(
        (DayPlan Plan, DateTimeOffset At) before,
        (DayPlan Plan, DateTimeOffset At) now,
        DayNumbers numbers,
        string told = ""
    )
    {
        var passed = (now.At - before.At).TotalMinutes;
        var came = now.Plan.Jobs.Where(j => j.Id >= 0 && before.Plan.Jobs.All(b => b.Id != j.Id)).ToList();
        var went = before.Plan.Jobs.Where(b => b.Id >= 0 && now.Plan.Jobs.All(j => j.Id != b.Id)).ToList();
        var moves = new List<(DayJob Job, double By)>();
        for (var j = 0; j < now.Plan.Jobs.Count; j++)
        {
            var job = now.Plan.Jobs[j];
            var at = before.Plan.Jobs.ToList().FindIndex(b => b.Id == job.Id);
            // A reminder is nobody's machine: it is not spoken of.
            if (
                job.Id < 0
                || at < 0
                || Next(now.Plan, j) is not { } next
                || Next(before.Plan, at) is not { } then
                || next.Piece.Says != then.Piece.Says
            )
                continue;
            var by = passed + next.From - then.From;
            // What could not have begun before now is not moved by time going by.
            if (Math.Abs(by) >= numbers.MovedMin && (by < 0 || next.From > numbers.MovedMin))
                moves.Add((job, by));
        }

        if (moves.Count == 0)
            return "";
        var most = moves.MaxBy(m => Math.Abs(m.By));
        var others = moves.Count > 1 ? $" and {moves.Count - 1} more" : "";
        var why =
            told.Length > 0 ? told
            : came.Count > 0 ? $"{Several(came)} came in"
            : went.Count > 0 ? $"{Several(went)} {(went.Count == 1 ? "needs" : "need")} no hands now"
            : Longer(before.Plan, now.Plan, passed) is { } over ? $"{over} took longer than told"
            : "something was done sooner, or told anew";
        return $"{most.Job.Name}{others} moved {Long(Math.Abs(most.By))} {(most.By > 0 ? "later" : "earlier")}: {why}.";
    }

    private static string Several(List<DayJob> jobs) =>
        jobs.Count switch
        {
            1 => jobs[0].Name,
            2 => $"{jobs[0].Name} and {jobs[1].Name}",
            _ => $"{jobs[0].Name} and {jobs.Count - 1} more",
        };

    private const double Half = 0.5;
    private const double HourMin = 60;
    private const double DayMin = 24 * HourMin;

    // To the half hour from two hours on: nobody looks at the minute of what moved that far.
    private static string Long(double minutes) =>
        minutes switch
        {
            < 2 * HourMin => $"{minutes:0} min",
            < 2 * DayMin => string.Create(CultureInfo.InvariantCulture, $"{Math.Round(2 * minutes / HourMin) / 2:0.#} h"),
            _ => $"{minutes / DayMin:0} days",
        };

    private static DayPlaced? Next(DayPlan plan, int job) => plan.Pieces.FirstOrDefault(p => p.Job == job && p.Number == 0);

    private static string? Longer(DayPlan before, DayPlan now, double passed) =>
        before
            .Pieces.Where(p => p.Number == 0 && p.Hand >= 0 && p.From <= 0 && p.To < passed)
            .Select(p => before.Jobs[p.Job])
            .FirstOrDefault(j => now.Jobs.Any(n => n.Id == j.Id && n.IsOn))
            ?.Name;
}
