namespace SideBench.Core.Machines;

/// <summary>
/// Where every nozzle of a head draws its dash on a printed nozzle sheet (docs/formats/nozzle-sheet-layout.md). Lengths in millimetres from
/// the page's top left corner.
/// </summary>
/// <param name="Id">Short name.</param>
/// <param name="Name">Name for people.</param>
/// <param name="PageWidthMm">Width of the sheet.</param>
/// <param name="PageHeightMm">Height of the sheet.</param>
/// <param name="Units">Channels without sections, and the sections of those that have some, in the file's order.</param>
/// <param name="Marks">What else is printed; it fades with its unit.</param>
public sealed record SheetLayout(
    string Id,
    string Name,
    double PageWidthMm,
    double PageHeightMm,
    IReadOnlyList<SheetUnit> Units,
    IReadOnlyList<SheetMark> Marks
)
{
    /// <summary>Nozzles of all units.</summary>
    public int Nozzles => Units.Sum(unit => unit.Nozzles);
}

/// <summary>What is read by itself: a channel, or one section of it.</summary>
/// <param name="Id">Name of the unit.</param>
/// <param name="Channel">The channel it belongs to; its own id when it has no sections.</param>
/// <param name="Ink">Its ink in plain words.</param>
/// <param name="Color">A solid dash of this ink on white paper.</param>
/// <param name="Faint">Little contrast on white.</param>
/// <param name="Nozzles">How many, numbered from 0.</param>
/// <param name="First">Channel-wide number of its nozzle 0.</param>
/// <param name="Block">Where they print.</param>
public sealed record SheetUnit(string Id, string Channel, string Ink, Rgb Color, bool Faint, int Nozzles, int First, StairBlock Block)
{
    /// <summary>Left end and centre line of a nozzle's dash.</summary>
    /// <param name="nozzle">0 up to the number of nozzles.</param>
    public (double X, double Y) DashAt(int nozzle) => Block.DashAt(nozzle);

    /// <summary>What surrounds every dash: left, top, right, bottom.</summary>
    public (double Left, double Top, double Right, double Bottom) Bounds
    {
        get
        {
            var (left, top, right, bottom) = (double.MaxValue, double.MaxValue, double.MinValue, double.MinValue);
            for (var nozzle = 0; nozzle < Nozzles; nozzle++)
            {
                var (x, y) = DashAt(nozzle);
                (left, right) = (Math.Min(left, x), Math.Max(right, x + Block.DashLengthMm));
                (top, bottom) = (Math.Min(top, y - (Block.DashThicknessMm / 2)), Math.Max(bottom, y + (Block.DashThicknessMm / 2)));
            }

            return (left, top, right, bottom);
        }
    }
}

/// <summary>
/// A staircase of dashes: nozzle n stands in column n mod columns and row n / columns; each column one step lower than the one to its left.
/// </summary>
/// <param name="XMm">Left end of nozzle 0's dash.</param>
/// <param name="YMm">Centre line of nozzle 0's dash.</param>
/// <param name="Columns">Stair columns.</param>
/// <param name="ColumnPitchMm">Between left ends of neighbouring columns.</param>
/// <param name="RowPitchMm">Down between dashes of one column.</param>
/// <param name="StairStepMm">How much lower the next column stands; negative for stairs that rise.</param>
/// <param name="DashLengthMm">Length of a dash.</param>
/// <param name="DashThicknessMm">Thickness of a dash.</param>
public sealed record StairBlock(
    double XMm,
    double YMm,
    int Columns,
    double ColumnPitchMm,
    double RowPitchMm,
    double StairStepMm,
    double DashLengthMm,
    double DashThicknessMm
)
{
    /// <summary>Left end and centre line of a nozzle's dash.</summary>
    /// <param name="nozzle">From 0.</param>
    public (double X, double Y) DashAt(int nozzle)
    {
        var (row, column) = Math.DivRem(nozzle, Columns);
        return (XMm + (column * ColumnPitchMm), YMm + (row * RowPitchMm) + (column * StairStepMm));
    }
}

/// <summary>A line or text printed beside the blocks.</summary>
/// <param name="Ink">The unit that prints it.</param>
/// <param name="X1">Left end, or left end of the base line.</param>
/// <param name="Y1">Its height on the page.</param>
/// <param name="X2">Right end; the same for a text.</param>
/// <param name="Y2">Its height on the page.</param>
/// <param name="SizeMm">Thickness of a line, height of a capital letter.</param>
/// <param name="Text">The text; null for a line.</param>
public sealed record SheetMark(string Ink, double X1, double Y1, double X2, double Y2, double SizeMm, string? Text);

/// <summary>A colour in sRGB, 0 to 255 each.</summary>
public readonly record struct Rgb(byte R, byte G, byte B)
{
    /// <summary>How much of red, green and blue it takes from white paper, 0 to 1 each.</summary>
    public (double R, double G, double B) Taken => (1 - (R / 255.0), 1 - (G / 255.0), 1 - (B / 255.0));
}
