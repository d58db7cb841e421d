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
    /// <param name="overridden">Gates gone past with a reason, which for which step.</param>
    /// <param name="thread">The thread.</param>
    /// <remarks>
    /// Tests and repairs compete by <see cref="LookAhead"/>, which sees less of what a cheap check makes possible than of a
    /// dear one. So easy checks that can tell something come before any tool, the one that brings most first, while each money
    /// they cost brings more than with the best step and at least as much as the house asks for. A repair is proved before
    /// anything else is tried, once more when the odds are still against it. Where only the customer's word is wanting, the
    /// advice is to hand back or to ask.
    /// </remarks>
    public static Advice Of(
        Posterior odds,
        Facts facts,
        IReadOnlyList<CaseEvent> timeline,
        IReadOnlyCollection<PastGate> overridden,
        int thread = 0
    )
    {
        var book = odds.Book;
        var held = new List<HeldStep>();
        var now = Availability.Of(book, facts, overridden, s => TimesPast(timeline, s), held);
        var board = new PlanBoard(odds, facts);
        var plan = new LookAhead(board);
        var proof = Proof.Of(book, timeline, thread);
        if (proof.Proved && (odds.Fixed >= book.Book.House.CloseAbove || proof.Times >= book.Book.House.ProofAgain))
            return Plain(AdviceKind.Close, Explanation.Proved(proof), held);
        var candidates = Candidates(plan, board, now, odds);
        if (proof.Pending is { } pending)
            return Proving(pending, book, odds, candidates, held, Explanation.Prove(pending, odds));
        if (proof is { Proved: true, Repair: { } proved })
            return Proving(new PendingProof(proved, proved.Proof), book, odds, candidates, held, Explanation.ProveAgain(odds));

        var stop = plan.Mending(now);
        var best = Best(candidates, book.Book.House);
        var least = best is null ? 0 : Math.Max(Worth(best, stop), book.Book.House.EasyWorth);
        var easy = candidates.Where(c => IsUsefulEasy(c, book) && Worth(c, stop) >= least).ToList();
        if (easy.Count > 0)
            best = easy.MaxBy(c => Worth(c, stop));
        if (candidates.Find(c => c.Step.Id == book.Complaint.First) is { } opening && !facts.Answers.ContainsKey(opening.Step.Id))
            (best, easy) = (opening, [opening]);
        var value = best is null ? board.HandBack : Math.Min(stop, best.Expected);
        if (easy.Count == 0 && WordThatPays(odds, facts, timeline, overridden, held, value) is { } word)
            return Plain(AdviceKind.HandBack, Explanation.WordWanted(word, odds), held) with { Word = word };
        if (best is null || (easy.Count == 0 && best.Expected >= board.HandBack))
            return GivingUp(odds, facts, timeline, held);
        var kind = best.Step is Repair ? AdviceKind.Mend : AdviceKind.Find;
        return new Advice(
            kind,
            best,
            Explanation.Why(best, easy.Count > 0, odds, facts),
            Outlooks(best.Step, book, odds),
            Others(best, candidates),
            held,
            value
        );
    }

    private static List<Candidate> Candidates(LookAhead plan, PlanBoard board, Availability now, Posterior odds)
    {
        var book = odds.Book;
        var candidates = new List<Candidate>();
        foreach (var (isRepair, i, expected, alone) in plan.Steps(now))
        {
            if (isRepair)
                candidates.Add(
                    new Candidate(
                        book.Repairs[i],
                        expected,
                        board.CostOfRepair(i, board.Open) - board.ProofCost[i],
                        Information.FixChance(i, odds),
                        0,
                        alone
                    )
                );
            else
                candidates.Add(
                    new Candidate(book.Findings[i], expected, board.CostOfFinding(i, board.Open), null, Information.Bits(i, odds), alone)
                );
        }

        return candidates;
    }

    // Before giving up on findings that contradict the book, the answer that fits least is asked again.
    private static Advice GivingUp(Posterior odds, Facts facts, IReadOnlyList<CaseEvent> timeline, List<HeldStep> held)
    {
        var book = odds.Book;
        if (Doubt.Of(odds, facts, timeline) is not { } doubt || held.Any(h => h.Step.Id == doubt.Finding.Id))
            return Plain(AdviceKind.HandBack, Explanation.HandBack(odds, held), held);
        var cost = book.StepCost[doubt.Finding.Id];
        var chosen = new Candidate(doubt.Finding, cost, cost, null, Information.Bits(book.IndexOfFinding(doubt.Finding.Id), odds));
        return new Advice(AdviceKind.Find, chosen, Explanation.AskAgain(doubt), [], [], held, cost);
    }

    // The customer's word is wanted when the way on with it saves enough: a cheap step that is free comes first. The step named is the
    // best it frees.
    private static WordWanted? WordThatPays(
        Posterior odds,
        Facts facts,
        IReadOnlyList<CaseEvent> timeline,
        IReadOnlyCollection<PastGate> overridden,
        List<HeldStep> held,
        double without
    )
    {
        var house = odds.Book.Book.House;
        var most = without * (1 - house.WordSaves);
        foreach (
            var wanted in held.Select(h => (Held: h, Word: Gates.WordFor(h.Gate))).Where(w => w.Word is not null).DistinctBy(w => w.Word)
        )
        {
            var then = facts.WithWord(wanted.Word!);
            var now = Availability.Of(odds.Book, then, overridden, s => TimesPast(timeline, s), []);
            var board = new PlanBoard(odds, then);
            var plan = new LookAhead(board);
            if (plan.Mending(now) + house.PartsWait >= most)
                continue;
            var better = Candidates(plan, board, now, odds).Where(IsUseful).OrderBy(c => c.Expected).ToList();
            if (better.Count == 0 || better[0].Expected + house.PartsWait >= most)
                continue;
            var freed = better
                .Select(c => held.FirstOrDefault(h => h.Step.Id == c.Step.Id && Gates.WordFor(h.Gate) == wanted.Word))
                .FirstOrDefault(h => h is not null);
            if (freed is not null)
                return new WordWanted(wanted.Word!, freed.Step, freed.Gate);
        }

        return null;
    }

    // An answer stands for good, but for findings that work on the machine can change: those are open again after a repair.
    // A repair counts as often as it was made in vain, but for those that help little by little.
    private static int TimesPast(IReadOnlyList<CaseEvent> timeline, BookStep step)
    {
        var again = step.Tags.Contains(AgainTag);
        var times = 0;
        for (var i = timeline.Count - 1; i >= 0; i--)
        {
            if (timeline[i] is CaseEvent.Worked worked)
            {
                if (again)
                    break;
                if (worked.Repair == step.Id)
                    times++;
            }
            else if (timeline[i] is CaseEvent.Told told && told.Finding == step.Id)
                times++;
            else if (timeline[i] is CaseEvent.Before before && before.Repair == step.Id)
                times++;
        }

        return times;
    }

    // The cheapest way on; but a repair that is more likely than not to end it, where it is hardly dearer in all: what is seen is mended.
    private static Candidate? Best(List<Candidate> candidates, HouseRates house)
    {
        var best = candidates.Where(IsUseful).MinBy(c => c.Expected);
        return candidates.Where(c => c.FixChance > 0.5 && c.Expected <= best!.Expected * (1 + house.MendLeeway)).MaxBy(c => c.FixChance)
            ?? best;
    }

    // What a step brings by itself for each money that it costs. What cannot change the next repair brings nothing.
    private static double Worth(Candidate candidate, double stop) => (stop - candidate.Alone) / candidate.Cost;

    private static bool IsUsefulEasy(Candidate candidate, CaseBook book) =>
        candidate.Step.Easy && (candidate.Bits >= book.Book.House.EasyBits || candidate.FixChance >= book.Book.House.EasyBits);

    private static bool IsUseful(Candidate candidate) => candidate.FixChance > 1e-6 || candidate.Bits > 1e-6;

    private static Advice Plain(AdviceKind kind, string because, List<HeldStep> held) => new(kind, null, because, [], [], held, 0);

    private static Advice Proving(
        PendingProof pending,
        CaseBook book,
        Posterior odds,
        List<Candidate> candidates,
        List<HeldStep> held,
        string because
    )
    {
        var f = book.IndexOfFinding(pending.Proof);
        var finding = book.Findings[f];
        var chosen =
            candidates.FirstOrDefault(c => c.Step.Id == finding.Id)
            ?? new Candidate(finding, book.StepCost[finding.Id], book.StepCost[finding.Id], null, Information.Bits(f, odds));
        held.RemoveAll(h => h.Step.Id == finding.Id && h.Gate.Overridable);
        return new Advice(
            AdviceKind.Prove,
            chosen,
            because,
            Outlooks(finding, book, odds),
            Others(chosen, candidates),
            held,
            chosen.Expected
        );
    }

    private static IReadOnlyList<Outlook> Outlooks(BookStep step, CaseBook book, Posterior odds)
    {
        if (step is not Finding finding)
            return [];
        var f = book.IndexOfFinding(finding.Id);
        return [.. finding.Outcomes.Select((outcome, o) => Leaves(outcome.Id, f, o, book, odds, Information.Chance(f, o, odds)))];
    }

    private static Outlook Leaves(string outcome, int f, int o, CaseBook book, Posterior odds, double chance)
    {
        var by = new Dictionary<string, double>();
        for (var c = 0; c < odds.Still.Length; c++)
        {
            var p = chance > 0 ? odds.Still[c] * book.Likelihood[f][c][o] / chance : 0;
            by[book.Causes[c].Station] = by.GetValueOrDefault(book.Causes[c].Station) + p;
        }

        return new Outlook(
            outcome,
            chance,
            [.. by.Where(b => b.Value >= 0.05).OrderByDescending(b => b.Value).Take(3).Select(b => (b.Key, b.Value))]
        );
    }

    // What else was close; and, when one is to be had, a look that is cheaper than the chosen step.
    private static IReadOnlyList<Candidate> Others(Candidate best, List<Candidate> candidates)
    {
        var rest = candidates.Where(c => c.Step.Id != best.Step.Id && IsUseful(c)).OrderBy(c => c.Expected).ToList();
        var others = rest.Take(MostOthers).ToList();
        var cheaper = rest.Where(c => c.Step is Finding && c.Bits >= 0.05 && c.Cost < best.Cost).OrderBy(c => c.Expected).FirstOrDefault();
        if (cheaper is null || others.Contains(cheaper))
            return others;
        return [cheaper, .. others.Take(MostOthers - 1)];
    }
}
