namespace SideBench.Core.Nozzles;

/// <summary>
/// How nozzles behave under each pattern, in numbers: the whole model behind <see cref="PatternOdds"/>. Shares are 0 to 1. All are house
/// numbers in the packs, set on sheets whose truth was known.
/// </summary>
public sealed record PatternModel
{
    /// <summary>How often a unit shows each pattern before it is looked at, by the pattern as it is stored.</summary>
    public required IReadOnlyDictionary<string, double> Prior { get; init; }

    /// <summary>A nozzle of a good unit that is not good.</summary>
    public required double FaultyInGood { get; init; }

    /// <summary>Shares of faulty nozzles that a scattered unit may have; each is tried.</summary>
    public required IReadOnlyList<double> ScatteredShares { get; init; }

    /// <summary>Of faulty single nozzles: missing, weak, displaced.</summary>
    public required SingleFaultShares SingleFaults { get; init; }

    /// <summary>A nozzle outside a run or group that is missing all the same.</summary>
    public required double MissingElsewhere { get; init; }

    /// <summary>A nozzle inside a run or group that behaves otherwise.</summary>
    public required double OtherwiseInside { get; init; }

    /// <summary>Fewest nozzles of a run.</summary>
    public required int LeastRun { get; init; }

    /// <summary>Fewest nozzles of a displaced or weak group.</summary>
    public required int LeastGroup { get; init; }

    /// <summary>A nozzle of the missing row of a head that fires all the same.</summary>
    public required double FiringOfKth { get; init; }

    /// <summary>A nozzle of a nearly blank unit that fires.</summary>
    public required double FiringNearBlank { get; init; }

    /// <summary>A nozzle of a blank unit that seems to fire.</summary>
    public required double FiringBlank { get; init; }

    /// <summary>Spread of the strength around its falling line while a unit starves.</summary>
    public required double FadeSpread { get; init; }

    /// <summary>Share of another unit's ink in this one's colour from which on both count as mixed.</summary>
    public required double MixedFrom { get; init; }

    /// <summary>How sharply that share tells.</summary>
    public required double MixedSteepness { get; init; }

    /// <summary>Spread of a good dash's strength, at least.</summary>
    public required double GoodSpread { get; init; }

    /// <summary>Strengths of weak dashes.</summary>
    public required Span WeakRange { get; init; }

    /// <summary>Spread of a missing dash's strength, at least.</summary>
    public required double MissingSpread { get; init; }

    /// <summary>Spread of a good dash's offset, at least, mm.</summary>
    public required double OffsetSpreadMm { get; init; }

    /// <summary>Offsets of displaced dashes, mm.</summary>
    public required Span DeflectedRangeMm { get; init; }
}

/// <summary>Of faulty single nozzles: the shares that are missing, weak and displaced, 0 to 1.</summary>
public sealed record SingleFaultShares(double Missing, double Weak, double Deflected);

/// <summary>From one number to another.</summary>
public sealed record Span(double From, double To);
