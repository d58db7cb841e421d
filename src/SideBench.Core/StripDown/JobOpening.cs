using SideBench.Core.Jobs;

namespace SideBench.Core.StripDown;

/// <summary>A job as opening up sees it.</summary>
public static class JobOpening
{
    extension(JobState job)
    {
        /// <summary>How far the machine is open, and the guides followed on it.</summary>
        public OpeningState Opening => job.Of<OpeningState>();
    }
}
