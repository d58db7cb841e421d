using SideBench.Core.Diagnosis;
using SideBench.Core.Logbook;
using SideBench.Core.Outcomes;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class BookEditsTests
{
    private static readonly FaultBook Book = TestShop.Shop.Book;

    [Fact]
    public void Rate_MovesOneCause_AndTakenBackTheBookIsAsBefore()
    {
        var edit = Edit(BookEdits.Rate, "vent-blocked", "", "", "rare");
        Assert.Equal("fairly-common", edit.From);
        var edited = BookEdits.Apply(Book, [edit]);
        Assert.Equal(Book.Words.Rate["rare"], edited.Causes.Single(c => c.Id == "vent-blocked").Rate);
        Assert.Equal(Book.Causes.Where(c => c.Id != "vent-blocked"), edited.Causes.Where(c => c.Id != "vent-blocked"));
        Assert.NotEqual(Book.Version, edited.Version);
        Assert.Same(Book, BookEdits.Apply(Book, []));
    }

    [Fact]
    public void Likelihood_SetsTheWord_KeepsTheOthersInProportion_AndTouchesNoOtherCause()
    {
        var edited = BookEdits.Apply(Book, [Edit(BookEdits.Likelihood, "draw-test", "vent-blocked", "hard", "even")]);
        double[] Row(FaultBook book, string cause) =>
            CaseBook.Of(book, TestShop.Shop.Models["marram-quartet-a4"], book.Complaints[0]) is var laid
                ? laid.Likelihood[laid.IndexOfFinding("draw-test")][laid.Causes.ToList().FindIndex(c => c.Id == cause)]
                : [];
        var (before, after) = (Row(Book, "vent-blocked"), Row(edited, "vent-blocked"));
        Assert.Equal(0.5, after[1], 9);
        Assert.Equal(before[0] / before[2], after[0] / after[2], 9);
        Assert.Equal(1, after.Sum(), 9);
        Assert.Equal(Row(Book, "line-kinked"), Row(edited, "line-kinked"));
        Assert.Equal("even", BookEdits.WordNow(edited, BookEdits.Likelihood, "draw-test", "vent-blocked", "hard"));
    }

    [Theory]
    [InlineData("rate", "no-such", "", "", "rare", ProblemCode.PackUnknownName)]
    [InlineData("rate", "vent-blocked", "", "", "now-and-then", ProblemCode.UnknownWord)]
    [InlineData("rate", "vent-blocked", "", "", "fairly-common", ProblemCode.EditImpossible)]
    [InlineData("likelihood", "draw-test", "vent-blocked", "no-such", "even", ProblemCode.UnknownAnswer)]
    [InlineData("likelihood", "no-such", "vent-blocked", "hard", "even", ProblemCode.PackUnknownName)]
    [InlineData("colour", "draw-test", "", "", "even", ProblemCode.UnknownWord)]
    public void WrongEdit_IsRefused(string kind, string target, string cause, string outcome, string to, ProblemCode code) =>
        Assert.Contains(code, BookEdits.Edit(Book, kind, target, cause, outcome, to, "seen here").Problems.Select(p => p.Code));

    private static EntryBody.BookEdited Edit(string kind, string target, string cause, string outcome, string to) =>
        Assert.IsType<EntryBody.BookEdited>(Assert.Single(BookEdits.Edit(Book, kind, target, cause, outcome, to, "seen here").Value));
}
