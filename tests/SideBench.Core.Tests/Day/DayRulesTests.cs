using SideBench.Core.Bench;
using SideBench.Core.Day;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>What a shop's day keeps to: places for open machines, hours for loud and smelly work, what somebody leaves.</summary>
public class DayRulesTests
{
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>() with { LongSd = 0, WalkMin = 0 };
    private static readonly DayNumbers OnePlace = House with { Corners = 1 };
    private static readonly DayHand Ines = new(1, "Ines", [(0, 240), (270, 540)]);
    private static readonly DayHand Tam = new(2, "Tam", [(0, 240), (270, 540)]);

    [Fact]
    public void WithOnePlace_TheSecondMachine_IsOpenedWhenTheFirstIsShut_AndWhatIsShutGoesOn()
    {
        List<DayPiece> inside = [Open("out", 20, 60), Open("in", 20), new("sheet", 10)];
        DayJob[] jobs = [Job("A", inside), Job("B", inside), Job("C", [new("look", 30)])];
        // A is open from 0 to 100; its sheet and C need no place; with as many places as come B is opened at once.
        var begins = Begins(DayPlan.Of(jobs, [Ines, Tam], OnePlace));
        Assert.Equal(100, Math.Abs(begins["A out"] - begins["B out"]));
        Assert.True(begins["C look"] < 100);
        begins = Begins(DayPlan.Of(jobs, [Ines, Tam], House));
        // Whether C is looked at before the second is opened or after it comes to the same.
        Assert.True(Math.Abs(begins["A out"] - begins["B out"]) <= 20);
    }

    [Fact]
    public void WhatStandsOpen_KeepsItsPlace_UntilItIsShut_UnlessAPartIsWaitedFor()
    {
        var stands = Job("A", [Open("in", 30)]) with { Ready = 60, IsOpen = true };
        var other = Job("B", [Open("out", 30)], promise: 30);
        Assert.Equal((60.0, 90.0), At(stands, other));
        // It waits for a part: shut and set aside, it holds no place.
        Assert.Equal((60.0, 0.0), At(stands with { IsOthers = true }, other));
        Assert.Equal((60.0, 0.0), At(stands with { IsOpen = false }, other));

        static (double, double) At(DayJob a, DayJob b)
        {
            var begins = Begins(DayPlan.Of([a, b], [Ines], OnePlace));
            return (begins["A in"], begins["B out"]);
        }
    }

    [Fact]
    public void WhoHasThePlace_IsSaidOfWhatWaitsForOne_AndOfNothingElse()
    {
        string Says(DayNumbers numbers, params DayJob[] jobs) => DayWords.NoPlace(DayPlan.Of(jobs, [Ines, Tam], numbers), 0, numbers);
        var (waits, stands) = (Job("A", [Open("out", 30)]), Job("B", [Open("in", 30)]) with { Ready = 60, IsOpen = true });
        Assert.Equal("no place free: B open", Says(OnePlace, waits, stands));
        Assert.Equal("", Says(House, waits, stands));
        Assert.Equal("", Says(House with { Corners = 2 }, waits, stands));
        // Shut for a part, or opened as soon as it is ready: nothing waits for a place.
        Assert.Equal("", Says(OnePlace, waits, stands with { IsOthers = true }));
        Assert.Equal("", Says(OnePlace, waits with { Ready = 200 }, stands));
        Assert.Equal("", Says(OnePlace, Job("A", [new("look", 30)]), stands));
        // It stands open itself, and waits for hands alone.
        var on = Job("C", [Open("c", 90)]) with
        {
            IsOn = true,
            Hand = 0,
        };
        Assert.Equal("", Says(OnePlace, waits with { IsOpen = true, Hand = 0 }, on));
        Assert.Equal("no place free: C open", Says(OnePlace, waits with { Hand = 0 }, on));
        // With two places, two that stand open.
        Assert.Equal("no place free: B, C open", Says(House with { Corners = 2 }, waits, stands, stands with { Name = "C" }));
    }

    [Fact]
    public void WhileAPartIsWaitedFor_NoPlaceIsHeld()
    {
        var part = new DayPiece("order", 5, 120) { IsOthers = true };
        DayJob[] jobs = [Job("A", [Open("look", 20), part, Open("mend", 20)]), Job("B", [Open("clean", 60)])];
        var begins = Begins(DayPlan.Of(jobs, [Ines], OnePlace));
        Assert.Equal((0.0, 20.0, 25.0, 145.0), (begins["A look"], begins["A order"], begins["B clean"], begins["A mend"]));
    }

    [Fact]
    public void NeverMoreStandOpen_ThanThereArePlaces()
    {
        var chance = new Random(31);
        for (var round = 0; round < 40; round++)
        {
            var numbers = House with { Corners = 1 + chance.Next(3) };
            List<DayJob> jobs =
            [
                .. Enumerable
                    .Range(0, 7)
                    .Select(i =>
                        Job(
                            $"{i}",
                            [
                                .. Enumerable
                                    .Range(0, 1 + chance.Next(4))
                                    .Select(k =>
                                        chance.Next(2) == 0
                                            ? Open($"{k}", 5 + chance.Next(40), chance.Next(60))
                                            : new DayPiece($"{k}", 5 + chance.Next(40))
                                    ),
                            ]
                        )
                    ),
            ];
            var plan = DayPlan.Of(jobs, [Ines, Tam], numbers);
            List<(double From, double To)> open =
            [
                .. plan
                    .Pieces.Where(p => p.Hand >= 0 && p.Piece.Tags.Contains(House.OpenTag))
                    .GroupBy(p => p.Job)
                    .Select(g => (g.Min(p => p.From), g.Max(p => p.To + p.Piece.Wait))),
            ];
            Assert.All(open, o => Assert.True(open.Count(p => p.From <= o.From && p.To > o.From + 1e-6) <= numbers.Corners));
        }
    }

    [Fact]
    public void SmellyWork_IsDoneInItsHours_OtherWorkBeforeIt()
    {
        var smells = new DayPiece("soak", 15) { Tags = [House.AiredTags[0]] };
        DayJob[] jobs = [Job("A", [smells]), Job("B", [new("look", 30)])];
        Assert.Equal(300, Begins(DayPlan.Of(jobs, [Ines with { Aired = [(300, 400)] }], House))["A soak"]);
        Assert.Equal(0, Begins(DayPlan.Of(jobs, [Ines with { Aired = [(300, 400)] }], House))["B look"]);
        // No such hours left in these days: no hands have it, and the others do not wait.
        Assert.Equal(-1, DayPlan.Of(jobs, [Ines with { Aired = [] }], House).Pieces.Single(p => p.Job == 0).Hand);
    }

    [Fact]
    public void WorkThatSomebodyLeaves_IsDoneByAnother_OrByNobody_WhichIsSaid()
    {
        var resets = House.Kinds.Single(k => k.Id == "resets");
        var apprentice = Tam with { Barred = resets.Tags.ToHashSet() };
        DayJob[] jobs = [Job("A", [new DayPiece("reset", 10) { Tags = [resets.Tags[0]] }]), Job("B", [new("look", 30)])];
        var plan = DayPlan.Of(jobs, [apprentice, Ines with { Spans = [(100, 200)] }], House);
        Assert.Equal(("Ines", 100.0), (plan.Hands[plan.Pieces.Single(p => p.Job == 0).Hand].Name, Begins(plan)["A reset"]));
        Assert.Equal("", DayWords.NobodyDoes(plan));
        plan = DayPlan.Of(jobs, [apprentice], House);
        Assert.Equal("Nobody here does “reset” on A: see Hours.", DayWords.NobodyDoes(plan));
        Assert.Equal(0, Begins(plan)["B look"]);
    }

    [Fact]
    public void RulesAreOfTheLinesThatStand_TheLastOneCounts()
    {
        Entry[] lines =
        [
            TestShop.Line(1, Said(DayRule.Corners, 0, "3")),
            TestShop.Line(2, Said(DayRule.Aired, 0, "10:00-12:00")),
            TestShop.Line(3, Said(DayRule.Leaves, 2, "for-good resets")),
            TestShop.Line(4, Said(DayRule.Corners, 0, "2")),
        ];
        var rules = DayRules.Of(lines, House);
        Assert.Equal((2, new TimeOnly(10, 0)), (rules.Corners, rules.Aired.Single().From));
        Assert.Contains("chip-reset", rules.Barred(2, House));
        Assert.Empty(rules.Barred(1, House));
        Assert.Equal("resets", Assert.Single(rules.LeftTo(2, ["opens", "counter-reset"], House)).Id);
        Assert.Empty(rules.LeftTo(2, ["opens"], House));
        // Let go again: he does all work.
        Assert.Empty(DayRules.Of([.. lines, TestShop.Line(5, Said(DayRule.Leaves, 2, ""))], House).Barred(2, House));
    }

    [Theory]
    [InlineData(DayRule.Corners, 0, null, "three", "no-places")]
    [InlineData(DayRule.Corners, 0, null, "100", "no-places")]
    [InlineData(DayRule.Aired, 0, null, "12-10", "no-hours")]
    [InlineData(DayRule.Leaves, 9, null, "resets", "no-such-person")]
    [InlineData(DayRule.Leaves, 2, "Tam", "resets poetry", "no-such-work")]
    [InlineData(null, 0, null, "1", "missing")]
    public void WhatIsNoRule_IsSaidSo(DayRule? rule, long of, string? name, string value, string code) =>
        Assert.Equal(code, Assert.Single(DayKeeping.Rule(rule, of, name, value, House).Problems).Code.Id);

    [Fact]
    public void APieceIsNotGiven_ToSomebodyWhoLeavesSuchWork_ButIsLetGo()
    {
        var state = HouseCrafts.Fold(TestShop.Opened(TestShop.Intake("marram-duo", "not-recognised")));
        var kind = House.Kinds[0];
        var refused = DayKeeping.Pin(state, 2, "Tam", null, false, kind, DateTimeOffset.UnixEpoch);
        Assert.Equal("left-to-others", Assert.Single(refused.Problems).Code.Id);
        Assert.True(DayKeeping.Pin(state, 2, "Tam", null, false, null, DateTimeOffset.UnixEpoch).IsGood);
        Assert.True(DayKeeping.Pin(state, 2, "Tam", null, true, kind, DateTimeOffset.UnixEpoch).IsGood);
    }

    private static DayRuleSet Said(DayRule rule, long of, string value) =>
        (DayRuleSet)Assert.Single(DayKeeping.Rule(rule, of, "Tam", value, House).Value);

    private static Dictionary<string, double> Begins(DayPlan plan) =>
        plan.Pieces.ToDictionary(p => $"{plan.Jobs[p.Job].Name} {p.Piece.Says}", p => p.From);

    private static DayPiece Open(string says, double hands, double wait = 0) => new(says, hands, wait) { Tags = [House.OpenTag] };

    private static DayJob Job(string name, IReadOnlyList<DayPiece> pieces, double? promise = null) =>
        new(name[0], name, 0, null, promise, [new DayWay(1, pieces)]);
}
