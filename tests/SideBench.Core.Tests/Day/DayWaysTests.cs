using SideBench.Core.Day;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>The ways of a job to its end, what is said of a plan, and what minutes really took.</summary>
public class DayWaysTests
{
    private const string Quartet = "marram-quartet-a4";
    private const string Fades = "fades-under-load";
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>();

    [Fact]
    public void WhileAPartIsWaitedFor_OtherThreadsGoOn_OnADryingMachineNone()
    {
        DayPiece order = new("order", 6, 600, null, "head") { IsOthers = true };
        DayPiece[] more = [new("look", 10), new("clean", 20, 60)];
        var woven = DayWays.Woven([order, new("fit", 30)], more);
        Assert.Equal(["order", "look", "clean", "fit"], woven.Select(p => p.Says));
        // The part comes no sooner by it: 10 and 20 min of hands are of the wait.
        Assert.Equal([0.0, 0, 570, 0], woven.Select(p => p.Wait));
        Assert.Equal(("head", true), (woven[2].WaitSays, woven[2].IsOthers));
        Assert.Equal("look", DayWays.Woven([order with { IsOthers = false }, new("fit", 30)], more)[0].Says);
        Assert.Equal("look", DayWays.Woven([order with { Wait = 80 }, new("fit", 30)], more)[0].Says);
    }

    [Fact]
    public void Ways_AreThoseOfTheAdvice_WithItsOdds()
    {
        var lines = TestShop.Opened(TestShop.Intake(Quartet, Fades));
        var job = Of(lines)!;
        Assert.Equal(1, job.Ways.Sum(w => w.Chance), 9);
        Assert.Equal(job.Ways.OrderByDescending(w => w.Chance).Select(w => w.Chance), job.Ways.Select(w => w.Chance));
        var first = TestShop.Case(lines).Advice.Chosen!.Step;
        Assert.All(job.Ways, w => Assert.Equal(first.Id, w.Pieces[0].Step));
        Assert.All(job.Ways, w => Assert.Equal("write it up, call", w.Pieces[^1].Says));
        Assert.Contains(job.Ways, w => w.Pieces.Any(p => p.Wait > 0));
        // What is known leaves less to find out.
        TestShop.Answer(lines, first.Id, ((Finding)first).Outcomes[0].Id);
        Assert.True(Looks(Of(lines)!) <= Looks(job));
    }

    [Fact]
    public void AClock_AndAWait_SayWhenItIsReady_AndByWhenItMustBe()
    {
        var lines = TestShop.Opened(TestShop.Intake(Quartet, Fades));
        lines.Add(TestShop.Line(lines.Count + 1, new ClockStarted("c1", "soak", "soak", 60, 120)));
        var job = Of(lines)!;
        Assert.Equal((60.0, 120.0, "soak"), (Math.Round(job.Ready), Math.Round(job.Latest!.Value), job.WaitsFor));
        lines.Add(TestShop.Line(lines.Count + 1, new WaitSet("parts", "damper", null)));
        job = Of(lines)!;
        Assert.Equal((House.PartDays * 24 * 60, true, "damper"), (Math.Round(job.Ready), job.IsOthers, job.WaitsFor));
        lines.Add(TestShop.Line(lines.Count + 1, new Closed("handed-back", "", "", [], 0, null)));
        Assert.Null(Of(lines));
    }

    [Fact]
    public void AJobThatIsNotHere_GoesByItsComplaint_AndAMissingPartIsWaitedFor()
    {
        var book = TestShop.Book(Quartet, Fades);
        var plain = DayWays.New("x", book, [], House);
        var parts = book.Repairs.Where(r => r.Part.Length > 0).Select(r => r.Part).ToHashSet();
        var without = DayWays.New("x", book, parts, House);
        Assert.Equal(plain.Ways.Count, without.Ways.Count);
        Assert.True(without.Ways.Sum(w => w.Pieces.Count(p => p.IsOthers)) > plain.Ways.Sum(w => w.Pieces.Count(p => p.IsOthers)));
    }

    [Fact]
    public void APin_HoldsUntilSomethingIsDone()
    {
        var lines = TestShop.Opened(TestShop.Intake(Quartet, Fades));
        Assert.Null(DayKeeping.PinOf(lines));
        lines.Add(TestShop.Line(lines.Count + 1, new PiecePinned(1, "Ines", null, false)));
        lines.Add(TestShop.Line(lines.Count + 1, new Noted("the customer called")));
        Assert.Equal(1, DayKeeping.PinOf(lines)!.Of);
        lines.Add(TestShop.Line(lines.Count + 1, new PiecePinned(0, "", null, true)));
        Assert.Null(DayKeeping.PinOf(lines));
        lines.Add(TestShop.Line(lines.Count + 1, new PiecePinned(1, "Ines", null, false)));
        TestShop.Answer(lines, "ink-seen", "enough");
        Assert.Null(DayKeeping.PinOf(lines));
    }

    [Fact]
    public void WhatMoved_IsSaidWithItsReason_AndTimeGoingByIsNoMove()
    {
        DayHand hand = new(1, "Ines", [(0, 600)]);
        DayJob Job(long id, double minutes, double ready = 0) =>
            new(id, $"{400 + id}", ready, null, null, [new DayWay(1, [new DayPiece($"p{id}", minutes)])]);
        DayPlan Plan(params IReadOnlyList<DayJob> jobs) => DayPlan.Of(jobs, [hand], House);
        var at = TestShop.Now;
        var before = Plan(Job(1, 30), Job(2, 40, 60));
        Assert.Equal("", DayWords.Moved((before, at), (Plan(Job(1, 30), Job(2, 40, 55)), at.AddMinutes(5)), House));
        string Moved(DayPlan now, string told = "") => DayWords.Moved((before, at), (now, at.AddMinutes(5)), House, told);
        var (late, came) = (Job(2, 40, 200), Plan(Job(1, 30), Job(2, 40, 200), Job(3, 20)));
        Assert.Equal("402 and 1 more moved 2.5 h later: 403 came in.", Moved(came));
        Assert.EndsWith(": 403 and 404 came in.", Moved(Plan(Job(1, 30), late, Job(3, 20), Job(4, 20))), StringComparison.Ordinal);
        Assert.EndsWith(": 403 and 2 more came in.", Moved(Plan(late, Job(3, 20), Job(4, 20), Job(5, 20))), StringComparison.Ordinal);
        Assert.EndsWith(": 401 needs no hands now.", Moved(Plan(late)), StringComparison.Ordinal);
        before = Plan(Job(1, 30), Job(2, 40, 60), Job(3, 20));
        Assert.EndsWith(": 401 and 403 need no hands now.", Moved(Plan(late)), StringComparison.Ordinal);
        before = Plan(Job(1, 30), Job(2, 40, 60));
        var told = DayWords.Told(
            [TestShop.Line(1, new HoursSet(0, "", DayOfWeek.Monday, null, "09:00-12:00", ""))],
            DateTimeOffset.MinValue
        );
        Assert.EndsWith(" later: hours were told anew.", Moved(came, told), StringComparison.Ordinal);
        Assert.Equal("", DayWords.Told([TestShop.Line(1, new HoursSet(0, "", DayOfWeek.Monday, null, "", ""))], DateTimeOffset.MaxValue));
        // Hours and days are said as such.
        string Later(double ready) => Moved(Plan(Job(1, 30), Job(2, 40, ready), Job(3, 20)));
        Assert.Contains("moved 110 min later", Later(165), StringComparison.Ordinal);
        Assert.Contains("moved 8.5 h later", Later(600 - 40), StringComparison.Ordinal);
        Assert.Contains("moved 8 days later", Later(2000), StringComparison.Ordinal);
        Assert.Equal("it was set to this time", Why(Job(1, 30) with { At = 20 }));
        Assert.Equal("hands are on it", Why(Job(1, 30) with { IsOn = true, Hand = 0 }));
        Assert.Contains("must be ended within 40 min", Why(Job(1, 30) with { Latest = 40 }), StringComparison.Ordinal);
        Assert.Contains("is kept only hardly ever", Why(Job(1, 30) with { Promise = 5 }), StringComparison.Ordinal);

        string Why(DayJob job)
        {
            var plan = Plan(job);
            return DayWords.Because(plan, DayChances.Of(plan, House), plan.Pieces[0]);
        }
    }

    private static double Looks(DayJob job) => job.Ways[0].Pieces.Where(p => p.Says == "find out what it is").Sum(p => p.Hands);

    private static DayJob? Of(List<Entry> lines)
    {
        var job = TestShop.Case(lines);
        List<JobCase> threads = job.State.Closing is null ? [job] : [];
        return DayWays.Of(1, "1", threads, job.State, [], House, TestShop.Now.AddMinutes(lines.Count));
    }
}
