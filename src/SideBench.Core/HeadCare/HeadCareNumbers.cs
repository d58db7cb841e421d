namespace SideBench.Core.HeadCare;

/// <summary>House numbers of head care.</summary>
/// <param name="Chances">
/// By mechanism and ink, such as <c>piezo dye</c>, and by method: the chance that a missing nozzle which can clear does so at one
/// application, mean over heads, 0 to 1.
/// </param>
/// <param name="ChanceSd">How far such a chance differs from head to head, one standard deviation, 0 to 1.</param>
/// <param name="SmallChance">Below this mean the standard deviation is half the mean.</param>
/// <param name="NoneStuck">Share of heads on which every missing nozzle can clear, 0 to 1.</param>
/// <param name="StuckAlpha">Of the other heads the share of nozzles that never clear: beta, first parameter.</param>
/// <param name="StuckBeta">Second parameter.</param>
/// <param name="RunFrom">So many missing neighbours are a run.</param>
/// <param name="RunFactor">What a run makes of the chances, 0 to 1.</param>
/// <param name="IdlePerMonth">What each month of idling after the first takes from the chances, 0 to 1.</param>
/// <param name="IdleLeast">Idling leaves at least this share of the chances, 0 to 1.</param>
/// <param name="WeeksPerMonth">Weeks in a month.</param>
/// <param name="Prior">How likely each explanation is before any pair of sheets, on maker's ink and on tanks.</param>
/// <param name="PriorRefilled">The same on refilled cartridges and add-on supplies.</param>
/// <param name="AirChance">With air in the channel each nozzle is missing anew with a chance in this range.</param>
/// <param name="StarvedShare">A starved channel loses a share of its nozzles in this range at each clean, from its far end.</param>
/// <param name="CleansInRow">Cleans in a row at most, before a rest or a soak.</param>
/// <param name="Slip">Chance that one nozzle does what an explanation has no room for, above 0.</param>
public sealed record HeadCareNumbers(
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, double>> Chances,
    double ChanceSd,
    double SmallChance,
    double NoneStuck,
    double StuckAlpha,
    double StuckBeta,
    int RunFrom,
    double RunFactor,
    double IdlePerMonth,
    double IdleLeast,
    double WeeksPerMonth,
    ExplanationOdds Prior,
    ExplanationOdds PriorRefilled,
    ShareRange AirChance,
    ShareRange StarvedShare,
    int CleansInRow,
    double Slip
);

/// <summary>How likely each explanation of missing nozzles is; adds up to 1.</summary>
/// <param name="Clog">Dried ink or debris: nozzles clear one by one, and stay clear.</param>
/// <param name="Air">Air in the channel: gaps move from sheet to sheet, whatever is done.</param>
/// <param name="Starved">The supply cannot follow: each clean leaves more missing, from one end.</param>
public sealed record ExplanationOdds(double Clog, double Air, double Starved);

/// <summary>A range of shares, 0 to 1.</summary>
public sealed record ShareRange(double From, double To);
