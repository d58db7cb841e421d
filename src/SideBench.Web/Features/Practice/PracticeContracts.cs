using SideBench.Web.Features.Jobs;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Practice;

public sealed record SchoolRequest(Guid Key, int SeenVersion, string School, string Option) : Pressed, IShopWrite;

public sealed record ShelfRequest(Guid Key, int SeenVersion, string Part, bool Here) : Pressed, IShopWrite;

public sealed record EditRequest(
    Guid Key,
    int SeenVersion,
    string Kind,
    string Target,
    string? Cause,
    string? Outcome,
    string To,
    string? Reason
) : Pressed, IShopWrite;

public sealed record ShopCorrectRequest(Guid Key, int SeenVersion, long Entry, string? Reason) : Pressed, IShopWrite;

/// <summary>A school with its practices and the shop's choice.</summary>
public sealed record SchoolView(
    string Id,
    string Name,
    string Asks,
    string Follows,
    bool PerJob,
    string Chosen,
    IReadOnlyList<PracticeView> Options
);

public sealed record PartView(string Part, bool Here, int Repairs);

/// <summary>What holds for the whole shop.</summary>
public sealed record ShopView(
    int Version,
    string BookVersion,
    IReadOnlyList<SchoolView> Schools,
    IReadOnlyList<PartView> Parts,
    IReadOnlyList<EntryView> Entries
);

public sealed record TenthView(double FromRatio, int Given, double Foretold, int Confirmed);

public sealed record TestRecordView(string Finding, string Name, int Times, double Minutes, double Bits, int Misled, double BitsPerMinute);

/// <summary>How the odds have done.</summary>
public sealed record OddsView(
    int Jobs,
    int LeadRight,
    double BookWorthJobs,
    IReadOnlyList<TenthView> Tenths,
    IReadOnlyList<TestRecordView> Tests
);
