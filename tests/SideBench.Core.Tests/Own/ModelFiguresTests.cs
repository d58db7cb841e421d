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
