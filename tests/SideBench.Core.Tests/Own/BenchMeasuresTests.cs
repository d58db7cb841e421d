using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Own;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using Xunit;

namespace SideBench.Core.Tests.Own;

/// <summary>What the record of a machine measured by the way: lines of a bench in, figures out.</summary>
public class BenchMeasuresTests
{
    private static readonly OwnNumbers House = TestShop.Shop.Numbers.Of<OwnNumbers>();
    private static readonly BenchNoise Noise = new(new Dictionary<string, double> { ["dye"] = 1, ["pigment"] = 1 }, 0.1, 1, 0.5);
    private static readonly MachineModel Folio = TestShop.Shop.Models["tolling-folio-3"] with
    {
        Slots = [.. TestShop.Shop.Models["tolling-folio-3"].Slots.Select(s => s with { InkKind = "dye" })],
    };
    private static readonly string Type = Folio.Cartridges[0].Id;

    [Fact]
    public void ACleanBetweenTwoWeighings_TakesWhatTheSlotLost_EachRunItsShare()
    {
        // 3.0 g over two runs at 1 g/ml; two weighings of 0.1 g are 0.14 ml of 3: 8 of 10 within e^(1.28 × 0.047).
        var one = Assert.Single(Measured(Weighed(1, 60), Run("clean-deep"), Run("clean-deep"), Weighed(1, 57)));
        Assert.Equal(("operations/clean-deep/mlPerChannel", 1.5), (one.Pointer, one.Value));
        Assert.Equal(House.MeasuredFactor["ml"], one.Factor);
        Assert.Contains("60 to 57", one.Says, StringComparison.Ordinal);
        // A small loss is told to less: 0.4 of 0.14 is e^(1.28 × 0.354).
        Assert.Equal(1.57, Assert.Single(Measured(Weighed(1, 60), Run("clean-deep"), Weighed(1, 59.6))).Factor, 2);
        // Less than the scale can tell, or more after than before, measures nothing.
        Assert.Empty(Measured(Weighed(1, 60), Run("clean-light"), Weighed(1, 59.8)));
        Assert.Empty(Measured(Weighed(1, 60), Run("clean-deep"), Weighed(1, 60.5)));
    }

    [Fact]
    public void WhatIsMixed_Filled_OrOfAnotherSlot_MeasuresNoClean()
    {
        Assert.Empty(Measured(Weighed(1, 60), Run("clean-deep"), Run("clean-light"), Weighed(1, 57)));
        Assert.Empty(Measured(Weighed(1, 60), Run("clean-deep", 2), Weighed(1, 57)));
        Assert.Single(Measured(Weighed(1, 60), Run("clean-deep", 1), Weighed(1, 57)));
        Assert.DoesNotContain(
            Measured(Weighed(1, 60), Run("clean-deep"), new SlotsFilled([new SlotAmount(1, 5)], 2, 0), Weighed(1, 62)),
            m => m.Pointer.StartsWith("operations", StringComparison.Ordinal)
        );
        // A line that stands between and took ink by itself is reckoned off: a purge of half a ml a channel.
        var beside = new Purged(0.5 * Folio.Slots.Count, 0, 2);
        Assert.Equal(2.5, Assert.Single(Measured(Weighed(1, 60), Run("clean-deep"), beside, Weighed(1, 57))).Value, 9);
    }

    [Fact]
    public void WhatWasPrintedMeanwhile_StandsOnNoLine_SoNothingIsMeasuredOverIt()
    {
        // Weighed at one visit, cleaned and weighed at the next: the customer printed between them; readings of the counter too.
        EntryBody[] first = [Weighed(1, 60), Read(40), Store("renewed", null)];
        EntryBody[] then = [Run("clean-deep"), Weighed(1, 40), Read(70), Store("weighed", 212)];
        var lines = first.Concat(then).Select((b, i) => TestShop.Line(i + 1, b)).ToList();
        Assert.Equal(
            2,
            BenchMeasures.Of(Folio, TestShop.Shop.Book, lines.Where(l => l.Body is not StoreTold { What: "weighed" }), Noise, House).Count
        );
        var apart = lines.Select((l, i) => i < first.Length ? l : l with { Job = new JobId(2) });
        Assert.Empty(BenchMeasures.Of(Folio, TestShop.Shop.Book, apart, Noise, House));
        // Full pages for a proof take ink as well; a nozzle sheet takes next to none.
        Assert.Empty(Measured(Weighed(1, 60), Run("clean-deep"), Answer("full-pages"), Weighed(1, 57)));
        Assert.Single(Measured(Weighed(1, 60), Run("clean-deep"), Answer("sheet-after-clean"), Weighed(1, 57)));

        static Answered Answer(string finding) => new(finding, "even", finding, "", "", null, "", 3, []);
    }

    [Fact]
    public void TwoCounterReadings_SayWhatARunAdds_AndAResetBetweenSaysNothing()
    {
        var one = Assert.Single(Measured(Read(40), Run("clean-deep"), Run("clean-deep"), Run("clean-deep"), Read(58)));
        Assert.Equal(("operations/clean-deep/counterPct", 6.0), (one.Pointer, one.Value));
        Assert.Empty(Measured(Read(40), Read(58)));
        // What a reset was read before is a reading too; after it nothing was run.
        var reset = new CounterReset("full", 46, 0, null, "", "", 3);
        Assert.Equal([6.0], Measured(Read(40), Run("clean-deep"), reset, Read(6)).Select(m => m.Value));
    }

    [Fact]
    public void WhatOtherWorkMovedTheCounter_IsNoPartOfAClean() =>
        Assert.Equal([6.0], Measured(Read(40), Run("clean-deep"), new Purged(0, 3, 2), Read(49)).Select(m => m.Value));

    [Fact]
    public void AChargeIsTimedByItsClock_AndOtherClocksAreNot()
    {
        Assert.Equal(4, Assert.Single(Measured(Clock(House.ChargeClock), Nothing(), Nothing(), Nothing(), new ClockStopped("c"))).Value);
        Assert.Empty(Measured(Clock("dry"), Nothing(), new ClockStopped("c")));
        static ClockStarted Clock(string sort) => new("c", sort, "charging", 10, null);
        static Noted Nothing() => new("noise");
    }

    [Fact]
    public void WhatIsFittedEmpty_OrFilledToFull_AndWeighed_TellsTareAndFill()
    {
        var tare = Assert.Single(Measured(Fitted(0), Weighed(1, 21)));
        Assert.Equal(($"cartridges/{Type}/tareG", 21.0), (tare.Pointer, tare.Value));
        var fill = Assert.Single(Measured(Fitted(5), new SlotsFilled([new SlotAmount(1, null)], 2, 0), Weighed(1, 50)));
        Assert.Equal(($"cartridges/{Type}/fillMl", 50 - Folio.Cartridges[0].Tare!.Value.Value), (fill.Pointer, fill.Value));
        Assert.Empty(Measured(Fitted(5), Weighed(1, 21)));
        Assert.Empty(Measured(Fitted(0), Run("clean-deep"), Weighed(1, 21)));
    }

    [Fact]
    public void AStoreTellsItsDryMass_AndWhatAPointBrings_InWhicheverOrderItWasRead()
    {
        var dry = Measured(Store("renewed", null), Store("weighed", 212));
        Assert.Equal(("storeTareG", 212.0), (Assert.Single(dry).Pointer, dry[0].Value));
        BenchMeasure Point(params EntryBody[] lines) => Measured(lines).Single(m => m.Pointer == "waste/gramsPerPoint");
        var work = Enumerable.Repeat(Run("clean-deep"), 4).ToArray();
        Assert.Equal(1.25, Point([Read(20), Store("weighed", 300), .. work, Read(60), Store("weighed", 350)]).Value, 9);
        Assert.Equal(1.25, Point([Store("weighed", 300), Read(20), .. work, Store("weighed", 350), Read(60)]).Value, 9);
        // Read before the work, weighed after it: not of one time.
        Assert.DoesNotContain(
            Measured([Read(20), .. work, Store("weighed", 300), Read(60), Store("weighed", 350)]),
            m => m.Pointer == "waste/gramsPerPoint"
        );
    }

    [Fact]
    public void AMeasurementKeepsItsName_AndOneThatIsTakenIsKnown()
    {
        var one = Assert.Single(Measured(Weighed(1, 60), Run("clean-deep"), Weighed(1, 57)));
        Assert.Equal("operations/clean-deep/mlPerChannel@3-20260302090300", one.Key);
        var taken = new TaughtModel("", new Dictionary<string, TaughtFigure> { [one.Pointer] = new(1.2, 1) { From = [one.Key] } });
        Assert.True(taken.HasTaken(one.Key));
        Assert.False(taken.HasTaken(one.Key + "1"));
    }

    private static IReadOnlyList<BenchMeasure> Measured(params EntryBody[] lines) =>
        BenchMeasures.Of(Folio, TestShop.Shop.Book, lines.Select((b, i) => TestShop.Line(i + 1, b)), Noise, House);

    private static SlotsWeighed Weighed(int slot, double g) => new([new SlotAmount(slot, g)], 1);

    private static Mended Run(string repair, params int[] slots) =>
        new(repair, repair, [], 3, 0, "", "", slots.Length == 0 ? Folio.Slots.Count : slots.Length, 2, [], 0, slots);

    private static StoreTold Read(double pct) => Store(StoreTold.CounterRead, pct);

    private static StoreTold Store(string what, double? amount) => new(what, amount, "", "", 2, 0);

    private static SlotFitted Fitted(double ml) => new(1, Type, Type, ml, null, "", "", "", null, "", 0);
}
