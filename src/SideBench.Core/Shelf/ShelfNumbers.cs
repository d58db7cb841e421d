namespace SideBench.Core.Shelf;

/// <summary>House numbers of the shelf.</summary>
/// <param name="Kinds">What can lie on it.</param>
/// <param name="Poured">The kind of which fills take.</param>
/// <param name="ToolKind">The kind of a hand tool: once the shelf knows of tools, a reset needs one.</param>
/// <param name="FailedFates">What became of a fitted piece when it failed.</param>
/// <param name="BadLotFrom">A lot is bad from this rate on, at the low end of its band, 0 to 1.</param>
/// <param name="GoodLotTo">A lot is good up to this rate, at the high end.</param>
/// <param name="ReturnSoonDays">A return is urgent so many days before its last.</param>
public sealed record ShelfNumbers(
    IReadOnlyList<StockKind> Kinds,
    string Poured,
    string ToolKind,
    IReadOnlyList<string> FailedFates,
    double BadLotFrom,
    double GoodLotTo,
    int ReturnSoonDays
);

/// <summary>A kind of thing on the shelf.</summary>
/// <param name="Id">Name used in the record.</param>
/// <param name="Name">What the screen says.</param>
/// <param name="Unit">What it is counted in.</param>
/// <param name="For">What its "for" asks.</param>
public sealed record StockKind(string Id, string Name, string Unit, string For);
