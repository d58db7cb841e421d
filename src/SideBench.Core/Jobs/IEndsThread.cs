namespace SideBench.Core.Jobs;

/// <summary>A line that ends one thread of a job.</summary>
public interface IEndsThread
{
    /// <summary>The thread.</summary>
    int Thread { get; }
}
