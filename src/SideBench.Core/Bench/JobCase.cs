using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
using SideBench.Core.Quantities;

namespace SideBench.Core.Bench;

/// <summary>A job with its book: where it stands, the odds, and what to do next.</summary>
public sealed class JobCase
{
    private const double LeastToLead = 0.05;
    private readonly Lazy<Posterior> odds;
    private readonly Lazy<Advice> advice;

    /// <summary>Looks at a job.</summary>
    /// <param name="book">The book for its model and complaint.</param>
    /// <param name="state">Where it stands.</param>
    /// <param name="today">The date, for the warranty.</param>
    public JobCase(CaseBook book, JobState state, DateOnly today)
    {
        Book = book;
        State = state;
        Facts = state.FactsFor(book.Model, today);
        odds = new Lazy<Posterior>(() => Posterior.Of(book, Facts, state.Timeline));
        advice = new Lazy<Advice>(() => NextStep.Of(odds.Value, Facts, state.Timeline, state.Overridden));
    }

    /// <summary>The book for its model and complaint.</summary>
    public CaseBook Book { get; }

    /// <summary>Where the job stands.</summary>
    public JobState State { get; }

    /// <summary>The case as written conditions see it.</summary>
    public Facts Facts { get; }

    /// <summary>The odds.</summary>
    public Posterior Odds => odds.Value;

    /// <summary>What to do next.</summary>
    public Advice Advice => advice.Value;

    /// <summary>Whether the last repair is proved.</summary>
    public Proof Proof => Proof.Of(Book, State.Timeline);

    /// <summary>Bench time so far at the shop's rate, to the smallest coin.</summary>
    public Money Labour => new(Math.Round((decimal)(State.Minutes / 60 * Book.Book.House.BenchPerHour), 2), Book.Book.House.Currency);

    /// <summary>The station under the most suspicion, or null when none is under enough to be pointed at.</summary>
    public string? Leading =>
        Book.Model.Stations.Select(s => (s.Id, Suspicion: Odds.On(s.Id))).MaxBy(s => s.Suspicion) is var (id, suspicion) && suspicion >= LeastToLead ? id : null;

    /// <summary>Chance that a step ends the fault that is there now; null for a finding.</summary>
    /// <param name="step">The step.</param>
    public double? FixChance(BookStep step) => Book.IndexOfRepair(step.Id) is >= 0 and var r ? Book.FixChance[r].Zip(Odds.Still, (chance, still) => chance * still).Sum() : null;

    /// <summary>Whether a station was under suspicion and no longer is.</summary>
    /// <param name="station">The station.</param>
    public bool IsCleared(string station)
    {
        if (Odds.On(station) >= Book.Book.House.ClearedBelow) return false;
        if (State.Timeline.OfType<CaseEvent.Told>().Any(t => SpeaksFor(t, station))) return true;
        return Odds.Evidence.Any(e => e.Kind != "context" && e.Moves.Any(m => m.Station == station && m.After < m.Before))
            || State.Answers.Any(a => Book.Book.Step(a.Body.Finding)?.Station == station);
    }

    private bool SpeaksFor(CaseEvent.Told told, string station) =>
        Book.IndexOfFinding(told.Finding) is >= 0 and var f
        && Book.Findings[f].IndexOf(told.Outcome) is >= 0 and var o
        && Book.Findings[f].Outcomes[o].Clears.Contains(station);
}
