using SideBench.Core.Machines;

namespace SideBench.Core.Tests.Nozzles;

/// <summary>A small sheet of three channels, quick to print and to read.</summary>
internal static class TinySheet
{
    public static SheetLayout Layout { get; } =
        new(
            "tiny-3",
            "Tiny 3",
            105,
            80,
            [Unit("K", "#1D1D20", false, 8), Unit("C", "#0E9BD0", false, 40), Unit("Y", "#FDF28A", true, 72)],
            [new SheetMark("K", 8, 8, 40, 8, 0.4, null), new SheetMark("K", 8, 7, 8, 7, 3, "TINY")]
        );

    public static SheetUnit Unit(string id, string color, bool faint, double x, int nozzles = 60) =>
        new(
            id,
            id,
            id,
            new Rgb(Convert.ToByte(color[1..3], 16), Convert.ToByte(color[3..5], 16), Convert.ToByte(color[5..], 16)),
            faint,
            nozzles,
            0,
            new StairBlock(x, 16, 6, 4.4, 2.2, 0.3, 3.9, 0.26)
        );
}
