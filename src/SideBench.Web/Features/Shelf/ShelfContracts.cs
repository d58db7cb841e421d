using SideBench.Web.Features.Practice;
using SideBench.Web.Writing;

namespace SideBench.Web.Features.Shelf;

public sealed record StockCameRequest(
    Guid Key,
    int SeenVersion,
    string? Kind,
    string? Name,
    string? For,
    double? Amount,
    decimal? Price,
    string? Seller,
    string? Lot,
    DateOnly? ReturnBy
) : Pressed, IShopWrite;

public sealed record StockWentRequest(Guid Key, int SeenVersion, long Item, double? Amount, string? Where, string? On, string? Why)
    : Pressed,
        IShopWrite;

/// <summary>A kind of thing on the shelf.</summary>
public sealed record StockKindView(string Id, string Name, string Unit, string For);

/// <summary>Something on the shelf.</summary>
/// <param name="Left">What is left, in its unit.</param>
/// <param name="Spent">Where the rest went, in words, oldest first; what fills poured is not told singly.</param>
public sealed record StockItemView(
    long Id,
    string Kind,
    string KindName,
    string Name,
    string For,
    double Came,
    double Left,
    string Unit,
    DateTimeOffset At,
    string Seller,
    string Lot,
    IReadOnlyList<string> Spent
);

/// <summary>Something that its seller takes back until a day.</summary>
/// <param name="Days">Days left, today not counted; below 0 when it is past.</param>
/// <param name="Job">The visit on which it was fitted; null when it lies on the shelf.</param>
public sealed record ReturnView(string What, string Where, string Seller, DateOnly Until, int Days, bool Soon, long? Job);

/// <summary>How a lot has done; the rate with its band of 9 in 10, 0 to 1.</summary>
/// <param name="Verdict">open, watched, bad or good.</param>
public sealed record LotView(
    string Lot,
    string Seller,
    string What,
    int Fitted,
    int Ended,
    int Failed,
    double Rate,
    double Low,
    double High,
    string Verdict
);

/// <summary>The shelf.</summary>
public sealed record ShelfView(
    IReadOnlyList<StockKindView> Kinds,
    IReadOnlyList<StockItemView> Items,
    IReadOnlyList<ReturnView> Returns,
    IReadOnlyList<LotView> Lots
);
