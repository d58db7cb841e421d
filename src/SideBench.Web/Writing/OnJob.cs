using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Web.Hosting;

namespace SideBench.Web.Writing;

/// <summary>What a rule sees of the job that it writes on.</summary>
/// <param name="Job">The thread in hand.</param>
/// <param name="Entries">All lines of the job.</param>
/// <param name="Other">The case of another thread.</param>
/// <param name="Books">Packs, the shop's choices, and the time.</param>
public sealed record OnJob(JobCase Job, IReadOnlyList<Entry> Entries, Func<int, JobCase> Other, BenchBooks Books)
{
    /// <summary>The waits that still guard something.</summary>
    /// <param name="clock">Only this one; null for all.</param>
    public IReadOnlyList<Clock> Guards(string? clock = null) =>
        GuardedWait.Running(Job.State, Books.Shop.Numbers.Of<JobsNumbers>(), Books.Now, clock);

    /// <summary>Something that waits stand before: refused, or done with the reason why they are over put first.</summary>
    /// <param name="guards">The waits that still guard it.</param>
    /// <param name="waitOver">Why they are over; null when nobody said so.</param>
    /// <param name="lines">What is done.</param>
    public Outcome<IReadOnlyList<EntryBody>> Over(IReadOnlyList<Clock> guards, string? waitOver, Outcome<IReadOnlyList<EntryBody>> lines) =>
        GuardedWait.Over(guards, waitOver, Books.Now, lines);
}
