using SideBench.Core.Jobs;
using SideBench.Core.Machines;

namespace SideBench.Core.Diagnosis;

/// <summary>A job as diagnosis sees it: its threads, and what bears on each.</summary>
public static class JobThreads
{
    /// <summary>The tag of a clean that was tried before the visit: the head rested since.</summary>
    public const string CleanedBefore = "cleaned-before";

    extension(JobState job)
    {
        /// <summary>What diagnosis keeps of the job.</summary>
        public Casework Casework => job.Of<Casework>();

        /// <summary>Its threads, the complaint of the take-in first.</summary>
        public IReadOnlyList<CaseThread> Threads => job.Casework.Threads;

        /// <summary>Answers and repairs of all threads, oldest first.</summary>
        public IReadOnlyList<CaseEvent> Timeline => job.Casework.Timeline;

        /// <summary>Work, oldest first.</summary>
        public IReadOnlyList<Mended> Work => job.Casework.Work;

        /// <summary>Answers with their line, oldest first.</summary>
        public IReadOnlyList<(long Entry, Answered Body)> Answers => job.Casework.Answers;

        /// <summary>Schools chosen for this job, by school.</summary>
        public IReadOnlyDictionary<string, string> Schools => job.Casework.Schools;

        /// <summary>Gates gone past, with their step.</summary>
        public IReadOnlyList<PastGate> Overridden => job.Casework.Overridden;

        /// <summary>The thread of that number; the first when there is none.</summary>
        /// <param name="id">Its number.</param>
        public CaseThread Thread(int id) => job.Threads.FirstOrDefault(t => t.Id == id) ?? job.Threads[0];

        /// <summary>
        /// Answers and repairs that bear on a thread: its own; those of other threads that speak of the whole machine; and those
        /// about one slot when both threads are about that slot.
        /// </summary>
        /// <param name="book">The fault book, for what speaks of one slot only.</param>
        /// <param name="thread">The thread.</param>
        public IReadOnlyList<CaseEvent> TimelineOf(FaultBook book, CaseThread thread) =>
            job.Threads.Count == 1 ? job.Timeline : [.. job.Timeline.Where(e => BearsOn(job, book, e.Thread, IdOf(e), thread))];

        /// <summary>The case of a thread as written conditions see it.</summary>
        /// <param name="book">The fault book.</param>
        /// <param name="model">The machine's model.</param>
        /// <param name="today">The date, for the warranty.</param>
        /// <param name="thread">The thread.</param>
        /// <param name="shop">What holds for the whole shop.</param>
        /// <param name="counts">What the shop's closed jobs of such a case turned out to be.</param>
        /// <param name="known">What crafts know of the machine beside what its record says.</param>
        public Facts FactsFor(
            FaultBook book,
            MachineModel model,
            DateOnly today,
            CaseThread thread,
            ShopState shop,
            ShopCounts counts,
            IEnumerable<Fact> known
        ) =>
            new()
            {
                Model = model,
                Context = CaseContext.Of(job.Intake, today, thread.Complaint, book.House.Context),
                Known = job.Crafts.FactsOf(job, known),
                Answers = job
                    .Answers.Where(a => BearsOn(job, book, a.Body.Thread, a.Body.Finding, thread))
                    .GroupBy(a => a.Body.Finding)
                    .ToDictionary(g => g.Key, g => g.Last().Body.Outcome),
                Done =
                [
                    .. Enumerable.Repeat<IReadOnlyList<string>>([CleanedBefore], job.Intake.CleansTried),
                    .. job.Casework.Before.Where(w => w.SinceTrouble).Select(w => w.Tags),
                    .. job.Work.Where(w => BearsOn(job, book, w.Thread, w.Repair, thread)).Select(w => w.Tags),
                ],
                Tray = job.Tray,
                CounterPct = job.Counter?.Pct,
                Consents = job.Consents,
                Schools = School.Followed(book.Schools, shop.Schools, job.Schools),
                Spent = (job.Hands.Value / 60 * book.House.BenchPerHour) + (double)job.Parts,
                Limit = (double?)job.Intake.Limit,
                PartsMissing = shop.PartsMissing,
                Counts = counts,
            };
    }

    private static bool BearsOn(JobState job, FaultBook book, int from, string step, CaseThread thread)
    {
        if (from == thread.Id)
            return true;
        if (book.Step(step) is not { } known)
            return false;
        return !known.PerPlace || (thread.Slot > 0 && job.Thread(from).Slot == thread.Slot);
    }

    private static string IdOf(CaseEvent happened) =>
        happened switch
        {
            CaseEvent.Told told => told.Finding,
            CaseEvent.Worked worked => worked.Repair,
            CaseEvent.Before before => before.Repair,
            _ => "",
        };
}
