using SideBench.Core.Bench;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Core.Simulation;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class WayBackTests
{
    private static readonly AccessGraph Graph = MadeGraphs.Of(
        MadeGraphs.Part("mains-lead", 1) with
        {
            Name = "Mains lead",
            Way = PartWay.Unplugged,
        },
        MadeGraphs.Part("lid", 1),
        MadeGraphs.Part("guard", 1, ["lid"]),
        MadeGraphs.Part("damper", 1, ["guard", "lid"])
    );

    [Fact]
    public void LastOffGoesBackFirst_TheLeadLastOfAll()
    {
        TrayItem[] tray = [Off("mains-lead", "unplugged"), Off("lid"), Off("guard"), Off("damper")];
        Assert.Equal(["damper", "guard", "lid", "mains-lead"], Order(tray));
        // The same from any order on the tray.
        Assert.Equal(["damper", "guard", "lid", "mains-lead"], Order([.. tray.Reverse()]));
    }

    [Fact]
    public void WhatThePanelFrees_ComesOutBeforeTheLead_AndGoesInAfterIt()
    {
        var graph = TestShop.Shop.Graphs["marram-grande"];
        var way = WayIn.To(graph, ["right-cover"], TestShop.Handling);
        var steps = way.Steps.Select(s => s.Part).Distinct().ToList();
        Assert.True(steps.IndexOf("waste-cartridge") < steps.IndexOf("mains-lead"));
        var entries = TestShop.Opened(TestShop.Intake("marram-grande", "waste-full"));
        foreach (var step in way.Steps)
            TestShop.Add(entries, OpeningWork.TakeOff(TestShop.Case(entries), graph, step.Id, null, $"i{entries.Count}"));
        var tray = HouseCrafts.Fold(entries).Tray;
        var back = WayBack.Of(graph, tray, TestShop.Handling).Steps.Select(s => s.Item.Label.ToLowerInvariant()).ToList();
        Assert.Equal(["mains lead", "waste cartridge"], back[^2..]);
        var cartridge = tray.Single(i => i.Part == "waste-cartridge");
        Assert.Contains(WayBack.Before(graph, tray, cartridge), i => i.Label == WayBack.MainsLead);
        // With the lead out the panel frees nothing.
        var early = OpeningWork.TakeOff(TestShop.Case(entries), graph, "top-cover", null, "x");
        Assert.Equal("power-first", early.Problems.Single().Code.Id);
    }

    [Fact]
    public void WhatWasPutIn_ComesOutBeforeWhatWasOffThenClosesOverIt()
    {
        TrayItem[] tray = [Off("lid"), In("towel"), Off("guard")];
        var order = Order(tray).ToList();
        Assert.True(order.IndexOf("towel") < order.IndexOf("lid"));
        Assert.Equal(["towel"], WayBack.Before(Graph, [Off("lid"), In("towel")], Off("lid")).Select(i => i.Id));
        // A towel put in before the lid came off lies elsewhere: the lid may go back.
        Assert.Empty(WayBack.Before(Graph, [In("towel"), Off("lid")], Off("lid")));
    }

    [Fact]
    public void Lead_WaitsForWhateverIsOpenOrInside_NotForALooseTray()
    {
        var lead = Off("mains-lead", "unplugged");
        Assert.Equal(["lid"], WayBack.Before(Graph, [lead, Off("lid")], lead).Select(i => i.Id));
        Assert.Empty(WayBack.Before(Graph, [lead, new TrayItem("cartridges", "cartridges", "off", 4, "", [])], lead));
    }

    [Fact]
    public void PartGoesBackBeforeWhatHoldsIt()
    {
        var screws = Off("lid", "off") with { Id = "screws", Removal = "lid:f" };
        Assert.Equal(["lid", "screws"], Order([screws, Off("lid")], Held));
        Assert.Equal(["lid"], WayBack.Before(Held, [Off("lid"), screws], screws).Select(i => i.Id));
    }

    [Fact]
    public void PartLeftOff_HoldsNothingUp() => Assert.Equal(["guard", "lid"], Order([Off("lid"), Off("guard")]));

    [Fact]
    public void MachineWithoutAGraph_HasAWayBackToo() =>
        Assert.Equal(
            ["Lid: back", "Towel: out again"],
            WayBack.Of(null, [new TrayItem("l", "lid", "off", 1, "", []), In("towel")], Handlings.House).Steps.Select(s => s.Title).Order()
        );

    private static readonly AccessGraph Held = MadeGraphs.Of(
        MadeGraphs.Part("lid", 1) with
        {
            Fasteners = [new FastenerGroup("f", "f", 2, "screw", "", 8, false, false, 0, "front", [], "")],
        }
    );

    private static IEnumerable<string> Order(IReadOnlyList<TrayItem> tray, AccessGraph? graph = null) =>
        WayBack.Of(graph ?? Graph, tray, Handlings.House).Steps.Select(s => s.Item.Id);

    private static TrayItem Off(string part, string change = "off") =>
        new(part, part.Replace('-', ' '), change, 1, "", part == "mains-lead" ? [] : ["open"]) { Removal = part, Part = part };

    private static TrayItem In(string label) => new(label, label, "inside", 1, "", ["inside", "no-power"]);
}
