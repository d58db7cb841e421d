using SideBench.Web.Features.Ink;
using SideBench.Web.Features.Jobs;

namespace SideBench.Web.Features.Waste;

public sealed record StoreToldRequest(Guid Key, int SeenVersion, string? What, double? Amount, string? Box, string? Note, int Thread = 0)
    : IJobWrite;

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
) : IJobWrite;

public sealed record HandedInRequest(Guid Key, int SeenVersion, string? What, double? Kg, string? Where, int Thread = 0) : IJobWrite;

/// <param name="To">What it is to be set to, %; null for 0.</param>
public sealed record ServiceRequest(double? Count, double? To);

/// <summary>What a service program read before and after; where it did not fall nothing was stored. Nothing is written.</summary>
public sealed record ServiceView(double Before, double After, bool MadeUp);

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
    bool Open
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
    string Unserviced
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
