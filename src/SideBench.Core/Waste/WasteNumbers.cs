namespace SideBench.Core.Waste;

/// <summary>House numbers of waste ink.</summary>
/// <param name="VolatileShare">Of each gram that comes in, the share that dries off, mean over machines, 0 to 1.</param>
/// <param name="DryDays">Time in which what can dry falls to 1/e, median over machines, days.</param>
/// <param name="Noise">How far machines and scales differ.</param>
/// <param name="CounterStep">A reading of the counter is exact to this, points.</param>
/// <param name="GramsPerMl">What waste ink in an outside bottle weighs, g/ml.</param>
/// <param name="OutlierSd">A weighing below the dry mass by more standard deviations than this is refused.</param>
/// <param name="MostYears">Dates later than this are not told, years.</param>
public sealed record WasteNumbers(
    double VolatileShare,
    double DryDays,
    WasteNoise Noise,
    double CounterStep,
    double GramsPerMl,
    double OutlierSd,
    double MostYears
);

/// <summary>How far machines and scales differ; standard deviations.</summary>
/// <param name="InflowSd">What comes in against what the counter says: one factor of the machine, in its logarithm.</param>
/// <param name="ShareSd">The share that dries off.</param>
/// <param name="DaysSd">The time it takes, in its logarithm.</param>
/// <param name="ScaleSd">A weighing, g.</param>
public sealed record WasteNoise(double InflowSd, double ShareSd, double DaysSd, double ScaleSd);
