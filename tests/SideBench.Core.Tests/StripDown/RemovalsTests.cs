using SideBench.Core.Machines;
using SideBench.Core.Simulation;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class RemovalsTests
{
    private static readonly FastenerGroup Ends = new("ends", "ends", 4, "screw", "cross-head 1", 8, false, false, 1, "top", [], "");
    private static readonly MachinePart Guard = MadeGraphs.Part("guard", 4) with { Name = "Guard", View = "back" };

    [Fact]
    public void WhatHoldsAPart_ComesBeforeThePart_AndItsTimeIsShared()
    {
        var part = Guard with
        {
            Fasteners = [Ends],
            Cables = [new Cable("c", "J3", "J3 on the board", "towards you, seen from the front", "the short half stays with the machine")],
            Tubes =
            [
                new Tube("t", "drain tube", "the pump", "the notch", "long", false, true),
                new Tube("air", "air tube", "the tank", "the box", "", true, false),
            ],
        };
        var removals = Removals.Of(part);
        Assert.Equal(["guard:ends", "guard:c", "guard:t", "guard"], removals.Select(r => r.Id));
        Assert.Equal(4, removals.Sum(r => r.Out.Value), 9);
        Assert.Equal(["off", "unplugged", "unplugged", "off"], removals.Select(r => r.Change));
        Assert.Equal(["top", "back", "back", "back"], removals.Select(r => r.View));
    }

    [Fact]
    public void LoosenOnly_SaysSoWhereTheHandIs_AndPutsNothingOff()
    {
        var removal = Removals.Of(Guard with { Fasteners = [Ends with { LoosenOnly = true, Note = "they carry it" }] })[0];
        Assert.Equal(("Guard: loosen 4 screws only, ends", "loose"), (removal.Title, removal.Change));
        Assert.Equal("Loosen 4 screws, ends, 8\u2009mm. Do not take them out. They carry it.", removal.Text);
        Assert.Contains("never take them out", removal.Detail);
    }

    [Fact]
    public void CollaredScrew_SaysWhereItGoesBack()
    {
        var removal = Removals.Of(Guard with { Fasteners = [Ends with { Count = 1, Collared = true }] })[0];
        Assert.Equal("Guard: 1 screw out, ends", removal.Title);
        Assert.Contains("back where it came from", removal.Detail);
        Assert.Contains("only here", removal.Undo);
    }

    [Fact]
    public void Cable_IsNamedByLabelPortContactsAndCoupler_PhotoFirst()
    {
        var removal = Removals.Of(
            Guard with
            {
                Cables = [new Cable("c", "J3", "J3 on the board", "towards you, seen from the front", "the short half stays")],
            }
        )[0];
        Assert.StartsWith("Photograph the label J3 in J3 on the board", removal.Text);
        Assert.Equal("Plug J3 into J3 on the board. Contacts face towards you, seen from the front. The short half stays.", removal.Undo);
    }

    [Fact]
    public void TubeThatIsOnlyMinded_IsNoStep_ButIsSaid()
    {
        var part = Guard with { Tubes = [new Tube("air", "air tube", "the tank", "the box", "", true, false)] };
        Assert.Equal("Lift it. Mind the air tube from the tank to the box: never cut it.", Assert.Single(Removals.Of(part)).Text);
        Assert.Contains("air tube: never cut", WayIn.To(MadeGraphs.Of(part), ["guard"], Handlings.House).LeaveAlone);
    }

    [Theory]
    [InlineData(PartWay.Off, "off", "Guard back")]
    [InlineData(PartWay.Open, "open", "Guard shut")]
    [InlineData(PartWay.Aside, "aside", "Guard back in its place")]
    [InlineData(PartWay.Unplugged, "unplugged", "Guard plugged in")]
    public void WayOfAPart_IsUndoneInItsOwnWords(PartWay way, string change, string back)
    {
        var graph = MadeGraphs.Of(Guard with { Way = way });
        var item = Removals.Of(graph.Parts[0])[^1].Item("i", 1, []);
        Assert.Equal((change, "guard"), (item.Change, item.Label));
        Assert.Equal(back, WayBack.Of(graph, [item], Handlings.House).Steps.Single().Title);
    }
}
