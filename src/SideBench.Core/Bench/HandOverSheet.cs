using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Quantities;

namespace SideBench.Core.Bench;

/// <summary>What goes back with the machine on one page.</summary>
/// <param name="Found">What was found, as sentences.</param>
/// <param name="NotTheFault">What was looked at and is not the fault.</param>
/// <param name="Done">What was done.</param>
/// <param name="Used">Parts and ink used.</param>
/// <param name="Minutes">Bench time, min.</param>
/// <param name="Labour">Bench time at the shop's rate.</param>
/// <param name="Parts">Parts.</param>
/// <param name="Watch">What to watch.</param>
/// <param name="Cautions">What to be careful with.</param>
/// <param name="CameBack">What work brought back, by what was seen before and after.</param>
/// <param name="Ending">How it ended, as a sentence.</param>
public sealed record HandOverSheet(
    IReadOnlyList<string> Found,
    IReadOnlyList<string> NotTheFault,
    IReadOnlyList<string> Done,
    IReadOnlyList<string> Used,
    double Minutes,
    Money Labour,
    Money Parts,
    IReadOnlyList<string> Watch,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<string> CameBack,
    string Ending
)
{
    private const int MostLines = 7;

    /// <summary>What it costs in all.</summary>
    public Money Total => Labour + Parts;

    /// <summary>Makes the sheet from a job.</summary>
    /// <param name="more">What crafts add that need more than the job; null for nothing.</param>
    public static HandOverSheet Of(JobCase job, IReadOnlyList<HandOverLines>? more = null)
    {
        var state = job.State;
        var house = job.Book.Book.House;
        var causes = state.Threads.Select(t => job.Book.Book.Causes.FirstOrDefault(c => c.Id == t.Cause)).OfType<Cause>().ToList();
        var found = causes.Select(c => $"{c.Name}.").ToList();
        found.AddRange(state.Answers.Select(a => a.Body.Told + a.Body.Amount + "."));
        return new HandOverSheet(
            [.. found.Distinct().Take(MostLines)],
            [.. job.Book.Model.Stations.Where(s => job.IsCleared(s.Id) && causes.All(c => c.Station != s.Id)).Select(s => s.Name)],
            [.. state.Work.Select(w => w.Name).DefaultIfEmpty("Nothing was changed on the machine").Take(MostLines)],
            [.. UsedBy(state)],
            state.Hands.Value,
            job.Labour,
            new Money(state.Parts, house.Currency),
            [.. WatchFor(job, causes), .. (more ?? []).SelectMany(m => m.Watch)],
            [.. job.Book.Model.Cautions.Take(3)],
            [.. state.Crafts.All.SelectMany(c => c.HandOver(state).CameBack)],
            EndingOf(job)
        );
    }

    private static IEnumerable<string> UsedBy(JobState state)
    {
        foreach (var work in state.Work.Where(w => w.Part.Length > 0))
            yield return work.Lot.Length > 0 ? $"{work.Part}, lot {work.Lot}" : work.Part;
        foreach (var used in state.Crafts.All.SelectMany(c => c.HandOver(state).Used))
            yield return used;
        if (state.Ink.Value > 0)
            yield return $"{state.Ink.Value:0.#}\u2009ml of ink in cleans";
    }

    private static IEnumerable<string> WatchFor(JobCase job, IReadOnlyList<Cause> causes)
    {
        foreach (var cause in causes.Where(c => c.Watch.Length > 0))
            yield return cause.Watch;
        foreach (var item in job.State.Closing?.StillOnTray ?? [])
            yield return $"Left as it is: {item}.";
        foreach (var watch in job.State.Crafts.All.SelectMany(c => c.HandOver(job.State).Watch))
            yield return watch;
        if (job.State.Counter is { } counter)
            yield return $"Waste counter at hand-over: {counter.Pct:0}\u2009%.";
    }

    private static string EndingOf(JobCase job)
    {
        var state = job.State;
        var threads =
            state.Threads.Count == 1
                ? ""
                : string.Concat(state.Threads.Where(t => !t.IsOpen).Select(t => $" {NameOf(job, t)}: {Ended(t.How)}."));
        return Whole(state) + threads;
    }

    private static string NameOf(JobCase job, CaseThread thread) =>
        job.Book.Book.Complaints.FirstOrDefault(c => c.Id == thread.Complaint)?.Name ?? thread.Complaint;

    private static string Ended(string how) =>
        how == "verified" ? "mended and proved"
        : how == "handed-back" ? "unmended"
        : "without proof";

    private static string Whole(JobState state) =>
        state.Closing?.How switch
        {
            "verified" => "Mended and proved.",
            "handed-back" => $"Handed back unmended. {state.Closing.Reason}",
            "unproved" => $"Closed without proof. {state.Closing.Reason}",
            _ => "Still on the bench.",
        };
}
