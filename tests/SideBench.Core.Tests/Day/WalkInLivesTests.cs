using SideBench.Core.Day;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>What a walk-in harms, told life by life and from lives drawn once, beside both plans run through from the beginning.</summary>
public class WalkInLivesTests
{
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>() with { Tries = 40, Draws = 100, OthersShare = 0.1 };

    [Fact]
    public void WhatItHarms_IsAsByRunningBothPlansThrough_HoweverOftenItIsAsked()
    {
        var answers = new List<bool>();
        for (var seed = 1; seed <= 6; seed++)
        {
            var (drawn, hands) = DayTrial.Morning(House, seed, 8, 2);
            // One is set to a time: it begins late where the work before it runs over, with the walk-in and without.
            List<DayJob> jobs = [.. drawn.Select((j, i) => j with { Promise = 120 + (60 * i), At = i == 3 ? 150 : j.At })];
            var plan = DayPlan.Of(jobs, hands, House);
            var ends = DayChances.Of(plan, House);
            var lives = new WalkInLives(plan, With(0), House);
            foreach (var at in new double[] { 300, 0, 90, 600, 1500, 90, 300 })
            {
                var tried = With(at);
                var with = DayChances.Of(tried, House);
                Assert.Equal(
                    ends.Select((b, j) => (Job: j, Loses: b.Kept!.Value - (with[j].Kept ?? 0)))
                        .Where(h => h.Loses >= House.HarmsFrom - 1e-9),
                    lives.Harms(tried),
                    (a, b) => a.Job == b.Job && Math.Abs(a.Loses - b.Loses) < 1e-9
                );
                answers.Add(lives.IsHarmed(tried));
                Assert.Equal(Lost(plan, tried).Max() >= House.HarmsFrom * House.Draws, answers[^1]);
            }

            DayPlan With(double at) =>
                DayPlan.Of(
                    [.. jobs, new DayJob(0, "walk-in", at, null, null, [new DayWay(1, [new DayPiece("walk-in", 40)])]) { At = at }],
                    hands,
                    House,
                    plan
                );
        }

        Assert.Contains(true, answers);
        Assert.Contains(false, answers);
    }

    // In how many lives each promise is kept without it and broken with it.
    private static int[] Lost(DayPlan plan, DayPlan tried)
    {
        var lost = new int[plan.Jobs.Count];
        for (var draw = 0; draw < House.Draws; draw++)
        {
            var (without, with) = (Ends(plan, draw), Ends(tried, draw));
            for (var j = 0; j < lost.Length; j++)
                lost[j] += without[j] <= plan.Jobs[j].Promise && with[j] > plan.Jobs[j].Promise ? 1 : 0;
        }

        return lost;
    }

    private static double[] Ends(DayPlan plan, int draw)
    {
        var (jobs, order) = DayChances.Loose(plan, House);
        var life = DayChances.Life(jobs, plan.Hands, draw, House);
        return life.Ends(life.Lay(order));
    }
}
