namespace SideBench.Core.Day;

/// <summary>The drawn lives of a plan with and without somebody who walks in: drawn once, laid out as often as a gap is tried.</summary>
internal sealed class WalkInLives
{
    private readonly DayPlan plan;
    private readonly DayNumbers numbers;
    private readonly List<(DayPlacing Life, double[] Without)> lives;

    /// <summary>Draws them.</summary>
    /// <param name="plan">The plan as it stands.</param>
    /// <param name="with">One with the walk-in, the last of its jobs, at some time.</param>
    /// <param name="numbers">House numbers.</param>
    public WalkInLives(DayPlan plan, DayPlan with, DayNumbers numbers)
    {
        (this.plan, this.numbers) = (plan, numbers);
        var (jobs, stands) = (DayChances.Loose(with, numbers).Jobs, DayChances.Loose(plan, numbers).Order);
        lives =
        [
            .. Enumerable
                .Range(0, numbers.Draws)
                .Select(draw => DayChances.Life(jobs, plan.Hands, draw, numbers))
                .Select(life => (life, life.Ends(life.Lay(stands)))),
        ];
    }

    /// <summary>Promises that lose by it from the house's threshold on, by place in the list: how much.</summary>
    /// <param name="tried">The plan with the walk-in.</param>
    public IReadOnlyList<(int Job, double Loses)> Harms(DayPlan tried)
    {
        var (order, at) = Set(tried);
        var loses = new int[plan.Jobs.Count];
        foreach (var (life, without) in lives)
        {
            var with = life.Ends(life.Lay(order, at));
            for (var j = 0; j < loses.Length; j++)
                if (plan.Jobs[j].Promise is { } promise)
                    loses[j] += (without[j] <= promise ? 1 : 0) - (with[j] <= promise ? 1 : 0);
        }

        return [.. loses.Select((l, j) => (Job: j, Loses: l / (double)lives.Count)).Where(l => l.Loses >= numbers.HarmsFrom)];
    }

    /// <summary>Whether any promise loses so much, life by life: no life is kept because somebody came in.</summary>
    /// <param name="tried">The plan with the walk-in.</param>
    public bool IsHarmed(DayPlan tried)
    {
        var (order, at) = Set(tried);
        var lost = new int[plan.Jobs.Count];
        for (var l = 0; l < lives.Count; l++)
        {
            var (life, without) = lives[l];
            var with = life.Ends(life.Lay(order, at));
            var isLost = false;
            for (var j = 0; j < lost.Length; j++)
                if (plan.Jobs[j].Promise is { } promise && without[j] <= promise && with[j] > promise)
                {
                    isLost = true;
                    if (++lost[j] >= numbers.HarmsFrom * lives.Count)
                        return true;
                }

            // A life that bears little is asked first the next time: most gaps are told by a few.
            if (isLost)
                (lives[l / 2], lives[l]) = (lives[l], lives[l / 2]);
        }

        return false;
    }

    private (IReadOnlyList<int> Order, (int Job, double Ready) At) Set(DayPlan tried) =>
        (DayChances.Loose(tried, numbers).Order, (plan.Jobs.Count, tried.Jobs[^1].At!.Value));
}
