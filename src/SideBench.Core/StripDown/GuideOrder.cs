using SideBench.Core.Diagnosis;

namespace SideBench.Core.StripDown;

/// <summary>Which guides a job's odds speak for.</summary>
public static class GuideOrder
{
    /// <summary>Chance that one of a guide's repairs ends the fault that is there now, 0 to 1: the best of them.</summary>
    /// <param name="guide">The guide.</param>
    /// <param name="job">The case.</param>
    public static double ChanceOf(Guide guide, JobCase job) =>
        guide
            .Repairs.Select(job.Book.IndexOfRepair)
            .Where(r => r >= 0)
            .Select(r => Information.FixChance(r, job.Odds))
            .DefaultIfEmpty(0)
            .Max();
}
