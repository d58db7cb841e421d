using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>Every dash measured, and what the measuring learnt about the sheet.</summary>
public sealed class GaugedSheet
{
    // What a faint ink prints like beside the layout's colour when nothing of it is there to tell.
    private const double FaintShare = 0.7;
    private const double LeastShareOfExpected = 0.3;

    // A faint ink whose dashes are there, but take so little, or so unevenly, that a good one and a weak one cannot be told apart.
    private const double ThereFrom = 0.6;
    private const double LeastThere = 0.5;
    private const double FaintBelow = 0.2;
    private const double LeastAlike = 0.6;
    private const double MostFaintSpread = 0.08;
    private const double LeastSpread = 0.012;

    // A soft dash does not reach its full depth anywhere.
    private const double Peak = 0.6;
    private const double ForeignFrom = 0.15;
    private const double ForeignAngle = 0.45;
    private const double StrongEnough = 0.6;
    private const double MostUnitShiftMm = 0.07;

    private readonly DashGauge.Fit[] fits;
    private readonly DashSamples samples;

    internal GaugedSheet(
        DashGauge.Fit[] fits,
        UnitInk[] inks,
        UnitReference[] references,
        double softMm,
        DashSamples samples,
        IReadOnlyList<DashPlace> places
    )
    {
        (this.fits, Inks, References, SoftMm, this.samples, Places) = (fits, inks, [.. references], softMm, samples, places);
        Measures = new DashMeasure[places.Count];
        TooFaint = new bool[inks.Length];
        Map = null!;
    }

    /// <summary>Every nozzle's place.</summary>
    public IReadOnlyList<DashPlace> Places { get; }

    /// <summary>Every dash, in the order of the places.</summary>
    public DashMeasure[] Measures { get; }

    /// <summary>Every unit's ink.</summary>
    public UnitInk[] Inks { get; }

    /// <summary>Every unit's proper dash.</summary>
    public UnitReference[] References { get; }

    /// <summary>Units whose ink is too faint on this picture to tell what their nozzles do.</summary>
    public bool[] TooFaint { get; }

    /// <summary>Spread of the blur, mm.</summary>
    public double SoftMm { get; }

    /// <summary>Page to picture, with the last bend.</summary>
    public PageMap Map { get; private set; }

    /// <summary>What was seen around each dash.</summary>
    public DashSamples Samples => samples;

    internal GaugedSheet Finished(PageMap map)
    {
        Reconcile();
        var raw = new DashMeasure[fits.Length];
        for (var i = 0; i < fits.Length; i++)
            raw[i] = Raw(i);
        var seen = new List<SeenOff>();
        for (var i = 0; i < raw.Length; i++)
        {
            if (raw[i].Strength < StrongEnough || raw[i].OffsetSpreadMm > 0.06)
                continue;
            seen.Add(
                new SeenOff(
                    Places[i].MiddleX,
                    Places[i].Y,
                    double.NaN,
                    raw[i].OffsetMm,
                    1 / (0.0004 + (raw[i].OffsetSpreadMm * raw[i].OffsetSpreadMm))
                )
            );
        }

        // What is smooth over the whole page is the paper's and the lens's doing, what is not is the nozzle's.
        var bend = Bending.Of(PageMap.Of(map.Flat), seen, Places);
        for (var i = 0; i < raw.Length; i++)
            Measures[i] = raw[i] with { OffsetMm = raw[i].OffsetMm - Smooth(bend, Places[i]) };
        foreach (var unit in Places.Index().GroupBy(place => place.Item.UnitAt))
        {
            var near = unit.Where(p => Measures[p.Index].Strength > StrongEnough && Math.Abs(Measures[p.Index].OffsetMm) < 0.12)
                .Select(p => Measures[p.Index].OffsetMm)
                .Order()
                .ToList();
            if (near.Count < 8)
                continue;
            var shift = Math.Clamp(near[near.Count / 2], -MostUnitShiftMm, MostUnitShiftMm);
            foreach (var place in unit)
                Measures[place.Index] = Measures[place.Index] with { OffsetMm = Measures[place.Index].OffsetMm - shift };
        }

        Map = map;
        return this;
    }

    private static double Smooth(PageMap bend, DashPlace place)
    {
        if (bend.Bend.Length == 0)
            return 0;
        Span<double> terms = stackalloc double[PageMap.Terms];
        bend.Fill(terms, place.MiddleX, place.Y);
        var sum = 0.0;
        for (var t = 0; t < PageMap.Terms; t++)
            sum += terms[t] * bend.Bend[PageMap.Terms + t];
        return sum;
    }

    // A unit of which next to nothing is there is judged by what the others say a proper dash takes.
    private void Reconcile()
    {
        var units = Places.GroupBy(place => place.UnitAt).OrderBy(group => group.Key).Select(group => group.First().Unit).ToArray();
        var nominal = units.Select(Nominal).ToArray();
        var told = Enumerable.Range(0, units.Length).Where(u => Inks[u].Known && References[u].Dashes >= 8).ToList();
        foreach (var faint in (bool[])[false, true])
        {
            var shares = told.Where(u => units[u].Faint == faint).Select(u => References[u].Amplitude / nominal[u]).Order().ToList();
            if (shares.Count == 0)
                shares =
                [
                    .. told.Select(u =>
                            References[u].Amplitude
                            / nominal[u]
                            * (
                                units[u].Faint == faint ? 1
                                : faint ? FaintShare
                                : 1 / FaintShare
                            )
                        )
                        .Order(),
                ];
            var share = shares.Count == 0 ? FaintShare : shares[shares.Count / 2];
            for (var u = 0; u < units.Length; u++)
            {
                if (units[u].Faint != faint)
                    continue;
                var expected = share * nominal[u];
                if (References[u].Dashes >= 8 && References[u].Amplitude > LeastShareOfExpected * expected)
                {
                    TooFaint[u] = faint && IsUneven(u);
                    continue;
                }

                TooFaint[u] = faint && Dashes(u).Count(IsThere(u)) >= LeastThere * units[u].Nozzles;
                if (TooFaint[u])
                    continue;
                if (References[u].Amplitude < 0.6 * expected)
                    References[u] = References[u] with { Amplitude = expected };
            }
        }
    }

    private IEnumerable<DashGauge.Fit> Dashes(int unit) => Places.Index().Where(p => p.Item.UnitAt == unit).Select(p => fits[p.Index]);

    private Func<DashGauge.Fit, bool> IsThere(int unit) =>
        fit => fit.Amplitude > ThereFrom * References[unit].Amplitude && fit.Amplitude < References[unit].Amplitude / ThereFrom;

    private bool IsUneven(int unit)
    {
        var (own, dashes) = (References[unit], Dashes(unit).ToList());
        var spread = dashes.Select(d => d.Spread).Order().ElementAt(dashes.Count / 2);
        return own.Amplitude < FaintBelow
            && (own.Dashes < LeastAlike * dashes.Count(IsThere(unit)) || spread > MostFaintSpread * own.Amplitude);
    }

    private static double Nominal(SheetUnit unit)
    {
        var (r, g, b) = unit.Color.Taken;
        return Math.Sqrt((r * r) + (g * g) + (b * b));
    }

    private DashMeasure Raw(int i)
    {
        var fit = fits[i];
        var reference = References[Places[i].UnitAt].Amplitude;
        var strength = Math.Max(0, fit.Amplitude / reference);
        var spread = Math.Max(LeastSpread, fit.Spread / reference);
        // Under a pen nobody sees the dash: what most of its unit does is the better guess.
        if (IsForeign(i) && Present(Places[i].UnitAt) < 0.5)
            strength = 0;
        var width = Math.Sqrt((Places[i].Unit.Block.DashThicknessMm * Places[i].Unit.Block.DashThicknessMm / 12) + (SoftMm * SoftMm));
        return new DashMeasure(
            strength,
            spread,
            fit.OffsetMm,
            Math.Clamp(width * spread / Math.Max(0.02, strength), 0.004, 0.4),
            fit.Noise / reference
        );
    }

    private double Present(int unit)
    {
        var own = Places
            .Index()
            .Where(p => p.Item.UnitAt == unit)
            .Select(p => fits[p.Index].Amplitude > 0.45 * References[unit].Amplitude)
            .ToList();
        return own.Count(there => there) / (double)own.Count;
    }

    // A pen's stroke along a dash's place is strong, and of another colour than the unit's ink.
    private bool IsForeign(int i)
    {
        var ink = Inks[Places[i].UnitAt].Direction;
        var step = Math.Clamp((int)Math.Round(fits[i].OffsetMm / samples.StepMm) + samples.Reach, 0, samples.Width - 1);
        double[] seen = [0, 0, 0];
        for (var stretch = 0; stretch < DashSamples.Stretches; stretch++)
        {
            var profile = samples.Profile(i, stretch);
            for (var c = 0; c < 3; c++)
                seen[c] += profile[(step * 3) + c] / DashSamples.Stretches;
        }

        return UnitInk.Dot(seen, seen) > ForeignFrom * ForeignFrom && UnitInk.Angle(seen, ink) > ForeignAngle;
    }

    /// <summary>How much ink each stretch of a dash holds, 1 being proper.</summary>
    public double[] Stretches(int dash)
    {
        var reference = References[Places[dash].UnitAt].Amplitude;
        var ink = Inks[Places[dash].UnitAt].Direction;
        var step = Math.Clamp((int)Math.Round(fits[dash].OffsetMm / samples.StepMm) + samples.Reach, 1, samples.Width - 2);
        var held = new double[DashSamples.Stretches];
        for (var stretch = 0; stretch < held.Length; stretch++)
        {
            var profile = samples.Profile(dash, stretch);
            for (var k = step - 1; k <= step + 1; k++)
                held[stretch] = Math.Max(
                    held[stretch],
                    (profile[k * 3] * ink[0]) + (profile[(k * 3) + 1] * ink[1]) + (profile[(k * 3) + 2] * ink[2])
                );
            held[stretch] /= reference * Peak;
        }

        return held;
    }
}
