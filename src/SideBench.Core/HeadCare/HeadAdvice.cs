using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Waste;

namespace SideBench.Core.HeadCare;

/// <summary>
/// What the bench advises for a head with a sheet. What a clean, rest, soak or flush brings and costs on it is head care's word, so whether
/// to clean is weighed with that; and which of them is head care's plan, so that card and page say the same.
/// </summary>
public static class HeadAdvice
{
    private const int MostOthers = 2;

    /// <summary>The advice with what head care knows of this head.</summary>
    /// <param name="job">The job.</param>
    /// <param name="numbers">House numbers of head care.</param>
    /// <param name="ink">House numbers of ink.</param>
    /// <param name="waste">House numbers of waste.</param>
    /// <param name="now">The time.</param>
    public static Advice On(JobCase job, HeadCareNumbers numbers, InkNumbers ink, WasteNumbers waste, DateTimeOffset now)
    {
        if (!job.Book.Repairs.Any(r => HeadOnJob.MethodOf(r.Id, numbers) is not null))
            return job.Advice;
        if (HeadOnJob.Of(job, numbers, ink, waste, now) is not { Case.Channels.Count: > 0 } head)
            return job.Advice;
        var plan = HeadPlan.Of(head.Case);
        var next = HeadNext.Planned(job, head, plan);
        var advice = job.AdviceKnowing(HeadWorth.Of(job, head, plan, next, numbers));
        advice = advice with { Held = [.. advice.Held, .. Held(job, head, advice)] };
        var cleans = advice is { Kind: AdviceKind.Mend, Chosen: { } step } && HeadOnJob.MethodOf(step.Step.Id, numbers) is not null;
        return next.Kind switch
        {
            HeadNextKind.Work when cleans => Planned(job, advice, next),
            HeadNextKind.Supply when !cleans && Wanted(job, numbers) && Look(job, numbers) is { } look => With(advice, look, next.Says),
            HeadNextKind.Stop when advice.Kind is AdviceKind.HandBack or AdviceKind.Mend && Wanted(job, numbers) => advice with
            {
                Because = $"{next.Says} {advice.Because}",
            },
            _ => advice,
        };
    }

    // Whether the book by itself would clean now.
    private static bool Wanted(JobCase job, HeadCareNumbers numbers) =>
        job.Advice is { Kind: AdviceKind.Mend, Chosen: { } chosen } && HeadOnJob.MethodOf(chosen.Step.Id, numbers) is not null;

    private static Advice Planned(JobCase job, Advice advice, HeadNext next) =>
        next.Work!.Id == advice.Chosen!.Step.Id ? advice with { Because = next.Says }
        : job.Book.IndexOfRepair(next.Work.Id) is >= 0 and var r
            ? With(advice, Candidate(job, job.Book.Repairs[r], advice.Chosen.FixChance), next.Says)
        : advice;

    // What head care holds back for reasons of its own: too little ink or counter, a channel that is cleaned along and is not fed.
    private static IEnumerable<HeldStep> Held(JobCase job, HeadOnJob head, Advice advice) =>
        head
            .Case.Methods.Where(m => m.Held is { Passes: false })
            .Select(m => (m.Held, At: job.Book.IndexOfRepair(m.Repair)))
            .Where(m => m.At >= 0 && !advice.Held.Any(h => h.Step.Id == job.Book.Repairs[m.At].Id))
            .Select(m => new HeldStep(
                job.Book.Repairs[m.At],
                new Gate("head-care", [], new Condition.Always(), m.Held!.Why, m.Held.First, false)
            ));

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
            Others = [.. advice.Others.Prepend(advice.Chosen).OfType<Candidate>().Where(o => o.Step.Id != chosen.Step.Id).Take(MostOthers)],
        };
}
