using SideBench.Core.Ink;
using SideBench.Core.Quantities;
using Xunit;

namespace SideBench.Core.Tests.Ink;

public class FadeFeedTests
{
    [Theory]
    // D 1.1 ml; q 0.09 ml at 5 %, so 0.72 ml at 40 %: after 2 pages f = 0.72 − 0.55 = 0.17, a coverage of 40 · 0.17/0.72.
    [InlineData(2, 40, 0.17, 9.44)]
    [InlineData(10, 40, 0.61, 33.89)]
    [InlineData(0.5, 40, 0, 0)]
    [InlineData(1, 40, 0, 0)]
    public void Of_IsNeedLessWhatTheDamperGave(double pages, double coverage, double feed, double serves)
    {
        var result = FadeFeed.Of(Millilitres.Of(1.1), Millilitres.Of(0.09), Pages.Of(pages), Ratio.OfPct(coverage))!;
        Assert.Equal(feed, result.PerPage.Value, 2);
        Assert.Equal(serves, result.ServesCoverage.Pct, 2);
    }

    [Theory]
    [InlineData(2, 0)]
    [InlineData(2, 101)]
    public void Of_NumbersThatCannotBe_GiveNothing(double pages, double coverage) =>
        Assert.Null(FadeFeed.Of(Millilitres.Of(1.1), Millilitres.Of(0.09), Pages.Of(pages), Ratio.OfPct(coverage)));

    [Fact]
    public void Of_MorePages_NeverMeansLessFeed_AndNeverMoreThanTheNeed()
    {
        double last = 0;
        for (var pages = 0.0; pages < 60; pages += 0.5)
        {
            var feed = FadeFeed.Of(Millilitres.Of(1.1), Millilitres.Of(0.09), Pages.Of(pages), Ratio.OfPct(40))!;
            Assert.InRange(feed.Share.Value, last, 1);
            last = feed.Share.Value;
        }
    }
}
