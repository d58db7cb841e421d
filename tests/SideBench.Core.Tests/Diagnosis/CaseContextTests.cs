using SideBench.Core.Diagnosis;
using SideBench.Core.Quantities;
using Xunit;

namespace SideBench.Core.Tests.Diagnosis;

public class CaseContextTests
{
    private static readonly ContextBounds Bounds = TestShop.Shop.Book.House.Context;
    private static readonly DateOnly Today = new(2026, 3, 2);

    [Theory]
    [InlineData(0, "none")]
    [InlineData(1, "none")]
    [InlineData(2, "weeks")]
    [InlineData(8, "weeks")]
    [InlineData(9, "months")]
    public void Idle_IsAWordByWeeks(int weeks, string word) =>
        Assert.Equal(word, CaseContext.Of(TestShop.Intake("marram-duo", "x", idleWeeks: weeks), Today, "x", Bounds)["idle"]);

    [Theory]
    [InlineData("2026-03-02", "in")]
    [InlineData("2026-03-01", "out")]
    [InlineData(null, "out")]
    public void Warranty_LastsThroughItsLastDay(string? end, string word) =>
        Assert.Equal(
            word,
            CaseContext.Of(TestShop.Intake("marram-duo", "x", warranty: end is null ? null : DateOnly.Parse(end)), Today, "x", Bounds)[
                "warranty"
            ]
        );

    [Theory]
    [InlineData(0, "none")]
    [InlineData(3, "some")]
    [InlineData(4, "many")]
    public void Tried_CountsTheCleansAtHome(int cleans, string word) =>
        Assert.Equal(word, CaseContext.Of(TestShop.Intake("marram-duo", "x") with { CleansTried = cleans }, Today, "x", Bounds)["tried"]);

    [Theory]
    [InlineData(0.0, "0 %")]
    [InlineData(0.004, "under 1 %")]
    [InlineData(0.415, "42 %")]
    [InlineData(0.995, "over 99 %")]
    [InlineData(1.0, "100 %")]
    public void Percent_NeverShowsMoreThanIsKnown(double share, string shown) => Assert.Equal(shown, Explanation.Percent(share));

    [Fact]
    public void Quantities_RefuseWhatCannotBe()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => Millilitres.Of(-0.1));
        Assert.Throws<ArgumentOutOfRangeException>(() => Minutes.Of(double.NaN));
        Assert.Throws<InvalidOperationException>(() => new Money(1, "GBP") + new Money(1, "SEK"));
        Assert.Equal(5.5, (Millilitres.Of(2) + Millilitres.Of(3.5)).Value);
    }
}
