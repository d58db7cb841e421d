using SideBench.Core.Diagnosis;
using SideBench.Core.Ink;
using Xunit;

namespace SideBench.Core.Tests.Ink;

/// <summary>What the ledger tells diagnosis.</summary>
public class InkFactsTests
{
    private const string Broadside = "tolling-broadside-44";

    [Fact]
    public void ADrySlot_HoldsCleaning_AndRaisesWhatDrewAir()
    {
        var job = new InkOnJob(Broadside).AllFitted("refillable-board");
        var full = Case(job);
        Assert.Null(Holding(full));
        job.Tell(i => i.ReadChips([new SlotAmount(6, 18)]));
        var dry = Case(job);
        Assert.Equal("ledger-dry", Holding(dry)!.Id);
        Assert.True(On(dry, "line-air") > On(full, "line-air"));
        Assert.Contains(dry.Odds.Evidence, e => e.Kind == "context");
        // Filled, it is let go.
        job.Tell(i => i.Fill([new SlotAmount(6, null)]));
        Assert.Null(Holding(Case(job)));
    }

    [Fact]
    public void Facts_AreOnlyWhatIsKnown()
    {
        var job = new InkOnJob(Broadside);
        Assert.Empty(Known(job));
        job.Tell(i => i.ReadChips([new SlotAmount(1, 4)]));
        Assert.Equal("unknown", Word(job, "slots-dry"));
        Assert.Equal("low", Word(job, "chips-worst"));
        job.Tell(i => i.ReadChips([new SlotAmount(2, 0)]));
        Assert.Equal("spent", Word(job, "chips-worst"));
        job.AllFitted("refillable-board").Tell(i => i.Reset("board", InkOnJob.Amounts(100), 3, true, ""));
        Assert.Equal(("no", "fine"), (Word(job, "slots-dry"), Word(job, "chips-worst")));
        Assert.Equal(21, Known(job).Single(f => f.Key == "board-presses").Number);
    }

    private static IEnumerable<SideBench.Core.Machines.Fact> Known(InkOnJob job) =>
        InkFacts.Of(job.Model, job.State, InkOnJob.House, job.Now);

    private static string? Word(InkOnJob job, string key) => Known(job).Single(f => f.Key == key).Word;

    private static double On(JobCase job, string cause) => job.Odds.Still[job.Book.Causes.ToList().FindIndex(c => c.Id == cause)];

    private static JobCase Case(InkOnJob job) =>
        new(TestShop.Book(Broadside, "fades-under-load"), job.State, DateOnly.FromDateTime(job.Now.UtcDateTime), known: Known(job));

    private static Gate? Holding(JobCase job) =>
        Gates.Holding(
            job.Book,
            job.Facts,
            job.Book.Repairs.First(r => r.Id == "clean-normal"),
            [new PastGate("sheet-before-clean", "clean-normal")]
        );
}
