namespace SideBench.Core.Day;

/// <summary>House numbers of the day.</summary>
/// <param name="Week">Opening hours by day of the week, such as "09:00-12:30 13:00-17:00"; a day that is missing is closed.</param>
/// <param name="AheadDays">Days that are planned, today among them.</param>
/// <param name="SlackMin">What has a latest end is planned to be ended so long before it, where there is room: work runs over, min.</param>
/// <param name="LongSd">Work takes at most so many standard deviations, of the logarithm, more: 2.6 is 1 in 200.</param>
/// <param name="CrowdWeight">What a minute past a latest end behind such work counts for, of a minute past it, 0 to 1.</param>
/// <param name="OverBreakMin">A piece may go on after a break no longer than this, min.</param>
/// <param name="MinutesSd">How far the minutes of work differ from what the book says, in their logarithm, one standard deviation.</param>
/// <param name="WaitSd">The same for parts and people that are waited for.</param>
/// <param name="LearnLeast">Less than this share of the book's minutes was told later and tells nothing.</param>
/// <param name="LearnMost">More than so many times the book's minutes had a break in it.</param>
/// <param name="LearnWorth">The book counts for so many lines against what was taken.</param>
/// <param name="OthersShare">Of the hands' time, what goes to machines that are not here yet, 0 to below 0.5.</param>
/// <param name="Draws">Ways that the plan is run through for its chances.</param>
/// <param name="Tries">Orders of work that are tried for a plan.</param>
/// <param name="Level">A promise that is offered holds with this chance, 0 to 1.</param>
/// <param name="HarmsFrom">A walk-in harms a promise from this loss of its chance on, 0 to 1.</param>
/// <param name="WalkMin">From one machine to another: hands washed, place cleared, min.</param>
/// <param name="ProofMin">Writing up and calling the customer, min.</param>
/// <param name="BitsALook">What a look tells, bits.</param>
/// <param name="LookMin">A look, min.</param>
/// <param name="MostLooks">Looks ahead at most.</param>
/// <param name="LeastChance">Causes less likely than this are laid together with the rest, 0 to 1.</param>
/// <param name="UnknownMin">Hands of a job whose way is not known, min.</param>
/// <param name="PartDays">A part that nobody gave a day for, days.</param>
/// <param name="WordDays">The customer's word that nobody gave a day for, days.</param>
/// <param name="LatePerHour">What an hour past a promise is worth, money.</param>
/// <param name="StandPerHour">What an hour that a machine stands here is worth, money.</param>
/// <param name="OpenOverNight">What a machine that stands open over a night, its work begun, is worth, money.</param>
/// <param name="RemindDays">A reminder may be seen to so many days before it is due.</param>
/// <param name="RemindAgainDays">What was seen to does not come again for so many days.</param>
/// <param name="ReturnMin">Something packed and sent back, min.</param>
/// <param name="Corners">Machines that may stand open at the same time; 0 for as many as come.</param>
/// <param name="OpenTag">Steps of the book with this tag are on an open machine.</param>
/// <param name="AiredTags">Steps of the book with one of these are loud or smell.</param>
/// <param name="Kinds">Kinds of work that some people may leave to others.</param>
/// <param name="OnMin">Hands are taken to be on a machine for so long after its last line by them, min.</param>
/// <param name="MovedMin">A piece that moved by less is not spoken of, min.</param>
/// <param name="CalendarFromMin">Clocks at least so long stand in the calendar, min.</param>
/// <param name="RoundMin">A promise is offered at whole steps of so many minutes.</param>
public sealed record DayNumbers(
    IReadOnlyDictionary<DayOfWeek, string> Week,
    int AheadDays,
    double SlackMin,
    double LongSd,
    double CrowdWeight,
    double OverBreakMin,
    double MinutesSd,
    double WaitSd,
    double LearnLeast,
    double LearnMost,
    double LearnWorth,
    double OthersShare,
    int Draws,
    int Tries,
    double Level,
    double HarmsFrom,
    double WalkMin,
    double ProofMin,
    double BitsALook,
    double LookMin,
    int MostLooks,
    double LeastChance,
    double UnknownMin,
    double PartDays,
    double WordDays,
    double LatePerHour,
    double StandPerHour,
    double OpenOverNight,
    int RemindDays,
    int RemindAgainDays,
    double ReturnMin,
    int Corners,
    string OpenTag,
    IReadOnlyList<string> AiredTags,
    IReadOnlyList<WorkKind> Kinds,
    double OnMin,
    double MovedMin,
    double CalendarFromMin,
    int RoundMin
)
{
    /// <summary>What work takes beyond its minutes when it takes as long as it ever does, min.</summary>
    /// <param name="minutes">Its minutes.</param>
    /// <param name="sd">Their spread, of the logarithm.</param>
    internal double Beyond(double minutes, double sd) => minutes * (Math.Exp(LongSd * sd) - 1);
}
