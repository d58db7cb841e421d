using SideBench.Core.Diagnosis;
using SideBench.Data.Jobs;
using SideBench.Web.Hosting;

namespace SideBench.Web.Writing;

/// <summary>What lists show of where a job stands.</summary>
public static class JobProjections
{
    /// <summary>The projection of a job.</summary>
    /// <param name="job">The job as it stands.</param>
    /// <param name="books">For the time.</param>
    /// <param name="at">When it came to stand so.</param>
    /// <param name="before">Its row before; null for a new one.</param>
    public static JobProjection Of(JobCase job, BenchBooks books, DateTimeOffset at, JobRow? before = null)
    {
        var state = job.State;
        var clock = state.Clocks.Where(c => c.Counts).MinBy(c => c.EndsAt);
        return new JobProjection(
            state.Version,
            state.Place,
            state.StandingAt(books.Now).ToString().ToLowerInvariant(),
            Headline(job, clock?.Label),
            clock?.EndsAt ?? state.WaitsUntil,
            state.Intake.Promise,
            state.Closing is null ? null : before?.ClosedAt ?? at,
            state.Closing?.How,
            state.HandOver is null ? null : before?.HandedOverAt ?? at
        );
    }

    private static string Headline(JobCase job, string? clock)
    {
        var state = job.State;
        if (state.HandOver is not null)
            return "handed over";
        if (state.Closing is not null)
            return state.Closing.How == "verified" ? "ready, proved" : $"ready, {state.Closing.How}";
        if (state.WaitsFor.Length > 0)
            return state.WaitsWhat;
        return clock ?? job.Advice.Chosen?.Step.Short ?? job.Advice.Kind.ToString().ToLowerInvariant();
    }
}
