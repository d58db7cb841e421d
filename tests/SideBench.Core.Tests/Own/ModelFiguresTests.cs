using SideBench.Core.Machines;
using SideBench.Core.Own;
using Xunit;

namespace SideBench.Core.Tests.Own;

public class ModelFiguresTests
{
    public static TheoryData<string> Models() => [.. TestShop.Shop.Models.Keys];

    [Theory]
    [MemberData(nameof(Models))]
    public void EveryFigure_HasItsOwnPlace_AUnitThatMeasurementsKnow_AndRoomAboveIt(string id)
    {
        var figures = ModelFigures.Of(TestShop.Shop.Models[id]);
        Assert.Equal(figures.Count, figures.Select(f => f.Pointer).Distinct().Count());
        var known = TestShop.Shop.Numbers.Of<OwnNumbers>().MeasuredFactor;
        Assert.All(figures, f => Assert.Contains(f.Unit, known.Keys));
        Assert.All(figures, f => Assert.InRange(f.Value, 0, f.Most));
        Assert.Contains(figures, f => f.Pointer == "operations/clean-deep/counterPct" && f.Value > 0);
    }

    [Fact]
    public void WhatHelps_IsAboutFiguresThereAre_AndComplaintsThereAre()
    {
        var helps = TestShop.Shop.Numbers.Of<OwnNumbers>().Helps;
        var pointers = TestShop.Shop.Models.Values.SelectMany(ModelFigures.Of).Select(f => f.Pointer).ToHashSet();
        Assert.All(helps.Keys, start => Assert.Contains(pointers, p => p.StartsWith(start, StringComparison.Ordinal)));
        var complaints = TestShop.Shop.Book.Complaints.Select(c => c.Id).ToHashSet();
        Assert.All(helps.Values.SelectMany(c => c), c => Assert.Contains(c, complaints));
    }

    [Fact]
    public void WhatWouldHelpMost_IsWideAndAskedForOften_OneOfASort()
    {
        var model = TestShop.Shop.Models["marram-duo"];
        string[] pointers =
        [
            "operations/clean-deep/mlPerChannel",
            "operations/clean-light/mlPerChannel",
            "padCapacityG",
            "storeTareG",
            "worth",
        ];
        var figures = pointers.ToDictionary(p => p, p => new TaughtFigure(p == "storeTareG" ? 2 : 1.4, p == "padCapacityG" ? 1 : 0));
        var own = model with { Taught = new TaughtModel("marram-quartet-a4", figures) };
        var numbers = TestShop.Shop.Numbers.Of<OwnNumbers>();
        var quiet = FigureHelp.Of(own, numbers, new Dictionary<string, int>(), 3);
        // Measured ones, and those no job goes by, help nothing; of two cleans one stands for both.
        Assert.Equal(["storeTareG", "operations/clean-deep/mlPerChannel"], quiet.Select(h => h.Figure.Pointer));
        var busy = FigureHelp.Of(own, numbers, new Dictionary<string, int> { ["bands"] = 5, ["waste-full"] = 1 }, 3);
        Assert.Equal([("operations/clean-deep/mlPerChannel", 5), ("storeTareG", 1)], busy.Select(h => (h.Figure.Pointer, h.Jobs)));
        Assert.Single(FigureHelp.Of(own, numbers, new Dictionary<string, int>(), 1));
        Assert.Empty(FigureHelp.Of(model, numbers, new Dictionary<string, int>(), 3));
    }

    [Fact]
    public void ATaughtFigure_IsADefault_UntilItWasMeasuredOrTold()
    {
        var taught = new TaughtModel(
            "marram-duo",
            new Dictionary<string, TaughtFigure> { ["worth"] = new(1.4, 0), ["pageMl"] = new(1.2, 2) }
        );
        Assert.True(taught.IsDefault("worth"));
        Assert.False(taught.IsDefault("pageMl"));
        Assert.False(taught.IsDefault("damperMl"));
    }
}
