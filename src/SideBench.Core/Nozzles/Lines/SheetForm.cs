using SideBench.Core.Record;

namespace SideBench.Core.Nozzles;

/// <summary>The stored form of how a picture was handled, and of where the page lies in it.</summary>
internal static class SheetForm
{
    public static void Store(FieldWriter to, SheetHandling handling)
    {
        to.Number("rotationDeg", handling.RotationDeg);
        to.Number("tiltPct", handling.TiltPct);
        to.Number("pxPerMm", handling.PxPerMm);
        to.Number("softMm", handling.SoftMm);
        to.Number("lightPct", handling.LightPct);
        to.Number("bendMm", handling.BendMm);
        to.Parts(
            "paperPx",
            handling.PaperPx,
            (corner, at) =>
            {
                corner.Number("item1", at.X);
                corner.Number("item2", at.Y);
            }
        );
    }

    public static SheetHandling ReadHandling(FieldReader from) =>
        new(
            from.Number("rotationDeg"),
            from.Number("tiltPct"),
            from.Number("pxPerMm"),
            from.Number("softMm"),
            from.Number("lightPct"),
            from.Number("bendMm"),
            from.Parts("paperPx", corner => (corner.Number("item1"), corner.Number("item2")))
        );

    public static void Store(FieldWriter to, PageMap map)
    {
        to.Part(
            "flat",
            flat =>
            {
                flat.Number("a", map.Flat.A);
                flat.Number("b", map.Flat.B);
                flat.Number("c", map.Flat.C);
                flat.Number("d", map.Flat.D);
                flat.Number("e", map.Flat.E);
                flat.Number("f", map.Flat.F);
                flat.Number("g", map.Flat.G);
                flat.Number("h", map.Flat.H);
            }
        );
        to.Numbers("bend", map.Bend);
        to.Number("centreX", map.CentreX);
        to.Number("centreY", map.CentreY);
        to.Number("reach", map.Reach);
    }

    public static PageMap ReadMap(FieldReader from)
    {
        var flat = from.Part("flat")!;
        double[] f = [.. "abcdefgh".Select(name => flat.Number(name.ToString()))];
        return new PageMap(
            new Homography(f[0], f[1], f[2], f[3], f[4], f[5], f[6], f[7]),
            [.. from.Numbers("bend")],
            from.Number("centreX"),
            from.Number("centreY"),
            from.Number("reach")
        );
    }
}
