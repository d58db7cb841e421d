namespace SideBench.Core.Nozzles;

/// <summary>What a nozzle does; a weak one may be displaced too.</summary>
[Flags]
public enum NozzleState
{
    /// <summary>Fires as it should.</summary>
    Good = 0,

    /// <summary>Does not fire.</summary>
    Missing = 1,

    /// <summary>Fires weakly.</summary>
    Weak = 2,

    /// <summary>Fires beside its place.</summary>
    Deflected = 4,
}

/// <summary>One nozzle as read.</summary>
/// <param name="State">What it does.</param>
/// <param name="Confidence">How sure, 0 to 1.</param>
/// <param name="Strength">Ink of its dash, 1 being proper.</param>
/// <param name="OffsetMm">How far below its place, mm; 0 when missing.</param>
public readonly record struct NozzleSign(NozzleState State, double Confidence, double Strength, double OffsetMm)
{
    /// <summary>Below this confidence a nozzle is unsure, and asked about.</summary>
    public const double Sure = 0.9;

    /// <summary>Whether a person should look.</summary>
    public bool IsUnsure => Confidence < Sure;
}

/// <summary>One unit as read.</summary>
/// <param name="Id">The unit.</param>
/// <param name="Nozzles">Nozzle by nozzle.</param>
/// <param name="Pattern">The likeliest pattern.</param>
/// <param name="Odds">The odds of each.</param>
/// <param name="MixedWith">The unit whose ink got in; null when none did.</param>
public sealed record UnitReading(
    string Id,
    IReadOnlyList<NozzleSign> Nozzles,
    PatternClass Pattern,
    IReadOnlyDictionary<PatternClass, double> Odds,
    string? MixedWith = null
)
{
    /// <summary>Numbers of nozzles in a state.</summary>
    public IEnumerable<int> In(NozzleState state) => Enumerable.Range(0, Nozzles.Count).Where(n => Nozzles[n].State.HasFlag(state));

    /// <summary>Whether its ink is too faint on this picture to tell anything.</summary>
    public bool IsTooFaint => Nozzles.All(n => n.IsUnsure);

    /// <summary>Numbers of nozzles to be asked about.</summary>
    public IEnumerable<int> Unsure => Enumerable.Range(0, Nozzles.Count).Where(n => Nozzles[n].IsUnsure);
}

/// <summary>What was done to a picture before it could be read.</summary>
/// <param name="RotationDeg">How far the sheet was turned, degrees.</param>
/// <param name="TiltPct">How much larger one edge of the pattern stood than the opposite one, percent.</param>
/// <param name="PxPerMm">Pixels to a millimetre of the sheet.</param>
/// <param name="SoftMm">Spread of the blur, mm.</param>
/// <param name="LightPct">How much darker the darkest part of the pattern was than the brightest, percent.</param>
/// <param name="BendMm">How far the sheet bends.</param>
/// <param name="PaperPx">Corners of the page in the picture, from the top left, clockwise.</param>
public sealed record SheetHandling(
    double RotationDeg,
    double TiltPct,
    double PxPerMm,
    double SoftMm,
    double LightPct,
    double BendMm,
    IReadOnlyList<(double X, double Y)> PaperPx
);

/// <summary>Why a picture cannot be read.</summary>
public enum RefusalReason
{
    /// <summary>Paper with nothing on it.</summary>
    BlankPage,

    /// <summary>A picture of something else.</summary>
    NoSheet,

    /// <summary>Part of the pattern is outside the picture.</summary>
    CutOff,

    /// <summary>Too soft.</summary>
    Blurred,

    /// <summary>Too few pixels.</summary>
    LowResolution,

    /// <summary>A sheet, but of another layout.</summary>
    WrongLayout,

    /// <summary>Something lies on the pattern.</summary>
    Covered,

    /// <summary>More than one sheet.</summary>
    TwoSheets,
}

/// <summary>A refusal, with what it names.</summary>
/// <param name="Reason">Why.</param>
/// <param name="Units">Units that suffer, when it is about some.</param>
public sealed record SheetRefusal(RefusalReason Reason, IReadOnlyList<string> Units);

/// <summary>What a picture of a nozzle sheet shows, or why it shows nothing.</summary>
/// <param name="Units">Unit by unit; empty when refused.</param>
/// <param name="Handling">What was done; null when refused before the sheet was found.</param>
/// <param name="Refusal">Null when read.</param>
/// <param name="Map">Page to picture, for the overlay; null when refused.</param>
public sealed record SheetReading(IReadOnlyList<UnitReading> Units, SheetHandling? Handling, SheetRefusal? Refusal, PageMap? Map)
{
    /// <summary>A refusal.</summary>
    public static SheetReading Refused(RefusalReason reason, IReadOnlyList<string>? units = null, SheetHandling? handling = null) =>
        new([], handling, new SheetRefusal(reason, units ?? []), null);
}
