using SideBench.Core.Nozzles.Teaching;

namespace SideBench.Core.Nozzles;

/// <summary>House numbers of nozzle sheets.</summary>
/// <param name="SureOfPattern">Below these odds of its pattern a unit answers nothing by itself: a person is asked, 0 to 1.</param>
/// <param name="MostUnsure">A unit with more unsure nozzles than this share answers nothing by itself, 0 to 1.</param>
/// <param name="NoChance">An overlap rarer than this is no chance: the gaps sit still, 0 to 1.</param>
/// <param name="WellChance">An overlap commoner than this may well be chance: the gaps wander, 0 to 1.</param>
/// <param name="LeastToTell">So many gaps are needed to tell.</param>
/// <param name="ClearlyMore">So many times as many gaps are clearly more.</param>
/// <param name="LeastMore">More gaps by so many or fewer are not more: one sheet differs from the next.</param>
/// <param name="ClearlyFewer">Such a share of the gaps is clearly fewer, 0 to 1.</param>
/// <param name="WorthSaying">Odds of a pattern that are worth saying, 0 to 1.</param>
/// <param name="TiltWorthSayingPct">A tilt from which on it is said that it was taken out, percent.</param>
/// <param name="LightWorthSayingPct">Uneven light from which on it is said that it was taken out, percent.</param>
/// <param name="CurlWorthSayingMm">A curl from which on it is said that it was taken out, mm.</param>
/// <param name="Pattern">How nozzles behave under each pattern.</param>
/// <param name="Teach">How a sheet is taught by its picture.</param>
public sealed record SheetNumbers(
    double SureOfPattern,
    double MostUnsure,
    double NoChance,
    double WellChance,
    int LeastToTell,
    double ClearlyMore,
    int LeastMore,
    double ClearlyFewer,
    double WorthSaying,
    double TiltWorthSayingPct,
    double LightWorthSayingPct,
    double CurlWorthSayingMm,
    PatternModel Pattern,
    TeachNumbers Teach
);
