using System.Collections.Concurrent;
using SideBench.Core.Identity;
using SideBench.Core.Record;

namespace SideBench.Data.Record;

/// <summary>
/// Lines of jobs that were read lately, kept in memory. Lines are only ever added, so those that are known need not be read again: a job
/// is asked for its lines from the last known one on, and that one says whether all the others are the same still.
/// </summary>
public sealed class KnownLines
{
    private const int MostJobs = 1000;
    private static readonly IReadOnlyList<Entry> Nothing = [];
    private readonly ConcurrentDictionary<JobId, IReadOnlyList<Entry>> kept = new();

    /// <summary>The lines of a job that are known, oldest first.</summary>
    /// <param name="job">The job.</param>
    public IReadOnlyList<Entry> Of(JobId job) => kept.GetValueOrDefault(job, Nothing);

    /// <summary>Known lines with those that were read from the last known one on.</summary>
    /// <param name="job">The job.</param>
    /// <param name="known">What was known when it was asked.</param>
    /// <param name="read">What was read.</param>
    /// <returns>All its lines; null when what is known is not what is on record, and all must be read.</returns>
    public IReadOnlyList<Entry>? With(JobId job, IReadOnlyList<Entry> known, IReadOnlyList<Entry> read)
    {
        if (known.Count > 0 && (read.Count == 0 || read[0].Id != known[^1].Id))
        {
            kept.TryRemove(job, out _);
            return null;
        }

        IReadOnlyList<Entry> all =
            known.Count == 0 ? read
            : read.Count == 1 ? known
            : [.. known, .. read.Skip(1)];
        if (kept.Count >= MostJobs)
            kept.Clear();
        if (all.Count > 0)
            kept[job] = all;
        return all;
    }
}
