using System.Collections.Concurrent;

namespace SideBench.Core.Diagnosis;

/// <summary>Which steps are to be had: they fit the case and no gate holds them. Follows answers that set or lift gates.</summary>
internal sealed class Availability
{
    private readonly CaseBook book;
    private readonly Facts facts;
    private readonly IReadOnlyCollection<PastGate> overridden;
    private readonly Func<BookStep, int> past;

    // Two cores weigh a plan's options and ask the same board.
    private readonly ConcurrentDictionary<(int Finding, int Outcome), Availability> after = [];

    private Availability(
        CaseBook book,
        Facts facts,
        IReadOnlyCollection<PastGate> overridden,
        Func<BookStep, int> past,
        bool[] findings,
        byte[] repairs
    )
    {
        this.book = book;
        this.facts = facts;
        this.overridden = overridden;
        this.past = past;
        Findings = findings;
        Repairs = repairs;
    }

    /// <summary>Per finding: whether it can be made now.</summary>
    public bool[] Findings { get; }

    /// <summary>Per repair: how often it can be made yet; 0 when it is not to be had now.</summary>
    public byte[] Repairs { get; }

    /// <summary>As the case stands.</summary>
    /// <param name="book">The book.</param>
    /// <param name="facts">The case.</param>
    /// <param name="overridden">Gates gone past, which for which step.</param>
    /// <param name="past">How often a step was told or made already, and is to count as done.</param>
    /// <param name="held">Filled with what a gate holds back.</param>
    public static Availability Of(
        CaseBook book,
        Facts facts,
        IReadOnlyCollection<PastGate> overridden,
        Func<BookStep, int> past,
        List<HeldStep> held
    )
    {
        var now = new Availability(book, facts, overridden, past, new bool[book.Findings.Count], new byte[book.Repairs.Count]);
        for (var r = 0; r < now.Repairs.Length; r++)
            now.Repairs[r] = now.LeftOf(book.Repairs[r], held);
        for (var f = 0; f < now.Findings.Length; f++)
            now.Findings[f] = past(book.Findings[f]) == 0 && now.IsFree(book.Findings[f], held);
        return now;
    }

    /// <summary>As it would be after one more answer.</summary>
    public Availability After(int finding, int outcome)
    {
        var (findings, repairs) = book.Dependents[finding];
        if (findings.Length == 0 && repairs.Length == 0)
            return this;
        if (after.TryGetValue((finding, outcome), out var known))
            return known;
        var told = facts.With(book.Findings[finding].Id, book.Findings[finding].Outcomes[outcome].Id);
        var then = new Availability(book, told, overridden, past, (bool[])Findings.Clone(), (byte[])Repairs.Clone());
        foreach (var f in findings)
            then.Findings[f] = !facts.Answers.ContainsKey(book.Findings[f].Id) && then.IsFree(book.Findings[f], null);
        foreach (var r in repairs)
            then.Repairs[r] = then.LeftOf(book.Repairs[r], null);
        return after.GetOrAdd((finding, outcome), then);
    }

    private byte LeftOf(Repair repair, List<HeldStep>? held) =>
        IsFree(repair, held) ? (byte)Math.Max(0, book.Book.House.RepairTimes - past(repair)) : (byte)0;

    private bool IsFree(BookStep step, List<HeldStep>? held)
    {
        if (!step.When.Holds(facts))
            return false;
        if (Gates.Holding(book, facts, step, overridden) is not { } gate)
            return true;
        held?.Add(new HeldStep(step, gate));
        return gate.Quiet;
    }
}
