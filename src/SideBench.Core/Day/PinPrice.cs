namespace SideBench.Core.Day;

/// <summary>What it would cost to give a job's next piece to a person, or to set its time: the plan made round it.</summary>
/// <param name="Harms">Promises that lose from the house's threshold on, by place in the list: how much.</param>
/// <param name="Begins">When the piece would begin, min from the moment of the plan; null when not within the days planned.</param>
/// <param name="Done">When the job would be done, min.</param>
public sealed record PinPrice(IReadOnlyList<(int Job, double Loses)> Harms, double? Begins, double Done)
{
    /// <summary>Tries it; nothing is kept.</summary>
    /// <param name="plan">The plan as it stands.</param>
    /// <param name="ends">How its jobs may end.</param>
    /// <param name="job">The job's place.</param>
    /// <param name="hand">Whose hands; null for whoever comes.</param>
    /// <param name="at">When it begins, min; null for as soon as it can.</param>
    /// <param name="numbers">House numbers.</param>
    public static PinPrice Of(DayPlan plan, IReadOnlyList<DayEnd> ends, int job, int? hand, double? at, DayNumbers numbers)
    {
        List<DayJob> jobs = [.. plan.Jobs.Select((j, i) => i == job ? j with { Hand = hand, At = at } : j)];
        var tried = DayPlan.Of(jobs, plan.Hands, numbers, plan);
        var with = DayChances.Of(tried, numbers);
        return new PinPrice(
            [.. ends.Select((b, j) => (Job: j, Loses: (b.Kept ?? 0) - (with[j].Kept ?? 0))).Where(h => h.Loses >= numbers.HarmsFrom)],
            tried.Pieces.FirstOrDefault(p => p.Job == job && p.Number == 0) is { Hand: >= 0 } piece ? piece.From : null,
            tried.Ends[job]
        );
    }
}
