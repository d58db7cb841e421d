using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

/// <summary>Small rules, each with the case that would notice it turned round.</summary>
public class MeaningTests
{
    [Fact]
    public void AnswerWithOdds_IsShownAsTheAverageOfWhatItMayBe()
    {
        var line = Told(new Dictionary<string, double> { ["o0"] = 0.25, ["o1"] = 0.25 });
        Assert.Equal((0.9 + 0.1) / 2, line.Likelihood, 12);
        Assert.Equal(0.9, Told(null).Likelihood, 12);
    }

    [Fact]
    public void Repair_LeavesWhatItDoesNotEnd()
    {
        var book = TinyBook.Of([1, 1], [TinyBook.Proof(2)], [TinyBook.Mend("m", 5, 0, 0.8)]);
        CaseEvent[] line = [new CaseEvent.Worked("m", 1)];
        double Left(string cause) =>
            CauseArithmetic.Of(Posterior.Of(book, TinyBook.Facts(book), line), TinyBook.Facts(book), cause)!.Lines[^1].Likelihood;
        Assert.Equal((0.2, 1.0), (Math.Round(Left("c0"), 9), Left("c1")));
    }

    [Fact]
    public void Proof_ThatFailed_BeginsToCountAnew()
    {
        var book = TestShop.Book("marram-quartet-a4", "fades-under-load");
        CaseEvent[] line =
        [
            new CaseEvent.Worked("clear-vent", 1),
            new CaseEvent.Told("full-pages", "even", 2),
            new CaseEvent.Told("full-pages", "fades", 3),
            new CaseEvent.Told("full-pages", "even", 4),
        ];
        Assert.Equal(1, Proof.Of(book, line).Times);
        Assert.Equal(2, Proof.Of(book, [.. line, new CaseEvent.Told("full-pages", "even", 5)]).Times);
    }

    [Theory]
    [InlineData(1.9, false)]
    [InlineData(2, true)]
    [InlineData(5, true)]
    [InlineData(5.1, false)]
    public void FactWithinBounds_TakesBothEnds(double number, bool holds)
    {
        var facts = TinyBook.Facts(TinyBook.Of([1], [TinyBook.Proof(1)], [])) with
        {
            Known = new Dictionary<string, Fact> { ["ml"] = new("ml", null, number, "so many ml", null) },
        };
        Assert.Equal(holds, new Condition.FactWithin("ml", 2, 5).Holds(facts));
    }

    [Fact]
    public void SameRepairThrice_WinsLessEachTime()
    {
        // Work and proof cost 11; each time half of what is left is mended: 11 + 5.5 + 2.75, and an eighth is handed back.
        var book = TinyBook.Of([1], [TinyBook.Proof(1)], [TinyBook.Mend("m", 10, 0, 0.5)], TinyBook.House with { NotInBook = 1e-12 });
        var board = new PlanBoard(Posterior.Of(book, TinyBook.Facts(book), []), TinyBook.Facts(book));
        Assert.Equal(11 + 5.5 + 2.75 + (100 / 8.0), MendingOrder.Cost(board, board.Chances, board.Unknown, 0, [3]), 6);
    }

    [Fact]
    public void HandOver_FreesThePlace_AndPartsBelowNothingAreADoubt()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-duo", "not-recognised"));
        TestShop.Add(entries, BenchKeeping.Place(3, 7));
        entries.Add(TestShop.Line(3, new Mended("x", "X", [], 1, -5m, "", "", 0, 0, [])));
        Assert.Equal((3, 0m, 1), (Fold().Place, Fold().Parts, Fold().Doubts.Count));
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "handed-back", "In warranty."));
        TestShop.Add(entries, BenchKeeping.HandOver(Fold(), "Kite Loft", 0, "GBP"));
        Assert.Equal(0, Fold().Place);

        JobState Fold() => HouseCrafts.Fold(entries);
    }

    [Fact]
    public void MachinesChange_HoldsUntilItIsAsMadeAgain()
    {
        MachineCase After(MachineCase machine, string? word) =>
            machine.After(
                TestShop.Line(1, new Noted("x")),
                (Effect.None with { Modifications = [new Modification("stays-off", "lid", word, "Lid stays off")] }, null)
            );
        var changed = After(MachineCase.New, "off");
        Assert.Equal("off", changed.Modifications[("stays-off", "lid")].What.Word);
        Assert.Empty(After(changed, null).Modifications);
    }

    [Fact]
    public void SomeOfThePiecesTakenBack_LeaveTheRestOnTheTray()
    {
        TrayItem[] tray = [new("a", "screws", "off", 3, "", []), new("b", "lid", "open", 1, "", [])];
        var left = Core.Record.Tray.After(tray, Effect.None with { Takes = [new TrayTake("a", 1)] }, _ => { });
        Assert.Equal([("a", 2), ("b", 1)], left.Select(i => (i.Id, i.Count)));
    }

    private static ArithmeticLine Told(Dictionary<string, double>? shares)
    {
        double[][] rows =
        [
            [0.9, 0.1],
            [0.3, 0.7],
        ];
        var book = TinyBook.Of([1, 1], [TinyBook.Look("look", 1, rows)], []);
        var odds = Posterior.Of(book, TinyBook.Facts(book), [new CaseEvent.Told("look", "o0", 1, null, 0, shares)]);
        return CauseArithmetic.Of(odds, TinyBook.Facts(book), "c0")!.Lines[^1];
    }
}
