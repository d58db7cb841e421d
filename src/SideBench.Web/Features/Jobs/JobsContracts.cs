namespace SideBench.Web.Features.Jobs;

/// <summary>What every write to a job carries.</summary>
public interface IJobWrite
{
    /// <summary>The write's key: the same key again is the same write.</summary>
    Guid Key { get; }

    /// <summary>The version the person saw.</summary>
    int SeenVersion { get; }
}

public sealed record AnswerRequest(Guid Key, int SeenVersion, string Finding, string Outcome, double? Quantity) : IJobWrite;

public sealed record MendRequest(Guid Key, int SeenVersion, string Repair, double? Minutes, string? Lot) : IJobWrite;

public sealed record CorrectRequest(Guid Key, int SeenVersion, long Entry, string? Reason) : IJobWrite;

public sealed record OverrideRequest(Guid Key, int SeenVersion, string Step, string? Reason) : IJobWrite;

public sealed record TrayPutRequest(Guid Key, int SeenVersion, string? Label, string Change, int Count) : IJobWrite;

public sealed record TrayClearRequest(Guid Key, int SeenVersion, IReadOnlyList<string>? Items) : IJobWrite;

public sealed record ClockStartRequest(Guid Key, int SeenVersion, string Kind, string? Label, double MinMinutes, double? MaxMinutes) : IJobWrite;

public sealed record ClockStopRequest(Guid Key, int SeenVersion, string Clock) : IJobWrite;

public sealed record WaitRequest(Guid Key, int SeenVersion, string For, string? What, DateTimeOffset? Until) : IJobWrite;

public sealed record NoteRequest(Guid Key, int SeenVersion, string? Text) : IJobWrite;

public sealed record ConsentRequest(Guid Key, int SeenVersion, string What, string? By) : IJobWrite;

public sealed record PlaceRequest(Guid Key, int SeenVersion, int? Place) : IJobWrite;

public sealed record CloseRequest(Guid Key, int SeenVersion, string How, string? Reason) : IJobWrite;

public sealed record HandOverRequest(Guid Key, int SeenVersion, string? To, decimal Charge) : IJobWrite;

/// <summary>One place on a path, with the suspicion on it.</summary>
public sealed record StationView(string Id, string Name, string Path, double SuspicionRatio, bool Cleared, bool Leading, int Causes);

public sealed record SlotView(int Panel, string Ink, string Colour, string Bay, int FromFront, int FromBack, string Cartridge);

public sealed record CodeView(string Code, string Says, string Means);

public sealed record OutcomeView(
    string Id, string Label, double ChanceRatio, string Leaves, string? QuantityLabel, string? QuantityUnit, double? QuantityMin, double? QuantityMax);

/// <summary>A step: a finding with its answers, or a repair with its presses of work.</summary>
public sealed record StepView(
    string Id, string Kind, string Name, string Station, double Minutes, decimal Parts, string Part, double InkMl, double CounterPct, string How,
    IReadOnlyList<string> Cautions, IReadOnlyList<string> Steps, IReadOnlyList<string> Opens, IReadOnlyList<OutcomeView> Outcomes, double? FixRatio,
    double Expected, HeldView? Held, bool Told);

public sealed record HeldView(string StepId, string StepName, string Gate, string Reason, string Lift, bool Overridable, string Spends);

/// <summary>Held steps with one reason.</summary>
public sealed record HeldGroupView(string Gate, string Reason, string Lift, bool Overridable, IReadOnlyList<HeldView> Steps);

public sealed record AdviceView(string Kind, StepView? Step, string Because, double ExpectedCost, IReadOnlyList<StepView> Others);

public sealed record MoveView(string Station, double BeforeRatio, double AfterRatio);

public sealed record EvidenceView(string Kind, string Source, string Says, string Why, long? Entry, double Weight, IReadOnlyList<MoveView> Moves);

public sealed record TrayItemView(string Id, string Label, string Change, int Count, string Undo, bool NoPower);

public sealed record ClockView(string Id, string Kind, string Label, DateTimeOffset StartedAt, DateTimeOffset EndsAt, DateTimeOffset? LatestAt);

public sealed record EntryView(long Id, string Kind, string Says, DateTimeOffset At, string Person, long? Corrects, bool TakenBack);

public sealed record SpentView(double Minutes, decimal Parts, double InkMl, decimal Labour, string Currency, decimal? Limit);

/// <summary>Everything the bench page shows of a job.</summary>
public sealed record BenchView(
    long Id, int Tag, int Version, long MachineId, string ModelId, string Machine, string Kind, string Serial, string Customer, string Complaint,
    string Words, string Tried, string Ink, int IdleWeeks, bool Moved, string Paper, DateOnly? WarrantyEnd, bool InWarranty, DateTimeOffset? Promise,
    string Accessories, int Place, string Standing, string WaitsFor, string WaitsWhat, double? CounterPct, DateTimeOffset Now,
    IReadOnlyList<StationView> Stations, IReadOnlyList<SlotView> Slots, IReadOnlyList<CodeView> Codes, IReadOnlyList<string> MachineCautions,
    AdviceView Advice, IReadOnlyList<EvidenceView> Evidence, double UnknownRatio, double FixedRatio, IReadOnlyList<HeldGroupView> Held,
    IReadOnlyList<TrayItemView> Tray, IReadOnlyList<ClockView> Clocks, SpentView Spent, IReadOnlyList<EntryView> Entries, bool Proved, string? ClosedHow,
    string ClosedReason, bool HandedOver);

public sealed record CauseView(string Id, string Name, double Ratio, double MendedRatio);

/// <summary>One station's causes, tests and repairs.</summary>
public sealed record StationDetail(string Id, string Name, IReadOnlyList<CauseView> Causes, IReadOnlyList<StepView> Steps);

public sealed record HandOverView(
    long Id, int Tag, string Machine, string Serial, string Customer, string Words, DateTimeOffset OpenedAt, DateTimeOffset? ClosedAt, string Ending,
    IReadOnlyList<string> Found, IReadOnlyList<string> NotTheFault, IReadOnlyList<string> Done, IReadOnlyList<string> Used, double Minutes, decimal Labour,
    decimal Parts, decimal Total, string Currency, IReadOnlyList<string> Watch, IReadOnlyList<string> Cautions, bool Closed, bool HandedOver, int Version);

public sealed record TagView(
    long Id, int Tag, string Machine, string Serial, string Customer, string Words, DateTimeOffset? Promise, DateTimeOffset OpenedAt, string Accessories,
    string QrSvg, string Link);
