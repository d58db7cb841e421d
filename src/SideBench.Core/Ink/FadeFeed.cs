using SideBench.Core.Quantities;

namespace SideBench.Core.Ink;

/// <summary>How fast ink still reaches the head of a machine that fades, worked out from how many pages were good.</summary>
/// <param name="PerPage">What reaches the damper while one page prints.</param>
/// <param name="Needed">What one page takes.</param>
/// <param name="ServesCoveragePct">The coverage that this feed can still serve without fading, percent of the page.</param>
public sealed record FadeFeed(Millilitres PerPage, Millilitres Needed, double ServesCoveragePct)
{
    /// <summary>Coverage at which a model's ink per page is stated, percent.</summary>
    public const double StatedCoveragePct = 5;

    /// <summary>Feed as a share of the need, 0 to 1.</summary>
    public double Ratio => Needed.Value <= 0 ? 1 : PerPage.Value / Needed.Value;

    /// <summary>
    /// Estimates the feed: the damper holds D ml, printing draws q ml a page, and prints fade after n pages, so
    /// f = q − D/n a page. Assumes a full damper at the start and one channel.
    /// </summary>
    /// <param name="damper">What the damper holds.</param>
    /// <param name="perPageStated">What a page takes at <see cref="StatedCoveragePct"/>.</param>
    /// <param name="pages">Good pages before it faded, above 0; below one page the feed counts as nothing.</param>
    /// <param name="coveragePct">Coverage of the test page in that channel, percent, above 0.</param>
    /// <returns>A feed between nothing and the need; null when a number is missing or cannot be.</returns>
    public static FadeFeed? Of(Millilitres damper, Millilitres perPageStated, double pages, double coveragePct)
    {
        if (!(pages >= 0) || !(coveragePct > 0) || coveragePct > 100 || perPageStated.Value <= 0 || damper.Value <= 0)
            return null;
        var needed = perPageStated.Value * coveragePct / StatedCoveragePct;
        var feed = pages < 1 ? 0 : Math.Clamp(needed - (damper.Value / pages), 0, needed);
        return new FadeFeed(Millilitres.Of(feed), Millilitres.Of(needed), coveragePct * feed / needed);
    }
}
