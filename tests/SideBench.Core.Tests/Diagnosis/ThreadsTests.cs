using SideBench.Core.Bench;
using SideBench.Core.Diagnosis;
using SideBench.Core.Outcomes;
using SideBench.Core.Record;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class ThreadsTests
{
    [Fact]
    public void Thread_SharesWhatSpeaksOfTheWholeMachine_AndNotWhatSpeaksOfAnotherSlot()
    {
        var entries = Two(slot: 4);
        TestShop.Answer(entries, "nozzle-sheet", "complete");
        TestShop.Answer(entries, "panel-code", "absent");
        TestShop.Answer(entries, "draw-test", "hard", 3);
        var second = Thread(entries, 1);
        Assert.Equal(["nozzle-sheet", "panel-code"], second.Timeline.OfType<CaseEvent.Told>().Select(t => t.Finding));
        Assert.Contains(second.Odds.Evidence, e => e.Source == "panel-code");
        Assert.DoesNotContain("draw-test", second.Facts.Answers.Keys);
    }

    [Fact]
    public void Spent_IsHandsAndParts_AgainstTheCustomersLimit()
    {
        var clear = TestShop.Shop.Book.Repairs.First(r => r.Id == "clear-vent");
        double Spent(double minutes, decimal parts)
        {
            var entries = Two(slot: 0);
            entries.Add(TestShop.Line(entries.Count + 1, new Mended(clear.Id, clear.Name, [], minutes, parts, "", "", 0, 0, [])));
            return Thread(entries, 0).Facts.Spent;
        }

        var none = Spent(0, 0);
        Assert.Equal(30, Spent(0, 30) - none, 9);
        Assert.Equal(TestShop.Shop.Book.House.BenchPerHour / 2, Spent(30, 0) - none, 9);
    }

    [Fact]
    public void SlotEvidence_IsSharedBetweenThreadsOfOneSlot()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load") with { Slot = 4 });
        TestShop.Add(entries, Endings.Open(TestShop.Case(entries), "blank-channel", 4, ""));
        TestShop.Add(entries, Endings.Open(TestShop.Case(entries), "blank-channel", 2, ""));
        TestShop.Answer(entries, "draw-test", "air");
        Assert.Contains("draw-test", Thread(entries, 1, "blank-channel").Facts.Answers.Keys);
        Assert.DoesNotContain("draw-test", Thread(entries, 2, "blank-channel").Facts.Answers.Keys);
    }

    [Fact]
    public void Close_OfOneThread_LeavesTheOtherOpen_AndTheLastClosesTheJobAsTheWorstDid()
    {
        var entries = Two(slot: 0);
        var refused = Endings.Close(Thread(entries, 1), "handed-back", "");
        Assert.Equal(ProblemCode.Missing, Assert.Single(refused.Problems).Code);
        TestShop.Add(entries, Endings.Close(Thread(entries, 1), "handed-back", "the customer brings a cartridge"));
        Assert.Null(HouseCrafts.Fold(entries).Closing);
        Assert.Equal(
            DiagnosisProblem.ThreadClosed,
            Assert.Single(BenchWork.Answer(Thread(entries, 1), "ink-seen", "enough", null, () => "x").Problems).Code
        );
        TestShop.Mend(entries, "clear-vent");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "full-pages", "even");
        TestShop.Add(entries, Endings.Close(Thread(entries, 0), "verified", ""));
        var state = HouseCrafts.Fold(entries);
        Assert.Equal("handed-back", state.Closing?.How);
        Assert.Equal(["verified", "handed-back"], state.Threads.Select(t => t.How));
        Assert.Contains("Fades under load: mended and proved", HandOverSheet.Of(Thread(entries, 0)).Ending);
    }

    [Fact]
    public void TakingAClosingBack_VoidsWhatWasLearnedFromIt()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        TestShop.Mend(entries, "clear-vent");
        TestShop.ClearTray(entries);
        TestShop.Answer(entries, "full-pages", "even");
        TestShop.Add(entries, Endings.Close(TestShop.Case(entries), "verified", "", "vent-shut"));
        var judged = entries.Single(e => e.Body is Judged);
        Assert.Equal("vent-shut", ((Judged)judged.Body).Cause);
        var back = BenchWork.Correct(HouseCrafts.Fold(entries), entries, entries[^1].Id.Value, "too early").Value;
        Assert.Equal([entries[^1].Id.Value, judged.Id.Value], back.OfType<Corrected>().Select(c => c.Target));
    }

    [Theory]
    [InlineData("no-such", 0, "unknown-word")]
    [InlineData("not-recognised", 9, "out-of-range")]
    [InlineData("fades-under-load", 0, "thread-there")]
    public void Open_Wrong_IsRefused(string complaint, int slot, string code)
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        Assert.Contains(code, Endings.Open(TestShop.Case(entries), complaint, slot, "").Problems.Select(p => p.Code.Id));
    }

    [Theory]
    [InlineData("marram-duo", "draw-test", "part-not-on-model")]
    [InlineData("marram-quartet-a4", "no-such", "unknown-step")]
    public void FindingThatIsNotHere_SaysWhy(string model, string finding, string code)
    {
        var job = TestShop.Case(TestShop.Opened(TestShop.Intake(model, "fades-under-load")));
        Assert.Equal(code, Assert.Single(BenchWork.Answer(job, finding, "x", null, () => "x").Problems).Code.Id);
    }

    [Fact]
    public void FactThatTellsThisComplaintNothing_IsKept_AndMovesNoOdds()
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        var before = TestShop.Case(entries).Odds.Still;
        TestShop.Answer(entries, "preview-look", "empty");
        Assert.Equal("empty", TestShop.Case(entries).Facts.Answers["preview-look"]);
        Assert.Equal(before, TestShop.Case(entries).Odds.Still);
    }

    private static List<Entry> Two(int slot)
    {
        var entries = TestShop.Opened(TestShop.Intake("marram-quartet-a4", "fades-under-load"));
        TestShop.Add(entries, Endings.Open(TestShop.Case(entries), "not-recognised", slot, "yellow now and then"));
        return entries;
    }

    private static JobCase Thread(IReadOnlyList<Entry> entries, int thread, string complaint = "not-recognised")
    {
        var state = HouseCrafts.Fold(entries);
        var book = TestShop.Book(state.Intake.ModelId, thread == 0 ? state.Intake.Complaint : complaint);
        return new JobCase(book, state, DateOnly.FromDateTime(TestShop.Now.UtcDateTime), thread);
    }
}
