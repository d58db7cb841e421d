using SideBench.Core.Record;

namespace SideBench.Core.Jobs;

/// <summary>What one craft keeps of a job beside what all share: the fold of the lines it knows.</summary>
public abstract record CraftState
{
    /// <summary>It after one more line.</summary>
    /// <param name="entry">The line, which stands.</param>
    /// <param name="before">The job before the line.</param>
    /// <param name="doubt">Told what the line says that cannot be.</param>
    public abstract CraftState After(Entry entry, JobState before, Action<string> doubt);
}
