using SideBench.Core.Machines;
using SideBench.Core.Nozzles;

namespace SideBench.Core.Simulation;

/// <summary>
/// Makes simulated pictures of nozzle sheets by seed: every fault, flatbed and phone, easy to hard, and pictures that must be refused.
/// </summary>
public static class SheetScenes
{
    private const double PhotoPagePxPerMm = 14;
    private const double PhotoMargin = 1.22;

    /// <summary>A picture that must be read.</summary>
    /// <param name="layout">What was printed.</param>
    /// <param name="photo">By phone instead of flatbed.</param>
    /// <param name="level">How hard.</param>
    /// <param name="seed">The same seed makes the same picture.</param>
    public static SheetScene Good(SheetLayout layout, bool photo, SceneLevel level, int seed)
    {
        var chance = new Random(seed);
        var truth = Truth(layout, chance);
        return Scene(layout, truth, photo, level, null, chance, seed, layout);
    }

    /// <summary>A picture that must be refused.</summary>
    /// <param name="layout">What it is read with.</param>
    /// <param name="other">Another layout, for the wrong one.</param>
    /// <param name="reason">Why it must be refused.</param>
    /// <param name="photo">By phone instead of flatbed.</param>
    /// <param name="seed">The same seed makes the same picture.</param>
    public static SheetScene Bad(SheetLayout layout, SheetLayout other, RefusalReason reason, bool photo, int seed)
    {
        var chance = new Random(seed);
        var printed = reason == RefusalReason.WrongLayout ? other : layout;
        return Scene(printed, Truth(printed, chance), photo, SceneLevel.Easy, reason, chance, seed, layout);
    }

    /// <summary>A picture of a head whose nozzles are given.</summary>
    public static PixelImage Seen(SheetLayout layout, NozzleTruth truth, bool photo, SceneLevel level, int seed) =>
        Scene(layout, truth, photo, level, null, new Random(seed), seed, layout).Image;

    /// <summary>A flatbed's picture at a stated resolution.</summary>
    /// <param name="layout">What was printed.</param>
    /// <param name="truth">What the nozzles do.</param>
    /// <param name="dpi">Dots to an inch.</param>
    /// <param name="seed">The same seed makes the same picture.</param>
    public static PixelImage Scanned(SheetLayout layout, NozzleTruth truth, int dpi, int seed)
    {
        var chance = new Random(seed);
        var scale = dpi / 25.4;
        var pageScale = Math.Max(PhotoPagePxPerMm, scale);
        return Flatbed(layout, scale, 0, chance).Take(SheetPress.Print(layout, truth, pageScale, 0.85, chance), pageScale, seed);
    }

    /// <summary>A phone's picture of a stated size.</summary>
    /// <param name="layout">What was printed.</param>
    /// <param name="truth">What the nozzles do.</param>
    /// <param name="megapixels">Millions of pixels.</param>
    /// <param name="seed">The same seed makes the same picture.</param>
    public static PixelImage Photographed(SheetLayout layout, NozzleTruth truth, double megapixels, int seed)
    {
        var chance = new Random(seed);
        var scale = Math.Sqrt(megapixels * 1e6 / (layout.PageWidthMm * layout.PageHeightMm)) / PhotoMargin;
        return Phone(layout, scale, 1, chance)
            .Take(SheetPress.Print(layout, truth, PhotoPagePxPerMm, 0.85, chance), PhotoPagePxPerMm, seed);
    }

    /// <summary>A head with some faults: most units good, others of any kind.</summary>
    public static NozzleTruth Truth(SheetLayout layout, Random chance)
    {
        PatternClass[] faults =
        [
            PatternClass.Scattered,
            PatternClass.Scattered,
            PatternClass.Run,
            PatternClass.EveryKth,
            PatternClass.Starvation,
            PatternClass.Blank,
            PatternClass.NearBlank,
            PatternClass.DeflectedGroup,
            PatternClass.WeakGroup,
        ];
        var units = layout
            .Units.Select(unit =>
                chance.NextDouble() < 0.55
                    ? UnitTruth.Good(unit.Nozzles)
                    : HeadFaults.Of(faults[chance.Next(faults.Length)], unit.Nozzles, chance)
            )
            .ToList();
        // One sheet in five has two inks mixed, when it has two that differ.
        var colours = Enumerable
            .Range(0, units.Count)
            .Where(u => units[u].Pattern == PatternClass.None && IsColoured(layout.Units[u].Color))
            .ToList();
        if (chance.NextDouble() < 0.2 && colours.Count >= 2)
        {
            var (a, b) = (colours[chance.Next(colours.Count)], colours[chance.Next(colours.Count)]);
            if (a != b && UnitInk.Angle(Taken(a), Taken(b)) > 0.5)
            {
                units[a] = units[a] with { Pattern = PatternClass.Contaminated, MixedWith = b };
                units[b] = units[b] with { Pattern = PatternClass.Contaminated, MixedWith = a };
            }
        }

        return new NozzleTruth(units);

        double[] Taken(int u) => layout.Units[u].Color.Taken is var t ? [t.R, t.G, t.B] : [];
    }

    private static bool IsColoured(Rgb c) => Math.Max(c.R, Math.Max(c.G, c.B)) - Math.Min(c.R, Math.Min(c.G, c.B)) > 30;

    private static SheetScene Scene(
        SheetLayout printed,
        NozzleTruth truth,
        bool photo,
        SceneLevel level,
        RefusalReason? reason,
        Random chance,
        int seed,
        SheetLayout read
    )
    {
        var hard = (int)level;
        if (reason == RefusalReason.BlankPage)
            truth = new NozzleTruth([.. printed.Units.Select(u => HeadFaults.Of(PatternClass.Blank, u.Nozzles, chance))]);
        double[] dpis = level switch
        {
            SceneLevel.Easy => [300, 600, 400],
            SceneLevel.Medium => [200, 240, 300],
            _ => [150, 200],
        };
        var scale =
            reason == RefusalReason.LowResolution ? 2.6 + (0.6 * chance.NextDouble())
            : photo ? (12 - (hard * 2)) * (0.85 + (0.3 * chance.NextDouble()))
            : dpis[chance.Next(dpis.Length)] / 25.4;
        var pageScale = photo || reason is not null ? PhotoPagePxPerMm : Math.Max(14, scale);
        var page = SheetPress.Print(
            printed,
            truth,
            pageScale,
            level == SceneLevel.Easy ? 0.85 + (0.15 * chance.NextDouble()) : 0.6 + (0.3 * chance.NextDouble()),
            chance
        );
        var view = photo ? Phone(printed, scale, hard, chance) : Flatbed(printed, scale, hard, chance);
        view = reason switch
        {
            RefusalReason.Blurred => view with
            {
                SoftPx = 0.42 * scale * (1 + (0.5 * chance.NextDouble())),
                MotionPx = photo ? 0.8 * scale : 0,
            },
            RefusalReason.Covered => Covered(view, printed, truth, chance),
            RefusalReason.CutOff => CutOff(view, printed, chance),
            RefusalReason.NoSheet => view with
            {
                PageToImage = view.PageToImage with { C = -10 * view.Width, F = -10 * view.Height },
                Grain = 14,
            },
            _ => view,
        };
        return new SheetScene(
            read,
            truth,
            photo,
            level,
            reason,
            view.Take(page, pageScale, seed),
            level switch
            {
                SceneLevel.Easy => 92,
                SceneLevel.Medium => 82,
                _ => 74,
            }
        );
    }

    private static SheetLens Flatbed(SheetLayout layout, double scale, int hard, Random chance)
    {
        var turn = (chance.NextDouble() - 0.5) * (1 + (hard * 2.5)) * Math.PI / 180;
        var margin = 6.0;
        var (w, h) = ((layout.PageWidthMm + (2 * margin)) * scale, (layout.PageHeightMm + (2 * margin)) * scale);
        var (sx, sy) = (scale * (1 + (0.02 * (chance.NextDouble() - 0.5))), scale * (1 + (0.02 * (chance.NextDouble() - 0.5))));
        var map = Turned(sx, sy, turn, layout, w / 2, h / 2, 0, 0);
        return new SheetLens(
            (int)w,
            (int)h,
            map,
            0.55 + (0.15 * hard * scale / 6),
            0,
            0.8 + hard,
            0.02,
            0,
            (1, 0.985, 0.94 + (0.06 * chance.NextDouble())),
            0,
            new Rgb(228, 228, 226),
            1,
            5 + (hard * 10),
            chance.NextDouble() < 0.3
        );
    }

    private static SheetLens Phone(SheetLayout layout, double scale, int hard, Random chance)
    {
        var roll = (chance.NextDouble() - 0.5) * (2 + (hard * 3)) * Math.PI / 180;
        var (w, h) = (layout.PageWidthMm * scale * PhotoMargin, layout.PageHeightMm * scale * PhotoMargin);
        // The far edge of a tilted page looks smaller: a slope of the page's depth over its distance.
        var tilt = (hard * 4.5 * chance.NextDouble()) + hard;
        var azimuth = chance.NextDouble() * Math.Tau;
        var depth = Math.Sin(tilt * Math.PI / 180) / (1.5 * Math.Max(layout.PageWidthMm, layout.PageHeightMm));
        var map = Turned(scale, scale, roll, layout, w / 2, h / 2, depth * Math.Cos(azimuth), depth * Math.Sin(azimuth));
        Rgb[] tables = [new(92, 92, 94), new(110, 72, 44), new(60, 80, 130), new(190, 180, 165)];
        return new SheetLens(
            (int)w,
            (int)h,
            map,
            0.5 + (0.25 * hard * chance.NextDouble()),
            hard * 1.2 * chance.NextDouble(),
            1 + (0.5 * hard),
            0.1 + (0.12 * hard),
            hard * 0.2 * chance.NextDouble(),
            (1, 0.93 + (0.07 * chance.NextDouble()), 0.8 + (0.2 * chance.NextDouble())),
            0.18 * hard * chance.NextDouble(),
            tables[chance.Next(tables.Length)],
            5,
            0,
            chance.NextDouble() < 0.3
        );
    }

    // The page's middle lies at a point of the picture; g and h make the far side smaller.
    private static Homography Turned(double sx, double sy, double turn, SheetLayout layout, double atX, double atY, double g, double h)
    {
        var (mx, my) = (layout.PageWidthMm / 2, layout.PageHeightMm / 2);
        var (cos, sin) = (Math.Cos(turn), Math.Sin(turn));
        // About the middle: numerator = (R S d) + at · (g·d + 1), denominator = g·d + 1, with d counted from the middle.
        double a = (cos * sx) + (atX * g),
            b = (-sin * sy) + (atX * h),
            d = (sin * sx) + (atY * g),
            e = (cos * sy) + (atY * h);
        var w = 1 - (g * mx) - (h * my);
        double c = atX - (a * mx) - (b * my),
            f = atY - (d * mx) - (e * my);
        return new Homography(a / w, b / w, c / w, d / w, e / w, f / w, g / w, h / w);
    }

    private static SheetLens Covered(SheetLens view, SheetLayout layout, NozzleTruth truth, Random chance)
    {
        // What lies on a unit that prints nothing hides nothing.
        var printing = layout.Units.Where((_, u) => truth.Units[u].Strength.Average() > 0.8).ToList();
        var bounds = (printing.Count > 0 ? printing : layout.Units)[chance.Next(Math.Max(1, printing.Count))].Bounds;
        var (w, h) = (
            (bounds.Right - bounds.Left) * (0.4 + (0.6 * chance.NextDouble())),
            (bounds.Bottom - bounds.Top) * (0.6 + (0.8 * chance.NextDouble()))
        );
        Rgb[] covers = [new(205, 160, 135), new(252, 250, 246), new(60, 60, 66), new(250, 232, 120), new(150, 110, 90)];
        return view with
        {
            Cover = (
                bounds.Left + ((bounds.Right - bounds.Left) * 0.3 * chance.NextDouble()),
                bounds.Top - 2 + (6 * chance.NextDouble()),
                w,
                h
            ),
            CoverColor = covers[chance.Next(covers.Length)],
        };
    }

    // Moves the page so that one side of the pattern leaves the picture.
    private static SheetLens CutOff(SheetLens view, SheetLayout layout, Random chance)
    {
        var bounds = layout.Units.Select(unit => unit.Bounds).ToList();
        var (left, top, right, bottom) = (
            bounds.Min(b => b.Left),
            bounds.Min(b => b.Top),
            bounds.Max(b => b.Right),
            bounds.Max(b => b.Bottom)
        );
        var inside = 3 + (12 * chance.NextDouble());
        var ((lx, _), (rx, _)) = (
            view.PageToImage.At(left + inside, (top + bottom) / 2),
            view.PageToImage.At(right - inside, (top + bottom) / 2)
        );
        var ((_, ty), (_, by)) = (
            view.PageToImage.At((left + right) / 2, top + inside),
            view.PageToImage.At((left + right) / 2, bottom - inside)
        );
        return chance.Next(4) switch
        {
            0 => view with { Width = (int)rx },
            1 => view with { Height = (int)by },
            2 => Moved(view, -lx, 0) with { Width = (int)(view.Width - lx) },
            _ => Moved(view, 0, -ty) with { Height = (int)(view.Height - ty) },
        };
    }

    private static SheetLens Moved(SheetLens view, double x, double y)
    {
        var m = view.PageToImage;
        return view with
        {
            PageToImage = m with
            {
                A = m.A + (x * m.G),
                B = m.B + (x * m.H),
                C = m.C + x,
                D = m.D + (y * m.G),
                E = m.E + (y * m.H),
                F = m.F + y,
            },
        };
    }
}
