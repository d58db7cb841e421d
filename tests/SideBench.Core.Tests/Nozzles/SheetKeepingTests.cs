using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Machines;
using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Nozzles;

public class SheetKeepingTests
{
    private static readonly SheetPlan Plan = TestShop.Shop.Models["pellow-six-tank"].Sheet!;

    [Fact]
    public void CompleteSheet_AnswersTheQuestion_WithoutRetyping()
    {
        var entries = Opened("fades-under-load");
        Take(entries, Lines());
        var told = Assert.Single(HouseCrafts.Fold(entries).Answers).Body;
        Assert.Equal(("nozzle-sheet", "complete", "s1"), (told.Finding, told.Outcome, told.Sheet));
        Assert.True(TestShop.Case(entries).Odds.On("nozzles") < 0.05);
    }

    [Fact]
    public void Sheet_SpeaksForTheThreadsOwnSlot()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        Take(entries, Lines(("C", Gaps(n => n is > 40 and < 70)), ("M", Gaps(_ => true))));
        Assert.Equal("run", HouseCrafts.Fold(entries).Answers.Single(a => a.Body.Thread == 0).Body.Outcome);
    }

    [Fact]
    public void UnlikePatterns_OpenThreadsOfTheirOwn_LikeOnesDoNot()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        Take(
            entries,
            Lines(("C", Gaps(n => n % 15 == 2)), ("LC", Gaps(n => n % 16 == 2)), ("M", Gaps(_ => true)), ("K", Gaps(n => n % 3 == 0)))
        );
        var threads = HouseCrafts.Fold(entries).Threads;
        Assert.Equal(["missing-after-idle", "bands", "blank-channel"], threads.Select(t => t.Complaint));
        Assert.Equal([2, 1, 4], threads.Select(t => t.Slot));
        Take(entries, Lines(("C", Gaps(n => n % 15 == 2)), ("M", Gaps(_ => true)), ("K", Gaps(n => n % 3 == 0))), "s2");
        Assert.Equal(3, HouseCrafts.Fold(entries).Threads.Count);
    }

    [Fact]
    public void Proof_IsToldByASheetOnlyWhereItIsWanted()
    {
        // Cleaned for the black before any sheet: the first one has none to be compared with, and nobody asked for the proving sheet.
        var entries = Opened("missing-after-idle", slot: 2);
        TestShop.Add(entries, Endings.Open(TestShop.Case(entries), "blank-channel", 1, ""));
        entries.Add(TestShop.Line(entries.Count + 1, new GateOverridden("sheet-before-clean", "clean-normal", "done at the counter", 1)));
        TestShop.Add(entries, BenchWork.Mend(Case(entries, 1), "clean-normal", null, "", () => "m"));
        TestShop.ClearTray(entries);
        Take(entries, Lines());
        Assert.Empty(HouseCrafts.Fold(entries).Answers);
    }

    [Fact]
    public void SheetAfterAClean_IsComparedWithTheOneBefore()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        Take(entries, Lines(("C", Gaps(n => n % 12 == 0))));
        TestShop.Mend(entries, "clean-normal");
        Take(entries, Lines(("C", Gaps(n => n is 0 or 24))), "s2");
        var state = HouseCrafts.Fold(entries);
        Assert.Equal(("sheet-after-clean", "fewer"), (state.Answers[^1].Body.Finding, state.Answers[^1].Body.Outcome));
        Assert.Equal([0, 1], state.Sheets.Select(s => s.CleansBefore));
    }

    [Fact]
    public void UncertainPattern_WeighsLess_ThanACertainOne()
    {
        var sure = Opened("missing-after-idle");
        TestShop.Answer(sure, "nozzle-sheet", "run");
        var told = new Answered(
            "nozzle-sheet",
            "run",
            "n",
            "l",
            "s",
            null,
            "",
            3,
            [],
            Shares: new Dictionary<string, double> { ["run"] = 0.6, ["scattered"] = 0.4 }
        );
        var unsure = Opened("missing-after-idle");
        unsure.Add(TestShop.Line(2, told));
        var never = TestShop.Case(Opened("missing-after-idle")).Odds;
        int clog = Index(never, "nozzles-clogged");
        double Of(List<Entry> entries) => TestShop.Case(entries).Odds.Still[clog];
        Assert.InRange(Of(unsure), never.Still[clog], Of(sure));
        Assert.True(Of(sure) - Of(unsure) > 0.01);
    }

    [Fact]
    public void PatternsThatAnswerAlike_AddTheirOdds()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        var odds = new Dictionary<PatternClass, double>
        {
            [PatternClass.Blank] = 0.7,
            [PatternClass.NearBlank] = 0.25,
            [PatternClass.Starvation] = 0.05,
        };
        Take(
            entries,
            [.. Lines(("C", Gaps(_ => true))).Select(l => l.Id == "C" ? l with { Pattern = PatternClass.Blank, Odds = odds } : l)]
        );
        var shares = HouseCrafts.Fold(entries).Answers.Single(a => a.Body.Finding == "nozzle-sheet").Body.Shares!;
        Assert.Equal((0.95, 0.05), (shares["blank"], shares["fading"]));
    }

    [Fact]
    public void DoubtfulReading_IsAskedAbout_AndAnswersNothing()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        var lines = Lines(("C", Gaps(n => n % 12 == 0)));
        Take(entries, [.. lines.Select(l => l.Id == "C" ? l with { Unsure = [.. Enumerable.Range(0, 30)] } : l)]);
        Assert.Empty(HouseCrafts.Fold(entries).Answers);
        Assert.Single(HouseCrafts.Fold(entries).Sheets);
        // Once a person has looked, it tells what it could not before.
        TestShop.Add(
            entries,
            SheetKeeping.PutRight(TestShop.Case(entries), "s1", lines, TestShop.Sheets, _ => TestShop.Case(entries), () => "x")
        );
        Assert.Equal(
            ("nozzle-sheet", "scattered"),
            HouseCrafts.Fold(entries).Answers.Select(a => (a.Body.Finding, a.Body.Outcome)).Single()
        );
    }

    [Fact]
    public void OlderDoubtfulSheet_PutRightAfterALaterOneSpoke_TellsNothing()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        var lines = Lines(("C", Gaps(n => n % 12 == 0)));
        Take(entries, [.. lines.Select(l => l.Id == "C" ? l with { Unsure = [.. Enumerable.Range(0, 30)] } : l)]);
        Take(entries, Lines(("C", Gaps(n => n is > 40 and < 70))), "s2");
        var right = SheetKeeping.PutRight(TestShop.Case(entries), "s1", lines, TestShop.Sheets, _ => TestShop.Case(entries), () => "x");
        Assert.Equal("s1", Assert.IsType<SheetCorrected>(Assert.Single(right.Value)).Sheet);
    }

    [Fact]
    public void Taps_TellNothingOfColour_SoWhatWasReadOfItStands()
    {
        var model = TestShop.Shop.Models["pellow-six-tank"];
        (string, string, string?)? Tap(UnitLine l, string? mixed = null) => (l.Id, l.Nozzles, mixed);
        List<UnitLine> read = [.. Lines().Select(l => l.Id == "C" ? l with { MixedWith = "M" } : l)];
        string? Of(string unit, IReadOnlyList<UnitLine>? earlier, string? told = null) =>
            SheetTaps
                .Of(model, [.. Lines().Select(l => Tap(l, l.Id == unit ? told : null))], earlier, TestShop.Sheets)
                .Value.First(l => l.Id == unit)
                .MixedWith;
        Assert.Equal(("M", null, null, "K"), (Of("C", read), Of("Y", read), Of("C", null), Of("C", read, "K")));
    }

    [Fact]
    public void SheetPutRight_AfterAThreadItToldWasTakenBack_TellsTheOthers()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        var lines = Lines(("C", Gaps(n => n % 12 == 0)));
        Take(entries, lines);
        // Its answer speaks of a thread that is no more.
        var told = entries.FindIndex(e => e.Body is Answered);
        entries[told] = entries[told] with { Body = ((Answered)entries[told].Body) with { Thread = 7 } };
        var right = SheetKeeping.PutRight(
            TestShop.Case(entries),
            "s1",
            Lines(),
            TestShop.Sheets,
            _ => throw new InvalidOperationException("no such thread"),
            () => "x"
        );
        Assert.Contains(right.Value, l => l is SheetCorrected);
        Assert.DoesNotContain(right.Value, l => l is Corrected);
    }

    [Fact]
    public void OlderSheetPutRight_IsComparedWithTheOneBeforeIt_NotWithALaterOne()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        var many = Lines(("C", Gaps(n => n % 12 == 0)));
        Take(entries, many);
        TestShop.Mend(entries, "clean-normal");
        Take(entries, Lines(("C", Gaps(n => n is 0 or 24))), "s2");
        TestShop.Mend(entries, "clean-normal");
        Take(entries, Lines(("C", Gaps(n => n is 0))), "s3");
        TestShop.Add(
            entries,
            SheetKeeping.PutRight(TestShop.Case(entries), "s2", many, TestShop.Sheets, _ => TestShop.Case(entries), () => "x")
        );
        Assert.Equal("same", HouseCrafts.Fold(entries).Answers.Single(a => a.Body.Sheet == "s2").Body.Outcome);
    }

    [Fact]
    public void PuttingRight_KeepsWhatWasRead_AndTellsAnew()
    {
        var entries = Opened("missing-after-idle", slot: 2);
        Take(entries, Lines(("C", Gaps(n => n is > 40 and < 70))));
        var right = Lines(("C", Gaps(n => n % 15 == 2)));
        TestShop.Add(
            entries,
            SheetKeeping.PutRight(TestShop.Case(entries), "s1", right, TestShop.Sheets, _ => TestShop.Case(entries), () => "x")
        );
        var state = HouseCrafts.Fold(entries);
        Assert.Equal("scattered", Assert.Single(state.Answers).Body.Outcome);
        Assert.Equal(29, state.Sheets[0].Read.Units.First(u => u.Id == "C").MissingCount);
        Assert.Equal(12, state.Sheets[0].Units.First(u => u.Id == "C").MissingCount);
        Assert.True(state.Sheets[0].PutRight > 20);
        // The same answer again is no news: only the correction is written.
        Assert.Single(
            SheetKeeping.PutRight(TestShop.Case(entries), "s1", right, TestShop.Sheets, _ => TestShop.Case(entries), () => "x").Value
        );
    }

    [Fact]
    public void SheetsThatDoNotFit_AreRefusedWithWhere()
    {
        var job = TestShop.Case(Opened("missing-after-idle"));
        Problem Wrong(IReadOnlyList<UnitLine> units) =>
            Assert.Single(SheetKeeping.Take(job, "s", new SheetWay("taps"), units, null, TestShop.Sheets, _ => job, () => "x").Problems);
        Assert.Equal("/units", Wrong([]).Path);
        Assert.Equal("/units/1/nozzles", Wrong([.. Lines().Select((l, i) => i == 1 ? l with { Nozzles = "..." } : l)]).Path);
        Assert.Equal(
            "/units/0/nozzles",
            Wrong([.. Lines().Select((l, i) => i == 0 ? l with { Nozzles = new string('q', l.Nozzles.Length) } : l)]).Path
        );
        Assert.Equal("/units/2/id", Wrong([.. Lines().Select((l, i) => i == 2 ? l with { Id = "ZZ" } : l)]).Path);
        Assert.Equal(
            NozzlesProblem.UnknownSheet,
            Assert.Single(SheetKeeping.PutRight(job, "none", Lines(), TestShop.Sheets, _ => job, () => "x").Problems).Code
        );
    }

    private static int Index(Posterior odds, string cause) => odds.Book.Causes.Select((c, i) => (c.Id, i)).First(c => c.Id == cause).i;

    private static List<Entry> Opened(string complaint, int slot = 0) =>
        TestShop.Opened(TestShop.Intake("pellow-six-tank", complaint, idleWeeks: 8) with { Slot = slot });

    private static void Take(List<Entry> entries, IReadOnlyList<UnitLine> lines, string sheet = "s1") =>
        TestShop.Add(
            entries,
            SheetKeeping.Take(
                TestShop.Case(entries),
                sheet,
                new SheetWay("taps"),
                lines,
                null,
                TestShop.Sheets,
                thread => Case(entries, thread),
                () => "x"
            )
        );

    private static JobCase Case(List<Entry> entries, int thread)
    {
        var state = HouseCrafts.Fold(entries);
        return new JobCase(
            TestShop.Book("pellow-six-tank", state.Thread(thread).Complaint),
            state,
            DateOnly.FromDateTime(TestShop.Now.UtcDateTime),
            thread
        );
    }

    private static List<UnitLine> Lines(params (string Id, string Letters)[] told) =>
        [
            .. Plan.Layout.Units.Select(u =>
                UnitLine.Tapped(u, told.FirstOrDefault(t => t.Id == u.Id).Letters ?? new string('.', u.Nozzles), TestShop.Sheets.Pattern)
            ),
        ];

    private static string Gaps(Func<int, bool> missing) => string.Concat(Enumerable.Range(0, 180).Select(n => missing(n) ? 'x' : '.'));
}
