using SideBench.Core.Bench;
using SideBench.Core.Jobs;
using Xunit;

namespace SideBench.Core.Tests.Jobs;

public class GuardedWaitTests
{
    private static readonly JobsNumbers House = TestShop.Shop.Numbers.Of<JobsNumbers>();

    [Theory]
    [InlineData("dry", 9, 1)]
    [InlineData("dry", 10, 0)]
    [InlineData("charge", 0, 1)]
    [InlineData("rest", 0, 0)]
    public void Running_AreTheWaitsOfGuardingKinds_UntilTheirTime(string kind, double after, int guards)
    {
        var (state, began) = Waiting(kind);
        Assert.Equal(guards, GuardedWait.Running(state, House, began.AddMinutes(after)).Count);
        Assert.Empty(GuardedWait.Running(state, House, began, "another"));
    }

    [Fact]
    public void WhatIsGuarded_IsRefusedWithWhatIsLeft_OrDoneWithTheReasonFirst()
    {
        var (state, began) = Waiting("dry");
        var guards = GuardedWait.Running(state, House, began);
        var lines = BenchKeeping.Note("contacts back");
        var refused = Assert.Single(GuardedWait.Over(guards, " ", began.AddMinutes(3.5), lines).Problems);
        Assert.Equal((JobsProblem.WaitGuards, "/waitOver", "contacts, 7 min to go"), (refused.Code, refused.Path, refused.Args[0]));
        var done = GuardedWait.Over(guards, "dry by the lamp", began, lines).Value;
        Assert.Equal([new ClockStopped("c", "dry by the lamp"), new Noted("contacts back")], done);
        // Stopping the very clock is one line, with its reason.
        Assert.Equal(
            [new ClockStopped("c", "seen dry")],
            GuardedWait.Over(guards, "seen dry", began, BenchKeeping.StopClock(state, "c")).Value
        );
        Assert.Equal(lines.Value, GuardedWait.Over([], null, began, lines).Value);
    }

    private static (JobState State, DateTimeOffset Began) Waiting(string kind)
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-duo", "not-recognised"));
        TestShop.Add(entries, BenchKeeping.StartClock(HouseCrafts.Fold(entries), kind, "contacts", 10, null, "c"));
        return (HouseCrafts.Fold(entries), entries[^1].At);
    }
}
