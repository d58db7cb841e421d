namespace SideBench.Core.Nozzles;

/// <summary>
/// Where every point of the page lies in the picture: a flat sheet seen from anywhere, and on top of it a smooth bend (lens, curled paper)
/// written as cubics in the place on the page, in millimetres.
/// </summary>
/// <param name="Flat">The flat sheet.</param>
/// <param name="Bend">Ten numbers across, ten down; empty when nothing bends.</param>
/// <param name="CentreX">Where on the page the cubics are centred, mm.</param>
/// <param name="CentreY">Where on the page the cubics are centred, mm.</param>
/// <param name="Reach">What distance counts as one in the cubics, mm.</param>
public sealed record PageMap(Homography Flat, double[] Bend, double CentreX, double CentreY, double Reach)
{
    /// <summary>Numbers of a cubic in two variables.</summary>
    public const int Terms = 10;

    /// <summary>A sheet that does not bend.</summary>
    public static PageMap Of(Homography flat) => new(flat, [], 0, 0, 1);

    /// <summary>Pixel at a point of the page.</summary>
    public (double X, double Y) At(double x, double y)
    {
        if (Bend.Length == 0)
            return Flat.At(x, y);
        Span<double> terms = stackalloc double[Terms];
        Fill(terms, x, y);
        double dx = 0,
            dy = 0;
        for (var i = 0; i < Terms; i++)
        {
            dx += terms[i] * Bend[i];
            dy += terms[i] * Bend[Terms + i];
        }

        return Flat.At(x + dx, y + dy);
    }

    /// <summary>Pixels that a millimetre to the right, and a millimetre down, makes at a point of the page.</summary>
    public (double Rx, double Ry, double Dx, double Dy) StepsAt(double x, double y)
    {
        const double Step = 0.5;
        var (lx, ly) = At(x - Step, y);
        var (rx, ry) = At(x + Step, y);
        var (tx, ty) = At(x, y - Step);
        var (bx, by) = At(x, y + Step);
        return (rx - lx, ry - ly, bx - tx, by - ty);
    }

    /// <summary>Pixels to a millimetre, the mean of across and down, at a point of the page.</summary>
    public double ScaleAt(double x, double y)
    {
        var s = StepsAt(x, y);
        return Math.Sqrt(Math.Abs((s.Rx * s.Dy) - (s.Ry * s.Dx)));
    }

    /// <summary>The terms of the cubics at a point of the page.</summary>
    public void Fill(Span<double> terms, double x, double y)
    {
        double u = (x - CentreX) / Reach,
            v = (y - CentreY) / Reach;
        (terms[0], terms[1], terms[2]) = (1, u, v);
        (terms[3], terms[4], terms[5]) = (u * u, u * v, v * v);
        (terms[6], terms[7], terms[8], terms[9]) = (u * u * u, u * u * v, u * v * v, v * v * v);
    }
}
