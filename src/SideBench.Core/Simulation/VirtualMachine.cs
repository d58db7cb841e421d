using SideBench.Core.Diagnosis;

namespace SideBench.Core.Simulation;

/// <summary>A machine with a hidden fault, for practice and demo: it answers tests as the fault book says such a fault does.</summary>
/// <param name="book">The book for its model and complaint.</param>
/// <param name="cause">Index of the hidden cause.</param>
/// <param name="chance">Where chance comes from; seeded by the caller.</param>
public sealed class VirtualMachine(CaseBook book, int cause, Random chance)
{
    /// <summary>Whether the fault is there still.</summary>
    public bool Faulty { get; private set; } = true;

    /// <summary>The hidden cause.</summary>
    public Cause Cause => book.Causes[cause];

    /// <summary>A machine with a fault drawn by the book's rates.</summary>
    /// <param name="book">The book.</param>
    /// <param name="facts">The case: causes that cannot be in it are not drawn.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static VirtualMachine Drawn(CaseBook book, Facts facts, Random chance)
    {
        var weights = book.Causes.Select((c, i) => c.When.Holds(facts) ? book.BaseWeights[i] : 0).ToArray();
        return new VirtualMachine(book, Draw(weights, chance), chance);
    }

    /// <summary>What a test shows.</summary>
    /// <param name="finding">The test.</param>
    /// <returns>Id of its answer.</returns>
    public string Show(Finding finding)
    {
        var f = book.IndexOfFinding(finding.Id);
        return finding.Outcomes[Draw(Faulty ? book.Likelihood[f][cause] : [.. finding.Sound], chance)].Id;
    }

    /// <summary>Does a repair; it may end the fault.</summary>
    public void Mend(Repair repair)
    {
        if (chance.NextDouble() < book.FixChance[book.IndexOfRepair(repair.Id)][cause]) Faulty = false;
    }

    private static int Draw(double[] weights, Random chance)
    {
        var at = chance.NextDouble() * weights.Sum();
        for (var i = 0; i < weights.Length; i++)
            if ((at -= weights[i]) < 0) return i;
        return weights.Length - 1;
    }
}
