using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Practice;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Day;

/// <param name="Of">The person; 0 for the shop.</param>
/// <param name="Hours">Spans such as 09:00-12:30 13:00-17:00; empty for closed or off.</param>
public sealed record HoursRequest(Guid Key, int SeenVersion, long Of, string? Weekday, DateOnly? Day, string? Hours, string? Why)
    : Pressed,
        IShopWrite;

/// <param name="Of">The person; 0 for whoever comes.</param>
/// <param name="From">When it begins; null as soon as it can.</param>
/// <param name="Free">Whether it is let go again.</param>
public sealed record PinRequest(Guid Key, int SeenVersion, long Of, DateTimeOffset? From, bool Free, int Thread = 0) : Pressed, IJobWrite;

/// <summary>A span of time.</summary>
public sealed record SpanView(DateTimeOffset From, DateTimeOffset To);

/// <summary>A person with the spans in which they can work.</summary>
public sealed record DayHandView(long Id, string Name, IReadOnlyList<SpanView> Spans);

/// <summary>A piece of work in the plan.</summary>
/// <param name="Hand">Whose; 0 when nobody has room for it within the days that are planned.</param>
/// <param name="Latest">It must have begun by then; null when there is no limit.</param>
/// <param name="WaitTo">Until when it then works or rests by itself; null when it does not.</param>
public sealed record DayPieceView(
    string Says,
    long Hand,
    DateTimeOffset From,
    DateTimeOffset To,
    double Minutes,
    DateTimeOffset? Latest,
    DateTimeOffset? WaitTo,
    string WaitSays
);

/// <summary>A machine in the plan.</summary>
/// <param name="Kept">Chance that its promise is kept, 0 to 1; null when it has none.</param>
/// <param name="ReadyAt">Its next piece may begin from then on; null for now.</param>
/// <param name="Unknown">Whether its way is not known, so that it counts as a usual job.</param>
/// <param name="Pinned">Whose its next piece is by a pin, or that it is whoever's; empty when it is free.</param>
/// <param name="PinnedFrom">When a pin lets it begin; null as soon as it can.</param>
public sealed record DayJobView(
    long Id,
    int Tag,
    string Machine,
    string Customer,
    DateTimeOffset? PromiseAt,
    double? Kept,
    string KeptSays,
    DateTimeOffset Early,
    DateTimeOffset Likely,
    DateTimeOffset Late,
    DateTimeOffset? ReadyAt,
    DateTimeOffset? LatestAt,
    string WaitsFor,
    bool Others,
    bool Unknown,
    string NoPlace,
    string Pinned,
    DateTimeOffset? PinnedFrom,
    int Version,
    IReadOnlyList<DayPieceView> Pieces
);

/// <summary>What a person does now, and then.</summary>
/// <param name="Now">Null when there is nothing for these hands.</param>
public sealed record DayNowView(long Person, string Name, bool Here, DayStepView? Now, IReadOnlyList<DayStepView> Then);

/// <summary>A piece with its machine.</summary>
/// <param name="Job">The job; 0 for a reminder.</param>
/// <param name="Reminder">The reminder's key; null for a job.</param>
public sealed record DayStepView(
    long Job,
    int Tag,
    string Machine,
    string Says,
    DateTimeOffset From,
    double Minutes,
    string Because,
    string? Reminder
);

/// <summary>Planned work that is no job on the bench.</summary>
/// <param name="Key">Its key, to say that it was seen to.</param>
/// <param name="About">On what.</param>
/// <param name="Name">Whose hands it is planned for; empty when there is no room.</param>
/// <param name="From">When.</param>
public sealed record DayReminderView(
    string Key,
    string Says,
    string About,
    DateOnly Due,
    double Minutes,
    string Name,
    DateTimeOffset? From
);

/// <param name="Of">The reminder's key.</param>
public sealed record ReminderDoneRequest(Guid Key, int SeenVersion, string? Of) : Pressed, IShopWrite;

/// <summary>A day's work against its hours.</summary>
public sealed record DayLoadView(DateOnly Day, double WorkHours, double OpenHours);

/// <summary>The plan of the day.</summary>
/// <param name="Moved">What moved since the plan before, and why; empty when nothing did.</param>
/// <param name="Says">All promises, in a sentence.</param>
public sealed record DayView(
    DateTimeOffset Now,
    IReadOnlyList<DayHandView> Hands,
    IReadOnlyList<SpanView> Open,
    IReadOnlyList<DayNowView> Nows,
    IReadOnlyList<DayJobView> Jobs,
    IReadOnlyList<DayReminderView> Reminders,
    IReadOnlyList<DayLoadView> Load,
    string Moved,
    string Says,
    double Level,
    double OverrunMin
);

/// <summary>A promise that loses.</summary>
public sealed record HarmView(int Tag, string Machine, double Before, double After);

/// <summary>Somebody stands in the door.</summary>
/// <param name="FirstGap">When it first harms none; null when not within the days planned.</param>
public sealed record WalkInView(double Minutes, IReadOnlyList<HarmView> Harms, double LaterMin, DateTimeOffset? FirstGap);

/// <summary>What a pin would do.</summary>
/// <param name="Begins">When the piece would begin; null when not within the days planned.</param>
/// <param name="Done">When the job would be done.</param>
public sealed record PinPriceView(IReadOnlyList<HarmView> Harms, DateTimeOffset? Begins, DateTimeOffset Done);

/// <summary>A time with the chance that it holds.</summary>
public sealed record PromiseTimeView(DateTimeOffset At, double Holds, string Says);

/// <summary>What can be promised.</summary>
public sealed record PromiseView(
    PromiseTimeView? Offered,
    IReadOnlyList<PromiseTimeView> Times,
    IReadOnlyList<HarmView> Harms,
    double Level
);

/// <summary>Hours of a day of the week.</summary>
public sealed record WeekdayView(string Day, string Hours);

/// <summary>Hours of the shop or of a person.</summary>
public sealed record HoursOfView(long Of, string Name, IReadOnlyList<WeekdayView> Week);

/// <summary>A single day that differs.</summary>
public sealed record DayOffView(long Of, string Name, DateOnly Day, string Hours, string Why);

/// <summary>A kind of work.</summary>
public sealed record WorkKindView(string Id, string Name);

/// <summary>Kinds of work that a person leaves to others.</summary>
public sealed record LeavesView(long Of, string Name, IReadOnlyList<string> Kinds);

/// <summary>What the day keeps to.</summary>
/// <param name="Corners">Machines that may stand open at the same time; 0 for as many as come.</param>
/// <param name="Aired">Hours for loud and smelly work; empty for any open hour.</param>
public sealed record DayRulesView(int Corners, string Aired, IReadOnlyList<WorkKindView> Kinds, IReadOnlyList<LeavesView> Leaves);

/// <summary>All hours.</summary>
public sealed record HoursView(int Version, IReadOnlyList<HoursOfView> People, IReadOnlyList<DayOffView> Days, DayRulesView Rules);

/// <param name="Key">The write's key.</param>
/// <param name="SeenVersion">The version of the shop that was seen.</param>
/// <param name="Rule">Corners, Aired or Leaves.</param>
/// <param name="Of">The person; 0 for the shop.</param>
/// <param name="Value">The number of places, spans of hours, or kinds of work with blanks between.</param>
public sealed record DayRuleRequest(Guid Key, int SeenVersion, string? Rule, long Of, string? Value) : Pressed, IShopWrite;

/// <summary>How minutes have done for one step, model or person.</summary>
/// <param name="What">step, model or person.</param>
/// <param name="Book">Minutes of the book, mean.</param>
/// <param name="Taken">Minutes taken, the middle one.</param>
/// <param name="Factor">It is planned with so many times what the others give.</param>
/// <param name="Low">Nine of ten take at least so many times as planned.</param>
public sealed record MinutesRowView(string What, string Name, int Count, double Book, double Taken, double Factor, double Low, double High);

/// <summary>How minutes have done.</summary>
/// <param name="Lines">Told so often in all.</param>
public sealed record MinutesView(int Lines, IReadOnlyList<MinutesRowView> Rows);

/// <param name="Key">The write's key.</param>
/// <param name="OldStops">That the old address answers no more, which is so.</param>
public sealed record CalendarRenewRequest(Guid Key, bool OldStops);

/// <summary>Where calendars fetch the day from: an address that nobody guesses.</summary>
/// <param name="Path">Null while there is none.</param>
public sealed record CalendarAddressView(string? Path, DateTimeOffset? MadeAt);
