using SideBench.Core.Diagnosis;
using SideBench.Core.Quantities;
using SideBench.Core.Record;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class GuideRulesTests
{
    private static readonly TrayPut Towel = new("towel", "inside", 1, "Take it out.", ["inside", "no-power"]);
    private static readonly GuideStep Power = Step("power") with { Kind = StepKind.Power };

    [Fact]
    public void WhatIsPutInside_ComesOutBeforeAnythingCloses()
    {
        Assert.Contains("“towel” is still inside at the end", Said(Step("a") with { Puts = [Towel] }));
        Assert.Contains("“towel” would be closed in", Said(Step("a") with { Puts = [Towel] }, Step("b") with { Kind = StepKind.Back }));
        Assert.Contains("takes out “towel”", Said(Step("a") with { Takes = ["towel"] }));
        Assert.Empty(Said(Step("a") with { Puts = [Towel] }, Step("b") with { Takes = ["towel"] }));
    }

    [Fact]
    public void PowerFollowsItsConditions()
    {
        var open = Step("open") with { Kind = StepKind.Open, Targets = ["guard"] };
        var back = Step("back") with { Kind = StepKind.Back };
        Assert.Contains(
            "power comes on while “towel” is inside",
            Said(Step("a") with { Puts = [Towel] }, Power, Step("b") with { Takes = ["towel"] })
        );
        Assert.Contains("while the machine is open", Said(open, Power, back));
        Assert.Empty(Said(open, Power with { PowerWhileOpen = true }, back));
        Assert.Contains("still open at the end", Said(open));
    }

    [Fact]
    public void WhatCannotBeUndone_NeedsTheWordAndAPhotoFirst()
    {
        var cut = Step("cut") with { Irreversible = true };
        Assert.Contains("cannot be undone", Said(cut));
        Assert.Contains("cannot be undone", Said(Step("photo") with { Photo = true }, cut));
        Assert.Empty(Said(Step("word") with { Kind = StepKind.Word, Word = "irreversible" }, Step("photo") with { Photo = true }, cut));
    }

    [Fact]
    public void Windows_SayWhetherHandsFit()
    {
        GuideWindow[] windows =
        [
            new("parks", "the carriage parks", Minutes.None, "a", []),
            new("dries", "it dries", Minutes.Of(2), "a", []),
        ];
        GuideStep[] steps =
        [
            Step("a"),
            Step("b") with
            {
                Window = "parks",
                Hands = Minutes.Of(5),
            },
            Step("c") with
            {
                Window = "dries",
                Hands = Minutes.Of(3),
            },
        ];
        var fits = StepWindow.Of(windows, steps, TestShop.Shop.Models["marram-quartet-a4"]);
        // The Quartet's carriage parks itself after six minutes.
        Assert.Equal([(6.0, 5.0, true), (2.0, 3.0, false)], fits.Select(w => (w.Lasts!.Value.Value, w.Hands.Value, w.Fits)));
    }

    private static GuideStep Step(string id) => new(id, StepKind.Do, id, "", "", Minutes.Of(1));

    private static string Said(params GuideStep[] steps)
    {
        var guide = new Guide(
            "g",
            "G",
            1,
            "",
            new Condition.Always(),
            [],
            [],
            [],
            [],
            [.. steps.Select(s => new GuideLine(s, new Condition.Always()))]
        );
        var problems = GuideRules.Check(guide, TestShop.Shop.Models["marram-quartet-a4"], TestShop.Shop.Graphs["marram-quartet-a4"], "");
        return string.Join("; ", problems.SelectMany(p => p.Args).OfType<string>());
    }
}
