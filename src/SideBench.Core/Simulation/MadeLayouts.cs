using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>Makes nozzle sheet layouts by seed that no machine has: 4 to 9 channels, staircases and combs of several shapes.</summary>
public static class MadeLayouts
{
    private static readonly (string Id, string Ink, Rgb Color, bool Faint)[] Inks =
    [
        ("K", "black", new Rgb(35, 33, 31), false),
        ("C", "cyan", new Rgb(21, 131, 181), false),
        ("M", "magenta", new Rgb(184, 37, 110), false),
        ("Y", "yellow", new Rgb(245, 226, 122), true),
        ("LC", "light cyan", new Rgb(169, 216, 234), true),
        ("LM", "light magenta", new Rgb(239, 185, 211), true),
        ("GY", "grey", new Rgb(164, 166, 169), true),
        ("OR", "orange", new Rgb(238, 127, 45), false),
        ("GR", "green", new Rgb(47, 158, 91), false),
    ];

    /// <summary>A layout that can be printed and read.</summary>
    /// <param name="seed">The same seed makes the same layout.</param>
    /// <param name="channels">How many; 0 for 6 to 9.</param>
    public static SheetLayout Of(int seed, int channels = 0)
    {
        for (var attempt = 0; ; attempt++)
        {
            var layout = Drawn(new Random((seed * 1000) + attempt), channels, $"made-{seed}");
            if (layout is not null && LayoutRules.Check(layout, "").Count == 0)
                return layout;
        }
    }

    private static SheetLayout? Drawn(Random chance, int channels, string id)
    {
        var many = channels > 0 ? channels : chance.Next(6, 10);
        var nozzles = chance.Next(30, 201);
        var columns = chance.Next(4, 17);
        var pitch = 4 + (5 * chance.NextDouble());
        var row = 1.6 + (1.4 * chance.NextDouble());
        var stair = chance.Next(4) switch
        {
            0 => 0,
            1 => -row / columns,
            2 => row * (0.3 + (0.5 * chance.NextDouble())) / columns,
            _ => row / columns,
        };
        var length = pitch * (0.75 + (0.18 * chance.NextDouble()));
        var across = chance.Next(1, 5);
        var (left, top) = (12 + (8 * chance.NextDouble()), 26 + (10 * chance.NextDouble()));
        var (beside, under) = (3 + (9 * chance.NextDouble()), 5 + (8 * chance.NextDouble()));
        var rows = (nozzles + columns - 1) / columns;
        if (rows < 3)
            return null;
        var (width, height) = (columns * pitch, ((rows - 1) * row) + Math.Abs(stair * (columns - 1)));
        var page = chance.Next(3) switch
        {
            0 => (Width: 297.0, Height: 210.0),
            1 => (Width: 210.0, Height: 297.0),
            _ => (Width: 210.0, Height: 148.0),
        };
        var thickness = 0.23 + (0.06 * chance.NextDouble());
        var units = new List<SheetUnit>();
        for (var u = 0; u < many; u++)
        {
            var (x, y) = (left + (u % across * (width + beside)), top + (u / across * (height + under)));
            // Rising stairs begin below.
            y += Math.Max(0, -stair * (columns - 1));
            var ink = Inks[u];
            units.Add(
                new SheetUnit(
                    ink.Id,
                    ink.Id,
                    ink.Ink,
                    ink.Color,
                    ink.Faint,
                    nozzles,
                    0,
                    new StairBlock(x, y, columns, pitch, row, stair, length, thickness)
                )
            );
        }

        SheetMark[] marks =
        [
            new("K", left, 14, left, 14, 4, "NOZZLES"),
            new("K", left, top - 6, left + 14, top - 6, 0.5, null),
            .. units.Select(u => new SheetMark(u.Id, u.Block.XMm, u.Bounds.Top - 1.6, u.Block.XMm, u.Bounds.Top - 1.6, 2.4, u.Id)),
        ];
        return new SheetLayout(id, id, page.Width, page.Height, units, marks);
    }

    /// <summary>A good sheet's nozzles: all but a few fire.</summary>
    /// <param name="layout">The layout.</param>
    /// <param name="missing">Share that does not fire, 0 to 1.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static NozzleTruth GoodSheet(SheetLayout layout, double missing, Random chance) =>
        new([
            .. layout.Units.Select(u => new UnitTruth(
                [.. Enumerable.Range(0, u.Nozzles).Select(_ => chance.NextDouble() < missing ? 0.0 : 1)],
                new double[u.Nozzles],
                PatternClass.None
            )),
        ]);
}
