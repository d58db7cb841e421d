using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Waste;
using Xunit;

namespace SideBench.Core.Tests.Waste;

/// <summary>Waste boxes with a tag: a life of their own, whichever machine they are in.</summary>
public class WasteBoxTests
{
    private const string SixTank = "pellow-six-tank";
    private const double Tare = 97;
    private static readonly WasteNumbers House = TestShop.Shop.Numbers.Of<WasteNumbers>();

    [Fact]
    public void TwoInRotation_OneIn_OneWashedAndDrying()
    {
        var shop = new Rotation().Come("B-1", 100).Come("B-2", Tare);
        Assert.Equal([BoxStand.Dry, BoxStand.Dry], shop.All.Select(b => b.Stand));
        shop.PutIn(1, "B-1");
        Assert.Equal((1L, "PS-1", 3.0), (shop["B-1"].Machine!.Value, shop["B-1"].Serial, shop["B-1"].NetG!.Value));
        shop.Later(24 * 200).Reset(1).PutIn(1, "B-2", outG: 180);
        Assert.Equal((BoxStand.Used, 83.0, 1), (shop["B-1"].Stand, shop["B-1"].NetG!.Value, shop["B-1"].Resets));
        Assert.Equal(BoxStand.In, shop["B-2"].Stand);
        // Washed: it dries for a day at least, and only the scale says dry.
        shop.Later(1).Tell("B-1", "washed", 9);
        Assert.Equal((BoxStand.Drying, 1), (shop["B-1"].Stand, shop["B-1"].Washes));
        Assert.Equal("box-wet", shop.Try(1, "B-1", Tare + 40).Problems.Single().Code.Id);
        shop.Later(10).Tell("B-1", "weighed", Tare + 40);
        shop.Later(10).Tell("B-1", "weighed", Tare + 20);
        // Half of it in ten hours; 5.8 g are near dry: 10 h x log2(20 / 5.82) after the last.
        Assert.Equal(10 * Math.Log2(20 / (Tare * 0.06)), (shop["B-1"].DryOn!.Value - shop.Now).TotalHours, 1);
        shop.Later(20).Tell("B-1", "weighed", Tare + 4);
        Assert.Equal((BoxStand.Dry, "Ready."), (shop["B-1"].Stand, shop["B-1"].Next));
        // In another machine its ledger goes on, and it needs no second weighing.
        shop.PutIn(2, "B-1");
        Assert.Equal((2L, 4.0), (shop["B-1"].Machine!.Value, shop["B-1"].NetG!.Value));
        Assert.Equal(["PS-1", "PS-2"], shop["B-1"].Life.Select(m => m.Serial).Where(s => s.Length > 0).Distinct());
    }

    [Fact]
    public void ABoxInAMachine_HasItsOwnDryMass_AndBringsWhatIsInIt()
    {
        var shop = new Rotation().Come("B-1", 110, tare: 105).Come("B-2", Tare + 60);
        shop.PutIn(1, "B-1");
        var store = shop.Store(1);
        Assert.Equal((105.0, 5.0), (store.History.TareG, store.Estimate!.Mass.Best - 105));
        Assert.Equal("B-1", store.Box);
        // The next weighs otherwise dry: what was weighed with the first is told over it.
        shop.PutIn(1, "B-2", amount: Tare + 60);
        store = shop.Store(1);
        Assert.Equal((Tare, 60.0), (store.History.TareG, store.Estimate!.Mass.Best - Tare));
        Assert.Equal([102.0, 157.0], store.Moments.Select(m => ((WasteEvent.Swapped)m.What).G));
        // A used box is no service; a dry one is.
        Assert.Equal([true, false], store.Moments.Select(m => m.What.IsService));
    }

    [Fact]
    public void ATrialOfABox_GoesWithIt()
    {
        var shop = new Rotation().Come("B-1", Tare);
        shop.Tell("B-1", "trial", 200).Later(30).Tell("B-1", "weighed", Tare + 2);
        Assert.Equal((BoxStand.Dry, 100.0), (shop["B-1"].Stand, shop["B-1"].SafeG!.Value));
        shop.PutIn(1, "B-1");
        Assert.Equal(100, shop.Store(1).History.SafeG);
        // Other pads: the trial of the old ones says nothing of them.
        shop.Come("B-2", Tare).PutIn(1, "B-2", outG: 150).Tell("B-1", "new-pads", null);
        Assert.Equal((BoxStand.Dry, (double?)null), (shop["B-1"].Stand, shop["B-1"].SafeG));
    }

    [Fact]
    public void WhatCannotBe_IsRefused()
    {
        var shop = new Rotation().Come("B-1", Tare).Come("B-2", null);
        shop.PutIn(1, "B-1");
        Assert.Equal("box-elsewhere", shop.Try(2, "B-1", null).Problems.Single().Code.Id);
        Assert.Equal("box-is-in", shop.Try(1, "b-1 ", null).Problems.Single().Code.Id);
        Assert.Equal("unknown-box", shop.Try(1, "B-9", null).Problems.Single().Code.Id);
        // Never weighed: it does not go in without a scale; nor lighter than it is dry.
        Assert.Equal(("missing", "/amount"), Of(shop.Try(1, "B-2", null)));
        Assert.Equal(("lighter-than-dry", "/amount"), Of(shop.Try(1, "B-2", 60)));
        Assert.Equal(("box-in-machine", "/box"), Of(shop.Tried("B-1", "weighed", 120)));
        Assert.Equal(("missing", "/amount"), Of(shop.Tried("B-2", "washed", null)));
        Assert.Equal(("lighter-than-dry", "/amount"), Of(shop.Tried("B-2", "weighed", 50)));
        Assert.Equal(("out-of-range", "/amount"), Of(shop.Tried("B-2", "trial", 5000)));
        var boxes = new WasteBoxes(shop.All);
        Assert.Equal(("tag-taken", "/tag"), Of(boxes.Come("b-2", TestShop.Shop.Models[SixTank], null, null, null, House)));
        Assert.Equal(("no-box", "/fits"), Of(boxes.Come("B-3", TestShop.Shop.Models["marram-duo"], null, null, null, House)));
        Assert.Equal(("out-of-range", "/tareG"), Of(boxes.Come("B-3", TestShop.Shop.Models[SixTank], 10, null, null, House)));
        shop.Tell("B-2", "gone", null);
        Assert.Equal("unknown-box", shop.Try(1, "B-2", Tare).Problems.Single().Code.Id);
        Assert.Equal(("no-box", "/what"), Of(shop.Try(1, "B-1", null, "marram-duo")));
        Assert.Equal(("other-box", "/box"), Of(shop.Come("G-1", Tare).Try(3, "G-1", Tare, "tolling-garment-8")));
    }

    [Fact]
    public void ATagToldWithARenewal_IsABoxToo()
    {
        var shop = new Rotation();
        shop.Told(1, new StoreTold("renewed", null, "R-7", "", 5, 18));
        Assert.Equal((BoxStand.In, SixTank, Tare, 0.0), (shop["R-7"].Stand, shop["R-7"].Fits, shop["R-7"].TareG, shop["R-7"].NetG!.Value));
        shop.Told(1, new StoreTold("weighed", 150, "", "", 4, 0));
        Assert.Equal(53, shop["R-7"].NetG);
    }

    [Fact]
    public void ARenewalWithoutATag_TakesTheTaggedOneOut_AndATrialInsideIsItsOwn()
    {
        var shop = new Rotation().Come("B-1", Tare);
        shop.PutIn(1, "B-1").Told(1, new StoreTold("trial", 120, "", "", 4, 0));
        Assert.Equal(60, shop["B-1"].SafeG);
        shop.Told(1, new StoreTold("renewed", null, "", "", 5, 18));
        Assert.Equal((BoxStand.Used, (double?)null, (long?)null), (shop["B-1"].Stand, shop["B-1"].NetG, shop["B-1"].Machine));
        Assert.Equal("", shop.Store(1).Box);
        // Its tag on another box begins another life.
        shop.Tell("B-1", "gone", null).Come("B-1", Tare + 2, tare: 95);
        Assert.Equal((95.0, 4.0, (double?)null), (shop["B-1"].TareG, shop["B-1"].NetG!.Value, shop["B-1"].SafeG));
        Assert.Equal(2, shop["B-1"].Life.Count);
    }

    private static (string, string) Of(Outcome<IReadOnlyList<EntryBody>> refused) =>
        refused.Problems.Select(p => (p.Code.Id, p.Path)).First();

    // A shop with machines of one kind, and the boxes that go round among them.
    private sealed class Rotation
    {
        private readonly List<Entry> shop = [];
        private readonly List<ShopLine> told = [];
        private int id;
        private TimeSpan later;

        public DateTimeOffset Now => TestShop.Now + later;

        public IReadOnlyList<WasteBox> All =>
            [
                .. Lives
                    .OfKind(SubjectKind.Store, shop, told)
                    .Select(l => WasteBox.Of(l.Name, l.Lines, TestShop.Shop.Models, House, Now))
                    .OfType<WasteBox>(),
            ];

        public WasteBox this[string tag] => All.Single(b => b.Tag == tag);

        public Rotation Later(double hours)
        {
            later += TimeSpan.FromHours(hours);
            return this;
        }

        public Rotation Come(string tag, double? grams, double? tare = null) =>
            Shop(new WasteBoxes(All).Come(tag, TestShop.Shop.Models[SixTank], tare, grams, null, House));

        public Outcome<IReadOnlyList<EntryBody>> Tried(string tag, string what, double? amount) =>
            new WasteBoxes(All).Tell(tag, what, amount, null, House, TestShop.Shop.Models);

        public Rotation Tell(string tag, string what, double? amount) => Shop(Tried(tag, what, amount));

        public Outcome<IReadOnlyList<EntryBody>> Try(
            long machine,
            string tag,
            double? amount,
            string model = SixTank,
            double? outG = null
        ) =>
            new WasteKeeping(TestShop.Shop.Models[model], TestShop.Case(Lines(machine, model)).State, House, Now).Tell(
                "box-in",
                amount,
                tag,
                null,
                new WasteBoxes(All, machine),
                outG
            );

        public Rotation PutIn(long machine, string tag, double? amount = null, double? outG = null)
        {
            foreach (var body in Try(machine, tag, amount, SixTank, outG).Value)
                Told(machine, body);
            return this;
        }

        public Rotation Reset(long machine) => Told(machine, new CounterReset("tool", 100, 0, null, "", "", 12));

        public Rotation Told(long machine, EntryBody body)
        {
            told.Add(new ShopLine(Entry(body), machine, SixTank, $"PS-{machine}"));
            return this;
        }

        public StoreOnMachine Store(long machine)
        {
            var state = TestShop.Case(Lines(machine, SixTank)).State;
            return StoreOnMachine.Of(TestShop.Shop.Models[SixTank], state.Machine, House, Now.AddMinutes(1))!;
        }

        private List<Entry> Lines(long machine, string model) =>
            [.. TestShop.Opened(TestShop.Intake(model, "waste-full")), .. told.Where(l => l.Machine == machine).Select(l => l.Entry)];

        private Rotation Shop(Outcome<IReadOnlyList<EntryBody>> bodies)
        {
            shop.AddRange(bodies.Value.Select(Entry));
            return this;
        }

        private Entry Entry(EntryBody body) => TestShop.Line(1000 + ++id, body) with { At = Now.AddSeconds(id) };
    }
}
