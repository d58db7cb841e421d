using SideBench.Core.Logbook;

namespace SideBench.Core.Diagnosis;

/// <summary>Chooses the step with the lowest expected cost to a verified fix.</summary>
public static class NextStep
{
    private const int MostOthers = 2;
    private const string AgainTag = "again";

    /// <summary>The one thing to do next.</summary>
    /// <param name="odds">The odds as they stand.</param>
    /// <param name="facts">The case, for gates and for steps that do not fit it.</param>
    /// <param name="timeline">Answers and repairs as they stand.</param>
    /// <param name="overridden">Gates gone past with a reason, as <c>gate:step</c>.</param>
    /// <remarks>
    /// Findings are looked ahead by one, repairs by the greedy order of <see cref="ExpectedCost"/>. Easy checks that can
    /// tell something and pay for themselves come before any tool, the cheapest first (house default); a repair is proved
    /// before anything else is tried.
    /// </remarks>
    public static Advice Of(Posterior odds, Facts facts, IReadOnlyList<CaseEvent> timeline, IReadOnlyCollection<string> overridden)
    {
        var book = odds.Book;
        var held = new List<HeldStep>();
        var repairHeld = HeldRepairs(book, facts, overridden, held);
        var costs = new ExpectedCost(book, repairHeld, answer => HeldRepairs(book, facts.With(answer), overridden, []));
        var candidates = FindingCandidates(book, odds, facts, timeline, overridden, held, costs);
        AddRepairs(candidates, book, odds, repairHeld, costs);

        var proof = Proof.Of(book, timeline);
        if (proof.Proved) return Plain(AdviceKind.Close, Explanation.Proved(proof), held);
        if (proof.Pending is { } pending) return Proving(pending, book, odds, candidates, held, costs);

        var stop = costs.Of(odds.Still, odds.Unknown);
        var easy = candidates.Where(c => IsUsefulEasy(c, book) && c.Expected <= stop).ToList();
        var best = easy.Count > 0 ? easy.OrderBy(c => c.Cost).ThenBy(c => c.Expected).First() : candidates.Where(IsUseful).MinBy(c => c.Expected);
        if (best is null || (easy.Count == 0 && best.Expected >= book.Book.House.HandBack))
            return Plain(AdviceKind.HandBack, Explanation.HandBack(odds), held);
        var kind = best.Step is Repair ? AdviceKind.Mend : AdviceKind.Find;
        var outlooks = Outlooks(best.Step, book, odds, costs);
        return new Advice(kind, best, Explanation.Why(best, easy.Count > 0, odds), outlooks, Others(best, candidates), held, Math.Min(stop, best.Expected));
    }

    private static bool[] HeldRepairs(CaseBook book, Facts facts, IReadOnlyCollection<string> overridden, List<HeldStep> held)
    {
        var repairHeld = new bool[book.Repairs.Count];
        for (var r = 0; r < repairHeld.Length; r++)
        {
            var repair = book.Repairs[r];
            if (!repair.When.Holds(facts)) repairHeld[r] = true;
            else if (Gates.Holding(book, facts, repair, overridden) is { } gate)
            {
                repairHeld[r] = true;
                held.Add(new HeldStep(repair, gate));
            }
        }

        return repairHeld;
    }

    private static List<Candidate> FindingCandidates(
        CaseBook book, Posterior odds, Facts facts, IReadOnlyList<CaseEvent> timeline, IReadOnlyCollection<string> overridden, List<HeldStep> held, ExpectedCost costs)
    {
        var candidates = new List<Candidate>();
        for (var f = 0; f < book.Findings.Count; f++)
        {
            var finding = book.Findings[f];
            if (!finding.When.Holds(facts) || IsTold(timeline, finding)) continue;
            if (Gates.Holding(book, facts, finding, overridden) is { } gate) held.Add(new HeldStep(finding, gate));
            else candidates.Add(new Candidate(finding, costs.AfterFinding(f, odds), book.StepCost[finding.Id], null, costs.Bits(f, odds)));
        }

        return candidates;
    }

    private static void AddRepairs(List<Candidate> candidates, CaseBook book, Posterior odds, bool[] repairHeld, ExpectedCost costs)
    {
        for (var r = 0; r < repairHeld.Length; r++)
        {
            if (repairHeld[r]) continue;
            var repair = book.Repairs[r];
            candidates.Add(new Candidate(repair, costs.AfterRepair(r, odds), book.StepCost[repair.Id], costs.FixChance(r, odds), 0));
        }
    }

    // An answer stands for good, but for findings that work on the machine can change: those are open again after a repair.
    private static bool IsTold(IReadOnlyList<CaseEvent> timeline, Finding finding)
    {
        var again = finding.Tags.Contains(AgainTag);
        for (var i = timeline.Count - 1; i >= 0; i--)
        {
            if (again && timeline[i] is CaseEvent.Worked) return false;
            if (timeline[i] is CaseEvent.Told told && told.Finding == finding.Id) return true;
        }

        return false;
    }

    private static bool IsUsefulEasy(Candidate candidate, CaseBook book) =>
        candidate.Step.Easy && (candidate.Bits >= book.Book.House.EasyBits || candidate.FixChance >= book.Book.House.EasyBits);

    private static bool IsUseful(Candidate candidate) => candidate.FixChance > 1e-6 || candidate.Bits > 1e-6;

    private static Advice Plain(AdviceKind kind, string because, List<HeldStep> held) => new(kind, null, because, [], [], held, 0);

    private static Advice Proving(PendingProof pending, CaseBook book, Posterior odds, List<Candidate> candidates, List<HeldStep> held, ExpectedCost costs)
    {
        var f = book.IndexOfFinding(pending.Proof);
        var finding = book.Findings[f];
        var chosen = new Candidate(finding, costs.AfterFinding(f, odds), book.StepCost[finding.Id], null, costs.Bits(f, odds));
        held.RemoveAll(h => h.Step.Id == finding.Id && h.Gate.Overridable);
        return new Advice(
            AdviceKind.Prove, chosen, Explanation.Prove(pending, odds), Outlooks(finding, book, odds, costs), Others(chosen, candidates), held, chosen.Expected);
    }

    private static IReadOnlyList<Outlook> Outlooks(BookStep step, CaseBook book, Posterior odds, ExpectedCost costs)
    {
        if (step is not Finding finding) return [];
        var f = book.IndexOfFinding(finding.Id);
        return [.. finding.Outcomes.Select((outcome, o) => Leaves(outcome.Id, f, o, book, odds, costs.Chance(f, o, odds)))];
    }

    private static Outlook Leaves(string outcome, int f, int o, CaseBook book, Posterior odds, double chance)
    {
        var by = new Dictionary<string, double>();
        for (var c = 0; c < odds.Still.Length; c++)
        {
            var p = chance > 0 ? odds.Still[c] * book.Likelihood[f][c][o] / chance : 0;
            by[book.Causes[c].Station] = by.GetValueOrDefault(book.Causes[c].Station) + p;
        }

        return new Outlook(outcome, chance, [.. by.Where(b => b.Value >= 0.05).OrderByDescending(b => b.Value).Take(3).Select(b => (b.Key, b.Value))]);
    }

    // What else was close; and, when one is to be had, a look that is cheaper than the chosen step.
    private static IReadOnlyList<Candidate> Others(Candidate best, List<Candidate> candidates)
    {
        var rest = candidates.Where(c => c.Step.Id != best.Step.Id && IsUseful(c)).OrderBy(c => c.Expected).ToList();
        var others = rest.Take(MostOthers).ToList();
        var cheaper = rest.Where(c => c.Step is Finding && c.Bits >= 0.05 && c.Cost < best.Cost).OrderBy(c => c.Expected).FirstOrDefault();
        if (cheaper is null || others.Contains(cheaper)) return others;
        return [cheaper, .. others.Take(MostOthers - 1)];
    }
}
