using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Simulation.Printer;

namespace SideBench.Core.Simulation;

/// <summary>Draws simulated jobs: a model, a complaint, a context, and a hidden cause; one job in six has two.</summary>
public sealed class TrialJobs
{
    private const int OneInSo = 6;
    private readonly FaultBook book;
    private readonly FaultBook truth;
    private readonly PrinterBook makings;
    private readonly double wrongShare;
    private readonly IReadOnlyList<MachineModel> models;
    private readonly System.Collections.Concurrent.ConcurrentDictionary<(string, string), CaseBook> books = new();

    /// <summary>Prepares to draw.</summary>
    /// <param name="book">The book that is worked by.</param>
    /// <param name="truth">The book that answers are drawn from.</param>
    /// <param name="models">The models, each as often as the others.</param>
    /// <param name="makings">What printers are made of.</param>
    /// <param name="wrongShare">Share of answers that are simply wrong, 0 to 1.</param>
    public TrialJobs(FaultBook book, FaultBook truth, IEnumerable<MachineModel> models, PrinterBook makings, double wrongShare)
    {
        this.makings = makings;
        this.book = book;
        this.truth = truth;
        this.wrongShare = wrongShare;
        this.models = [.. models.OrderBy(m => m.Id, StringComparer.Ordinal)];
    }

    /// <summary>A job by its number: the same seed gives the same job.</summary>
    /// <param name="seed">The job's seed.</param>
    public (IReadOnlyList<TrialThread> Threads, SimulatedPrinter Machine) Draw(int seed)
    {
        var chance = new Random(seed);
        var model = models[(int)((uint)seed % models.Count)];
        var complaint = ComplaintOn(model, chance);
        var facts = FactsOf(model, complaint, chance);
        var first = new TrialThread(BookOf(model, complaint), facts, 0);
        List<TrialThread> threads = [first];
        List<Cause> hidden = [DrawFrom(first, [], chance)];
        if (chance.Next(OneInSo) == 0)
        {
            var other = chance.Next(2) == 0 ? complaint : ComplaintOn(model, chance);
            if (other != complaint)
                threads.Add(
                    new TrialThread(
                        BookOf(model, other),
                        facts with
                        {
                            Context = new Dictionary<string, string>(facts.Context) { ["complaint"] = other },
                        },
                        1
                    )
                );
            hidden.Add(DrawFrom(threads[^1], hidden, chance));
        }

        var machine = new SimulatedPrinter(makings, truth, model, new Random(seed ^ 0x5eed), wrongShare);
        foreach (var cause in hidden)
            machine.FallIll(cause);
        return (threads, machine);
    }

    private string ComplaintOn(MachineModel model, Random chance)
    {
        while (true)
        {
            var complaint = book.Faults[chance.Next(book.Faults.Count)];
            if (BookOf(model, complaint.Id).Causes.Count > 0)
                return complaint.Id;
        }
    }

    private CaseBook BookOf(MachineModel model, string complaint) =>
        books.GetOrAdd((model.Id, complaint), key => CaseBook.Of(book, model, book.Complaints.First(c => c.Id == key.Item2)));

    private static Cause DrawFrom(TrialThread thread, IReadOnlyList<Cause> but, Random chance)
    {
        var weights = thread.Book.Causes.Select((c, i) => but.Any(b => b.Id == c.Id) ? 0 : thread.Odds.Still[i]).ToList();
        return thread.Book.Causes[SimulatedPrinter.Draw(weights, chance)];
    }

    private static Facts FactsOf(MachineModel model, string complaint, Random chance)
    {
        string Pick(params string[] words) => words[chance.Next(words.Length)];
        var ink =
            model.Axes["delivery"] == "tank"
                ? Pick("maker", "compatible", "refilled")
                : Pick("maker", "maker", "compatible", "refilled", "addon");
        return new Facts
        {
            Model = model,
            Context = new Dictionary<string, string>
            {
                ["ink"] = ink,
                ["idle"] = Pick("none", "none", "weeks", "months"),
                ["moved"] = Pick("no", "no", "no", "yes"),
                ["paper"] = Pick("plain", "plain", "photo", "thick"),
                ["borderless"] = Pick("no", "no", "yes"),
                ["warranty"] = "out",
                ["tried"] = Pick("none", "some", "many"),
                ["complaint"] = complaint,
                ["age"] = Pick("unknown", "new", "middle", "old"),
                ["lastWork"] = Pick("none", "none", "none", "signal", "ink", "waste"),
                ["firmware"] = Pick("unknown", "on", "off"),
            },
        };
    }
}
