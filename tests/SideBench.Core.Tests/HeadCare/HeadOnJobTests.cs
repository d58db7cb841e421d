using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Ink;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using Xunit;

namespace SideBench.Core.Tests.HeadCare;

/// <summary>What the record of a job tells of its head.</summary>
public class HeadOnJobTests
{
    private const string Quartet = "marram-quartet-a4";
    private static readonly InkNumbers Ink = TestShop.Shop.Numbers.Of<InkNumbers>();
    private static readonly WasteNumbers Store = TestShop.Shop.Numbers.Of<WasteNumbers>();
    private static readonly HeadCareNumbers House = TestShop.Shop.Numbers.Of<HeadCareNumbers>();

    [Fact]
    public void PairsOfSheets_AreLaidToWhatWasDoneBetween_OnTheChannelsItTouched()
    {
        var job = TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle", idleWeeks: 9));
        Assert.Null(Head(job));
        Sheet(job, ("C", [4, 9, 30]), ("K", [7]));
        Assert.Equal(["C", "K"], Head(job)!.Case.Channels.Select(c => c.Unit).Order());
        Mend(job, "clean-normal", [2, 3, 4]);
        Assert.Equal("clean-normal", Head(job)!.SheetDue!.Repair);
        Sheet(job, ("C", [9]), ("K", [7]));
        var head = Head(job)!;
        Assert.Null(head.SheetDue);
        var (cyan, black) = (head.Channels.First(c => c.Unit == "C"), head.Channels.First(c => c.Unit == "K"));
        var pair = Assert.Single(cyan.Head.Done);
        Assert.Equal(("clean-normal", 3, 1), (pair.Method, pair.Before.Count, pair.After.Count));
        // Black is cleaned alone: the colours' clean says nothing of it.
        Assert.Empty(black.Head.Done);
        // A sheet more with nothing done between: the clean before the other pair is not laid to this one.
        var later = job.ToList();
        Sheet(later, ("C", [9]), ("K", [7]));
        Assert.Single(Head(later)!.Channels.First(c => c.Unit == "C").Head.Done);
        Assert.Equal(1, head.Case.Limits.RowSoFar);
        // A head that stood for hours has rested.
        Assert.Equal(0, HeadOnJob.Of(TestShop.Case(job), House, Ink, Store, TestShop.Now.AddHours(9))!.Case.Limits.RowSoFar);
    }

    [Fact]
    public void CleanOfAGroup_CostsItsShare_AndPartOfAGroupIsRefused()
    {
        var job = TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle"));
        Sheet(job, ("C", [4]));
        Mend(job, "clean-normal", [2, 3, 4]);
        var done = Assert.IsType<Mended>(job.Last(e => e.Body is Mended).Body);
        Assert.Equal((3 * 0.8, 2.34 * 3 / 4), (done.InkMl, done.CounterPct));
        Assert.Contains("on slots 2, 3, 4", done.Says, StringComparison.Ordinal);
        Assert.Equal(3, done.Effect.Ink.Count);
        var half = BenchWork.Mend(TestShop.Case(job), "clean-normal", null, "", () => "x", [2, 3]);
        Assert.Equal("not-cleaned-alone", half.Problems.Single().Code.Id);
        Assert.Contains("Cyan, Magenta, Yellow", string.Join(' ', half.Problems.Single().Args), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("tolling-folio-3", new int[] { 2 }, 60, 480)]
    [InlineData("marram-duo", new int[0], 60, 240)]
    [InlineData("tolling-garment-8", new int[0], 60, 120)]
    [InlineData("tolling-garment-8", new int[] { 1 }, 30, 120)]
    [InlineData("tolling-garment-8", new int[] { 1, 6 }, 60, 120)]
    public void Soak_LastsAsLongAsTheHeadAndItsInksMay(string model, int[] slots, double least, double most)
    {
        var job = TestShop.Opened(TestShop.Intake(model, "missing-after-idle"));
        job.Add(TestShop.Line(2, new Answered("nozzle-sheet", "scattered", "", "", "", null, "", 0, [])));
        var lines = BenchWork.Mend(TestShop.Case(job), "soak-head", null, "", () => "x", slots).Value;
        var clock = lines.OfType<SideBench.Core.Jobs.ClockStarted>().Single();
        Assert.Equal((least, most), (clock.MinMinutes, clock.MaxMinutes));
        Assert.Equal("out-of-range", BenchWork.Mend(TestShop.Case(job), "soak-head", null, "", () => "x", [9]).Problems[0].Code.Id);
    }

    [Fact]
    public void SlotThatIsAsGoodAsEmpty_IsToppedUp_BeforeAnyCleanIsRun()
    {
        var job = TestShop.Opened(TestShop.Intake("tolling-folio-3", "missing-after-idle") with { Ink = "refilled" });
        HeadSheet(job, "tolling-folio-3", ("C", [4, 9, 30]));
        Assert.Contains(Head(job)!.Case.Methods, m => m is { IsClean: true, Held: null });
        var ink = new InkKeeping(TestShop.Shop.Models["tolling-folio-3"], TestShop.Case(job).State, Ink, job[^1].At);
        TestShop.Add(job, ink.Fit(new FittedPiece(3, "refillable", 1.1, 60, null, null, null, null, null, false)));
        var cleans = Head(job)!.Case.Methods.Where(m => m is { IsClean: true, Id: not "clean-light" }).ToList();
        Assert.True(cleans.Count > 0);
        Assert.All(cleans, m => Assert.Equal("Top up first.", m.Held!.First));
    }

    [Fact]
    public void HandOver_SaysWhatCameBack()
    {
        var job = TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle"));
        Sheet(job, ("C", [4, 9, 30]));
        Assert.Empty(HeadCareCraft.Craft.HandOver(TestShop.Case(job).State).CameBack);
        Mend(job, "clean-normal", [2, 3, 4]);
        Sheet(job, ("C", [9]));
        TestShop.Add(job, HeadKeeping.Agree(TestShop.Case(job).State, 1));
        var lines = HeadCareCraft.Craft.HandOver(TestShop.Case(job).State);
        Assert.Equal(["Head: Normal clean; 3 nozzles missing before, 1 after"], lines.CameBack);
        Assert.Single(lines.Watch);
    }

    [Fact]
    public void ChannelThatIsNotFed_HoldsTheCleansThatDrawFromIt_AndComesFirst()
    {
        var job = TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle"));
        var count = TestShop.Shop.Models[Quartet].Sheet!.Layout.Units.First(u => u.Id == "M").Nozzles;
        int[] end = [.. Enumerable.Range(count - 20, 20)];
        Sheet(job, ("M", end[14..]), ("C", [4, 9]), ("K", [3]));
        Mend(job, "clean-normal", [2, 3, 4]);
        Sheet(job, ("M", end[8..]), ("C", [9]), ("K", [3]));
        var head = Head(job)!;
        Assert.Equal(["M"], head.FeedFirst.Select(c => c.Unit));
        Assert.Equal(["C", "K"], head.Case.Channels.Select(c => c.Unit).Order());
        Assert.All(head.Case.Methods.Where(m => m.IsClean), m => Assert.Equal("The supply first.", m.Held!.First));
        Assert.NotEqual("The supply first.", head.Case.Methods.First(m => m.Id == "flush").Held?.First);
        // Once the supply was mended, what sheets said before it counts no more.
        job.Add(TestShop.Line(job.Count + 1, new Mended("renew-damper", "", [], 9, 0, "", "", 0, 0, [])));
        Sheet(job, ("M", end[8..]), ("C", [9]), ("K", [3]));
        Assert.Empty(Head(job)!.FeedFirst);
        Assert.True(Head(job)!.SupplyMended);
    }

    [Fact]
    public void AgreedLevel_AndProvedInk_AreTakenUp()
    {
        var job = TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle"));
        Sheet(job, ("C", [4, 9]), ("M", [3, 8, 12, 40]));
        TestShop.Add(job, HeadKeeping.Agree(TestShop.Case(job).State, 2));
        Assert.Equal(["M"], Head(job)!.Case.Channels.Select(c => c.Unit));
        Assert.Contains(Head(job)!.Case.Methods, m => m.Id == HeadMethod.Supply);
        Assert.Equal("out-of-range", HeadKeeping.Agree(TestShop.Case(job).State, 21).Problems.Single().Code.Id);
        job.Add(TestShop.Line(job.Count + 1, new Answered("draw-test", "free", "", "", "", null, "", 0, [])));
        Assert.DoesNotContain(Head(job)!.Case.Methods, m => m.Id == HeadMethod.Supply);
        Assert.Equal(1, Head(job)!.Channels[0].Outlook.Explanation.Clog);
    }

    [Fact]
    public void Card_SaysWhatHeadCareSays_OnceItCleans()
    {
        var job = TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle", idleWeeks: 9));
        Sheet(job, ("C", [4, 9, 30, 41]));
        var said = Asked(job);
        var plan = HeadPlan.Of(Head(job)!.Case);
        Assert.Equal((AdviceKind.Mend, plan.Steps[0].Methods[0].Repair), (said.Kind, said.Chosen!.Step.Id));
        Assert.Matches(@"^Brings \d of 4 back", said.Because);
        // What the card says it will mend is what head care's plan clears, not what the book says of one clean.
        Assert.True(said.Chosen.FixChance < plan.Complete + 0.01 && said.Chosen.FixChance > plan.Complete - 0.3);
    }

    [Fact]
    public void Cleaning_IsNotAdvised_WhereNoCleanHelpsOnThisHead()
    {
        var job = TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle", idleWeeks: 9));
        // From its far end, more at every clean: it starves. No gate of the book looks at that.
        for (var gone = 6; gone <= 18; gone += 6)
        {
            if (gone > 6)
                Mend(job, "clean-normal", [2, 3, 4]);
            Sheet(job, ("C", [.. Enumerable.Range(60 - gone, gone)]));
        }

        var said = Asked(job);
        Assert.Null(HeadOnJob.MethodOf(said.Chosen?.Step.Id ?? "", House));
        Assert.All(said.Others, o => Assert.Null(HeadOnJob.MethodOf(o.Step.Id, House)));
        // By the book alone a clean would still mend.
        var alone = TestShop.Case(job);
        Assert.True(alone.FixChance(alone.Book.Book.Step("clean-deep")!) > 0.05);
    }

    [Fact]
    public void ABookThatKnowsMore_LeavesOddsAndOtherRepairsAlone()
    {
        var job = TestShop.Case(TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle", idleWeeks: 9)));
        var book = job.Book.Knowing(
            new Dictionary<string, RepairWorth> { ["clean-normal"] = new((c, at) => c == "nozzles-dried" ? 0.01 : at, 77) }
        );
        var (clean, dried) = (job.Book.IndexOfRepair("clean-normal"), job.Book.Causes.ToList().FindIndex(c => c.Id == "nozzles-dried"));
        for (var r = 0; r < book.Repairs.Count; r++)
        for (var c = 0; c < book.Causes.Count; c++)
            Assert.Equal(r == clean && c == dried ? 0.01 : job.Book.FixChance[r][c], book.FixChance[r][c]);
        Assert.Equal(77, book.StepCost["clean-normal"]);
        Assert.Equal(job.Book.StepCost["clean-light"], book.StepCost["clean-light"]);
        Assert.Same(job.Advice, job.AdviceKnowing(new Dictionary<string, RepairWorth>()));
    }

    [Fact]
    public void SlowDecline_IsTheMiddleOfAllSlopes()
    {
        (DateTimeOffset, IReadOnlyDictionary<string, int>) Visit(int days, int cyan) =>
            (TestShop.Now.AddDays(days), new Dictionary<string, int> { ["C"] = cyan, ["K"] = 1 });
        var visits = new[] { Visit(0, 0), Visit(365, 2), Visit(730, 14), Visit(1096, 6) };
        // Slopes a year: 2, 7, 2, 12, 2, −8: between 2 and 2.
        var trend = Assert.Single(SlowDecline.Of(visits, House));
        Assert.Equal(("C", 4, 6), (trend.Unit, trend.Visits, trend.Now));
        Assert.Equal(2, trend.PerYear, 1);
        Assert.Empty(SlowDecline.Of(visits[..2], House));
        // Just as many visits as the house asks for, and just the slope.
        Assert.Single(SlowDecline.Of(visits, House with { DeclineVisits = 4, DeclinePerYear = trend.PerYear }));
        Assert.Empty(SlowDecline.Of(visits, House with { DeclineVisits = 5 }));
    }

    // What is advised once every check before it found nothing.
    private static Advice Asked(List<Entry> job)
    {
        while (true)
        {
            var said = HeadAdvice.On(TestShop.Case(job), House, Ink, Store, TestShop.Now.AddMinutes(job.Count));
            if (said is not { Kind: AdviceKind.Find, Chosen.Step: Finding finding })
                return said;
            TestShop.Answer(job, finding.Id, finding.Outcomes[finding.Sound.ToList().IndexOf(finding.Sound.Max())].Id);
        }
    }

    [Fact]
    public void BuildUp_OnTheSamePaper_IsForeseen()
    {
        (string, string, DateTimeOffset) Seen(string paper, int days) => (paper, "2", TestShop.Now.AddDays(days));
        var known = BuildUp.Of([Seen("Card 280 g", 0), Seen("plain", 10), Seen("card 280 g ", 100), Seen("Card 280 g", 160)]);
        Assert.Equal([("Card 280 g", 3), ("plain", 1)], known.Select(k => (k.Paper, k.Times)));
        // Between them 100 and 60 days: about 80 days after the last, 60 at the earliest.
        Assert.Equal(
            ((DateTimeOffset?)TestShop.Now.AddDays(220), (DateTimeOffset?)TestShop.Now.AddDays(240)),
            (known[0].NextFrom, known[0].Next)
        );
        Assert.Null(known[1].Next);
        var state = TestShop.Case(TestShop.Opened(TestShop.Intake(Quartet, "missing-after-idle"))).State;
        Assert.Equal((ProblemCode.Missing, "/paper"), Told(HeadKeeping.SawBuildUp(state, " ", "2")));
        Assert.Equal((ProblemCode.TooLong, "/thickness"), Told(HeadKeeping.SawBuildUp(state, "plain", new string('2', 41))));

        static (ProblemCode, string) Told(Outcome<IReadOnlyList<EntryBody>> refused) =>
            refused.Problems.Select(p => (p.Code, p.Path)).Single();
    }

    private static HeadOnJob? Head(List<Entry> job) =>
        HeadOnJob.Of(TestShop.Case(job), House, Ink, Store, TestShop.Now.AddMinutes(job.Count));

    private static void Mend(List<Entry> job, string repair, int[] slots) =>
        TestShop.Add(job, BenchWork.Mend(TestShop.Case(job), repair, null, "", () => $"t{job.Count}", slots));

    internal static void Sheet(List<Entry> job, params (string Unit, int[] Missing)[] gaps) => HeadSheet(job, Quartet, gaps);

    private static void HeadSheet(List<Entry> job, string model, params (string Unit, int[] Missing)[] gaps)
    {
        var layout = TestShop.Shop.Models[model].Sheet!.Layout;
        List<UnitLine> units =
        [
            .. layout.Units.Select(u =>
            {
                var missing = gaps.FirstOrDefault(g => g.Unit == u.Id).Missing ?? [];
                var letters = string.Concat(Enumerable.Range(0, u.Nozzles).Select(n => missing.Contains(n) ? 'x' : '.'));
                return UnitLine.Tapped(u, letters, TestShop.Sheets.Pattern);
            }),
        ];
        var n = 0;
        var taken = SheetKeeping.Take(
            TestShop.Case(job),
            $"s{job.Count}",
            new SheetWay("taps"),
            units,
            null,
            TestShop.Sheets,
            _ => TestShop.Case(job),
            () => $"i{job.Count}-{n++}"
        );
        TestShop.Add(job, taken);
    }
}
