namespace SideBench.Core.Diagnosis;

/// <summary>A thing that can be wrong.</summary>
public sealed record Cause
{
    /// <summary>Name used in the record.</summary>
    public required string Id { get; init; }

    /// <summary>What the screen says.</summary>
    public required string Name { get; init; }

    /// <summary>The station it sits at.</summary>
    public required string Station { get; init; }

    /// <summary>Relative rate among the causes of the book, above 0.</summary>
    public required double Rate { get; init; }

    /// <summary>The rate as the book words it.</summary>
    public string RateWord { get; init; } = "";

    /// <summary>Chance that it shows as a complaint, by complaint; absent means it never does.</summary>
    public required IReadOnlyDictionary<string, double> Complaints { get; init; }

    /// <summary>On which machines and in which context it can be.</summary>
    public Condition When { get; init; } = new Condition.Always();

    /// <summary>What to watch afterwards, for the hand-over sheet.</summary>
    public string Watch { get; init; } = "";
}

/// <summary>What a customer can complain of.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Says">Such as a customer says it.</param>
/// <param name="Proof">The finding that proves it is gone.</param>
/// <param name="When">On which machines it can be.</param>
/// <param name="Sheet">
/// Families of nozzle patterns (<see cref="Nozzles.SheetWords.Family(Nozzles.PatternClass)"/>) that are this complaint when a sheet
/// shows them; null for none.
/// </param>
/// <param name="First">The finding without which nothing else of it can be judged: it comes before any other; empty when none.</param>
/// <param name="Planned">Whether it is work that was asked for, not a fault: nothing is suspected.</param>
public sealed record Complaint(
    string Id,
    string Name,
    string Says,
    string Proof,
    Condition When,
    IReadOnlyList<string>? Sheet = null,
    string First = "",
    bool Planned = false
);

/// <summary>A context that moves the odds before anything is looked at.</summary>
/// <param name="Id">Name used in explanations.</param>
/// <param name="Name">The context as a fact, such as "Moved or tipped lately".</param>
/// <param name="When">When it holds.</param>
/// <param name="Causes">The causes it moves.</param>
/// <param name="Factor">What their odds are multiplied with.</param>
/// <param name="Why">The reason, one line.</param>
public sealed record ContextRule(string Id, string Name, Condition When, IReadOnlyList<string> Causes, double Factor, string Why);

/// <summary>A hard rule beside the odds.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Holds">Steps with any of these tags are held back.</param>
/// <param name="When">When it holds them.</param>
/// <param name="Reason">Why, as a sentence.</param>
/// <param name="Lift">What would lift it, as a sentence.</param>
/// <param name="Overridable">Whether a person may go past it with a reason.</param>
/// <param name="Quiet">Shown on the step itself only, not among what is held back: it passes as the work goes on.</param>
public sealed record Gate(
    string Id,
    IReadOnlyList<string> Holds,
    Condition When,
    string Reason,
    string Lift,
    bool Overridable,
    bool Quiet = false
);

/// <summary>The shop's rates by which steps are compared. All are data; ours are house defaults.</summary>
public sealed record HouseRates
{
    /// <summary>ISO 4217 code of all money.</summary>
    public required string Currency { get; init; }

    /// <summary>Bench time, money per hour.</summary>
    public required double BenchPerHour { get; init; }

    /// <summary>Ink, money per ml.</summary>
    public required double InkPerMl { get; init; }

    /// <summary>Waste capacity, money per percent point of the counter.</summary>
    public required double CounterPerPct { get; init; }

    /// <summary>What each risk word is worth, money.</summary>
    public required IReadOnlyDictionary<string, double> Risk { get; init; }

    /// <summary>Cost of handing back unmended, money: what a wrong track ends in.</summary>
    public required double HandBack { get; init; }

    /// <summary>
    /// Share of what is left to spend that the customer's word must save for it to be asked before steps that are free, 0 to 1.
    /// </summary>
    public required double WordSaves { get; init; }

    /// <summary>Share of cases the book does not know, 0 to 1.</summary>
    public required double NotInBook { get; init; }

    /// <summary>How much an easy check must be able to tell to be asked first, bits.</summary>
    public required double EasyBits { get; init; }

    /// <summary>Below this chance of a fix a repair is not put forward without saying that nothing is likely to help, 0 to 1.</summary>
    public required double LeastToAdvise { get; init; }

    /// <summary>How much an easy check must bring for each money it costs to come before any tool, above 0.</summary>
    public required double EasyWorth { get; init; }

    /// <summary>
    /// How much more in all than the best step a repair may cost that is more likely than not to end the fault, and still come first, as a
    /// share.
    /// </summary>
    public required double MendLeeway { get; init; }

    /// <summary>A station counts as cleared below this suspicion, 0 to 1.</summary>
    public required double ClearedBelow { get; init; }

    /// <summary>Bench places that hold a machine.</summary>
    public required int Places { get; init; }

    /// <summary>How many closed jobs the book's own rates are worth against the shop's.</summary>
    public required double BookWorthJobs { get; init; }

    /// <summary>What a closed job with another ink counts, 0 to 1.</summary>
    public required double OtherInkCounts { get; init; }

    /// <summary>A proof that leaves the odds of a fix below this is made once more, 0 to 1.</summary>
    public required double CloseAbove { get; init; }

    /// <summary>How often a machine has a second fault behind the one that was mended, 0 to 1.</summary>
    public required double SecondFault { get; init; }

    /// <summary>From this share for "not in the book" on, the findings contradict it, 0 to 1.</summary>
    public required double ContradictsAbove { get; init; }

    /// <summary>What waiting for a part that is not on the shelf costs, money.</summary>
    public required double PartsWait { get; init; }

    /// <summary>What a step of the chosen school costs when steps are compared, as a share of its cost.</summary>
    public required double SchoolFactor { get; init; }

    /// <summary>Coverage of a heavy test page in one channel when nobody says, percent.</summary>
    public required double TestCoveragePct { get; init; }

    /// <summary>How often a proof is made at most after one repair.</summary>
    public required int ProofAgain { get; init; }

    /// <summary>From where on what was told at take-in gets which context word.</summary>
    public required ContextBounds Context { get; init; }

    /// <summary>From this suspicion on a station is pointed at, 0 to 1.</summary>
    public required double LeastToLead { get; init; }

    /// <summary>A held repair that only money holds is worth saying from this chance of a fix on, 0 to 1.</summary>
    public required double LeastWorthSaying { get; init; }

    /// <summary>A held repair is worth saying when by the book's rates it could mend the complaint at least so often, 0 to 1.</summary>
    public required double LeastPlausible { get; init; }

    /// <summary>
    /// A station is where the fault was when its causes hold at least this share of what the proved repair ended, 0 to 1.
    /// </summary>
    public required double ConfirmedFrom { get; init; }

    /// <summary>How often a repair is made at most: one that did not help may have been made badly.</summary>
    public required int RepairTimes { get; init; }

    /// <summary>An answer is doubted when without it the unknown falls below this share of what it is, 0 to 1.</summary>
    public required double DoubtRelief { get; init; }

    /// <summary>A cause that a repair may have ended is paired with a second fault from these odds on, 0 to 1.</summary>
    public required double LeastToPair { get; init; }

    /// <summary>Causes below these odds are left out of a verdict, 0 to 1.</summary>
    public required double LeastForetold { get; init; }

    /// <summary>Most threads that a job can have.</summary>
    public required int MostThreads { get; init; }
}

/// <summary>Everything the shop knows of faults, checked and ready.</summary>
public sealed record FaultBook
{
    private Dictionary<string, BookStep>? steps;

    /// <summary>What customers complain of.</summary>
    public required IReadOnlyList<Complaint> Complaints { get; init; }

    /// <summary>Those that are faults: planned work is none.</summary>
    public IReadOnlyList<Complaint> Faults => [.. Complaints.Where(c => !c.Planned)];

    /// <summary>What can be wrong.</summary>
    public required IReadOnlyList<Cause> Causes { get; init; }

    /// <summary>What can be asked, looked at and tested.</summary>
    public required IReadOnlyList<Finding> Findings { get; init; }

    /// <summary>What can be mended.</summary>
    public required IReadOnlyList<Repair> Repairs { get; init; }

    /// <summary>How context moves the odds.</summary>
    public required IReadOnlyList<ContextRule> Rules { get; init; }

    /// <summary>What is held back.</summary>
    public required IReadOnlyList<Gate> Gates { get; init; }

    /// <summary>Named practices to choose from.</summary>
    public IReadOnlyList<School> Schools { get; init; } = [];

    /// <summary>Fixed orders of work to compare with.</summary>
    public IReadOnlyList<Checklist> Checklists { get; init; } = [];

    /// <summary>The words of likelihood and rate, for those who edit the book.</summary>
    public BookWords Words { get; init; } = BookWords.None;

    /// <summary>The shop's rates.</summary>
    public required HouseRates House { get; init; }

    /// <summary>Groups of words that mean the same when a finding is typed; the first stands for all.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Synonyms { get; init; } = [];

    /// <summary>Packs with their versions, and how many edits of the shop are in it.</summary>
    public string Version { get; init; } = "";

    /// <summary>The step of that name, or null.</summary>
    public BookStep? Step(string? id) =>
        id is null ? null : (steps ??= Findings.Cast<BookStep>().Concat(Repairs).ToDictionary(s => s.Id)).GetValueOrDefault(id);
}
