using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>
/// Prints a nozzle sheet: what each nozzle really does, as a picture of the bare page seen straight on and in even light.
/// </summary>
public static class SheetPress
{
    // No two dashes of a good head are quite alike.
    private const double StrengthJitter = 0.07;
    private const double PlaceJitterMm = 0.013;

    /// <summary>Prints.</summary>
    /// <param name="layout">What to print.</param>
    /// <param name="truth">What the nozzles do.</param>
    /// <param name="pxPerMm">Pixels to a millimetre of the page picture.</param>
    /// <param name="faintDensity">How much of a faint ink comes out, 0 to 1.</param>
    /// <param name="chance">Where chance comes from.</param>
    public static PixelImage Print(SheetLayout layout, NozzleTruth truth, double pxPerMm, double faintDensity, Random chance)
    {
        var (width, height) = ((int)(layout.PageWidthMm * pxPerMm), (int)(layout.PageHeightMm * pxPerMm));
        var rgb = new byte[width * height * 3];
        Array.Fill(rgb, (byte)255);
        var page = new PixelImage(width, height, rgb);
        for (var u = 0; u < layout.Units.Count; u++)
        {
            var (unit, state) = (layout.Units[u], truth.Units[u]);
            var taken = Ink(unit, faintDensity);
            if (state.MixedWith >= 0)
            {
                var (other, mine) = (Ink(layout.Units[state.MixedWith], faintDensity), taken);
                taken = [.. mine.Zip(other, (a, b) => 1 - ((1 - (0.75 * a)) * (1 - (0.55 * b))))];
            }

            for (var nozzle = 0; nozzle < unit.Nozzles; nozzle++)
            {
                var strength = Math.Clamp(state.Strength[nozzle] * (1 + (StrengthJitter * Bell(chance))), 0, 1.1);
                if (state.Strength[nozzle] < UnitTruth.MissingBelow)
                    continue;
                var (x, y) = unit.DashAt(nozzle);
                x += PlaceJitterMm * Bell(chance);
                y += state.OffsetMm[nozzle] + (PlaceJitterMm * Bell(chance));
                Fill(
                    page,
                    pxPerMm,
                    x,
                    y - (unit.Block.DashThicknessMm / 2),
                    x + unit.Block.DashLengthMm,
                    y + (unit.Block.DashThicknessMm / 2),
                    taken,
                    strength
                );
            }
        }

        foreach (var mark in layout.Marks)
            Print(page, pxPerMm, mark, layout, truth, faintDensity);
        return page;
    }

    /// <summary>A number from a bell curve of spread 1, near enough.</summary>
    public static double Bell(Random chance) =>
        (chance.NextDouble() + chance.NextDouble() + chance.NextDouble() + chance.NextDouble() - 2) * 1.732;

    private static double[] Ink(SheetUnit unit, double faintDensity)
    {
        var (r, g, b) = unit.Color.Taken;
        var share = unit.Faint ? faintDensity : 1;
        return [r * share, g * share, b * share];
    }

    private static void Print(PixelImage page, double pxPerMm, SheetMark mark, SheetLayout layout, NozzleTruth truth, double faintDensity)
    {
        var at = layout.Units.Index().First(unit => unit.Item.Id == mark.Ink).Index;
        var there = truth.Units[at].Strength.Average();
        if (there < 0.3)
            return;
        var taken = Ink(layout.Units[at], faintDensity);
        if (mark.Text is null)
        {
            var half = mark.SizeMm / 2;
            Fill(
                page,
                pxPerMm,
                Math.Min(mark.X1, mark.X2) - half,
                Math.Min(mark.Y1, mark.Y2) - half,
                Math.Max(mark.X1, mark.X2) + half,
                Math.Max(mark.Y1, mark.Y2) + half,
                taken,
                1
            );
            return;
        }

        var dot = mark.SizeMm / DotLetters.Height;
        var pen = mark.X1;
        foreach (var letter in mark.Text.ToUpperInvariant())
        {
            foreach (var (column, row) in DotLetters.Of(letter))
            {
                var (x, y) = (pen + (column * dot), mark.Y1 - ((DotLetters.Height - row) * dot));
                Fill(page, pxPerMm, x, y, x + dot, y + dot, taken, 1);
            }

            pen += (DotLetters.Width + 1) * dot;
        }
    }

    // A rectangle of ink; pixels at its edge take their share.
    private static void Fill(
        PixelImage page,
        double scale,
        double left,
        double top,
        double right,
        double bottom,
        double[] taken,
        double strength
    )
    {
        var (x0, x1, y0, y1) = (left * scale, right * scale, top * scale, bottom * scale);
        for (var y = Math.Max(0, (int)y0); y <= Math.Min(page.Height - 1, (int)y1); y++)
        {
            var down = Math.Min(y + 1, y1) - Math.Max(y, y0);
            for (var x = Math.Max(0, (int)x0); x <= Math.Min(page.Width - 1, (int)x1); x++)
            {
                var share = strength * down * (Math.Min(x + 1, x1) - Math.Max(x, x0));
                var at = ((y * page.Width) + x) * 3;
                for (var c = 0; c < 3; c++)
                    page.Rgb[at + c] = (byte)Math.Clamp(page.Rgb[at + c] * (1 - (share * taken[c])), 0, 255);
            }
        }
    }
}
