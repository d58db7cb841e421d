namespace SideBench.Core.Nozzles;

/// <summary>How well one dash's measures fit each thing a nozzle can do.</summary>
/// <param name="Good">Fires as it should.</param>
/// <param name="Weak">Fires weakly.</param>
/// <param name="Missing">Does not fire.</param>
/// <param name="Deflected">Fires beside its place.</param>
/// <param name="WeakDeflected">Fires weakly and beside its place.</param>
public readonly record struct NozzleLikelihood(double Good, double Weak, double Missing, double Deflected, double WeakDeflected)
{
    private const double AnywhereMm = 1.2;
    private const double GoodFrom = 0.32;
    private const double MostStrength = 1.2;

    /// <summary>Works it out for one dash.</summary>
    /// <param name="measure">What it measures.</param>
    /// <param name="model">The numbers.</param>
    /// <param name="goodSpread">Spread of this unit's good dashes.</param>
    /// <param name="offsetSpreadMm">Spread of this unit's offsets, mm.</param>
    public static NozzleLikelihood Of(DashMeasure measure, PatternModel model, double goodSpread, double offsetSpreadMm)
    {
        // More ink than a proper dash is something that lies over it; next to none is no good dash, however noisy the sheet.
        var there = 1 / (1 + Math.Exp(-(measure.Strength - GoodFrom) / (0.15 * GoodFrom)));
        var good = there * Heavy(Math.Min(measure.Strength, MostStrength) - 1, Math.Max(goodSpread, measure.Spread * 0.7));
        var weak = Within(measure.Strength, model.WeakRange.From, model.WeakRange.To, Math.Max(0.03, measure.Spread));
        var missing = Heavy(measure.Strength, Math.Max(model.MissingSpread, Math.Min(measure.NoiseSpread, measure.Spread)));
        var sure = Math.Max(offsetSpreadMm, Math.Min(0.2, measure.OffsetSpreadMm));
        var placed = Heavy(measure.OffsetMm, sure);
        var aside = 0.5 * Within(Math.Abs(measure.OffsetMm), model.DeflectedRangeMm.From, model.DeflectedRangeMm.To, sure * 0.5);
        return new NozzleLikelihood(good * placed, weak * placed, missing / AnywhereMm, good * aside, weak * aside);
    }

    /// <summary>How well it fits a dash whose strength should be so and so.</summary>
    public static double Fading(DashMeasure measure, double strength, double spread, double offsetSpreadMm)
    {
        var ink = Heavy(measure.Strength - strength, Math.Max(spread, measure.Spread));
        return strength < 0.12
            ? ink / AnywhereMm
            : ink * Heavy(measure.OffsetMm, Math.Max(offsetSpreadMm, Math.Min(0.2, measure.OffsetSpreadMm)));
    }

    // Student's t of four degrees: most things are near, and now and then one is far.
    private static double Heavy(double off, double spread)
    {
        var t = off / spread;
        return 0.375 / spread * Math.Pow(1 + (t * t / 4), -2.5);
    }

    // Evenly spread over a range whose ends are soft.
    private static double Within(double value, double from, double to, double soft) =>
        Math.Max(
            1e-6,
            (1 / (1 + Math.Exp(-(value - from) / (soft * 0.6))) * (1 / (1 + Math.Exp((value - to) / (soft * 0.6)))) / (to - from))
        );
}
