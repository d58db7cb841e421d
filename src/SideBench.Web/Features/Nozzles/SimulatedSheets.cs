using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation;
using SideBench.Devices.Scanner;

namespace SideBench.Web.Features.Nozzles;

/// <summary>What a made-up machine would print now.</summary>
internal static class SimulatedSheets
{
    /// <summary>The sheet that the machine of a job prints, as its threads and its cleans have it.</summary>
    public static PrintedSheet PrintedNow(JobCase job, SheetPlan plan, long id)
    {
        var state = job.State;
        var faults = state
            .Threads.Where(t => t.IsOpen)
            .Select(t => (t.Slot, Family: job.Book.Book.Complaints.FirstOrDefault(c => c.Id == t.Complaint)?.Sheet?[0] ?? ""))
            .Where(f => f.Family.Length > 0)
            .ToList();
        var cleans = state.Work.Count(w => w.Tags.Contains(SheetOnJob.CleanTag));
        var seed = SeedOf(state.Intake.MachineId, id);
        return new PrintedSheet(
            plan.Layout,
            VirtualHead.Of(plan.Layout, plan.Slots, faults, cleans, job.Proof.Proved, seed),
            seed + cleans + (7 * state.Sheets.Count)
        );
    }

    private static int SeedOf(long machine, long job) => (int)(((machine * 7919) + (job * 104729)) & 0x7fffffff);
}
