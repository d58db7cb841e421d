using SideBench.Web.Features.Jobs;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Nozzles;

/// <summary>One unit as a person tapped it: a letter a nozzle.</summary>
public sealed record TappedUnit(string Id, string Nozzles, string? MixedWith = null);

public sealed record TapsRequest(Guid Key, int SeenVersion, IReadOnlyList<TappedUnit>? Units, int Thread = 0) : Pressed, IJobWrite;

public sealed record PutRightRequest(Guid Key, int SeenVersion, string? Sheet, IReadOnlyList<TappedUnit>? Units, int Thread = 0)
    : Pressed,
        IJobWrite;

public sealed record ScanRequest(Guid Key, int SeenVersion, string? Device, int Thread = 0) : Pressed, IJobWrite;

/// <summary>A picture that was read, as a write: the picture by its fingerprint.</summary>
public sealed record PictureTaken(Guid Key, int SeenVersion, string Way, string Picture, int Thread = 0) : Pressed, IJobWrite;

/// <summary>Why a picture was not read, and what to do. Nothing was written.</summary>
public sealed record RefusalView(string Reason, string Title, string What, string Then);

/// <summary>What came of a picture: a sheet on record, or why there is none.</summary>
public sealed record SheetTakenView(string? Sheet, int Version, RefusalView? Refusal);

/// <summary>One unit of a layout, for drawing.</summary>
public sealed record UnitShape(
    string Id,
    string Ink,
    string Color,
    bool Faint,
    int Nozzles,
    int Slot,
    double X,
    double Y,
    int Columns,
    double ColumnPitchMm,
    double RowPitchMm,
    double StairStepMm,
    double DashLengthMm,
    double DashThicknessMm
);

/// <summary>A mark of a layout, for drawing.</summary>
public sealed record MarkShape(string Ink, double X1, double Y1, double X2, double Y2, double SizeMm, string? Text);

/// <summary>A layout, for drawing and for paper.</summary>
public sealed record LayoutView(
    string Id,
    string Name,
    double PageWidthMm,
    double PageHeightMm,
    IReadOnlyList<UnitShape> Units,
    IReadOnlyList<MarkShape> Marks
);

public sealed record LayoutLine(string Id, string Name, string Models);

/// <summary>A sheet in the row of sheets of a machine.</summary>
/// <param name="Missing">Missing nozzles, unit by unit, in the layout's order.</param>
public sealed record SheetLineView(
    string Id,
    long Job,
    DateTimeOffset At,
    string Way,
    int CleansBefore,
    int MissingCount,
    IReadOnlyList<int> Missing,
    bool MadeUp
);

/// <summary>One unit of a sheet, with what became of it.</summary>
public sealed record UnitView(
    string Id,
    string Nozzles,
    string? ReadAs,
    IReadOnlyList<int> Unsure,
    string Pattern,
    double OddsRatio,
    IReadOnlyList<OddsOfPattern> Odds,
    string Says,
    string Tone,
    int MissingCount,
    int? MissingBefore,
    IReadOnlyList<int> CameBack,
    IReadOnlyList<int> NewlyMissing,
    double? OverlapRatio,
    double? ChanceRatio
);

public sealed record OddsOfPattern(string Pattern, double OddsRatio);

/// <summary>A sheet in full.</summary>
/// <param name="Dashes">
/// Where each nozzle's dash lies in the picture: left end and right end, four numbers a nozzle, in pixels; empty without a picture.
/// </param>
public sealed record SheetView(
    string Id,
    long Job,
    int Number,
    DateTimeOffset At,
    string By,
    string Way,
    string? Picture,
    string After,
    string? ComparedWith,
    int? ComparedNumber,
    IReadOnlyList<UnitView> Units,
    string Title,
    IReadOnlyList<string> Says,
    IReadOnlyList<string> Handling,
    int UnsureCount,
    int PutRight,
    IReadOnlyList<int> Dashes,
    bool MadeUp
);

/// <summary>All about a job's sheets.</summary>
public sealed record SheetsView(
    long Job,
    int Version,
    string Model,
    string Complaint,
    bool Open,
    LayoutView? Layout,
    IReadOnlyList<SheetLineView> Sheets,
    SheetView? Shown,
    IReadOnlyList<SheetActionView> Next,
    IReadOnlyList<string> Devices
);

/// <summary>What to do next, as the thread's advice has it.</summary>
public sealed record SheetActionView(int Thread, string Complaint, string Ink, string Does);
