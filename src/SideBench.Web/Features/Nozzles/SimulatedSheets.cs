using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Simulation.Printer;
using SideBench.Devices.Scanner;
using SideBench.Packs;

namespace SideBench.Web.Features.Nozzles;

/// <summary>What a made-up machine would print now.</summary>
internal static class SimulatedSheets
{
    /// <summary>The sheet that the machine of a job prints, as what was told and done of it leaves it.</summary>
    /// <param name="shop">What printers and heads are drawn around.</param>
    /// <param name="threads">The job, once for each of its threads.</param>
    /// <param name="plan">The sheet.</param>
    /// <param name="id">The job.</param>
    public static PrintedSheet PrintedNow(Shop shop, IReadOnlyList<JobCase> threads, SheetPlan plan, long id)
    {
        var state = threads[0].State;
        var seed = SeedOf(state.Intake.MachineId, id);
        var printer = PrinterOnJob.AsTold(shop.Printers, threads, shop.Numbers.Of<HeadCareNumbers>(), seed);
        return new PrintedSheet(plan.Layout, printer.Sheet()!, seed + PrinterOnJob.CleansOf(state) + (7 * state.Sheets.Count));
    }

    private static int SeedOf(long machine, long job) => (int)(((machine * 7919) + (job * 104729)) & 0x7fffffff);
}
