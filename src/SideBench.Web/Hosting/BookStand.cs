using System.Collections.Concurrent;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Data.Shop;
using SideBench.Packs;

namespace SideBench.Web.Hosting;

/// <summary>The book at one time, laid out per model and complaint, each built once.</summary>
internal sealed class BookStand
{
    private readonly Crafts crafts;
    private readonly ConcurrentDictionary<(string Model, int Version, string Changes, string Complaint), CaseBook?> books;
    private readonly ConcurrentDictionary<(string Model, int Version), MachineModel?> earlier = new();
    private readonly Lazy<ILookup<string, Entry>> ownFiles;
    private readonly IReadOnlyList<CodeVerdict> codeVerdicts;
    private readonly Dictionary<string, CodeCounts> codes;
    private readonly ILookup<(string Model, string Complaint), VerdictCount> counts;
    private readonly ConcurrentDictionary<string, string> taught = new();
    private static readonly Comparer<VerdictCount> ByWords = Comparer<VerdictCount>.Create((a, b) => string.CompareOrdinal($"{a}", $"{b}"));

    /// <summary>Puts it together.</summary>
    /// <param name="packs">What the packs say.</param>
    /// <param name="crafts">The crafts that are plugged in.</param>
    /// <param name="state">Where the shop stands.</param>
    /// <param name="lines">Lines about the shop itself, oldest first.</param>
    /// <param name="verdicts">What closed jobs turned out to be.</param>
    /// <param name="codes">What codes turned out to be.</param>
    /// <param name="before">The stand before, whose books are kept when packs and edits are the same; null for the first.</param>
    public BookStand(
        Shop packs,
        Crafts crafts,
        ShopState state,
        IReadOnlyList<Entry> lines,
        IReadOnlyList<VerdictCount> verdicts,
        IReadOnlyList<CodeVerdict> codes,
        BookStand? before = null
    )
    {
        var same = before is not null && ReferenceEquals(before.Packs, packs) && before.State.Edits.SequenceEqual(state.Edits);
        books = same ? before!.books : new();
        this.crafts = crafts;
        Packs = packs;
        State = state;
        Lines = lines;
        Verdicts = verdicts;
        Shop = same ? before!.Shop : packs with { Book = BookEdits.Apply(packs.Book, state.Edits) };
        Stamp = same && SaysOfCases(before!.State, state) ? before.Stamp : Guid.NewGuid();
        ownFiles = new(() => TakenBack.Without(lines).Where(e => e.Body is OwnFileKept).ToLookup(e => ((OwnFileKept)e.Body).Id));
        counts = verdicts.ToLookup(v => (v.Model, v.Complaint));
        codeVerdicts = codes;
        this.codes = codes
            .GroupBy(v => v.Model)
            .ToDictionary(
                g => g.Key,
                g => new CodeCounts(
                    g.GroupBy(v => v.Cause).ToDictionary(c => c.Key, c => c.Sum(v => v.Jobs)),
                    g.Where(v => v.Code.Length > 0).ToDictionary(v => (v.Code, v.Cause), v => v.Jobs)
                )
            );
    }

    /// <summary>Tells what every case reads of this stand: with another one, no case that was made before holds.</summary>
    public Guid Stamp { get; }

    /// <summary>What closed jobs taught of a model: a case that was made with other counts of its model does not hold.</summary>
    /// <param name="model">The model.</param>
    public string Taught(string model) =>
        taught.GetOrAdd(
            model,
            id => string.Join('|', Verdicts.Where(v => v.Model == id).Order(ByWords).Concat<object>(codeVerdicts.Where(v => v.Model == id)))
        );

    /// <summary>What the packs alone say.</summary>
    public Shop Packs { get; }

    /// <summary>With the shop's edits.</summary>
    public Shop Shop { get; }

    /// <summary>Where the shop stands.</summary>
    public ShopState State { get; }

    /// <summary>Lines about the shop itself, oldest first.</summary>
    public IReadOnlyList<Entry> Lines { get; }

    /// <summary>Number of lines about the shop itself.</summary>
    public int Version => Lines.Count;

    /// <summary>What closed jobs turned out to be.</summary>
    public IReadOnlyList<VerdictCount> Verdicts { get; }

    /// <summary>Whether it says the same of the shop as these lines and verdicts.</summary>
    public bool Says(int version, IReadOnlyCollection<VerdictCount> verdicts) =>
        version == Version && verdicts.ToHashSet().SetEquals(Verdicts);

    // Hours, people and what lies on the shelf change no odds and no advice; schools and parts that are missing do.
    private static bool SaysOfCases(ShopState before, ShopState now) =>
        before.PartsMissing.SequenceEqual(now.PartsMissing)
        && before.Schools.Count == now.Schools.Count
        && !before.Schools.Except(now.Schools).Any();

    /// <summary>The same with other packs.</summary>
    public BookStand With(Shop packs) => new(packs, crafts, State, Lines, Verdicts, codeVerdicts);

    /// <summary>One thread of a job with its book.</summary>
    public Outcome<JobCase> Case(MachineCase machine, IReadOnlyList<Entry> entries, int thread, DateOnly today)
    {
        var state = JobFold.Of(crafts, machine, entries);
        if (state.Threads.All(t => t.Id != thread))
            return new Problem(DiagnosisProblem.UnknownThread, "/thread", thread);
        var (model, complaint) = (state.Intake.ModelId, state.Thread(thread).Complaint);
        var changes = AsItStands.ChangesOf(Shop.Changes, state.Machine);
        var known = ModelOf(state, entries);
        var book = books.GetOrAdd(
            (model, known?.Version ?? 0, string.Join(' ', changes.Select(c => c.Id)), complaint),
            _ => Build(known, changes, complaint)
        );
        return book is null
            ? new Problem(ProblemCode.UnknownModel, "", Shop.Models.ContainsKey(model) ? complaint : model)
            : new JobCase(
                book,
                state,
                today,
                thread,
                State,
                CountsFor(model, complaint, state.Intake.Ink),
                Known(book.Model, state, today)
            );
    }

    // By the record alone: nothing of it changes in the course of a day by itself.
    private IEnumerable<Fact> Known(MachineModel model, JobState state, DateOnly today)
    {
        var end = new DateTimeOffset(today.AddDays(1), TimeOnly.MinValue, TimeSpan.Zero);
        return crafts
            .All.Where(c => c.FactsOnModel is not null)
            .SelectMany(c => c.FactsOnModel!(model, state, Shop.Numbers.Of(c.Numbers!), end));
    }

    private ShopCounts CountsFor(string model, string complaint, string ink)
    {
        var rows = counts[(model, complaint)].ToLookup(v => v.Ink == ink);
        Dictionary<string, int> By(bool same) => rows[same].GroupBy(v => v.Cause).ToDictionary(g => g.Key, g => g.Sum(v => v.Jobs));
        return new ShopCounts(By(true), By(false)) { Codes = codes.GetValueOrDefault(model) ?? CodeCounts.None };
    }

    // A job that goes on goes by what is known now; one that has ended keeps what its model was known as by then.
    private MachineModel? ModelOf(JobState state, IReadOnlyList<Entry> entries)
    {
        var (id, now) = (state.Intake.ModelId, Shop.Models.GetValueOrDefault(state.Intake.ModelId));
        if (state.Closing is null || now is null || !ownFiles.Value.Contains(id))
            return now;
        var ended = entries.Last(e => e.Body is Closed).At;
        return OwnCraft.At(ownFiles.Value[id], "machine", id, ended) is { } then && then.Version != now.Version
            ? earlier.GetOrAdd((id, then.Version), _ => OwnPackFiles.Model(then, Shop.Layouts)) ?? now
            : now;
    }

    private CaseBook? Build(MachineModel? model, IReadOnlyList<LastingChange> changes, string id)
    {
        var complaint = Shop.Book.Complaints.FirstOrDefault(c => c.Id == id);
        return complaint is not null && model is not null ? CaseBook.Of(Shop.Book, AsItStands.Of(model, changes), complaint) : null;
    }
}
