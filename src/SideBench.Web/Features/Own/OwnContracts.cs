using SideBench.Packs;
using SideBench.Web.Features.Practice;

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
) : IShopWrite;

/// <summary>A figure as told or measured.</summary>
public sealed record FigureRequest(Guid Key, int SeenVersion, string? Model, string? Pointer, double? Value, bool Measured, bool IsSure)
    : IShopWrite;

/// <summary>What is told of a model beside its figures.</summary>
public sealed record AboutRequest(
    Guid Key,
    int SeenVersion,
    string? Model,
    string? SerialPrefix,
    string? WasteAt,
    IReadOnlyList<string>? Cautions,
    IReadOnlyList<OwnSlot>? Slots
) : IShopWrite;

public sealed record OwnSlot(int Panel, string Ink, string InkKind, string Cartridge, string Bay, int FromFront, int FromBack);

/// <summary>A code with the panel's words.</summary>
public sealed record CodeRequest(Guid Key, int SeenVersion, string? Model, string? Code, string? Says, string? Complaint, string? Reads)
    : IShopWrite;

/// <summary>An opening: what came off, in order.</summary>
public sealed record OpeningTaughtRequest(Guid Key, int SeenVersion, string? Model, IReadOnlyList<TaughtPart>? Parts) : IShopWrite;

/// <summary>A file of models to take in.</summary>
public sealed record ImportRequest(Guid Key, int SeenVersion, string? Text, bool Replace) : IShopWrite;

/// <summary>A layout that a picture taught, for a model.</summary>
public sealed record SheetTaughtRequest(Guid Key, int SeenVersion, string? Model, string? Layout, Dictionary<string, int>? Slots)
    : IShopWrite;

public sealed record KindQuestion(string Axis, string Asks, IReadOnlyList<WordChoice> Options);

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

public sealed record TaughtPartView(string Id, string Name, string View, IReadOnlyList<string> After, int Seen, double Minutes);

public sealed record HelpView(string Pointer, string Name, string Why);

public sealed record WordChoice(string Id, string Name);

/// <summary>All that a model holds.</summary>
public sealed record ModelPageView(
    int Version,
    string Id,
    string Name,
    string Kind,
    bool IsOwn,
    int ModelVersion,
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
    IReadOnlyList<TaughtPartView> Parts,
    IReadOnlyList<string> History
);

/// <summary>One file of an import against what is here.</summary>
public sealed record ImportLine(string Sort, string Id, string Name, int Brings, int? Here, IReadOnlyList<string> Differences);

public sealed record ImportLook(IReadOnlyList<ImportLine> Files);

/// <summary>What a picture taught, before it is kept.</summary>
public sealed record TaughtSheetView(
    string Layout,
    IReadOnlyList<string> Channels,
    IReadOnlyList<int> Nozzles,
    IReadOnlyList<string> Doubts,
    IReadOnlyList<string> Asks
);
