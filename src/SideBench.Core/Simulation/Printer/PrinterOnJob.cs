using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Jobs;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation.Printer;

/// <summary>
/// The made-up machine of a made-up job: in a state that what was told, done and seen leaves possible, drawn by its odds. A job of the demo
/// has no machine but what its record says.
/// </summary>
public static class PrinterOnJob
{
    /// <summary>The machine as it is now.</summary>
    /// <param name="makings">What printers are made of.</param>
    /// <param name="threads">The job, once for each of its threads.</param>
    /// <param name="numbers">House numbers of head care: what its head is drawn around.</param>
    /// <param name="seed">The same seed gives the same machine.</param>
    public static SimulatedPrinter AsTold(PrinterBook makings, IReadOnlyList<JobCase> threads, HeadCareNumbers numbers, int seed)
    {
        var (book, state) = (threads[0].Book, threads[0].State);
        var printer = new SimulatedPrinter(makings, book.Book, book.Model, new Random(seed));
        foreach (var work in state.Work)
            if (book.Book.Step(work.Repair) is { } step && book.Model.Operation(step.Operation) is { } operation)
                printer.Run(operation);
        foreach (var (thread, at) in threads.Select((t, i) => (t, i)))
            Begin(printer, thread, new Random(seed + (31 * at)).NextDouble());
        if (state.Sheets.Count > 0)
            printer.TakeUp(new HeadLife(makings, numbers, seed).After(threads[0], printer.Ills));
        return printer;
    }

    /// <summary>Head cleanings of a job so far.</summary>
    /// <param name="state">Where the job stands.</param>
    public static int CleansOf(JobState state) => state.Work.Count(w => w.Tags.Contains(SheetOnJob.CleanTag));

    // By the odds that are left: what repairs have likely ended is not drawn.
    private static void Begin(SimulatedPrinter printer, JobCase thread, double at)
    {
        if (!thread.Thread.IsOpen || thread.Proof.Proved)
            return;
        var drawn = 0;
        while (drawn < thread.Book.Causes.Count && (at -= thread.Odds.Still[drawn]) >= 0)
            drawn++;
        if (drawn == thread.Book.Causes.Count)
            return;
        var ill = printer.FallIll(thread.Book.Causes[drawn], thread.Thread.Slot);
        var lastWork = thread.Timeline.ToList().FindLastIndex(e => e is CaseEvent.Worked);
        foreach (var told in thread.Timeline.Skip(lastWork + 1).OfType<CaseEvent.Told>())
            printer.Told(ill, told.Finding, told.Outcome);
    }
}
