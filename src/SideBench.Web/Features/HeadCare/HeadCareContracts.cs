using SideBench.Web.Features.Jobs;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.HeadCare;

public sealed record LevelRequest(Guid Key, int SeenVersion, int? MostLeft, int Thread = 0) : Pressed, IJobWrite;

public sealed record BuildUpRequest(Guid Key, int SeenVersion, string? Paper, string? Thickness, int Thread = 0) : Pressed, IJobWrite;

/// <summary>One channel: what sits in it.</summary>
/// <param name="Clog">Chance of dried ink or debris, 0 to 1.</param>
/// <param name="Air">Chance of air.</param>
/// <param name="Starved">Chance that ink cannot follow.</param>
/// <param name="FeedFirst">Whether the supply comes before any clean.</param>
/// <param name="Pairs">Pairs of sheets it was learnt from.</param>
public sealed record ChannelCareView(
    string Unit,
    int Slot,
    string Ink,
    string Colour,
    int Nozzles,
    int Missing,
    double Clog,
    double Air,
    double Starved,
    bool FeedFirst,
    int Pairs
);

/// <summary>What one more application of a method would bring, over all channels.</summary>
/// <param name="Back">Chances of how many come back, from none to all.</param>
public sealed record NextView(string Method, string Name, IReadOnlyList<double> Back, int Low, int Best, int High);

/// <summary>One step of the plan.</summary>
/// <param name="Reached">Chance that it is needed.</param>
/// <param name="Complete">Chance that nothing is missing after it.</param>
/// <param name="Low">Missing after it, 5 %.</param>
/// <param name="Best">Half.</param>
/// <param name="High">95 %.</param>
/// <param name="FromMin">Minutes from now when hands begin.</param>
/// <param name="HandsMin">Hands, with its sheet.</param>
/// <param name="WaitMin">Waiting at least.</param>
/// <param name="WaitMostMin">Waiting at most.</param>
/// <param name="CounterPct">The counter after it, when every step so far was needed; null when it was not read.</param>
public sealed record HeadStepView(
    string Method,
    string Name,
    double Reached,
    double Complete,
    int Low,
    int Best,
    int High,
    double FromMin,
    double HandsMin,
    double WaitMin,
    double? WaitMostMin,
    double InkMl,
    double? CounterPct
);

/// <summary>A way of going on with this head, and what it is expected to come to.</summary>
public sealed record WayView(
    string Id,
    string Name,
    string Why,
    bool OfShop,
    double InkMl,
    double CounterPct,
    double HandsMin,
    double Complete,
    double Price
);

/// <summary>What if it is just run so often.</summary>
public sealed record WhatIfView(string Method, string Name, int Times, double Complete, int Missing, double InkMl, double CounterPct);

/// <summary>The one thing to do next.</summary>
/// <param name="Kind">sheet, work, supply, stop or wait.</param>
/// <param name="Title">What, in a line; for work its name in the fault book.</param>
/// <param name="On">What of the head it is run on, in words; empty for all of it.</param>
/// <param name="Repair">The work to record; empty when none.</param>
/// <param name="Slots">The slots it is run on; none for all.</param>
/// <param name="Cautions">Warnings, before it is done.</param>
/// <param name="HowTo">How it is done.</param>
/// <param name="Guide">The guide that leads through it; empty when none.</param>
public sealed record HeadDoView(
    string Kind,
    string Title,
    string On,
    string Says,
    double HandsMin,
    string Repair,
    IReadOnlyList<int> Slots,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<string> Beside,
    IReadOnlyList<string> HowTo,
    string Guide
);

/// <summary>Something that may not be done now.</summary>
public sealed record HeldMethodView(string Name, string Why, string First);

/// <summary>A head cleaning on record.</summary>
public sealed record CleaningView(
    long Entry,
    long Job,
    DateTimeOffset At,
    string By,
    string Name,
    string Channels,
    double InkMl,
    double? CounterBefore,
    double? CounterAfter,
    int? MissingBefore,
    int? MissingAfter
);

/// <summary>A channel that loses nozzles over the visits.</summary>
public sealed record DeclineView(string Unit, double PerYear, int Visits, int Now);

/// <summary>Build-up under the head on one stock; the dates of the next are null after one alone.</summary>
public sealed record BuildUpView(
    string Paper,
    string Thickness,
    int Times,
    DateTimeOffset Last,
    DateTimeOffset? NextFrom,
    DateTimeOffset? Next
);

/// <summary>Head care of a job.</summary>
/// <param name="Facts">What kind of head it is, and how long it stood.</param>
/// <param name="Finish">When the plan ends if every step is needed.</param>
/// <param name="Stopped">Why there is no plan; empty when there is one.</param>
/// <param name="Ready">Whether there is a sheet to go by.</param>
public sealed record HeadCareView(
    long Job,
    int Tag,
    int Version,
    int Thread,
    string Model,
    string Facts,
    bool Open,
    bool Ready,
    IReadOnlyList<ChannelCareView> Channels,
    NextView? Next,
    IReadOnlyList<HeadStepView> Steps,
    WayView? Plan,
    DateTimeOffset? Finish,
    double? CounterPct,
    string Stopped,
    HeadDoView Do,
    IReadOnlyList<WayView> Ways,
    IReadOnlyList<WhatIfView> WhatIf,
    string StopLine,
    IReadOnlyList<HeldMethodView> Held,
    IReadOnlyList<DeclineView> Declines,
    IReadOnlyList<CleaningView> Cleanings,
    int MostLeft,
    string Currency,
    bool Smudges,
    IReadOnlyList<BuildUpView> BuildUps
);
