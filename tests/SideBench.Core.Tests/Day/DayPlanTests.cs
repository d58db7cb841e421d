using SideBench.Core.Day;
using Xunit;

namespace SideBench.Core.Tests.Day;

/// <summary>The plan of the day: hand-worked days, properties of any day, and small days against all orders there are.</summary>
public class DayPlanTests
{
    // Ways between machines have days of their own below.
    private static readonly DayNumbers House = TestShop.Shop.Numbers.Of<DayNumbers>() with { WalkMin = 0 };
    private static readonly DayNumbers Walking = House with { WalkMin = 3 };
    private static readonly DayHand Ines = new(1, "Ines", [(0, 240), (270, 540)]);
    private static readonly DayHand Tam = new(2, "Tam", [(0, 240), (270, 540)]);

    [Fact]
    public void WhileOneRests_TheOtherIsWorkedOn()
    {
        var plan = Plan([Job("A", [new("clean", 10, 60), new("sheet", 10)]), Job("B", [new("look", 40)])], Ines);
        Assert.Equal([("clean", 0.0), ("look", 10.0), ("sheet", 70.0)], plan.Pieces.Select(p => (p.Piece.Says, p.From)));
    }

    [Fact]
    public void FromOneMachineToAnother_ItTakesItsMinutes_AndNoneOnTheSameOne()
    {
        double[] Begins(params DayJob[] jobs) => [.. DayPlan.Of(jobs, [Ines], Walking).Pieces.Select(p => p.From)];
        Assert.Equal([0.0, 20, 33], Begins(Job("A", [new("look", 20), new("mend", 10)], promise: 30), Job("B", [new("b", 5)])));
        // Ten minutes between two pieces of A have room for four and both ways, and none for five.
        DayJob Rests(double wait) => Job("A", [new("clean", 10, wait), new("sheet", 5)], promise: 15 + wait);
        Assert.Equal([0.0, 13, 20], Begins(Rests(10), Job("B", [new("b", 4)])));
        Assert.Equal([0.0, 20, 28], Begins(Rests(10), Job("B", [new("b", 5)])));
        // Hands that were idle meanwhile have walked already.
        Assert.Equal([0.0, 10], Begins(Job("A", [new("a", 5)]), Job("B", [new("b", 5)]) with { Ready = 10 }));
    }

    [Fact]
    public void WhatIsPromised_ComesBeforeWhatIsNot_AndLatestEndsBeforePromises()
    {
        var plan = Plan([Job("A", [new("a", 60)]), Job("B", [new("b", 60)], promise: 60)], Ines);
        Assert.Equal(["b", "a"], plan.Pieces.Select(p => p.Piece.Says));
        // A soak that must be ended within the half hour is ended, though the promise of the other is broken by it.
        plan = Plan([Job("A", [new("a", 60)], latest: 30), Job("B", [new("b", 60)], promise: 60)], Ines);
        Assert.Equal(["a", "b"], plan.Pieces.Select(p => p.Piece.Says));
        // An hour late by the book, and by what others take of two hours.
        Assert.Equal((0.0, 0.0), (plan.Pieces.Sum(p => p.Overrun), plan.Cost.Overrun));
        Assert.Equal(60 + (House.OthersShare * 120), plan.Cost.Late, 6);
    }

    [Fact]
    public void ASoakWhoseOwnWorkMayRunOver_IsBegunOnlyWhereItsEndHasRoomThenToo()
    {
        var day = new DayHand(1, "Ines", [(0, 100), (900, 1380)]);
        DayJob[] soak = [Job("A", [new("soak", 10, 60, 70), new("flush", 20)])];
        // By the book it is flushed by 90; ten minutes that take 25, as 1 in 200 does, leave no room before closing.
        Assert.Equal(0, DayPlan.Of(soak, [day], House with { LongSd = 0 }).Pieces[0].From);
        Assert.Equal(900, DayPlan.Of(soak, [day], House).Pieces[0].From);
        // With ten minutes more until closing it is begun today.
        Assert.Equal(0, DayPlan.Of(soak, [day with { Spans = [(0, 110), (900, 1380)] }], House).Pieces[0].From);
    }

    [Fact]
    public void BehindLongWork_ALatestEndIsCrowded_ThoughByTheBookThereIsRoom()
    {
        double Crowded(double before, double latest, params (double, double)[] spans)
        {
            DayJob[] jobs = [Job("A", [new("a", before)]) with { IsOn = true, Hand = 0 }, Job("B", [new("b", 10)], latest: latest)];
            return DayPlan.Of(jobs, [spans.Length > 0 ? Ines with { Spans = spans } : Ines], House).Cost.Overrun;
        }

        // An hour may take e^(2.6 × 0.35) = 2.48 times as long: 89 min more.
        Assert.Equal(House.CrowdWeight * (60 + 89.06 - 100), Crowded(60, 100), 1);
        Assert.Equal(0, Crowded(60, 150));
        Assert.Equal(0, Crowded(20, 100));
        // Before closing its ten minutes must fit: begun after 90 of 100 it would wait for the morning. 40 min may take 59.36 more.
        Assert.Equal(House.CrowdWeight * (59.36 - 50), Crowded(40, 200, (0, 100), (900, 1380)), 2);
        Assert.Equal(0, Crowded(40, 200, (0, 110), (900, 1380)));
        Assert.Equal(0, Crowded(40, 920, (0, 100), (900, 1380)), 2);
        // A break takes none of the delay: ten minutes before it and twenty after it are left.
        Assert.Equal(House.CrowdWeight * (59.36 - 30), Crowded(40, 100, (0, 50), (80, 1380)), 2);
    }

    [Fact]
    public void ShortlyBeforeClosing_ASoakIsEndedFirst_ThoughByTheBookBothWouldFit()
    {
        DayHand late = new(1, "Ines", [(0, 75), (900, 1380)]);
        DayJob[] jobs = [Job("A", [new("proof", 30)], promise: 35), Job("B", [new("flush", 20)], latest: 90)];
        Assert.Equal(["flush", "proof"], DayPlan.Of(jobs, [late], House).Pieces.Select(p => p.Piece.Says));
        Assert.Equal(["proof", "flush"], DayPlan.Of(jobs, [Ines], House).Pieces.Select(p => p.Piece.Says));
    }

    [Fact]
    public void WorkBeforeItOnTheSameHands_PutsAnEndOff_ItsOwnOnce()
    {
        double Late(double promise, params DayJob[] before) =>
            DayPlan.Of([Job("A", [new("a", 60), new("b", 10)], promise: promise), .. before], [Ines], House).Cost.Late;
        // 0.35 of 60 and of 10 min are 21.3 together; of seven lives three run over, by 0.366, 0.792 and 1.465 of it: 8.0 in the mean.
        Assert.Equal(8.0, Late(70 * (1 + House.OthersShare)), 1);
        // Behind 40 min of others' work it is 25.5, and 9.5.
        var on = Job("B", [new("c", 40)]) with
        {
            IsOn = true,
            Hand = 0,
        };
        Assert.Equal(9.5, Late(110 * (1 + House.OthersShare), on), 1);
    }

    [Fact]
    public void WhatMayRunPastClosing_IsPricedByTheNight()
    {
        double Late(double closes) =>
            DayPlan
                .Of([Job("A", [new("a", 100)], promise: closes + 1)], [Ines with { Spans = [(0, closes), (1000, 1400)] }], House)
                .Cost.Late;
        // Of seven lives of a hundred minutes four end after 105, with what others take: on the next morning. After 240 none does.
        Assert.InRange(Late(105), 300, 900);
        Assert.Equal(0, Late(240));
    }

    [Fact]
    public void ASoakThatCouldNotBeEndedToday_IsBegunTomorrow_NotToday()
    {
        // Closing is in an hour; the soak needs 30 min of hands, an hour at least and two at most.
        var late = new DayHand(1, "Ines", [(0, 60), (900, 1380)]);
        var plan = Plan([Job("A", [new("soak", 30, 60, 60), new("flush", 20)])], late);
        Assert.Equal([900.0, 990.0], plan.Pieces.Select(p => p.From));
        // Over lunch it would run past its end: it begins so that hands are there in time.
        var lunch = new DayHand(1, "Ines", [(0, 50), (100, 300)]);
        plan = DayPlan.Of([Job("A", [new("soak", 10, 20, 30), new("flush", 30)])], [lunch], House with { OverBreakMin = 0 });
        Assert.Equal(100, plan.Pieces[0].From);
        Assert.InRange(plan.Pieces[1].From - plan.Pieces[0].To, 20, 30);
        // Where work may go on after lunch it is begun before, and ended in time.
        Assert.Equal(0, Plan([Job("A", [new("soak", 10, 20, 30), new("flush", 30)])], lunch).Pieces[0].From);
    }

    [Fact]
    public void WhatHandsAreOn_IsNotMoved_AndAPinIsKept()
    {
        var on = Job("A", [new("a", 50)]) with { IsOn = true, Hand = 0 };
        var plan = Plan([Job("B", [new("b", 20)], promise: 20), on], Ines);
        Assert.Equal(("a", 0.0), (plan.Pieces[0].Piece.Says, plan.Pieces[0].From));
        var pinned = Job("C", [new("c", 30)]) with { At = 100, Hand = 1 };
        plan = Plan([pinned, Job("D", [new("d", 200)])], Ines, Tam);
        var of = plan.Pieces.Single(p => p.Piece.Says == "c");
        Assert.Equal((1, 100.0), (of.Hand, of.From));
        // Two things at once on one pair of hands: the second one waits for the first.
        plan = Plan([pinned with { Hand = 0 }, Job("E", [new("e", 30)]) with { At = 100, Hand = 0 }], Ines);
        Assert.Equal([100.0, 130.0], plan.Pieces.Select(p => p.From));
    }

    [Fact]
    public void NoHoursLeft_OrNoHandsAtAll_IsSaid_NotHidden()
    {
        var plan = Plan([Job("A", [new("a", 60)], promise: 30)], new DayHand(1, "Ines", []));
        Assert.Equal(-1, plan.Pieces.Single().Hand);
        Assert.True(plan.Cost.Late > 0);
        plan = Plan([Job("A", [new("a", 60)])], new DayHand(1, "Ines", [(0, 30)]), Tam with { Spans = [(0, 90)] });
        Assert.Equal(1, plan.Pieces.Single().Hand);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(7)]
    [InlineData(8)]
    public void ASmallDay_IsAsGoodAsTheBestOfAllOrders(int seed)
    {
        var chance = new Random(seed);
        List<DayJob> jobs = [.. Enumerable.Range(0, 4).Select(i => Drawn(chance, i, 2))];
        List<DayHand> hands = [Ines, .. seed % 2 == 0 ? [Tam] : Array.Empty<DayHand>()];
        List<IReadOnlyList<DayPiece>> ways = [.. jobs.Select(j => j.Ways[0].Pieces)];
        var placing = new DayPlacing(jobs, hands, ways, Walking);
        var pricing = new DayPricing(jobs, hands, ways, Walking);
        var best = Orders([.. ways.Select(w => DayPlacing.Groups(w, Walking).Count - 1)]).Min(o => pricing.Cost(placing.Lay(o)));
        var plan = DayPlan.Of(jobs, hands, Walking);
        Assert.True(plan.Cost.CompareTo(best) <= 0, $"{plan.Cost} against {best}");
    }

    [Theory]
    [InlineData(11)]
    [InlineData(12)]
    [InlineData(13)]
    public void AnyPlan_KeepsHandsHoursAndOrder(int seed)
    {
        var chance = new Random(seed);
        List<DayJob> jobs = [.. Enumerable.Range(0, 14).Select(i => Drawn(chance, i, 5))];
        var plan = DayPlan.Of(jobs, [Ines, Tam], Walking);
        Assert.Equal(jobs.Sum(j => j.Ways[0].Pieces.Count), plan.Pieces.Count);
        foreach (var of in plan.Pieces.Where(p => p.Hand >= 0).GroupBy(p => p.Hand))
        {
            var mine = of.OrderBy(p => p.From).ToList();
            Assert.All(
                mine.Zip(mine.Skip(1)),
                z => Assert.True(z.First.To + (z.First.Job == z.Second.Job ? 0 : Walking.WalkMin) <= z.Second.From + 1e-6)
            );
            Assert.All(mine, p => Assert.Contains(plan.Hands[p.Hand].Spans, s => p.From >= s.From - 1e-6 && p.From < s.To));
            // Over the break of half an hour it takes that much longer, and no piece is cut short.
            Assert.All(mine, p => Assert.Equal(p.Piece.Hands + (p.From < 240 && p.To > 240 ? 30 : 0), p.To - p.From, 6));
        }

        foreach (var of in plan.Pieces.GroupBy(p => p.Job))
        {
            var way = of.OrderBy(p => p.Number).ToList();
            Assert.True(way[0].From >= jobs[of.Key].Ready - 1e-6);
            Assert.All(
                way.Zip(way.Skip(1)),
                z =>
                {
                    Assert.True(z.Second.From >= z.First.To + z.First.Piece.Wait - 1e-6);
                    // Nothing is begun that cannot be ended in time.
                    if (z.First.Piece.MostWait is { } most && z.Second.Hand >= 0)
                        Assert.True(z.Second.From <= z.First.To + most + 1e-6);
                }
            );
        }

        // The same jobs, the same plan.
        Assert.Equal(plan.Pieces, DayPlan.Of(jobs, [Ines, Tam], Walking).Pieces);
        // No plain order is better than what was found.
        List<IReadOnlyList<DayPiece>> ways = [.. jobs.Select(j => j.Ways[0].Pieces)];
        var placing = new DayPlacing(jobs, [Ines, Tam], ways, Walking);
        var pricing = new DayPricing(jobs, [Ines, Tam], ways, Walking);
        List<int> groups = [.. ways.Select(w => DayPlacing.Groups(w, Walking).Count - 1)];
        Assert.All(DayPlan.Begins(jobs, ways, groups), o => Assert.True(plan.Cost.CompareTo(pricing.Cost(placing.Lay(o))) <= 0));
    }

    [Fact]
    public void Chances_AreThoseOfTheWays_AndOfTheMinutes()
    {
        // Three ways: half the time 30 min, a third 60, else 200.
        var job = Job("A", []) with
        {
            Promise = 100,
            Ways = [new(0.5, [new("a", 30)]), new(1 / 3.0, [new("b", 60)]), new(1 / 6.0, [new("c", 200)])],
        };
        var exact = House with { MinutesSd = 0, OthersShare = 0, Draws = 3000 };
        var end = DayChances.Of(DayPlan.Of([job], [Ines], exact), exact).Single();
        Assert.Equal(5 / 6.0, end.Kept!.Value, 1.5e-2);
        Assert.Equal((30.0, 200.0), (end.Early, end.Late));
        Assert.True(end.Likely is 30 or 60);
        // What is longer than any span goes over the break.
        var whole = Plan([Job("A", [new("a", 300)])], Ines).Pieces.Single();
        Assert.Equal((0.0, 330.0), (whole.From, whole.To));
        // One way of 100 min whose minutes differ: half the time by then, and wider with more spread.
        var one = Job("B", [new("b", 100)]) with
        {
            Promise = 100,
        };
        var wide = House with { MinutesSd = 0.4, OthersShare = 0, Draws = 3000 };
        var drawn = DayChances.Of(DayPlan.Of([one], [Ines with { Spans = [(0, 1e5)] }], wide), wide).Single();
        Assert.InRange(drawn.Kept!.Value, 0.47, 0.53);
        Assert.Equal(100 * Math.Exp(0.4 * 1.2816), drawn.Late, 4.0);
    }

    [Fact]
    public void WhatIsNotHereYet_TakesItsShareOfTheHands()
    {
        // 90 min of work in a span of 100, promised for its end: of another tenth that is taken somewhere, half the lives lose too much.
        var job = Job("A", [new("a", 90)], promise: 100);
        var exact = House with { MinutesSd = 0, OthersShare = 0.1, Draws = 3000 };
        var day = Ines with { Spans = [(0, 100), (1000, 1100)] };
        Assert.InRange(DayChances.Of(DayPlan.Of([job], [day], exact), exact).Single().Kept!.Value, 0.4, 0.6);
        var alone = exact with { OthersShare = 0 };
        Assert.Equal(1, DayChances.Of(DayPlan.Of([job], [day], alone), alone).Single().Kept);
    }

    [Fact]
    public void WhatNothingPresses_MayStandOpenOverANight_AndWhatHasALatestEndMayNot()
    {
        // Ten minutes are left today. A mend is begun and ended tomorrow; a soak that must be flushed within the hour waits for tomorrow.
        var today = Ines with
        {
            Spans = [(0, 10), (900, 1300)],
        };
        var mend = Plan([Job("A", [new("mend", 40)])], today).Pieces.Single();
        Assert.Equal((0.0, 930.0), (mend.From, mend.To));
        var soak = Plan([Job("B", [new("soak", 5, 30, 60), new("flush", 10)])], today).Pieces;
        Assert.Equal(900, soak[0].From);
    }

    [Fact]
    public void APin_SaysWhatItWouldCost_BeforeItIsSaid()
    {
        // Two of an hour on one pair of hands, both promised for two hours and a little: the first set to the second hour harms none,
        // set to an hour later it breaks its own promise, and first place for the other harms none either.
        var exact = House with
        {
            MinutesSd = 0.01,
            OthersShare = 0,
        };
        var plan = DayPlan.Of(
            [Job("A", [new("a", 60)], promise: 130), Job("B", [new("b", 60)], promise: 130)],
            [Ines, Tam with { Spans = [] }],
            exact
        );
        var ends = DayChances.Of(plan, exact);
        PinPrice Price(int job, int? hand, double? at) => PinPrice.Of(plan, ends, job, hand, at, exact);
        var second = Price(0, null, 60);
        Assert.Equal((60.0, 120.0), (second.Begins!.Value, second.Done));
        Assert.Empty(second.Harms);
        var late = Price(0, null, 120);
        Assert.Equal([0], late.Harms.Select(h => h.Job));
        Assert.True(late.Harms.Single().Loses > 0.99);
        // Nobody of that name is there in the days that are planned.
        Assert.Null(Price(1, 1, null).Begins);
    }

    [Fact]
    public void WhatIsSetToATime_IsNotPutOff_ByWhatThePlanBeginsAfterIt()
    {
        // A does not fit before the half hour that is set to 30, though one of its ways has more pieces than the plan.
        var exact = House with
        {
            MinutesSd = 0,
            OthersShare = 0,
        };
        var open = Ines with { Spans = [(0, 1000)] };
        var a = Job("A", []) with { Ways = [new(0.9, [new("a", 40)]), new(0.1, [new("a", 40), new("b", 10), new("c", 10)])] };
        var set = Job("B", [new("b", 30)], promise: 61) with { At = 30 };
        var plan = DayPlan.Of([a, set], [open], exact);
        Assert.Equal([("b", 30.0), ("a", 60.0)], plan.Pieces.Select(p => (p.Piece.Says, p.From)));
        Assert.Equal(1, DayChances.Of(plan, exact)[1].Kept);
    }

    [Fact]
    public void APromise_IsTheFirstStepThatHoldsByTheHousesLevel_AndSaysWhatItHarms()
    {
        List<DayJob> here = [Job("A", [new("a", 120)], promise: 130)];
        var exact = House with { MinutesSd = 0.2 };
        var plan = DayPlan.Of(here, [Ines], exact);
        var before = DayChances.Of(plan, exact);
        var said = DayPromise.Of(plan, Job("new", [new("n", 60)]), [(0, 240), (270, 540)], exact, before);
        Assert.True(said.Offered!.Value.Holds >= 0.9);
        Assert.Equal(0, said.Offered.Value.At % exact.RoundMin);
        Assert.True(said.Offered.Value.At is > 180 and <= 330);
        Assert.Equal([240.0, 540.0], said.Times.Select(t => t.At));
        Assert.True(said.Times[0].Holds <= said.Times[1].Holds);
        Assert.Empty(said.Harms);
        // One that is set to now takes the hands that the other was promised.
        var pressing = Job("new", [new("n", 60)]) with
        {
            At = 0,
        };
        var harm = Assert.Single(DayPromise.Of(plan, pressing, [(0, 240), (270, 540)], exact, before).Harms);
        Assert.Equal(0, harm.Job);
        Assert.Equal(before[0].Kept!.Value, harm.Loses, 0.05);
        // Nobody is here within the days: nothing is offered.
        var empty = DayPlan.Of(here, [Ines with { Spans = [] }], exact);
        Assert.Null(DayPromise.Of(empty, Job("new", [new("n", 60)]), [(0, 240)], exact, before).Offered);
    }

    [Fact]
    public void AWalkIn_SaysWhatItHarms_AndTheFirstGapWhereItHarmsNone()
    {
        var exact = House with { MinutesSd = 0.05 };
        var plan = DayPlan.Of([Job("A", [new("a", 120)], promise: 130), Job("B", [new("b", 30)])], [Ines], exact);
        var ends = DayChances.Of(plan, exact);
        var now = WalkIn.Of(plan, 0, 40, exact);
        Assert.Equal([0], now.Harms.Select(h => h.Job));
        Assert.True(now.Harms[0].Loses > 0.9 * ends[0].Kept!.Value);
        Assert.InRange(now.FirstGap!.Value, 119, 152);
        // Hands come from A first: right after it there would be no room for the way.
        Assert.Equal(123, WalkIn.Of(plan, 0, 40, exact with { WalkMin = 3 }).FirstGap);
        // Where nothing presses it may be now.
        var free = DayPlan.Of([Job("B", [new("b", 30)], promise: 500)], [Ines], exact);
        Assert.Equal(0, WalkIn.Of(free, 0, 40, exact).FirstGap);
    }

    private static DayPlan Plan(IReadOnlyList<DayJob> jobs, params IReadOnlyList<DayHand> hands) => DayPlan.Of(jobs, hands, House);

    private static DayJob Job(string name, IReadOnlyList<DayPiece> pieces, double? promise = null, double? latest = null) =>
        new(name[0], name, 0, latest, promise, [new DayWay(1, pieces)]);

    private static DayJob Drawn(Random chance, int i, int most) =>
        new(
            i + 1,
            $"J{i}",
            chance.Next(3) == 0 ? chance.Next(60) : 0,
            chance.Next(4) == 0 ? 60 + chance.Next(120) : null,
            chance.Next(2) == 0 ? 30 + chance.Next(400) : null,
            [
                new DayWay(
                    1,
                    [
                        .. Enumerable
                            .Range(0, 1 + chance.Next(most))
                            .Select(k =>
                            {
                                var wait = chance.Next(2) == 0 ? 0 : 10 + chance.Next(60);
                                return new DayPiece(
                                    $"J{i}.{k}",
                                    5 + chance.Next(40),
                                    wait,
                                    wait > 0 && chance.Next(3) == 0 ? wait + 60 : null
                                );
                            }),
                    ]
                ),
            ]
        );

    // Every order of the groups, each job's own kept.
    private static IEnumerable<IReadOnlyList<int>> Orders(int[] left)
    {
        if (left.All(n => n == 0))
        {
            yield return [];
            yield break;
        }

        for (var j = 0; j < left.Length; j++)
            if (left[j] > 0)
            {
                var rest = (int[])left.Clone();
                rest[j]--;
                foreach (var order in Orders(rest))
                    yield return [j, .. order];
            }
    }
}
