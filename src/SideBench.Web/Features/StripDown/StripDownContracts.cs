using SideBench.Core.Machines;
using SideBench.Web.Features.Jobs;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.StripDown;

public sealed record AimRequest(Guid Key, int SeenVersion, IReadOnlyList<string>? Parts, int Thread = 0) : Pressed, IJobWrite;

public sealed record TakeOffRequest(Guid Key, int SeenVersion, string? Removal, int? Count = null, int Thread = 0) : Pressed, IJobWrite;

public sealed record WouldNotRequest(Guid Key, int SeenVersion, string? Removal, string? What, int Thread = 0) : Pressed, IJobWrite;

public sealed record PutBackRequest(Guid Key, int SeenVersion, string? Item, int? Count = null, string? WaitOver = null, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record LostRequest(Guid Key, int SeenVersion, string? Removal, int Count, bool Before, string? Reason, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record ReplacedRequest(Guid Key, int SeenVersion, string? Removal, int Count, string? From, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record StaysOffRequest(Guid Key, int SeenVersion, string? Item, string? Reason, int Thread = 0) : Pressed, IJobWrite;

public sealed record RenewedRequest(
    Guid Key,
    int SeenVersion,
    string? Part,
    string? Number,
    string? Lot,
    decimal Price,
    string? OldFate,
    DateOnly? ReturnBy,
    DateOnly? WarrantyEnd,
    string? Keeps,
    int Thread = 0
) : Pressed, IJobWrite;

/// <summary>A photo of a part, or of what holds it, as it was taken on a job.</summary>
/// <param name="Part">The part.</param>
/// <param name="Job">The job it was taken on.</param>
/// <param name="Picture">Which picture of that job.</param>
/// <param name="Label">What it was taken of.</param>
/// <param name="Serial">The machine's serial.</param>
public sealed record PartPhotoView(string Part, long Job, string Picture, string Label, string Serial, DateTimeOffset At);

public sealed record PhotoRequest(Guid Key, int SeenVersion, string Of, string Label, string Picture, int Thread = 0) : Pressed, IJobWrite;

public sealed record GuideBeginRequest(Guid Key, int SeenVersion, string? Guide, int Slot = 0, int Thread = 0) : Pressed, IJobWrite;

public sealed record GuideTickRequest(
    Guid Key,
    int SeenVersion,
    string? Run,
    string? Step,
    string? Outcome,
    double? Value,
    string? Words,
    string? Does = null,
    string? WaitOver = null,
    int Thread = 0
) : PressedAtCard, IJobWrite;

public sealed record ChangeToldRequest(Guid Key, int SeenVersion, string? Change, string? Reason, int Thread = 0) : Pressed, IJobWrite;

public sealed record ChangeUndoneRequest(Guid Key, int SeenVersion, string? Change, string? Reason, int Thread = 0) : Pressed, IJobWrite;

public sealed record GuideTakeOverRequest(Guid Key, int SeenVersion, string? Run, int Thread = 0) : Pressed, IJobWrite;

public sealed record GuideEndRequest(Guid Key, int SeenVersion, string? Run, string? Reason, int Thread = 0) : Pressed, IJobWrite;

/// <summary>A point on one side of the machine, in hundredths of it.</summary>
public sealed record SpotView(double X, double Y);

/// <summary>Screws, nuts or clips as they are drawn.</summary>
public sealed record FastenersView(
    string Removal,
    string Name,
    int Count,
    string Kind,
    string Driver,
    double LengthMm,
    bool Collared,
    bool LoosenOnly,
    int MayStayEmpty,
    string View,
    IReadOnlyList<SpotView> At,
    int OutCount,
    int LostCount,
    int InCount,
    int OnTrayCount,
    int EmptyCount
);

/// <summary>A part in the plan of the machine.</summary>
public sealed record MachinePartView(
    string Id,
    string Name,
    string Way,
    string View,
    double X,
    double Y,
    double Width,
    double Height,
    int Slot,
    string Ink,
    string Number,
    bool IsOff,
    string StaysOff,
    int Layer,
    IReadOnlyList<FastenersView> Fasteners,
    IReadOnlyList<SpotView> Catches
);

/// <summary>One thing for the hand: something to take off, something to put back, or a step of a guide.</summary>
/// <param name="Key">Unique on the page; stable as long as the act is the same.</param>
/// <param name="Kind">off, back, do, open, power, word or move.</param>
/// <param name="Number">Its number: those of a guide stay the same, what opens or closes within a step is numbered below it.</param>
/// <param name="Section">Which part of the list it belongs to.</param>
/// <param name="Item">What lies on the tray, for what goes back.</param>
/// <param name="Word">The customer's word that is still needed; empty when none.</param>
public sealed record ActView(
    string Key,
    string Kind,
    string Number,
    string Section,
    string Title,
    string Detail,
    string Text,
    string View,
    string Tool,
    string Part,
    string Removal,
    string Item,
    int Count,
    IReadOnlyList<string> Cautions,
    string Sign,
    IReadOnlyList<string> Checks,
    double Minutes,
    bool Done,
    string Outcome,
    string Who,
    DateTimeOffset? At,
    MeasureView? Measure,
    double? Value,
    bool PhotoNeeded,
    IReadOnlyList<string> Photos,
    string Word,
    IReadOnlyList<BranchView> Branches,
    WaitView? Wait,
    string Differs,
    bool Irreversible,
    string Window,
    string Run,
    string Step,
    IReadOnlyList<DoesView> Does,
    string Stays
)
{
    /// <summary>A drawing of the model that is shown with it; null when none.</summary>
    public DrawingView? Drawing { get; init; }
}

/// <summary>A drawing of a model: the stack of its waste pads, or the hole for the tube of an outside bottle.</summary>
public sealed record DrawingView(string Kind, string ModelId, string Model, IReadOnlyList<StackLayer> Stack, ExitHole? Hole);

/// <summary>A repair of the fault book that a step makes, with what the button says.</summary>
public sealed record DoesView(string Repair, string Label);

/// <summary>A lasting change that a machine has, or can have.</summary>
/// <param name="Has">Whether it has it.</param>
/// <param name="ForEver">Whether it cannot be undone.</param>
/// <param name="Undo">What is done to undo it.</param>
public sealed record ChangeView(string Id, string Name, string Says, bool Has, bool ForEver, string Undo, DateTimeOffset? Since);

public sealed record MeasureView(string Label, string Unit, double Min, double Max);

public sealed record BranchView(string Id, string Label, string Text);

public sealed record WaitView(string Label, double MinMinutes, double? MaxMinutes);

/// <summary>A card of the tray.</summary>
/// <param name="Forbids">power, moving, closing: what must not happen before it is undone.</param>
/// <param name="Fasteners">The group, when it is one.</param>
/// <param name="Beneath">What must be undone before it.</param>
public sealed record TrayCardView(
    string Item,
    string Removal,
    string Part,
    string Label,
    string Change,
    int Count,
    int Lost,
    string Undo,
    DateTimeOffset? Since,
    string Who,
    IReadOnlyList<string> Forbids,
    FastenersView? Fasteners,
    IReadOnlyList<string> Beneath
);

public sealed record OfferView(
    string Service,
    string Name,
    string Says,
    double NowMin,
    double OwnVisitMin,
    decimal Saved,
    decimal ThrownAway,
    bool IsWorth,
    double InDays,
    IReadOnlyList<string> Targets
);

public sealed record WindowView(
    string Id,
    string Name,
    double? Minutes,
    double HandsMin,
    bool Fits,
    IReadOnlyList<string> Ready,
    DateTimeOffset? EndsAt,
    string OpensAt
);

/// <summary>A guide being followed.</summary>
public sealed record RunView(
    string Run,
    string Guide,
    string Name,
    string Purpose,
    int Version,
    bool IsChanged,
    int NowVersion,
    bool Ended,
    int Done,
    int Steps,
    IReadOnlyList<WindowView> Windows,
    IReadOnlyList<string> Tools,
    IReadOnlyList<string> Needs,
    int Slot
);

/// <summary>
/// A guide that applies to the machine; one that reaches parts of a single slot asks which; one whose hands need longer than a window says
/// so before it is begun.
/// </summary>
public sealed record GuideLineView(
    string Id,
    string Name,
    string Purpose,
    bool Fits,
    bool AsksSlot,
    double Minutes,
    IReadOnlyList<string> TooLongFor
);

/// <summary>A slot that a guide can be about.</summary>
public sealed record SlotOfMachine(int Panel, string Ink);

/// <summary>Parts that the job's next step asks for.</summary>
public sealed record AskedForView(string Step, IReadOnlyList<string> Parts, IReadOnlyList<string> Names);

/// <summary>Everything the page of opening up shows.</summary>
public sealed record OpeningView(
    long Id,
    int Tag,
    string ModelId,
    string Machine,
    int Version,
    bool Closed,
    bool InWarranty,
    string Currency,
    IReadOnlyList<string> Targets,
    AskedForView? AskedFor,
    IReadOnlyList<MachinePartView> Parts,
    int PartsOnWay,
    double OutMin,
    double BackMin,
    IReadOnlyList<string> Tools,
    IReadOnlyList<string> Needs,
    IReadOnlyList<string> Spends,
    IReadOnlyList<string> LeaveAlone,
    IReadOnlyList<ActView> Acts,
    string Current,
    IReadOnlyList<TrayCardView> Tray,
    IReadOnlyList<ActView> Back,
    double BackFromTrayMin,
    IReadOnlyList<OfferView> WhileOpen,
    RunView? Run,
    IReadOnlyList<GuideLineView> Guides,
    IReadOnlyList<SlotOfMachine> Slots,
    int Slot,
    IReadOnlyList<string> CannotPower,
    IReadOnlyList<string> CannotMove,
    IReadOnlyList<ChangeView> Changes,
    IReadOnlyList<string> StaysChanged,
    int CameOff
);

/// <summary>What the record says of one part.</summary>
public sealed record PartLifeView(
    string Part,
    string Name,
    int Times,
    DateTimeOffset LastOff,
    string By,
    long? JobId,
    DateTimeOffset? LastBack,
    DateTimeOffset? RenewedAt,
    string RenewedWith,
    string OldFate,
    DateOnly? ReturnBy,
    DateOnly? WarrantyEnd
);

/// <summary>A guide on paper, for one model.</summary>
public sealed record GuidePageView(
    string Id,
    string Name,
    int Version,
    string Purpose,
    string ModelId,
    string Model,
    IReadOnlyList<GuideModel> Models,
    IReadOnlyList<string> Tools,
    IReadOnlyList<string> Needs,
    IReadOnlyList<WindowView> Windows,
    IReadOnlyList<ActView> Acts,
    IReadOnlyList<string> LeaveAlone
);

public sealed record GuideModel(string Id, string Name);
