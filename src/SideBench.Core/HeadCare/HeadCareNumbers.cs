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
/// <param name="Repairs">By method: the works of the fault book that are it; the first that the model knows is meant.</param>
/// <param name="Most">By method: how often one plan does it at most.</param>
/// <param name="Ruin">By mechanism and by method: chance that it ruins the head, 0 to 1.</param>
/// <param name="StarvedRuin">Chance that one clean ruins a thermal head that starves, 0 to 1.</param>
/// <param name="MostStarved">No clean of a thermal head while a channel starves with more than this chance.</param>
/// <param name="SheetMin">Hands for a nozzle sheet, min.</param>
/// <param name="FlushMoreMin">Hands to flush one channel more, min.</param>
/// <param name="FluidPerMl">Cleaning fluid, money a ml.</param>
/// <param name="SoakFluidMl">Fluid for a soak, ml.</param>
/// <param name="WaitPerHour">What a machine that waits costs, money an hour.</param>
/// <param name="SupplyLookMin">Hands to look whether ink comes, min.</param>
/// <param name="SupplyWorkMin">Hands to mend a supply that does not give, min.</param>
/// <param name="SupplyParts">Parts for that, money.</param>
/// <param name="SupplyMends">Chance that it ends what no clean does, 0 to 1.</param>
/// <param name="HeadWorkMin">Hands to change a head, min.</param>
/// <param name="HeadPlateMin">Hands where it goes with its cartridge, min.</param>
/// <param name="HeadWaitHours">How long the machine stands until a new head is there, hours.</param>
/// <param name="Ladders">Cleaning schools as fixed orders: what stands together is done before one sheet.</param>
/// <param name="Clogs">Causes of the fault book that are a clog: what cleaning brings them is head care's word.</param>
/// <param name="Passing">Gates that hold a method back only as the next step.</param>
/// <param name="Smudge">Complaints that build-up under the head makes.</param>
/// <param name="SupplyStations">Stations of the supply: work on one ends what sheets before it said.</param>
/// <param name="DeclineVisits">Visits that make a trend.</param>
/// <param name="DeclinePerYear">Nozzles a year that a channel loses, from which a warning is given.</param>
/// <param name="Proved">Findings that prove ink comes, with the answer that says so.</param>
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
    double Slip,
    IReadOnlyDictionary<string, IReadOnlyList<string>> Repairs,
    IReadOnlyDictionary<string, int> Most,
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, double>> Ruin,
    double StarvedRuin,
    double MostStarved,
    double SheetMin,
    double FlushMoreMin,
    double FluidPerMl,
    double SoakFluidMl,
    double WaitPerHour,
    double SupplyLookMin,
    double SupplyWorkMin,
    double SupplyParts,
    double SupplyMends,
    double HeadWorkMin,
    double HeadPlateMin,
    double HeadWaitHours,
    IReadOnlyList<CleaningLadder> Ladders,
    IReadOnlyDictionary<string, IReadOnlyList<string>> Proved,
    IReadOnlyList<string> Clogs,
    IReadOnlyList<string> Passing,
    IReadOnlyList<string> Smudge,
    IReadOnlyList<string> SupplyStations,
    int DeclineVisits,
    double DeclinePerYear
);

/// <summary>A cleaning school as a fixed order of work.</summary>
/// <param name="School">The school it belongs to.</param>
/// <param name="Option">The practice of that school.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Why">What good people say for it, one sentence.</param>
/// <param name="Steps">Methods; what stands together is done before one sheet.</param>
public sealed record CleaningLadder(string School, string Option, string Name, string Why, IReadOnlyList<IReadOnlyList<string>> Steps);

/// <summary>How likely each explanation of missing nozzles is; adds up to 1.</summary>
/// <param name="Clog">Dried ink or debris: nozzles clear one by one, and stay clear.</param>
/// <param name="Air">Air in the channel: gaps move from sheet to sheet, whatever is done.</param>
/// <param name="Starved">The supply cannot follow: each clean leaves more missing, from one end.</param>
public sealed record ExplanationOdds(double Clog, double Air, double Starved);

/// <summary>A range of shares, 0 to 1.</summary>
public sealed record ShareRange(double From, double To);
