using SideBench.Core.Bench;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

/// <summary>What stays changed on a machine: fitted by a guide, told, undone, and known on the next visit.</summary>
public class LastingChangeTests
{
    private static readonly MachineModel Quartet = TestShop.Shop.Models["marram-quartet-a4"];

    [Fact]
    public void GuideGivenUpAfterTheJoint_StillHasTheBottle_OnTheSheetAndOnTheNextVisit()
    {
        var entries = Joined();
        TestShop.Add(entries, GuideWork.End(HouseCrafts.Fold(entries), "run", "no drill here"));
        var state = HouseCrafts.Fold(entries);
        Assert.DoesNotContain(state.Tray, i => i.Part == "drain-tube");
        var sheet = HandOverSheet.Of(TestShop.Case(entries));
        Assert.Contains(sheet.Used, u => u.StartsWith("Fitted: Outside bottle", StringComparison.Ordinal));
        Assert.Contains(sheet.Watch, w => w.Contains("45 %"));
        var next = TestShop.Opened(TestShop.Intake(Quartet.Id, "waste-full"));
        var machine = AsItStands.Of(Quartet, AsItStands.ChangesOf(TestShop.Shop.Changes, state.Machine));
        Assert.Equal("bottle", machine.Axes["outlet"]);
        Assert.True(machine.Stations.ToList().FindIndex(s => s.Id == "bottle") < machine.Stations.ToList().FindIndex(s => s.Id == "drain"));
        Assert.DoesNotContain(TestShop.Shop.GuidesFor(machine), g => g.Id == "outside-bottle");
        var graph = TestShop.Shop.Graphs[Quartet.Id];
        var opening = HouseCrafts.Fold(next, state.Machine).Opening;
        var way = WayIn.To(graph, ["pad-holder", "drain-tube"], TestShop.Handling, opening.DoneOn(graph, []));
        Assert.DoesNotContain(way.Steps, s => s.Part == "drain-tube");
        Assert.Contains(way.Steps, s => s.Part == "pad-holder");
    }

    [Fact]
    public void AStationThatIsAdded_StandsWhereItIsSaid_ElseAtTheEndOfItsPath()
    {
        var bottle = TestShop.Shop.Changes.First(c => c.Id == "outside-bottle");
        var first = Quartet.Stations[0].Path;
        var added = bottle.Stations[0] with { Station = bottle.Stations[0].Station with { Path = first } };
        List<string> On(string before) =>
            [.. AsItStands.Of(Quartet, [bottle with { Stations = [added with { Before = before }] }]).Stations.Select(s => s.Id)];
        List<string> all = [.. Quartet.Stations.Select(s => s.Id)];
        var path = Quartet.Stations.TakeWhile(s => s.Path == first).Count();
        Assert.InRange(path, 2, all.Count - 1);
        Assert.Equal([.. all[..path], added.Station.Id, .. all[path..]], On(""));
        Assert.Equal([all[0], added.Station.Id, .. all[1..]], On(all[1]));
    }

    [Fact]
    public void Undone_ItIsTheMakersAgain_WithItsTubes()
    {
        var entries = Joined();
        TestShop.Add(entries, ChangeWork.Undo(HouseCrafts.Fold(entries), TestShop.Shop.Changes, "outside-bottle", "back to pads"));
        var state = HouseCrafts.Fold(entries);
        Assert.Empty(state.Machine.Modifications);
        Assert.Empty(state.Opening.StaysChanged);
        Assert.Same(Quartet, AsItStands.Of(Quartet, AsItStands.ChangesOf(TestShop.Shop.Changes, state.Machine)));
        Assert.Contains(
            HandOverSheet.Of(TestShop.Case(entries)).Used,
            u => u.StartsWith("Undone: Outside bottle", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData("outside-bottle", "changed-already")]
    [InlineData("addon-supply", "change-does-not-fit")]
    [InlineData("no-such", "unknown-word")]
    public void Told_WhatCannotBe_IsRefused(string change, string code)
    {
        var told = ChangeWork.Tell(HouseCrafts.Fold(Joined()), Quartet, TestShop.Shop.Changes, change, "seen");
        Assert.Equal(code, Assert.Single(told.Problems).Code.Id);
    }

    [Theory]
    [InlineData("reset-board", "not-changed")]
    [InlineData("drain-cut", "changed-for-ever")]
    public void Undone_WhatIsNotThereOrIsForEver_IsRefused(string change, string code)
    {
        var entries = TestShop.Opened(TestShop.Intake("pellow-studio-eight", "waste-full"));
        var studio = TestShop.Shop.Models["pellow-studio-eight"];
        TestShop.Add(entries, ChangeWork.Tell(HouseCrafts.Fold(entries), studio, TestShop.Shop.Changes, "drain-cut", "found so"));
        Assert.Equal(code, Assert.Single(ChangeWork.Undo(HouseCrafts.Fold(entries), TestShop.Shop.Changes, change, "x").Problems).Code.Id);
        Assert.Equal(
            ProblemCode.Missing,
            ChangeWork.Undo(HouseCrafts.Fold(entries), TestShop.Shop.Changes, "drain-cut", " ").Problems[0].Code
        );
    }

    [Fact]
    public void StepThatNeedsAGoodNumber_RefusesAnother_AndABranchPassesWithIt()
    {
        var entries = TestShop.Opened(TestShop.Intake(Quartet.Id, "waste-full"));
        var reset = new GuideStep("reset", StepKind.Do, "Reset", "", "", Quantities.Minutes.Of(1))
        {
            Measure = new AskedMeasure("Counter", "%", 0, 120, null, new GoodRange(null, 5, "Not in full.")),
            Branches = [new StepBranch("part", "Only a part", "Tell the customer.", "", Passes: true)],
        };
        entries.Add(TestShop.Line(2, new GuideBegun("run", "g", "Guide", 1, 0, [reset], [])));
        Outcome<IReadOnlyList<EntryBody>> Tick(string outcome, double? value) =>
            GuideWork.Tick(TestShop.Case(entries), null, new StepTold("run", "reset", outcome, value, ""), () => "n");
        Assert.Equal(StripDownProblem.NumberSaysOtherwise, Assert.Single(Tick("done", 80).Problems).Code);
        Assert.True(Tick("done", 3).IsGood);
        TestShop.Add(entries, Tick("part", 76));
        var run = HouseCrafts.Fold(entries).Opening.Runs[0];
        Assert.Null(run.Next);
        Assert.Equal(("part", 76.0), (run.Ticks["reset"].Outcome, run.Ticks["reset"].Value));
    }

    [Fact]
    public void StepThatSaysOfSomethingWetThatItIsDry_IsKnownAsOne()
    {
        var entries = TestShop.Opened(TestShop.Intake(Quartet.Id, "waste-full"));
        var dry = new GuideStep("dry", StepKind.Do, "They are dry", "", "", Quantities.Minutes.Of(1)) { Takes = ["contacts"] };
        entries.Add(TestShop.Line(2, new GuideBegun("run", "g", "Guide", 1, 0, [dry, dry with { Id = "other", Takes = [] }], [])));
        entries.Add(TestShop.Line(3, new TrayPutBy(new TrayItem("t", "contacts", "wet", 1, "Let them dry.", ["wet", "no-power"]))));
        var state = HouseCrafts.Fold(entries);
        Assert.True(GuideWork.Drying(state, "run", "dry", "done"));
        Assert.False(GuideWork.Drying(state, "run", "dry", "skipped"));
        Assert.False(GuideWork.Drying(state, "run", "other", "done"));
    }

    // The Quartet with its drain off and joined to a bottle, as the guide has it.
    private static List<Entry> Joined()
    {
        var entries = TestShop.Opened(TestShop.Intake(Quartet.Id, "waste-full"));
        var graph = TestShop.Shop.Graphs[Quartet.Id];
        var guide = TestShop.Shop.Guides.Single(g => g.Id == "outside-bottle");
        var join = guide.Lines.Select(l => l.Step).Single(s => s.Id == "join-two");
        var n = 0;
        foreach (var step in WayIn.To(graph, ["drain-tube"], TestShop.Handling).Steps)
            TestShop.Add(entries, OpeningWork.TakeOff(TestShop.Case(entries), graph, step.Id, null, $"t{++n}"));
        entries.Add(
            TestShop.Line(entries.Count + 1, new GuideBegun("run", guide.Id, guide.Name, 2, 0, [join, join with { Id = "next" }], []))
        );
        TestShop.Add(
            entries,
            GuideWork.Tick(TestShop.Case(entries), graph, new StepTold("run", join.Id, "done", null, ""), () => $"t{++n}")
        );
        return entries;
    }
}
