using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
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
/// <param name="Ending">How it ended, as a sentence.</param>
public sealed record HandOverSheet(
    IReadOnlyList<string> Found, IReadOnlyList<string> NotTheFault, IReadOnlyList<string> Done, IReadOnlyList<string> Used,
    double Minutes, Money Labour, Money Parts, IReadOnlyList<string> Watch, IReadOnlyList<string> Cautions, string Ending)
{
    private const int MostLines = 7;

    /// <summary>What it costs in all.</summary>
    public Money Total => Labour + Parts;

    /// <summary>Makes the sheet from a job.</summary>
    public static HandOverSheet Of(JobCase job)
    {
        var state = job.State;
        var house = job.Book.Book.House;
        var cause = job.Book.Causes.FirstOrDefault(c => c.Id == state.Closing?.Cause);
        var found = new List<string>();
        if (cause is not null) found.Add($"{cause.Name}.");
        found.AddRange(state.Answers.Select(a => a.Body.Says + Measured(a.Body) + "."));
        return new HandOverSheet(
            [.. found.Distinct().Take(MostLines)],
            [.. job.Book.Model.Stations.Where(s => job.IsCleared(s.Id) && s.Id != cause?.Station).Select(s => s.Name)],
            [.. state.Work.Select(w => w.Name).DefaultIfEmpty("Nothing was changed on the machine").Take(MostLines)],
            [.. UsedBy(state)],
            state.Minutes,
            job.Labour,
            new Money(state.Parts, house.Currency),
            [.. WatchFor(job, cause)],
            [.. job.Book.Model.Cautions.Take(3)],
            EndingOf(state));
    }

    private static IEnumerable<string> UsedBy(JobState state)
    {
        foreach (var work in state.Work.Where(w => w.Part.Length > 0))
            yield return work.Lot.Length > 0 ? $"{work.Part}, lot {work.Lot}" : work.Part;
        if (state.InkMl > 0) yield return $"{state.InkMl:0.#}\u2009ml of ink in cleans";
    }

    private static IEnumerable<string> WatchFor(JobCase job, Cause? cause)
    {
        if (cause is { Watch.Length: > 0 }) yield return cause.Watch;
        foreach (var item in job.State.Closing?.StillOnTray ?? []) yield return $"Left as it is: {item}.";
        if (job.State.CounterPct is { } pct) yield return $"Waste counter at hand-over: {pct:0}\u2009%.";
    }

    private static string EndingOf(JobState state) => state.Closing?.How switch
    {
        "verified" => "Mended and proved.",
        "handed-back" => $"Handed back unmended. {state.Closing.Reason}",
        "unproved" => $"Closed without proof. {state.Closing.Reason}",
        _ => "Still on the bench.",
    };

    private static string Measured(EntryBody.Answered body) => body.Quantity is { } q ? $" ({q:0.##}\u2009{body.Unit})" : "";
}
