using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;

namespace SideBench.Core.Waste;

/// <summary>One way that a store may be: what its machine does, and what is in it now.</summary>
/// <param name="Inflow">True grams to counted ones.</param>
/// <param name="Share">Share that dries off.</param>
/// <param name="Days">Time in which it falls to 1/e, days.</param>
/// <param name="Stays">What stays, g.</param>
/// <param name="Dries">What will still dry off, g.</param>
/// <param name="Chance">How likely, among all.</param>
internal readonly record struct StoreState(double Inflow, double Share, double Days, double Stays, double Dries, double Chance);

/// <summary>
/// What is believed of a store: ways it may be, spread evenly over what machines do, then drawn towards what the weighings allow and
/// counted by how well each explains them. No chance in it: the points are those of a fixed sequence.
/// </summary>
internal sealed class StoreBelief
{
    private const int Figures = 5;
    private const int Points = 1024;
    private const int Few = 256;
    private const int Rounds = 12;
    private const double EnoughShare = 0.25;
    private const double LeastShare = 0.1;
    private const double Widen = 1.25;
    private static readonly int[] Primes = [2, 3, 5, 7, 11];
    private static readonly double[][] Steps =
    [
        .. Enumerable.Range(1, Points).Select(i => Primes.Select(p => Normal.InvCDF(0, 1, Point(i, p))).ToArray()),
    ];
    private readonly WasteHistory store;
    private readonly WasteNumbers numbers;
    private readonly IReadOnlyList<Stretch> way;
    private readonly SharePoints share;
    private readonly HashSet<int> wide;

    // With one way alone there is none that fits a weighing better: the scale is taken at its word.
    private bool ScaleRules { get; init; }

    private StoreBelief(WasteHistory store, WasteNumbers numbers, IReadOnlyList<Stretch> way, HashSet<int> wide)
    {
        (this.store, this.numbers, this.way, this.wide) = (store, numbers, way, wide);
        var (mean, variance) = (numbers.VolatileShare, numbers.Noise.ShareSd * numbers.Noise.ShareSd);
        var both = variance > 0 ? (mean * (1 - mean) / variance) - 1 : 1e6;
        share = SharePoints.Of(mean * both, (1 - mean) * both);
    }

    /// <summary>The ways it may be now.</summary>
    /// <param name="store">The store.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="way">Its life.</param>
    /// <param name="wide">Places of weighings that are taken for less than they say.</param>
    public static List<StoreState> Of(WasteHistory store, WasteNumbers numbers, IReadOnlyList<Stretch> way, HashSet<int> wide) =>
        new StoreBelief(store, numbers, way, wide).Learnt();

    /// <summary>One way it may be, on the full side: a machine that brings more, and dries less and slower, than most.</summary>
    /// <param name="store">The store.</param>
    /// <param name="numbers">House numbers.</param>
    /// <param name="way">Its life.</param>
    public static StoreState Cautious(WasteHistory store, WasteNumbers numbers, IReadOnlyList<Stretch> way) =>
        new StoreBelief(store, numbers, way, []) { ScaleRules = true }
            .Lived([numbers.CautiousSd, -numbers.CautiousSd, numbers.CautiousSd, numbers.CautiousSd, 0])
            .State;

    // Drawn in with few points, as much of what the weighings say at a time as they can bear; told with all of them.
    private List<StoreState> Learnt()
    {
        var middle = Vector<double>.Build.Dense(Figures);
        var spread = Matrix<double>.Build.DenseIdentity(Figures);
        for (var round = 0; round < Rounds; round++)
        {
            var tried = Tried(middle, spread, Few);
            var heat = Heat(tried);
            var weights = Weights(tried, heat);
            if (heat >= 1 && Effective(weights) > (round == 0 ? EnoughShare : LeastShare) * Few)
                break;
            (middle, spread) = Fitted(tried, weights);
        }

        for (var round = 0; ; round++)
        {
            var tried = Tried(middle, spread, Points);
            var weights = Weights(tried, 1);
            if (round > 0 || Effective(weights) > LeastShare * Points)
                return [.. tried.Select((t, i) => t.State with { Chance = weights[i] }).Where(s => s.Chance > 1e-9)];
            (middle, spread) = Fitted(tried, Weights(tried, Heat(tried)));
        }
    }

    private Trial[] Tried(Vector<double> middle, Matrix<double> spread, int points)
    {
        var root = spread.Cholesky().Factor.ToArray();
        var logDet = Enumerable.Range(0, Figures).Sum(i => Math.Log(root[i, i]));
        var tried = new Trial[points];
        for (var i = 0; i < points; i++)
        {
            var at = new double[Figures];
            var prior = logDet;
            for (var f = 0; f < Figures; f++)
            {
                at[f] = middle[f];
                for (var k = 0; k <= f; k++)
                    at[f] += root[f, k] * Steps[i][k];
                prior += 0.5 * ((Steps[i][f] * Steps[i][f]) - (at[f] * at[f]));
            }

            var (state, fits) = Lived(at);
            tried[i] = new Trial(at, state, fits, prior);
        }

        return tried;
    }

    // As much of what the weighings say as these points can bear.
    private static double Heat(Trial[] tried)
    {
        if (Effective(Weights(tried, 1)) > 0.05 * tried.Length)
            return 1;
        var (low, high) = (0.0, 1.0);
        for (var i = 0; i < 40; i++)
        {
            var heat = (low + high) / 2;
            (low, high) = Effective(Weights(tried, heat)) > EnoughShare * tried.Length ? (heat, high) : (low, heat);
        }

        return Math.Max(low, 1e-12);
    }

    private static double[] Weights(Trial[] tried, double heat)
    {
        var weights = new double[tried.Length];
        var most = tried.Max(t => (heat * t.Fits) + t.Prior);
        var all = 0.0;
        for (var i = 0; i < weights.Length; i++)
            all += weights[i] = Math.Exp((heat * tried[i].Fits) + tried[i].Prior - most);
        for (var i = 0; i < weights.Length; i++)
            weights[i] /= all;
        return weights;
    }

    private static double Effective(double[] weights) => 1 / weights.Sum(w => w * w);

    private static (Vector<double>, Matrix<double>) Fitted(Trial[] tried, double[] weights)
    {
        var middle = Vector<double>.Build.Dense(Figures);
        for (var i = 0; i < tried.Length; i++)
        for (var f = 0; f < Figures; f++)
            middle[f] += weights[i] * tried[i].At[f];
        var spread = Matrix<double>.Build.Dense(Figures, Figures);
        for (var i = 0; i < tried.Length; i++)
        for (var a = 0; a < Figures; a++)
        for (var b = 0; b < Figures; b++)
            spread[a, b] += Widen * weights[i] * (tried[i].At[a] - middle[a]) * (tried[i].At[b] - middle[b]);
        for (var f = 0; f < Figures; f++)
            spread[f, f] += 1e-9;
        return (middle, spread);
    }

    // Lives the store's life once, and says how well it explains the weighings.
    private (StoreState State, double Fits) Lived(double[] z)
    {
        var inflow = Math.Exp(numbers.Noise.InflowSd * z[0]);
        var dries = share.At(z[1]);
        var days = numbers.DryDays * Math.Exp(numbers.Noise.DaysSd * z[2]);
        var begin = store.SafeG * Normal.CDF(0, 1, z[3]);
        var wet = begin * dries * Normal.CDF(0, 1, z[4]);
        var (stays, dry, fits, unsure) = (begin - wet, wet, 0.0, 0.0);
        var perPoint = store.GramsPerPoint * inflow;
        var rounding = perPoint * perPoint * numbers.CounterStep * numbers.CounterStep / 3;
        foreach (var stretch in way)
        {
            var kept = Math.Exp(-stretch.Days / days);
            var came = perPoint * stretch.Points;
            dry = (dry * kept) + (dries * came * (stretch.Days > 0 ? days / stretch.Days * (1 - kept) : 1));
            stays += (1 - dries) * came;
            // What is read or set on the counter changes nothing in the store.
            if (stretch.End is WasteEvent.CounterRead or WasteEvent.Reset)
                continue;
            unsure = stretch.Unsure * perPoint * perPoint;
            switch (stretch.End)
            {
                case WasteEvent.Weighed weighed:
                    var (off, own) = (weighed.G - store.TareG - stays - dry, numbers.Noise.ScaleSd * numbers.Noise.ScaleSd);
                    var variance = own + rounding + unsure + (wide.Contains(stretch.Place) ? off * off : 0);
                    fits -= 0.5 * ((off * off / variance) + Math.Log(variance));
                    // What the scale says of this moment counts for more than how it came to be.
                    var taken = ScaleRules ? off : off * (1 - (own / variance));
                    var part = stays + dry > 0 ? dry / (stays + dry) : dries;
                    (stays, dry) = (Math.Max(0, stays + (taken * (1 - part))), Math.Max(0, dry + (taken * part)));
                    break;
                case WasteEvent.Renewed:
                    (stays, dry) = (0, 0);
                    break;
                case WasteEvent.Washed washed:
                    (stays, dry) = (Math.Max(0, washed.G - store.TareG), 0);
                    break;
                case WasteEvent.Swapped swapped:
                    (stays, dry) = (Math.Max(0, swapped.G - store.TareG), 0);
                    break;
                case WasteEvent.Emptied emptied:
                    var left = emptied.LeftMl * numbers.GramsPerMl;
                    (stays, dry) = (left * (1 - dries), left * dries);
                    break;
            }
        }

        return (new StoreState(inflow, dries, days, stays, dry, 0), fits);
    }

    // The fixed sequence: digits of a number turned round the point.
    private static double Point(int number, int prime)
    {
        var (value, part) = (0.0, 1.0 / prime);
        for (; number > 0; number /= prime, part /= prime)
            value += part * (number % prime);
        return value;
    }

    private readonly record struct Trial(double[] At, StoreState State, double Fits, double Prior);
}
