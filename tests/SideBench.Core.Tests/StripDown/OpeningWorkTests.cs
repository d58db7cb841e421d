using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using SideBench.Core.Simulation;
using SideBench.Core.StripDown;
using Xunit;

namespace SideBench.Core.Tests.StripDown;

public class OpeningWorkTests
{
    private static readonly AccessGraph Graph = TestShop.Shop.Graphs["marram-quartet-a4"];
    private static readonly Handling House = TestShop.Handling;

    [Fact]
    public void NothingComesOff_BeforeWhatIsBeforeIt_OrTwice()
    {
        var entries = Opened();
        Assert.Equal(("off-first", "mains lead, paper tray"), Refused(TakeOff(entries, "rear-panel:rear-long")));
        Off(entries, "mains-lead", "paper-tray", "rear-panel:rear-long");
        Assert.Equal("rear panel screws, lower, short", Refused(TakeOff(entries, "rear-panel")).Said);
        Assert.Equal(("off-already", "Ines Varga, 09:04 UTC"), Refused(TakeOff(entries, "rear-panel:rear-long")));
        Assert.Equal("unknown-removal", Refused(TakeOff(entries, "rear-panel:ghost")).Code);
    }

    [Fact]
    public void EitherOfTwoWays_LetsAPartComeOff()
    {
        var entries = Opened();
        Off(
            entries,
            "mains-lead",
            "paper-tray",
            "base-plate:base",
            "base-plate:base-collared",
            "base-plate",
            "pad-holder:pads",
            "pad-holder"
        );
        Assert.Contains("pad-holder", HouseCrafts.Fold(entries).Opening.Done);
    }

    [Fact]
    public void WayBack_FromAnyMomentOfAnyOpening_RestoresEverything()
    {
        var chance = new Random(5150);
        foreach (var graph in TestShop.Shop.Graphs.Values.Concat(Enumerable.Range(0, 12).Select(_ => MadeGraphs.Random(chance, 14, 4))))
        {
            var entries = Opened();
            string[] targets = [graph.Parts[chance.Next(graph.Parts.Count)].Id, graph.Parts[^1].Id];
            foreach (var step in WayIn.To(graph, targets, House).Steps)
            {
                TestShop.Add(entries, OpeningWork.TakeOff(TestShop.Case(entries), graph, step.Id, null, $"i{entries.Count}"));
                if (chance.Next(8) == 0)
                    TestShop.Add(
                        entries,
                        BenchKeeping.Put(HouseCrafts.Fold(entries), $"towel {entries.Count}", "inside", 1, $"t{entries.Count}")
                    );
                if (chance.Next(10) == 0)
                    break;
            }

            var tray = HouseCrafts.Fold(entries).Tray;
            var back = WayBack.Of(graph, tray, House);
            Assert.Equal(tray.Select(i => i.Id).Order(), back.Steps.Select(s => s.Item.Id).Order());
            foreach (var step in back.Steps)
                TestShop.Add(entries, OpeningWork.PutBack(HouseCrafts.Fold(entries), graph, step.Item.Id, null));
            Assert.Empty(HouseCrafts.Fold(entries).Tray);
            Assert.Empty(HouseCrafts.Fold(entries).Opening.Done);
            Assert.All(HouseCrafts.Fold(entries).Opening.Counts.Values, c => Assert.Equal((c.Total, true), (c.In, c.Balances)));
        }
    }

    [Fact]
    public void NothingClosesOver_WhatIsStillInsideOrOff()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "top-cover");
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), "towel", "inside", 1, "t"));
        Assert.Equal(
            ("back-first", "towel inside"),
            Refused(OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, Item(entries, "top-cover"), null))
        );
        Assert.Equal(
            "top cover open, towel inside",
            Refused(OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, Item(entries, "mains-lead"), null)).Said
        );
        Assert.Equal("not-off", Refused(OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, "ghost", null)).Code);
        // All at once is one press: the towel first, the lead last.
        TestShop.Add(entries, OpeningWork.Clear(HouseCrafts.Fold(entries), [.. HouseCrafts.Fold(entries).Tray.Select(i => i.Id)], Graph));
        Assert.Empty(HouseCrafts.Fold(entries).Tray);
    }

    [Fact]
    public void LostPieces_GoBackMissing_OnlyWhereHolesMayStayEmpty()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray", "base-plate:base", "base-plate:base-collared");
        foreach (var group in new[] { "base-plate:base", "base-plate:base-collared" })
            TestShop.Add(entries, OpeningWork.Lose(HouseCrafts.Fold(entries), Graph, group, 1, false, "rolled away"));
        Assert.Equal(
            ("piece-missing", "a shouldered one never"),
            Refused(OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, Item(entries, "base-plate:base-collared"), null))
        );
        TestShop.Add(entries, OpeningWork.Replace(HouseCrafts.Fold(entries), "base-plate:base-collared", 1, "drawer 3"));
        TestShop.Add(entries, OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, Item(entries, "base-plate:base-collared"), null));
        TestShop.Add(entries, OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, Item(entries, "base-plate:base"), null));
        var count = HouseCrafts.Fold(entries).Opening.Counts["base-plate:base"];
        Assert.Equal((3, 1, true), (count.In, count.Empty, count.Balances));
        Assert.Equal(1, entries.Select(e => e.Body).OfType<PutBack>().Last().LeftEmpty);
    }

    [Fact]
    public void MorePiecesThanThereAre_CannotBeLost_AndALineThatPutsMoreBackIsADoubt()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray", "base-plate:base");
        Assert.Equal("out-of-range", Refused(OpeningWork.Lose(HouseCrafts.Fold(entries), Graph, "base-plate:base", 5, false, "")).Code);
        TestShop.Add(entries, OpeningWork.Lose(HouseCrafts.Fold(entries), Graph, "base-plate:base", 2, false, ""));
        entries.Add(TestShop.Line(entries.Count + 1, new PutBack(Item(entries, "base-plate:base"), "base-plate:base", "base", 3, 0, 1)));
        var state = HouseCrafts.Fold(entries);
        Assert.Contains(state.Doubts, d => d.Says.Contains("with 2 off and 2 lost"));
        Assert.Equal((2, 2), (state.Opening.Counts["base-plate:base"].OnTray, state.Opening.Counts["base-plate:base"].Lost));
    }

    [Fact]
    public void MissingAlready_IsToldBeforeAnythingComesOut()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray");
        TestShop.Add(entries, OpeningWork.Lose(HouseCrafts.Fold(entries), Graph, "rear-panel:rear-long", 1, true, ""));
        Assert.Equal("out-of-range", Refused(OpeningWork.TakeOff(TestShop.Case(entries), Graph, "rear-panel:rear-long", 2, "x")).Code);
        Off(entries, "rear-panel:rear-long", "rear-panel:lower-short", "rear-panel");
        Assert.Equal(
            (1, 1),
            (
                HouseCrafts.Fold(entries).Opening.Counts["rear-panel:rear-long"].OnTray,
                HouseCrafts.Fold(entries).Opening.Counts["rear-panel:rear-long"].Lost
            )
        );
    }

    [Fact]
    public void WhatAStepOfTheBookOpened_IsOpen()
    {
        var entries = Opened();
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), "top cover", "open", 1, "c"));
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), "mains lead", "unplugged", 1, "l"));
        var state = HouseCrafts.Fold(entries);
        Assert.Equal("off-already", Refused(TakeOff(entries, "top-cover")).Code);
        Assert.Equal(
            ["paper-tray"],
            WayIn.To(Graph, ["paper-tray", "top-cover"], House, state.Opening.DoneOn(Graph, state.Tray)).Steps.Select(s => s.Id)
        );
        Assert.Equal(["Top cover shut", "Mains lead plugged in"], WayBack.Of(Graph, state.Tray, House).Steps.Select(s => s.Title));
    }

    [Fact]
    public void SealInWarranty_NeedsTheCustomersWord()
    {
        var entries = TestShop.Opened(
            TestShop.Intake("marram-quartet-a4", "fades-under-load", warranty: DateOnly.FromDateTime(TestShop.Now.AddYears(1).Date))
        );
        Off(entries, "mains-lead", "paper-tray");
        Assert.Equal(("word-needed", "open-in-warranty"), Refused(TakeOff(entries, "rear-panel:rear-long")));
        TestShop.Add(entries, BenchKeeping.Consent(HouseCrafts.Fold(entries), "open-in-warranty", "Orla Quill"));
        Off(entries, "rear-panel:rear-long");
    }

    [Fact]
    public void StaysOff_NeedsAReason_AndNeverATowel()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray");
        TestShop.Add(entries, BenchKeeping.Put(HouseCrafts.Fold(entries), "towel", "inside", 1, "t"));
        Assert.Equal("missing", Refused(OpeningWork.LeaveOff(HouseCrafts.Fold(entries), Item(entries, "paper-tray"), " ")).Code);
        Assert.Equal("still-inside", Refused(OpeningWork.LeaveOff(HouseCrafts.Fold(entries), "t", "later")).Code);
        TestShop.Add(entries, OpeningWork.LeaveOff(HouseCrafts.Fold(entries), Item(entries, "paper-tray"), "customer has it"));
        Assert.Equal("still-inside", Assert.Single(Endings.Close(TestShop.Case(entries), "handed-back", "enough").Problems).Code.Id);
        TestShop.Add(entries, OpeningWork.Clear(HouseCrafts.Fold(entries), ["t"], Graph));
        Off(entries, "rear-panel:rear-long");
    }

    [Fact]
    public void RenewedPart_KeepsNumberLotAndTheOldOnesWayBack()
    {
        var entries = Opened();
        var today = DateOnly.FromDateTime(TestShop.Now.Date);
        var told = new PartRenewed("damper-yellow", "", "MQ-D4", "L5012", 8.5m, "returned", today.AddDays(10), today.AddYears(1), "");
        TestShop.Add(entries, OpeningWork.Renew(HouseCrafts.Fold(entries), Graph, told, today, "c"));
        var state = HouseCrafts.Fold(entries);
        Assert.Equal(("damper yellow", 8.5m), (state.Opening.Renewed[0].Name, state.Parts));
        Assert.Equal(("return", 14_400.0), (state.Clocks[0].Kind, state.Clocks[0].MinMinutes));
        // The machine does not wait for it.
        Assert.Equal(Standing.Hands, state.StandingAt(TestShop.Now.AddHours(1)));
        Assert.Equal(
            ["/oldFate", "/returnBy"],
            OpeningWork
                .Renew(state, Graph, told with { OldFate = "eaten", ReturnBy = today.AddDays(-1) }, today, "c")
                .Problems.Select(p => p.Path)
        );
    }

    [Fact]
    public void HandOverSheet_NamesWhatIsMissingWhatStaysOffAndWhatIsNew()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray", "base-plate:base");
        TestShop.Add(entries, OpeningWork.Lose(HouseCrafts.Fold(entries), Graph, "base-plate:base", 1, false, ""));
        TestShop.Add(entries, OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, Item(entries, "base-plate:base"), null));
        TestShop.Add(entries, OpeningWork.LeaveOff(HouseCrafts.Fold(entries), Item(entries, "paper-tray"), "The customer has it."));
        var today = DateOnly.FromDateTime(TestShop.Now.Date);
        TestShop.Add(
            entries,
            OpeningWork.Renew(
                HouseCrafts.Fold(entries),
                Graph,
                new PartRenewed("cap-unit", "", "MQ-C1", "L9", 11, "scrapped", null, today.AddYears(1), ""),
                today,
                "c"
            )
        );
        var sheet = HandOverSheet.Of(TestShop.Case(entries));
        Assert.Contains("cap and wiper MQ-C1, lot L9, warranty to 2027-03-02", sheet.Used);
        Assert.Contains("Stays off: paper tray. The customer has it.", sheet.Watch);
        Assert.Contains("1 of 4 pieces missing: base plate.", sheet.Watch);
    }

    [Fact]
    public void ScrewsThatStayOff_LeaveTheirPartInItsPlace()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray", "base-plate:base");
        TestShop.Add(entries, OpeningWork.LeaveOff(HouseCrafts.Fold(entries), Item(entries, "base-plate:base"), "Stripped threads."));
        var state = HouseCrafts.Fold(entries);
        Assert.Equal(["base-plate:base"], state.Opening.StaysOff.Keys);
        Assert.Contains("Stays off: base plate, base. Stripped threads.", HandOverSheet.Of(TestShop.Case(entries)).Watch);
        Assert.Equal(["mains-lead", "paper-tray"], state.Tray.Select(i => i.Removal));
    }

    [Fact]
    public void Services_FallDueByTheMachinesOwnRecord()
    {
        IReadOnlyList<DueForecast> Due(params (int Day, double Pct)[] read) =>
            PartLife.Due(
                [
                    .. Opened(),
                    .. read.Select(
                        (r, i) =>
                            TestShop.Line(2 + i, new GuideTicked("r", "s", "Read it", "done", r.Pct, "% of counter", [], [], 1)) with
                            {
                                At = TestShop.Now.AddDays(r.Day),
                            }
                    ),
                ],
                Graph,
                TestShop.Now.AddDays(60)
            );
        double? Pads(params (int, double)[] read) => Due(read).FirstOrDefault(d => d.Service.Id == "pads")?.In.TotalDays;
        Assert.Null(Pads((0, 60)));
        // 24 points in 60 days: the last 6 to 90 take 15 more.
        Assert.Equal(15, Pads((0, 60), (60, 84))!.Value, 6);
        Assert.Equal(0, Pads((0, 60), (60, 93)));
        // The same figure read twice is no reset.
        Assert.Equal(15, Pads((0, 60), (30, 60), (60, 84))!.Value, 6);
        // A reset between two readings begins anew.
        Assert.Null(Pads((0, 60), (59, 84), (60, 2)));
        // What was never done counts from the first line of the record: a cap every 540 days.
        Assert.Equal(480, Due().Single(d => d.Service.Id == "cap-wiper").In.TotalDays, 0);
        Assert.Equal(480 / 540.0, Due().Single(d => d.Service.Id == "cap-wiper").LifeLeft.Value, 3);
    }

    [Fact]
    public void Record_SaysWhenAPartWasLastOff_AndByWhom()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray");
        TestShop.Add(entries, OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, Item(entries, "paper-tray"), null));
        Off(entries, "paper-tray");
        var life = PartLife.Of(entries, Graph);
        Assert.Equal(
            [("paper tray", 2, "Ines Varga", false), ("mains lead", 1, "Ines Varga", false)],
            life.Select(l => (l.Name, l.Times, l.By, l.LastBack is not null))
        );
    }

    [Fact]
    public void PuttingBack_PutsSomethingBack()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray", "base-plate:base");
        var item = Item(entries, "base-plate:base");
        var lies = HouseCrafts.Fold(entries).Opening.Counts["base-plate:base"].OnTray;
        Assert.Equal("out-of-range", Refused(OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, item, 0)).Code);
        Assert.Equal("out-of-range", Refused(OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, item, lies + 1)).Code);
        TestShop.Add(entries, OpeningWork.PutBack(HouseCrafts.Fold(entries), Graph, item, lies));
        Assert.DoesNotContain(HouseCrafts.Fold(entries).Tray, i => i.Id == item);
    }

    [Theory]
    [InlineData(0, 0, true)]
    [InlineData(-1, 0, false)]
    [InlineData(731, 0, true)]
    [InlineData(732, 0, false)]
    [InlineData(0, -366, false)]
    [InlineData(0, -365, true)]
    public void OldPart_GoesBackFromToday_WithinTwoYears(int returnIn, int warrantyIn, bool good)
    {
        var today = new DateOnly(2026, 3, 2);
        var told = new PartRenewed("cap-unit", "", "", "", 0, "returned", today.AddDays(returnIn), today.AddDays(warrantyIn), "");
        Assert.Equal(good, OpeningWork.Renew(HouseCrafts.Fold(Opened()), Graph, told, today, "c").IsGood);
    }

    [Fact]
    public void LineThatCannotBe_IsADoubtThatIsShown_AndChangesNothing()
    {
        var entries = Opened();
        Off(entries, "mains-lead", "paper-tray", "base-plate:base");
        var before = HouseCrafts.Fold(entries);
        EntryBody[] wrong =
        [
            new PutBack(Item(entries, "base-plate:base"), "base-plate:base", "screw", 99, 0, 1),
            new PieceLost("", "base-plate:base", "screw", 99, false, "", 4),
            new PieceReplaced("", "base-plate:base", "screw", 3, ""),
            new GuideEnded("ghost", "G", true, ""),
        ];
        foreach (var body in wrong)
            entries.Add(TestShop.Line(entries.Count + 1, body));
        var after = HouseCrafts.Fold(entries);
        Assert.Equal(before.Opening.Counts, after.Opening.Counts);
        Assert.Equal(entries[^4..].Select(e => e.Id), after.Doubts.Select(d => d.Entry).Distinct());
        Assert.All(after.Doubts, d => Assert.NotEmpty(d.Says));
    }

    private static List<Entry> Opened() => TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));

    private static Outcome<IReadOnlyList<EntryBody>> TakeOff(List<Entry> entries, string removal) =>
        OpeningWork.TakeOff(TestShop.Case(entries), Graph, removal, null, $"i{entries.Count}");

    private static void Off(List<Entry> entries, params string[] removals)
    {
        foreach (var removal in removals)
            TestShop.Add(entries, TakeOff(entries, removal));
    }

    private static string Item(List<Entry> entries, string removal) => HouseCrafts.Fold(entries).Tray.First(i => i.Removal == removal).Id;

    private static (string Code, string Said) Refused(Outcome<IReadOnlyList<EntryBody>> outcome) =>
        Assert.Single(outcome.Problems) is var problem ? (problem.Code.Id, problem.Args.LastOrDefault()?.ToString() ?? "") : default;
}
