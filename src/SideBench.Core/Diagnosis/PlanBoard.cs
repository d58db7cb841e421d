using System.Numerics;

namespace SideBench.Core.Diagnosis;

/// <summary>
/// A case laid out for planning: only causes that matter still, and every cost, chance and likelihood of its steps in arrays.
/// Causes with hardly any chance are left out; they cannot change which step is best.
/// </summary>
internal sealed class PlanBoard
{
    private const double Negligible = 1e-5;

    /// <summary>Lays a case out.</summary>
    /// <param name="odds">The odds.</param>
    /// <param name="facts">The case: what is open, which parts are missing, which schools are followed.</param>
    public PlanBoard(Posterior odds, Facts facts)
    {
        var book = odds.Book;
        int[] active = [.. Enumerable.Range(0, odds.Still.Length).Where(c => odds.Still[c] > Negligible)];
        Chances = [.. active.Select(c => odds.Still[c])];
        Unknown = odds.Unknown;
        HandBack = book.Book.House.HandBack;
        Likelihood = [.. book.Likelihood.Select(rows => Rows(rows, active))];
        UnknownLikelihood = book.Unknown;
        Outcomes = [.. book.Findings.Select(f => f.Outcomes.Count)];
        Fixes = [.. book.FixChance.Select(row => FixesOf(row, active))];
        Menders = [.. Enumerable.Range(0, Fixes.Length).Where(r => Fixes[r].Length > 0)];
        FixedBy = [.. Enumerable.Range(0, active.Length).Select(FixesFor)];
        var prefers = Preferred(book, facts);
        var cost = (BookStep step) => CostOf(book, step, facts, prefers);
        FindingCost = [.. book.Findings.Select(cost)];
        ProofCost = [.. book.ProofOf.Select(f => f < 0 ? 0 : FindingCost[f])];
        RepairCost = [.. book.Repairs.Select((r, i) => cost(r) + ProofCost[i])];
        OpeningCost = [.. book.Openings.Select(p => p.Time / 60 * book.Book.House.BenchPerHour)];
        FindingNeeds = [.. book.Findings.Select(f => NeedsOf(book, f))];
        RepairNeeds = [.. book.Repairs.Select(r => NeedsOf(book, r))];
        FindingCloses = [.. book.Findings.Select(f => f.Tags.Contains("power"))];
        Open = OpenNow(book, facts);
        PerCost = new double[(Menders.Length + Vector<double>.Count - 1) / Vector<double>.Count * Vector<double>.Count];
        for (var m = 0; m < Menders.Length; m++)
            PerCost[m] = 1 / CostOfRepair(Menders[m], 0);
        Least = [.. Enumerable.Range(0, active.Length).Select(LeastFor)];
    }

    /// <summary>Chance of each cause.</summary>
    public double[] Chances { get; }

    /// <summary>Chance that the fault is not in the book.</summary>
    public double Unknown { get; }

    /// <summary>What handing back unmended costs, money.</summary>
    public double HandBack { get; }

    /// <summary>[finding]: likelihood of outcome o under cause c at o·causes + c.</summary>
    public double[][] Likelihood { get; }

    /// <summary>[finding][outcome]: likelihood when the fault is not in the book.</summary>
    public double[][] UnknownLikelihood { get; }

    /// <summary>[finding]: number of outcomes.</summary>
    public int[] Outcomes { get; }

    /// <summary>[repair]: the causes it can end, with the chance.</summary>
    public (int Cause, double Chance)[][] Fixes { get; }

    /// <summary>[cause]: the repairs that can end it, by their place among <see cref="Menders"/>, with the chance.</summary>
    public (int Mender, double Chance)[][] FixedBy { get; }

    /// <summary>[finding]: money, without opening.</summary>
    public double[] FindingCost { get; }

    /// <summary>[repair]: money of its proof.</summary>
    public double[] ProofCost { get; }

    /// <summary>[repair]: money with its proof, without opening.</summary>
    public double[] RepairCost { get; }

    /// <summary>Money per thing that can be opened or taken off.</summary>
    public double[] OpeningCost { get; }

    /// <summary>[finding]: what it needs open, as bits.</summary>
    public int[] FindingNeeds { get; }

    /// <summary>[repair]: what it needs open, as bits.</summary>
    public int[] RepairNeeds { get; }

    /// <summary>[finding]: whether it needs power, so that all is shut first.</summary>
    public bool[] FindingCloses { get; }

    /// <summary>What is open now, as bits.</summary>
    public int Open { get; }

    /// <summary>[cause]: the least that any way on can cost when this is known to be the cause: a lower bound, money.</summary>
    public double[] Least { get; }

    /// <summary>Repairs that can end one of the causes.</summary>
    public int[] Menders { get; }

    /// <summary>[mender]: one over its cost when all is shut; filled up with 0 to whole vectors.</summary>
    public double[] PerCost { get; }

    /// <summary>Cost of a repair with its proof when these are open already, money.</summary>
    public double CostOfRepair(int repair, int open) => RepairCost[repair] + Opening(RepairNeeds[repair], open);

    /// <summary>Cost of a finding when these are open already, money.</summary>
    public double CostOfFinding(int finding, int open) => FindingCost[finding] + Opening(FindingNeeds[finding], open);

    /// <summary>Cost of a step's opening when these are open already, money.</summary>
    public double Opening(int needs, int open)
    {
        double cost = 0;
        for (var missing = needs & ~open; missing != 0; missing &= missing - 1)
            cost += OpeningCost[BitOperations.TrailingZeroCount(missing)];
        return cost;
    }

    /// <summary>What is open after a finding, as bits.</summary>
    public int OpenAfter(int finding, int open) => FindingCloses[finding] ? 0 : open | FindingNeeds[finding];

    /// <summary>
    /// Cost of a step in this case without opening, money: a missing part adds its wait, a step of the school counts less.
    /// </summary>
    private static double CostOf(CaseBook book, BookStep step, Facts facts, HashSet<string> prefers)
    {
        var house = book.Book.House;
        var cost = book.StepCost[step.Id] * (prefers.Contains(step.Id) ? house.SchoolFactor : 1);
        return step is Repair { Part.Length: > 0 } repair && facts.PartsMissing.Contains(repair.Part) ? cost + house.PartsWait : cost;
    }

    /// <summary>Steps that the schools of this case put first.</summary>
    public static HashSet<string> Preferred(CaseBook book, Facts facts) =>
        [
            .. book
                .Book.Schools.SelectMany(s => s.Options.Where(o => facts.Schools.GetValueOrDefault(s.Id) == o.Id))
                .SelectMany(o => o.Prefers),
        ];

    private static double[] Rows(double[][] rows, int[] active)
    {
        var outcomes = rows.Length == 0 ? 0 : rows[0].Length;
        var flat = new double[outcomes * active.Length];
        for (var o = 0; o < outcomes; o++)
        for (var c = 0; c < active.Length; c++)
            flat[(o * active.Length) + c] = rows[active[c]][o];
        return flat;
    }

    private static (int, double)[] FixesOf(double[] row, int[] active) =>
        [.. Enumerable.Range(0, active.Length).Where(c => row[active[c]] > 0).Select(c => (c, row[active[c]]))];

    private (int, double)[] FixesFor(int cause) =>
        [.. Menders.SelectMany((r, m) => Fixes[r].Where(f => f.Cause == cause).Select(f => (m, f.Chance)))];

    private double LeastFor(int cause)
    {
        var least = HandBack;
        foreach (var (mender, _) in FixedBy[cause])
            least = Math.Min(least, RepairCost[Menders[mender]]);
        return least;
    }

    private static int NeedsOf(CaseBook book, BookStep step)
    {
        var bits = 0;
        for (var i = 0; i < book.Openings.Count; i++)
            if (step.Puts.Any(p => p.Label == book.Openings[i].Label && p.Change == book.Openings[i].Change))
                bits |= 1 << i;
        return bits;
    }

    private static int OpenNow(CaseBook book, Facts facts)
    {
        var bits = 0;
        for (var i = 0; i < book.Openings.Count; i++)
            if (facts.Tray.Any(t => t.Label == book.Openings[i].Label && t.Change == book.Openings[i].Change))
                bits |= 1 << i;
        return bits;
    }
}
