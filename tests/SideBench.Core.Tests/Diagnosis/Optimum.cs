using SideBench.Core.Diagnosis;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>
/// The slow, obvious twin of the advice: the least expected cost over every order of tests and repairs, and what the advice
/// itself comes to when it is followed through every answer. A repair is proved at once, and its proof never errs.
/// </summary>
internal sealed class Optimum
{
    private readonly CaseBook book;
    private readonly Facts facts;
    private readonly Dictionary<string, double> known = [];

    private Optimum(CaseBook book)
    {
        this.book = book;
        facts = TinyBook.Facts(book);
    }

    public static double Of(CaseBook book)
    {
        var odds = Posterior.Of(book, TinyBook.Facts(book), []);
        var state = new int[book.Findings.Count + book.Repairs.Count];
        return new Optimum(book).Least(odds.Still, odds.Unknown, state);
    }

    public static double OfPolicy(CaseBook book) => new Optimum(book).Policy([]);

    // Least cost times the chance of coming here. A state says of each test its answer plus one, of each repair how often it was made,
    // twice at most.
    private double Least(double[] p, double unknown, int[] state)
    {
        var key = string.Join(",", state);
        if (known.TryGetValue(key, out var found))
            return found;
        var reach = p.Sum() + unknown;
        var least = reach * book.Book.House.HandBack;
        for (var f = 0; f < book.Findings.Count; f++)
        {
            if (state[f] != 0 || book.Findings[f].IsProof)
                continue;
            var cost = reach * book.StepCost[book.Findings[f].Id];
            for (var o = 0; o < book.Findings[f].Outcomes.Count; o++)
                cost += Least(
                    [.. p.Select((chance, c) => chance * book.Likelihood[f][c][o])],
                    unknown * book.Unknown[f][o],
                    With(state, f, o + 1)
                );
            least = Math.Min(least, cost);
        }

        for (var r = 0; r < book.Repairs.Count; r++)
        {
            if (state[book.Findings.Count + r] >= 2)
                continue;
            var cost = reach * (book.StepCost[book.Repairs[r].Id] + book.StepCost["proof"]);
            least = Math.Min(
                least,
                cost
                    + Least(
                        [.. p.Select((chance, c) => chance * (1 - book.FixChance[r][c]))],
                        unknown,
                        With(state, book.Findings.Count + r, state[book.Findings.Count + r] + 1)
                    )
            );
        }

        return known[key] = least;
    }

    private double Policy(IReadOnlyList<CaseEvent> timeline)
    {
        var odds = Posterior.Of(book, facts, timeline);
        var advice = NextStep.Of(odds, facts, timeline, []);
        if (advice.Chosen is null)
            return book.Book.House.HandBack;
        if (advice.Chosen.Step is Repair repair)
        {
            var fixedBy = Information.FixChance(book.IndexOfRepair(repair.Id), odds);
            CaseEvent[] failed = [.. timeline, new CaseEvent.Worked(repair.Id, 0), new CaseEvent.Told("proof", "o1", 0)];
            return book.StepCost[repair.Id] + book.StepCost["proof"] + ((1 - fixedBy) * Policy(failed));
        }

        var f = book.IndexOfFinding(advice.Chosen.Step.Id);
        var cost = book.StepCost[advice.Chosen.Step.Id];
        for (var o = 0; o < book.Findings[f].Outcomes.Count; o++)
            cost +=
                Information.Chance(f, o, odds)
                * Policy([.. timeline, new CaseEvent.Told(book.Findings[f].Id, book.Findings[f].Outcomes[o].Id, 0)]);
        return cost;
    }

    private static int[] With(int[] state, int at, int value)
    {
        var then = (int[])state.Clone();
        then[at] = value;
        return then;
    }
}
