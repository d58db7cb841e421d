using SideBench.Core.Machines;
using Xunit;

namespace SideBench.Packs.Tests;

public class HouseModelsTests
{
    private static readonly Lazy<Shop> Loaded = new(() =>
        PackReader.Read(PackFolder.Read(Path.Combine(PackReaderTests.Root(), "packs")).Value).Value
    );

    public static TheoryData<string> Models() => [.. Loaded.Value.Models.Keys];

    [Theory]
    [MemberData(nameof(Models))]
    public void Slots_AreNumberedOnThePanel_AndSeenFromBothSides(string id)
    {
        var model = Loaded.Value.Models[id];
        Assert.Equal(Enumerable.Range(1, model.Slots.Count), model.Slots.Select(s => s.Panel));
        foreach (var bay in model.Slots.GroupBy(s => s.Bay))
        {
            var places = Enumerable.Range(1, bay.Count()).ToList();
            Assert.Equal(places, bay.Select(s => s.FromFront).Order());
            Assert.All(bay, s => Assert.Equal(bay.Count() + 1, s.FromFront + s.FromBack));
        }
    }

    [Theory]
    [MemberData(nameof(Models))]
    public void Operations_CostMoreTheDeeperTheyAre(string id)
    {
        var model = Loaded.Value.Models[id];
        Operation[] cleans = [model.Operation("clean-light")!, model.Operation("clean-normal")!, model.Operation("clean-deep")!];
        Assert.Equal(cleans.Select(c => c.PerChannel.Value), cleans.Select(c => c.PerChannel.Value).Order());
        Assert.Equal(cleans.Select(c => c.CounterPct), cleans.Select(c => c.CounterPct).Order());
        Assert.Equal(cleans[0].PerChannel.Value * model.Slots.Count, model.InkOf(cleans[0]).Value, 9);
    }

    [Theory]
    [MemberData(nameof(Models))]
    public void Paths_RunFromSignalInkAndWaste_AndEndWhereTheyShould(string id)
    {
        var model = Loaded.Value.Models[id];
        List<string> Row(PathKind path) => [.. model.Stations.Where(s => s.Path == path).Select(s => s.Id)];
        Assert.Equal(("chip", "data"), (Row(PathKind.Signal).First(), Row(PathKind.Signal).Last()));
        Assert.Equal(("store", "paper"), (Row(PathKind.Ink).First(), Row(PathKind.Ink).Last()));
        Assert.Equal(("counter", "cap"), (Row(PathKind.Waste).First(), Row(PathKind.Waste).Last()));
        Assert.Equal(model.Stations.Count, model.Stations.Select(s => s.Id).Distinct().Count());
    }

    [Fact]
    public void MirroredPanel_ThirdOnThePanelIsNotTheThirdFromTheFront()
    {
        var third = Loaded.Value.Models["tolling-garment-8"].Slots[2];
        Assert.Equal((3, 2, 3), (third.Panel, third.FromFront, third.FromBack));
    }

    [Fact]
    public void TheNineModels_CoverEveryAxisOfTheTrade()
    {
        HashSet<string> Words(string axis) => [.. Loaded.Value.Models.Values.Select(m => m.Axes[axis])];
        Assert.Superset(new HashSet<string> { "piezo", "thermal" }, Words("head"));
        Assert.Superset(new HashSet<string> { "carriage", "lines", "tank" }, Words("delivery"));
        Assert.Superset(new HashSet<string> { "pads", "box", "tank", "cartridge" }, Words("waste"));
        Assert.Superset(new HashSet<string> { "screen", "lights" }, Words("panel"));
        Assert.Superset(new HashSet<string> { "one-time", "resettable", "auto", "board" }, Words("chips"));
        Assert.Superset(new HashSet<string> { "none", "sponge", "bag", "baffled", "outlet-sponge" }, Words("cartridge"));
    }
}
