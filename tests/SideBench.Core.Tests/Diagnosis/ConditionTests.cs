using SideBench.Core.Diagnosis;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class ConditionTests
{
    private static readonly Condition Yes = new Condition.Always();
    private static readonly Condition No = new Condition.Not(new Condition.Always());

    private static readonly Facts Case = new()
    {
        Model = TestShop.Shop.Models["marram-quartet-a4"],
        Context = new Dictionary<string, string> { ["ink"] = "refilled" },
        Answers = new Dictionary<string, string> { ["nozzle-sheet"] = "complete" },
        Done =
        [
            ["clean"],
            ["rest"],
            ["clean"],
        ],
        Tray = [new TrayItem("1", "lid", "open", 1, "shut it", ["open"])],
        CounterPct = 96,
        Consents = ["irreversible"],
    };

    public static TheoryData<string, Condition, bool> Rows() =>
        new()
        {
            { "all, with one that fails", new Condition.All([Yes, No]), false },
            { "all of none", new Condition.All([]), true },
            { "any, with one that holds", new Condition.Any([No, Yes]), true },
            { "any of none", new Condition.Any([]), false },
            { "the model's axis", new Condition.ModelIs("head", ["thermal", "piezo"]), true },
            { "another word on that axis", new Condition.ModelIs("head", ["thermal"]), false },
            { "an axis the model does not have", new Condition.ModelIs("wings", ["two"]), false },
            { "a station it has", new Condition.HasStation("damper"), true },
            { "a station it does not have", new Condition.HasStation("seal"), false },
            { "the context", new Condition.ContextIs("ink", ["refilled", "addon"]), true },
            { "context that was not told", new Condition.ContextIs("paper", ["thick"]), false },
            { "an answer", new Condition.FindingIs("nozzle-sheet", ["complete"]), true },
            { "another answer", new Condition.FindingIs("nozzle-sheet", ["run"]), false },
            { "a question that was not told", new Condition.FindingIs("draw-test", ["free"]), false },
            { "work done twice", new Condition.DoneAtLeast("clean", 2, null), true },
            { "work done twice since a rest", new Condition.DoneAtLeast("clean", 2, "rest"), false },
            { "work done once since a rest", new Condition.DoneAtLeast("clean", 1, "rest"), true },
            { "a mark on the tray", new Condition.TrayHas("open"), true },
            { "a mark that is not there", new Condition.TrayHas("wet"), false },
            { "the customer's word", new Condition.Agreed("irreversible"), true },
            { "a word that was not given", new Condition.Agreed("open-in-warranty"), false },
        };

    [Theory]
    [MemberData(nameof(Rows))]
    public void Holds_ByItsKind(string what, Condition condition, bool holds) => Assert.True(condition.Holds(Case) == holds, what);

    [Theory]
    [InlineData(4, false)]
    [InlineData(5, true)]
    [InlineData(0, false)]
    public void CounterPasses_LooksAtWhatTheStepWouldAdd(double step, bool holds) =>
        Assert.Equal(holds, new Condition.CounterPasses(100).Holds(Case, new StepLoad(step, 0)));

    [Fact]
    public void CounterPasses_WithoutAReading_DoesNotHold() =>
        Assert.False(new Condition.CounterPasses(100).Holds(Case with { CounterPct = null }, new StepLoad(50, 0)));

    [Theory]
    [InlineData(39.0, false)]
    [InlineData(41.0, true)]
    public void PastLimit_AddsTheStepToTheBill(double charge, bool holds)
    {
        Assert.Equal(holds, new Condition.PastLimit().Holds(Case with { Limit = 60, Spent = 20 }, new StepLoad(0, charge)));
        Assert.False(new Condition.PastLimit().Holds(Case with { Limit = null, Spent = 20 }, new StepLoad(0, charge)));
    }

    [Fact]
    public void PastWorth_IsAShareOfWhatTheMachineIsWorth()
    {
        var worth = (double)Case.Model.Worth;
        Assert.True(new Condition.PastWorth(0.5).Holds(Case with { Spent = worth * 0.4 }, new StepLoad(0, worth * 0.11)));
        Assert.False(new Condition.PastWorth(0.5).Holds(Case with { Spent = worth * 0.4 }, new StepLoad(0, worth * 0.09)));
    }

    [Fact]
    public void For_WorksOutWhatOnlyLooksAtTheModel_AndChangesNothingElse()
    {
        foreach (var model in TestShop.Shop.Models.Values)
        {
            var bare = new Facts { Model = model, Context = new Dictionary<string, string>() };
            var told = bare with
            {
                Context = new Dictionary<string, string> { ["ink"] = "refilled", ["complaint"] = "fades-under-load" },
                Answers = new Dictionary<string, string> { ["nozzle-sheet"] = "complete" },
            };
            foreach (var step in TestShop.Shop.Book.Findings.Cast<BookStep>().Concat(TestShop.Shop.Book.Repairs))
                Assert.True(step.When.Holds(told) == step.When.For(bare).Holds(told), $"{model.Id} {step.Id}");
        }
    }
}
