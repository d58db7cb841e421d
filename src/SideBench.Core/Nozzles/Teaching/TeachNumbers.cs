using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles.Teaching;

/// <summary>House numbers of teaching a sheet by its picture.</summary>
/// <param name="LeastFilled">A block with fewer of its dashes than this share does not show its rule, 0 to 1.</param>
/// <param name="LeastRead">A layout that finds fewer of its own picture's nozzles firing than this share is refused, 0 to 1.</param>
/// <param name="LeastDashes">So many dashes at least make a sheet.</param>
/// <param name="UsualThicknessMm">How thick dashes usually are, mm: what tells the scale where nothing else does.</param>
/// <param name="DarkestTakes">Share of light that a solid dash of a sheet's darkest ink takes where it takes most, 0 to 1.</param>
/// <param name="InkInDash">A dash is made of dots: share of what a solid one would take that it takes, 0 to 1.</param>
/// <param name="FaintFrom">From this lightness on an ink is faint on white, 0 to 1.</param>
/// <param name="Inks">Inks by their usual colour, to propose names.</param>
/// <param name="Papers">Usual sheets, mm, upright.</param>
public sealed record TeachNumbers(
    double LeastFilled,
    double LeastRead,
    int LeastDashes,
    double UsualThicknessMm,
    double DarkestTakes,
    double InkInDash,
    double FaintFrom,
    IReadOnlyList<UsualInk> Inks,
    IReadOnlyList<UsualPaper> Papers
);

/// <summary>An ink as it usually looks.</summary>
/// <param name="Id">Short name.</param>
/// <param name="Ink">In plain words.</param>
/// <param name="Red">0 to 255.</param>
/// <param name="Green">0 to 255.</param>
/// <param name="Blue">0 to 255.</param>
public sealed record UsualInk(string Id, string Ink, int Red, int Green, int Blue)
{
    /// <summary>Its colour.</summary>
    public Rgb Color => new((byte)Red, (byte)Green, (byte)Blue);
}

/// <summary>A usual sheet of paper, mm.</summary>
public sealed record UsualPaper(double Width, double Height);
