using SideBench.Core.Nozzles;
using SideBench.Core.StripDown;

namespace SideBench.Core.Logbook;

/// <summary>What a line of the record says. Kinds are append only: old ones stay readable for ever.</summary>
public abstract record EntryBody
{
    /// <summary>A customer came on record.</summary>
    public sealed record CustomerRegistered(long CustomerId, string Name, string Contact) : EntryBody;

    /// <summary>A machine came on record.</summary>
    public sealed record MachineRegistered(long MachineId, string ModelId, string Serial, long CustomerId) : EntryBody;

    /// <summary>A machine was taken in.</summary>
    public sealed record TakenIn(
        long MachineId,
        long CustomerId,
        string ModelId,
        string Complaint,
        string Words,
        string Tried,
        int CleansTried,
        string Ink,
        int IdleWeeks,
        bool Moved,
        string Paper,
        bool Borderless,
        DateOnly? WarrantyEnd,
        decimal? Limit,
        DateTimeOffset? Promise,
        string Accessories,
        int? AgeYears = null,
        string? LastWork = null,
        string? Firmware = null,
        int Slot = 0,
        string? BookVersion = null,
        int ModelVersion = 0
    ) : EntryBody;

    /// <summary>A finding was told.</summary>
    public sealed record Answered(
        string Finding,
        string Outcome,
        string Name,
        string Label,
        string Says,
        double? Quantity,
        string Unit,
        double Minutes,
        IReadOnlyList<TrayItem> Puts,
        int Thread = 0,
        double? CoveragePct = null,
        string? Where = null,
        IReadOnlyDictionary<string, double>? Shares = null,
        string? Sheet = null
    ) : EntryBody;

    /// <summary>Work was done.</summary>
    public sealed record Mended(
        string Repair,
        string Name,
        IReadOnlyList<string> Tags,
        double Minutes,
        decimal Parts,
        string Part,
        string Lot,
        double InkMl,
        double CounterPct,
        IReadOnlyList<TrayItem> Puts,
        int Thread = 0
    ) : EntryBody;

    /// <summary>An earlier line was a mistake: it stays on record and no longer counts.</summary>
    public sealed record Corrected(long Target, string Reason) : EntryBody;

    /// <summary>Something was taken off, opened or put inside by hand.</summary>
    public sealed record TrayPutBy(TrayItem Item) : EntryBody;

    /// <summary>Something on the tray was undone.</summary>
    public sealed record TrayCleared(string Item, string Label) : EntryBody;

    /// <summary>A wait began.</summary>
    public sealed record ClockStarted(string Clock, string Kind, string Label, double MinMinutes, double? MaxMinutes) : EntryBody;

    /// <summary>A wait was ended by hand.</summary>
    public sealed record ClockStopped(string Clock) : EntryBody;

    /// <summary>The job waits for parts or for the customer, or hands can be on it again.</summary>
    public sealed record WaitSet(string For, string What, DateTimeOffset? Until) : EntryBody;

    /// <summary>The machine got a place on the bench, or left it (0).</summary>
    public sealed record PlaceSet(int Place) : EntryBody;

    /// <summary>A note.</summary>
    public sealed record Noted(string Text) : EntryBody;

    /// <summary>The customer agreed to something.</summary>
    public sealed record Consented(string What, string By) : EntryBody;

    /// <summary>A gate was gone past, knowingly.</summary>
    public sealed record GateOverridden(string Gate, string Step, string Reason, int Thread = 0) : EntryBody;

    /// <summary>The job's work ended.</summary>
    public sealed record Closed(
        string How,
        string Cause,
        string Reason,
        IReadOnlyList<string> StillOnTray,
        int Thread = 0,
        string? ThreadHow = null
    ) : EntryBody;

    /// <summary>Another symptom or place on the same machine: a thread of its own.</summary>
    public sealed record ThreadOpened(int Thread, string Complaint, int Slot, string Words) : EntryBody;

    /// <summary>A thread ended while others are open.</summary>
    public sealed record ThreadClosed(int Thread, string How, string Cause, string Reason) : EntryBody;

    /// <summary>What a proved thread turned out to be, with the odds before its first repair and what its tests told.</summary>
    public sealed record Judged(
        int Thread,
        string ModelId,
        string Complaint,
        string Ink,
        string Cause,
        IReadOnlyList<Foretold> Odds,
        IReadOnlyList<TestWorth> Tests
    ) : EntryBody;

    /// <summary>A school was chosen: for the job, or for the shop when the line belongs to none.</summary>
    public sealed record SchoolChosen(string School, string Option) : EntryBody;

    /// <summary>A part is on the shelf, or is not.</summary>
    public sealed record PartTold(string Part, bool Here) : EntryBody;

    /// <summary>A word of the fault book was changed by the shop.</summary>
    public sealed record BookEdited(string Kind, string Target, string Cause, string Outcome, string From, string To, string Reason)
        : EntryBody;

    /// <summary>A nozzle sheet was read, from a picture or from taps. The picture is named by its fingerprint.</summary>
    public sealed record SheetTaken(
        string Sheet,
        string Layout,
        string Way,
        string? Picture,
        IReadOnlyList<UnitLine> Units,
        SheetHandling? Handling = null,
        PageMap? Map = null
    ) : EntryBody;

    /// <summary>A reading was put right by a person; what was read stays beside it.</summary>
    public sealed record SheetCorrected(string Sheet, IReadOnlyList<UnitLine> Units) : EntryBody;

    /// <summary>Parts to reach on the machine were chosen.</summary>
    public sealed record Aimed(IReadOnlyList<string> Parts, IReadOnlyList<string> Names) : EntryBody;

    /// <summary>
    /// Something of the access graph came off, or came loose, open, aside or unplugged. Total is how many the machine has.
    /// </summary>
    public sealed record TakenOff(string Removal, string Part, string Name, int Total, TrayItem Item, double Minutes, int GraphVersion)
        : EntryBody;

    /// <summary>Something would not move, come off or go back.</summary>
    public sealed record WouldNot(string Removal, string Name, string What) : EntryBody;

    /// <summary>Something of the access graph went back. Holes of lost pieces may have stayed empty.</summary>
    public sealed record PutBack(string Item, string Removal, string Label, int Count, int LeftEmpty, double Minutes) : EntryBody;

    /// <summary>Pieces were lost, or missing already when the machine was opened.</summary>
    public sealed record PieceLost(string Item, string Removal, string Label, int Count, bool Before, string Reason, int Total = 0)
        : EntryBody;

    /// <summary>Lost pieces were replaced from stock.</summary>
    public sealed record PieceReplaced(string Item, string Removal, string Label, int Count, string From) : EntryBody;

    /// <summary>Something stays off: a part, or what held it, by its removal.</summary>
    public sealed record LeftOff(string Item, string What, string Label, string Reason) : EntryBody;

    /// <summary>A part was renewed: the new one's number, lot and warranty, and the old one's fate.</summary>
    public sealed record PartRenewed(
        string Part,
        string Name,
        string Number,
        string Lot,
        decimal Price,
        string OldFate,
        DateOnly? ReturnBy,
        DateOnly? WarrantyEnd,
        string Keeps
    ) : EntryBody;

    /// <summary>A photo was taken. The picture is named by its fingerprint.</summary>
    public sealed record PhotoTaken(string Picture, string Of, string Label) : EntryBody;

    /// <summary>A guide was begun. Its steps stay as they were then.</summary>
    public sealed record GuideBegun(
        string Run,
        string Guide,
        string Name,
        int Version,
        int Slot,
        IReadOnlyList<GuideStep> Steps,
        IReadOnlyList<GuideWindow> Windows
    ) : EntryBody;

    /// <summary>A step of a guide was done, skipped, or went another way.</summary>
    public sealed record GuideTicked(
        string Run,
        string Step,
        string Title,
        string Outcome,
        double? Value,
        string Unit,
        IReadOnlyList<TrayItem> Puts,
        IReadOnlyList<string> Takes,
        double Minutes,
        string Words = ""
    ) : EntryBody;

    /// <summary>A guide that changed meanwhile was taken over as it is now.</summary>
    public sealed record GuideRenewed(string Run, int Version, IReadOnlyList<GuideStep> Steps, IReadOnlyList<GuideWindow> Windows)
        : EntryBody;

    /// <summary>A guide was ended, done or given up.</summary>
    public sealed record GuideEnded(string Run, string Name, bool Done, string Reason) : EntryBody;

    /// <summary>The machine went back to its customer.</summary>
    public sealed record HandedOver(string To, decimal Charge, string Currency) : EntryBody;
}
