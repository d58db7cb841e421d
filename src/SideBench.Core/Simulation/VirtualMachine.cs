using SideBench.Core.Diagnosis;

namespace SideBench.Core.Simulation;

/// <summary>
/// A machine with hidden faults, for practice, demo and measuring: it answers tests as the fault book says such faults do.
/// With two faults a test shows trouble when either fault shows it.
/// </summary>
/// <param name="truth">The book its answers are drawn from.</param>
/// <param name="hidden">The hidden causes; at least one.</param>
/// <param name="chance">Where chance comes from; seeded by the caller.</param>
/// <param name="wrongShare">Share of answers that are simply wrong, 0 to 1.</param>
public sealed class VirtualMachine(FaultBook truth, IReadOnlyList<Cause> hidden, Random chance, double wrongShare = 0)
{
    private readonly List<Cause> left = [.. hidden];
    private readonly Dictionary<string, Finding> findings = truth.Findings.ToDictionary(f => f.Id);

    /// <summary>Whether a fault is there still.</summary>
    public bool Faulty => left.Count > 0;

    /// <summary>The first hidden cause.</summary>
    public Cause Cause => hidden[0];

    /// <summary>The causes that are there still.</summary>
    public IReadOnlyList<Cause> Left => left;

    /// <summary>A machine with one fault drawn by the book's rates.</summary>
    /// <param name="book">The book.</param>
    /// <param name="facts">The case: causes that cannot be in it are not drawn.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static VirtualMachine Drawn(CaseBook book, Facts facts, Random chance) =>
        new(book.Book, [book.Causes[Draw(Posterior.Of(book, facts, []).Still, chance)]], chance);

    /// <summary>What a test shows.</summary>
    /// <param name="test">The test.</param>
    /// <param name="complaint">The complaint it is made for.</param>
    /// <returns>Id of its answer.</returns>
    public string Show(Finding test, string complaint)
    {
        var finding = findings[test.Id];
        var sound = finding.Sound.ToList().IndexOf(finding.Sound.Max());
        int[] shown = [.. left.Select(c => Draw(Row(finding, c, complaint), chance))];
        int[] trouble = [.. shown.Where(o => o != sound)];
        var outcome =
            shown.Length == 0 ? Draw(finding.Sound, chance)
            : trouble.Length == 0 ? sound
            : trouble[chance.Next(trouble.Length)];
        if (chance.NextDouble() < wrongShare)
            outcome = (outcome + 1 + chance.Next(finding.Outcomes.Count - 1)) % finding.Outcomes.Count;
        return finding.Outcomes[outcome].Id;
    }

    /// <summary>Does a repair; it may end faults.</summary>
    /// <param name="repair">The repair.</param>
    /// <returns>Whether it could have ended one that was there.</returns>
    public bool Mend(Repair repair)
    {
        var fits = left.Any(c => repair.Fixes.Any(f => f.Cause == c.Id));
        left.RemoveAll(c => chance.NextDouble() < repair.Fixes.Where(f => f.Cause == c.Id).Select(f => f.Chance).DefaultIfEmpty(0).Max());
        return fits;
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

    // A fault that never shows as this complaint, and of which the test does not speak, leaves it as on a sound machine.
    private static IReadOnlyList<double> Row(Finding finding, Cause cause, string complaint) =>
        finding.Rows.LastOrDefault(r => r.Causes.Contains(cause.Id))?.Probabilities
        ?? (cause.Complaints.ContainsKey(complaint) ? finding.Otherwise : finding.Sound);
}
