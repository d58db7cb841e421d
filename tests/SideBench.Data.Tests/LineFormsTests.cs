using SideBench.Core.Accounts;
using SideBench.Core.Day;
using SideBench.Core.Diagnosis;
using SideBench.Core.HeadCare;
using SideBench.Core.Identity;
using SideBench.Core.Ink;
using SideBench.Core.Jobs;
using SideBench.Core.Nozzles;
using SideBench.Core.Own;
using SideBench.Core.Quantities;
using SideBench.Core.Record;
using SideBench.Core.Shelf;
using SideBench.Core.StripDown;
using SideBench.Core.Waste;
using SideBench.Data.Record;
using Xunit;

namespace SideBench.Data.Tests;

/// <summary>Every kind of line as it is written, and how it comes back.</summary>
public class LineFormsTests
{
    [Fact]
    public void EveryKindOfLine_ComesBackFromJson()
    {
        EntryBody[] lines =
        [
            StoresTests.Intake(1, 1),
            new Answered("f", "o", "n", "l", "s", 4.5, "ml", 3, [new TrayItem("a", "lid", "open", 1, "shut", ["open"])]),
            new Mended("r", "n", ["opens"], 3, 4.2m, "pad", "L1", 9, 6, []),
            new Corrected(4, "oops"),
            new TrayPutBy(new TrayItem("a", "lid", "open", 1, "", [])),
            new TrayCleared("a", "lid"),
            new ClockStarted("c", "dry", "pads", 20, null),
            new ClockStopped("c"),
            new WaitSet("parts", "head", DateTimeOffset.UnixEpoch),
            new PlaceSet(3),
            new Noted("n"),
            new WorkedBefore("clean-normal", "Normal clean", ["clean"], new DateOnly(2026, 2, 11), true),
            new MachineChanged("bottle", "Bottle", true, "told", "Empty it.", [new Modification("changed", "bottle", "yes", "s")]),
            new Consented("irreversible", "x"),
            new GateOverridden("g", "s", "r"),
            new Closed("verified", "c", "", ["lid open"]),
            new HandedOver("x", 12.5m, "GBP"),
            new CustomerRegistered(1, "n", "c"),
            new MachineRegistered(1, "m", "s", 1),
            new ThreadOpened(1, "not-recognised", 4, "now and then"),
            new ThreadClosed(1, "handed-back", "", "no part"),
            StoresTests.Judged("a"),
            new SchoolChosen("clog", "flush-early"),
            new PartTold("cap", false),
            new BookEdited("rate", "c", "", "", "rare", "common", "seen"),
            new SheetTaken(
                "s",
                "l",
                "taps",
                null,
                [
                    new Core.Nozzles.UnitLine(
                        "K",
                        "..x",
                        [],
                        Core.Nozzles.PatternClass.Scattered,
                        new Dictionary<Core.Nozzles.PatternClass, double>()
                    ),
                ]
            ),
            new SheetCorrected("s", []),
            new StoreTold("weighed", 80, "B-2", "", 4, 0) { Swap = new BoxSwap(97, 40, true, "B-1", null) },
            new BoxCame("B-2", "pellow-six-tank", 97, ""),
            new BoxTold("B-2", "washed", 9, ""),
            new LocalRules("at the yard"),
            new HoursSet(2, "Tam", DayOfWeek.Monday, new DateOnly(2026, 3, 2), "09:00-12:00", "half"),
            new DayRuleSet(DayRule.Leaves, 2, "resets", "Tam leaves to others: resets"),
            new ReminderDone("bottle-7", "call: the bottle fills"),
            new PiecePinned(1, "Ines", DateTimeOffset.UnixEpoch, false),
            new OwnFileKept("access", "heath-solo", "Heath Solo", 2, "{}", "opened: Lid"),
            new AccountKept(2, "Tam", AccountAct.RoleGiven, Role.Counter, ""),
            new CounterReset("full", 100, 0, 4, "", "", 12),
            new WasteHandedIn("pads", 1.2, "yard"),
            new StockCame("key", "Reset key", "Tolling Folio 3", 3, "uses", 9, "Kite Loft", "", null),
            new StockWent(1, 1, "used", "PM-1", ""),
            new LevelAgreed(2),
            new BuildUpSeen("Card 280 g", "2"),
            new ChipsRead([new SlotAmount(1, 40)]),
            new SlotsWeighed([new SlotAmount(1, 240.5)], 1),
            new Purged(8.1, 0.73, 3),
            new SlotsFilled([new SlotAmount(1, null), new SlotAmount(2, 12.5)], 4, 1.2m),
            new SlotsReset("board", 2, true, [new SlotAmount(1, 40, 100)], 22, "they wait", 2),
            new SlotFitted(1, "maker", "Maker’s", 15, 100, "TF-3K", "L7", "Inkwell", new DateOnly(2026, 12, 1), "scrapped", 11m),
            .. OpeningLines(),
        ];
        Assert.Equal(ScratchDatabase.Codec.Kinds.Order(), lines.Select(l => l.Kind.Name).Order());
        foreach (var line in lines)
        {
            var back = ScratchDatabase.Codec.Read(line.Kind.Name, EntryCodec.Write(line));
            Assert.Equal(EntryCodec.Write(line), EntryCodec.Write(back));
            Assert.Equal(line.Says, back.Says);
        }
    }

    [Fact]
    public void CsvLine_QuotesWhatNeedsIt_AndNeverBeginsAFormula()
    {
        var entry = new Entry(
            new EntryId(5),
            new JobId(2),
            3,
            new PersonId(1),
            "=Ines",
            new DateTimeOffset(2026, 3, 2, 9, 0, 0, TimeSpan.Zero),
            new Noted("a \"b\", c"),
            HowTold.Key
        );
        Assert.Equal(
            "5,2,3,2026-03-02T09:00:00.000000Z,'=Ines,noted,\"a \"\"b\"\", c\",\"{\"\"text\"\":\"\"a \\u0022b\\u0022, c\"\"}\",key",
            RecordFiles.CsvLine(entry)
        );
        Assert.Equal("\"';=1+1\"", RecordFiles.Field(";=1+1"));
        Assert.Equal("a;b".Length + 2, RecordFiles.Field("a;b").Length);
    }

    internal static IEnumerable<EntryBody> OpeningLines()
    {
        var item = new TrayItem("a", "lid screws", "off", 2, "Put back.", ["open"]) { Removal = "lid:ends", Part = "lid" };
        GuideStep[] steps =
        [
            new("s", StepKind.Word, "Ask", "How.", "front", Minutes.Of(2))
            {
                Cautions = ["Gloves."],
                Puts = [new TrayPut("towel", "inside", 1, "Out.", ["inside"])],
                Takes = ["towel"],
                Measure = new AskedMeasure("Counter", "%", 0, 120),
                Photo = true,
                Wait = new StepWait("dry", "dry", Minutes.Of(10), Minutes.Of(20)),
                Branches = [new StepBranch("stuck", "Stuck", "Stop.", "s")],
                Targets = ["pads"],
                Irreversible = true,
                Window = "w",
                Differs = "Here.",
                Word = "irreversible",
            },
        ];
        GuideWindow[] windows = [new("w", "it dries", Minutes.Of(5), "s", ["towel"])];
        return
        [
            new Aimed(["lid"], ["lid"]),
            new TakenOff("lid:ends", "lid", "Lid: 2 screws out", 4, item, 1.5, 1),
            new WouldNot("lid", "Lid off", "One more catch."),
            new PutBack("a", "lid:ends", "lid screws", 1, 1, 2),
            new PieceLost("a", "lid:ends", "lid screws", 1, true, "gone", 4),
            new PieceReplaced("a", "lid:ends", "lid screws", 1, "drawer"),
            new LeftOff("a", "lid", "lid", "broken"),
            new PartRenewed("lid", "lid", "N1", "L2", 4.2m, "returned", new DateOnly(2026, 4, 1), new DateOnly(2027, 4, 1), "clip"),
            new PhotoTaken("fp", "lid", "the lid"),
            new GuideBegun("r", "pads", "Pads", 2, 3, steps, windows),
            new GuideTicked("r", "s", "Ask", "done", 4.5, "%", [item], ["a"], 2, "so"),
            new GuideRenewed("r", 3, steps, windows),
            new GuideEnded("r", "Pads", true, ""),
        ];
    }
}
