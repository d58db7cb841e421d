using SideBench.Core.Day;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>What the plan is reminded of: which reminders stand, and where they lie among the day's hours.</summary>
public class DayReminderTests
{
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>();

    // A Monday at ten.
    private static readonly DateTimeOffset Now = new(2026, 3, 2, 10, 0, 0, TimeSpan.FromHours(1));
    private static readonly DateOnly Today = DateOnly.FromDateTime(Now.DateTime);

    [Fact]
    public void Stands_WhatIsDueWithinThePlan_OfNoMachineThatIsHere_AndNotSeenToLately()
    {
        DayReminder[] all =
        [
            Of("far", House.AheadDays),
            Of("late", -3),
            Of("here", 1, 7),
            Of("twice", 2),
            Of("twice", 4),
            Of("called", 0),
            Of("last", House.AheadDays - 1),
        ];
        var called = TestShop.Line(1, new ReminderDone("called", "x")) with { At = Now.AddDays(-House.RemindAgainDays).AddHours(1) };
        var last = $"last:{House.AheadDays - 1}";
        Assert.Equal(["late:-3", "twice:2", last], Said(called));
        // After some days what was seen to is due again.
        Assert.Equal(["late:-3", "called:0", "twice:2", last], Said(called with { At = Now.AddDays(-House.RemindAgainDays) }));

        IEnumerable<string> Said(Core.Record.Entry line) =>
            DayReminder
                .Standing(all, [line], new HashSet<long> { 7 }, Now, House)
                .Select(r => $"{r.Key}:{r.Due.DayNumber - Today.DayNumber}");
    }

    [Fact]
    public void Is_APieceOfHands_FromTheDayBeforeOn_PromisedForTheEndOfTheLastHoursByThen()
    {
        // Open today for two hours, tomorrow closed, on Wednesday from nine to noon.
        List<(double, double)> open = [(0, 120), ((2 * 24 * 60) - 60, (2 * 24 * 60) + 120)];
        DayJob On(int days) => Of("x", days).Job(3, open, Now, House);
        var (today, tomorrow, wednesday) = (On(0), On(1), On(2));
        Assert.Equal((-4L, 0.0, 120.0), (today.Id, today.Ready, today.Promise!.Value));
        Assert.Equal((0.0, 120.0), (tomorrow.Ready, tomorrow.Promise!.Value));
        Assert.Equal((14.0 * 60, (2 * 24.0 * 60) + 120), (wednesday.Ready, wednesday.Promise!.Value));
        Assert.Equal(0, On(-1).Promise);
        // In a plan it goes before the work that nothing presses, so that it is done in time.
        var slow = new DayJob(1, "slow", 0, null, null, [new DayWay(1, [new DayPiece("mend", 118)])]);
        var plan = DayPlan.Of([slow, today], [new DayHand(1, "Ines", open)], House);
        Assert.True(plan.Ends[1] <= 120);
        Assert.Equal(1, plan.Pieces[0].Job);
    }

    private static DayReminder Of(string key, int days, long machine = 0) =>
        new(key, "Call", "Duo", Today.AddDays(days), 6) { Machine = machine };
}
