using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Quantities;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>Every range takes its ends, and nothing beyond them.</summary>
public class BoundsTests
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(TestShop.Now.UtcDateTime);

    [Fact]
    public void Number_IsTakenAtItsEnds()
    {
        var job = Fading();
        var asked = job.Book.Findings[job.Book.IndexOfFinding("draw-test")].Outcomes.Single(o => o.Id == "hard").Quantity!;
        Assert.Equal(
            [true, true, false, false],
            new[] { asked.Min, asked.Max, asked.Min - 0.01, asked.Max + 0.01 }.Select(n =>
                BenchWork.Answer(job, "draw-test", "hard", n, () => "x").IsGood
            )
        );
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(4, true)]
    [InlineData(5, false)]
    [InlineData(-1, false)]
    public void Slot_IsOneOfTheMachines(int slot, bool good)
    {
        var job = Fading();
        Assert.Equal(good, BenchWork.Answer(job, "draw-test", "hard", null, () => "x", null, slot).IsGood);
        Assert.Equal(good, Endings.Open(job, "not-recognised", slot, "").IsGood);
    }

    [Theory]
    [InlineData(0.5, true)]
    [InlineData(100, true)]
    [InlineData(0, false)]
    [InlineData(100.5, false)]
    public void Coverage_IsAboveNothing_AndAtMostAll(double pct, bool good) =>
        Assert.Equal(good, BenchWork.Answer(Fading(), "draw-test", "hard", null, () => "x", pct).IsGood);

    [Theory]
    [InlineData(0, true)]
    [InlineData(2880, true)]
    [InlineData(2881, false)]
    [InlineData(-1, false)]
    public void Minutes_AreAtMostTwoDays(double minutes, bool good) =>
        Assert.Equal(good, BenchWork.Mend(Fading(), "clear-vent", minutes, "", () => "x").IsGood);

    [Theory]
    [InlineData(1, true)]
    [InlineData(200, true)]
    [InlineData(201, false)]
    public void Tray_TakesAtMostTwoHundredOfAThing(int count, bool good) =>
        Assert.Equal(good, BenchKeeping.Put(Fading().State, "screw", "off", count, "t").IsGood);

    [Theory]
    [InlineData(30 * 24 * 60, null, true)]
    [InlineData((30 * 24 * 60) + 1, null, false)]
    [InlineData(5, 5.0, true)]
    [InlineData(5, 4.9, false)]
    [InlineData(5, Clock.LongestMinutes, true)]
    [InlineData(5, 1e11, false)]
    [InlineData(double.NaN, null, false)]
    public void Clock_HoldsWhatAClockCan(double min, double? max, bool good)
    {
        var started = BenchKeeping.StartClock(Fading().State, "dry", "", min, max, "c");
        Assert.Equal(good, started.IsGood);
        if (good)
            Assert.True(
                HouseCrafts.Fold([TestShop.Line(1, Intake()), TestShop.Line(2, started.Value[0])]).Clocks.Single().EndsAt > TestShop.Now
            );
    }

    [Theory]
    [InlineData(-1, true)]
    [InlineData(-2, false)]
    [InlineData(3653, true)]
    [InlineData(3654, false)]
    public void Wait_EndsFromYesterdayOn_WithinTenYears(int days, bool good)
    {
        Assert.Equal(good, BenchKeeping.Wait(Fading().State, "parts", "cap", TestShop.Now.AddDays(days), TestShop.Now).IsGood);
        var complaint = TestShop.Shop.Book.Complaints[0];
        var midnight = new DateTimeOffset(Today, TimeOnly.MinValue, TimeSpan.Zero);
        Assert.Equal(
            good,
            BenchKeeping.Wait(Fading().State, "customer", "word", midnight.AddDays(days), midnight).IsGood
                && Core.Diagnosis.Intake.Problems(Intake() with { Promise = midnight.AddDays(days) }, null, complaint, Today)
                    .All(p => p.Path != "/promise")
        );
    }

    [Fact]
    public void Threads_AreOpenedUpToTheMost()
    {
        var entries = TestShop.Opened(Intake());
        string[] complaints = ["not-recognised", "blank-channel"];
        var places = complaints.SelectMany(c => Enumerable.Range(0, 5).Select(slot => (c, slot)));
        var taken = places.Count(p =>
        {
            var opened = Endings.Open(TestShop.Case(entries), p.c, p.slot, "");
            if (opened.IsGood)
                TestShop.Add(entries, opened);
            return opened.IsGood;
        });
        Assert.Equal(TestShop.Shop.Book.House.MostThreads, HouseCrafts.Fold(entries).Threads.Count);
        Assert.Equal(TestShop.Shop.Book.House.MostThreads - 1, taken);
    }

    [Fact]
    public void Age_TurnsAtItsBounds()
    {
        var bounds = TestShop.Shop.Book.House.Context;
        string Of(int? years) => CaseContext.Of(Intake() with { AgeYears = years }, Today, "c", bounds)["age"];
        Assert.Equal(
            ["unknown", "new", "middle", "middle", "old"],
            new int?[]
            {
                null,
                bounds.MiddleAgeFromYears - 1,
                bounds.MiddleAgeFromYears,
                bounds.OldFromYears - 1,
                bounds.OldFromYears,
            }.Select(Of)
        );
        Assert.Equal("many", CaseContext.Of(Intake() with { CleansTried = bounds.ManyCleansFrom }, Today, "c", bounds)["tried"]);
    }

    [Fact]
    public void OneGoodPage_IsAPage_AndLessIsNone()
    {
        // 4 ml a page at 5 %, a damper of 1 ml: one good page means 3 of 4 ml came.
        FadeFeed Of(double pages) => FadeFeed.Of(Millilitres.Of(1), Millilitres.Of(4), Pages.Of(pages), Ratio.Of(0.05))!;
        Assert.Equal((3, 0), (Of(1).PerPage.Value, Of(0.99).PerPage.Value));
    }

    private static TakenIn Intake() => TestShop.Intake("marram-quartet-a4", "fades-under-load");

    private static JobCase Fading() => TestShop.Case(TestShop.Opened(Intake()));

    [Fact]
    public void AnOldPart_IsTold_OnlyWhereOneIsChanged()
    {
        var old = new OldPart("exchanged", new DateOnly(2026, 12, 9));
        var refused = BenchWork.Mend(Fading(), "clear-vent", null, "", () => "x", null, old);
        Assert.Equal(("no-part", "/became"), refused.Problems.Select(p => (p.Code.Id, p.Path)).Single());
        var part = Fading().Book.Repairs.First(r => r.Part.Length > 0 && BenchWork.Mend(Fading(), r.Id, null, "", () => "x").IsGood);
        var done = BenchWork.Mend(Fading(), part.Id, null, "L4", () => "x", null, old).Value[0];
        Assert.EndsWith("the old one exchanged; the new one goes back until 9 Dec 2026", done.Says, StringComparison.Ordinal);
    }
}
