namespace SideBench.Core.Nozzles;

/// <summary>
/// How nozzles behave under each pattern, in numbers: the whole model behind <see cref="PatternOdds"/>. Shares are 0 to 1. All are house
/// defaults, set on
/// sheets whose truth was known.
/// </summary>
public sealed record PatternModel
{
    /// <summary>How often a unit shows each pattern before it is looked at.</summary>
    public IReadOnlyDictionary<PatternClass, double> Prior { get; init; } =
        new Dictionary<PatternClass, double>
        {
            [PatternClass.None] = 0.5,
            [PatternClass.Scattered] = 0.14,
            [PatternClass.Run] = 0.06,
            [PatternClass.EveryKth] = 0.05,
            [PatternClass.Starvation] = 0.05,
            [PatternClass.Blank] = 0.04,
            [PatternClass.NearBlank] = 0.03,
            [PatternClass.Contaminated] = 0.05,
            [PatternClass.DeflectedGroup] = 0.04,
            [PatternClass.WeakGroup] = 0.04,
        };

    /// <summary>A nozzle of a good unit that is not good.</summary>
    public double FaultyInGood { get; init; } = 0.0004;

    /// <summary>Shares of faulty nozzles that a scattered unit may have; each is tried.</summary>
    public IReadOnlyList<double> ScatteredShares { get; init; } = [0.008, 0.02, 0.05, 0.1, 0.17];

    /// <summary>Of faulty single nozzles: missing, weak, displaced.</summary>
    public (double Missing, double Weak, double Deflected) SingleFaults { get; init; } = (0.74, 0.13, 0.13);

    /// <summary>A nozzle outside a run or group that is missing all the same.</summary>
    public double MissingElsewhere { get; init; } = 0.004;

    /// <summary>A nozzle inside a run or group that behaves otherwise.</summary>
    public double OtherwiseInside { get; init; } = 0.03;

    /// <summary>Fewest nozzles of a run.</summary>
    public int LeastRun { get; init; } = 6;

    /// <summary>Fewest nozzles of a displaced or weak group.</summary>
    public int LeastGroup { get; init; } = 7;

    /// <summary>A nozzle of the missing row of a head that fires all the same.</summary>
    public double FiringOfKth { get; init; } = 0.08;

    /// <summary>A nozzle of a nearly blank unit that fires.</summary>
    public double FiringNearBlank { get; init; } = 0.035;

    /// <summary>A nozzle of a blank unit that seems to fire.</summary>
    public double FiringBlank { get; init; } = 0.0005;

    /// <summary>Spread of the strength around its falling line while a unit starves.</summary>
    public double FadeSpread { get; init; } = 0.13;

    /// <summary>Share of another unit's ink in this one's colour from which on both count as mixed.</summary>
    public double MixedFrom { get; init; } = 0.23;

    /// <summary>How sharply that share tells.</summary>
    public double MixedSteepness { get; init; } = 60;

    /// <summary>Spread of a good dash's strength, at least.</summary>
    public double GoodSpread { get; init; } = 0.065;

    /// <summary>Strengths of weak dashes.</summary>
    public (double From, double To) WeakRange { get; init; } = (0.15, 0.7);

    /// <summary>Spread of a missing dash's strength, at least.</summary>
    public double MissingSpread { get; init; } = 0.028;

    /// <summary>Spread of a good dash's offset, at least, mm.</summary>
    public double OffsetSpreadMm { get; init; } = 0.02;

    /// <summary>Offsets of displaced dashes, mm.</summary>
    public (double FromMm, double ToMm) DeflectedRange { get; init; } = (0.115, 0.55);
}
