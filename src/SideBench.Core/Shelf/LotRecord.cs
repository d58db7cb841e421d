using MathNet.Numerics.Distributions;

namespace SideBench.Core.Shelf;

/// <summary>What can be said of a lot.</summary>
public enum LotVerdict
{
    /// <summary>Too few came to an end to say.</summary>
    Open,

    /// <summary>Failures, and too few to call it bad.</summary>
    Watched,

    /// <summary>Even the low end of the band is too much.</summary>
    Bad,

    /// <summary>Even the high end is little.</summary>
    Good,
}

/// <summary>One piece of a lot, once it came out again or while it is in.</summary>
/// <param name="Lot">Its lot.</param>
/// <param name="Seller">Who sold it.</param>
/// <param name="What">What it is.</param>
/// <param name="Fate">What became of it; empty while it is in.</param>
public sealed record LotPiece(string Lot, string Seller, string What, string Fate);

/// <summary>How a lot has done.</summary>
/// <param name="Lot">The lot.</param>
/// <param name="Seller">Who sold it.</param>
/// <param name="What">What it is.</param>
/// <param name="Fitted">Pieces fitted.</param>
/// <param name="Ended">Those that came out again, or failed.</param>
/// <param name="Failed">Those that failed.</param>
/// <param name="Rate">Share that fails, of all fitted, 0 to 1: likely, and the band of 9 in 10.</param>
/// <param name="Verdict">What can be said.</param>
public sealed record LotRecord(
    string Lot,
    string Seller,
    string What,
    int Fitted,
    int Ended,
    int Failed,
    (double Best, double Low, double High) Rate,
    LotVerdict Verdict
)
{
    private const double Tail = 0.05;

    /// <summary>All lots, the worst first: by the low end of the band, so that one failure of one stands behind ten of thirty.</summary>
    /// <param name="pieces">Every piece that was fitted with a lot.</param>
    /// <param name="numbers">House numbers.</param>
    public static IReadOnlyList<LotRecord> Of(IEnumerable<LotPiece> pieces, ShelfNumbers numbers) =>
        Worst(
            pieces
                .Where(p => p.Lot.Trim().Length > 0)
                .GroupBy(p => (Lot: p.Lot.Trim().ToUpperInvariant(), p.What))
                .Select(g => Of([.. g], numbers))
        );

    /// <summary>Lots in their order, the worst first.</summary>
    /// <param name="lots">The lots.</param>
    public static IReadOnlyList<LotRecord> Worst(IEnumerable<LotRecord> lots) =>
        [.. lots.OrderByDescending(l => l.Rate.Low).ThenByDescending(l => l.Rate.Best).ThenBy(l => l.Lot, StringComparer.Ordinal)];

    private static LotRecord Of(IReadOnlyList<LotPiece> pieces, ShelfNumbers numbers)
    {
        var failed = pieces.Count(p => numbers.FailedFates.Contains(p.Fate));
        var rate = Band(failed, pieces.Count);
        return new LotRecord(
            pieces[0].Lot.Trim(),
            pieces.Select(p => p.Seller).FirstOrDefault(s => s.Length > 0) ?? "",
            pieces[0].What,
            pieces.Count,
            pieces.Count(p => p.Fate.Length > 0),
            failed,
            rate,
            rate.Low >= numbers.BadLotFrom ? LotVerdict.Bad
                : rate.High <= numbers.GoodLotTo ? LotVerdict.Good
                : failed > 0 ? LotVerdict.Watched
                : LotVerdict.Open
        );
    }

    /// <summary>The band of a rate by counts: Clopper and Pearson, 90 %.</summary>
    /// <param name="failed">So many failed, 0 or more.</param>
    /// <param name="of">Of so many, 1 or more.</param>
    public static (double Best, double Low, double High) Band(int failed, int of)
    {
        var low = failed == 0 ? 0 : Beta.InvCDF(failed, of - failed + 1, Tail);
        var high = failed == of ? 1 : Beta.InvCDF(failed + 1, of - failed, 1 - Tail);
        return ((double)failed / of, low, high);
    }
}
