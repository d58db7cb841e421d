using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Simulation.Printer;
using SideBench.Core.StripDown;
using SideBench.Core.Waste;

namespace SideBench.Core.Simulation;

/// <summary>Writes a job's lines as a person would, through the same rules, at made-up times.</summary>
public sealed class JobScript
{
    private readonly CaseBook book;
    private readonly List<Entry> entries = [];
    private readonly (PersonId Id, string Name) person;
    private JobCase? known;
    private int ids;

    /// <summary>Takes a machine in.</summary>
    /// <param name="book">The book for its model and complaint.</param>
    /// <param name="intake">What was told.</param>
    /// <param name="place">Bench place; 0 for none.</param>
    /// <param name="person">Who works on it.</param>
    /// <param name="at">When.</param>
    public JobScript(CaseBook book, TakenIn intake, int place, (PersonId Id, string Name) person, DateTimeOffset at)
    {
        this.book = book;
        this.person = person;
        At = at;
        Add([intake, new PlaceSet(place)]);
    }

    /// <summary>How its model opens; null when nothing is opened by a graph.</summary>
    public AccessGraph? Graph { get; init; }

    /// <summary>The house numbers it is made up with.</summary>
    public required DemoNumbers Numbers { get; init; }

    /// <summary>The printer with the fault that its story is of; null when answers are given with their numbers.</summary>
    public SimulatedPrinter? Printer { get; set; }

    /// <summary>The machine as its earlier visits left it.</summary>
    public MachineCase Machine { get; init; } = MachineCase.New;

    /// <summary>The time of the next line.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>The lines so far.</summary>
    public IReadOnlyList<Entry> Entries => entries;

    /// <summary>The job as it stands.</summary>
    public JobCase Case
    {
        get
        {
            if (known is null || known.State.Version != entries.Count)
                known = new JobCase(book, HouseCrafts.Fold(entries, Machine), DateOnly.FromDateTime(At.UtcDateTime));
            return known;
        }
    }

    /// <summary>Lets time pass.</summary>
    public JobScript Later(double minutes)
    {
        At = At.AddMinutes(minutes);
        return this;
    }

    /// <summary>Tells a finding; its number is measured on the printer, when there is one.</summary>
    public JobScript Tell(string finding, string outcome, double? quantity = null)
    {
        var told = book.Findings[book.IndexOfFinding(finding)];
        if (Printer is { Faulty: true } printer)
        {
            printer.Told(printer.Ills[0], finding, outcome);
            quantity ??= told.Outcomes[told.IndexOf(outcome)].Quantity is { } asked ? printer.Measure(told, asked) : null;
        }

        return Later(told.Minutes).Add(BenchWork.Answer(Case, finding, outcome, quantity, NewId));
    }

    /// <summary>Whether a repair can be done now: no gate holds it.</summary>
    public bool CanMend(string repair) => BenchWork.Mend(Case, repair, null, "", () => "").IsGood;

    /// <summary>Does a repair.</summary>
    public JobScript Mend(string repair, string lot = "") =>
        Later(book.Repairs[book.IndexOfRepair(repair)].Minutes).Add(BenchWork.Mend(Case, repair, null, lot, NewId));

    /// <summary>Prints a nozzle sheet and puts it on the flatbed; its picture is taken when the demo is loaded.</summary>
    public JobScript Sheet(SheetPlan plan, NozzleTruth truth) =>
        Later(2)
            .Add(
                (IReadOnlyList<EntryBody>)
                    [new SheetTaken(NewId(), plan.Layout.Id, "flatbed", null, truth.Lines(plan.Layout, Numbers.Pattern), MadeUp: true)]
            );

    /// <summary>Tells of ink and chips.</summary>
    /// <param name="tells">What is told.</param>
    public JobScript Ink(Func<InkKeeping, Outcome<IReadOnlyList<EntryBody>>> tells) =>
        Later(1).Add(tells(new InkKeeping(Case.Book.Model, Case.State, Numbers.Ink, At)));

    /// <summary>Tells of its waste store.</summary>
    /// <param name="tells">What is told.</param>
    public JobScript Waste(Func<WasteKeeping, Outcome<IReadOnlyList<EntryBody>>> tells) =>
        Later(1).Add(tells(new WasteKeeping(Case.Book.Model, Case.State, Numbers.Waste, At)));

    /// <summary>Clears the tray.</summary>
    public JobScript Clear() =>
        Case.State.Tray.Count == 0 ? this : Add(OpeningWork.Clear(Case.State, [.. Case.State.Tray.Select(i => i.Id)], Graph));

    /// <summary>Opens the machine to the parts of a station, when its model says how.</summary>
    public JobScript Open(string station) =>
        Graph?.For(station, Case.Thread.Slot) is { Count: > 0 } parts ? Reach([.. parts.Select(p => p.Id)]).TakeOff(int.MaxValue) : this;

    /// <summary>Chooses parts to reach.</summary>
    public JobScript Reach(params string[] parts) => Graph is null ? this : Add(OpeningWork.Aim(Case.State, Graph, parts));

    /// <summary>Takes off what is next on the way in.</summary>
    /// <param name="steps">At most so many.</param>
    public JobScript TakeOff(int steps)
    {
        if (Graph is null)
            return this;
        foreach (
            var step in WayIn
                .To(Graph, Case.State.Opening.Targets, Numbers.Handling, Case.State.Opening.DoneOn(Graph, Case.State.Tray))
                .Steps.Take(steps)
        )
            Later(step.Out.Value).Add(OpeningWork.TakeOff(Case, Graph, step.Id, null, NewId()));
        return this;
    }

    /// <summary>Puts something on the tray by hand.</summary>
    public JobScript Put(string label, string change) => Add(BenchKeeping.Put(Case.State, label, change, 1, NewId()));

    /// <summary>Loses pieces.</summary>
    public JobScript Lose(string removal, int count) =>
        Graph is null ? this : Add(OpeningWork.Lose(Case.State, Graph, removal, count, false, "rolled off the bench"));

    /// <summary>Ends all clocks.</summary>
    public JobScript EndClocks()
    {
        foreach (var clock in Case.State.Clocks)
            Add(BenchKeeping.StopClock(Case.State, clock.Id));
        return this;
    }

    /// <summary>Starts a clock.</summary>
    public JobScript Clock(string kind, string label, double minutes) =>
        Add(BenchKeeping.StartClock(Case.State, kind, label, minutes, null, NewId()));

    /// <summary>Waits for parts or the customer.</summary>
    public JobScript Wait(string waitsFor, string what, DateTimeOffset? until) =>
        Add(BenchKeeping.Wait(Case.State, waitsFor, what, until, At));

    /// <summary>Writes a note.</summary>
    public JobScript Note(string text) => Add(BenchKeeping.Note(text));

    /// <summary>Records the customer's word.</summary>
    public JobScript Agree(string what, string by) => Add(BenchKeeping.Consent(Case.State, what, by));

    /// <summary>Closes and hands over; the cause when the person knows it.</summary>
    public JobScript End(string how, string reason, string to, string cause = "")
    {
        Add(Endings.Close(Case, how, reason, cause));
        var sheet = HandOverSheet.Of(Case);
        return Later(180).Add(BenchKeeping.HandOver(Case.State, to, Math.Ceiling(sheet.Total.Amount), sheet.Total.Currency));
    }

    private string NewId() => $"d{++ids}";

    private JobScript Add(Outcome<IReadOnlyList<EntryBody>> lines) => Add(lines.Value);

    private JobScript Add(IReadOnlyList<EntryBody> lines)
    {
        foreach (var body in lines)
            entries.Add(new Entry(new EntryId(entries.Count + 1), null, entries.Count + 1, person.Id, person.Name, At, body));
        return this;
    }
}
