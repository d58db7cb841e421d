using SideBench.Core.Machines;

namespace SideBench.Core.Nozzles;

/// <summary>
/// Reads a picture of a nozzle sheet: finds the sheet, measures every dash, tells what each nozzle does and what the whole means, or
/// refuses and says why.
/// </summary>
public static class SheetReader
{
    /// <summary>
    /// The longer side that a picture is shrunk towards before it is read, pixels: enough for a dash's thickness, no more.
    /// </summary>
    public const int WorkingSide = 1700;

    /// <summary>Reads.</summary>
    /// <param name="image">The picture, upright or upside down, of any resolution from about 100 dpi on the sheet.</param>
    /// <param name="layout">The layout that was printed.</param>
    /// <param name="model">How nozzles behave.</param>
    public static SheetReading Read(PixelImage image, SheetLayout layout, PatternModel model)
    {
        var factor = Math.Max(1, Math.Max(image.Width, image.Height) / WorkingSide);
        var work = image.Shrunk(factor);
        var paper = PaperMap.Of(work);
        var ink = InkPlane.Of(work, paper);
        var strokes = Strokes.Of(work, paper, ink);
        var find = SheetFinder.Find(layout, strokes);
        if (SheetChecks.Found(find, layout, work, paper, ink, strokes) is { } refusal)
            return refusal;
        var places = DashPlace.Of(layout);
        var (map, missMm) = Bent(find, places);
        var handling = HandlingOf(map, layout, factor);
        if (SheetChecks.Lies(map, missMm, layout, places, work, handling) is { } badly)
            return badly;
        var sheet = DashGauge.Of(DashSamples.Of(work, map, places), places, map);
        handling = handling with { SoftMm = sheet.SoftMm, LightPct = LightOf(sheet) };
        var units = UnitReader.Read(sheet, layout, model);
        return SheetChecks.Measured(sheet, units, layout, handling) ?? new SheetReading(units, handling, null, Scaled(map, factor));
    }

    // What the dashes' own places say about lens and curl; and by how much half of them still stand above or below their place, mm.
    private static (PageMap Map, double MissMm) Bent(SheetFind find, IReadOnlyList<DashPlace> places)
    {
        var flat = PageMap.Of(find.Map!.Value);
        var seen = find
            .Pairs.Select(pair =>
            {
                var (x, y) = flat.At(pair.X, pair.Y);
                var s = flat.StepsAt(pair.X, pair.Y);
                var (across, down) = new Steps(s.Rx, s.Ry, s.Dx, s.Dy).Of(pair.Px - x, pair.Py - y);
                return new SeenOff(pair.X, pair.Y, across, down);
            })
            .ToList();
        var bent = Bending.Of(flat, seen, places);
        var misses = find
            .Pairs.Select(pair =>
            {
                var (x, y) = bent.At(pair.X, pair.Y);
                var s = bent.StepsAt(pair.X, pair.Y);
                return Math.Abs(new Steps(s.Rx, s.Ry, s.Dx, s.Dy).Of(pair.Px - x, pair.Py - y).Down);
            })
            .Order()
            .ToArray();
        return (bent, misses[misses.Length / 2]);
    }

    private static SheetHandling HandlingOf(PageMap map, SheetLayout layout, int factor)
    {
        var (w, h) = (layout.PageWidthMm, layout.PageHeightMm);
        var middle = map.StepsAt(w / 2, h / 2);
        var bounds = layout.Units.Select(unit => unit.Bounds).ToList();
        double[] xs = [bounds.Min(b => b.Left), bounds.Max(b => b.Right)],
            ys = [bounds.Min(b => b.Top), bounds.Max(b => b.Bottom)];
        var scales = xs.SelectMany(x => ys.Select(y => map.ScaleAt(x, y))).ToList();
        var bend = 0.0;
        foreach (var (x, y) in xs.SelectMany(x => ys.Select(y => (x, y))))
        {
            var ((ax, ay), (bx, by)) = (map.At(x, y), map.Flat.At(x, y));
            bend = Math.Max(bend, Math.Sqrt(((ax - bx) * (ax - bx)) + ((ay - by) * (ay - by))) / map.ScaleAt(x, y));
        }

        (double, double)[] corners = [map.Flat.At(0, 0), map.Flat.At(w, 0), map.Flat.At(w, h), map.Flat.At(0, h)];
        return new SheetHandling(
            Math.Atan2(middle.Ry, middle.Rx) * 180 / Math.PI,
            100 * ((scales.Max() / scales.Min()) - 1),
            scales.Average() * factor,
            0,
            0,
            bend,
            [.. corners.Select(c => (c.Item1 * factor, c.Item2 * factor))]
        );
    }

    private static double LightOf(GaugedSheet sheet)
    {
        var light = Enumerable.Range(0, sheet.Places.Count).Select(i => sheet.Samples.Paper[(i * 3) + 1]).Order().ToArray();
        return 100 * (1 - (light[light.Length / 50] / Math.Max(1, light[^(1 + (light.Length / 50))])));
    }

    // The map for the picture as it came, not as it was shrunk.
    private static PageMap Scaled(PageMap map, int factor)
    {
        var (f, shift) = (map.Flat, (factor - 1) / 2.0);
        return map with
        {
            Flat = f with
            {
                A = (f.A * factor) + (shift * f.G),
                B = (f.B * factor) + (shift * f.H),
                C = (f.C * factor) + shift,
                D = (f.D * factor) + (shift * f.G),
                E = (f.E * factor) + (shift * f.H),
                F = (f.F * factor) + shift,
            },
        };
    }
}
