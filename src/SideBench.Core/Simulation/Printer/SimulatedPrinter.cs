using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Record;

namespace SideBench.Core.Simulation.Printer;

/// <summary>A fault that a simulated printer has.</summary>
/// <param name="Cause">The cause of the book.</param>
/// <param name="Slot">The slot it is in; a fault of the whole machine shows somewhere too.</param>
public sealed record Ill(Cause Cause, int Slot);

/// <summary>
/// A made-up machine: ink in its slots, air, nozzles, dampers, chips, contacts, waste and counter, and hidden faults. It answers tests as
/// the fault book says such faults do, looks the same again until something is done to it; prints sheets and shows numbers that agree
/// with its answers; falls ill by the book's causes and gets well by its repairs. With two faults a test shows trouble when either
/// shows it.
/// </summary>
public sealed class SimulatedPrinter
{
    private readonly PrinterBook makings;
    private readonly FaultBook book;
    private readonly Random chance;
    private readonly double wrongShare;
    private readonly List<Ill> ills = [];
    private readonly Dictionary<(Ill Ill, string Finding), int> shown = [];
    private readonly Dictionary<(string Finding, string Complaint), int> answered = [];
    private readonly IReadOnlyList<PrinterPart> parts;
    private bool cleaned;

    /// <summary>A machine without fault.</summary>
    /// <param name="makings">What printers are made of.</param>
    /// <param name="book">The book its answers are drawn from.</param>
    /// <param name="model">Its model.</param>
    /// <param name="chance">Where chance comes from; seeded by the caller.</param>
    /// <param name="wrongShare">Share of answers that are simply wrong, 0 to 1.</param>
    public SimulatedPrinter(PrinterBook makings, FaultBook book, MachineModel model, Random chance, double wrongShare = 0)
    {
        (this.makings, this.book, this.chance, this.wrongShare, Model) = (makings, book, chance, wrongShare, model);
        Ink = new InkPart(model, makings.Numbers);
        Chips = new ChipPart(model);
        Waste = new WastePart(model, makings.Numbers);
        Head = model.Sheet is { } plan ? new HeadPart(model, plan, makings.Numbers, Ink, chance) : null;
        parts = Head is null ? [Ink, Chips, Waste] : [Ink, Chips, Waste, Head];
        Bring(makings.Well, 0);
    }

    /// <summary>The quantities that its parts hold, as packs name them.</summary>
    public static IReadOnlyList<string> Quantities { get; } =
    [InkPart.Store, InkPart.Damper, InkPart.Air, InkPart.Feed, ChipPart.Chip, ChipPart.Contacts, WastePart.Counter, WastePart.Pads];

    /// <summary>Its model.</summary>
    public MachineModel Model { get; }

    /// <summary>Its ink.</summary>
    public InkPart Ink { get; }

    /// <summary>Its chips.</summary>
    public ChipPart Chips { get; }

    /// <summary>Its waste.</summary>
    public WastePart Waste { get; }

    /// <summary>Its nozzles; null when its model prints no sheet.</summary>
    public HeadPart? Head { get; }

    /// <summary>The faults that are there still.</summary>
    public IReadOnlyList<Ill> Ills => ills;

    /// <summary>Whether a fault is there still.</summary>
    public bool Faulty => ills.Count > 0;

    /// <summary>A machine with one fault drawn by a case's odds.</summary>
    /// <param name="makings">What printers are made of.</param>
    /// <param name="book">The book of the case.</param>
    /// <param name="facts">The case: causes that cannot be in it are not drawn.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static SimulatedPrinter Drawn(PrinterBook makings, CaseBook book, Facts facts, Random chance)
    {
        var printer = new SimulatedPrinter(makings, book.Book, book.Model, chance);
        printer.FallIll(book.Causes[Draw(Posterior.Of(book, facts, []).Still, chance)]);
        return printer;
    }

    /// <summary>A fault begins.</summary>
    /// <param name="cause">The cause.</param>
    /// <param name="slot">The slot it is in; 0 for any, by chance.</param>
    public Ill FallIll(Cause cause, int slot = 0)
    {
        var ill = new Ill(cause, slot > 0 ? slot : Model.Slots[chance.Next(Model.Slots.Count)].Panel);
        ills.Add(ill);
        Bring(makings.Ill(cause.Id), ill.Slot);
        Change();
        return ill;
    }

    /// <summary>What a test shows: a look the same again until something is done to the machine, a proof anew each time.</summary>
    /// <param name="test">The test.</param>
    /// <param name="complaint">The complaint it is made for.</param>
    /// <returns>Id of its answer.</returns>
    public string Show(Finding test, string complaint)
    {
        var finding = Own(test);
        // A look shows the same again. A proof is a trial of its own each time: a fault that comes and goes may hold its breath for one.
        if (finding.IsProof)
            foreach (var ill in ills)
                shown.Remove((ill, finding.Id));
        if (finding.IsProof || !answered.TryGetValue((finding.Id, complaint), out var outcome))
            answered[(finding.Id, complaint)] = outcome = Answer(finding, complaint);
        var said = finding.Outcomes[outcome].Id;
        Bring(makings.Said(finding.Id, said), ills.Count > 0 ? ills[0].Slot : 0);
        return said;
    }

    /// <summary>What measuring shows with an answer; null when nothing of the kind is held.</summary>
    /// <param name="finding">The finding.</param>
    /// <param name="asked">The quantity asked with its answer.</param>
    /// <param name="slot">The slot it is asked for; 0 for none in particular.</param>
    public double? Measure(Finding finding, AskedQuantity asked, int slot = 0)
    {
        var value = parts.Select(p => p.Measured(finding, asked, slot)).FirstOrDefault(v => v is not null);
        return value is { } seen && seen >= asked.Min && seen <= asked.Max ? seen : null;
    }

    /// <summary>A fault shows so, whatever chance would have had: for what was told of it already.</summary>
    /// <param name="ill">The fault.</param>
    /// <param name="finding">The finding.</param>
    /// <param name="outcome">The answer.</param>
    public void Told(Ill ill, string finding, string outcome)
    {
        var told = book.Findings.First(f => f.Id == finding);
        shown[(ill, finding)] = told.IndexOf(outcome);
        Bring(makings.Said(finding, outcome), ill.Slot);
    }

    /// <summary>What its panel says about a complaint; null when it has no code for that.</summary>
    /// <param name="complaint">The complaint.</param>
    public PanelCode? Panel(string complaint)
    {
        if (book.Findings.FirstOrDefault(f => f.Id == CodeOdds.Finding) is not { } asks)
            return null;
        var reads = Show(asks, complaint);
        return Model.Codes.FirstOrDefault(c => c.Complaint == complaint && c.Reads == reads);
    }

    /// <summary>Prints a nozzle sheet; null when its model has none.</summary>
    public NozzleTruth? Sheet()
    {
        if (Head is not { } head)
            return null;
        foreach (var ill in ills)
        {
            if (!head.Shows(ill))
                Begin(head, ill);
            else if (cleaned)
                head.Change(ill, Seen(ill, GapMove.Clearing, GapMove.Still));
        }

        cleaned = false;
        return head.Prints();
    }

    /// <summary>Takes up a head as it is now.</summary>
    /// <param name="head">What its nozzles do.</param>
    public void TakeUp(NozzleTruth head)
    {
        Head?.TakeUp(head, ills);
        cleaned = false;
    }

    /// <summary>Does a repair; it may end faults.</summary>
    /// <param name="repair">The repair.</param>
    /// <returns>Whether it could have ended one that was there.</returns>
    public bool Mend(Repair repair)
    {
        if (Model.Operation(repair.Operation) is { } operation)
            Run(operation);
        cleaned |= repair.Tags.Contains(SheetOnJob.CleanTag);
        Change();
        var fits = ills.Any(i => repair.Fixes.Any(f => f.Cause == i.Cause.Id));
        foreach (var ill in ills.Where(i => Ends(repair, i)).ToList())
            GetWell(ill);
        return fits;
    }

    /// <summary>A fault is gone.</summary>
    /// <param name="ill">The fault.</param>
    public void GetWell(Ill ill)
    {
        ills.Remove(ill);
        Head?.GetWell(ill);
        Bring(makings.Mended(ill.Cause.Id), ill.Slot);
    }

    /// <summary>Runs an operation of its own.</summary>
    public void Run(Operation operation)
    {
        cleaned |= makings.Numbers.ComesBack.ContainsKey(operation.Id);
        Change();
        foreach (var part in parts)
            part.Run(operation);
    }

    /// <summary>Prints pages.</summary>
    /// <param name="pages">How many plain pages, 0 or more.</param>
    public void Print(double pages)
    {
        foreach (var part in parts)
            part.Print(pages);
    }

    /// <summary>Stands without use.</summary>
    public void Stand(TimeSpan idle)
    {
        foreach (var part in parts)
            part.Stand(idle);
    }

    /// <summary>Draws an index by weight.</summary>
    internal static int Draw(IReadOnlyList<double> weights, Random chance)
    {
        var at = chance.NextDouble() * weights.Sum();
        for (var i = 0; i < weights.Count; i++)
            if ((at -= weights[i]) < 0)
                return i;
        return weights.Count - 1;
    }

    // What was seen before says nothing of after.
    private void Change()
    {
        shown.Clear();
        answered.Clear();
    }

    private void Bring(IReadOnlyDictionary<string, Bounds> bounds, int slot)
    {
        foreach (var part in parts)
            part.Bring(bounds, slot, chance);
    }

    private bool Ends(Repair repair, Ill ill) =>
        chance.NextDouble() < repair.Fixes.Where(f => f.Cause == ill.Cause.Id).Select(f => f.Chance).DefaultIfEmpty(0).Max();

    // The book its answers come from may be another than the one it is worked by.
    private Finding Own(Finding test) => book.Findings.First(f => f.Id == test.Id);

    private int Answer(Finding finding, string complaint)
    {
        var sound = finding.Sound.ToList().IndexOf(finding.Sound.Max());
        int[] seen = [.. ills.Select(i => Shown(i, finding, complaint))];
        int[] trouble = [.. seen.Where(o => o != sound)];
        var outcome =
            seen.Length == 0 ? Draw(finding.Sound, chance)
            : trouble.Length == 0 ? sound
            : trouble[chance.Next(trouble.Length)];
        return chance.NextDouble() < wrongShare
            ? (outcome + 1 + chance.Next(finding.Outcomes.Count - 1)) % finding.Outcomes.Count
            : outcome;
    }

    private int Shown(Ill ill, Finding finding, string complaint)
    {
        if (!shown.TryGetValue((ill, finding.Id), out var outcome))
            shown[(ill, finding.Id)] = outcome = Draw(Row(finding, ill.Cause, complaint), chance);
        return outcome;
    }

    private void Begin(HeadPart head, Ill ill)
    {
        var pattern = Seen(ill, PatternClass.Run, PatternClass.None);
        if (pattern != PatternClass.None)
            head.Show(ill, pattern);
    }

    // What a sheet shows of a fault, by the finding that such a sheet answers: the book says how likely which is.
    private T Seen<T>(Ill ill, T known, T otherwise)
        where T : struct, Enum
    {
        var finding = book.Findings.FirstOrDefault(f => f.Sheet?.ContainsKey(StoredWord.Of(known)) == true);
        if (finding is null)
            return otherwise;
        var outcome = finding.Outcomes[Shown(ill, finding, ill.Cause.Complaints.Keys.First())].Id;
        List<T> words =
        [
            .. finding
                .Sheet!.Where(s => s.Value == outcome)
                .Select(s => s.Key)
                .Where(Enum.GetValues<T>().Select(StoredWord.Of).Contains)
                .Select(StoredWord.Read<T>),
        ];
        return words.Count == 0 ? otherwise : words[chance.Next(words.Count)];
    }

    // A fault that never shows as this complaint, and of which the test does not speak, leaves it as on a sound machine.
    private static IReadOnlyList<double> Row(Finding finding, Cause cause, string complaint) =>
        finding.Rows.LastOrDefault(r => r.Causes.Contains(cause.Id))?.Probabilities
        ?? (cause.Complaints.ContainsKey(complaint) ? finding.Otherwise : finding.Sound);
}
