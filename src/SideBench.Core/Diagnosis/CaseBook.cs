using SideBench.Core.Machines;

namespace SideBench.Core.Diagnosis;

/// <summary>
/// The fault book laid out for one model and one complaint: only the causes that can show so, with every likelihood
/// in an array. Built once and shared; it holds no case.
/// </summary>
public sealed class CaseBook
{
    /// <summary>Written as a repair's proof, it means the proof of the complaint.</summary>
    public const string ProofOfComplaint = "complaint";

    private CaseBook(FaultBook book, MachineModel model, Complaint complaint)
    {
        Book = book;
        Model = model;
        Complaint = complaint;
        var bare = new Facts { Model = model, Context = new Dictionary<string, string>() };
        var stations = model.Stations.Select(s => s.Id).ToHashSet();
        Causes = [.. book.Causes.Where(c => c.Complaints.ContainsKey(complaint.Id) && stations.Contains(c.Station) && ModelAllows(c.When, bare))];
        var index = Causes.Select((c, i) => (c.Id, i)).ToDictionary(p => p.Id, p => p.i);
        BaseWeights = [.. Causes.Select(c => c.Rate * c.Complaints[complaint.Id])];
        Repairs = [.. book.Repairs
            .Where(r => r.Fixes.Any(f => index.ContainsKey(f.Cause)) && ModelAllows(r.When, bare))
            .Select(r => r.Proof == ProofOfComplaint ? r with { Proof = complaint.Proof } : r)];
        FixChance = [.. Repairs.Select(r => FixRow(r, index))];
        Findings = [.. book.Findings.Where(f => ModelAllows(f.When, bare) && (IsProof(f) || Tells(f, index)))];
        Likelihood = [.. Findings.Select(f => Rows(f, index))];
        Unknown = [.. Likelihood.Select((rows, f) => UnknownRow(rows, Findings[f].Outcomes.Count))];
        StepCost = Findings.Cast<BookStep>().Concat(Repairs).ToDictionary(s => s.Id, s => Diagnosis.StepCost.Of(s, model, book.House));
        GateFindings = (HashSet<string>)[.. book.Gates.Select(g => g.When).Concat(Repairs.Select(r => r.When)).SelectMany(FindingsIn)];
        ProofOf = [.. Repairs.Select(r => IndexOfFinding(r.Proof))];
    }

    /// <summary>The whole book.</summary>
    public FaultBook Book { get; }

    /// <summary>The machine's model.</summary>
    public MachineModel Model { get; }

    /// <summary>The complaint.</summary>
    public Complaint Complaint { get; }

    /// <summary>Causes that can show as this complaint on this model.</summary>
    public IReadOnlyList<Cause> Causes { get; }

    /// <summary>Rate times the chance of this complaint, per cause; not yet adding up to 1.</summary>
    public double[] BaseWeights { get; }

    /// <summary>Findings that can tell these causes apart, and the proofs.</summary>
    public IReadOnlyList<Finding> Findings { get; }

    /// <summary>Repairs that can end one of these causes.</summary>
    public IReadOnlyList<Repair> Repairs { get; }

    /// <summary>[finding][cause][outcome]: chance of the answer.</summary>
    public double[][][] Likelihood { get; }

    /// <summary>
    /// [finding][outcome]: chance of the answer when the fault is not in the book: half as the book's causes would show on
    /// average, half anything (our assumption), so that answers that fit no cause raise it.
    /// </summary>
    public double[][] Unknown { get; }

    /// <summary>[repair][cause]: chance that the cause is gone afterwards.</summary>
    public double[][] FixChance { get; }

    /// <summary>Money a step costs, by step.</summary>
    public IReadOnlyDictionary<string, double> StepCost { get; }

    /// <summary>Findings whose answers can set or lift a gate, or bring a repair into play.</summary>
    public IReadOnlySet<string> GateFindings { get; }

    /// <summary>[repair]: index of the finding that proves it.</summary>
    public int[] ProofOf { get; }

    /// <summary>Lays the book out for a model and a complaint.</summary>
    public static CaseBook Of(FaultBook book, MachineModel model, Complaint complaint) => new(book, model, complaint);

    /// <summary>Index of a finding, or -1.</summary>
    public int IndexOfFinding(string id)
    {
        for (var i = 0; i < Findings.Count; i++)
            if (Findings[i].Id == id) return i;
        return -1;
    }

    /// <summary>Index of a repair, or -1.</summary>
    public int IndexOfRepair(string id)
    {
        for (var i = 0; i < Repairs.Count; i++)
            if (Repairs[i].Id == id) return i;
        return -1;
    }

    private bool IsProof(Finding finding) => finding.Id == Complaint.Proof || Repairs.Any(r => r.Proof == finding.Id);

    private static bool Tells(Finding finding, Dictionary<string, int> index) =>
        finding.Rows.Any(row => row.Causes.Any(index.ContainsKey));

    private static double[] FixRow(Repair repair, Dictionary<string, int> index)
    {
        var row = new double[index.Count];
        foreach (var fix in repair.Fixes)
            if (index.TryGetValue(fix.Cause, out var c)) row[c] = Math.Max(row[c], fix.Chance);
        return row;
    }

    private static double[][] Rows(Finding finding, Dictionary<string, int> index)
    {
        var rows = new double[index.Count][];
        Array.Fill(rows, [.. finding.Otherwise]);
        foreach (var row in finding.Rows)
            foreach (var cause in row.Causes)
                if (index.TryGetValue(cause, out var c)) rows[c] = [.. row.Probabilities];
        return rows;
    }

    private double[] UnknownRow(double[][] rows, int outcomes)
    {
        var total = BaseWeights.Sum();
        var mean = new double[outcomes];
        for (var c = 0; c < rows.Length; c++)
            for (var o = 0; o < outcomes; o++)
                mean[o] += BaseWeights[c] / total * rows[c][o];
        return [.. mean.Select(m => (m + (1.0 / outcomes)) / 2)];
    }

    private static IEnumerable<string> FindingsIn(Condition condition) => condition switch
    {
        Condition.All all => all.Parts.SelectMany(FindingsIn),
        Condition.Any any => any.Parts.SelectMany(FindingsIn),
        Condition.Not not => FindingsIn(not.Part),
        Condition.FindingIs finding => [finding.Finding],
        _ => [],
    };

    // A condition may speak of the model and of the case. Here only what the model alone rules out for good is left out:
    // parts that look at the case count as possible, so that nothing is dropped too early.
    private static bool ModelAllows(Condition condition, Facts bare) => condition switch
    {
        Condition.ModelIs or Condition.HasStation => condition.Holds(bare),
        Condition.All all => all.Parts.All(p => ModelAllows(p, bare)),
        Condition.Any any => any.Parts.Any(p => ModelAllows(p, bare)),
        Condition.Not { Part: Condition.ModelIs or Condition.HasStation } => condition.Holds(bare),
        _ => true,
    };
}
