using SideBench.Core.Day;
using SideBench.Core.Simulation;
using Xunit;

namespace SideBench.Core.Tests.Simulation;

/// <summary>Made-up weeks: the same for whoever works them, soaks kept by the plan, and no list better than what a seer found.</summary>
public class DayTrialTests
{
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>() with { Draws = 30, Tries = 60 };

    [Fact]
    public void AWeek_IsTheSame_WhoeverWorksIt_AndThePlanOverrunsNoSoak()
    {
        var weeks = Enumerable
            .Range(3, 2)
            .Select(seed => (Plan: Week(seed, DayPolicy.Plan), First: Week(seed, DayPolicy.FirstCome)))
            .ToList();
        Assert.All(weeks, w => Assert.Equal(w.First.HandHours, w.Plan.HandHours, 6));
        Assert.All(weeks, w => Assert.Equal(w.First.Promises, w.Plan.Promises));
        Assert.NotEqual(weeks[0].Plan.HandHours, weeks[1].Plan.HandHours, 2);
        Assert.Equal(0, weeks.Sum(w => w.Plan.Overruns));
        Assert.True(weeks.Sum(w => w.First.Overruns) > 0);
        // The way from one machine to another is no work of hands; without it all are done sooner.
        var still = DayTrial.Of(House with { WalkMin = 0 }, 3, 2, DayPolicy.FirstCome);
        Assert.Equal(weeks[0].First.HandHours, still.HandHours, 6);
        Assert.True(still.StoodDays < weeks[0].First.StoodDays);
    }

    [Fact]
    public void WhoKnowsWhatComes_IsTheBetter_TheMoreListsAreTried()
    {
        double Late(int tries) => DaySeer.Of(House, 3, 2, tries) is var week ? week.LateHours + (10 * week.Overruns) : 0;
        var (none, some) = (Late(0), Late(40));
        Assert.True(some < none, $"{some} against {none}");
    }

    [Fact]
    public void WhoKnowsWhatIsHere_IsLessLate_ThanThePlan()
    {
        double Late(DayPolicy policy) => Enumerable.Range(3, 3).Sum(seed => Week(seed, policy).LateHours);
        var (known, plan) = (Late(DayPolicy.Known), Late(DayPolicy.Plan));
        Assert.True(known < plan, $"{known} against {plan}");
    }

    private static DayWeek Week(int seed, DayPolicy policy) => DayTrial.Of(House, seed, 2, policy);
}
