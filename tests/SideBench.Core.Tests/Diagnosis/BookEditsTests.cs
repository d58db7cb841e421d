using SideBench.Core.Diagnosis;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class BookEditsTests
{
    private static readonly FaultBook Book = TestShop.Shop.Book;

    [Fact]
    public void WordsThatWereNotSent_AreProblems_NotOurMistake()
    {
        foreach (var kind in new[] { "rate", "likelihood", null })
            Assert.False(BookEdits.Edit(Book, kind, null, null, null, null, null).IsGood);
    }

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
    [InlineData("rate", "no-such", "", "", "rare", "pack-unknown-name")]
    [InlineData("rate", "vent-blocked", "", "", "now-and-then", "unknown-word")]
    [InlineData("rate", "vent-blocked", "", "", "fairly-common", "edit-impossible")]
    [InlineData("likelihood", "draw-test", "vent-blocked", "no-such", "even", "unknown-answer")]
    [InlineData("likelihood", "no-such", "vent-blocked", "hard", "even", "pack-unknown-name")]
    [InlineData("colour", "draw-test", "", "", "even", "unknown-word")]
    public void WrongEdit_IsRefused(string kind, string target, string cause, string outcome, string to, string code) =>
        Assert.Contains(code, BookEdits.Edit(Book, kind, target, cause, outcome, to, "seen here").Problems.Select(p => p.Code.Id));

    private static BookEdited Edit(string kind, string target, string cause, string outcome, string to) =>
        Assert.IsType<BookEdited>(Assert.Single(BookEdits.Edit(Book, kind, target, cause, outcome, to, "seen here").Value));
}
