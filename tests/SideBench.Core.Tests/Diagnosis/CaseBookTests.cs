using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class CaseBookTests
{
    [Fact]
    public void Of_HeadInCartridge_HasNoLinesDampersOrHeadOfItsOwn()
    {
        var causes = TestShop.Book("pellow-mono-pair", "missing-after-idle").Causes.Select(c => c.Id).ToHashSet();
        Assert.Contains("plate-crust", causes);
        Assert.DoesNotContain("head-driver-dead", causes);
        Assert.DoesNotContain("line-air", causes);
    }

    [Fact]
    public void Of_PiezoHead_DoesNotBake() =>
        Assert.DoesNotContain("head-baked", TestShop.Book("marram-quartet-a4", "missing-after-idle").Causes.Select(c => c.Id));

    [Fact]
    public void Of_KeepsWhatDependsOnTheCase_UntilTheCaseIsKnown()
    {
        var book = TestShop.Book("tolling-folio-3", "blank-channel");
        Assert.Contains("not-primed", book.Causes.Select(c => c.Id));
        var entries = TestShop.Opened(TestShop.Intake("tolling-folio-3", "blank-channel", ink: "maker"));
        var job = TestShop.Case(entries);
        Assert.Equal(0, job.Odds.Still[job.Book.Causes.Select(c => c.Id).ToList().IndexOf("not-primed")]);
    }

    [Fact]
    public void Of_EveryModelAndComplaint_GivesEachCauseARepair_AndEachRepairItsProof()
    {
        foreach (var model in TestShop.Shop.Models.Keys)
        foreach (var complaint in TestShop.Shop.Book.Complaints)
        {
            var book = TestShop.Book(model, complaint.Id);
            Assert.NotEmpty(book.Causes);
            Assert.All(book.ProofOf, p => Assert.True(p >= 0, $"{model} {complaint.Id}: a repair whose proof is not to be had"));
            for (var c = 0; c < book.Causes.Count; c++)
                Assert.True(
                    book.FixChance.Any(row => row[c] >= 0.3) || IsForOthers(book, c),
                    $"{model} {complaint.Id}: nothing ends {book.Causes[c].Id}"
                );
        }
    }

    [Fact]
    public void Likelihood_OfEveryFindingUnderEveryCause_AddsUpToOne()
    {
        var book = TestShop.Book("tolling-broadside-44", "blank-channel");
        foreach (var rows in book.Likelihood)
            Assert.All(rows, row => Assert.Equal(1, row.Sum(), 9));
        Assert.All(book.Unknown, row => Assert.Equal(1, row.Sum(), 9));
    }

    [Fact]
    public void StepCost_IsMinutesPartsInkCounterAndRisk_ByHand()
    {
        // Deep clean on the Quartet: 1 + 5 min at 42 an hour = 4.20; 4 channels × 2.25 ml × 0.35 = 3.15; 6.58 % × 0.4 = 2.632; risk
        // "some" 8.
        var book = TestShop.Book("marram-quartet-a4", "missing-after-idle");
        Assert.Equal(4.20 + 3.15 + 2.632 + 8, book.StepCost["clean-deep"], 9);
        var clean = book.Repairs[book.IndexOfRepair("clean-deep")];
        Assert.Equal(6, StepCost.MinutesOf(clean, book.Model));
        Assert.Equal(9, StepCost.InkMlOf(clean, book.Model));
        Assert.Equal(6.58, StepCost.CounterPctOf(clean, book.Model));
    }

    // A failing supply is for licensed people, and a head that cannot be renewed stays as it is: both are handed back.
    private static bool IsForOthers(CaseBook book, int c) =>
        book.Causes[c].Id == "supply-failing" || (book.Model.Axes["headRenew"] == "no" && book.Causes[c].Station == "head");
}
