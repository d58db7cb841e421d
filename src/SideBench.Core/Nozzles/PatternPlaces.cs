namespace SideBench.Core.Nozzles;

/// <summary>The evidence of one unit for each pattern, summed over every place the pattern could have.</summary>
internal sealed class PatternPlaces
{
    private const int FadeSteps = 48;

    private readonly IReadOnlyList<DashMeasure> measures;
    private readonly NozzleLikelihood[] likely;
    private readonly double offsetSpreadMm;
    private readonly PatternModel model;
    private readonly int nozzles;
    private readonly NozzleOdds good,
        single,
        run,
        weakGroup,
        deflectedGroup,
        kth,
        nearBlank,
        blank,
        fine;

    public PatternPlaces(IReadOnlyList<DashMeasure> measures, NozzleLikelihood[] likely, double offsetSpreadMm, PatternModel model)
    {
        (this.measures, this.likely, this.offsetSpreadMm, this.model, nozzles) = (measures, likely, offsetSpreadMm, model, likely.Length);
        var rest = model.FaultyInGood;
        fine = new NozzleOdds(1 - rest, rest * 0.3, rest * 0.4, rest * 0.3, rest * 0.02);
        var other = model.MissingElsewhere;
        good = new NozzleOdds(1 - (1.6 * other), other * 0.3, other, other * 0.3, other * 0.02);
        var (missing, weak, deflected) = model.SingleFaults;
        single = new NozzleOdds(0, weak * 0.97, missing, deflected, weak * 0.03);
        var inside = model.OtherwiseInside;
        run = new NozzleOdds(inside * 0.3, inside * 0.2, 1 - (inside * 0.55), inside * 0.05, 0);
        weakGroup = new NozzleOdds(inside * 0.6, 1 - (inside * 1.2), inside * 0.4, inside * 0.1, inside * 0.1);
        deflectedGroup = new NozzleOdds(inside, inside * 0.3, inside * 1.5, 1 - (inside * 3), inside * 0.2);
        var fires = model.FiringOfKth;
        kth = new NozzleOdds(fires * 0.8, fires * 0.2, 1 - fires, 0, 0);
        nearBlank = new NozzleOdds(
            model.FiringNearBlank * 0.55,
            model.FiringNearBlank * 0.4,
            1 - model.FiringNearBlank,
            model.FiringNearBlank * 0.05,
            0
        );
        blank = new NozzleOdds(model.FiringBlank * 0.5, model.FiringBlank * 0.5, 1 - model.FiringBlank, 0, 0);
    }

    /// <summary>Log evidence, and what the best place expects of each nozzle.</summary>
    public (double Log, NozzleOdds[] Roles) Evidence(PatternClass pattern) =>
        pattern switch
        {
            PatternClass.None or PatternClass.Contaminated => Same(pattern == PatternClass.None ? fine : good),
            PatternClass.Blank => Same(blank),
            PatternClass.NearBlank => Same(nearBlank),
            PatternClass.Scattered => Scattered(),
            PatternClass.Run => Range(run, model.LeastRun, (int)(0.4 * nozzles)),
            PatternClass.WeakGroup => Range(weakGroup, model.LeastGroup, (int)(0.6 * nozzles)),
            PatternClass.DeflectedGroup => Range(deflectedGroup, model.LeastGroup, (int)(0.6 * nozzles)),
            PatternClass.EveryKth => EveryKth(),
            PatternClass.Starvation => Starvation(),
            _ => throw new ArgumentOutOfRangeException(nameof(pattern)),
        };

    private (double, NozzleOdds[]) Same(NozzleOdds role) => (likely.Sum(l => Math.Log(role.Fit(l))), [.. Enumerable.Repeat(role, nozzles)]);

    private (double, NozzleOdds[]) Scattered()
    {
        var mixes = model
            .ScatteredShares.Select(share => new NozzleOdds(
                1 - share,
                single.Weak * share,
                single.Missing * share,
                single.Deflected * share,
                single.WeakDeflected * share
            ))
            .ToArray();
        return Best(mixes.Select(role => (Log: likely.Sum(l => Math.Log(role.Fit(l))), Roles: (Func<int, NozzleOdds>)(_ => role))));
    }

    // One stretch of neighbours that behave otherwise than the rest: sums from the left make every stretch one subtraction.
    private (double, NozzleOdds[]) Range(NozzleOdds inside, int least, int most)
    {
        var (within, outside) = (Sums(inside), Sums(good));
        var tries = new List<(double Log, Func<int, NozzleOdds> Roles)>();
        for (var from = 0; from + least <= nozzles; from++)
        {
            for (var to = from + least; to <= Math.Min(nozzles, from + Math.Max(least, most)); to++)
            {
                var (a, b) = (from, to);
                tries.Add(
                    (outside[from] + (within[to] - within[from]) + (outside[nozzles] - outside[to]), n => n >= a && n < b ? inside : good)
                );
            }
        }

        return Best(tries);
    }

    private (double, NozzleOdds[]) EveryKth()
    {
        var tries = new List<(double, Func<int, NozzleOdds>)>();
        for (var k = 2; k <= 4; k++)
        {
            for (var phase = 0; phase < k; phase++)
            {
                var (beat, first) = (k, phase);
                tries.Add(
                    (
                        Enumerable.Range(0, nozzles).Sum(n => Math.Log((n % beat == first ? kth : good).Fit(likely[n]))),
                        n => n % beat == first ? kth : good
                    )
                );
            }
        }

        return Best(tries);
    }

    // Good down to one nozzle, then a falling line down to nothing at another.
    private (double, NozzleOdds[]) Starvation()
    {
        var (outside, gone) = (Sums(good), Sums(run));
        var tries = new List<(double, Func<int, NozzleOdds>)>();
        var step = Math.Max(1, nozzles / FadeSteps);
        for (var from = 0; from < nozzles; from += step)
        {
            // The line may reach nothing below the last nozzle.
            for (var to = from + Math.Max(5, 2 * step); to <= nozzles + (nozzles / 4); to += step)
            {
                if (to - from > 0.6 * nozzles)
                    break;
                var log = outside[from] + (gone[nozzles] - gone[Math.Min(nozzles, to)]);
                for (var n = from; n < Math.Min(nozzles, to); n++)
                    log += Math.Log(NozzleLikelihood.Fading(measures[n], Line(n, from, to), model.FadeSpread, offsetSpreadMm) + 1e-9);
                var (a, b) = (from, to);
                tries.Add(
                    (
                        log,
                        n =>
                            n < a ? good
                            : n >= b ? run
                            : Faded(Line(n, a, b))
                    )
                );
            }
        }

        return tries.Count == 0 ? (double.NegativeInfinity, []) : Best(tries);
    }

    private static double Line(int nozzle, int from, int to) => 1 - ((nozzle - from + 0.5) / (to - from));

    private static NozzleOdds Faded(double strength)
    {
        var (good, missing) = (Math.Clamp((strength - 0.6) / 0.4, 0.03, 0.9), Math.Clamp((0.3 - strength) / 0.3, 0.03, 0.95));
        return new NozzleOdds(good, Math.Max(0.05, 1 - good - missing), missing, 0.005, 0.005);
    }

    private double[] Sums(NozzleOdds role)
    {
        var sums = new double[nozzles + 1];
        for (var n = 0; n < nozzles; n++)
            sums[n + 1] = sums[n] + Math.Log(role.Fit(likely[n]));
        return sums;
    }

    private (double, NozzleOdds[]) Best(IEnumerable<(double Log, Func<int, NozzleOdds> Roles)> tries)
    {
        var all = tries.ToList();
        if (all.Count == 0)
            return (double.NegativeInfinity, []);
        var best = all.MaxBy(t => t.Log);
        var mean = best.Log + Math.Log(all.Sum(t => Math.Exp(t.Log - best.Log)) / all.Count);
        return (mean, [.. Enumerable.Range(0, nozzles).Select(best.Roles)]);
    }
}
