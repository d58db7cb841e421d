using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Quantities;

namespace SideBench.Core.Diagnosis;

/// <summary>A job with its book: where it stands, the odds, and what to do next.</summary>
public sealed class JobCase
{
    private readonly Lazy<Posterior> odds;
    private readonly Lazy<Advice> advice;

    /// <summary>Looks at one thread of a job.</summary>
    /// <param name="book">The book for its model and the thread's complaint.</param>
    /// <param name="state">Where it stands.</param>
    /// <param name="today">The date, for the warranty.</param>
    /// <param name="thread">The thread's number.</param>
    /// <param name="shop">What holds for the whole shop; null for a new one.</param>
    /// <param name="counts">What the shop's closed jobs of such a case turned out to be; null for none.</param>
    /// <param name="known">What crafts know of the machine beside what its record says.</param>
    public JobCase(
        CaseBook book,
        JobState state,
        DateOnly today,
        int thread = 0,
        ShopState? shop = null,
        ShopCounts? counts = null,
        IEnumerable<Fact>? known = null
    )
    {
        Book = book;
        State = state;
        Thread = state.Thread(thread);
        Timeline = state.TimelineOf(book.Book, Thread);
        Facts = state.FactsFor(book.Book, book.Model, today, Thread, shop ?? ShopState.New, counts ?? ShopCounts.None, known ?? []);
        odds = new Lazy<Posterior>(() => Posterior.Of(book, Facts, Timeline));
        advice = new Lazy<Advice>(() =>
            !Thread.IsOpen ? Explanation.Ended(Thread) : NextStep.Of(odds.Value, Facts, Timeline, state.Overridden, Thread.Id)
        );
    }

    private JobCase(JobCase before, JobState state, Func<JobCase, Advice>? with = null)
    {
        (Book, Thread, Timeline, Facts, odds) = (before.Book, before.Thread, before.Timeline, before.Facts, before.odds);
        advice = with is null ? before.advice : new Lazy<Advice>(() => with(before));
        State = state;
    }

    /// <summary>The same case, with a craft asked what its own steps are worth and which of them comes first.</summary>
    /// <param name="with">The craft's advice, made of this case.</param>
    public JobCase Advised(Func<JobCase, Advice> with) => new(this, State, with);

    /// <summary>What to do next when a craft knows better than the book what some repairs bring and cost here.</summary>
    /// <param name="worth">What it knows, by repair; none leaves the advice as it is.</param>
    public Advice AdviceKnowing(IReadOnlyDictionary<string, RepairWorth> worth) =>
        worth.Count == 0 || !Thread.IsOpen
            ? Advice
            : NextStep.Of(Odds.Planned(Book.Knowing(worth)), Facts, Timeline, State.Overridden, Thread.Id);

    /// <summary>The same case with the job a line further that changes no evidence: its odds and its advice still stand.</summary>
    /// <param name="state">Where the job stands now.</param>
    public JobCase At(JobState state) => new(this, state);

    /// <summary>The thread looked at.</summary>
    public CaseThread Thread { get; }

    /// <summary>Answers and repairs that bear on the thread, oldest first.</summary>
    public IReadOnlyList<CaseEvent> Timeline { get; }

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
    public Proof Proof => Proof.Of(Book, Timeline, Thread.Id);

    /// <summary>Bench time so far at the shop's rate, to the smallest coin.</summary>
    public Money Labour => new(Math.Round((decimal)(State.Hands.Value / 60 * Book.Book.House.BenchPerHour), 2), Book.Book.House.Currency);

    /// <summary>The station under the most suspicion, or null when none is under enough to be pointed at.</summary>
    public string? Leading =>
        Book.Complaint.Planned ? null
        : Book.Model.Stations.Select(s => (s.Id, Suspicion: Odds.On(s.Id))).MaxBy(s => s.Suspicion) is var (id, suspicion)
        && suspicion >= Book.Book.House.LeastToLead
            ? id
        : null;

    /// <summary>Chance that a step ends the fault that is there now; null for a finding.</summary>
    /// <param name="step">The step.</param>
    public double? FixChance(BookStep step) => Book.IndexOfRepair(step.Id) is >= 0 and var r ? Information.FixChance(r, Odds) : null;

    /// <summary>Whether the fault was found at a station: its repair is proved, and it ended a cause there more likely than not.</summary>
    /// <param name="station">The station.</param>
    public bool IsConfirmed(string station) =>
        Proof.Proved
        && Book.Causes.Select((c, i) => c.Station == station ? Odds.Mended[i] : 0).Sum() >= Book.Book.House.ConfirmedFrom * Odds.Fixed;

    /// <summary>
    /// Whether a held step is worth saying: by the book's rates it could mend this complaint; where only money holds it, it could mend what
    /// is suspected now.
    /// </summary>
    /// <param name="held">The step with its gate.</param>
    public bool IsWorthSaying(HeldStep held)
    {
        if (held.Step is not Repair || Book.IndexOfRepair(held.Step.Id) is not (>= 0 and var r))
            return Gates.WordFor(held.Gate) is not (Consented.PastLimit or Consented.PastWorth);
        if (Gates.WordFor(held.Gate) is Consented.PastLimit or Consented.PastWorth)
            return Information.FixChance(r, Odds) >= Book.Book.House.LeastWorthSaying;
        return Book.FixChance[r].Zip(Book.BaseWeights, (fix, weight) => fix * weight).Sum()
            >= Book.Book.House.LeastPlausible * Book.BaseWeights.Sum();
    }

    /// <summary>Whether a station was under suspicion and no longer is.</summary>
    /// <param name="station">The station.</param>
    public bool IsCleared(string station)
    {
        if (Odds.On(station) >= Book.Book.House.ClearedBelow || IsConfirmed(station))
            return false;
        if (Timeline.OfType<CaseEvent.Told>().Any(t => SpeaksFor(t, station)))
            return true;
        return Odds.Evidence.Any(e => e.Kind != "context" && e.Moves.Any(m => m.Station == station && m.After < m.Before))
            || State.Answers.Any(a => Facts.Answers.ContainsKey(a.Body.Finding) && Book.Book.Step(a.Body.Finding)?.Station == station);
    }

    private bool SpeaksFor(CaseEvent.Told told, string station) =>
        Book.IndexOfFinding(told.Finding) is >= 0 and var f
        && Book.Findings[f].IndexOf(told.Outcome) is >= 0 and var o
        && Book.Findings[f].Outcomes[o].Clears.Contains(station);
}
