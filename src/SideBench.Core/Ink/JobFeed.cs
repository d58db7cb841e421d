using SideBench.Core.Diagnosis;
using SideBench.Core.Quantities;

namespace SideBench.Core.Ink;

/// <summary>What a case tells of its ink supply.</summary>
public static class JobFeed
{
    private const string PagesUnit = "pages";

    extension(JobCase job)
    {
        /// <summary>
        /// The feed that the last fading of the thread speaks of; null when none was measured or the model has no damper.
        /// </summary>
        public FadeFeed? Feed
        {
            get
            {
                var told = job
                    .State.Answers.Select(a => a.Body)
                    .LastOrDefault(b => b.Thread == job.Thread.Id && b.Unit == PagesUnit && b.Quantity is not null);
                if (told is null || job.Book.Model.DamperMl is not { } damper)
                    return null;
                return FadeFeed.Of(
                    Millilitres.Of(damper),
                    Millilitres.Of(job.Book.Model.PageMl),
                    Pages.Of(told.Quantity!.Value),
                    Ratio.OfPct(told.CoveragePct ?? job.Book.Book.House.TestCoveragePct)
                );
            }
        }
    }
}
