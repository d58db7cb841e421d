using SideBench.Core.Bench;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using Xunit;

namespace SideBench.Core.Tests.Own;

/// <summary>What is not well known of a model makes what is told of its ink and its waste wider, and refuses less.</summary>
public class DefaultBandsTests
{
    private static readonly InkNumbers Ink = TestShop.Shop.Numbers.Of<InkNumbers>();
    private static readonly WasteNumbers Waste = TestShop.Shop.Numbers.Of<WasteNumbers>();
    private static readonly MachineModel Known = TestShop.Shop.Models["tolling-folio-3"];
    private static readonly CartridgeType Type = Known.Cartridges.First(c => c.IsFilled && c.Tare is not null);
    private static readonly MachineModel Default = Known with
    {
        Taught = new TaughtModel(
            "",
            new[] { "fillMl", "chipMl", "tareG" }
                .Select(f => $"cartridges/{Type.Id}/{f}")
                .Concat(["waste/gramsPerPoint", "storeTareG", "padCapacityG"])
                .ToDictionary(f => f, _ => new TaughtFigure(1.5, 0))
        ),
    };

    [Fact]
    public void AFillAndAWeighing_TellLess_WhereFillAndTareAreFamilyDefaults()
    {
        EntryBody[] filled = [Fitted(), new SlotsFilled([new SlotAmount(1, null)], 2, 0)];
        Assert.True(InkBand(Default, filled) > 2 * InkBand(Known, filled));
        EntryBody[] weighed = [.. filled, new SlotsWeighed([new SlotAmount(1, Type.Tare!.Value.Value + Type.Fill.Value)], 1)];
        Assert.True(InkBand(Default, weighed) > 1.5 * InkBand(Known, weighed));
        // Told or measured to the last drop, it is as known as any.
        Assert.Equal(
            InkBand(Known, filled),
            InkBand(Known with { Taught = new TaughtModel("", new Dictionary<string, TaughtFigure>()) }, filled),
            9
        );
    }

    [Fact]
    public void TheCounterTellsLessOfTheStore_WhereAPointIsAFamilyDefault()
    {
        EntryBody[] lines = [Told("renewed", null), Told("counter-read", 0), Told("counter-read", 40)];
        Assert.True(StoreBand(Default, lines) > 1.3 * StoreBand(Known, lines));
    }

    [Fact]
    public void AStoreWhoseRoomIsAFamilyDefault_IsUsedOnlyToTheLowEndOfItsBand()
    {
        EntryBody[] lines = [Told("renewed", null), Told("weighed", Known.StoreTareG!.Value)];
        var (known, open) = (Room(Known), Room(Default));
        Assert.Equal(1.5, known / open, 2);

        double Room(MachineModel model) => StoreOnMachine.Of(model, State(lines).Machine, Waste, TestShop.Now.AddDays(1))!.History.SafeG;
    }

    [Fact]
    public void AMassThatADefaultWouldNotAllow_IsTaken_OneThatNoStoreWeighs_IsNot()
    {
        var dry = Known.StoreTareG!.Value;
        Assert.Equal("lighter-than-dry", Refusal(Known, 0.7 * dry));
        Assert.Null(Refusal(Default, 0.7 * dry));
        Assert.Equal("lighter-than-dry", Refusal(Known with { Taught = null }, 0.2 * dry));
        Assert.NotNull(Refusal(Default, 100 * dry));
        var tare = Type.Tare!.Value.Value;
        Assert.NotEmpty(Weigh(Known, 0.6 * tare).Problems);
        Assert.Empty(Weigh(Default, 0.6 * tare).Problems);
    }

    private static double InkBand(MachineModel model, params EntryBody[] lines)
    {
        var state = State(lines);
        var ink = SlotOnMachine.Of(model, model.Slots[0], state, Ink, TestShop.Now.AddDays(1)).Estimate!.Ink;
        return ink.High - ink.Low;
    }

    private static double StoreBand(MachineModel model, params EntryBody[] lines)
    {
        var mass = StoreOnMachine.Of(model, State(lines).Machine, Waste, TestShop.Now.AddDays(1))!.Estimate!.Mass;
        return mass.High - mass.Low;
    }

    private static string? Refusal(MachineModel model, double g) =>
        new WasteKeeping(model, State([]), Waste, TestShop.Now.AddDays(1)).Tell("weighed", g, "", "").Problems.FirstOrDefault()?.Code.Id;

    private static Outcome<IReadOnlyList<EntryBody>> Weigh(MachineModel model, double g) =>
        new InkKeeping(model, State([Fitted()]), Ink, TestShop.Now.AddDays(1)).Weigh([new SlotAmount(1, g)]);

    private static JobState State(IReadOnlyList<EntryBody> lines) =>
        HouseCrafts.Fold([
            .. lines
                .Select((body, i) => TestShop.Line(i + 2, body))
                .Prepend(TestShop.Line(1, TestShop.Intake("tolling-folio-3", "says-empty"))),
        ]);

    private static SlotFitted Fitted() => new(1, Type.Id, Type.Name, 5, null, "", "", "", null, "", 0);

    private static StoreTold Told(string what, double? amount) => new(what, amount, "", "", 2, 0);
}
