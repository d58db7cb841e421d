using SideBench.Web.Features.Ink;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Features.Practice;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Waste;

/// <param name="OutG">What the box that came out weighed, g; null when nobody weighed it.</param>
/// <param name="Item">The pads or box of the shelf that were taken; null when none.</param>
public sealed record StoreToldRequest(
    Guid Key,
    int SeenVersion,
    string? What,
    double? Amount,
    string? Box,
    string? Note,
    double? OutG = null,
    long? Item = null,
    int Thread = 0
) : Pressed, IJobWrite;

/// <param name="Fits">The model it fits.</param>
/// <param name="TareG">What it weighs dry; null for its model's figure.</param>
/// <param name="Grams">What it weighs now; null when not weighed.</param>
public sealed record BoxCameRequest(Guid Key, int SeenVersion, string? Tag, string? Fits, double? TareG, double? Grams, string? Note)
    : Pressed,
        IShopWrite;

public sealed record BoxToldRequest(Guid Key, int SeenVersion, string? Box, string? What, double? Amount, string? Note)
    : Pressed,
        IShopWrite;

public sealed record LocalRulesRequest(Guid Key, int SeenVersion, string? Line) : Pressed, IShopWrite;

/// <summary>A moment of a box's life.</summary>
public sealed record BoxMomentView(DateTimeOffset At, string Says, string Serial);

/// <summary>A waste box, tank or cartridge with a tag.</summary>
/// <param name="Here">Whether it is in the machine looked at.</param>
/// <param name="Stand">in, used, drying, dry or gone.</param>
/// <param name="Next">What to do with it; empty when nothing.</param>
public sealed record BoxView(
    string Tag,
    string Fits,
    string Model,
    double TareG,
    string Serial,
    bool Here,
    double? NetG,
    double? SafeG,
    string Stand,
    DateTimeOffset? DryOn,
    int Washes,
    int Resets,
    string Next,
    IReadOnlyList<BoxMomentView> Life
);

/// <summary>What the shop's school goes, whatever the numbers say.</summary>
/// <param name="Way">The way it goes.</param>
public sealed record WasteSchoolView(string School, string Option, string Why, string Way);

/// <summary>Pads or boxes on the shelf.</summary>
public sealed record PadsView(long Item, string Name, string For, double Left);

/// <summary>What was handed in.</summary>
public sealed record HandedInView(DateTimeOffset At, string What, double Kg, string Where, string Serial, string Person);

/// <summary>A model whose store comes out as a thing.</summary>
public sealed record BoxModelView(string Id, string Name, double TareG);

/// <summary>Waste of the whole shop.</summary>
/// <param name="Version">The shop's version, for a write.</param>
/// <param name="Rows">Machines by which is next.</param>
/// <param name="Rules">The line of the shop's own council; empty when none.</param>
public sealed record WasteShopView(
    int Version,
    IReadOnlyList<WasteRowView> Rows,
    IReadOnlyList<BoxView> Boxes,
    IReadOnlyList<BoxModelView> Models,
    IReadOnlyList<KeyView> Keys,
    IReadOnlyList<PadsView> Pads,
    IReadOnlyList<HandedInView> HandedIn,
    string Rules
);

public sealed record CounterResetRequest(
    Guid Key,
    int SeenVersion,
    string? Way,
    double? Before,
    double? After,
    long? KeyItem,
    string? Despite,
    bool Told,
    string? System,
    int Thread = 0
) : Pressed, IJobWrite;

public sealed record HandedInRequest(Guid Key, int SeenVersion, string? What, double? Kg, string? Where, int Thread = 0)
    : Pressed,
        IJobWrite;

/// <param name="To">What it is to be set to, %; null for 0.</param>
public sealed record ServiceRequest(double? Count, double? To);

/// <summary>What a service program read before and after; where it did not fall nothing was stored. Nothing is written.</summary>
public sealed record ServiceView(double Before, double After, bool MadeUp);

/// <summary>The counter of borderless prints.</summary>
/// <param name="Pct">Its count, %.</param>
/// <param name="At">When.</param>
/// <param name="IsRead">Whether it was read; else a reset left it so.</param>
/// <param name="Full">When it is at its limit.</param>
public sealed record SecondCounterView(double Pct, DateTimeOffset At, bool IsRead, DateBandView Full);

/// <summary>When something will be, in 8 of 10; null where later than is told.</summary>
public sealed record DateBandView(DateTimeOffset? Early, DateTimeOffset? Median, DateTimeOffset? Late);

/// <summary>One thing that a safe reset asks for.</summary>
public sealed record GateItemView(string Id, bool Met, string Says);

/// <summary>A way to go on.</summary>
/// <param name="LastsDays">Null when longer than is told or not known.</param>
public sealed record WasteWayView(
    string Id,
    string Name,
    double Today,
    double HandsMin,
    double WaitHours,
    double? LastsDays,
    double PerYear,
    double Spared,
    string Why,
    bool Open,
    double? CheaperUntilDays,
    double? CheaperUntilRuns
);

/// <summary>A point of the forecast.</summary>
/// <param name="Days">Days from now.</param>
public sealed record CourseView(double Days, double Best, double Low, double High);

/// <summary>A moment of the store's life.</summary>
public sealed record StoreMomentView(DateTimeOffset At, string Says);

/// <summary>An outside bottle.</summary>
public sealed record BottleView(double HoldsMl, FigureView InIt, double EmptyAtMl, DateTimeOffset? EmptyOn, DateTimeOffset? EmptyEarliest);

/// <summary>A key on the shelf.</summary>
public sealed record KeyView(long Item, string Name, string For, double Left);

/// <summary>Waste of a job's machine: what the counter says, and what its store holds.</summary>
/// <param name="Ready">Whether the model says what its store holds; else the rest is empty.</param>
/// <param name="Store">What the store is, and where.</param>
/// <param name="Counter">The counter as last read, %; null when never.</param>
/// <param name="CounterRead">Whether it was read; else it was set so, and not read back.</param>
/// <param name="ResetWanted">Whether there is anything to reset.</param>
/// <param name="Known">Whether the mass is known by more than the counter.</param>
/// <param name="SafeG">The mass it is used to, with its own.</param>
/// <param name="First">Which comes first: counter or store.</param>
/// <param name="Says">The gap, one sentence.</param>
/// <param name="WarnPct">From this count on the machine warns, %.</param>
/// <param name="PartialTo">What a partial reset is promised to leave, %; null where there is none or it is spent.</param>
public sealed record WasteView(
    long Job,
    int Tag,
    int Version,
    int Thread,
    string Model,
    bool Open,
    bool Ready,
    string Store,
    string Box,
    double? Counter,
    DateTimeOffset? CounterAt,
    bool CounterRead,
    bool ResetWanted,
    bool Known,
    FigureView? MassG,
    FigureView? RoomG,
    FigureView? CyclesLeft,
    double TareG,
    double SafeG,
    double MostG,
    double? PointsPerDay,
    DateBandView? CounterFull,
    DateBandView? StoreFull,
    string First,
    string Says,
    IReadOnlyList<string> Doubts,
    IReadOnlyList<GateItemView> Gate,
    bool GateOpen,
    IReadOnlyList<string> Needs,
    IReadOnlyList<WasteWayView> Ways,
    IReadOnlyList<CourseView> Course,
    IReadOnlyList<StoreMomentView> Moments,
    BottleView? Bottle,
    bool TakesBottle,
    double? PartialTo,
    int Resets,
    IReadOnlyList<KeyView> Keys,
    string Currency,
    string Unserviced,
    bool HasBox,
    IReadOnlyList<BoxView> Boxes,
    IReadOnlyList<PadsView> Pads,
    WasteSchoolView? BySchool,
    DateTimeOffset? DueOn,
    string Due,
    string Rules,
    double WarnPct,
    bool CountsBorderless,
    SecondCounterView? Borderless
);

/// <summary>A machine by which of its counter and store is next.</summary>
public sealed record WasteRowView(
    long Machine,
    string Model,
    string Serial,
    string Customer,
    double? Counter,
    double? RoomG,
    DateTimeOffset? Next,
    string First,
    bool Unserviced,
    DateTimeOffset? BottleOn
);
