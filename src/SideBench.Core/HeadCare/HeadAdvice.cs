using SideBench.Core.Diagnosis;

namespace SideBench.Core.HeadCare;

/// <summary>
/// What the bench advises once it has chosen to clean: which clean, rest, soak or flush is head care's plan, so that card and page say the
/// same.
/// </summary>
public static class HeadAdvice
{
    private const int MostOthers = 2;

    /// <summary>The advice as it stands, with head care's own step where it was one of head care.</summary>
    /// <param name="job">The job.</param>
    /// <param name="advice">What diagnosis advises.</param>
    /// <param name="numbers">House numbers of head care.</param>
    /// <param name="now">The time.</param>
    public static Advice On(JobCase job, Advice advice, HeadCareNumbers numbers, DateTimeOffset now)
    {
        if (advice is not { Kind: AdviceKind.Mend, Chosen: { } chosen } || HeadOnJob.MethodOf(chosen.Step.Id, numbers) is null)
            return advice;
        if (HeadOnJob.Of(job, numbers, now) is not { Case.Channels.Count: > 0 } head)
            return advice;
        if (head.FeedFirst.Count > 0 && Look(job, numbers) is { } feed)
            return With(advice, AdviceKind.Find, feed, HeadWords.Feed(head.FeedFirst));
        var plan = HeadPlan.Of(head.Case);
        if (plan.Steps.Count == 0)
            return advice with { Because = Stop(job, head, plan) };
        var next = plan.Steps[0].Methods[0];
        if (next.Id == HeadMethod.Supply)
            return Look(job, numbers) is { } look
                ? With(advice, AdviceKind.Find, look, "Prove that ink comes before another clean: that is worth more now.")
                : advice;
        var brings = HeadWords.Brings(head.Case, next);
        if (next.Repair == chosen.Step.Id)
            return advice with { Because = brings };
        return job.Book.IndexOfRepair(next.Repair) is >= 0 and var r
            ? With(advice, AdviceKind.Mend, Candidate(job, job.Book.Repairs[r], Information.FixChance(r, job.Odds)), brings)
            : advice;
    }

    private static string Stop(JobCase job, HeadOnJob head, HeadPlan plan) =>
        HeadWords.Stopped(
            head.Case,
            plan.Stop ?? StopReason.NotWorthIt,
            job.Book.Model.Axes["headRenew"] == "yes",
            job.Book.Book.House.Currency
        );

    private static Candidate? Look(JobCase job, HeadCareNumbers numbers) =>
        job
            .Book.Findings.Where(f =>
                numbers.Proved.ContainsKey(f.Id)
                && !job.Facts.Answers.ContainsKey(f.Id)
                && f.When.Holds(job.Facts)
                && Gates.Holding(job.Book, job.Facts, f, job.State.Overridden) is null
            )
            .Select(f => Candidate(job, f, null))
            .MinBy(c => c.Cost);

    private static Candidate Candidate(JobCase job, BookStep step, double? fix)
    {
        var cost = job.Book.StepCost[step.Id];
        return new Candidate(step, cost, cost, fix, 0);
    }

    // What was chosen before stands first among the others.
    private static Advice With(Advice advice, AdviceKind kind, Candidate chosen, string because) =>
        advice with
        {
            Kind = kind,
            Chosen = chosen,
            Because = because,
            Outlooks = [],
            Others = [.. advice.Others.Prepend(advice.Chosen!).Where(o => o.Step.Id != chosen.Step.Id).Take(MostOthers)],
        };
}
