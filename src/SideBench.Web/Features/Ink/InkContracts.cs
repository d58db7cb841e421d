using SideBench.Web.Features.Jobs;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Ink;

/// <summary>A slot with a figure.</summary>
/// <param name="Amount">%, g or ml, as its write says; null for a fill to full, or where nothing was read.</param>
/// <param name="After">The count after a reset, %; null for 100.</param>
public sealed record SlotFigure(int Slot, double? Amount, double? After = null);

public sealed record ChipsRequest(Guid Key, int SeenVersion, IReadOnlyList<SlotFigure>? Slots, int Thread = 0) : Pressed, IJobWrite;

public sealed record WeighedRequest(Guid Key, int SeenVersion, IReadOnlyList<SlotFigure>? Slots, int Thread = 0) : Pressed, IJobWrite;

public sealed record FilledRequest(Guid Key, int SeenVersion, IReadOnlyList<SlotFigure>? Slots, int Thread = 0) : Pressed, IJobWrite;

public sealed record ResetRequest(
    Guid Key,
    int SeenVersion,
    string? Tool,
    IReadOnlyList<SlotFigure>? Slots,
    int? Tries,
    bool Worked,
    string? Despite,
    int Thread = 0
) : Pressed, IJobWrite;

/// <summary>A slot in a reset session, in the order of the hand.</summary>
/// <param name="Before">Its count before, %; null when not read.</param>
/// <param name="Full">Whether it was filled to full; else <paramref name="Ml"/> went in, or nothing.</param>
/// <param name="Tries">How often the tool was tried; 0 where its count was left.</param>
/// <param name="Lamp">steady, blinks, red or dark; empty when not seen.</param>
public sealed record SessionSlotBody(int Slot, double? Before, bool Full, double? Ml, int Tries, string? Lamp, bool Reset, double? After);

public sealed record ResetSessionRequest(Guid Key, int SeenVersion, IReadOnlyList<SessionSlotBody>? Slots, string? Despite, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record FittedRequest(
    Guid Key,
    int SeenVersion,
    int Slot,
    string? Type,
    double? Ml,
    double? ChipPct,
    string? Number,
    string? Lot,
    string? Seller,
    DateOnly? ReturnBy,
    string? Became,
    bool Bought,
    bool Purged = false,
    int Thread = 0
) : Pressed, IJobWrite;

public sealed record InkVisitRequest(Guid Key, int SeenVersion, int Thread = 0) : Pressed, IJobWrite;

/// <summary>A figure with its 90 % band.</summary>
public sealed record FigureView(double Best, double Low, double High);

/// <summary>What can be fitted in a slot.</summary>
/// <param name="Number">Its number in the shop's region; empty when it has none.</param>
public sealed record CartridgeView(string Id, string Name, string Number, string Key, decimal Price);

/// <summary>One slot: what its chip says, and what is in it.</summary>
/// <param name="Told">Whether it was told what is fitted; else that is taken from the take-in.</param>
/// <param name="Known">Whether anything of its ink is known.</param>
/// <param name="Chip">What it counts now, %; null when no reading says.</param>
/// <param name="DryAt">The count at which it is down to its reserve.</param>
/// <param name="Urgency">fine, unknown, soon, now or air.</param>
/// <param name="Way">fill, fill-and-reset, run-out, fill-for-board or replace.</param>
/// <param name="DueAt">The count at which it is due, %.</param>
/// <param name="From">What the estimate comes from, in words.</param>
/// <param name="MlPerDay">What it uses a day; null while readings lie too close together.</param>
/// <param name="DryOn">When it is down to its reserve at that use, with the earliest and the latest day of 9 in 10.</param>
/// <param name="Front">Where it is, seen from the front, in words.</param>
/// <param name="Tool">What resets its chip; empty when nothing does.</param>
/// <param name="Align">How a tool whose pins differ is laid on; empty where they are alike.</param>
public sealed record SlotInkView(
    int Panel,
    string Ink,
    string Colour,
    string Front,
    string Back,
    string Type,
    string TypeName,
    bool Told,
    DateTimeOffset? Since,
    bool Known,
    bool HasCount,
    bool CanWeigh,
    bool IsFilled,
    string Tool,
    string Align,
    double FillMl,
    double ReserveMl,
    FigureView? InkMl,
    double? Chip,
    FigureView? DryAt,
    double? AddMl,
    DateTimeOffset? AirSince,
    string Urgency,
    string Way,
    double? DueAt,
    string Says,
    string Why,
    IReadOnlyList<string> Warnings,
    string From,
    FigureView? MlPerDay,
    DateTimeOffset? DryOn,
    DateTimeOffset? DryEarliest,
    DateTimeOffset? DryLatest,
    IReadOnlyList<string> Doubts,
    IReadOnlyList<CartridgeView> Types
);

/// <summary>What goes into a slot.</summary>
/// <param name="Ml">Ink, ml; 0 where a new piece goes in.</param>
/// <param name="What">Air first, to full, or the piece that goes in.</param>
public sealed record InkFillView(int Slot, string Ink, double Ml, string What);

/// <summary>The ink work that is due, in one visit.</summary>
/// <param name="Held">Why it cannot be begun; empty when it can.</param>
public sealed record InkVisitView(
    IReadOnlyList<int> Slots,
    IReadOnlyList<InkFillView> Fills,
    IReadOnlyList<string> Steps,
    double Minutes,
    double InkMl,
    decimal Cost,
    double PurgeMl,
    double PurgeCounterPct,
    double SavedMl,
    double SavedCounterPct,
    string Held,
    int Plugs
);

/// <summary>One slot of a conversion to refillables with carried chips.</summary>
/// <param name="Lost">Whether its chip has too little left.</param>
/// <param name="GoodUntil">Until when it has enough, at its use; null when not known or lost.</param>
public sealed record ConversionStepView(int Slot, string Ink, double? DonorPct, bool Lost, DateTimeOffset? GoodUntil, string Says);

/// <summary>The way to refillables, slot by slot while donors have memory.</summary>
/// <param name="Floor">What a donor must have left, %.</param>
/// <param name="Window">Until when all that are good now stay good.</param>
public sealed record ConversionView(
    string To,
    double Floor,
    IReadOnlyList<ConversionStepView> Steps,
    decimal Cost,
    double Minutes,
    DateTimeOffset? Window
);

/// <summary>When ink work next falls due, and what falls due with it.</summary>
public sealed record NextSessionView(
    int Slot,
    string Ink,
    DateTimeOffset On,
    DateTimeOffset Earliest,
    DateTimeOffset Latest,
    IReadOnlyList<int> With
);

/// <summary>What one kind of cartridge costs in use.</summary>
/// <param name="PerPage">Over the slots it fits, all in.</param>
/// <param name="Risk">Of a filling: the head it may cost, as a price.</param>
/// <param name="PaysAfter">Fillings after which it pays against what its maker sells; null when never, or when it is that.</param>
public sealed record InkMoneyView(
    string Id,
    string Name,
    int Slots,
    double UsableMl,
    double PerMl,
    double PerPage,
    double Ink,
    double Piece,
    double Hands,
    double Risk,
    double? PaysAfter
);

/// <summary>What lies on the scale.</summary>
/// <param name="MadeUp">Whether a simulated scale said it.</param>
public sealed record ScaleView(double Grams, bool MadeUp);

/// <summary>How much of a channel a page takes, by its picture.</summary>
public sealed record CoverView(int Slot, string Ink, double Pct);

/// <summary>Ink and chips of a job's machine.</summary>
/// <param name="Fitted">What is fitted, in words.</param>
/// <param name="PressesLeft">Presses that its reset board has left; null where it has none.</param>
/// <param name="BoardWeeks">How long the board still lasts, weeks; null when use is not known.</param>
/// <param name="Map">Its slots, to find them by hand.</param>
/// <param name="WasteChip">Whether its waste store has a chip, with a tool of its own.</param>
/// <param name="PlugsOut">Fill plugs that lie on the tray, and by which items.</param>
public sealed record InkView(
    long Job,
    int Tag,
    int Version,
    int Thread,
    string Model,
    string Fitted,
    bool Open,
    int? PressesLeft,
    int Presses,
    double? BoardWeeks,
    IReadOnlyList<SlotInkView> Slots,
    IReadOnlyList<SlotView> Map,
    InkVisitView? Visit,
    string Currency,
    string Prompt,
    string WasteAt,
    NextSessionView? Next,
    ConversionView? Conversion,
    IReadOnlyList<InkMoneyView> Money,
    bool WasteChip,
    int PlugsOut,
    IReadOnlyList<string> PlugItems
);

/// <summary>How far one slot goes.</summary>
public sealed record SlotRunView(int Panel, string Ink, FigureView Pages, double AddMl, bool Fits);

/// <summary>Whether the ink lasts a run.</summary>
/// <param name="Says">The answer, one sentence.</param>
public sealed record InkRunView(bool Lasts, string Says, string After, double PageMl, IReadOnlyList<SlotRunView> Slots);

/// <summary>What a number on a cartridge says of it.</summary>
/// <param name="Fit">right, bad-lot, wrong-region, wrong-slot, other-model or unknown.</param>
public sealed record CartridgeAnswerView(string Fit, int Slot, string Says);

/// <summary>A slot at one moment of its life.</summary>
/// <param name="What">fitted, filled, weighed, chip-read, reset or spent.</param>
/// <param name="Says">In words.</param>
/// <param name="Chip">The count then, %, by readings and resets.</param>
/// <param name="WeighedMl">What a weighing then said alone, ml.</param>
/// <param name="InkMl">The estimate just after it.</param>
public sealed record SlotMomentView(DateTimeOffset At, string What, string Says, double? Chip, double? WeighedMl, FigureView? InkMl);

/// <summary>The life of what is fitted in a slot, oldest first.</summary>
public sealed record SlotLifeView(int Panel, string Ink, double FillMl, double ReserveMl, IReadOnlyList<SlotMomentView> Moments);
