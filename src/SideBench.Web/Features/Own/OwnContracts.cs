using System.Text.Json.Nodes;
using SideBench.Web.Features.Practice;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Own;

/// <summary>A dozen answers that make a model of a machine nobody has seen.</summary>
public sealed record KindRequest(
    Guid Key,
    int SeenVersion,
    string? Maker,
    string? Name,
    string? SerialPrefix,
    Dictionary<string, string>? Axes,
    IReadOnlyList<string>? Inks,
    decimal? Worth,
    string? Like
) : Pressed, IShopWrite;

/// <summary>A model of a pack, to be the shop's own from now on.</summary>
public sealed record OursRequest(Guid Key, int SeenVersion, string? Model) : Pressed, IShopWrite;

/// <summary>A figure as told or measured.</summary>
public sealed record FigureRequest(Guid Key, int SeenVersion, string? Model, string? Pointer, double? Value, bool Measured, bool IsSure)
    : Pressed,
        IShopWrite;

/// <summary>A measurement of the record.</summary>
/// <param name="Key">Its name.</param>
/// <param name="IsFarOff">So far from what was expected that it is asked about before it counts.</param>
public sealed record MeasuredView(
    string Key,
    string Pointer,
    string Name,
    string Unit,
    double Value,
    double Low,
    double High,
    bool IsFarOff,
    string Says,
    DateTimeOffset At,
    long Machine,
    string Serial
);

/// <summary>Measurements of the record that are not in the model's figures yet.</summary>
public sealed record MeasuredListView(int Version, IReadOnlyList<MeasuredView> Open);

/// <summary>Measurements of the record go into a model's figures.</summary>
/// <param name="Of">Which; null for all that are not far off.</param>
/// <param name="IsSure">Whether one that is far off is so.</param>
public sealed record MeasuredRequest(Guid Key, int SeenVersion, string? Model, string? Of, bool IsSure) : Pressed, IShopWrite;

/// <summary>What is told of a model beside its figures.</summary>
public sealed record AboutRequest(
    Guid Key,
    int SeenVersion,
    string? Model,
    string? SerialPrefix,
    string? WasteAt,
    IReadOnlyList<string>? Cautions,
    IReadOnlyList<OwnSlot>? Slots
) : Pressed, IShopWrite;

/// <param name="HoldsMl">What fits in it; null leaves that as it is.</param>
public sealed record OwnSlot(
    int Panel,
    string? Ink,
    string? InkKind,
    string? Cartridge,
    string? Bay,
    int FromFront,
    int FromBack,
    double? HoldsMl
);

/// <summary>A part of a model's file: what can be fitted, its waste store, what its head can be given.</summary>
/// <param name="Name">Where it stands in the file.</param>
/// <param name="Value">What stands there; null for nothing.</param>
/// <param name="Schema">Its rules, with a title for every field.</param>
public sealed record ModelPartView(string Name, string Title, JsonNode? Value, JsonNode Schema);

/// <summary>The parts of a model's file, each to be changed as a whole.</summary>
public sealed record ModelPartsView(int Version, IReadOnlyList<ModelPartView> Parts);

/// <summary>What a part of a model's file becomes.</summary>
/// <param name="Value">As its schema has it; null takes it away.</param>
public sealed record ModelPartRequest(Guid Key, int SeenVersion, string? Model, string? Part, JsonNode? Value) : Pressed, IShopWrite;

/// <summary>What would change.</summary>
public sealed record ModelPartLook(IReadOnlyList<string> Differences);

/// <summary>A code with the panel's words.</summary>
public sealed record CodeRequest(Guid Key, int SeenVersion, string? Model, string? Code, string? Says, string? Complaint, string? Reads)
    : Pressed,
        IShopWrite;

/// <summary>An opening: what came off, in order.</summary>
/// <param name="Back">Names of the same parts in the order in which they went back on; null or empty when that is not told.</param>
public sealed record OpeningTaughtRequest(
    Guid Key,
    int SeenVersion,
    string? Model,
    IReadOnlyList<PartOff>? Parts,
    IReadOnlyList<string>? Back
) : Pressed, IShopWrite;

/// <summary>A part as it came off.</summary>
public sealed record PartOff(
    string? Name,
    string? View,
    string? Way,
    int Screws,
    string? Driver,
    double LengthMm,
    bool IsCollared,
    bool IsLoosenOnly,
    int Catches,
    IReadOnlyList<string>? Cables,
    string? Caution,
    double Minutes
);

/// <summary>What came off on a job, to be taught as an opening.</summary>
/// <param name="Tag">The job's tag.</param>
/// <param name="Parts">In the order in which they came off.</param>
/// <param name="Back">Their names in the order in which they went back on; empty when not all did.</param>
public sealed record OpenedView(int Tag, IReadOnlyList<PartOff> Parts, IReadOnlyList<string> Back);

/// <summary>A file of models to take in.</summary>
public sealed record ImportRequest(Guid Key, int SeenVersion, string? Text, bool Replace) : Pressed, IShopWrite;

/// <summary>A layout that a picture taught, for a model.</summary>
public sealed record SheetTaughtRequest(Guid Key, int SeenVersion, string? Model, string? Layout, Dictionary<string, int>? Slots)
    : Pressed,
        IShopWrite;

public sealed record KindChoice(string Id, string Name, IReadOnlyDictionary<string, string> Follows);

public sealed record KindQuestion(string Axis, string Asks, IReadOnlyList<KindChoice> Options);

public sealed record ModelLine(string Id, string Name, string Kind, bool IsOwn, int Version, int Defaults, string SerialPrefix);

/// <summary>Models, and what is asked of a kind.</summary>
public sealed record ModelsView(
    int Version,
    IReadOnlyList<ModelLine> Models,
    IReadOnlyList<KindQuestion> Asked,
    IReadOnlyList<string> Inks,
    IReadOnlyList<string> Own,
    IReadOnlyList<string> LeftOut
);

public sealed record ModelFigureView(
    string Pointer,
    string Name,
    string Unit,
    string Group,
    double Value,
    double? Low,
    double? High,
    bool IsDefault,
    int Seen,
    double Most
);

public sealed record OwnCodeView(string Code, string Says, string Complaint, string Reads);

/// <param name="Known">What is known of it; null where it is only as its family has it.</param>
public sealed record TaughtPartView(
    string Id,
    string Name,
    string View,
    string Way,
    IReadOnlyList<string> After,
    int Seen,
    double Minutes,
    PartOff? Known
);

public sealed record UsualPartView(string Name, string View, string Way, double Minutes);

public sealed record HelpView(string Pointer, string Name, string Why);

public sealed record WordChoice(string Id, string Name);

/// <summary>All that a model holds.</summary>
/// <param name="PackVersion">The version that a pack has of a model that is the shop's own; null where none has it.</param>
public sealed record ModelPageView(
    int Version,
    string Id,
    string Name,
    string Kind,
    bool IsOwn,
    int ModelVersion,
    int? PackVersion,
    string Like,
    string SerialPrefix,
    string WasteAt,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<OwnSlot> Slots,
    IReadOnlyList<ModelFigureView> Figures,
    IReadOnlyList<HelpView> Help,
    IReadOnlyList<OwnCodeView> Codes,
    IReadOnlyList<WordChoice> CodeReads,
    IReadOnlyList<WordChoice> Complaints,
    string Sheet,
    int Openings,
    IReadOnlyList<UsualPartView> UsualParts,
    IReadOnlyList<TaughtPartView> Parts,
    IReadOnlyList<string> History
);

/// <summary>One file of an import against what is here.</summary>
public sealed record ImportLine(string Sort, string Id, string Name, int Brings, int? Here, IReadOnlyList<string> Differences);

public sealed record ImportLook(IReadOnlyList<ImportLine> Files);

/// <summary>A channel of a taught layout as it lies over its picture.</summary>
/// <param name="Path">Its dashes, as an SVG path in the picture's points.</param>
/// <param name="X">Left end of its nozzle 1.</param>
/// <param name="Y">Where that is from the top.</param>
public sealed record LaidChannelView(string Id, int Nozzles, string Path, double X, double Y);

/// <summary>What a picture taught, before it is kept.</summary>
/// <param name="Width">The picture, upright, points.</param>
public sealed record TaughtSheetView(
    string Layout,
    IReadOnlyList<LaidChannelView> Channels,
    int Width,
    int Height,
    IReadOnlyList<string> Doubts,
    IReadOnlyList<string> Asks
);
