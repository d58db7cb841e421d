using SideBench.Core.Machines;
using SideBench.Core.Own;
using Xunit;

namespace SideBench.Core.Tests.Own;

public class KindAnswersTests
{
    private static readonly Dictionary<string, string> Carriage = new()
    {
        ["head"] = "piezo",
        ["headPlace"] = "carriage",
        ["delivery"] = "carriage",
        ["cartridge"] = "sponge",
        ["chips"] = "one-time",
        ["panel"] = "lights",
        ["waste"] = "pads",
        ["drainOut"] = "pulled",
        ["spares"] = "no",
    };

    private static OwnNumbers Numbers => TestShop.Shop.Numbers.Of<OwnNumbers>();

    [Theory]
    [InlineData("delivery", "tank", "/axes/cartridge")]
    [InlineData("cartridge", "none", "/axes/cartridge")]
    [InlineData("chips", "count", "/axes/chips")]
    [InlineData("headPlace", "cartridge", "/axes/head")]
    [InlineData("waste", "box", "/axes/drainOut")]
    [InlineData("head", "laser", "/axes/head")]
    public void WhatGoesNotTogether_IsRefused_AtItsPlace(string axis, string said, string at)
    {
        var problems = Of(new(Carriage) { [axis] = said }).Check([.. TestShop.Shop.Models.Values], Numbers);
        Assert.Contains(problems, p => p.Path == at);
    }

    [Fact]
    public void WhatFollowsFromAnAnswer_GoesTogetherWithIt()
    {
        foreach (
            var (axis, option) in KindAnswers
                .Questions.SelectMany(q => q.Options.Select(o => (q.Axis, o)))
                .Where(o => o.o.Follows.Count > 0)
        )
        {
            Assert.All(option.Follows, f => Assert.Contains(f.Value, KindAnswers.Asked[f.Key]));
            var axes = new Dictionary<string, string>(Carriage) { [axis] = option.Id };
            foreach (var (other, word) in option.Follows)
                axes[other] = word;
            Assert.Empty(Of(axes).Check([.. TestShop.Shop.Models.Values], Numbers));
        }
    }

    [Fact]
    public void ATankWithChipsAndNoSlots_IsRefusedForEach()
    {
        var axes = new Dictionary<string, string>(Carriage)
        {
            ["delivery"] = "tank",
            ["cartridge"] = "none",
            ["chips"] = "auto",
        };
        var known = TestShop.Shop.Models.Values.ToList();
        Assert.Contains(Of(axes).Check(known, Numbers), p => p.Path == "/axes/chips");
        Assert.Contains((Of(axes) with { Inks = [] }).Check(known, Numbers), p => p.Path == "/inks");
    }

    [Fact]
    public void NamesAndSerials_OfAnotherModel_AreTaken()
    {
        var known = TestShop.Shop.Models.Values.Select(m => m.Id == "marram-duo" ? m with { SerialPrefix = "MD" } : m).ToList();
        var told = Of(Carriage) with { Maker = "Marram", Name = "Duo", SerialPrefix = "md" };
        Assert.Equal([OwnProblem.ModelThere, OwnProblem.PrefixTaken], told.Check(known, Numbers).Select(p => p.Code));
        Assert.Empty((told with { Name = "Solo", SerialPrefix = "MS" }).Check(known, Numbers));
    }

    [Fact]
    public void OfAllModels_TheNearestIsTheOneWithEveryAnswerTheSame_UnlessAnotherIsNamed()
    {
        foreach (var model in TestShop.Shop.Models.Values)
        {
            var axes = KindAnswers.Asked.Keys.ToDictionary(a => a, a => model.Axes.GetValueOrDefault(a, "no"));
            var answers = Of(axes) with { Inks = [.. model.Slots.Select(s => s.Ink)] };
            Assert.Equal(model.Id, FamilyDefaults.Nearest(answers, [.. TestShop.Shop.Models.Values], Numbers).Id);
            var like = FamilyDefaults.Nearest(answers with { Like = "tolling-folio-3" }, [.. TestShop.Shop.Models.Values], Numbers);
            Assert.Equal("tolling-folio-3", like.Id);
        }
    }

    [Fact]
    public void AFamilysFigure_IsItsGeometricMean_AsWideAsTheFamilyIs()
    {
        var figures = FamilyDefaults.Figures(TestShop.Shop.Models["marram-quartet-a4"], [.. TestShop.Shop.Models.Values], Numbers);
        // Models that were made of defaults tell nothing new of their family, and stand for none: ten of them leave all as it is.
        var duet = TestShop.Shop.Models["marram-quartet-a4"] with
        {
            Id = "heath-duet",
            Worth = 900,
            Taught = new TaughtModel("", new Dictionary<string, TaughtFigure> { ["worth"] = new(2, 0) }),
        };
        List<MachineModel> more = [duet, .. TestShop.Shop.Models.Values, .. Enumerable.Repeat(duet, 9)];
        Assert.Equal(figures["worth"], FamilyDefaults.Figures(TestShop.Shop.Models["marram-quartet-a4"], more, Numbers)["worth"]);
        var same = new KindAnswers("Heath", "Trio", "", duet.Axes, ["black"], 100, "");
        Assert.Equal("marram-quartet-a4", FamilyDefaults.Nearest(same, more, Numbers).Id);
        Assert.Equal("heath-duet", FamilyDefaults.Nearest(same with { Like = "heath-duet" }, more, Numbers).Id);
        // The two tank models: 0.3 and 0.28 ml; 182 and 255 g.
        Assert.Equal(Math.Sqrt(0.3 * 0.28), figures["operations/clean-light/mlPerChannel"].Value, 9);
        Assert.Equal(Numbers.LeastFactor, figures["operations/clean-light/mlPerChannel"].Factor, 9);
        var spread = Math.Log(255.0 / 182) / Math.Sqrt(2);
        Assert.Equal(Math.Exp(1.2816 * spread), figures["padCapacityG"].Factor, 6);
    }

    private static KindAnswers Of(Dictionary<string, string> axes) =>
        new("Pellow", "Solo", "PS", axes, ["black", "cyan", "magenta", "yellow"], 120, "");
}
