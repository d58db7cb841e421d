using SideBench.Core.Diagnosis;

namespace SideBench.Core.HeadCare;

/// <summary>What a clean, rest, soak or flush is worth on this head, for the choice between cleaning and everything else.</summary>
internal static class HeadWorth
{
    /// <summary>What each work on the head brings and costs, by repair.</summary>
    /// <param name="job">The job.</param>
    /// <param name="head">Its head, with something missing.</param>
    /// <param name="plan">The plan for it.</param>
    /// <param name="next">What the plan comes to now.</param>
    /// <param name="numbers">House numbers.</param>
    /// <returns>
    /// The plan's first work stands for the whole plan: its chance to clear a clog, and its price without giving up. Another stands
    /// for itself. Where head care would not clean, none brings anything. What other causes than a clog answer to is the book's word.
    /// </returns>
    public static IReadOnlyDictionary<string, RepairWorth> Of(
        JobCase job,
        HeadOnJob head,
        HeadPlan plan,
        HeadNext next,
        HeadCareNumbers numbers
    )
    {
        var worth = new Dictionary<string, RepairWorth>();
        foreach (var repair in job.Book.Repairs.Where(r => HeadOnJob.MethodOf(r.Id, numbers) is not null))
            worth[repair.Id] = RepairWorth.Nothing;
        if (next.Kind != HeadNextKind.Work)
            return worth;
        var methods = head.Case.Methods;
        // Air and starvation are causes of their own in the book: here the question is what a clog answers.
        var clogged = new HeadCase(
            [.. head.Case.Channels.Select(c => c with { Outlook = c.Outlook.SupplyProved() })],
            methods,
            head.Case.Rates,
            head.Case.Limits
        );
        for (var m = 0; m < methods.Count; m++)
            if (methods[m] is { Held: null or { Passes: true } } method && worth.ContainsKey(method.Repair))
                worth[method.Repair] = Worth(
                    HeadPlan.Run(
                        clogged,
                        [
                            [m],
                        ]
                    ),
                    clogged,
                    numbers
                );
        if (next.Work is { } first && worth.ContainsKey(first.Id))
            worth[first.Id] = Worth(HeadPlan.Run(clogged, [.. plan.Steps.Select(Steps)]), clogged, numbers);
        return worth;

        IReadOnlyList<int> Steps(HeadStep step) => [.. step.Methods.Select(m => methods.ToList().FindIndex(x => x.Id == m.Id))];
    }

    private static RepairWorth Worth(HeadPlan run, HeadCase clogged, HeadCareNumbers numbers) =>
        new(
            (cause, book) => numbers.Clogs.Contains(cause) ? run.Complete : book,
            Math.Max(0.01, run.Price - ((1 - run.Complete) * clogged.Limits.GiveUp))
        );
}
