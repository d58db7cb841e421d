using SideBench.Core.Ink;
using SideBench.Core.Simulation.Slots;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>What is really in a slot: by hand, by what must always hold, and against made-up slots whose truth is known.</summary>
public class SlotLedgerTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
    private static readonly InkNumbers Numbers = TestShop.Shop.Numbers.Of<InkNumbers>();
    private static readonly InkNumbers Exact = Numbers with { Noise = new SlotNoise(0, 0, 0, 1e-6, 0, 0) };

    private static SlotEstimate Of(InkNumbers numbers, params SlotEvent[] events) =>
        SlotLedger.Of(new SlotHistory(220, 175, 12, 214, 1.06, events), numbers, At(100)).Value;

    private static DateTimeOffset At(double day) => Start.AddDays(day);

    [Fact]
    public void Nothing_IsKnown_BeforeAnyFill()
    {
        var said = Of(Numbers);
        Assert.Equal(87.5, said.Ink.Best, 0.5);
        Assert.Equal(8.75, said.Ink.Low, 0.5);
        Assert.Equal(166.25, said.Ink.High, 0.5);
        Assert.Null(said.ChipPct);
        Assert.Null(said.DryAt);
    }

    // 175 in, 50 points of 220 ml counted: 110 used, 65 left; dry 53 ml further, at 50 − 53/2.2.
    [Fact]
    public void Fill_AndTheFallOfTheChip_LeaveWhatIsLeft()
    {
        var said = Of(Exact, new SlotEvent.Swapped(At(0), 175, 100), new SlotEvent.ChipRead(At(10), 51));
        Assert.Equal(175 - (2.2 * 49.5), said.Ink.Best, 0.3);
        Assert.InRange(said.Ink.High - said.Ink.Low, 1, 2.2);
        Assert.Equal(50.5 - ((said.Ink.Best - 12) / 2.2), said.DryAt!.Value.Best, 0.3);
        Assert.Equal(175 - said.Ink.Best, said.AddMl.Best, 6);
        Assert.Equal(said.DryAt.Value.High, said.LatestTopUpPct);
        Assert.Null(said.AirSince);
    }

    [Fact]
    public void Reset_ChangesTheCount_AndNeverTheInk()
    {
        SlotEvent[] before = [new SlotEvent.Swapped(At(0), 175, 100), new SlotEvent.ChipRead(At(10), 60)];
        var (one, two) = (Of(Numbers, before), Of(Numbers, [.. before, new SlotEvent.Reset(At(11), 100)]));
        Assert.Equal(one.Ink, two.Ink);
        Assert.Equal((59.5, 100), (Math.Round(one.ChipPct!.Value, 1), two.ChipPct));
        Assert.Equal(40.5, two.DryAt!.Value.Best - one.DryAt!.Value.Best, 1);
    }

    [Fact]
    public void Weighing_BeatsTheChip_AndTeachesTheFactorOfThisSlot()
    {
        SlotEvent[] before = [new SlotEvent.Filled(At(0), null), new SlotEvent.Reset(At(0), 100), new SlotEvent.ChipRead(At(10), 40)];
        var chip = Of(Numbers, before);
        // Ten ml less than the chip says.
        var both = Of(Numbers, [.. before, new SlotEvent.Weighed(At(10), 214 + (1.06 * (chip.Ink.Best - 10)))]);
        Assert.InRange(both.Ink.Best, chip.Ink.Best - 10, chip.Ink.Best - 9);
        Assert.True(both.Ink.High - both.Ink.Low < (chip.Ink.High - chip.Ink.Low) / 3);
        Assert.InRange(both.CountFactor.Best, 1.03, 1.1);
        Assert.True(both.DryAt!.Value.Best > chip.DryAt!.Value.Best);
    }

    [Fact]
    public void Weighing_TellsWhatIsInASlotNobodyFilled()
    {
        var said = Of(Numbers, new SlotEvent.Weighed(At(0), 214 + 106));
        Assert.Equal(100, said.Ink.Best, 0.5);
        Assert.Equal(2 * 1.645 * Math.Sqrt(1.44 + 0.25) / 1.06, said.Ink.High - said.Ink.Low, 0.3);
    }

    [Fact]
    public void Poured_IsAdded_ButNotAboveWhatFits()
    {
        var said = Of(Numbers, new SlotEvent.Swapped(At(0), 100, 100), new SlotEvent.Filled(At(1), 50));
        Assert.Equal(150, said.Ink.Best, 6);
        Assert.Equal(2 * 1.645 * Math.Sqrt(16 + 4), said.Ink.High - said.Ink.Low, 0.01);
        var over = Of(Numbers, new SlotEvent.Swapped(At(0), 150, 100), new SlotEvent.Filled(At(1), 90));
        Assert.InRange(over.Ink.High, 175, 175 * 1.06);
        Assert.Equal("More went in than fits.", Assert.Single(over.Doubts).Says);
    }

    // 163 ml above the reserve over 220: dry at 25.9 %; the chip is read at 40 on day 30 and at 10 on day 60.
    [Fact]
    public void Air_IsInSinceTheDryPointWasPassed_UntilItIsFilled()
    {
        SlotEvent[] passed =
        [
            new SlotEvent.Swapped(At(0), 175, 100),
            new SlotEvent.ChipRead(At(30), 40),
            new SlotEvent.ChipRead(At(60), 10),
        ];
        var said = Of(Numbers, passed);
        Assert.InRange((said.AirSince!.Value - At(30)).TotalDays, 12, 16);
        Assert.True(said.DryAt!.Value.Best > said.ChipPct);
        Assert.Null(Of(Numbers, [.. passed, new SlotEvent.Filled(At(61), null)]).AirSince);
    }

    // 44 ml at day 30, weighed at 2 on day 60: 32 of those 42 were above the reserve. The chip was not read, and says nothing of it.
    [Fact]
    public void Air_IsDatedByTheScaleAlone_WhereTheChipWasNotRead()
    {
        var said = Of(
            Numbers,
            new SlotEvent.Swapped(At(0), 175, 100),
            new SlotEvent.ChipRead(At(30), 40),
            new SlotEvent.Weighed(At(60), 214 + (1.06 * 2))
        );
        Assert.InRange((said.AirSince!.Value - At(30)).TotalDays, 21, 25);
    }

    [Fact]
    public void Warning_WaitsLonger_OnceThePieceWasWeighedTwice()
    {
        SlotEvent[] once = [new SlotEvent.Swapped(At(0), 175, 100), new SlotEvent.ChipRead(At(5), 80), new SlotEvent.Weighed(At(5), 357)];
        SlotEvent[] twice = [.. once, new SlotEvent.ChipRead(At(9), 60), new SlotEvent.Weighed(At(9), 311)];
        double Warns(SlotEvent[] events, double share, double weighed) =>
            Of(Numbers with { Rules = Numbers.Rules with { WarnShare = share, WarnShareWeighed = weighed } }, events).WarnAtPct!.Value;
        Assert.Equal(Warns(once, 0.95, 0.95), Warns(once, 0.95, 0.6));
        Assert.Equal(Warns(twice, 0.6, 0.6), Warns(twice, 0.95, 0.6));
        Assert.True(Warns(twice, 0.95, 0.6) < Warns(twice, 0.95, 0.95));
        // Another piece was weighed by nobody yet.
        Assert.NotEqual(
            Warns([.. twice, new SlotEvent.Swapped(At(12), 175, 100)], 0.6, 0.6),
            Warns([.. twice, new SlotEvent.Swapped(At(12), 175, 100)], 0.95, 0.6)
        );
    }

    [Fact]
    public void Spent_IsCountedOnce_WhetherAReadingCoversItOrNot()
    {
        SlotEvent[] begin = [new SlotEvent.Swapped(At(0), 175, 100)];
        var told = Of(Numbers, [.. begin, new SlotEvent.Spent(At(5), 44)]);
        Assert.Equal((131, 80), (Math.Round(told.Ink.Best), told.ChipPct));
        var read = Of(Numbers, [.. begin, new SlotEvent.Spent(At(5), 44), new SlotEvent.ChipRead(At(9), 80)]);
        Assert.Equal(175 - (2.2 * 20.5), read.Ink.Best, 0.5);
    }

    [Fact]
    public void Order_IsByTime_AndWhatComesLaterIsNotLookedAt()
    {
        SlotEvent[] told = [new SlotEvent.Swapped(At(0), 175, 100), new SlotEvent.ChipRead(At(10), 60), new SlotEvent.Filled(At(20), 40)];
        Assert.Equal(Of(Numbers, told).Ink, Of(Numbers, [.. told.Reverse(), new SlotEvent.Weighed(At(101), 300)]).Ink);
    }

    [Fact]
    public void Strange_IsKeptWithADoubt_AndWidensTheBand_AndWhatCannotBeIsRefused()
    {
        SlotEvent[] before = [new SlotEvent.Swapped(At(0), 175, 100), new SlotEvent.ChipRead(At(10), 60)];
        var rose = Of(Numbers, [.. before, new SlotEvent.ChipRead(At(11), 90)]);
        Assert.Equal((2, "The chip rose without a reset."), Assert.Single(rose.Doubts));
        Assert.True(rose.Ink.High - rose.Ink.Low > 60);
        var light = Of(Numbers, [.. before, new SlotEvent.Weighed(At(11), 212)]);
        Assert.Equal((2, "It is lighter than such a piece is empty."), Assert.Single(light.Doubts));
        var far = Of(Numbers, [.. before, new SlotEvent.Weighed(At(11), 420)]);
        Assert.Equal((2, "It is far from what the other witnesses say."), Assert.Single(far.Doubts));
        SlotEvent[] much = [.. before, new SlotEvent.Spent(At(12), 150)];
        Assert.Equal((2, "More was spent than the chip had left."), Assert.Single(Of(Numbers, much).Doubts));
        Assert.Equal(
            (2, "More was spent than the chip then counted."),
            Assert.Single(Of(Numbers, [.. much, new SlotEvent.ChipRead(At(13), 50)]).Doubts)
        );
        var refused = SlotLedger.Of(new SlotHistory(220, 175, 12, 214, 1.06, [new SlotEvent.Weighed(At(0), 208)]), Numbers, At(1));
        Assert.Equal((InkProblem.LighterThanEmpty, "/events/0/g"), (refused.Problems[0].Code, refused.Problems[0].Path));
    }

    [Fact]
    public void MoreInk_IsNeverLess()
    {
        var last = 0.0;
        for (var ml = 0; ml <= 120; ml += 10)
        {
            var said = Of(
                Numbers,
                new SlotEvent.Swapped(At(0), 100, 100),
                new SlotEvent.ChipRead(At(3), 80),
                new SlotEvent.Filled(At(4), ml)
            );
            Assert.True(said.Ink.Best >= last);
            last = said.Ink.Best;
        }
    }

    [Fact]
    [Trait("Pace", "slow")]
    public void Band_HoldsNineOfTen_ByKind_AndAfterEachKindOfEvent()
    {
        var all = Enumerable
            .Range(0, 4000)
            .Select(i => SlotTrial.Of(SlotTrial.Kinds[i % SlotTrial.Kinds.Count], Numbers, 7000 + i))
            .ToList();
        Assert.InRange(all.Average(o => o.IsWithin ? 1.0 : 0), 0.88, 0.92);
        foreach (var group in all.GroupBy(o => o.Kind).Concat(all.GroupBy(o => o.Last)).Where(g => g.Count() >= 100))
        {
            var three = 3 * Math.Sqrt(0.09 / group.Count());
            Assert.InRange(group.Average(o => o.IsWithin ? 1.0 : 0), 0.9 - three, 0.9 + three);
        }
    }
}
