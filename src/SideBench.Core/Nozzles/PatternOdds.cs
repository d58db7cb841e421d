using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>
/// The odds of each pattern of a unit. Every pattern says how likely each nozzle does what; where it has a place (a run, a group, a fading
/// stretch, a beat) every place is tried and their evidences are averaged, so that a pattern with many possible places has to earn it. What
/// a pattern expects of a nozzle then also helps to read that nozzle: a pale dash amid a weak group is weak, the same dash alone may be
/// noise.
/// </summary>
/// <param name="Odds">Every class, adding up to 1.</param>
/// <param name="Likeliest">The class with the greatest odds.</param>
/// <param name="Expected">For the likeliest class at its best place: each nozzle's odds before it is looked at.</param>
public sealed record PatternOdds(IReadOnlyDictionary<PatternClass, double> Odds, PatternClass Likeliest, IReadOnlyList<NozzleOdds> Expected)
{
    /// <summary>Works the odds out.</summary>
    /// <param name="measures">The unit's dashes, nozzle by nozzle.</param>
    /// <param name="likely">How well each fits what a nozzle can do.</param>
    /// <param name="mixed">Share of another unit's ink in both, 0 to 1.</param>
    /// <param name="offsetSpreadMm">Spread of the unit's offsets, mm.</param>
    /// <param name="model">The numbers.</param>
    public static PatternOdds Of(
        IReadOnlyList<DashMeasure> measures,
        NozzleLikelihood[] likely,
        double mixed,
        double offsetSpreadMm,
        PatternModel model
    )
    {
        var tries = new Dictionary<PatternClass, (double Evidence, NozzleOdds[] Roles)>();
        var places = new PatternPlaces(measures, likely, offsetSpreadMm, model);
        var isMixed = 1 / (1 + Math.Exp(-model.MixedSteepness * (mixed - model.MixedFrom)));
        foreach (var pattern in Enum.GetValues<PatternClass>())
        {
            var (evidence, roles) = places.Evidence(pattern);
            // A wrong colour is evidence of its own, beside what the nozzles do.
            evidence += Math.Log(
                Math.Max(
                    1e-12,
                    pattern == PatternClass.Contaminated ? isMixed
                        : pattern is PatternClass.Blank or PatternClass.NearBlank ? 1
                        : 1 - isMixed
                )
            );
            tries[pattern] = (evidence + Math.Log(model.Prior[StoredWord.Of(pattern)]), roles);
        }

        var top = tries.Values.Max(t => t.Evidence);
        var sum = tries.Values.Sum(t => Math.Exp(t.Evidence - top));
        var likeliest = tries.MaxBy(t => t.Value.Evidence).Key;
        return new PatternOdds(
            tries.ToDictionary(t => t.Key, t => Math.Exp(t.Value.Evidence - top) / sum),
            likeliest,
            tries[likeliest].Roles
        );
    }
}

/// <summary>What a pattern expects of one nozzle: the odds of each thing it can do.</summary>
public readonly record struct NozzleOdds(double Good, double Weak, double Missing, double Deflected, double WeakDeflected)
{
    /// <summary>How well a dash fits what is expected of it.</summary>
    public double Fit(NozzleLikelihood l) =>
        (Good * l.Good) + (Weak * l.Weak) + (Missing * l.Missing) + (Deflected * l.Deflected) + (WeakDeflected * l.WeakDeflected);
}
