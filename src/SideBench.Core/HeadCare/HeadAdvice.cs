using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;

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
    /// <param name="ink">House numbers of ink.</param>
    /// <param name="now">The time.</param>
    public static Advice On(JobCase job, Advice advice, HeadCareNumbers numbers, InkNumbers ink, DateTimeOffset now)
    {
        if (advice is not { Kind: AdviceKind.Mend, Chosen: { } chosen } || HeadOnJob.MethodOf(chosen.Step.Id, numbers) is null)
            return advice;
        if (HeadOnJob.Of(job, numbers, ink, now) is not { Case.Channels.Count: > 0 } head)
            return advice;
        var next = HeadNext.Planned(job, head, HeadPlan.Of(head.Case));
        return next.Kind switch
        {
            HeadNextKind.Supply => Look(job, numbers) is { } look ? With(advice, look, next.Says) : advice,
            HeadNextKind.Stop => Instead(advice, numbers) is { } other
                ? With(advice, other, next.Says)
                : advice with
                {
                    Because = next.Says,
                },
            HeadNextKind.Work when next.Work!.Id == chosen.Step.Id => advice with { Because = next.Says },
            HeadNextKind.Work when job.Book.IndexOfRepair(next.Work!.Id) is >= 0 and var r => With(
                advice,
                Candidate(job, job.Book.Repairs[r], Information.FixChance(r, job.Odds)),
                next.Says
            ),
            _ => advice,
        };
    }

    // Where cleaning stops, what was close and is no cleaning.
    private static Candidate? Instead(Advice advice, HeadCareNumbers numbers) =>
        advice.Others.FirstOrDefault(o => HeadOnJob.MethodOf(o.Step.Id, numbers) is null);

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
    private static Advice With(Advice advice, Candidate chosen, string because) =>
        advice with
        {
            Kind = chosen.Step is Repair ? AdviceKind.Mend : AdviceKind.Find,
            Chosen = chosen,
            Because = because,
            Outlooks = [],
            Others = [.. advice.Others.Prepend(advice.Chosen!).Where(o => o.Step.Id != chosen.Step.Id).Take(MostOthers)],
        };
}
