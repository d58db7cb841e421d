using SideBench.Core.Quantities;

namespace SideBench.Core.Ink;

/// <summary>How fast ink still reaches the head of a machine that fades, worked out from how many pages were good.</summary>
/// <param name="PerPage">What reaches the damper while one page prints.</param>
/// <param name="Needed">What one page takes.</param>
/// <param name="ServesCoverage">The coverage that this feed can still serve without fading, as a share of the page.</param>
public sealed record FadeFeed(Millilitres PerPage, Millilitres Needed, Ratio ServesCoverage)
{
    /// <summary>Coverage at which packs state a model's ink per page, percent.</summary>
    public const double StatedCoveragePct = 5;

    /// <summary>Feed as a share of the need, 0 to 1.</summary>
    public Ratio Share => Needed.Value <= 0 ? Ratio.Of(1) : Ratio.Of(PerPage.Value / Needed.Value);

    /// <summary>
    /// Estimates the feed: the damper holds D ml, printing draws q ml a page, and prints fade after n pages, so
    /// f = q − D/n a page. Assumes a full damper at the start and one channel.
    /// </summary>
    /// <param name="damper">What the damper holds.</param>
    /// <param name="perPageStated">What a page takes at <see cref="StatedCoveragePct"/>.</param>
    /// <param name="pages">Good pages before it faded; below one page the feed counts as nothing.</param>
    /// <param name="coverage">Coverage of the test page in that channel, above 0 and at most all of it.</param>
    /// <returns>A feed between nothing and the need; null when a number is missing or cannot be.</returns>
    public static FadeFeed? Of(Millilitres damper, Millilitres perPageStated, Pages pages, Ratio coverage)
    {
        if (!(coverage.Value > 0) || coverage.Value > 1 || perPageStated.Value <= 0 || damper.Value <= 0)
            return null;
        var needed = perPageStated.Value * coverage.Pct / StatedCoveragePct;
        var feed = pages.Value < 1 ? 0 : Math.Clamp(needed - (damper.Value / pages.Value), 0, needed);
        return new FadeFeed(Millilitres.Of(feed), Millilitres.Of(needed), Ratio.Of(coverage.Value * feed / needed));
    }
}
