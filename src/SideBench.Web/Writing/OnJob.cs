using SideBench.Core.Diagnosis;
using SideBench.Core.Record;
using SideBench.Web.Hosting;

namespace SideBench.Web.Writing;

/// <summary>What a rule sees of the job that it writes on.</summary>
/// <param name="Job">The thread in hand.</param>
/// <param name="Entries">All lines of the job.</param>
/// <param name="Other">The case of another thread.</param>
/// <param name="Books">Packs, the shop's choices, and the time.</param>
public sealed record OnJob(JobCase Job, IReadOnlyList<Entry> Entries, Func<int, JobCase> Other, BenchBooks Books);
