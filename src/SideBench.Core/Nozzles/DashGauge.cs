namespace SideBench.Core.Nozzles;

/// <summary>What one dash measures.</summary>
/// <param name="Strength">Ink of the dash, 1 being this ink's proper dash on this sheet.</param>
/// <param name="Spread">Uncertainty of the strength (one standard deviation).</param>
/// <param name="OffsetMm">How far below its place it stands, mm; of no meaning when there is no dash.</param>
/// <param name="OffsetSpreadMm">Uncertainty of the offset, mm.</param>
/// <param name="NoiseSpread">What the picture's noise alone would make of a place without a dash.</param>
public readonly record struct DashMeasure(
    double Strength,
    double Spread,
    double OffsetMm,
    double OffsetSpreadMm,
    double NoiseSpread = 0.02
);

/// <summary>Measures every dash: how much ink, and how far from its place.</summary>
public static class DashGauge
{
    private const double MostOffsetMm = 0.6;
    private const double OffsetPriorMm = 0.22;
    private const double StrongShare = 0.55;
    private const double SoftWindow = 0.36;
    private const double LeastPeak = 0.03;
    private const int LeastForSoftness = 12;

    // Neighbouring steps of a profile share pixels, so a fit is less sure than its residuals say.
    private const double SharedNoise = 1.8;

    /// <summary>Measures.</summary>
    /// <param name="samples">What was seen.</param>
    /// <param name="places">Every nozzle's place, in the same order.</param>
    /// <param name="map">Page to picture, for the last smooth bend.</param>
    public static GaugedSheet Of(DashSamples samples, IReadOnlyList<DashPlace> places, PageMap map)
    {
        var noise = NoiseOf(samples);
        var units = places
            .GroupBy(place => place.UnitAt)
            .ToDictionary(
                group => group.Key,
                group => (Unit: group.First().Unit, First: places.Index().First(p => p.Item.UnitAt == group.Key).Index)
            );
        var inks = units.Values.Select(unit => UnitInk.Of(samples, unit.Unit, unit.First)).ToArray();
        var profiles = new double[places.Count][];
        Parallel.For(0, places.Count, i => profiles[i] = Flattened(samples, i, Weights(inks[places[i].UnitAt].Direction, noise)));
        var soft = SoftnessOf(profiles, places, samples, 0, places.Count, 0.1);
        // An ink that shows in one colour only is softer than others where a picture keeps colours coarsely.
        var softs = units.Values.Select(unit => SoftnessOf(profiles, places, samples, unit.First, unit.Unit.Nozzles, soft)).ToArray();
        var shapes = units
            .Values.Select((unit, u) => new DashShape(unit.Unit.Block.DashThicknessMm, softs[u], samples.StepMm, samples.Reach))
            .ToArray();
        var fits = new Fit[places.Count];
        Parallel.For(0, places.Count, i => fits[i] = Fitted(profiles[i], shapes[places[i].UnitAt], samples, places[i]));
        var references = units
            .OrderBy(u => u.Key)
            .Select(u => UnitReference.Of([.. Enumerable.Range(u.Value.First, u.Value.Unit.Nozzles).Select(i => fits[i].Amplitude)]))
            .ToArray();
        return new GaugedSheet(fits, inks, references, soft, samples, places).Finished(map);
    }

    // What a channel's noise is: the spread of what should be bare paper, at the outer steps.
    private static double[] NoiseOf(DashSamples samples)
    {
        var noise = new double[3];
        for (var c = 0; c < 3; c++)
        {
            var values = new List<double>();
            for (var dash = 0; dash < samples.Paper.Length / 3; dash += 3)
            {
                var profile = samples.Profile(dash, DashSamples.Stretches / 2);
                for (var k = 0; k < samples.Reach / 3; k++)
                    values.Add(Math.Abs(profile[(k * 3) + c]));
            }

            values.Sort();
            noise[c] = Math.Max(0.003, 1.48 * values[values.Count / 2]);
        }

        return noise;
    }

    // How to weigh the channels so that this ink stands out most from the noise and a proper dash gives 1 for each part of light it takes.
    private static double[] Weights(double[] ink, double[] noise)
    {
        var sum = 0.0;
        for (var c = 0; c < 3; c++)
            sum += ink[c] * ink[c] / (noise[c] * noise[c]);
        return [.. Enumerable.Range(0, 3).Select(c => ink[c] / (noise[c] * noise[c]) / Math.Max(1e-9, sum))];
    }

    // The three channels made one, and the stretches one by their median.
    private static double[] Flattened(DashSamples samples, int dash, double[] weights)
    {
        var flat = new double[samples.Width];
        Span<double> column = stackalloc double[DashSamples.Stretches];
        for (var k = 0; k < flat.Length; k++)
        {
            for (var stretch = 0; stretch < DashSamples.Stretches; stretch++)
            {
                var at = (((dash * DashSamples.Stretches) + stretch) * samples.Width + k) * 3;
                column[stretch] =
                    (samples.Taken[at] * weights[0]) + (samples.Taken[at + 1] * weights[1]) + (samples.Taken[at + 2] * weights[2]);
            }

            column.Sort();
            flat[k] = column[DashSamples.Stretches / 2];
        }

        return flat;
    }

    // How soft the picture is: how much wider dashes look than they were printed.
    private static double SoftnessOf(
        double[][] profiles,
        IReadOnlyList<DashPlace> places,
        DashSamples samples,
        int first,
        int count,
        double otherwise
    )
    {
        var strongest = profiles.Skip(first).Take(count).Select(profile => profile.Max()).Order().ToArray()[(int)(0.9 * (count - 1))];
        var extra = new List<double>();
        if (strongest < LeastPeak)
            return otherwise;
        for (var i = first; i < first + count; i++)
        {
            var profile = profiles[i];
            var peak = Array.IndexOf(profile, profile.Max());
            if (profile[peak] < StrongShare * strongest || Math.Abs(peak - samples.Reach) > samples.Reach / 2)
                continue;
            var window = Math.Max(2, (int)(SoftWindow * places[i].Unit.Block.RowPitchMm / samples.StepMm));
            double weight = 0,
                mean = 0,
                square = 0;
            for (var k = Math.Max(0, peak - window); k <= Math.Min(profile.Length - 1, peak + window); k++)
            {
                var y = (k - peak) * samples.StepMm;
                weight += Math.Max(0, profile[k]);
                mean += Math.Max(0, profile[k]) * y;
                square += Math.Max(0, profile[k]) * y * y;
            }

            mean /= weight;
            var thick = places[i].Unit.Block.DashThicknessMm;
            extra.Add((square / weight) - (mean * mean) - (thick * thick / 12));
        }

        if (extra.Count < LeastForSoftness)
            return otherwise;
        extra.Sort();
        return Math.Sqrt(Math.Max(0.0004, extra[extra.Count / 2]));
    }

    // The offset at which a proper dash plus bare paper fits the profile best, and how much dash that takes.
    private static Fit Fitted(double[] profile, DashShape shape, DashSamples samples, DashPlace place)
    {
        var most = (int)(Math.Min(MostOffsetMm, 0.42 * place.Unit.Block.RowPitchMm) / samples.StepMm * DashShape.FineSteps);
        var best = new Fit(0, 0, 1, 1);
        var bestCost = double.MaxValue;
        var prior = samples.StepMm / DashShape.FineSteps / OffsetPriorMm;
        var n = profile.Length;
        double sum = 0,
            squares = 0;
        foreach (var p in profile)
        {
            sum += p;
            squares += p * p;
        }

        var variance = Math.Max(1e-8, QuietVariance(profile));
        for (var offset = -most; offset <= most; offset++)
        {
            double g = 0,
                gg = 0,
                gp = 0;
            for (var k = 0; k < n; k++)
            {
                var height = shape.At(k - samples.Reach, offset);
                if (height == 0)
                    continue;
                g += height;
                gg += height * height;
                gp += height * profile[k];
            }

            var spread = gg - (g * g / n);
            if (spread < 1e-9)
                continue;
            var amplitude = (gp - (g * sum / n)) / spread;
            var miss = squares - (sum * sum / n) - (amplitude > 0 ? amplitude * amplitude * spread : 0);
            var cost = (miss / variance / SharedNoise) + (offset * prior * offset * prior);
            if (cost >= bestCost)
                continue;
            bestCost = cost;
            best = new Fit(
                amplitude,
                offset * samples.StepMm / DashShape.FineSteps,
                SharedNoise * Math.Sqrt(Math.Max(0, miss) / n / spread),
                SharedNoise * Math.Sqrt(variance / spread)
            );
        }

        return best;
    }

    // Variance of the calmer half of a profile.
    private static double QuietVariance(double[] profile)
    {
        var sorted = profile.Order().ToArray();
        var middle = sorted[(int)(sorted.Length * 0.4)];
        var calm = profile.Select(p => Math.Abs(p - middle)).Order().ToArray()[(int)(sorted.Length * 0.45)];
        return 2.2 * calm * calm;
    }

    /// <summary>A dash fitted to its profile.</summary>
    /// <param name="Amplitude">Light taken by it in its ink's own direction.</param>
    /// <param name="OffsetMm">Below its place.</param>
    /// <param name="Spread">Uncertainty of the amplitude.</param>
    /// <param name="Noise">What noise alone would make of the amplitude.</param>
    public readonly record struct Fit(double Amplitude, double OffsetMm, double Spread, double Noise);
}
