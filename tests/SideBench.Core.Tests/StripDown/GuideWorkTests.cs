using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Quantities;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class GuideWorkTests
{
    private static readonly AccessGraph Graph = TestShop.Shop.Graphs["marram-quartet-a4"];
    private static readonly TrayPut Towel = new("towel", "inside", 1, "Take it out.", ["inside", "no-power"]);

    [Fact]
    public void Steps_AreTickedInOrder_OnceAndByName()
    {
        var entries = Begun(Step("a"), Step("b"));
        Assert.Equal("steps-before", Refused(entries, "b"));
        Tick(entries, "a");
        Assert.Equal("step-ticked", Refused(entries, "a"));
        Assert.Equal(("b", "Ines Varga"), (Run(entries).Next!.Id, Run(entries).Ticks["a"].Person));
        Assert.Equal("unknown-step", Refused(entries, "ghost"));
        Assert.Equal("unknown-answer", Refused(entries, "b", "perhaps"));
    }

    [Fact]
    public void Skipping_NeedsAReason_AndNeverSkipsTheWord()
    {
        var entries = Begun(Step("a"), Step("word") with { Kind = StepKind.Word, Word = "irreversible" });
        Assert.Equal("missing", Refused(entries, "a", "skipped"));
        Tick(entries, "a", "skipped", words: "not on this one");
        Assert.Equal("word-needed", Refused(entries, "word", "skipped", words: "no time"));
        Assert.Equal("word-needed", Refused(entries, "word"));
        TestShop.Add(entries, BenchKeeping.Consent(HouseCrafts.Fold(entries), "irreversible", "Sal Marsh"));
        Tick(entries, "word");
    }

    [Fact]
    public void PowerWithATowelInside_IsRefused_UntilItIsOut()
    {
        var entries = Begun(
            Step("in") with
            {
                Puts = [Towel],
            },
            Step("power") with
            {
                Kind = StepKind.Power,
            },
            Step("out") with
            {
                Takes = ["towel"],
            }
        );
        Tick(entries, "in");
        Assert.Equal("tray-forbids", Refused(entries, "power"));
        TestShop.Add(entries, OpeningWork.Clear(HouseCrafts.Fold(entries), [HouseCrafts.Fold(entries).Tray.Single().Id], Graph));
        Tick(entries, "power");
    }

    [Fact]
    public void PowerIsRefusedForWhatForbidsPowerAlone()
    {
        var entries = Begun(Step("power") with { Kind = StepKind.Power, PowerWhileOpen = true });
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), "pads", "wet", 1, "w"));
        Assert.Equal(
            ["closing"],
            new[] { "closing", "moving" }.Where(w => GuideWork.InTheWay(HouseCrafts.Fold(entries), w, true).Count == 0).Take(1)
        );
        Assert.Equal("tray-forbids", Refused(entries, "power"));
    }

    [Theory]
    [InlineData(false, true)]
    [InlineData(true, false)]
    public void PowerOverAnOpenMachine_IsForTheStepsThatSayTheyMay(bool whileOpen, bool refused)
    {
        var entries = Begun(Step("power") with { Kind = StepKind.Power, PowerWhileOpen = whileOpen });
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), "top cover", "open", 1, "c"));
        Assert.Equal(refused, !Told(entries, "power", "done", null, "").IsGood);
    }

    [Fact]
    public void MeasureAndPhoto_AreAskedFor()
    {
        var entries = Begun(
            Step("read") with
            {
                Measure = new AskedMeasure("Counter", "% of counter", 0, 120),
            },
            Step("photo") with
            {
                Photo = true,
            }
        );
        Assert.Equal("missing", Refused(entries, "read"));
        Assert.Equal("out-of-range", Refused(entries, "read", value: 130));
        Assert.Equal("out-of-range", Refused(entries, "read", value: double.NaN));
        Tick(entries, "read", value: 88);
        Assert.Equal(88, HouseCrafts.Fold(entries).Counter?.Pct);
        Assert.Equal("photo-first", Refused(entries, "photo"));
        TestShop.Add(entries, OpeningWork.Photo(HouseCrafts.Fold(entries), "fp", "run:photo", "the pads"));
        Tick(entries, "photo");
    }

    [Fact]
    public void WhatCannotBeUndone_NeedsAPhoto_ThoughItsStepWasSkipped()
    {
        var entries = Begun(Step("photo") with { Photo = true }, Step("cut") with { Irreversible = true });
        Tick(entries, "photo", "skipped", words: "no camera");
        Assert.Equal(
            [StripDownProblem.WordNeeded, StripDownProblem.PhotoFirst],
            Told(entries, "cut", "done", null, "").Problems.Select(p => p.Code)
        );
        TestShop.Add(entries, BenchKeeping.Consent(HouseCrafts.Fold(entries), "irreversible", "Sal Marsh"));
        Assert.Equal("photo-first", Refused(entries, "cut"));
        TestShop.Add(entries, OpeningWork.Photo(HouseCrafts.Fold(entries), "fp", "run:cut", "both ends"));
        Tick(entries, "cut");
    }

    [Fact]
    public void OpeningStep_IsDoneOnceItsPartsAreOff_AndBackOnceTheTrayIsClear()
    {
        var entries = Begun(
            Step("open") with
            {
                Kind = StepKind.Open,
                Targets = ["tank-cover"],
            },
            Step("back") with
            {
                Kind = StepKind.Back,
            }
        );
        Assert.Equal("off-first", Refused(entries, "open"));
        foreach (var removal in new[] { "mains-lead", "tank-cover" })
            TestShop.Add(entries, OpeningWork.TakeOff(TestShop.Case(entries), Graph, removal, null, removal));
        Tick(entries, "open");
        Assert.Equal("back-first", Refused(entries, "back"));
        TestShop.Add(entries, OpeningWork.Clear(HouseCrafts.Fold(entries), ["mains-lead", "tank-cover"], Graph));
        Tick(entries, "back");
        TestShop.Add(entries, GuideWork.End(HouseCrafts.Fold(entries), "run", ""));
        Assert.True(Run(entries).Ended!.Done);
    }

    [Fact]
    public void WrongTurn_GoesBackToTheStepItNames()
    {
        var entries = Begun(
            Step("a"),
            Step("b"),
            Step("c") with
            {
                Branches = [new StepBranch("bubble", "A bubble", "The seal first.", "b")],
            }
        );
        Tick(entries, "a");
        Tick(entries, "b");
        Tick(entries, "c", "bubble");
        Assert.Equal(["a"], Run(entries).Ticks.Keys);
    }

    [Fact]
    public void Window_CountsDown_AndEndsWithItsLastStep()
    {
        GuideWindow[] windows = [new("parks", "the carriage parks itself", Minutes.None, "a", [])];
        var entries = Begun(windows, Step("a"), Step("b") with { Window = "parks" }, Step("c") with { Window = "parks" });
        Tick(entries, "a");
        Assert.Equal(("window", 6.0), HouseCrafts.Fold(entries).Clocks.Select(c => (c.Kind, c.MinMinutes)).Single());
        Tick(entries, "b");
        Tick(entries, "c");
        Assert.Empty(HouseCrafts.Fold(entries).Clocks);
    }

    [Fact]
    public void GuideChangedMeanwhile_IsTakenOverWhenAsked_AndLosesNoTick()
    {
        var entries = Begun(Step("a"), Step("b"));
        Tick(entries, "a");
        Assert.Equal(2, Run(entries).Begun.Steps.Count);
        TestShop.Add(
            entries,
            GuideWork.Renew(
                HouseCrafts.Fold(entries),
                TestShop.Shop.Models["marram-quartet-a4"],
                Made([], Step("new"), Step("a"), Step("b")) with
                {
                    Version = 2,
                },
                "run"
            )
        );
        Assert.Equal((2, "new", "a"), (Run(entries).Begun.Version, Run(entries).Next!.Id, Run(entries).Ticks.Keys.Single()));
        Assert.Equal(StripDownProblem.UnknownRun, Assert.Single(GuideWork.End(HouseCrafts.Fold(entries), "other", "").Problems).Code);
        Assert.Equal(ProblemCode.Missing, Assert.Single(GuideWork.End(HouseCrafts.Fold(entries), "run", "").Problems).Code);
    }

    [Fact]
    public void Guide_IsNotBegunTwice_AndAgainOnceItEnded()
    {
        var entries = Begun(Step("a"));
        Outcome<IReadOnlyList<EntryBody>> Again(string run) =>
            GuideWork.Begin(HouseCrafts.Fold(entries), TestShop.Shop.Models["marram-quartet-a4"], Made([], Step("a")), 0, run);
        Assert.Equal(StripDownProblem.StepTicked, Assert.Single(Again("two").Problems).Code);
        Tick(entries, "a");
        TestShop.Add(entries, GuideWork.End(HouseCrafts.Fold(entries), "run", ""));
        Assert.True(Again("two").IsGood);
    }

    private static GuideStep Step(string id) => new(id, StepKind.Do, id, "", "", Minutes.Of(1));

    private static Guide Made(IReadOnlyList<GuideWindow> windows, params GuideStep[] steps) =>
        new("g", "G", 1, "", new Condition.Always(), [], [], [], windows, [.. steps.Select(s => new GuideLine(s, new Condition.Always()))]);

    private static List<Entry> Begun(params GuideStep[] steps) => Begun([], steps);

    private static List<Entry> Begun(IReadOnlyList<GuideWindow> windows, params GuideStep[] steps)
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        TestShop.Add(
            entries,
            GuideWork.Begin(HouseCrafts.Fold(entries), TestShop.Shop.Models["marram-quartet-a4"], Made(windows, steps), 0, "run")
        );
        return entries;
    }

    private static GuideRun Run(List<Entry> entries) => HouseCrafts.Fold(entries).Opening.Runs.Single();

    private static Outcome<IReadOnlyList<EntryBody>> Told(List<Entry> entries, string step, string outcome, double? value, string words) =>
        GuideWork.Tick(TestShop.Case(entries), Graph, new StepTold("run", step, outcome, value, words), () => $"n{entries.Count}");

    private static void Tick(List<Entry> entries, string step, string outcome = "done", double? value = null, string words = "") =>
        TestShop.Add(entries, Told(entries, step, outcome, value, words));

    private static string Refused(List<Entry> entries, string step, string outcome = "done", double? value = null, string words = "") =>
        Assert.Single(Told(entries, step, outcome, value, words).Problems).Code.Id;
}
