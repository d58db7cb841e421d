using SideBench.Core.Waste;

namespace SideBench.Core.Simulation;

/// <summary>
/// Waste stores of the demo's first machines, one of each model: at each visit the counter is read and the store weighed, as a shop does
/// that keeps its ledger. By the day alone, without chance.
/// </summary>
internal sealed class DemoStores
{
    private const int Machines = 9;
    private const double SlowestPerDay = 0.05;
    private const double MorePerMachine = 0.012;
    private const double StaysOf = 0.45;
    private const double Renewed = 90;
    private const string WasteJob = "waste-full";
    private readonly Dictionary<int, (DateTimeOffset At, double Count, double Net)> known = [];

    /// <summary>Its counter is read and its store weighed; near its end it is renewed and reset.</summary>
    /// <param name="script">The job.</param>
    /// <param name="machine">The machine's place in the world.</param>
    /// <param name="complaint">What it came with: a job on the waste store looks after it itself.</param>
    public void Looked(JobScript script, int machine, string complaint)
    {
        if (machine >= Machines || script.Case.Book.Model is not { Waste: { } waste, PadCapacityG: { } holds, StoreTareG: { } tare })
            return;
        if (complaint == WasteJob)
        {
            known[machine] = (script.At, 0, 0);
            return;
        }

        var (at, count, net) = known.GetValueOrDefault(machine, (script.At, 12, 5));
        var rise = (SlowestPerDay + (MorePerMachine * machine)) * (script.At - at).TotalDays;
        (count, net) = (Math.Round(count + rise, 1), Math.Min(holds, net + (rise * waste.GramsPerPoint * StaysOf)));
        if (count >= Renewed)
        {
            script.Waste(w => w.Tell("renewed", null, null, null));
            script.Waste(w => w.Reset(new ResetTold("full", Math.Min(100, count), 0, null, null, false, null), []));
            (count, net) = (0, 0);
        }
        else
        {
            script.Waste(w => w.Tell(StoreTold.CounterRead, count, null, null));
            script.Waste(w => w.Tell("weighed", Math.Round(tare + net, 1), null, null));
        }

        known[machine] = (script.At, count, net);
    }
}
