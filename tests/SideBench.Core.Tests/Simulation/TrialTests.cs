using SideBench.Core.Diagnosis;
using SideBench.Core.Simulation;
using SideBench.Core.Simulation.Printer;
using SideBench.Core.Tests.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Simulation;

[Trait("Pace", "slow")]
public class TrialTests
{
    private static readonly FaultBook Book = TestShop.Shop.Book;

    public static TheoryData<string> Ways() => ["advice", "fixed checklist", "most likely cause first", "cheapest test first"];

    [Theory]
    [MemberData(nameof(Ways))]
    public void Run_OneSeed_IsTheSameTwice_AndAlwaysEnds(string way)
    {
        for (var seed = 100; seed < 112; seed++)
        {
            var first = Run(way, seed);
            Assert.Equal(first, Run(way, seed));
            Assert.InRange(first.Decisions, 1, 120);
            Assert.True(first.Cost > 0 && first.Minutes > 0);
        }
    }

    [Fact]
    public void Advice_OnTheSameJobs_CostsLessThanEveryOtherWay()
    {
        var cost = Ways().ToDictionary(w => w.Data, w => Enumerable.Range(500, 60).Sum(seed => Run(w.Data, seed).Cost));
        Assert.All(
            cost.Where(c => c.Key != "advice"),
            other => Assert.True(cost["advice"] < 0.85 * other.Value, $"{cost["advice"]:0} against {other.Value:0} of {other.Key}")
        );
    }

    [Fact]
    public void Draw_OneJobInSix_HasTwoFaults_AndSomeHaveTwoThreads()
    {
        var jobs = new TrialJobs(Book, Book, TestShop.Shop.Models.Values, TestShop.Shop.Printers, 0);
        var drawn = Enumerable.Range(0, 300).Select(jobs.Draw).ToList();
        Assert.InRange(drawn.Count(j => j.Machine.Ills.Count == 2), 30, 75);
        Assert.InRange(drawn.Count(j => j.Threads.Count == 2), 8, 50);
        Assert.All(drawn, j => Assert.Equal(j.Machine.Ills.Count, j.Machine.Ills.Distinct().Count()));
        Assert.Equal(TestShop.Shop.Models.Count, drawn.Select(j => j.Threads[0].Book.Model.Id).Distinct().Count());
    }

    [Fact]
    public void TwoFaults_ShowTroubleWhenEitherDoes_AndEachIsMendedByItself()
    {
        var finding = Book.Findings.Single(f => f.Id == "draw-test");
        var vent = Book.Causes.Single(c => c.Id == "vent-blocked");
        var driver = Book.Causes.Single(c => c.Id == "head-driver-dead");
        var machines = Enumerable.Range(0, 200).Select(seed => With(Book, seed, 0, vent, driver)).ToList();
        Assert.InRange(machines.Count(m => m.Show(finding, "blank-channel") == "hard"), 170, 200);
        var clear = Book.Repairs.Single(r => r.Id == "clear-vent");
        foreach (var machine in machines)
        {
            while (machine.Ills.Any(i => i.Cause == vent))
                Assert.True(machine.Mend(clear));
            Assert.Equal([driver], machine.Ills.Select(i => i.Cause));
            Assert.False(machine.Mend(clear));
        }

        Assert.InRange(machines.Count(m => m.Show(finding, "blank-channel") == "hard"), 0, 15);
    }

    [Fact]
    public void WrongShare_IsTheShareOfAnswersThatAreSimplyWrong()
    {
        var book = TinyBook
            .Of(
                [1],
                [
                    TinyBook.Look(
                        "look",
                        1,
                        [
                            [1 - 1e-9, 1e-9],
                        ]
                    ),
                ],
                []
            )
            .Book;
        var machines = Enumerable.Range(0, 1000).Select(seed => With(book, seed, 0.25, book.Causes[0]));
        Assert.InRange(machines.Count(m => m.Show(book.Findings[0], "c") == "o1"), 200, 300);
    }

    [Fact]
    public void DisturbedBook_MovesWordsByOneAtMost_AndRowsStillAddUpToOne()
    {
        double[] scale = [.. Book.Words.Likelihood.Values.Order()];
        var disturbed = DisturbedBook.Of(Book, new Random(3));
        var moved = 0;
        foreach (var (was, now) in Book.Findings.Zip(disturbed.Findings))
        foreach (var (row, then) in was.Rows.Zip(now.Rows))
        {
            Assert.Equal(1, then.Probabilities.Sum(), 9);
            if (!row.Probabilities.SequenceEqual(then.Probabilities))
                moved++;
            foreach (var word in row.Words!)
            {
                var at = Array.IndexOf(scale, Book.Words.Likelihood[word.Value]);
                var most = scale[Math.Min(at + 1, scale.Length - 1)] * 1.8;
                Assert.True(then.Probabilities[was.IndexOf(word.Key)] <= most, $"{was.Id} {word.Key}");
            }
        }

        Assert.True(moved > 100, $"{moved}");
    }

    private static SimulatedPrinter With(FaultBook book, int seed, double wrongShare, params IEnumerable<Cause> causes)
    {
        var (makings, model) = (TestShop.Shop.Printers, TestShop.Shop.Models["marram-quartet-a4"]);
        var machine = new SimulatedPrinter(makings, book, model, new Random(seed), wrongShare);
        foreach (var cause in causes)
            machine.FallIll(cause);
        return machine;
    }

    private static TrialResult Run(string way, int seed)
    {
        ITrialPolicy[] ways = [new AdvisedPolicy(), new ChecklistPolicy(), new LikeliestFirstPolicy(), new CheapestTestPolicy()];
        var (threads, machine) = new TrialJobs(Book, Book, TestShop.Shop.Models.Values, TestShop.Shop.Printers, 0).Draw(seed);
        return Trial.Run(threads, machine, ways.Single(w => w.Name == way));
    }
}
