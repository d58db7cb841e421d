using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Core.Waste;
using Xunit;

namespace SideBench.Core.Tests.Waste;

/// <summary>A machine's waste store over its record: two truths, the gate, resets, ways on.</summary>
public class StoreOnJobTests
{
    private const string Folio = "tolling-folio-3";
    private const string Duo = "marram-duo";
    private static readonly WasteNumbers House = TestShop.Shop.Numbers.Of<WasteNumbers>();

    [Fact]
    public void Gate_WantsAReading_AndRoom_AndAWeighingOpensIt()
    {
        var job = new OnBench(Folio);
        Assert.Equal(["read", "room"], Gate(job).Items.Where(i => !i.IsMet).Select(i => i.Id));
        Assert.Contains("renew it", Gate(job).Needs);
        // 57 g dry and 161 to hold, of which 0.8 are used. A whole run left 23 g: there is room for another, as slow as it was.
        job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Count(0).Later(300).Count(100);
        job.Tell(w => w.Reset(Told("full", 100, 0), [])).Later(1);
        Assert.Equal(["read", "room"], Gate(job).Items.Where(i => !i.IsMet).Select(i => i.Id));
        job.Tell(w => w.Tell("weighed", 80, null, null));
        Assert.Equal(["read"], Gate(job).Items.Where(i => !i.IsMet).Select(i => i.Id));
        job.Tell(w => w.Reset(Told("full", 100, 0), []));
        Assert.Equal((2, 0.0), (job.Store.Resets, job.Store.Counter!.Pct));
        Assert.DoesNotContain(job.Machine.Modifications.Keys, k => k.Key == CounterReset.Unserviced);
        // One weighing is for one reset.
        Assert.False(Gate(job).IsOpen);
    }

    [Fact]
    public void BorderlessPrints_AreCountedApart_WhereTheModelDoes()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Count(10);
        Assert.Null(job.Store.Borderless);
        job.Tell(w => w.Tell("borderless-read", 20, null, null)).Later(100).Count(20);
        job.Tell(w => w.Tell("borderless-read", 60, null, null));
        // 40 points in 100 days: 40 more last 100 days. The main counter goes on by itself, and is not what comes first.
        var second = job.Store.Borderless!;
        Assert.Equal((60.0, true), (second.Counter.Pct, second.Counter.IsRead));
        Assert.Equal(0.4, second.PointsPerDay!.Value, 0.05);
        Assert.InRange((second.FullOn.Median!.Value - job.Now).TotalDays, 80, 120);
        Assert.Equal(0.1, job.Store.PointsPerDay!.Value, 0.02);
        Assert.StartsWith("Borderless counter", WasteDue.Of(job.Store, job.Now)!.Says, StringComparison.Ordinal);
        // A reset sets both.
        job.Tell(w => w.Tell("weighed", 60, null, null));
        job.Tell(w => w.Reset(Told("full", 20, 0), []));
        Assert.Equal((0.0, false), (job.Store.Borderless!.Counter.Pct, job.Store.Borderless.Counter.IsRead));
        Assert.Equal(
            "no-borderless-counter",
            new OnBench(Duo).Try(w => w.Tell("borderless-read", 20, null, null)).Problems.Single().Code.Id
        );
    }

    [Fact]
    public void ResetWithoutService_SaysWhy_AndStaysOnTheMachine_UntilAServiceLiftsIt()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("weighed", 180, null, null));
        Assert.Equal("gate-holds", job.Try(w => w.Reset(Told("full", 100, 0), [])).Problems.Single().Code.Id);
        Assert.Equal(
            "gate-holds",
            job.Try(w => w.Reset(Told("full", 100, 0) with { Despite = "one job more" }, [])).Problems.Single().Code.Id
        );
        job.Tell(w => w.Reset(Told("full", 100, 0) with { Despite = "one job more", IsTold = true }, []));
        Assert.Contains("reset without service: one job more", job.Lines[^1].Body.Says, StringComparison.Ordinal);
        Assert.Contains("marked", Gate(job).Items.Select(i => i.Id));
        job.Tell(w => w.Tell("renewed", null, null, null));
        Assert.DoesNotContain("marked", Gate(job).Items.Select(i => i.Id));
        Assert.Equal(57, job.Store.Estimate!.Mass.Best, 1);
    }

    [Fact]
    public void TheMark_StaysThroughWorkThatIsNoService()
    {
        var job = new OnBench(Folio).Tell(w => w.Reset(Told("full", 100, 0) with { Despite = "x", IsTold = true }, []));
        foreach (var work in TestShop.Shop.Book.Repairs.Where(r => r.Tags.Count > 0 && !r.Tags.Contains(CounterReset.SeenToTag)))
            job.Lines.Add(
                TestShop.Line(job.Lines.Count + 1, new Core.Diagnosis.Mended(work.Id, work.Name, work.Tags, 1, 0, "", "", 0, 0, []))
            );
        Assert.True(job.Lines.Count > 20);
        Assert.Contains((CounterReset.Unserviced, ""), job.Machine.Modifications.Keys);
        Assert.False(Gate(job).IsOpen);
    }

    [Fact]
    public void AReadingOfAnEarlierVisit_IsNoneOfThisOne()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Count(40);
        var read = job.Lines[^1].At;
        Assert.True(ResetGate.Of(job.Store, job.Machine, read).IsOpen);
        var next = ResetGate.Of(job.Store, job.Machine, read.AddMinutes(1));
        Assert.Equal(["read"], next.Items.Where(i => !i.IsMet).Select(i => i.Id));
        Assert.False(next.IsOpen);
    }

    [Fact]
    public void WhatTheCounterRisesOnTheBench_IsNoUse()
    {
        var job = new OnBench(Folio).Count(40).Count(52);
        Assert.Null(job.Store.PointsPerDay);
        Assert.Null(job.Store.Estimate!.CounterFullOn.Median);
        // A month later the rise since then is.
        Assert.Equal(0.2, job.Later(30).Count(58).Store.PointsPerDay!.Value, 1);
    }

    [Fact]
    public void WorkOfTheBench_LiftsTheMarkToo_AndABottleItFitsIsWatched()
    {
        var job = new OnBench(Duo).Tell(w => w.Reset(Told("full", 100, 0) with { Despite = "x", IsTold = true }, []));
        Assert.Equal(["renew it", "wash and dry it", "fit or empty an outside bottle"], Gate(job).Needs);
        var fit = TestShop.Shop.Book.Repairs.First(r => r.Id == "outside-bottle");
        job.Lines.Add(
            TestShop.Line(job.Lines.Count + 1, new SideBench.Core.Diagnosis.Mended(fit.Id, fit.Name, fit.Tags, 1, 0, "", "", 0, 0, []))
        );
        Assert.DoesNotContain((CounterReset.Unserviced, ""), job.Machine.Modifications.Keys);
        Assert.Equal("yes", WasteFacts.Of(job.State).Single(f => f.Key == "store-seen-to").Word);
        Assert.Equal((500, 225), (job.Store.Bottle!.HoldsMl, job.Store.Bottle.EmptyAtMl));
        Assert.StartsWith("An outside bottle takes", WasteWords.Gap(job.Store, House), StringComparison.Ordinal);
        job.Tell(w => w.Tell("bottle-seen", 100, null, null));
        Assert.Equal(100, job.Store.Bottle!.InIt.Best, 1);
    }

    [Theory]
    [InlineData(300, 100, 80, "The counter is further")]
    [InlineData(300, 20, 150, "The store is further")]
    [InlineData(300, 50, 121, "about as far")]
    [InlineData(300, 50, 200, "would overflow")]
    public void TheGap_IsSaidInASentence(int days, double count, double grams, string says)
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Count(0).Later(days).Count(count);
        job.Tell(w => w.Tell("weighed", grams, null, null));
        Assert.Contains(says, WasteWords.Gap(job.Store, House), StringComparison.Ordinal);
    }

    [Fact]
    public void PartialReset_IsReadBack_AndThereIsOneInAMachinesLife()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null));
        Assert.Equal(("missing", "/after"), Of(job.Try(w => w.Reset(Told("partial", 100, null), []))));
        job.Tell(w => w.Reset(Told("partial", 100, 75), []));
        Assert.Equal(75, job.Store.Counter!.Pct);
        Assert.Contains(job.Store.Moments, m => m.What is WasteEvent.Reset { ToPct: 75 });
        Assert.Equal(("partial-spent", "/way"), Of(job.Try(w => w.Reset(Told("partial", 90, 75), []))));
        Assert.Equal(("no-partial", "/way"), Of(new OnBench("pellow-six-tank").Try(w => w.Reset(Told("partial", 100, 75), []))));
        // A count that does not fall was not stored: it is tried again, and nothing is marked.
        job.Tell(w =>
            w.Reset(Told("service", 99, 99), []) is var tried && tried.IsGood
                ? tried
                : w.Reset(Told("service", 99, 99) with { Despite = "x", IsTold = true }, [])
        );
        Assert.Contains("not stored", job.Lines[^1].Body.Says, StringComparison.Ordinal);
        Assert.Equal(1, job.Store.Resets);
    }

    [Fact]
    public void AKey_MustBeOnTheShelf()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null));
        var came = TestShop.Line(7, new StockCame("key", "Key", Folio, 1, "uses", 8, "", "", null));
        var stock = StockItem.Of([came]);
        Assert.Equal(("no-key", "/keyItem"), Of(job.Try(w => w.Reset(Told("key", 100, 0) with { KeyItem = 8 }, stock))));
        Assert.True(job.Try(w => w.Reset(Told("key", 100, 0) with { KeyItem = 7 }, stock)).IsGood);
        var spent = StockItem.Of([came, TestShop.Line(8, new StockWent(7, 1, "used", "", ""))]);
        Assert.Equal(("no-key", "/keyItem"), Of(job.Try(w => w.Reset(Told("key", 100, 0) with { KeyItem = 7 }, spent))));
    }

    [Theory]
    [InlineData("weighed", 40.0, "lighter-than-dry", "/amount")]
    [InlineData("weighed", null, "missing", "/amount")]
    [InlineData("weighed", 900.0, "out-of-range", "/amount")]
    [InlineData("bottle-seen", 100.0, "no-bottle-fitted", "/what")]
    [InlineData("bottle-fitted", 0.0, "out-of-range", "/amount")]
    [InlineData("flooded", 1.0, "unknown-word", "/what")]
    public void WhatCannotBe_IsRefusedInItsPlace(string what, double? amount, string code, string path) =>
        Assert.Equal((code, path), Of(new OnBench(Folio).Try(w => w.Tell(what, amount, null, null))));

    [Fact]
    public void MoreThanCanBe_IsRefused()
    {
        var job = new OnBench(Folio);
        Assert.Equal(("out-of-range", "/before"), Of(job.Try(w => w.Reset(Told("full", 132, 0), []))));
        Assert.Equal(("no-bottle", "/what"), Of(new OnBench("pellow-mono-pair").Try(w => w.Tell("bottle-fitted", 500, null, null))));
        Assert.Equal(("out-of-range", "/kg"), Of(job.Try(w => w.HandIn("pads", 0, "council"))));
    }

    [Fact]
    public void Bottle_FillsByUse_AndIsDueBeforeItIsFull()
    {
        var job = new OnBench(Duo).Count(0).Tell(w => w.Tell("bottle-fitted", 500, null, null));
        job.Later(100).Count(50);
        // Half a point a day at 0.85 g: 0.4 ml a day, 40 in a hundred days, of 225.
        var bottle = job.Store.Bottle!;
        Assert.InRange(bottle.InIt.Best, 36, 45);
        Assert.True(bottle.InIt.Low < bottle.InIt.Best && bottle.InIt.Best < bottle.InIt.High);
        Assert.Equal(225, bottle.EmptyAtMl);
        Assert.InRange(bottle.Days!.Value.Best, 400, 520);
        job.Tell(w => w.Tell("bottle-seen", 230, null, null));
        Assert.Equal(0, job.Store.Bottle!.Days!.Value.Best);
        job.Tell(w => w.Tell("emptied", 10, null, null));
        Assert.InRange(job.Store.Bottle!.InIt.Best, 10, 12);
    }

    [Fact]
    public void Ways_AreOrderedByAYear_AndWhatCannotBeIsLast()
    {
        var job = new OnBench(Folio).Count(0).Later(200).Count(60);
        job.Tell(w => w.Tell("weighed", 90, null, null));
        var ways = WasteWays.Of(job.Model, job.Store, House, 28, 3);
        var open = ways.Where(w => w.IsOpen).ToList();
        Assert.Equal(open.Where(w => w.Id != "retire").OrderBy(w => w.PerYear).Select(w => w.Id).Append("retire"), open.Select(w => w.Id));
        WasteWay Of(string id) => ways.Single(w => w.Id == id);
        // 0.3 points of 1.25 g a day, of which 0.6 dries: 0.15 g. Of 128.8 g: 859 days; the counter stops it every 333.
        Assert.InRange(Of("renew-reset").LastsDays!.Value, 830, 890);
        Assert.InRange(Of("renew").LastsDays!.Value, 320, 345);
        Assert.StartsWith("New pads, and 2 resets", Of("renew-reset").Name, StringComparison.Ordinal);
        Assert.True(Of("wash").LastsDays < Of("renew-reset").LastsDays && Of("wash").Spared > 0 && Of("renew").Spared == 0);
        Assert.Equal(14 + 8 + (26 / 60.0 * 28), Of("renew").Today, 6);
        Assert.Equal(Of("renew").Today / Of("renew").LastsDays!.Value * 365.25, Of("renew").PerYear, 6);
        // Pads once in 859 days, and of a stop every 333 days the others by a reset: 8 and 12 min.
        var (times, stops) = (3 * 365.25 / Of("renew-reset").LastsDays!.Value, 3 * 365.25 / Of("renew").LastsDays!.Value);
        Assert.Equal(((times * Of("renew").Today) + ((stops - times) * (8 + (12 / 60.0 * 28)))) / 3, Of("renew-reset").PerYear, 6);
        Assert.False(
            WasteWays.Of(TestShop.Shop.Models["pellow-mono-pair"], new OnBench("pellow-mono-pair").Store, House, 28, 3)[^1].IsOpen
        );
        // A full store is not reset alone.
        var full = new OnBench(Folio).Count(0).Later(300).Count(100).Tell(w => w.Tell("weighed", 200, null, null));
        Assert.False(WasteWays.Of(full.Model, full.Store, House, 28, 3).Single(w => w.Id == "reset").IsOpen);
    }

    [Fact]
    public void WhatIsDearerToday_SaysUntilWhenTheOtherIsCheaper()
    {
        // A bottle costs its kit and an hour once; a renewal comes again at every stop.
        var job = new OnBench("pellow-six-tank").Count(0).Later(100).Count(80).Tell(w => w.Tell("weighed", 150, null, null));
        var ways = WasteWays.Of(job.Model, job.Store, House, 28, 5);
        double At(WasteWay w, double days) => w.Today + (((w.PerYear * 5) - w.Today) * days / (5 * 365.25));
        var some = ways.Where(w => w.CheaperUntilDays is not null).ToList();
        Assert.NotEmpty(some);
        Assert.All(some, w => Assert.Equal(At(ways[0], w.CheaperUntilDays!.Value), At(w, w.CheaperUntilDays.Value), 6));
        Assert.All(some, w => Assert.True(w.Today < ways[0].Today && w.PerYear > ways[0].PerYear));
        Assert.All(some, w => Assert.Equal(w.CheaperUntilDays!.Value * job.Store.PointsPerDay!.Value / 100, w.CheaperUntilRuns!.Value, 6));
        // The hand tool is bought once: what needs it costs less than twice as much when done twice.
        Assert.Equal(24 + 2 + (55 / 60.0 * 28), ways.Single(w => w.Id == "wash").Today, 6);
    }

    [Fact]
    public void School_AndNumbers_AreBothSaid()
    {
        var model = TestShop.Shop.Models[Folio];
        Assert.Equal(
            ("pads-full", "weigh", "reset"),
            WasteWays.BySchool(model, new Dictionary<string, string> { ["pads-full"] = "weigh" }, House)
        );
        Assert.Null(WasteWays.BySchool(model, new Dictionary<string, string>(), House));
    }

    [Fact]
    public void CounterAndStore_AreTwoThings_AndBothAreSaid()
    {
        var job = new OnBench(Folio).Count(100).Tell(w => w.Tell("renewed", null, null, null));
        Assert.Contains("wants a reset, not another store", WasteWords.Gap(job.Store, House), StringComparison.Ordinal);
        // A reset that reads back its own limit leaves the stop on, and no reading that came to it.
        job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Tell(w => w.Reset(Told("tool", 120, 100), []));
        job.Tell(w => w.Tell("renewed", null, null, null));
        Assert.NotEqual("", WasteWords.Gap(job.Store, House));
        job = new OnBench(Folio).Tell(w => w.Tell("weighed", 190, null, null));
        job.Tell(w => w.Reset(Told("full", 100, 0) with { Despite = "x", IsTold = true }, []));
        Assert.Contains("The store is due, not the counter", WasteWords.Gap(job.Store, House), StringComparison.Ordinal);
    }

    [Fact]
    public void AResetThatWasNotStored_IsLookedInto_UntilTheCounterIsReadAgain()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null));
        Assert.Equal("", WasteWords.NotStored(job.Machine));
        job.Tell(w => w.Reset(Told("service", 99, 99), []));
        Assert.Contains("99\u2009% before and 99\u2009% after", WasteWords.NotStored(job.Machine), StringComparison.Ordinal);
        job.Tell(w => w.Tell("counter-read", 1, null, null));
        Assert.Equal("", WasteWords.NotStored(job.Machine));
        Assert.Equal((1.0, true), (job.Store.Counter!.Pct, job.Store.Counter.IsRead));
        Assert.Equal(("out-of-range", "/amount"), Of(job.Try(w => w.Tell("counter-read", 132, null, null))));
    }

    [Fact]
    public void WeighingsThatCannotBe_AreDoubted()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Count(0).Later(100).Count(20);
        // 25 g came in at most times 2.7: 150 g cannot be; 20 can.
        job.Tell(w => w.Tell("weighed", 57 + 20, null, null));
        Assert.Empty(job.Store.Estimate!.Doubts);
        job.Tell(w => w.Tell("weighed", 57 + 90, null, null));
        Assert.Contains("more than can have come in", Assert.Single(job.Store.Estimate!.Doubts).Says, StringComparison.Ordinal);
        // Which of the two is wrong is not known: what fits the one before it is not doubted for it.
        job.Later(10).Tell(w => w.Tell("weighed", 57 + 21, null, null));
        Assert.Single(job.Store.Estimate!.Doubts);
        // Of 90 g at least a tenth stays for good.
        job = new OnBench(Folio).Tell(w => w.Tell("weighed", 57 + 90, null, null));
        job.Later(400).Tell(w => w.Tell("weighed", 57, null, null));
        Assert.Contains("less than can have dried", Assert.Single(job.Store.Estimate!.Doubts).Says, StringComparison.Ordinal);
    }

    [Fact]
    public void CautiousRoom_IsOnTheFullSideOfTheBelief_AndNothingWithoutAScale()
    {
        var job = new OnBench(Folio).Count(10);
        Assert.Null(job.Cautious);
        job = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Count(0).Later(200).Count(60);
        var room = job.Store.Estimate!.Room;
        Assert.InRange(job.Cautious!.Value, room.Low - 15, room.Best);
        Assert.Equal("no", Full(job));
        job.Later(300).Count(100).Tell(w => w.Tell("weighed", 57 + 140, null, null));
        Assert.Equal("yes", Full(job));
        // A bottle takes what comes: the pads say nothing any more.
        job = new OnBench(Duo).Tell(w => w.Tell("weighed", 160, null, null)).Tell(w => w.Tell("bottle-fitted", 500, null, null));
        Assert.Null(job.Cautious);

        static string? Full(OnBench job) => WasteFacts.OnModel(job.Model, job.State, House, job.Now).SingleOrDefault()?.Word;
    }

    [Fact]
    public void HandOver_SaysTheNextDay_ByItsEarlyEnd()
    {
        var job = new OnBench(Folio).Count(0);
        Assert.Empty(WasteDue.OnPaper(job.Model, job.State, House, job.Now).Watch);
        job.Later(100).Count(60);
        var stop = job.Store.Estimate!.CounterFullOn;
        var due = WasteDue.Of(job.Store, job.Now)!;
        Assert.Equal(new[] { stop.Early, job.Store.Estimate.StoreDueOn }.Min(), due.On);
        Assert.EndsWith(
            $"not before {due.On:d MMM yyyy}.",
            WasteDue.OnPaper(job.Model, job.State, House, job.Now).Watch.Single(),
            StringComparison.Ordinal
        );
        // A store runs over where a counter only stops: its day is earlier than the early end of its band.
        var known = new OnBench(Folio).Tell(w => w.Tell("renewed", null, null, null)).Count(0).Later(100).Count(30).Store.Estimate!;
        Assert.True(known.StoreDueOn < known.StoreFullOn.Early);
        job = new OnBench(Duo).Count(0).Tell(w => w.Tell("bottle-fitted", 500, null, null)).Later(100).Count(50);
        Assert.StartsWith("Outside bottle: empty it at 225", WasteDue.Of(job.Store, job.Now)!.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void ATrial_HalvesWhatItShowed_UntilOtherPadsAreIn()
    {
        var job = new OnBench(Folio).Tell(w => w.Tell("trial", 120, null, null));
        Assert.Equal(60, job.Store.History.SafeG);
        job.Tell(w => w.Tell("renewed", null, null, null));
        Assert.Equal(161 * 0.8, job.Store.History.SafeG, 6);
        Assert.Equal(("out-of-range", "/amount"), Of(job.Try(w => w.Tell("trial", 2, null, null))));
    }

    [Fact]
    public void WorkOfTheBench_IsKnownToTheLedger()
    {
        var lines = TestShop.Opened(TestShop.Intake(Folio, "waste-full"));
        TestShop.Answer(lines, "counter-reading", "limit", 100);
        TestShop.Answer(lines, "pads-weighed", "room", 12);
        var store = StoreOnMachine.Of(TestShop.Shop.Models[Folio], TestShop.Case(lines).State.Machine, House, TestShop.Now.AddDays(1))!;
        Assert.Equal([typeof(WasteEvent.CounterRead), typeof(WasteEvent.Weighed)], store.Moments.Select(m => m.What.GetType()));
        Assert.Equal(69, ((WasteEvent.Weighed)store.Moments[1].What).G);
        // One weighing without any known use: it says what is in it, not yet that a whole run fits.
        Assert.Equal((true, false), (store.IsKnown, store.Estimate!.MayReset));
    }

    [Fact]
    public void DiagnosisKnows_WhetherTheStoreWasSeenTo_AndWhetherAnOverflowWaits()
    {
        var job = new OnBench(Folio);
        Assert.Empty(WasteFacts.Of(job.State));
        string Word(string key) => WasteFacts.Of(job.State).Single(f => f.Key == key).Word!;
        job.Tell(w => w.Reset(Told("full", 100, 0) with { Despite = "x", IsTold = true }, []));
        Assert.Equal(("no", "yes"), (Word("store-seen-to"), Word("reset-unserviced")));
        job.Tell(w => w.Tell("renewed", null, null, null));
        Assert.Equal(("yes", "no"), (Word("store-seen-to"), Word("reset-unserviced")));
        // The book's own reset is let go by it.
        var bench = TestShop.Case(job.Lines);
        var alone = bench.Book.Repairs.First(r => r.Tags.Contains("counter-reset-only"));
        Assert.NotEqual("reset-needs-room", SideBench.Core.Diagnosis.Gates.Holding(bench.Book, bench.Facts, alone, [])?.Id);
    }

    private static ResetGate Gate(OnBench job) => ResetGate.Of(job.Store, job.Machine, job.State.OpenedAt);

    private static ResetTold Told(string way, double? before, double? after) => new(way, before, after, null, null, false, null);

    private static (string, string) Of(Outcome<IReadOnlyList<EntryBody>> refused) =>
        refused.Problems.Select(p => (p.Code.Id, p.Path)).Single();

    private sealed class OnBench(string model)
    {
        private TimeSpan later;

        public List<Entry> Lines { get; } = TestShop.Opened(TestShop.Intake(model, "waste-full"));

        public MachineModel Model { get; } = TestShop.Shop.Models[model];

        public JobState State => TestShop.Case(Lines).State;

        public MachineCase Machine => State.Machine;

        public StoreOnMachine Store => StoreOnMachine.Of(Model, Machine, House, Now)!;

        public double? Cautious => StoreOnMachine.CautiousRoom(Model, Machine, House, Now);

        public DateTimeOffset Now => TestShop.Now.AddMinutes(Lines.Count + 1) + later;

        public Outcome<IReadOnlyList<EntryBody>> Try(Func<WasteKeeping, Outcome<IReadOnlyList<EntryBody>>> tells) =>
            tells(new WasteKeeping(Model, State, House, Now));

        public OnBench Tell(Func<WasteKeeping, Outcome<IReadOnlyList<EntryBody>>> tells)
        {
            foreach (var body in Try(tells).Value)
                Lines.Add(TestShop.Line(Lines.Count + 1, body) with { At = Now });
            return this;
        }

        public OnBench Count(double pct)
        {
            // A count that is read with a reset that is not stored is a reading alone.
            Lines.Add(TestShop.Line(Lines.Count + 1, new CounterReset("tool", pct, pct, null, "", "", 0)) with { At = Now });
            return this;
        }

        public OnBench Later(int days)
        {
            later += TimeSpan.FromDays(days);
            return this;
        }
    }
}
