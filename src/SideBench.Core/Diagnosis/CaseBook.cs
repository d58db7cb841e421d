using SideBench.Core.Machines;
using SideBench.Core.Record;

namespace SideBench.Core.Diagnosis;

/// <summary>
/// The fault book laid out for one model and one complaint: only the causes that can show so, with every likelihood
/// in an array. Built once and shared; it holds no case.
/// </summary>
public sealed class CaseBook
{
    /// <summary>Written as a repair's proof, it means the proof of the complaint.</summary>
    public const string ProofOfComplaint = "complaint";

    /// <summary>How many findings one case can hold: what was told is kept as bits.</summary>
    public const int MostFindings = 128;

    /// <summary>How many things of one case can be open at a time, each told from the others: kept as bits too.</summary>
    public const int MostOpenings = 31;

    private CaseBook(FaultBook book, MachineModel model, Complaint complaint)
    {
        Book = book;
        Model = model;
        Complaint = complaint;
        var bare = new Facts { Model = model, Context = new Dictionary<string, string>() };
        var stations = model.Stations.Select(s => s.Id).ToHashSet();
        Causes =
        [
            .. book
                .Causes.Select(c => c with { When = c.When.For(bare) })
                .Where(c => c.Complaints.ContainsKey(complaint.Id) && stations.Contains(c.Station) && !c.When.IsNever),
        ];
        var index = Causes.Select((c, i) => (c.Id, i)).ToDictionary(p => p.Id, p => p.i);
        BaseWeights = [.. Causes.Select(c => c.Rate * c.Complaints[complaint.Id])];
        Repairs =
        [
            .. book
                .Repairs.Where(r => r.Fixes.Any(f => index.ContainsKey(f.Cause)) && !r.When.For(bare).IsNever)
                .Select(r => r with { When = r.When.For(bare), Proof = r.Proof == ProofOfComplaint ? complaint.Proof : r.Proof }),
        ];
        FixChance = [.. Repairs.Select(r => FixRow(r, index))];
        Findings =
        [
            .. book
                .Findings.Where(f => !f.When.For(bare).IsNever && (IsProof(f) || Tells(f, index)))
                .Select(f => f.On(model) with { When = f.When.For(bare) }),
        ];
        Likelihood = [.. Findings.Select(f => Rows(f, index))];
        Unknown = [.. Likelihood.Select((rows, f) => UnknownRow(rows, Findings[f]))];
        StepCost = Findings.Cast<BookStep>().Concat(Repairs).ToDictionary(s => s.Id, s => Diagnosis.StepCost.Of(s, model, book.House));
        List<Gate> gates = [.. book.Gates.Select(g => g with { When = g.When.For(bare) }).Where(g => !g.When.IsNever)];
        var steps = Findings.Cast<BookStep>().Concat(Repairs).ToList();
        Load = steps.ToDictionary(s => s.Id, s => Diagnosis.StepCost.LoadOf(s, model, book.House));
        GatesOf = steps.ToDictionary(s => s.Id, s => (IReadOnlyList<Gate>)[.. gates.Where(g => Gates.Touches(g, s))]);
        Dependents = [.. Findings.Select(f => DependentsOf(f.Id))];
        Openings = [.. OpeningsOf(steps)];
        SoundOutcome = [.. Findings.Select(f => f.Sound.ToList().IndexOf(f.Sound.Max()))];
        StationsOfCauses = [.. Causes.Select(c => c.Station).Distinct()];
        ProofOf = [.. Repairs.Select(r => IndexOfFinding(r.Proof))];
    }

    private CaseBook(CaseBook of, IReadOnlyDictionary<string, RepairWorth> worth)
    {
        (Book, Model, Complaint, Causes, BaseWeights) = (of.Book, of.Model, of.Complaint, of.Causes, of.BaseWeights);
        (Findings, Repairs, Likelihood, Unknown) = (of.Findings, of.Repairs, of.Likelihood, of.Unknown);
        (Load, GatesOf, Dependents, Openings, ProofOf) = (of.Load, of.GatesOf, of.Dependents, of.Openings, of.ProofOf);
        (SoundOutcome, StationsOfCauses) = (of.SoundOutcome, of.StationsOfCauses);
        FixChance =
        [
            .. of.FixChance.Select(
                (row, r) =>
                    worth.TryGetValue(Repairs[r].Id, out var known)
                        ? [.. row.Select((chance, c) => chance > 0 ? known.Chance(Causes[c].Id, chance) : 0)]
                        : row
            ),
        ];
        StepCost = of.StepCost.ToDictionary(s => s.Key, s => worth.GetValueOrDefault(s.Key)?.Cost ?? s.Value);
    }

    /// <summary>The same book for one machine of which a craft knows what some repairs bring and cost.</summary>
    /// <param name="worth">What it knows, by repair.</param>
    public CaseBook Knowing(IReadOnlyDictionary<string, RepairWorth> worth) => new(this, worth);

    /// <summary>Whether the case holds more findings or openings than can be told apart; packs with such a case are refused.</summary>
    public bool IsTooLarge => Findings.Count > MostFindings || Openings.Count > MostOpenings;

    /// <summary>What steps open, each once: what it costs is paid once while it stays open.</summary>
    /// <param name="steps">The steps.</param>
    public static IEnumerable<TrayPut> OpeningsOf(IEnumerable<BookStep> steps) =>
        steps.SelectMany(s => s.Puts).Where(p => p.Time > 0).DistinctBy(p => (p.Label, p.Change));

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
    /// average, half anything (our assumption), so that answers that fit no cause raise it. A proof shows it as it shows the
    /// book's causes: whatever is left shows again.
    /// </summary>
    public double[][] Unknown { get; }

    /// <summary>[repair][cause]: chance that the cause is gone afterwards.</summary>
    public double[][] FixChance { get; }

    /// <summary>Money a step costs, by step.</summary>
    public IReadOnlyDictionary<string, double> StepCost { get; }

    /// <summary>What each step puts on counter and bill.</summary>
    public IReadOnlyDictionary<string, StepLoad> Load { get; }

    /// <summary>The gates that look at each step.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<Gate>> GatesOf { get; }

    /// <summary>[finding]: findings and repairs, by index, that its answer can bring into play or hold back.</summary>
    internal (int[] Findings, int[] Repairs)[] Dependents { get; }

    /// <summary>What can be opened or taken off, each once, with the time it takes.</summary>
    public IReadOnlyList<TrayPut> Openings { get; }

    /// <summary>[finding]: the answer a sound machine mostly gives.</summary>
    internal int[] SoundOutcome { get; }

    /// <summary>Stations that one of the causes sits at.</summary>
    internal IReadOnlyList<string> StationsOfCauses { get; }

    /// <summary>[repair]: index of the finding that proves it.</summary>
    public int[] ProofOf { get; }

    /// <summary>Lays the book out for a model and a complaint.</summary>
    public static CaseBook Of(FaultBook book, MachineModel model, Complaint complaint) => new(book, model, complaint);

    /// <summary>
    /// Everything of the whole book that can be looked at on this model, though it may tell this case nothing; no proofs.
    /// </summary>
    public IEnumerable<Finding> Others() => Book.Findings.Where(f => !f.IsProof && CanBeLookedAt(f)).Select(f => f.On(Model));

    /// <summary>
    /// A finding as it is on the case's model, though it may tell the case nothing: what is true can be told. Null when the
    /// book has no such finding, the model lacks the part, or it can never be looked at there.
    /// </summary>
    /// <param name="id">The finding.</param>
    public Finding? FindingOn(string id) =>
        IndexOfFinding(id) is >= 0 and var f ? Findings[f]
        : Book.Step(id) is Finding told && CanBeLookedAt(told) ? told.On(Model)
        : null;

    /// <summary>Index of a finding, or -1.</summary>
    public int IndexOfFinding(string id)
    {
        for (var i = 0; i < Findings.Count; i++)
            if (Findings[i].Id == id)
                return i;
        return -1;
    }

    /// <summary>Index of a repair, or -1.</summary>
    public int IndexOfRepair(string id)
    {
        for (var i = 0; i < Repairs.Count; i++)
            if (Repairs[i].Id == id)
                return i;
        return -1;
    }

    private (int[] Findings, int[] Repairs) DependentsOf(string finding) =>
        (
            [.. Enumerable.Range(0, Findings.Count).Where(f => DependsOn(Findings[f], finding))],
            [.. Enumerable.Range(0, Repairs.Count).Where(r => DependsOn(Repairs[r], finding))]
        );

    private bool DependsOn(BookStep step, string finding) =>
        step.Id != finding && (FindingsIn(step.When).Contains(finding) || GatesOf[step.Id].Any(g => FindingsIn(g.When).Contains(finding)));

    private bool IsProof(Finding finding) => finding.Id == Complaint.Proof || Repairs.Any(r => r.Proof == finding.Id);

    private static bool Tells(Finding finding, Dictionary<string, int> index) => finding.Rows.Any(row => row.Causes.Any(index.ContainsKey));

    private static double[] FixRow(Repair repair, Dictionary<string, int> index)
    {
        var row = new double[index.Count];
        foreach (var fix in repair.Fixes)
            if (index.TryGetValue(fix.Cause, out var c))
                row[c] = Math.Max(row[c], fix.Chance);
        return row;
    }

    private static double[][] Rows(Finding finding, Dictionary<string, int> index)
    {
        var rows = new double[index.Count][];
        Array.Fill(rows, [.. finding.Otherwise]);
        foreach (var row in finding.Rows)
        foreach (var cause in row.Causes)
            if (index.TryGetValue(cause, out var c))
                rows[c] = [.. row.Probabilities];
        return rows;
    }

    private double[] UnknownRow(double[][] rows, Finding finding)
    {
        var total = BaseWeights.Sum();
        var mean = new double[finding.Outcomes.Count];
        for (var c = 0; c < rows.Length; c++)
        for (var o = 0; o < mean.Length; o++)
            mean[o] += BaseWeights[c] / total * rows[c][o];
        return finding.IsProof ? mean : [.. mean.Select(m => (m + (1.0 / mean.Length)) / 2)];
    }

    private bool CanBeLookedAt(Finding finding)
    {
        var bare = new Facts { Model = Model, Context = new Dictionary<string, string>() };
        return Model.Stations.Any(s => s.Id == finding.Station) && !finding.When.For(bare).IsNever;
    }

    private static IEnumerable<string> FindingsIn(Condition condition) =>
        condition switch
        {
            Condition.All all => all.Parts.SelectMany(FindingsIn),
            Condition.Any any => any.Parts.SelectMany(FindingsIn),
            Condition.Not not => FindingsIn(not.Part),
            Condition.FindingIs finding => [finding.Finding],
            _ => [],
        };
}
