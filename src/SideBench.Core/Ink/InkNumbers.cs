namespace SideBench.Core.Ink;

/// <summary>House numbers of ink and chips.</summary>
/// <param name="Noise">How far fills, weighings and counts are from the truth.</param>
/// <param name="UseShape">
/// How evenly use is spread over the time between two chip readings: 2 means that any share is as likely as any other at the middle; more
/// is more even.
/// </param>
/// <param name="OutlierSd">A witness further off than so many standard deviations is kept with a doubt.</param>
public sealed record InkNumbers(SlotNoise Noise, double UseShape, double OutlierSd);

/// <summary>How far fills, weighings and counts are from the truth; standard deviations.</summary>
/// <param name="FullSd">A fill to full, share of a full fill.</param>
/// <param name="PouredSd">A fill by millilitres, share of them.</param>
/// <param name="CountSd">True use to counted use: one factor of the slot, near 1.</param>
/// <param name="ScaleSd">A weighing, g.</param>
/// <param name="TareSd">The empty mass of the single piece, g.</param>
/// <param name="SpentSd">A counted use that was told, share of it.</param>
public sealed record SlotNoise(double FullSd, double PouredSd, double CountSd, double ScaleSd, double TareSd, double SpentSd);
