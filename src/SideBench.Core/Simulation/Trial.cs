using SideBench.Core.Diagnosis;
using SideBench.Core.Record;
using SideBench.Core.Simulation.Printer;

namespace SideBench.Core.Simulation;

/// <summary>What a way of working decides next: a step, or to end.</summary>
/// <param name="Step">The step; null to end.</param>
/// <param name="Closes">When it ends: whether as verified, or handed back.</param>
public sealed record TrialMove(BookStep? Step, bool Closes);

/// <summary>A way of working that is measured: what it does next with a case.</summary>
public interface ITrialPolicy
{
    /// <summary>Its name in the table.</summary>
    string Name { get; }

    /// <summary>What it does next.</summary>
    TrialMove Next(TrialThread thread);
}

/// <summary>One symptom of a measured job: what was told and done so far.</summary>
/// <param name="book">The book that is worked by.</param>
/// <param name="facts">The case before anything was told.</param>
/// <param name="index">Its number within the job, from 0.</param>
public sealed class TrialThread(CaseBook book, Facts facts, int index)
{
    private readonly List<CaseEvent> timeline = [];
    private readonly List<IReadOnlyList<string>> done = [];
    private readonly Dictionary<string, string> answers = [];
    private Posterior? odds;

    /// <summary>The book that is worked by.</summary>
    public CaseBook Book => book;

    /// <summary>Its number within the job.</summary>
    public int Index => index;

    /// <summary>What was told and done.</summary>
    public IReadOnlyList<CaseEvent> Timeline => timeline;

    /// <summary>The case now.</summary>
    public Facts Facts => facts with { Answers = answers, Done = done, Tray = Tray, Spent = Spent };

    /// <summary>The odds now.</summary>
    public Posterior Odds => odds ??= Posterior.Of(book, Facts, timeline);

    /// <summary>What is open.</summary>
    public IReadOnlyList<TrayItem> Tray { get; private set; } = [];

    /// <summary>The bill so far, money.</summary>
    public double Spent { get; set; }

    /// <summary>Whether a step can be made: it fits and no gate holds it.</summary>
    public bool IsFree(BookStep step) => step.When.Holds(Facts) && Gates.Holding(book, Facts, step, []) is null or { Quiet: true };

    /// <summary>Whether a finding was told since the last repair, or at all when work does not change it.</summary>
    public bool IsTold(Finding finding)
    {
        var from = finding.Tags.Contains("again") ? timeline.FindLastIndex(e => e is CaseEvent.Worked) + 1 : 0;
        return timeline.Skip(from).Any(e => e is CaseEvent.Told t && t.Finding == finding.Id);
    }

    /// <summary>How often a repair was made.</summary>
    public int TimesMade(Repair repair) => timeline.Count(e => e is CaseEvent.Worked w && w.Repair == repair.Id);

    /// <summary>Adds what was told or done in this or another thread.</summary>
    public void Add(CaseEvent happened, BookStep step)
    {
        timeline.Add(happened);
        if (happened is CaseEvent.Told told)
            answers[told.Finding] = told.Outcome;
        else
            done.Add(step.Tags);
        odds = null;
    }

    /// <summary>Opens what a step needs open; power comes only with all shut.</summary>
    public void Open(BookStep step) =>
        Tray =
            step.Tags.Contains("power") || step is Repair
                ? []
                :
                [
                    .. Tray,
                    .. step
                        .Puts.Where(p => Tray.All(t => t.Label != p.Label || t.Change != p.Change))
                        .Select(p => new TrayItem(p.Label, p.Label, p.Change, p.Count, p.Undo, [])),
                ];
}

/// <summary>What a measured job came to.</summary>
/// <param name="Minutes">Bench time, min.</param>
/// <param name="Cost">Money: bench, parts, ink, capacity and risk; a wrong ending or a hand-back adds what handing back costs.</param>
/// <param name="Right">Whether it ended right: proved and the fault gone, or handed back where no repair was worth it.</param>
/// <param name="WrongParts">Parts replaced that could not have ended a fault that was there.</param>
/// <param name="NeedlessCleans">Head cleanings run that could not have ended a fault that was there.</param>
/// <param name="Decisions">Decisions taken.</param>
public sealed record TrialResult(
    double Minutes,
    double Cost,
    bool Right,
    int WrongParts,
    int NeedlessCleans,
    int Decisions,
    string WrongEnd = ""
);

/// <summary>Works a simulated job to its end by a given way of working, and counts what it cost.</summary>
public static class Trial
{
    private const int MostSteps = 60;
    private const int MostTimes = 2;

    /// <summary>Works a job.</summary>
    /// <param name="threads">Its symptoms.</param>
    /// <param name="machine">The machine with its hidden faults.</param>
    /// <param name="policy">The way of working.</param>
    /// <param name="decided">Called around each decision: true before it, false after.</param>
    public static TrialResult Run(
        IReadOnlyList<TrialThread> threads,
        SimulatedPrinter machine,
        ITrialPolicy policy,
        Action<bool>? decided = null
    )
    {
        double minutes = 0,
            cost = 0;
        int wrongParts = 0,
            needless = 0,
            decisions = 0;
        var right = true;
        var wrongEnd = "";
        foreach (var thread in threads)
        {
            var closes = false;
            for (var step = 0; step < MostSteps; step++)
            {
                decided?.Invoke(true);
                var move = policy.Next(thread);
                decided?.Invoke(false);
                decisions++;
                closes = move.Closes;
                if (move.Step is null)
                    break;
                var opening = StepCost.OpeningOf(move.Step, thread.Tray);
                minutes += StepCost.MinutesOf(move.Step, thread.Book.Model) + opening;
                cost += thread.Book.StepCost[move.Step.Id] + (opening / 60 * thread.Book.Book.House.BenchPerHour);
                foreach (var other in threads)
                    other.Spent += StepCost.ChargeOf(move.Step, thread.Book.Model, thread.Book.Book.House);
                thread.Open(move.Step);
                var (wrongPart, clean) = Take(threads, thread, machine, move.Step, step);
                wrongParts += wrongPart ? 1 : 0;
                needless += clean ? 1 : 0;
            }

            var ended = closes && machine.Ills.All(i => !i.Cause.Complaints.ContainsKey(thread.Book.Complaint.Id));
            if (!ended)
                cost += thread.Book.Book.House.HandBack;
            var well = ended || (!closes && NothingPays(thread, machine));
            if (!well)
                wrongEnd =
                    $"{(closes ? "closed" : "handed back")} {thread.Book.Complaint.Id} "
                    + $"{thread.Book.Model.Id}: {string.Join(",", machine.Ills.Select(i => i.Cause.Id))}";
            right &= well;
        }

        return new TrialResult(minutes, cost, right, wrongParts, needless, decisions, wrongEnd);
    }

    private static (bool WrongPart, bool NeedlessClean) Take(
        IReadOnlyList<TrialThread> threads,
        TrialThread at,
        SimulatedPrinter machine,
        BookStep step,
        int entry
    )
    {
        if (step is Finding finding)
        {
            Share(threads, at, step, new CaseEvent.Told(finding.Id, machine.Show(finding, at.Book.Complaint.Id), entry, null, at.Index));
            return (false, false);
        }

        var repair = (Repair)step;
        var fits = machine.Mend(repair);
        Share(threads, at, step, new CaseEvent.Worked(repair.Id, entry, at.Index));
        return (!fits && repair.Part.Length > 0, !fits && repair.Tags.Contains("head-cleaning"));
    }

    private static void Share(IReadOnlyList<TrialThread> threads, TrialThread from, BookStep step, CaseEvent happened)
    {
        foreach (var thread in threads)
            if (thread == from || !step.PerPlace)
                thread.Add(happened, step);
    }

    // Handing back is right where, with the cause known, no free repair with its proof is worth its cost, or each was made twice in vain.
    private static bool NothingPays(TrialThread thread, SimulatedPrinter machine)
    {
        var book = thread.Book;
        return machine
            .Ills.Select(i => i.Cause)
            .Where(c => c.Complaints.ContainsKey(book.Complaint.Id))
            .All(cause =>
                !Enumerable
                    .Range(0, book.Repairs.Count)
                    .Any(r =>
                        book.Repairs[r].Fixes.Any(f => f.Cause == cause.Id && CostWithProof(book, r) < f.Chance * book.Book.House.HandBack)
                        && thread.TimesMade(book.Repairs[r]) < MostTimes
                        && thread.IsFree(book.Repairs[r])
                    )
            );
    }

    private static double CostWithProof(CaseBook book, int r) =>
        book.StepCost[book.Repairs[r].Id] + book.StepCost[book.Findings[book.ProofOf[r]].Id];
}
