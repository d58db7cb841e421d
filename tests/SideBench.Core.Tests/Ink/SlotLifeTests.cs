using SideBench.Core.Diagnosis;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>What happened to slots is the machine's, over all its visits, whoever told it.</summary>
public class SlotLifeTests
{
    [Fact]
    public void LinesOfEveryCraft_LieInOneList_InTheirOrder_AndACorrectedOneIsLeftOut()
    {
        Entry[] lines =
        [
            TestShop.Line(1, new SlotFitted(2, "refillable", "Refillable", 26, 100, "", "", "", null, "", 0)),
            TestShop.Line(2, new Mended("clean-normal", "Normal clean", ["head-cleaning"], 3, 0, "", "", 2.4, 2, [], 0, [2, 3])),
            TestShop.Line(3, new SlotsFilled([new SlotAmount(2, null), new SlotAmount(3, 4)], 4, 0)),
            TestShop.Line(4, new ChipsRead([new SlotAmount(2, 44)])),
            TestShop.Line(5, new Corrected(4, "misread")),
        ];
        var life = MachineCase.Of(lines).SlotLife;
        Assert.Equal(
            [
                (2, SlotChange.Fitted, 26.0),
                (2, SlotChange.Spent, 1.2),
                (3, SlotChange.Spent, 1.2),
                (2, SlotChange.Filled, null),
                (3, SlotChange.Filled, 4.0),
            ],
            life.Select(l => (l.What.Slot.Value, l.What.What, l.What.Amount))
        );
        Assert.Equal("Refillable", MachineCase.Of(lines).Slots[new SlotId(2)].Says);
        // A later visit goes on where this one ended.
        var next = MachineCase.Of([TestShop.Line(9, new SlotsWeighed([new SlotAmount(2, 40)], 1))], MachineCase.Of(lines));
        Assert.Equal(6, next.SlotLife.Count);
        Assert.Equal(new EntryId(9), next.SlotLife[^1].Entry);
    }

    [Fact]
    public void Press_OfABoard_CountsWhetherItWorkedOrNot_ButSetsNoCountThatWasRefused()
    {
        var refused = new SlotsReset("board", 3, false, [new SlotAmount(1, 20)], 21, "", 3);
        var life = MachineCase.Of([TestShop.Line(1, refused)]);
        Assert.DoesNotContain(life.SlotLife, l => l.What.Slot.Value == 1 && l.What.What == SlotChange.Reset);
        Assert.Equal(InkOnJob.House.Rules.BoardPresses - 3, InkKeeping.PressesLeft(life, InkOnJob.House));
    }

    [Theory]
    [InlineData(
        "tolling-garment-8",
        7,
        "second from the left, back bay, seen from the front",
        "third from the left, back bay, seen from the back"
    )]
    [InlineData("marram-duo", 1, "first from the left, seen from the front", "fourth from the left, seen from the back")]
    public void Slot_IsSaidAsTheHandFindsIt(string model, int panel, string front, string back)
    {
        var slot = TestShop.Shop.Models[model].Slots.First(s => s.Panel == panel);
        Assert.Equal((front, back), (InkWords.Place(slot, false), InkWords.Place(slot, true)));
    }
}
