using SideBench.Core.Diagnosis;
using SideBench.Core.Simulation.Printer;

namespace SideBench.Core.Simulation;

/// <summary>
/// A visit that is over: a machine with a hidden fault, worked on by the advice itself until it is proved or handed back.
/// </summary>
public static class PastVisit
{
    private const int MostSteps = 24;

    /// <summary>Works a job to its end.</summary>
    /// <param name="script">The job, just taken in.</param>
    /// <param name="machine">The machine with its hidden fault.</param>
    /// <param name="customer">Who fetches it.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static void Work(JobScript script, SimulatedPrinter machine, string customer, Random chance)
    {
        var hidden = machine.Ills[0].Cause;
        for (var step = 0; step < MostSteps; step++)
        {
            script.Later(chance.Next(4));
            var advice = script.Case.Advice;
            if (advice.Kind is AdviceKind.Close)
            {
                script.Clear().End("verified", "", customer, machine.Faulty ? "" : hidden.Id);
                return;
            }

            if (advice.Kind is AdviceKind.HandBack || script.Case.State.Hands.Value > 240)
                break;
            if (!Take(script, machine, advice, chance))
                break;
        }

        script.Clear().EndClocks().End("handed-back", "Not worth more bench time; findings on the sheet.", customer);
    }

    // False when the bill has grown past what the customer or the machine is worth while it was opened.
    private static bool Take(JobScript script, SimulatedPrinter machine, Advice advice, Random chance)
    {
        if (advice.Held.Any(h => h.Step.Id == advice.Chosen!.Step.Id))
            script.Clear();
        if (advice.Chosen!.Step is Repair repair)
        {
            if (repair.Tags.Contains("opens"))
                script.Open(repair.Station);
            if (!script.CanMend(repair.Id))
                return false;
            machine.Mend(repair);
            script.Mend(repair.Id, repair.Part.Length > 0 ? $"L{chance.Next(4000, 5900)}" : "").Clear();
            if (repair.Wait is { } wait)
                script.Later(Math.Min(wait.MinMinutes, 1600) + 5).EndClocks();
            return true;
        }

        var finding = (Finding)advice.Chosen.Step;
        var outcome = machine.Show(finding, script.Case.Book.Complaint.Id);
        script.Tell(finding.Id, outcome, Measured(machine, finding, outcome)).Clear();
        return true;
    }

    private static double? Measured(SimulatedPrinter machine, Finding finding, string outcome) =>
        finding.Outcomes[finding.IndexOf(outcome)].Quantity is { } asked ? machine.Measure(finding, asked) : null;
}
