namespace SideBench.Core.Diagnosis;

/// <summary>A step that is not to be done now, and why.</summary>
/// <param name="Step">The step.</param>
/// <param name="Gate">The gate that holds it.</param>
public sealed record HeldStep(BookStep Step, Gate Gate);

/// <summary>The hard rules beside the odds.</summary>
public static class Gates
{
    /// <summary>The first gate that holds a step back now, or null when it is free.</summary>
    /// <param name="book">The book with its gates.</param>
    /// <param name="facts">The case.</param>
    /// <param name="step">The step asked about.</param>
    /// <param name="overridden">Gates gone past with a reason, which for which step.</param>
    public static Gate? Holding(CaseBook book, Facts facts, BookStep step, IReadOnlyCollection<PastGate> overridden)
    {
        if (!book.Load.TryGetValue(step.Id, out var load))
            return null;
        foreach (var gate in book.GatesOf[step.Id])
            if (gate.When.Holds(facts, load) && !overridden.Contains(new PastGate(gate.Id, step.Id)))
                return gate;
        return null;
    }

    /// <summary>Whether a gate looks at a step at all: by one of its tags, or as any finding or any repair.</summary>
    /// <param name="gate">The gate.</param>
    /// <param name="step">The step.</param>
    public static bool Touches(Gate gate, BookStep step)
    {
        var kind = step is Repair ? "repair" : "finding";
        foreach (var tag in gate.Holds)
            if (tag == kind || step.Tags.Contains(tag))
                return true;
        return false;
    }

    /// <summary>The customer's word that would lift a gate; null when no word does.</summary>
    /// <param name="gate">The gate.</param>
    public static string? WordFor(Gate gate) => WordIn(gate.When);

    private static string? WordIn(Condition condition) =>
        condition switch
        {
            Condition.Not { Part: Condition.Agreed agreed } => agreed.Word,
            Condition.All all => all.Parts.Select(WordIn).FirstOrDefault(w => w is not null),
            _ => null,
        };
}
