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
    /// <param name="overridden">Gates gone past with a reason, as <c>gate:step</c>.</param>
    public static Gate? Holding(CaseBook book, Facts facts, BookStep step, IReadOnlyCollection<string> overridden)
    {
        var counterPct = StepCost.CounterPctOf(step, book.Model);
        foreach (var gate in book.Book.Gates)
        {
            if (!Touches(gate, step) || overridden.Contains($"{gate.Id}:{step.Id}")) continue;
            if (gate.When.Holds(facts, counterPct)) return gate;
        }

        return null;
    }

    private static bool Touches(Gate gate, BookStep step)
    {
        foreach (var tag in gate.Holds)
            if (step.Tags.Contains(tag)) return true;
        return false;
    }
}
