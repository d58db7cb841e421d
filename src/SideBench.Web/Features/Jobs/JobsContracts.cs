using SideBench.Core.Jobs;
using SideBench.Core.Machines;
using SideBench.Core.Record;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Jobs;

/// <summary>What every write to a job carries.</summary>
public interface IJobWrite : IPressed
{
    /// <summary>The write's key: the same key again is the same write.</summary>
    Guid Key { get; }

    /// <summary>The version the person saw.</summary>
    int SeenVersion { get; }

    /// <summary>The thread that was looked at.</summary>
    int Thread => 0;

    /// <summary>What the card showed that was pressed; null when nothing is said of it.</summary>
    ShownAtPress? Shown => null;
}

public sealed record AnswerRequest(
    Guid Key,
    int SeenVersion,
    string Finding,
    string Outcome,
    double? Quantity,
    int Thread = 0,
    double? CoveragePct = null,
    int Slot = 0,
    bool Before = false,
    string? Code = null
) : PressedAtCard, IJobWrite;

public sealed record MendRequest(
    Guid Key,
    int SeenVersion,
    string Repair,
    double? Minutes,
    string? Lot,
    int Thread = 0,
    IReadOnlyList<int>? Slots = null,
    string? Became = null,
    DateOnly? ReturnBy = null
) : PressedAtCard, IJobWrite;

public sealed record CorrectRequest(Guid Key, int SeenVersion, long Entry, string? Reason, int Thread = 0) : Pressed, IJobWrite;

public sealed record OverrideRequest(Guid Key, int SeenVersion, string Step, string? Reason, int Thread = 0) : Pressed, IJobWrite;

public sealed record TrayPutRequest(Guid Key, int SeenVersion, string? Label, string Change, int Count, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record TrayClearRequest(Guid Key, int SeenVersion, IReadOnlyList<string>? Items, string? WaitOver = null, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record ClockStartRequest(
    Guid Key,
    int SeenVersion,
    string Kind,
    string? Label,
    double MinMinutes,
    double? MaxMinutes,
    int Thread = 0
) : Pressed, IJobWrite;

public sealed record ClockStopRequest(Guid Key, int SeenVersion, string Clock, string? WaitOver = null, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record WaitRequest(Guid Key, int SeenVersion, string For, string? What, DateTimeOffset? Until, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record NoteRequest(Guid Key, int SeenVersion, string? Text, int Thread = 0) : Pressed, IJobWrite;

public sealed record ConsentRequest(Guid Key, int SeenVersion, string What, string? By, int Thread = 0) : Pressed, IJobWrite;

public sealed record PlaceRequest(Guid Key, int SeenVersion, int? Place, int Thread = 0) : Pressed, IJobWrite;

public sealed record CloseRequest(
    Guid Key,
    int SeenVersion,
    string How,
    string? Reason,
    string? Cause = null,
    string? WaitOver = null,
    int Thread = 0
) : Pressed, IJobWrite;

public sealed record HandOverRequest(Guid Key, int SeenVersion, string? To, decimal Charge) : Pressed, IJobWrite;

public sealed record ThreadRequest(Guid Key, int SeenVersion, string Complaint, int Slot, string? Words, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record JobSchoolRequest(Guid Key, int SeenVersion, string School, string Option, int Thread = 0) : Pressed, IJobWrite;

/// <summary>One place on a path, with the suspicion on it.</summary>
public sealed record StationView(
    string Id,
    string Name,
    string Path,
    double SuspicionRatio,
    bool Cleared,
    bool Leading,
    bool Confirmed,
    int Causes
);

public sealed record SlotView(int Panel, string Ink, string Colour, string Bay, int FromFront, int FromBack, string Cartridge)
{
    /// <summary>A slot of a model.</summary>
    public static SlotView Of(Slot s) => new(s.Panel, s.Ink, s.Colour, s.Bay, s.FromFront, s.FromBack, s.Cartridge);
}

public sealed record CodeView(string Code, string Says, string Means);

public sealed record OutcomeView(
    string Id,
    string Label,
    double ChanceRatio,
    string Leaves,
    string? QuantityLabel,
    string? QuantityUnit,
    double? QuantityMin,
    double? QuantityMax,
    bool WithCoverage,
    bool QuantityNeeded
);

/// <summary>A step: a finding with its answers, or a repair with its presses of work.</summary>
public sealed record StepView(
    string Id,
    string Kind,
    string Name,
    string Station,
    double Minutes,
    decimal Parts,
    string Part,
    double InkMl,
    double CounterPct,
    string How,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<string> Steps,
    IReadOnlyList<string> Opens,
    IReadOnlyList<OutcomeView> Outcomes,
    double? FixRatio,
    double Expected,
    HeldView? Held,
    bool Told,
    bool PartMissing,
    string School,
    bool TellsNothing,
    bool ShowsSlots
);

public sealed record HeldView(string StepId, string StepName, string Gate, string Reason, string Lift, bool Overridable, string Spends);

/// <summary>Held steps with one reason.</summary>
public sealed record HeldGroupView(string Gate, string Reason, string Lift, bool Overridable, string Word, IReadOnlyList<HeldView> Steps);

public sealed record WordView(string Word, string Step, string Reason);

public sealed record AdviceView(
    string Kind,
    StepView? Step,
    string Because,
    double ExpectedCost,
    IReadOnlyList<StepView> Others,
    WordView? Word
);

/// <summary>A thread as a tab shows it.</summary>
public sealed record ThreadView(int Id, string Complaint, int Slot, string Ink, string Words, string How);

/// <summary>A school that a job may choose for itself.</summary>
public sealed record JobSchoolView(string Id, string Name, string Chosen, bool Own, IReadOnlyList<PracticeView> Options);

public sealed record PracticeView(string Id, string Name, string Why, bool Default);

/// <summary>What still reaches the head of a machine that fades.</summary>
public sealed record FeedView(double PerPageMl, double NeededMl, double Ratio, double ServesCoveragePct);

public sealed record MoveView(string Station, double BeforeRatio, double AfterRatio);

public sealed record EvidenceView(
    string Kind,
    string Source,
    string Says,
    string Why,
    long? Entry,
    double Weight,
    IReadOnlyList<MoveView> Moves
);

public sealed record TrayItemView(string Id, string Label, string Change, int Count, string Undo, bool NoPower);

public sealed record ClockView(
    string Id,
    string Kind,
    string Label,
    DateTimeOffset StartedAt,
    DateTimeOffset EndsAt,
    DateTimeOffset? LatestAt
);

/// <summary>A line of the record.</summary>
/// <param name="How">How it was told: key, hand, typed, scan or guide; null when that is not known.</param>
public sealed record EntryView(
    long Id,
    string Kind,
    string Says,
    DateTimeOffset At,
    string Person,
    long? Corrects,
    bool TakenBack,
    string? How
);

public sealed record SpentView(double Minutes, decimal Parts, double InkMl, decimal Labour, string Currency, decimal? Limit);

/// <summary>A job in short: what it is about, whose it is, and where it stands.</summary>
public sealed record JobSection(
    long Id,
    int Tag,
    int Version,
    string Customer,
    string Words,
    string Tried,
    string Ink,
    int IdleWeeks,
    bool Moved,
    string Paper,
    DateOnly? WarrantyEnd,
    bool InWarranty,
    DateTimeOffset? Promise,
    string Accessories,
    int Place,
    string Standing,
    string WaitsFor,
    string WaitsWhat,
    DateTimeOffset Now,
    IReadOnlyList<ClockView> Clocks,
    IReadOnlyList<ClockPreset> Presets,
    IReadOnlyList<string> ClockKinds,
    SpentView Spent,
    string? ClosedHow,
    string ClosedReason,
    bool HandedOver
);

/// <summary>A lasting change of a machine, or something else that is known of it since a time.</summary>
public sealed record KnownView(string Key, string Says, DateTimeOffset? Since);

/// <summary>The machine: its model, and how it stands.</summary>
public sealed record MachineSection(
    long MachineId,
    string ModelId,
    string Machine,
    string Kind,
    string Serial,
    double? CounterPct,
    IReadOnlyList<SlotView> Slots,
    IReadOnlyList<CodeView> Codes,
    IReadOnlyList<string> MachineCautions,
    IReadOnlyList<KnownView> Known
);

/// <summary>Diagnosis: the thread in hand, its odds, and what to do next.</summary>
public sealed record DiagnosisSection(
    string Complaint,
    IReadOnlyList<StationView> Stations,
    AdviceView Advice,
    IReadOnlyList<EvidenceView> Evidence,
    double UnknownRatio,
    double FixedRatio,
    IReadOnlyList<HeldGroupView> Held,
    bool Proved,
    int Thread,
    IReadOnlyList<ThreadView> Threads,
    bool ThreadOpen,
    bool Contradicted,
    IReadOnlyList<JobSchoolView> Schools,
    IReadOnlyList<CauseChoice> Endable,
    string BookNote,
    int Measured
);

/// <summary>Opening up: what is off, open or inside.</summary>
public sealed record StripDownSection(IReadOnlyList<TrayItemView> Tray);

/// <summary>Ink: what still reaches the head.</summary>
public sealed record InkSection(FeedView? Feed);

/// <summary>The record: every line, newest first, and what it says that cannot be.</summary>
public sealed record RecordSection(IReadOnlyList<EntryView> Entries, IReadOnlyList<DoubtView> Doubts);

/// <summary>Something the record says that cannot be.</summary>
public sealed record DoubtView(long Entry, string Says);

/// <summary>Everything the bench page shows of a job, in sections, each of one craft. A new craft adds its own.</summary>
public sealed record BenchView(
    JobSection Job,
    MachineSection Machine,
    DiagnosisSection Diagnosis,
    StripDownSection StripDown,
    InkSection Ink,
    RecordSection Record
);

public sealed record CauseChoice(string Id, string Name, double Ratio);

public sealed record ArithmeticView(
    string Kind,
    string Says,
    string Why,
    double Likelihood,
    double Average,
    double BeforeRatio,
    double AfterRatio
);

public sealed record MindChangeView(string Finding, string Answer, double ChanceRatio, double ThenRatio, string Leads, double LeadsRatio);

/// <summary>The arithmetic for one cause.</summary>
public sealed record WhyView(
    string Cause,
    string Name,
    string Station,
    double StartRatio,
    double NowRatio,
    IReadOnlyList<ArithmeticView> Lines,
    IReadOnlyList<MindChangeView> Changes
);

/// <summary>What typed words can mean.</summary>
public sealed record ReadingView(
    string Finding,
    string FindingName,
    string Outcome,
    string Label,
    string Says,
    double? Quantity,
    string Unit,
    int Slot,
    string Ink,
    double FitRatio,
    bool Sure,
    string Code
);

public sealed record CauseView(string Id, string Name, double Ratio, double MendedRatio);

/// <summary>One station's causes, tests and repairs.</summary>
public sealed record StationDetail(string Id, string Name, IReadOnlyList<CauseView> Causes, IReadOnlyList<StepView> Steps);

public sealed record HandOverView(
    long Id,
    int Tag,
    string Machine,
    string Serial,
    string Customer,
    string Words,
    DateTimeOffset OpenedAt,
    DateTimeOffset? ClosedAt,
    string Ending,
    IReadOnlyList<string> Found,
    IReadOnlyList<string> NotTheFault,
    IReadOnlyList<string> Done,
    IReadOnlyList<string> Used,
    double Minutes,
    decimal Labour,
    decimal Parts,
    decimal Total,
    string Currency,
    IReadOnlyList<string> Watch,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<string> CameBack,
    bool Closed,
    bool HandedOver,
    int Version
);

public sealed record TagView(
    long Id,
    int Tag,
    string Machine,
    string Serial,
    string Customer,
    string Words,
    DateTimeOffset? Promise,
    DateTimeOffset OpenedAt,
    string Accessories,
    string QrSvg,
    string Link
);
